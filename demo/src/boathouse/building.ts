/**
 * The boathouse in feet: x to the east from grid 1, y to the south from grid A. Everything that is
 * drawn comes from here, and tests take the true quantities from here.
 */
export type Feet = number;
export type Place = readonly [x: Feet, y: Feet];

export const GRID_X: readonly (readonly [name: string, x: Feet])[] = [
  ['1', 0],
  ['2', 36],
  ['3', 62],
  ['4', 88],
  ['5', 124],
];
export const GRID_Y: readonly (readonly [name: string, y: Feet])[] = [
  ['A', 0],
  ['B', 28],
  ['C', 56],
  ['D', 82],
];

export const WIDTH = 124;
export const DEPTH = 82;
export const BAY_WIDTH = 62;

export type WallType = 'block' | 'P1' | 'P2' | 'W3';

export const WALL_THICKNESS: Readonly<Record<WallType, Feet>> = {
  block: 8 / 12,
  P1: 4.5 / 12,
  P2: 6.5 / 12,
  W3: 7 / 12,
};
export const WALL_HEIGHT: Readonly<Record<WallType, Feet>> = { block: 14, P1: 9, P2: 9, W3: 9 };

/** A straight wall along its center line. */
export interface Wall {
  readonly id: string;
  readonly type: WallType;
  readonly from: Place;
  readonly to: Place;
}

export const wall = (id: string, type: WallType, from: Place, to: Place): Wall => ({ id, type, from, to });

export const WALLS: readonly Wall[] = [
  wall('north', 'block', [0, 0], [124, 0]),
  wall('east', 'block', [124, 0], [124, 82]),
  wall('south', 'block', [124, 82], [0, 82]),
  wall('west', 'block', [0, 82], [0, 0]),
  wall('bay', 'block', [62, 0], [62, 82]),
  wall('passage-north', 'P2', [62, 28], [124, 28]),
  wall('passage-south', 'P2', [62, 34], [124, 34]),
  wall('workshop-east', 'P2', [104, 0], [104, 28]),
  wall('changing', 'P2', [88, 34], [88, 56]),
  wall('hall-north', 'P2', [62, 56], [124, 56]),
  wall('store', 'P1', [93, 56], [93, 82]),
  wall('shower-w-north', 'P1', [62, 46], [76, 46]),
  wall('shower-w-east', 'P1', [76, 46], [76, 56]),
  wall('shower-m-north', 'P1', [124, 46], [110, 46]),
  wall('shower-m-west', 'P1', [110, 46], [110, 56]),
];

export const getWall = (id: string): Wall => wallOf(GROUND_FLOOR, id);

export type DoorType = 'single' | 'pair' | 'overhead';

export interface Door {
  readonly tag: string;
  readonly wall: string;
  /** Center along the wall from its first point. */
  readonly at: Feet;
  readonly width: Feet;
  readonly height: Feet;
  readonly type: DoorType;
  /** Which side it swings to: +1 to the right of the wall's direction. */
  readonly swing: 1 | -1;
  readonly material: string;
  readonly frame: string;
  readonly fire: string;
  readonly remark: string;
}

export const door = (
  tag: string,
  onWall: string,
  at: Feet,
  type: DoorType,
  swing: 1 | -1,
  remark = '',
  fire = '',
): Door => {
  const size = { single: [3, 7], pair: [6, 7], overhead: [12, 10] }[type];
  const outside = /north|east|south|west/.test(onWall) && !/passage|workshop|hall|shower/.test(onWall);
  const material =
    type === 'overhead' ? 'Insulated steel' : outside || onWall === 'bay' ? 'Hollow metal' : 'Wood';
  const frame = type === 'overhead' ? 'Track' : outside || onWall === 'bay' ? 'Hollow metal' : 'Wood';
  const [width = 3, height = 7] = size;
  return { tag, wall: onWall, at, width, height, type, swing, material, frame, fire, remark };
};

export const DOORS: readonly Door[] = [
  door('101A', 'west', 62, 'overhead', 1, 'Creek side, vision panel'),
  door('101B', 'west', 22, 'overhead', 1, 'Creek side, vision panel'),
  door('101C', 'south', 106, 'single', 1, 'Weather seal'),
  door('102A', 'passage-north', 12, 'single', -1),
  door('102B', 'bay', 14, 'pair', -1, 'Hold open', '45 min'),
  door('103A', 'passage-north', 54, 'single', -1, 'Louver'),
  door('104A', 'passage-south', 20, 'single', 1, 'Closer'),
  door('105A', 'passage-south', 44, 'single', 1, 'Closer'),
  door('106A', 'south', 47, 'pair', 1, 'Panic hardware'),
  door('106B', 'bay', 68, 'single', -1, 'Closer', '45 min'),
  door('106C', 'hall-north', 22, 'single', 1),
  door('107A', 'store', 14, 'single', -1),
  door('108A', 'shower-w-north', 9, 'single', 1, 'Privacy lock'),
  door('109A', 'shower-m-north', 5, 'single', -1, 'Privacy lock'),
  door('110A', 'east', 31, 'single', -1, 'Weather seal'),
];

/** Single doors of hollow metal on the ground floor, as A-601 schedules them. */
export const METAL_DOORS = DOORS.filter(
  ({ type, material }) => type === 'single' && material === 'Hollow metal',
).length;

export interface Window {
  readonly tag: string;
  readonly wall: string;
  readonly at: Feet;
  readonly width: Feet;
  readonly height: Feet;
  readonly sill: Feet;
}

export const windows = (
  tag: string,
  onWall: string,
  width: Feet,
  height: Feet,
  sill: Feet,
  ...ats: readonly Feet[]
): readonly Window[] => ats.map((at) => ({ tag, wall: onWall, at, width, height, sill }));

export const WINDOWS: readonly Window[] = [
  ...windows('W1', 'north', 6, 4, 8, 10, 26, 44),
  ...windows('W2', 'north', 4, 4, 4, 72, 84, 96, 114),
  ...windows('W2', 'east', 4, 4, 4, 12, 40, 64, 74),
  ...windows('W1', 'south', 6, 4, 4, 14, 24),
  ...windows('W1', 'south', 6, 4, 8, 78, 94),
];

export interface Room {
  readonly number: string;
  readonly name: string;
  /** Corners on wall center lines. */
  readonly corners: readonly Place[];
  /** Where the name is written. */
  readonly label: Place;
  readonly floor: string;
  readonly base: string;
  readonly walls: string;
  readonly ceiling: string;
}

export const box = (x0: Feet, y0: Feet, x1: Feet, y1: Feet): readonly Place[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];
export const room = (
  number: string,
  name: string,
  corners: readonly Place[],
  label: Place,
  [floor, base, walls, ceiling]: readonly [string, string, string, string],
): Room => ({ number, name, corners, label, floor, base, walls, ceiling });

export const ROOMS: readonly Room[] = [
  room('101', 'BOAT BAY', box(0, 0, 62, 82), [26, 41], ['Sealed concrete', '-', 'Block, sealed', 'Open']),
  room(
    '102',
    'WORKSHOP',
    box(62, 0, 104, 28),
    [84, 13],
    ['Sealed concrete', '-', 'Board, painted', 'Board, 10 ft'],
  ),
  room(
    '103',
    'DRYING',
    box(104, 0, 124, 28),
    [114, 14],
    ['Rubber sheet', 'Rubber', 'Board MR, painted', 'Board, 10 ft'],
  ),
  room(
    '104',
    'CHANGING W',
    [
      [62, 34],
      [88, 34],
      [88, 56],
      [76, 56],
      [76, 46],
      [62, 46],
    ],
    [82, 48],
    ['Rubber sheet', 'Rubber', 'Board MR, painted', 'Board MR'],
  ),
  room(
    '105',
    'CHANGING M',
    [
      [88, 34],
      [124, 34],
      [124, 46],
      [110, 46],
      [110, 56],
      [88, 56],
    ],
    [99, 46],
    ['Rubber sheet', 'Rubber', 'Board MR, painted', 'Board MR'],
  ),
  room(
    '106',
    'HALL',
    box(62, 56, 93, 82),
    [79, 69],
    ['Rubber sheet', 'Rubber', 'Board, painted', 'Board, 9 ft'],
  ),
  room('107', 'STORE', box(93, 56, 124, 82), [109, 69], ['Sealed concrete', '-', 'Board, painted', 'Open']),
  room(
    '108',
    'SHOWER W',
    box(62, 46, 76, 56),
    [69, 52],
    ['Ceramic tile', 'Tile', 'Tile on cement board', 'Board MR'],
  ),
  room(
    '109',
    'SHOWER M',
    box(110, 46, 124, 56),
    [117, 52],
    ['Ceramic tile', 'Tile', 'Tile on cement board', 'Board MR'],
  ),
  room(
    '110',
    'PASSAGE',
    box(62, 28, 124, 34),
    [93, 30.3],
    ['Rubber sheet', 'Rubber', 'Board, painted', 'Board, 9 ft'],
  ),
];

/** One floor of the building as its plan shows it. */
export interface Floor {
  readonly walls: readonly Wall[];
  readonly doors: readonly Door[];
  readonly windows: readonly Window[];
}

export const GROUND_FLOOR: Floor = { walls: WALLS, doors: DOORS, windows: WINDOWS };

export const wallOf = ({ walls }: Floor, id: string): Wall => {
  const found = walls.find((each) => each.id === id);
  if (found === undefined) throw new Error(`wallOf: no wall is called ${id}`);
  return found;
};

/** Foundations: a strip footing under every block wall, grade beams, pads under the bay's posts. */
export const FOOTING = { width: 2, depth: 1 } as const;

export interface GradeBeam {
  readonly tag: string;
  readonly from: Place;
  readonly to: Place;
  readonly widthIn: number;
  readonly depthIn: number;
  readonly bars: string;
}

export const GRADE_BEAMS: readonly GradeBeam[] = [
  { tag: 'GB-1', from: [62, 28], to: [124, 28], widthIn: 12, depthIn: 20, bars: '2 No.6 top and bottom' },
  { tag: 'GB-2', from: [62, 56], to: [124, 56], widthIn: 12, depthIn: 20, bars: '2 No.6 top and bottom' },
  { tag: 'GB-3', from: [88, 34], to: [88, 56], widthIn: 10, depthIn: 16, bars: '2 No.5 top and bottom' },
];

export const PADS: readonly Place[] = [
  [18, 20.5],
  [36, 20.5],
  [18, 41],
  [36, 41],
  [18, 61.5],
  [36, 61.5],
];
export const PAD_SIZE = 4;

const INSIDE = WALL_THICKNESS.block / 2;
/** Slabs run between the inside faces of the block walls. */
export const BAY_SLAB: readonly Place[] = box(INSIDE, INSIDE, BAY_WIDTH - INSIDE, DEPTH - INSIDE);
export const HOUSE_SLAB: readonly Place[] = box(BAY_WIDTH + INSIDE, INSIDE, WIDTH - INSIDE, DEPTH - INSIDE);

export const lengthOf = ({ from, to }: { readonly from: Place; readonly to: Place }): Feet =>
  Math.hypot(to[0] - from[0], to[1] - from[1]);

/** Center-line length of all walls of a type. */
export const wallLength = (type: WallType): Feet =>
  WALLS.filter((each) => each.type === type).reduce((sum, each) => sum + lengthOf(each), 0);

/** The place at a distance along a wall. */
export function placeOn({ from, to }: { readonly from: Place; readonly to: Place }, at: Feet): Place {
  const t = at / Math.hypot(to[0] - from[0], to[1] - from[1]);
  return [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t];
}

/** Area of a ring of places, ft². */
export const areaOf = (corners: readonly Place[]): Feet =>
  Math.abs(
    corners.reduce((sum, [x, y], i) => {
      const [nextX, nextY] = corners[(i + 1) % corners.length] as Place;
      return sum + x * nextY - nextX * y;
    }, 0) / 2,
  );

/** Writes feet as on a sheet: `36'-0"`. */
export function writeFeet(feet: Feet): string {
  const inches = Math.round(feet * 12);
  return `${Math.floor(inches / 12)}'-${inches % 12}"`;
}
