import type { RecordOf } from '@zest/core/job/record';
import type { Derived } from '../derive.ts';
import { BEAMS, STAIR_IN, SUSPENDED } from './beams.ts';
import { GRADE_BEAMS, PADS, type Place, WALLS } from './building.ts';
import { FEEDER, FEEDER_RISE, FIXTURES, RECEPTACLES, SWITCHES } from './electrical.ts';
import { type Draft, type Sheets, addMark, addMarkOn, addScope, addUse, type spot } from './jobScopes.ts';
import { BED, LAWNS, PIPES, SLEEVES, SPRINKLERS, SUPPLY, TREES, VALVES } from './planting.ts';
import { onPlanting } from './plantingSheet.ts';
import { STORM_RUNS, STRUCTURES } from './storm.ts';
import { onStorm } from './stormSheet.ts';
import { STAIR, UPPER_FLOOR, UPPER_ROOMS } from './upperFloor.ts';

type OnSheet = (place: Place) => readonly [x: number, y: number];
const at =
  (on: OnSheet): typeof spot =>
  (place) => {
    const [x, y] = on(place);
    return { x: Math.round(x * 1000) / 1000, y: Math.round(y * 1000) / 1000 };
  };

/** A section that a job does not start with. */
export function addSection({ makeId, records }: Draft, code: string, name: string): void {
  const known = records.findIndex((record) => record.type === 'section' && record.code === code);
  const found = records[known];
  if (found?.type === 'section') {
    records[known] = { ...found, name };
    return;
  }
  // Sections stand in the order of their codes.
  const before = records.flatMap((record) =>
    record.type === 'section' && record.code < code ? [record.order] : [],
  );
  const order = Math.max(0, ...before) + 0.5;
  records.push({ type: 'section', id: makeId('section'), code, name, parentId: null, order });
}

export function addFoundations(draft: Draft, sheets: Sheets): void {
  const plan = sheets['S-101'];
  const strip = addScope(draft, {
    key: 'strip_footing',
    name: 'Strip footing 24 x 12',
    kind: 'run',
    color: 2,
    section: '03',
  });
  for (const { from, to } of WALLS.filter(({ type }) => type === 'block'))
    addMark(draft, strip, plan, [from, to]);
  for (const { tag, from, to } of GRADE_BEAMS) {
    const key = tag.toLowerCase().replace('-', '_');
    const scope = addScope(draft, { key, name: `Grade beam ${tag}`, kind: 'run', color: 9, section: '03' });
    addMark(draft, scope, plan, [from, to]);
  }
  const pads = addScope(draft, { key: 'pads', name: 'Pads F-1', kind: 'count', color: 1, section: '03' });
  for (const place of PADS) addMark(draft, pads, plan, [place]);
}

export function addUpperFloor(draft: Draft, sheets: Sheets): void {
  const plan = sheets['S-102'];
  for (const { tag, from, to } of BEAMS) {
    const key = `beam_${tag.toLowerCase().replace('-', '_')}`;
    const scope = addScope(draft, { key, name: `Beam ${tag}`, kind: 'run', color: 0, section: '03' });
    addMark(draft, scope, plan, [from, to]);
  }
  for (const { name, ring, thicknessIn } of SUSPENDED) {
    const scope = addScope(draft, {
      key: name.toLowerCase().replace('-', '_'),
      name: `Suspended slab ${name}`,
      kind: 'area',
      color: 6,
      section: '03',
      properties: [{ key: 'thickness', name: 'Thickness', value: String(thicknessIn), unit: 'in' }],
    });
    // The stair opening is left out of the slab it is in.
    addMark(draft, scope, plan, ring, ...(name === STAIR_IN ? [STAIR] : []));
  }
  const wallScope = (key: string, name: string, color: number): RecordOf<'scope'> =>
    addScope(draft, {
      key,
      name,
      kind: 'run',
      color,
      section: '06',
      properties: [{ key: 'height', name: 'Height', value: '9', unit: 'ft' }],
    });
  const outer = wallScope('upper_walls', 'Outer walls W3, upper floor', 8);
  const inner = wallScope('upper_partitions', 'Partitions, upper floor', 3);
  for (const { from, to, type } of UPPER_FLOOR.walls)
    addMark(draft, type === 'W3' ? outer : inner, sheets['A-102'], [from, to]);
  const doors = UPPER_FLOOR.doors.filter(({ wall }) => wall === 'office' || wall === 'landing');
  addUse(draft, inner, 'Stud partition', {
    doors: String(doors.length),
    door_width: String(doors.reduce((sum, { width }) => sum + width, 0)),
  });
  const club = addScope(draft, {
    key: 'club_floor',
    name: 'Wood floor, club room',
    kind: 'area',
    color: 4,
    section: '09',
  });
  for (const room of UPPER_ROOMS.filter(({ number }) => number === '201'))
    addMark(draft, club, sheets['A-102'], room.corners);
}

export function addStorm(draft: Draft, sheets: Sheets): void {
  const sheet = sheets['C-201'];
  for (const insideIn of [15, 18]) {
    const scope = addScope(draft, {
      key: `storm_${insideIn}`,
      name: `Storm drain ${insideIn} in`,
      kind: 'run',
      color: 8,
      section: '33',
    });
    for (const run of STORM_RUNS.filter((each) => each.insideIn === insideIn))
      addMarkOn(draft, scope, sheet, at(onStorm), [[run.from.at, run.to.at]]);
  }
  const manholes = addScope(draft, {
    key: 'manholes',
    name: 'Manholes 4 ft',
    kind: 'count',
    color: 5,
    section: '33',
  });
  for (const { at: place, tag } of STRUCTURES)
    if (tag.startsWith('MH')) addMarkOn(draft, manholes, sheet, at(onStorm), [[place]]);
}

export function addPower(draft: Draft, sheets: Sheets): void {
  const sheet = sheets['E-101'];
  FIXTURES.forEach(({ tag, name, places }, i) => {
    const key = `light_${tag.toLowerCase()}`;
    const scope = addScope(draft, {
      key,
      name: `${tag} ${name}`,
      kind: 'count',
      color: i % 12,
      section: '26',
    });
    addMark(draft, scope, sheet, places);
  });
  const switches = addScope(draft, {
    key: 'switches',
    name: 'Switches',
    kind: 'count',
    color: 3,
    section: '26',
  });
  addMark(draft, switches, sheet, SWITCHES);
  const outlets = addScope(draft, {
    key: 'receptacles',
    name: 'Receptacles, duplex',
    kind: 'count',
    color: 9,
    section: '26',
  });
  addMark(draft, outlets, sheet, RECEPTACLES);
  // The sheet has no scale yet: the feeder was read off its dimensions.
  const feeder = addScope(draft, {
    key: 'feeder',
    name: 'Feeder to panel B',
    kind: 'run',
    color: 1,
    section: '26',
  });
  const legs = FEEDER.slice(1).map(([x, y], i) => {
    const [fromX, fromY] = FEEDER[i] ?? [0, 0];
    return `${Math.hypot(x - fromX, y - fromY)} ft`;
  });
  draft.records.push({
    type: 'piece',
    id: draft.makeId('piece'),
    scopeId: feeder.id,
    text: `${legs.join(' + ')} + 2 * ${FEEDER_RISE} ft`,
    unit: 'ft',
    note: 'at right angles, with the rises',
    source: 'typed',
    order: 1,
  });
}

export function addGrounds(draft: Draft, sheets: Sheets): void {
  const sheet = sheets['L-101'];
  const on = at(onPlanting);
  const put = (scope: RecordOf<'scope'>, ...strokes: readonly (readonly Place[])[]): void =>
    addMarkOn(draft, scope, sheet, on, strokes);
  const heads = addScope(draft, {
    key: 'sprinklers',
    name: 'Sprinklers',
    kind: 'count',
    color: 9,
    section: '32',
  });
  put(heads, SPRINKLERS);
  const sizes = [
    ['1.5', 'pipe_150', 'Main 1 1/2 in', 0],
    ['1', 'pipe_100', 'Lateral 1 in', 2],
    ['0.75', 'pipe_075', 'Lateral 3/4 in', 5],
  ] as const;
  for (const [size, key, name, color] of sizes) {
    const scope = addScope(draft, { key, name, kind: 'run', color, section: '32' });
    for (const chain of PIPES[size]) put(scope, chain);
  }
  const points: readonly (readonly [key: string, name: string, places: readonly Place[], color: number])[] = [
    ['valves', 'Valves', VALVES, 4],
    ['sleeves', 'Sleeves under paths', SLEEVES, 8],
    ['backflow', 'Backflow preventer', [SUPPLY], 10],
    ['controller', 'Controller', [[123, 78]], 11],
    ['trees', 'Trees, 2 in caliper', TREES, 7],
  ];
  for (const [key, name, places, color] of points)
    put(addScope(draft, { key, name, kind: 'count', color, section: '32' }), places);
  const lawn = addScope(draft, { key: 'lawn', name: 'Sod lawn', kind: 'area', color: 9, section: '32' });
  for (const ring of LAWNS) put(lawn, ring);
  put(addScope(draft, { key: 'bed', name: 'Ground cover bed', kind: 'area', color: 6, section: '32' }), BED);
}

/** Nominal weights in lb/ft by number of the bar: ASTM A615, table 1 (from memory). */
const BAR_WEIGHTS: Readonly<Record<string, string>> = { '5': '1.043', '6': '1.502', '7': '2.044' };

/** All bars of a beam, by the weight of the largest: what is bought is never short. */
function barAnswers(bars: string): Readonly<Record<string, string>> {
  const sets = [...bars.matchAll(/(\d+) No\.(\d)/g)].map(([, count, size]) => [Number(count), Number(size)]);
  const both = bars.endsWith('top and bottom') ? 2 : 1;
  const largest = Math.max(...sets.map(([, size]) => size ?? 0));
  return {
    bars: String(both * sets.reduce((sum, [count]) => sum + (count ?? 0), 0)),
    bar_weight: BAR_WEIGHTS[String(largest)] ?? '1.043',
  };
}

const beamAnswers = (tag: string): Readonly<Record<string, string>> => {
  const beam = BEAMS.find((each) => each.tag === tag);
  if (beam === undefined) throw new Error(`beamAnswers: no ${tag}`);
  return {
    width: String(beam.widthIn),
    depth: String(beam.depthIn),
    slab_left: String(beam.slabLeftIn),
    slab_right: String(beam.slabRightIn),
    ...barAnswers(beam.bars),
  };
};

/** What the library makes of it all: every scope that an assembly of it fits. */
export const DERIVED: readonly Derived[] = [
  ['strip_footing', 'Strip footing'],
  ...GRADE_BEAMS.map(({ tag, widthIn, depthIn, bars }): Derived => [
    tag.toLowerCase().replace('-', '_'),
    'Grade beam',
    { width: String(widthIn), depth: String(depthIn), ...barAnswers(bars) },
  ]),
  ['pads', 'Pad footing'],
  ...BEAMS.map(({ tag }): Derived => [
    `beam_${tag.toLowerCase().replace('-', '_')}`,
    'Concrete beam',
    beamAnswers(tag),
  ]),
  ['s_6', 'Suspended slab', { thickness: '6' }],
  ['s_8', 'Suspended slab', { thickness: '8', bar_weight: '1.502' }],
  ['roof_metal', 'Standing seam roof'],
  ['roof_shingle', 'Shingle roof', { waste: '15' }],
  ['roof_membrane', 'Membrane roof'],
  ['p1', 'Base and trim'],
  ['p2', 'Paint on walls'],
  ['upper_walls', 'Outer wall, framed'],
  ['club_floor', 'Wood strip floor'],
  ['p2', 'Insulation in walls'],
  ['p2', 'Noggins between studs'],
  ['storm_15', 'Trench with pipe', { inside: '15', wall: '2.25', depth: '6', flare: '1' }],
  ['storm_18', 'Trench with pipe', { inside: '18', wall: '2.5', depth: '5', flare: '1' }],
  ['manholes', 'Manhole or catch basin'],
  ...FIXTURES.map(({ tag }): Derived => [`light_${tag.toLowerCase()}`, 'Light fixture']),
  ['switches', 'Switches'],
  ['receptacles', 'Receptacles'],
  [
    'feeder',
    'Conduit run',
    { size: '1.25', conductors: '4', wire_area: '0.0507', ground_area: '0.0211', spare_elbows: '4' },
  ],
  ['sprinklers', 'Sprinklers'],
  ['pipe_150', 'Irrigation pipe', { pipe_size: '1.5' }],
  ['pipe_100', 'Irrigation pipe'],
  ['pipe_075', 'Irrigation pipe', { pipe_size: '0.75' }],
  ['valves', 'Irrigation valve'],
  ['sleeves', 'Sleeves at crossings'],
  ['backflow', 'Backflow preventer'],
  ['controller', 'Irrigation controller', { valves: 'count(valves)' }],
  ['trees', 'Trees and shrubs'],
  ['lawn', 'Sod lawn'],
  ['bed', 'Planting bed'],
];
