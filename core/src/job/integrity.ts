import { RESERVED_NAMES } from '../formula/functions.ts';
import { isMeasure } from './measures.ts';
import { vertexToWorld } from '../geometry/ground.ts';
import { pathLength } from '../geometry/path.ts';
import { scaleOfMark } from './scaleAt.ts';
import type { Id } from './id.ts';
import { type Job, findRecord, listRecords } from './job.ts';
import type { JobProblem } from './problem.ts';
import { remember } from './remember.ts';
import type { JobRecord, RecordOf } from './record.ts';

const present = (ids: readonly (Id | null)[]): readonly Id[] => ids.filter((id) => id !== null);

/** The records a record points at; each must exist for the job to make sense. */
export function referencesOf(record: JobRecord): readonly Id[] {
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
      return present([
        record.sectionId,
        ...(record.dueOn ?? []),
        ...(record.meets ?? []),
        ...(record.difficulty ?? []),
        record.alternate?.id ?? null,
      ]);
    case 'line':
    case 'override':
      return present([
        record.sectionId ?? null,
        record.crewId ?? null,
        record.craftId ?? null,
        record.alternate?.id ?? null,
      ]);
    case 'adjustment':
    case 'yardstick':
      return record.on.what === 'section' ? [record.on.sectionId] : [];
    case 'package':
      return present([record.sectionId, record.takenId, record.alternate?.id ?? null]);
    case 'quote':
      return [record.packageId];
    case 'crew':
      return record.members.map(({ craftId }) => craftId);
    case 'settings':
      return present([record.regionId ?? null, ...(record.difficulty ?? [])]);
    case 'zone':
      return record.difficulty ?? [];
    case 'mark':
      return present([record.scopeId, record.sheetId, record.zoneId ?? null]);
    case 'opening':
      return present([record.markId, record.scopeId]);
    case 'piece':
      return [record.scopeId];
    case 'schedule':
      return present([record.sheetId]);
    case 'use':
      return [record.scopeId, record.assemblyId, ...(record.difficulty ?? [])];
    case 'assembly':
      return [
        ...(record.inner ?? []).map(({ assemblyId }) => assemblyId),
        ...present(record.components.flatMap(({ labor }) => [labor?.craftId ?? null, labor?.crewId ?? null])),
      ];
    case 'item':
      return present([record.craftId, record.crewId ?? null]);
    default:
      return referencesOfPaper(record);
  }
}

/** What documents show, what is kept of those that were sent, and what an offer answers. */
function referencesOfPaper(record: JobRecord): readonly Id[] {
  if (record.type === 'version') return [record.fileId];
  if (record.type === 'offer') return [record.requestId];
  if (record.type !== 'document') return [];
  return record.blocks.flatMap((block) => (block.kind === 'picture' ? [block.fileId] : []));
}

function checkReferences(job: Job, record: JobRecord): JobProblem | undefined {
  const missing = referencesOf(record).find((id) => findRecord(job, id) === undefined);
  return missing === undefined
    ? undefined
    : { kind: 'record-missing-reference', type: record.type, id: record.id, missing };
}

/** What is known by a key in formulas: keys are told apart over all three types. */
export const KEYED_TYPES = ['scope', 'quantity', 'table'] as const;
type Keyed = JobRecord & { readonly type: (typeof KEYED_TYPES)[number] };
const isKeyed = (record: JobRecord): record is Keyed =>
  (KEYED_TYPES as readonly string[]).includes(record.type);

/** A named quantity is read in every formula, so that it may not hide what a scope measures. */
const isReserved = ({ type, key }: Keyed): boolean =>
  RESERVED_NAMES.has(key) || (type === 'quantity' && isMeasure(key));

/** The one item of each code, or that there are several: a price list of thousands is checked in one pass. */
const holderOfCode = remember((items: Job['item']): ReadonlyMap<string, string> => {
  const holders = new Map<string, string>();
  for (const { code, id } of items.values()) holders.set(code, holders.has(code) ? 'several' : id);
  return holders;
});

const holderOfLine = remember((overrides: Job['override']): ReadonlyMap<string, string> => {
  const holders = new Map<string, string>();
  for (const { line, id } of overrides.values()) holders.set(line, holders.has(line) ? 'several' : id);
  return holders;
});

function checkKey(job: Job, record: JobRecord): JobProblem | undefined {
  if (record.type === 'item') {
    if (holderOfCode(job.item).get(record.code) !== record.id)
      return { kind: 'code-taken', code: record.code };
  }
  if (!isKeyed(record)) return undefined;
  if (isReserved(record)) return { kind: 'key-reserved', key: record.key };
  for (const type of KEYED_TYPES)
    for (const other of job[type].values())
      if (other.key === record.key && other.id !== record.id) return { kind: 'key-taken', key: record.key };
  return undefined;
}

function checkNesting(job: Job, record: JobRecord): JobProblem | undefined {
  if (record.type === 'assembly') return checkInner(job, record);
  if (record.type !== 'section') return undefined;
  const seen = new Set<string>([record.id]);
  for (let at = record.parentId; at !== null; at = job.section.get(at)?.parentId ?? null) {
    if (seen.has(at)) return { kind: 'section-inside-itself', name: record.name };
    seen.add(at);
  }
  return undefined;
}

/** An assembly may not stand inside itself, however deep. */
function checkInner(job: Job, assembly: RecordOf<'assembly'>): JobProblem | undefined {
  const pending = [...(assembly.inner ?? [])];
  const seen = new Set<string>();
  for (let inner = pending.pop(); inner !== undefined; inner = pending.pop()) {
    if (inner.assemblyId === assembly.id) return { kind: 'assembly-inside-itself', name: assembly.name };
    if (seen.has(inner.assemblyId)) continue;
    seen.add(inner.assemblyId);
    pending.push(...(job.assembly.get(inner.assemblyId)?.inner ?? []));
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
  const onGround = stroke.map((vertex) => vertexToWorld(vertex, scale));
  const lengthM = pathLength(onGround, false);
  return record.widthM > lengthM ? { kind: 'opening-too-wide', widthM: record.widthM, lengthM } : undefined;
}

/** A margin of the whole price leaves nothing for the work. */
function checkMargin(record: JobRecord): JobProblem | undefined {
  if (record.type !== 'markup' || record.as !== 'margin') return undefined;
  const rates = [record.percent, ...(record.rates ?? []).map(({ percent }) => percent)];
  return rates.some((percent) => Number(percent) >= 100)
    ? { kind: 'margin-too-large', name: record.name }
    : undefined;
}

/** A derived line is changed in one place. */
function checkOverride(job: Job, record: JobRecord): JobProblem | undefined {
  if (record.type !== 'override') return undefined;
  return holderOfLine(job.override).get(record.line) === record.id
    ? undefined
    : { kind: 'code-taken', code: record.line };
}

/** What is wrong with a record that was just put into the job, apart from its own fields. */
export const checkPlace = (job: Job, record: JobRecord): JobProblem | undefined =>
  checkReferences(job, record) ??
  checkKey(job, record) ??
  checkNesting(job, record) ??
  checkMargin(record) ??
  checkOverride(job, record) ??
  checkOpening(job, record);

/** What is wrong with a record among the others, where keys and codes were gathered before. */
interface Faults {
  readonly tell: (record: JobRecord, problem: JobProblem) => void;
}

/** Looks through a whole job, as after reading it. Keys and codes are gathered once, not per record. */
function lookThrough(job: Job, { tell }: Faults): void {
  const keys = new Set<string>();
  for (const record of listRecords(job)) {
    const problem = checkReferences(job, record) ?? checkNesting(job, record) ?? checkMargin(record);
    if (problem !== undefined) {
      tell(record, problem);
      continue;
    }
    const key = isKeyed(record)
      ? `key ${record.key}`
      : record.type === 'item'
        ? `code ${record.code}`
        : undefined;
    if (key === undefined) continue;
    if (keys.has(key))
      tell(
        record,
        isKeyed(record) ? { kind: 'key-taken', key: record.key } : { kind: 'code-taken', code: key.slice(5) },
      );
    keys.add(key);
    if (isKeyed(record) && isReserved(record)) tell(record, { kind: 'key-reserved', key: record.key });
  }
}

/** What is wrong with a whole job first; undefined where nothing is. */
export function checkJob(job: Job): JobProblem | undefined {
  let first: JobProblem | undefined;
  lookThrough(job, { tell: (_record, problem) => (first ??= problem) });
  return first;
}

/** The records of a job that do not fit, each with the reason. */
export function checkUnmet(job: Job): ReadonlyMap<string, JobProblem> {
  const unmet = new Map<string, JobProblem>();
  lookThrough(job, { tell: ({ id }, problem) => unmet.set(id, problem) });
  return unmet;
}
