import { type Id, createIdMaker } from '@zest/core/job/id';
import { type Job, createJob, listRecords } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { startJob } from '@zest/core/library/startJob';
import { disciplineOf } from '@zest/core/takeoff/discipline';
import { scaleOfRatio, scaleOfTwoPoints } from '@zest/core/takeoff/scale';
import {
  type Draft,
  type Sheets,
  addFloors,
  addOpenings,
  addRoof,
  addSlabs,
  addTypedLines,
  addWalls,
  spot,
} from './jobScopes.ts';
import { derive } from '../derive.ts';
import { CEILINGS, addCeilings, addGeneral } from './jobGeneral.ts';
import {
  DERIVED,
  addFoundations,
  addGrounds,
  addPower,
  addSection,
  addStorm,
  addUpperFloor,
} from './jobTrades.ts';
import { priceJob } from './pricing.ts';
import { boathouseDocuments } from './documents.ts';
import { boathouseOrderRound } from './orderRound.ts';
import { BOATHOUSE_REPORTS } from './reports.ts';
import { PLANTING_SCALE } from './plantingSheet.ts';
import { BOATHOUSE_SHEETS } from './sheets.ts';
import { PLAN_SCALE } from './plan.ts';
import { DEMO_MARKUPS, createChance, finishJob, withOwnPrices } from '../finishJob.ts';
import { SITE_SCALE } from './siteSheets.ts';
import { SHEET_SIZE } from '../drawing/titleBlock.ts';

const FOOT = 0.3048;

/** The main demo job as it would stand on a Tuesday afternoon: mostly measured, partly priced. */
export function createBoathouseJob(fileName: string, byteLength: number): Job {
  const makeId = createIdMaker(createChance(20261023));
  const started = startJob(
    {
      name: 'Tern Island Boathouse',
      client: 'Tern Island Rowing Association',
      unitSystem: 'us',
      currency: 'USD',
      decimalMark: '.',
      groupMark: ',',
      markups: DEMO_MARKUPS,
    },
    makeId,
  );
  const records = started.map((record) => (record.type === 'settings' ? { ...record, ...PARTIES } : record));
  const draft: Draft = {
    makeId,
    records,
    sectionId: (code) => {
      const found = records.find((record) => record.type === 'section' && record.code === code);
      if (found === undefined) throw new Error(`createBoathouseJob: no section ${code}`);
      return found.id as Id<'section'>;
    },
  };
  addSection(draft, '01', 'General conditions');
  addSection(draft, '05', 'Metals');
  addSection(draft, '07', 'Roofing');
  addSection(draft, '14', 'Lift');
  addSection(draft, '21', 'Fire sprinklers');
  addSection(draft, '22', 'Plumbing');
  addSection(draft, '23', 'Heating and air');
  addSection(draft, '26', 'Electrical');
  addSection(draft, '32', 'Planting and irrigation');
  addSection(draft, '33', 'Storm drain');
  const sheets = addSheets(draft, fileName, byteLength);
  addWalls(draft, sheets);
  addSlabs(draft, sheets);
  addOpenings(draft, sheets);
  addFloors(draft, sheets);
  addRoof(draft, sheets);
  addFoundations(draft, sheets);
  addUpperFloor(draft, sheets);
  addStorm(draft, sheets);
  addPower(draft, sheets);
  addGrounds(draft, sheets);
  addCeilings(draft, sheets);
  addTypedLines(draft);
  addGeneral(draft);
  records.push({
    type: 'quantity',
    id: makeId('quantity'),
    key: 'floor_area',
    name: 'Floor area, both floors',
    formula: 'total(any, area, section = "Concrete")',
    unit: 'ft²',
    order: 1,
  });
  const priced = priceJob(
    withOwnPrices(derive(finishJob(records), [...DERIVED, ...CEILINGS], makeId)),
    makeId,
  );
  return createJob([
    ...listRecords(priced),
    ...BOATHOUSE_REPORTS,
    ...boathouseDocuments(priced),
    ...boathouseOrderRound(priced),
  ]);
}

const PARTIES = {
  clientAddress: '14 Slipway Lane\nSaltmere',
  company: 'Quillfeather Builders',
  companyAddress: '220 Ropewalk Road\nSaltmere\nlicense QF-1187',
  location: 'Saltmere, on the tidal creek',
  taxOnMaterials: '7.5',
  bidDate: '2026-11-26',
  inclusions: [
    'Slabs on grade with base, barrier, mesh and trowel finish, as S-101.',
    'Block walls to 14 ft, grouted, with joint reinforcement.',
    'Stud partitions P1 and P2 to 9 ft with board both faces, taped and finished.',
    'Doors and windows as scheduled on A-601, supplied and set.',
    'Rubber sheet floor in rooms 103 to 106 and 110.',
    'Stair, lift, plumbing, heating and fire sprinklers by allowance: the set has no drawings of them.',
    'Roofs as A-201, lighting and power as E-101, storm drain as C-201, planting and irrigation as L-101.',
  ].join('\n'),
  exclusions: [
    'Boat racks and floor anchors by owner.',
    'Utility connections and their fees.',
    'Work on the creek bank.',
  ].join('\n'),
} as const;

const PLAN: RecordOf<'sheet'>['scale'] = { ...scaleOfRatio(96), source: { by: 'ratio', text: PLAN_SCALE } };

function addSheets({ makeId, records }: Draft, name: string, byteLength: number): Sheets {
  const fileId = makeId('file');
  records.push({
    type: 'file',
    id: fileId,
    name,
    mediaType: 'application/pdf',
    byteLength,
    pageCount: BOATHOUSE_SHEETS.length,
  });
  const [a, b] = [spot([0, -8]), spot([124, -8])];
  const measured = scaleOfTwoPoints(a, b, 124 * FOOT);
  if (!measured.ok) throw new Error('addSheets: the plan has no scale');
  const scales: Readonly<Record<string, RecordOf<'sheet'>['scale']>> = {
    'A-101': { ...measured.value, source: { by: 'two-points', a, b, text: `124'-0"` } },
    'C-101': { ...scaleOfRatio(240), source: { by: 'ratio', text: SITE_SCALE } },
    'C-201': { ...scaleOfRatio(240), source: { by: 'ratio', text: SITE_SCALE } },
    'L-101': { ...scaleOfRatio(120), source: { by: 'ratio', text: PLANTING_SCALE } },
    'A-102': PLAN,
    'A-201': PLAN,
    'S-101': PLAN,
    'S-102': PLAN,
  };
  const [ground, upper] = [makeId('level'), makeId('level')];
  records.push({ type: 'level', id: ground, name: 'Ground floor', order: 1, repeat: 1 });
  records.push({ type: 'level', id: upper, name: 'Upper floor', order: 2, repeat: 1 });
  const levels: Readonly<Record<string, Id<'level'>>> = {
    'A-101': ground,
    'E-101': ground,
    'A-102': upper,
    'S-102': upper,
  };
  const ids: Record<string, Id<'sheet'>> = {};
  BOATHOUSE_SHEETS.forEach(({ number, title, scale }, pageIndex) => {
    const id = makeId('sheet');
    ids[number] = id;
    const check = number === 'A-101' ? { a: spot([-8, 0]), b: spot([-8, 82]), text: `82'-0"` } : null;
    records.push({
      type: 'sheet',
      id,
      fileId,
      pageIndex,
      order: pageIndex + 1,
      number,
      title,
      widthPt: SHEET_SIZE.width,
      heightPt: SHEET_SIZE.height,
      printedScale: scale.startsWith('Not') ? '' : scale,
      scale: scales[number] ?? null,
      check,
      discipline: disciplineOf(number),
      ...(levels[number] === undefined ? {} : { levelId: levels[number] }),
    });
  });
  return ids;
}
