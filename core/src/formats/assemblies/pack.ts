import * as z from 'zod';
import { lookupKeysOf } from '../../assemblies/lookupKeys.ts';
import { type Command, put } from '../../job/change.ts';
import { checkRecord } from '../../job/checkRecord.ts';
import type { Id, MakeId, RecordType } from '../../job/id.ts';
import { referencesOf } from '../../job/integrity.ts';
import { type Job, createJob, inOrder, orderAfter, settingsOf } from '../../job/job.ts';
import type { JobProblem } from '../../job/problem.ts';
import type { JobRecord, RecordOf } from '../../job/record.ts';
import type { Assembly } from '../../job/records/assembly.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';

/** Assemblies in one JSON file, with the items, crafts, crews and tables they need, as records of a job. */
export const ASSEMBLY_PACK = {
  format: 'zest-assemblies',
  version: 1,
  extension: '.assemblies.json',
} as const;

const PACKED_TYPES = ['assembly', 'item', 'craft', 'crew', 'table'] as const satisfies readonly RecordType[];
export type PackedRecord = RecordOf<(typeof PACKED_TYPES)[number]>;

export type PackProblem =
  | { readonly kind: 'pack-not-json' }
  | { readonly kind: 'pack-other-format' }
  | { readonly kind: 'pack-newer'; readonly version: number; readonly known: number }
  | { readonly kind: 'pack-record'; readonly index: number; readonly problem: JobProblem }
  | { readonly kind: 'pack-record-type'; readonly index: number; readonly type: string }
  | { readonly kind: 'pack-incomplete'; readonly name: string };

/** The chosen assemblies and all they stand on, in an order that does not depend on how they were chosen. */
export function packAssemblies(job: Job, ids: readonly Id<'assembly'>[]): readonly PackedRecord[] {
  const found = new Map<string, PackedRecord>();
  const pending: Id<'assembly'>[] = [...ids];
  for (let id = pending.pop(); id !== undefined; id = pending.pop()) {
    const assembly = job.assembly.get(id);
    if (assembly === undefined || found.has(id)) continue;
    found.set(id, assembly);
    pending.push(...(assembly.inner ?? []).map(({ assemblyId }) => assemblyId));
    for (const record of neededBy(job, assembly)) found.set(record.id, record);
  }
  return [...found.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
}

function neededBy(job: Job, assembly: Assembly): readonly PackedRecord[] {
  const codes = new Set(assembly.components.map(({ itemCode }) => itemCode));
  const families = new Set(assembly.components.flatMap(({ sizing }) => sizing?.family ?? []));
  const items = [...job.item.values()].filter(
    ({ code, family }) => codes.has(code) || (family !== undefined && families.has(family)),
  );
  const labors = assembly.components.flatMap(({ labor }) => labor ?? []);
  const crews = [...items, ...labors].flatMap(({ crewId }) =>
    crewId === undefined ? [] : (job.crew.get(crewId) ?? []),
  );
  const craftIds = [
    ...[...items, ...labors].map(({ craftId }) => craftId),
    ...crews.flatMap(({ members }) => members.map(({ craftId }) => craftId)),
  ];
  const crafts = craftIds.flatMap((id) => (id === null ? [] : (job.craft.get(id) ?? [])));
  const keys = lookupKeysOf(assembly);
  const tables = [...job.table.values()].filter(({ key }) => keys.has(key));
  return [...items, ...crafts, ...crews, ...tables];
}

/** Records of a pack, and the currency their prices are in; a file of an earlier version does not say. */
export interface Pack {
  readonly records: readonly PackedRecord[];
  readonly currency?: string | undefined;
}

export const writePack = ({ records, currency }: Pack): string =>
  `${JSON.stringify({ format: ASSEMBLY_PACK.format, version: ASSEMBLY_PACK.version, currency, records }, undefined, 1)}\n`;

const envelope = z.strictObject({
  format: z.literal(ASSEMBLY_PACK.format),
  version: z.number().int().min(1),
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/)
    .optional(),
  records: z.array(z.looseObject({ type: z.string() })).max(50_000),
});

/** Reads a pack through the same doors as a job file; damaged text gives a problem, never a throw. */
export function readPack(text: string): Result<Pack, PackProblem> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refuse({ kind: 'pack-not-json' });
  }
  const parsed = envelope.safeParse(json);
  if (!parsed.success) return refuse({ kind: 'pack-other-format' });
  const { version, currency, records: raw } = parsed.data;
  if (version > ASSEMBLY_PACK.version)
    return refuse({ kind: 'pack-newer', version, known: ASSEMBLY_PACK.version });
  const records: PackedRecord[] = [];
  for (const [index, each] of raw.entries()) {
    const type = PACKED_TYPES.find((known) => known === each.type);
    if (type === undefined) return refuse({ kind: 'pack-record-type', index, type: each.type.slice(0, 60) });
    const checked = checkRecord(type, each);
    if (!checked.ok) return refuse({ kind: 'pack-record', index, problem: checked.problem });
    records.push(checked.value);
  }
  const known = new Set<string>(records.map(({ id }) => id));
  const lost = records.find((record) => referencesOf(record).some((id) => !known.has(id)));
  if (lost !== undefined) return refuse({ kind: 'pack-incomplete', name: nameOf(lost) });
  return accept({ records, currency });
}

const nameOf = (record: PackedRecord): string => (record.type === 'item' ? record.code : record.name);

export interface Unpacked {
  readonly command: Command;
  /** Names that were there already and got a number behind them. */
  readonly renamed: readonly string[];
  /** The id each assembly of the pack has in the job. */
  readonly idOf: ReadonlyMap<Id<'assembly'>, Id<'assembly'>>;
}

function freeName(name: string, taken: Set<string>): string {
  let free = name;
  for (let i = 2; taken.has(free); i += 1) free = `${name.slice(0, 180)} (${i})`;
  taken.add(free);
  return free;
}

/** Prices in another currency are no prices here: 89 dollars are not 89 euro. */
export const isForeign = (currency: string | undefined, job: Job): boolean =>
  currency !== undefined && job.settings.size > 0 && currency !== settingsOf(job).currency;

function withoutMoney(record: PackedRecord): PackedRecord {
  if (record.type === 'item')
    return { ...record, material: '', equipment: '', subcontract: '', other: '', date: '' };
  if (record.type === 'craft') return { ...record, wage: '' };
  if (record.type === 'crew')
    return { ...record, machines: record.machines.map((machine) => ({ ...machine, hourly: '' })) };
  return record;
}

/**
 * Takes a pack into a job under ids of its own. What the job has under the same code, craft name or table
 * key is the job's own and stays; an assembly of a name that is taken comes in beside it.
 */
export function planUnpack({ records, currency }: Pack, job: Job, makeId: MakeId): Unpacked {
  const foreign = isForeign(currency, job);
  const pack = createJob(foreign ? records.map(withoutMoney) : records);
  const ids = new Map<string, Id>();
  const added: JobRecord[] = [];
  const crafts = new Map([...job.craft.values()].map(({ name, id }) => [name, id]));
  for (const craft of pack.craft.values()) {
    const id = crafts.get(craft.name) ?? makeId('craft');
    ids.set(craft.id, id);
    if (!crafts.has(craft.name)) added.push({ ...craft, id });
  }
  const craftOf = (id: Id<'craft'> | null): Id<'craft'> | null =>
    id === null ? null : ((ids.get(id) as Id<'craft'> | undefined) ?? null);
  const crewOf = unpackCrews(pack, job, makeId, craftOf, added);
  const codes = new Set([...job.item.values()].map(({ code }) => code));
  for (const item of pack.item.values())
    if (!codes.has(item.code))
      added.push({ ...item, id: makeId('item'), craftId: craftOf(item.craftId), ...crewOf(item) });
  const keys = new Set([...job.table.values()].map(({ key }) => key));
  let order = orderAfter(job.table.values());
  for (const table of pack.table.values())
    if (!keys.has(table.key)) added.push({ ...table, id: makeId('table'), order: order++ });
  const assemblies = unpackAssemblies(pack, job, makeId, craftOf, crewOf);
  return {
    command: put(...added, ...assemblies.records),
    renamed: assemblies.renamed,
    idOf: assemblies.idOf,
  };
}

type CrewOf = (by: { readonly crewId?: Id<'crew'> | undefined }) => { readonly crewId?: Id<'crew'> };

/** Crews of the pack under ids of the job's; one of the same name that is here already works in its place. */
function unpackCrews(
  pack: Job,
  job: Job,
  makeId: MakeId,
  craftOf: (id: Id<'craft'> | null) => Id<'craft'> | null,
  added: JobRecord[],
): CrewOf {
  const byName = new Map([...job.crew.values()].map(({ name, id }) => [name, id]));
  const ids = new Map<string, Id<'crew'>>();
  let order = orderAfter(job.crew.values());
  for (const crew of pack.crew.values()) {
    const id = byName.get(crew.name) ?? makeId('crew');
    ids.set(crew.id, id);
    if (byName.has(crew.name)) continue;
    const members = crew.members.map((each) => ({ ...each, craftId: craftOf(each.craftId) ?? each.craftId }));
    added.push({ ...crew, id, members, order: order++ });
  }
  return ({ crewId }) => {
    const id = crewId === undefined ? undefined : ids.get(crewId);
    return id === undefined ? {} : { crewId: id };
  };
}

function unpackAssemblies(
  pack: Job,
  job: Job,
  makeId: MakeId,
  craftOf: (id: Id<'craft'> | null) => Id<'craft'> | null,
  crewOf: CrewOf,
): Pick<Unpacked, 'renamed' | 'idOf'> & { readonly records: readonly Assembly[] } {
  const taken = new Set([...job.assembly.values()].map(({ name }) => name));
  const all = inOrder(pack.assembly.values());
  const ids = new Map(all.map(({ id }) => [id, makeId('assembly')]));
  const first = orderAfter(job.assembly.values());
  const renamed: string[] = [];
  const records = all.map((assembly, index): Assembly => {
    const name = freeName(assembly.name, taken);
    if (name !== assembly.name) renamed.push(name);
    return {
      ...assembly,
      id: ids.get(assembly.id) as Id<'assembly'>,
      name,
      order: first + index,
      components: assembly.components.map((each) =>
        each.labor === undefined
          ? each
          : {
              ...each,
              labor: { ...each.labor, craftId: craftOf(each.labor.craftId), ...crewOf(each.labor) },
            },
      ),
      ...(assembly.inner === undefined
        ? {}
        : {
            inner: assembly.inner.map((each) => ({
              ...each,
              assemblyId: ids.get(each.assemblyId) as Id<'assembly'>,
            })),
          }),
    };
  });
  return { records, renamed, idOf: ids };
}
