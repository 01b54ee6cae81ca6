import { type Command, put } from '../../job/change.ts';
import type { Id, MakeId } from '../../job/id.ts';
import { type Job, createJob, inOrder, orderAfter, settingsOf } from '../../job/job.ts';
import type { JobRecord } from '../../job/record.ts';
import type { Assembly } from '../../job/records/assembly.ts';
import type { Pack, PackedRecord } from './pack.ts';

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
