import { type Id, type MakeId } from '@zest/core/job/id';
import type { JobRecord, RecordOf } from '@zest/core/job/record';
import {
  BAY_SLAB,
  DOORS,
  type DoorType,
  METAL_DOORS,
  HOUSE_SLAB,
  type Place,
  ROOMS,
  WALLS,
  WALL_HEIGHT,
  WINDOWS,
  type WallType,
  getWall,
  placeOn,
} from './building.ts';
import { onSheet } from './plan.ts';
import { ROOF_SLOPES } from './roof.ts';

/** The job while it is being put together. */
export interface Draft {
  readonly makeId: MakeId;
  readonly records: JobRecord[];
  readonly sectionId: (code: string) => Id<'section'>;
}

export type Sheets = Readonly<Record<string, Id<'sheet'>>>;

/** A place of the building on a plan sheet, to a thousandth of a point. */
export const spot = (place: Place): { readonly x: number; readonly y: number } => {
  const [x, y] = onSheet(place);
  return { x: Math.round(x * 1000) / 1000, y: Math.round(y * 1000) / 1000 };
};

type ScopeContent = Pick<RecordOf<'scope'>, 'key' | 'name' | 'kind' | 'color'> & {
  readonly section: string;
  readonly properties?: RecordOf<'scope'>['properties'];
};

export function addScope({ makeId, records, sectionId }: Draft, content: ScopeContent): RecordOf<'scope'> {
  const { section, properties = [], ...rest } = content;
  const order = records.filter(({ type }) => type === 'scope').length + 1;
  const scope: RecordOf<'scope'> = {
    type: 'scope',
    id: makeId('scope'),
    ...rest,
    sectionId: sectionId(section),
    order,
    properties,
  };
  records.push(scope);
  return scope;
}

export const addMark = (
  draft: Draft,
  scope: RecordOf<'scope'>,
  sheetId: Id<'sheet'> | undefined,
  ...strokes: readonly (readonly Place[])[]
): void => addMarkOn(draft, scope, sheetId, spot, strokes);

/** The same on a sheet that lays the places elsewhere than a floor plan does. */
export function addMarkOn(
  { makeId, records }: Draft,
  scope: RecordOf<'scope'>,
  sheetId: Id<'sheet'> | undefined,
  on: typeof spot,
  strokes: readonly (readonly Place[])[],
): void {
  if (sheetId === undefined) throw new Error('addMarkOn: no such sheet');
  const drawn = strokes.map((stroke) => stroke.map(on));
  records.push({
    type: 'mark',
    id: makeId('mark'),
    scopeId: scope.id,
    sheetId,
    kind: scope.kind,
    strokes: drawn,
  });
}

export function addUse(
  draft: Draft,
  scope: RecordOf<'scope'>,
  assembly: string,
  answers: Record<string, string>,
): void {
  const { makeId, records } = draft;
  const found = records.find((record) => record.type === 'assembly' && record.name === assembly);
  if (found === undefined) throw new Error(`addUse: no assembly ${assembly}`);
  records.push({
    type: 'use',
    id: makeId('use'),
    scopeId: scope.id,
    assemblyId: found.id as Id<'assembly'>,
    order: 1,
    answers,
  });
}

const height = (feet: number): RecordOf<'scope'>['properties'] => [
  { key: 'height', name: 'Height', value: String(feet), unit: 'ft' },
];
const chain = (ids: readonly string[]): readonly (readonly Place[])[] =>
  ids.map(getWall).map(({ from, to }) => [from, to]);
const doorsIn = (type: WallType) => DOORS.filter((door) => getWall(door.wall).type === type);

export function addWalls(draft: Draft, sheets: Sheets): void {
  const plan = sheets['A-101'];
  const block = addScope(draft, {
    key: 'block_wall',
    name: 'Block wall 8", bay and outside',
    kind: 'run',
    color: 0,
    section: '04',
    properties: height(WALL_HEIGHT.block),
  });
  const [a, b, c, d]: readonly Place[] = [
    [0, 0],
    [124, 0],
    [124, 82],
    [0, 82],
  ];
  if (a === undefined || b === undefined || c === undefined || d === undefined)
    throw new Error('addWalls: no corners');
  addMark(draft, block, plan, [a, b, c, d, a]);
  addMark(draft, block, plan, ...chain(['bay']));
  const openings = [...doorsIn('block'), ...WINDOWS].reduce((sum, each) => sum + each.width * each.height, 0);
  addUse(draft, block, 'Block wall, 8 in', { openings: `${openings} sq ft`, grouted: '40' });

  addSlimPartition(draft);
  const p1 = addScope(draft, {
    key: 'p1',
    name: 'Partition P1, 2x4',
    kind: 'run',
    color: 3,
    section: '06',
    properties: height(9),
  });
  addMark(draft, p1, plan, ...chain(['store']));
  addMark(
    draft,
    p1,
    plan,
    [
      [62, 46],
      [76, 46],
      [76, 56],
    ],
    [
      [124, 46],
      [110, 46],
      [110, 56],
    ],
  );
  addUse(draft, p1, 'Stud partition, 2x4', doorAnswers('P1'));

  const p2 = addScope(draft, {
    key: 'p2',
    name: 'Partition P2, 2x6',
    kind: 'run',
    color: 1,
    section: '06',
    properties: height(9),
  });
  for (const { from, to } of WALLS.filter(({ type }) => type === 'P2')) addMark(draft, p2, plan, [from, to]);
  addUse(draft, p2, 'Stud partition', doorAnswers('P2'));
  addScope(draft, {
    key: 'furring',
    name: 'Furring, creek side',
    kind: 'run',
    color: 10,
    section: '06',
    properties: height(9),
  });
}

function doorAnswers(type: WallType): Record<string, string> {
  const doors = doorsIn(type);
  return {
    doors: String(doors.length),
    door_width: String(doors.reduce((sum, { width }) => sum + width, 0)),
  };
}

/** The office's own variant of the shipped assembly: the same wall in 2x4. */
function addSlimPartition({ makeId, records }: Draft): void {
  const shipped = records.find((record) => record.type === 'assembly' && record.name === 'Stud partition');
  if (shipped?.type !== 'assembly') throw new Error('addSlimPartition: no stud partition');
  const codes: Readonly<Record<string, string>> = {
    'FR-PLT-6T': 'FR-PLT-4T',
    'FR-PLT-6': 'FR-PLT-4',
  };
  records.push({
    ...shipped,
    id: makeId('assembly'),
    name: 'Stud partition, 2x4',
    order: 4,
    inputs: shipped.inputs.map((asked) => (asked.key === 'stud_depth' ? { ...asked, value: '3.5' } : asked)),
    components: shipped.components.map((component) => ({
      ...component,
      itemCode: codes[component.itemCode] ?? component.itemCode,
    })),
  });
}

export function addSlabs(draft: Draft, sheets: Sheets): void {
  const plan = sheets['S-101'];
  const bay = addScope(draft, {
    key: 'slab_bay',
    name: 'Slab on grade, boat bay',
    kind: 'area',
    color: 6,
    section: '03',
    properties: [{ key: 'thickness', name: 'Thickness', value: '6', unit: 'in' }],
  });
  addMark(draft, bay, plan, BAY_SLAB);
  addUse(draft, bay, 'Slab on grade', { form_length: '24 ft' });
  const house = addScope(draft, {
    key: 'slab_house',
    name: 'Slab on grade, rooms',
    kind: 'area',
    color: 7,
    section: '03',
    properties: [{ key: 'thickness', name: 'Thickness', value: '5', unit: 'in' }],
  });
  addMark(draft, house, plan, HOUSE_SLAB);
  addUse(draft, house, 'Slab on grade', { form_length: '12 ft', pumped: '0' });
}

export function addOpenings(draft: Draft, sheets: Sheets): void {
  const plan = sheets['A-101'];
  const kinds: readonly (readonly [DoorType, string, string, number])[] = [
    ['single', 'doors', 'Doors, single', 2],
    ['pair', 'door_pairs', 'Doors, pair', 4],
    ['overhead', 'overhead_doors', 'Overhead doors', 8],
  ];
  for (const [type, key, name, color] of kinds) {
    const scope = addScope(draft, { key, name, kind: 'count', color, section: '08' });
    for (const door of DOORS.filter((each) => each.type === type))
      addMark(draft, scope, plan, [placeOn(getWall(door.wall), door.at)]);
  }
  for (const [tag, key, name, color] of [
    ['W1', 'windows_w1', 'Windows W1, 6 x 4', 5],
    ['W2', 'windows_w2', 'Windows W2, 4 x 4', 9],
  ] as const) {
    const scope = addScope(draft, { key, name, kind: 'count', color, section: '08' });
    for (const each of WINDOWS.filter((window) => window.tag === tag))
      addMark(draft, scope, plan, [placeOn(getWall(each.wall), each.at)]);
  }
}

export function addFloors(draft: Draft, sheets: Sheets): void {
  const plan = sheets['A-101'];
  const rubber = addScope(draft, {
    key: 'rubber_floor',
    name: 'Rubber floor',
    kind: 'area',
    color: 11,
    section: '09',
  });
  for (const room of ROOMS.filter(({ floor }) => floor === 'Rubber sheet'))
    addMark(draft, rubber, plan, room.corners);
  const tile = addScope(draft, {
    key: 'tile_floor',
    name: 'Ceramic tile floor',
    kind: 'area',
    color: 4,
    section: '09',
  });
  for (const room of ROOMS.filter(({ floor }) => floor === 'Ceramic tile'))
    addMark(draft, tile, plan, room.corners);
}

/** The roofs of A-201 by their coverings, every slope with its pitch and its edges. */
export function addRoof(draft: Draft, sheets: Sheets): void {
  const sheetId = sheets['A-201'];
  if (sheetId === undefined) throw new Error('addRoof: no roof plan');
  const { makeId, records } = draft;
  for (const [key, name, color, riseIn12] of [
    ['roof_metal', 'Roof, standing seam, bay', 0, 6],
    ['roof_shingle', 'Roof, shingles, hip', 4, 4],
    ['roof_membrane', 'Roof, membrane, lean-to', 7, 2],
  ] as const) {
    const scope = addScope(draft, { key, name, kind: 'slope', color, section: '07' });
    for (const slope of ROOF_SLOPES.filter((each) => each.riseIn12 === riseIn12))
      records.push({
        type: 'mark',
        id: makeId('mark'),
        scopeId: scope.id,
        sheetId,
        kind: 'slope',
        strokes: [slope.ring.map(spot)],
        slope: { pitch: `${riseIn12}/12`, edges: [...slope.edges] },
      });
  }
}

export function addTypedLines({ makeId, records, sectionId }: Draft): void {
  const add = (
    section: string,
    description: string,
    quantity: string,
    unit: string,
    itemCode: string,
    typedCost: RecordOf<'line'>['typedCost'] = null,
  ): void => {
    const order = records.filter(({ type }) => type === 'line').length + 1;
    records.push({
      type: 'line',
      id: makeId('line'),
      sectionId: sectionId(section),
      order,
      description,
      quantity,
      unit,
      itemCode,
      typedCost,
    });
  };
  add(
    '02',
    'Strip topsoil under building, 6 in',
    '(total(slab_bay, area) + total(slab_house, area)) * 6 in',
    'yd³',
    'SW-STRIP',
  );
  add('02', 'Break out old ramp, our own figure', '1', 'sum', '', {
    kind: 'subcontract',
    amount: '6240',
  });
  add('02', 'Silt fence along the creek', '260', 'ft', 'SW-SILT');
  add(
    '03',
    'Isolation joint at block walls',
    'total(slab_bay, perimeter) + total(slab_house, perimeter)',
    'ft',
    'CN-JF',
  );
  add('03', 'Thickened edge at doors, bars', '420', 'lb', 'CN-BAR-4');
  add(
    '04',
    'Vertical bars No. 5 at 4 ft',
    'ceil(total(block_wall, length) / 4 ft) * total(block_wall, height)',
    'ft',
    'MS-BAR-5',
  );
  add(
    '04',
    'Lintels over windows',
    'count(windows_w1) * 7.33 ft + count(windows_w2) * 5.33 ft',
    'ft',
    'MS-LNT-4',
  );
  add('08', 'Doors, single, wood', `count(doors) - ${METAL_DOORS}`, 'ea', 'OP-DR-3W');
  add('08', 'Doors, single, hollow metal as A-601', String(METAL_DOORS), 'ea', 'OP-DR-3');
  add('08', 'Pairs of doors', 'count(door_pairs)', 'ea', 'OP-DR-6');
  add('08', 'Overhead doors 12 x 10', 'count(overhead_doors)', 'ea', 'OP-OH-12');
  add('08', 'Hardware sets', 'count(doors) + count(door_pairs)', 'set', 'OP-HDW');
  add('08', 'Windows W1', 'count(windows_w1)', 'ea', 'OP-WN-6');
  add('08', 'Windows W2', 'count(windows_w2)', 'ea', 'OP-WN-4');
  add('09', 'Rubber floor 3/8 in', 'total(rubber_floor, area)', 'ft²', 'BD-RUB');
  add('09', 'Ceramic tile floor', 'total(tile_floor, area)', 'ft²', 'BD-CER');
  add('09', 'Welded turn-up at walls', 'total(rubber_floor, perimeter)', 'ft', '');
  add('09', 'Lockers, by allowance', '36', 'ea', '');
}
