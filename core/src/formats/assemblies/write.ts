import { lookupKeysOf } from '../../assemblies/lookupKeys.ts';
import type { Id } from '../../job/id.ts';
import { type Job } from '../../job/job.ts';
import type { Assembly } from '../../job/records/assembly.ts';
import { ASSEMBLY_PACK, type Pack, type PackedRecord } from './pack.ts';

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

export const writePack = ({ records, currency }: Pack): string =>
  `${JSON.stringify({ format: ASSEMBLY_PACK.format, version: ASSEMBLY_PACK.version, currency, records }, undefined, 1)}\n`;
