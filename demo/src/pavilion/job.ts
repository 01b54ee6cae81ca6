import { createIdMaker } from '@zest/core/job/id';
import type { Job } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { startJob } from '@zest/core/library/startJob';
import { disciplineOf } from '@zest/core/takeoff/discipline';
import { parseScaleRatio, scaleOfRatio } from '@zest/core/takeoff/scale';
import { type Derived, derive } from '../derive.ts';
import { DEMO_MARKUPS, createChance, finishJob, withOwnPrices } from '../finishJob.ts';
import {
  COLUMN,
  COLUMNS,
  PAVILION_BEAMS,
  PAVING,
  PITCH_DEG,
  type Place,
  ROOF_HALVES,
  TREE_PIT,
} from './building.ts';
import { A1, PAVILION_SHEETS, onPavilion } from './sheets.ts';

const spot = (place: Place): { readonly x: number; readonly y: number } => {
  const [x, y] = onPavilion(place);
  return { x: Math.round(x * 1000) / 1000, y: Math.round(y * 1000) / 1000 };
};

type Scope = RecordOf<'scope'>;

/** What the library makes of it: beams and columns in concrete, pavers on their bedding. */
const DERIVED: readonly Derived[] = [
  ['columns', 'Concrete column', { side_a: '300', side_b: '300', height: 'height' }],
  ['beams', 'Concrete beam', { width: '300', depth: '500' }],
  ['paving', 'Pavers on bedding', { side_a: '500', side_b: '500' }],
  ['roof', 'Rafters and roof decking', { spacing: '800' }],
];

/** The second job: metric, euro, decimal comma; measured, not yet priced. */
export function createPavilionJob(fileName: string, byteLength: number): Job {
  const makeId = createIdMaker(createChance(20260914));
  const records = [
    ...startJob(
      {
        name: 'Orchard Row Pavilion',
        client: 'Town of Lindenau, Markets',
        unitSystem: 'metric',
        currency: 'EUR',
        decimalMark: ',',
        groupMark: '.',
        markups: DEMO_MARKUPS,
      },
      makeId,
    ),
  ];
  const fileId = makeId('file');
  const pageCount = PAVILION_SHEETS.length;
  records.push({
    type: 'file',
    id: fileId,
    name: fileName,
    mediaType: 'application/pdf',
    byteLength,
    pageCount,
  });
  const levelId = makeId('level');
  records.push({ type: 'level', id: levelId, name: 'Ground', order: 1, repeat: 1 });
  const sheetIds = new Map<string, RecordOf<'sheet'>['id']>();
  PAVILION_SHEETS.forEach(({ number, title, scale }, pageIndex) => {
    const ratio = parseScaleRatio(scale);
    const id = makeId('sheet');
    sheetIds.set(number, id);
    records.push({
      type: 'sheet',
      id,
      fileId,
      pageIndex,
      order: pageIndex + 1,
      number,
      title,
      widthPt: A1.width,
      heightPt: A1.height,
      printedScale: scale,
      scale: ratio.ok ? { ...scaleOfRatio(ratio.value), source: { by: 'ratio', text: scale } } : null,
      check: number === 'L-1' ? { a: spot([0, -5.4]), b: spot([30, -5.4]), text: '30 m' } : null,
      discipline: disciplineOf(number),
      levelId,
    });
  });
  const section = (code: string): Scope['sectionId'] => {
    const found = records.find((record) => record.type === 'section' && record.code === code);
    return found?.type === 'section' ? found.id : null;
  };
  const scope = (content: Omit<Scope, 'type' | 'id' | 'order' | 'sectionId'>, code: string): Scope => {
    const order = records.filter(({ type }) => type === 'scope').length + 1;
    const made: Scope = { type: 'scope', id: makeId('scope'), ...content, order, sectionId: section(code) };
    records.push(made);
    return made;
  };
  const mark = (of: Scope, number: string, strokes: readonly (readonly Place[])[], more = {}): void => {
    const sheetId = sheetIds.get(number);
    if (sheetId === undefined) throw new Error(`createPavilionJob: no sheet ${number}`);
    records.push({
      type: 'mark',
      id: makeId('mark'),
      scopeId: of.id,
      sheetId,
      kind: of.kind,
      strokes: strokes.map((stroke) => stroke.map(spot)),
      ...more,
    });
  };
  const paving = scope(
    {
      key: 'paving',
      name: 'Paving, pavers 50 x 50',
      kind: 'area',
      color: 6,
      properties: [{ key: 'depth', name: 'Depth', value: '25', unit: 'cm' }],
    },
    '02',
  );
  // The tree pit is a hole: a ring inside a ring.
  mark(paving, 'L-1', [PAVING, TREE_PIT]);
  const columns = scope(
    {
      key: 'columns',
      name: 'Columns 30 x 30',
      kind: 'count',
      color: 1,
      properties: [
        { key: 'height', name: 'Height', value: String(COLUMN.height).replace(',', '.'), unit: 'm' },
      ],
    },
    '03',
  );
  for (const place of COLUMNS) mark(columns, 'S-1', [[place]]);
  const beams = scope(
    { key: 'beams', name: 'Beams, exposed concrete', kind: 'run', color: 0, properties: [] },
    '03',
  );
  for (const { from, to } of PAVILION_BEAMS) mark(beams, 'S-1', [[from, to]]);
  const roof = scope(
    { key: 'roof', name: 'Roof, clay tiles', kind: 'slope', color: 4, properties: [] },
    '06',
  );
  mark(roof, 'A-1', [ROOF_HALVES[0] ?? []], {
    slope: { pitch: `${PITCH_DEG}°`, edges: ['eave', 'rake', 'ridge', 'rake'] },
  });
  mark(roof, 'A-1', [ROOF_HALVES[1] ?? []], {
    slope: { pitch: `${PITCH_DEG}°`, edges: ['ridge', 'rake', 'eave', 'rake'] },
  });
  scope({ key: 'curb', name: 'Curb', kind: 'run', color: 10, properties: [] }, '02');
  return withOwnPrices(derive(finishJob(records), DERIVED, makeId));
}
