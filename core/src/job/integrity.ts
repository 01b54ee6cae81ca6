import { RESERVED_NAMES } from '../formula/functions.ts';
import { measureMark } from '../takeoff/measureMark.ts';
import { scaleOfMark } from '../takeoff/scaleAt.ts';
import type { Id } from './id.ts';
import { type Job, findRecord, listRecords } from './job.ts';
import type { JobProblem } from './problem.ts';
import type { JobRecord } from './record.ts';

/** The records a record points at; each must exist for the job to make sense. */
export function referencesOf(record: JobRecord): readonly Id[] {
  const present = (ids: readonly (Id | null)[]): readonly Id[] => ids.filter((id) => id !== null);
  switch (record.type) {
    case 'sheet':
      return present([
        record.fileId,
        record.levelId ?? null,
        ...(record.placings ?? []).map(({ fileId }) => fileId),
      ]);
    case 'section':
      return present([record.parentId]);
    case 'scope':
      return present([record.sectionId, ...(record.dueOn ?? []), ...(record.meets ?? [])]);
    case 'line':
      return present([record.sectionId]);
    case 'mark':
      return present([record.scopeId, record.sheetId, record.zoneId ?? null]);
    case 'opening':
      return present([record.markId, record.scopeId]);
    case 'piece':
      return [record.scopeId];
    case 'schedule':
      return present([record.sheetId]);
    case 'use':
      return [record.scopeId, record.assemblyId];
    case 'item':
      return present([record.craftId]);
    default:
      return [];
  }
}

function checkReferences(job: Job, record: JobRecord): JobProblem | undefined {
  const missing = referencesOf(record).find((id) => findRecord(job, id) === undefined);
  return missing === undefined
    ? undefined
    : { kind: 'record-missing-reference', type: record.type, id: record.id, missing };
}

function checkKey(job: Job, record: JobRecord): JobProblem | undefined {
  if (record.type === 'item') {
    for (const other of job.item.values())
      if (other.code === record.code && other.id !== record.id)
        return { kind: 'code-taken', code: record.code };
  }
  if (record.type !== 'scope') return undefined;
  if (RESERVED_NAMES.has(record.key)) return { kind: 'key-reserved', key: record.key };
  for (const other of job.scope.values())
    if (other.key === record.key && other.id !== record.id) return { kind: 'key-taken', key: record.key };
  return undefined;
}

function checkNesting(job: Job, record: JobRecord): JobProblem | undefined {
  if (record.type !== 'section') return undefined;
  const seen = new Set<string>([record.id]);
  for (let at = record.parentId; at !== null; at = job.section.get(at)?.parentId ?? null) {
    if (seen.has(at)) return { kind: 'section-inside-itself', name: record.name };
    seen.add(at);
  }
  return undefined;
}

/** An opening must fit the piece of wall it sits in, where that has a size. */
function checkOpening(job: Job, record: JobRecord): JobProblem | undefined {
  if (record.type !== 'opening' || record.seat.on !== 'run') return undefined;
  const host = job.mark.get(record.markId);
  const scale = host === undefined ? undefined : scaleOfMark(job, host);
  const stroke = host?.strokes[record.seat.stroke];
  if (scale === undefined || stroke === undefined) return undefined;
  const lengthM = measureMark({ kind: 'run', strokes: [stroke] }, 'plan_length', scale) ?? Infinity;
  return record.widthM > lengthM ? { kind: 'opening-too-wide', widthM: record.widthM, lengthM } : undefined;
}

/** What is wrong with a record that was just put into the job, apart from its own fields. */
export const checkPlace = (job: Job, record: JobRecord): JobProblem | undefined =>
  checkReferences(job, record) ??
  checkKey(job, record) ??
  checkNesting(job, record) ??
  checkOpening(job, record);

/** Checks a whole job, as after reading a file. Keys and codes are gathered once, not per record. */
export function checkJob(job: Job): JobProblem | undefined {
  const keys = new Set<string>();
  for (const record of listRecords(job)) {
    const problem = checkReferences(job, record) ?? checkNesting(job, record);
    if (problem !== undefined) return problem;
    const key =
      record.type === 'scope'
        ? `key ${record.key}`
        : record.type === 'item'
          ? `code ${record.code}`
          : undefined;
    if (key === undefined) continue;
    if (keys.has(key))
      return record.type === 'scope'
        ? { kind: 'key-taken', key: record.key }
        : { kind: 'code-taken', code: key.slice(5) };
    keys.add(key);
    if (record.type === 'scope' && RESERVED_NAMES.has(record.key))
      return { kind: 'key-reserved', key: record.key };
  }
  return undefined;
}
