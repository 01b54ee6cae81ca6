import { drawTable } from '../drawing/table.ts';
import type { Pen, Spot } from '../drawing/pen.ts';
import { drawNorth, drawViewTitle } from '../drawing/titleBlock.ts';
import {
  BAY_SLAB,
  DEPTH,
  DOORS,
  FOOTING,
  GRADE_BEAMS,
  HOUSE_SLAB,
  PADS,
  PAD_SIZE,
  type Place,
  WALLS,
  WIDTH,
  getWall,
  lengthOf,
  placeOn,
  writeFeet,
} from './building.ts';
import { PLAN_SCALE, drawGrid, drawWalls, onSheet } from './plan.ts';

/** S-101: footings, grade beams, pads and slabs, with a section. */
export function drawFoundation(pen: Pen): void {
  drawGrid(pen);
  const slab = (corners: readonly Place[]): void =>
    pen.path(corners.map(onSheet), { closed: true, weight: 'thin', dash: [2, 3] });
  slab(BAY_SLAB);
  slab(HOUSE_SLAB);
  drawJoints(pen);
  drawThickenedEdges(pen);
  for (const wall of WALLS.filter(({ type }) => type === 'block'))
    drawStrip(pen, wall.from, wall.to, FOOTING.width, true);
  for (const beam of GRADE_BEAMS) {
    drawStrip(pen, beam.from, beam.to, beam.widthIn / 12, false);
    const [x, y] = onSheet([(beam.from[0] + beam.to[0]) / 2, (beam.from[1] + beam.to[1]) / 2]);
    const upright = beam.from[0] === beam.to[0];
    pen.text(upright ? [x + 12, y] : [x, y - 10], beam.tag, {
      size: 11,
      bold: true,
      align: upright ? 'left' : 'center',
    });
  }
  drawWalls(pen, 0.35);
  for (const [x, y] of PADS) {
    const half = PAD_SIZE / 2;
    const corner = (dx: number, dy: number): Spot => onSheet([x + dx * half, y + dy * half]);
    pen.path([corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)], {
      closed: true,
      weight: 'bold',
      dash: [7, 3],
    });
    pen.path([corner(-0.15, -0.15), corner(0.15, -0.15), corner(0.15, 0.15), corner(-0.15, 0.15)], {
      closed: true,
      weight: 'medium',
      fill: 0.6,
    });
    pen.text([onSheet([x, y])[0] + 22, onSheet([x, y])[1] - 12], 'F-1', { size: 9 });
  }
  label(
    pen,
    [19, 70],
    ['SLAB ON GRADE, BOAT BAY', '6 in on 4 in base, mesh 6x6', 'slope 1/8 in per ft to doors'],
  );
  label(pen, [80, 12], ['SLAB ON GRADE', '5 in on 4 in base, mesh 6x6']);
  label(pen, [106, 75], ['Thickened edge, detail 3', '12 in deep, TYP at doors'], 11);
  drawViewTitle(pen, [600, 1330], '1', 'FOUNDATION PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawBeamTable(pen);
  drawFootingDetail(pen, [2030, 480]);
  drawEdgeDetail(pen, [1930, 980]);
}

/** Control joints in the slabs, at most 14 ft apart. */
function drawJoints(pen: Pen): void {
  const joint = (from: Place, to: Place): void =>
    pen.line(onSheet(from), onSheet(to), { weight: 'hair', gray: 0.45, dash: [10, 4] });
  for (const x of [12, 24, 49, 75, 101, 112]) joint([x, 0.4], [x, DEPTH - 0.4]);
  for (const y of [14, 42, 69]) joint([0.4, y], [WIDTH - 0.4, y]);
  label(pen, [43, 44], ['CJ TYP'], 9);
}

/** The slab is deeper along the inside of every door in an outer wall. */
function drawThickenedEdges(pen: Pen): void {
  for (const door of DOORS) {
    const wall = getWall(door.wall);
    if (!['west', 'south', 'east'].includes(wall.id)) continue;
    const length = lengthOf(wall);
    const [ux, uy] = [(wall.to[0] - wall.from[0]) / length, (wall.to[1] - wall.from[1]) / length];
    const inside = ([x, y]: Place, by: number): Spot => onSheet([x - uy * by, y + ux * by]);
    const [a, b] = [placeOn(wall, door.at - door.width / 2 - 1), placeOn(wall, door.at + door.width / 2 + 1)];
    pen.path([inside(a, 0.35), inside(a, 2), inside(b, 2), inside(b, 0.35)], {
      weight: 'thin',
      dash: [5, 2],
    });
  }
}

function label(pen: Pen, place: Place, lines: readonly string[], size = 13): void {
  const [x, y] = onSheet(place);
  lines.forEach((line, i) => {
    const height = i === 0 ? size : 11;
    const wide = pen.textWidth(line, height) + 6;
    pen.blank([x - wide / 2, y + i * 16 - height], wide, height + 4);
    pen.text([x, y + i * 16], line, { size: height, align: 'center' });
  });
}

function drawStrip(pen: Pen, from: Place, to: Place, width: number, dashed: boolean): void {
  const length = lengthOf({ from, to });
  const [nx, ny] = [(-(to[1] - from[1]) / length) * (width / 2), ((to[0] - from[0]) / length) * (width / 2)];
  const look = dashed ? ({ weight: 'medium', dash: [7, 3] } as const) : ({ weight: 'bold' } as const);
  for (const sign of [1, -1])
    pen.line(
      onSheet([from[0] + nx * sign, from[1] + ny * sign]),
      onSheet([to[0] + nx * sign, to[1] + ny * sign]),
      look,
    );
}

function drawBeamTable(pen: Pen): void {
  drawTable(
    pen,
    [1010, 1330],
    'GRADE BEAM AND FOOTING SCHEDULE',
    [
      { title: 'Mark', width: 70 },
      { title: 'Width', width: 70, align: 'center' },
      { title: 'Depth', width: 70, align: 'center' },
      { title: 'Bars', width: 210 },
      { title: 'Stirrups', width: 170 },
    ],
    [
      ...GRADE_BEAMS.map((beam) => [
        beam.tag,
        `${beam.widthIn}"`,
        `${beam.depthIn}"`,
        beam.bars,
        'No.4 at 12 in',
      ]),
      ['F-1', writeFeet(PAD_SIZE), '1\'-6"', '5 No.5 each way', '-'],
      ['Strip', writeFeet(FOOTING.width), writeFeet(FOOTING.depth), '3 No.5 continuous', '-'],
    ],
  );
}

/** Section through the wall footing at 3/4 in to the foot: 54 points a foot. */
function drawFootingDetail(pen: Pen, [x, y]: Spot): void {
  const foot = 54;
  const at = (fx: number, fy: number): Spot => [x + fx * foot, y + fy * foot];
  pen.path([at(-1, 4), at(1, 4), at(1, 5), at(-1, 5)], { closed: true, weight: 'heavy', fill: 0.9 });
  pen.path([at(-1 / 3, -1), at(1 / 3, -1), at(1 / 3, 4), at(-1 / 3, 4)], {
    closed: true,
    weight: 'bold',
    fill: 0.96,
  });
  for (let course = -1; course < 4; course += 2 / 3)
    pen.line(at(-1 / 3, course), at(1 / 3, course), { weight: 'thin' });
  pen.path([at(1 / 3, 0.9), at(4, 0.9), at(4, 1.4), at(1 / 3, 1.4)], {
    closed: true,
    weight: 'bold',
    fill: 0.93,
  });
  pen.path([at(1 / 3, 1.4), at(4, 1.4), at(4, 1.73), at(1 / 3, 1.73)], { closed: true, weight: 'thin' });
  for (let stone = 0.5; stone < 3.9; stone += 0.22) pen.circle(at(stone, 1.56), 3.2, { weight: 'hair' });
  for (const bar of [-0.7, 0, 0.7]) pen.circle(at(bar, 4.75), 4, { fill: 0 });
  pen.line(at(-3, 1.6), at(-1 / 3, 1.6), { weight: 'bold' });
  for (let blade = -2.9; blade < -0.4; blade += 0.25)
    pen.line(at(blade, 1.6), at(blade - 0.15, 1.8), { weight: 'hair' });
  pen.text(at(1.2, 0.7), 'Slab as noted', { size: 10 });
  pen.text(at(1.2, 2.05), '4 in crushed base', { size: 10 });
  pen.text(at(1.15, 4.6), '3 No.5 continuous', { size: 10 });
  pen.text(at(-2.9, 1.4), 'Grade', { size: 10 });
  pen.line(at(-1, 5.35), at(1, 5.35), { weight: 'hair' });
  for (const end of [-1, 1]) pen.line(at(end - 0.07, 5.42), at(end + 0.07, 5.28), { weight: 'medium' });
  pen.text(at(0, 5.27), writeFeet(FOOTING.width), { size: 9, align: 'center' });
  drawViewTitle(pen, at(-2.6, 6.3), '2', 'FOOTING AT BLOCK WALL', `3/4" = 1'-0"`);
}

/** Section through the thickened slab edge at a door, 3/4 in to the foot. */
function drawEdgeDetail(pen: Pen, [x, y]: Spot): void {
  const foot = 54;
  const at = (fx: number, fy: number): Spot => [x + fx * foot, y + fy * foot];
  pen.path([at(0, 0), at(5.4, 0), at(5.4, 0.5), at(2.6, 0.5), at(2, 1), at(0, 1)], {
    closed: true,
    weight: 'heavy',
    fill: 0.93,
  });
  for (let stone = 2.75; stone < 5.4; stone += 0.22) pen.circle(at(stone, 0.67), 3.2, { weight: 'hair' });
  pen.line(at(2.6, 0.84), at(5.4, 0.84), { weight: 'thin' });
  for (const bar of [0.35, 1.4]) pen.circle(at(bar, 0.8), 4, { fill: 0 });
  pen.line(at(0.2, 0.25), at(5.3, 0.25), { weight: 'thin', dash: [7, 3] });
  pen.text(at(2.9, -0.18), 'Mesh 6x6', { size: 10 });
  pen.text(at(0, 1.35), '2 No.4 continuous', { size: 10 });
  pen.line(at(-0.35, 0), at(-0.35, 1), { weight: 'hair' });
  for (const end of [0, 1]) pen.line(at(-0.42, end + 0.07), at(-0.28, end - 0.07), { weight: 'medium' });
  pen.text(at(-0.45, 0.5), `1'-0"`, { size: 9, align: 'center', turn: 1 });
  drawViewTitle(pen, at(0, 2.4), '3', 'THICKENED EDGE AT DOORS', `3/4" = 1'-0"`);
}
