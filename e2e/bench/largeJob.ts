import { type Id, type MakeId, createIdMaker } from '@zest/core/job/id';
import { type Job, createJob } from '@zest/core/job/job';
import type { JobRecord, RecordOf } from '@zest/core/job/record';
import { startJob } from '@zest/core/library/startJob';
import { EIGHTH_SCALE, createChance } from '@zest/core/testing/job';

export const SHEET_POINTS = { width: 2592, height: 1728 } as const;

export interface LargeJobSize {
  readonly marks: number;
  readonly scopes: number;
  /** Components of all uses together; every scope has one use. */
  readonly components: number;
  /** Lines in all, from components and typed. */
  readonly lines: number;
}

/** The job that the recalculation targets speak of. */
export const USUAL: LargeJobSize = { marks: 10_000, scopes: 500, components: 3_000, lines: 5_000 };

const FORMULAS = [
  'ceil(length / spacing) + 1',
  'length * 2',
  'length * height',
  'ceil(length * height / 32 sq ft)',
  'max(2, ceil(length / 10 ft))',
  'length * height * 4 in',
] as const;
const UNITS = ['ea', 'ft', 'ft²', 'sheet', 'ea', 'yd³'] as const;

/** A job of a given size on one sheet; runs of 5 to 20 points all over it. The same every time. */
export function createLargeJob(
  size: LargeJobSize,
  file: { readonly name: string; readonly bytes: number },
): Job {
  const chance = createChance(7);
  const makeId = createIdMaker(chance);
  const asked = {
    name: `Bench ${size.marks} marks`,
    client: 'Bench',
    unitSystem: 'us',
    currency: 'USD',
    decimalMark: '.',
    groupMark: ',',
  } as const;
  const started = startJob(asked, makeId);
  const sections = started.filter((record) => record.type === 'section').map(({ id }) => id);
  const sheet = createSheet(makeId, file);
  const perUse = Math.round(size.components / size.scopes);
  const assemblies = Array.from({ length: 20 }, (_, i) => createAssembly(makeId, i, perUse));
  const records: JobRecord[] = [...started, ...sheet, ...assemblies];
  const scopes = Array.from({ length: size.scopes }, (_, i): RecordOf<'scope'> => ({
    type: 'scope',
    id: makeId('scope'),
    key: `scope_${i}`,
    name: `Wall ${i}`,
    kind: 'run',
    color: i % 12,
    sectionId: sections[i % sections.length] as Id<'section'>,
    order: i + 1,
    properties: [{ key: 'height', name: 'Height', value: '9', unit: 'ft' }],
  }));
  records.push(...scopes);
  scopes.forEach((scope, i) =>
    records.push({
      type: 'use',
      id: makeId('use'),
      scopeId: scope.id,
      assemblyId: (assemblies[i % assemblies.length] as RecordOf<'assembly'>).id,
      order: i + 1,
      answers: {},
    }),
  );
  const [, plan] = sheet;
  for (let i = 0; i < size.marks; i += 1)
    records.push(createRun(makeId, chance, scopes[i % scopes.length] as RecordOf<'scope'>, plan));
  for (let i = size.components; i < size.lines; i += 1)
    records.push(createLine(makeId, i, `total(scope_${i % size.scopes}, length) * 2`, sections));
  return createJob(records);
}

function createSheet(
  makeId: MakeId,
  file: { readonly name: string; readonly bytes: number },
): readonly [RecordOf<'file'>, RecordOf<'sheet'>] {
  const fileId = makeId('file');
  return [
    {
      type: 'file',
      id: fileId,
      name: file.name,
      mediaType: 'application/pdf',
      byteLength: file.bytes,
      pageCount: 1,
    },
    {
      type: 'sheet',
      id: makeId('sheet'),
      fileId,
      pageIndex: 0,
      order: 1,
      number: 'B-1',
      title: 'Bench',
      widthPt: SHEET_POINTS.width,
      heightPt: SHEET_POINTS.height,
      printedScale: '',
      scale: EIGHTH_SCALE,
      check: null,
    },
  ];
}

const createAssembly = (makeId: MakeId, index: number, components: number): RecordOf<'assembly'> => ({
  type: 'assembly',
  id: makeId('assembly'),
  name: `Bench wall ${index}`,
  description: '',
  measures: 'run',
  order: 100 + index,
  inputs: [{ key: 'spacing', question: 'Spacing?', unit: 'in', value: '16', hint: '', choices: [] }],
  components: Array.from({ length: components }, (_, i) => ({
    key: `part_${i}`,
    name: `Part ${i}`,
    kind: 'material' as const,
    unit: UNITS[i % UNITS.length] as string,
    formula: FORMULAS[i % FORMULAS.length] as string,
    wastePercent: '5',
    roundUpTo: '1',
    itemCode: ['FR-STD-4', 'FR-PLT-4', 'LB-FRAME', 'BD-58-8', 'FR-STD-6', 'CN-RM-40'][i % 6] as string,
  })),
});

function createRun(
  makeId: MakeId,
  chance: () => number,
  scope: RecordOf<'scope'>,
  sheet: RecordOf<'sheet'>,
): RecordOf<'mark'> {
  const points = [{ x: chance() * SHEET_POINTS.width, y: chance() * SHEET_POINTS.height }];
  const count = 5 + Math.floor(chance() * 16);
  while (points.length < count) {
    const last = points.at(-1) as { x: number; y: number };
    const step = (chance() - 0.5) * 80;
    points.push(points.length % 2 === 0 ? { x: last.x + step, y: last.y } : { x: last.x, y: last.y + step });
  }
  return {
    type: 'mark',
    id: makeId('mark'),
    scopeId: scope.id,
    sheetId: sheet.id,
    kind: 'run',
    strokes: [points],
  };
}

const createLine = (
  makeId: MakeId,
  index: number,
  quantity: string,
  sections: readonly Id[],
): RecordOf<'line'> => ({
  type: 'line',
  id: makeId('line'),
  sectionId: sections[index % sections.length] as Id<'section'>,
  order: index + 1,
  description: `Line ${index}`,
  quantity,
  unit: 'ft',
  itemCode: 'FR-PLT-4',
  typedCost: null,
});
