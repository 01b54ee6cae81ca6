import { drawTable } from '../drawing/table.ts';
import type { Pen, Spot } from '../drawing/pen.ts';
import { drawNorth, drawViewTitle } from '../drawing/titleBlock.ts';
import {
  BAY_SLAB,
  FOOTING,
  GRADE_BEAMS,
  HOUSE_SLAB,
  PADS,
  PAD_SIZE,
  type Place,
  WALLS,
  lengthOf,
  writeFeet,
} from './building.ts';
import { drawGrid, drawWalls, onSheet } from './plan.ts';

import { PLAN_SCALE } from './plan.ts';
/** S-101: footings, grade beams, pads and slabs, with a section. */
export function drawFoundation(pen: Pen): void {
  drawGrid(pen);
  const slab = (corners: readonly Place[]): void =>
    pen.path(corners.map(onSheet), { closed: true, weight: 'thin', dash: [2, 3] });
  slab(BAY_SLAB);
  slab(HOUSE_SLAB);
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
  label(pen, [109, 74], ['Thickened edge', '12 in deep, TYP at doors']);
  drawViewTitle(pen, [600, 1330], '1', 'FOUNDATION PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawBeamTable(pen);
  drawFootingDetail(pen, [2030, 600]);
}

function label(pen: Pen, place: Place, lines: readonly string[]): void {
  const [x, y] = onSheet(place);
  lines.forEach((line, i) => pen.text([x, y + i * 16], line, { size: i === 0 ? 13 : 11, align: 'center' }));
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
