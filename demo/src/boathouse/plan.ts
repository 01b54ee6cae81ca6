import type { Pen, Spot } from '../drawing/pen.ts';
import {
  DEPTH,
  type Door,
  type Feet,
  type Floor,
  GROUND_FLOOR,
  GRID_X,
  GRID_Y,
  type Place,
  type Room,
  WALL_THICKNESS,
  WIDTH,
  type Wall,
  lengthOf,
  placeOn,
  wallOf,
  writeFeet,
} from './building.ts';

/** 1/8 in on the sheet is a foot: nine points a foot. */
export const POINTS_PER_FOOT = 9;
export const PLAN_SCALE = `1/8" = 1'-0"`;
/** Where grid 1/A stands on the plan sheets. */
export const PLAN_ORIGIN: Spot = [600, 420];

/** A place of the building on a plan sheet, in sheet points. */
export const onSheet = ([x, y]: Place): Spot => [
  PLAN_ORIGIN[0] + x * POINTS_PER_FOOT,
  PLAN_ORIGIN[1] + y * POINTS_PER_FOOT,
];

const BUBBLE = 15;
const REACH = 11;

/** Grid lines with bubbles, and the chains of dimensions between them. */
export function drawGrid(pen: Pen): void {
  for (const [name, x] of GRID_X) {
    const [sx, top] = onSheet([x, -REACH]);
    pen.line([sx, top], onSheet([x, DEPTH + 5]), { weight: 'hair', gray: 0.45, dash: [14, 4, 3, 4] });
    pen.circle([sx, top - BUBBLE], BUBBLE, { weight: 'medium' });
    pen.text([sx, top - BUBBLE + 5], name, { size: 14, align: 'center' });
  }
  for (const [name, y] of GRID_Y) {
    const [left, sy] = onSheet([-REACH, y]);
    pen.line([left, sy], onSheet([WIDTH + 5, y]), { weight: 'hair', gray: 0.45, dash: [14, 4, 3, 4] });
    pen.circle([left - BUBBLE, sy], BUBBLE, { weight: 'medium' });
    pen.text([left - BUBBLE, sy + 5], name, { size: 14, align: 'center' });
  }
  const xs = GRID_X.map(([, x]) => x);
  const ys = GRID_Y.map(([, y]) => y);
  xs.slice(1).forEach((x, i) => drawDimension(pen, [xs[i] ?? 0, -5], [x, -5]));
  drawDimension(pen, [0, -8], [WIDTH, -8]);
  ys.slice(1).forEach((y, i) => drawDimension(pen, [-5, ys[i] ?? 0], [-5, y]));
  drawDimension(pen, [-8, 0], [-8, DEPTH]);
}

/** A dimension between two places with ticks and its text above, level or upright. */
export function drawDimension(pen: Pen, from: Place, to: Place): void {
  const [a, b] = [onSheet(from), onSheet(to)];
  const upright = Math.abs(to[0] - from[0]) < 0.01;
  pen.line(a, b, { weight: 'hair' });
  for (const [x, y] of [a, b]) {
    pen.line([x - 4, y + 4], [x + 4, y - 4], { weight: 'medium' });
    pen.line(upright ? [x - 7, y] : [x, y - 7], upright ? [x + 7, y] : [x, y + 7], { weight: 'hair' });
  }
  const middle: Spot = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const text = writeFeet(Math.hypot(to[0] - from[0], to[1] - from[1]));
  const half = pen.textWidth(text, 11) / 2 + 2;
  const [cx, cy] = upright ? [middle[0] - 8.5, middle[1]] : [middle[0], middle[1] - 8.5];
  const [w, h] = upright ? [6.5, half] : [half, 6.5];
  // Grid lines stop at a dimension's figure, so that it reads.
  pen.blank([cx - w, cy - h], 2 * w, 2 * h);
  if (upright) pen.text([middle[0] - 4, middle[1]], text, { size: 11, align: 'center', turn: 1 });
  else pen.text([middle[0], middle[1] - 4], text, { size: 11, align: 'center' });
}

interface Gap {
  readonly at: Feet;
  readonly width: Feet;
}

const gapsOf = (floor: Floor, wall: Wall): readonly Gap[] =>
  [...floor.doors, ...floor.windows].filter((each) => each.wall === wall.id).sort((a, b) => a.at - b.at);

/** The corner points of a piece of wall between two distances along it. */
function wallPiece(wall: Wall, start: Feet, end: Feet): readonly Spot[] {
  const [ax, ay] = placeOn(wall, start);
  const [bx, by] = placeOn(wall, end);
  const half = WALL_THICKNESS[wall.type] / 2;
  const length = lengthOf(wall);
  const [ux, uy] = [(wall.to[0] - wall.from[0]) / length, (wall.to[1] - wall.from[1]) / length];
  const [nx, ny] = [-uy * half, ux * half];
  return [
    [ax + nx, ay + ny],
    [bx + nx, by + ny],
    [bx - nx, by - ny],
    [ax - nx, ay - ny],
  ].map(([x = 0, y = 0]) => onSheet([x, y]));
}

/** Walls with gaps at doors and windows; block is hatched, stud walls are toned. */
export function drawWalls(pen: Pen, tone = 1, floor = GROUND_FLOOR): void {
  for (const wall of floor.walls) {
    const half = WALL_THICKNESS.block / 2;
    const overrun = wall.type === 'block' ? half : 0;
    let start = -overrun;
    for (const gap of [...gapsOf(floor, wall), { at: lengthOf(wall) + overrun, width: 0 }]) {
      drawWallPiece(pen, wall, start, gap.at - gap.width / 2, tone);
      start = gap.at + gap.width / 2;
    }
  }
}

function drawWallPiece(pen: Pen, wall: Wall, start: Feet, end: Feet, tone: number): void {
  if (end - start < 0.05) return;
  const corners = wallPiece(wall, start, end);
  const fill = { block: 0.8, P1: 0.55, P2: 0.35, W3: 0.2 }[wall.type];
  pen.path(corners, {
    closed: true,
    weight: wall.type === 'block' ? 'bold' : 'medium',
    gray: 1 - tone,
    fill: 1 - (1 - fill) * tone,
  });
  if (wall.type !== 'block') return;
  const step = 16 / 12;
  for (let at = Math.ceil(start / step) * step; at < end - 0.2; at += step) {
    const [a, b, c, d] = wallPiece(wall, at, Math.min(end, at + 0.45)) as [Spot, Spot, Spot, Spot];
    pen.line(d, b, { weight: 'hair', gray: 0.35 });
    if (a === c) throw new Error('drawWallPiece: a wall without thickness');
  }
}

export function drawWindows(pen: Pen, floor = GROUND_FLOOR): void {
  for (const each of floor.windows) {
    const wall = wallOf(floor, each.wall);
    const corners = wallPiece(wall, each.at - each.width / 2, each.at + each.width / 2);
    pen.path(corners, { closed: true, weight: 'thin', fill: 1 });
    const [a, b, c, d] = corners as [Spot, Spot, Spot, Spot];
    const middle = (p: Spot, q: Spot): Spot => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
    pen.line(middle(a, d), middle(b, c), { weight: 'thin' });
    drawWindowTag(pen, wall, each.at, each.tag);
  }
}

/** Inside of the building is to the right of every outer wall as it runs. */
const insideNormal = (wall: Wall): Spot => {
  const length = lengthOf(wall);
  return [-(wall.to[1] - wall.from[1]) / length, (wall.to[0] - wall.from[0]) / length];
};

function drawWindowTag(pen: Pen, wall: Wall, at: Feet, tag: string): void {
  const [nx, ny] = insideNormal(wall);
  const [x, y] = placeOn(wall, at);
  const [sx, sy] = onSheet([x + nx * 1.9, y + ny * 1.9]);
  const size = 10;
  const hexagon = [0, 1, 2, 3, 4, 5].map((i): Spot => [
    sx + size * Math.cos((i * Math.PI) / 3),
    sy + size * Math.sin((i * Math.PI) / 3),
  ]);
  pen.path(hexagon, { closed: true, weight: 'thin' });
  pen.text([sx, sy + 2.5], tag, { size: 8, align: 'center' });
}

export function drawDoors(pen: Pen, floor = GROUND_FLOOR): void {
  for (const door of floor.doors) {
    const wall = wallOf(floor, door.wall);
    if (door.type === 'overhead') drawOverhead(pen, door, wall);
    else drawLeaves(pen, door, wall);
    drawDoorTag(pen, door, wall);
  }
}

function drawLeaves(pen: Pen, door: Door, wall: Wall): void {
  const leaf = door.type === 'pair' ? door.width / 2 : door.width;
  const length = lengthOf(wall);
  const along: Spot = [(wall.to[0] - wall.from[0]) / length, (wall.to[1] - wall.from[1]) / length];
  const across: Spot = [-along[1] * door.swing, along[0] * door.swing];
  const hinges =
    door.type === 'pair'
      ? ([
          [-1, 1],
          [1, -1],
        ] as const)
      : ([[-1, 1]] as const);
  for (const [side, toward] of hinges) {
    const hinge = placeOn(wall, door.at + (side * door.width) / 2);
    const open: Place = [hinge[0] + across[0] * leaf, hinge[1] + across[1] * leaf];
    pen.line(onSheet(hinge), onSheet(open), { weight: 'bold' });
    const start = (Math.atan2(across[1], across[0]) * 180) / Math.PI;
    const close = (Math.atan2(along[1] * toward, along[0] * toward) * 180) / Math.PI;
    const sweep = ((close - start + 540) % 360) - 180;
    pen.arc(onSheet(hinge), leaf * POINTS_PER_FOOT, start, start + sweep, { weight: 'hair' });
  }
}

function drawOverhead(pen: Pen, door: Door, wall: Wall): void {
  const corners = wallPiece(wall, door.at - door.width / 2, door.at + door.width / 2);
  pen.path(corners, { closed: true, weight: 'thin', dash: [4, 3] });
  const [nx, ny] = insideNormal(wall);
  const [a, b] = [placeOn(wall, door.at - door.width / 2), placeOn(wall, door.at + door.width / 2)];
  const inner = ([x, y]: Place, by: Feet): Spot => onSheet([x + nx * by, y + ny * by]);
  pen.path([inner(a, 0.4), inner(a, 9), inner(b, 9), inner(b, 0.4)], {
    weight: 'hair',
    dash: [6, 4],
    gray: 0.3,
  });
}

function drawDoorTag(pen: Pen, door: Door, wall: Wall): void {
  const length = lengthOf(wall);
  const along: Spot = [(wall.to[0] - wall.from[0]) / length, (wall.to[1] - wall.from[1]) / length];
  const off = door.type === 'overhead' ? -3 : -2.2;
  const [x, y] = placeOn(wall, door.at);
  const outward = door.type === 'overhead' ? -off : off * door.swing;
  const [sx, sy] = onSheet([
    x - along[1] * outward * (door.type === 'overhead' ? -1 : 1),
    y + along[0] * outward * (door.type === 'overhead' ? -1 : 1),
  ]);
  const wide = pen.textWidth(door.tag, 8.5) / 2 + 5;
  pen.path(
    [
      [sx - wide, sy - 7],
      [sx + wide, sy - 7],
      [sx + wide, sy + 7],
      [sx - wide, sy + 7],
    ],
    { closed: true, weight: 'thin', fill: 1 },
  );
  pen.text([sx, sy + 3], door.tag, { size: 8, align: 'center' });
}

/** A room's name with its number in a box. */
export function drawRoomName(
  pen: Pen,
  { number, name, label }: Pick<Room, 'number' | 'name' | 'label'>,
): void {
  const [x, y] = onSheet(label);
  const beside = number === '110' ? 56 : 0;
  pen.text([x, y - 5 + (beside > 0 ? 11 : 0)], name, { size: 13, align: 'center' });
  const [bx, by] = [x + beside, beside > 0 ? y - 10 : y];
  pen.path(
    [
      [bx - 19, by],
      [bx + 19, by],
      [bx + 19, by + 17],
      [bx - 19, by + 17],
    ],
    { closed: true, weight: 'thin' },
  );
  pen.text([bx, by + 13], number, { size: 12, align: 'center' });
}

/** A diamond with the wall type beside every stud wall. */
export function drawWallMarks(pen: Pen, floor = GROUND_FLOOR): void {
  for (const wall of floor.walls.filter(({ type }) => type !== 'block')) {
    const t = wall.id === 'passage-north' || wall.id === 'hall-north' ? 0.62 : 0.86;
    const [x, y] = placeOn(wall, lengthOf(wall) * t);
    const upright = wall.from[0] === wall.to[0];
    const [sx, sy] = onSheet(upright ? [x + 1.8, y] : [x, y - 1.8]);
    pen.path(
      [
        [sx, sy - 11],
        [sx + 11, sy],
        [sx, sy + 11],
        [sx - 11, sy],
      ],
      { closed: true, weight: 'thin', fill: 1 },
    );
    pen.text([sx, sy + 3], wall.type, { size: 8, align: 'center' });
  }
}
