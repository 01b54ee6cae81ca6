import * as z from 'zod';
import { checkRecord } from '../../job/checkRecord.ts';
import { referencesOf } from '../../job/integrity.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { ASSEMBLY_PACK, PACKED_TYPES, type Pack, type PackProblem, type PackedRecord } from './pack.ts';

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
