import type { Id, MakeId } from '../job/id.ts';
import { createIdMaker } from '../job/id.ts';
import { type Job, createJob } from '../job/job.ts';
import type { JobRecord, RecordOf } from '../job/record.ts';
import { startJob } from '../library/startJob.ts';
import type { UnitSystem } from '../units/format.ts';

/** Chance that repeats: a small linear congruential generator. */
export function createChance(seed = 1): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

export const FOOT = 0.3048;
/** A sheet at this scale shows one foot as 9 points: 1/8" = 1'-0". */
export const EIGHTH_SCALE = {
  xMetersPerPoint: FOOT / 9,
  yMetersPerPoint: FOOT / 9,
  source: { by: 'ratio', text: `1/8" = 1'-0"` },
} as const;

export interface TestJob {
  readonly job: Job;
  readonly makeId: MakeId;
  readonly sheet: RecordOf<'sheet'>;
  readonly sectionId: (code: string) => Id<'section'>;
  readonly assembly: (name: string) => RecordOf<'assembly'>;
}

/** A started job with one scaled sheet. */
export function createTestJob(unitSystem: UnitSystem = 'us', extra: readonly JobRecord[] = []): TestJob {
  const makeId = createIdMaker(createChance());
  const asked = {
    name: 'Test job',
    client: 'Client',
    unitSystem,
    currency: unitSystem === 'us' ? 'USD' : 'EUR',
    decimalMark: '.',
    groupMark: ',',
    markups: [
      { name: 'Overhead', percent: '12', base: 'cost' },
      { name: 'Contingency', percent: '3', base: 'cost' },
      { name: 'Profit', percent: '6', base: 'running' },
    ],
  } as const;
  const file: RecordOf<'file'> = {
    type: 'file',
    id: makeId('file'),
    name: 'plans.pdf',
    mediaType: 'application/pdf',
    byteLength: 3,
    pageCount: 1,
  };
  const sheet: RecordOf<'sheet'> = {
    type: 'sheet',
    id: makeId('sheet'),
    fileId: file.id,
    pageIndex: 0,
    order: 1,
    number: 'A-101',
    title: 'Plan',
    widthPt: 2592,
    heightPt: 1728,
    printedScale: '',
    scale: EIGHTH_SCALE,
    check: null,
  };
  const job = createJob([...startJob(asked, makeId), file, sheet, ...extra]);
  const find = <Item>(items: Iterable<Item>, test: (item: Item) => boolean): Item => {
    for (const item of items) if (test(item)) return item;
    throw new Error('createTestJob: not found');
  };
  return {
    job,
    makeId,
    sheet,
    sectionId: (code) => find(job.section.values(), (section) => section.code === code).id,
    assembly: (name) => find(job.assembly.values(), (assembly) => assembly.name.startsWith(name)),
  };
}

type ScopeContent = Partial<RecordOf<'scope'>> & Pick<RecordOf<'scope'>, 'key' | 'kind'>;

export const makeScope = (makeId: MakeId, content: ScopeContent): RecordOf<'scope'> => ({
  type: 'scope',
  id: makeId('scope'),
  name: content.key,
  color: 0,
  sectionId: null,
  order: 1,
  properties: [],
  ...content,
});

/** A mark from feet on a 1/8 in sheet. */
export const makeMark = (
  makeId: MakeId,
  scope: RecordOf<'scope'>,
  sheet: RecordOf<'sheet'>,
  ...strokesFt: readonly (readonly (readonly [number, number])[])[]
): RecordOf<'mark'> => ({
  type: 'mark',
  id: makeId('mark'),
  scopeId: scope.id,
  sheetId: sheet.id,
  kind: scope.kind,
  strokes: strokesFt.map((stroke) => stroke.map(([x, y]) => ({ x: x * 9, y: y * 9 }))),
});
