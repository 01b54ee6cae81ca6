import type { Pen } from '../drawing/pen.ts';
import { drawTable } from '../drawing/table.ts';
import { drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import { BEAMS, type Beam, SUSPENDED } from './beams.ts';
import { type Place, lengthOf } from './building.ts';
import { PLAN_SCALE, drawGrid, drawWalls, onSheet } from './plan.ts';
import { STAIR } from './upperFloor.ts';

/** S-102: beams under the upper floor, the slabs between them and the stair opening. */
export function drawBeams(pen: Pen): void {
  drawGrid(pen);
  drawWalls(pen, 0.25);
  for (const { name, thicknessIn, ring } of SUSPENDED) {
    pen.path(ring.map(onSheet), { closed: true, weight: 'thin' });
    const [x, y] = onSheet([(ring[0]?.[0] ?? 0) + 9, 42]);
    pen.circle([x, y], 17, { weight: 'medium', fill: 1 });
    pen.text([x, y + 4], name, { size: 11, align: 'center', bold: true });
    pen.text([x, y + 34], `${thicknessIn} in slab`, { size: 11, align: 'center' });
  }
  drawStairOpening(pen);
  for (const beam of BEAMS) drawBeam(pen, beam);
  drawViewTitle(pen, [600, 1330], '1', 'UPPER FLOOR BEAM PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawBeamSchedule(pen);
  drawNotes(pen, [1900, 1326], 'NOTES', [
    'Concrete 4,000 psi, bars grade 60.',
    'Depth of beams is over all.',
    'Slabs bear on the bay wall at grid 3.',
  ]);
}

function drawBeam(pen: Pen, { tag, from, to, widthIn }: Beam): void {
  const length = lengthOf({ from, to });
  const half = widthIn / 24;
  const [nx, ny] = [(-(to[1] - from[1]) / length) * half, ((to[0] - from[0]) / length) * half];
  for (const sign of [1, -1]) {
    const shift = ([x, y]: Place): Place => [x + nx * sign, y + ny * sign];
    pen.line(onSheet(shift(from)), onSheet(shift(to)), { weight: 'bold', dash: [9, 4] });
  }
  const upright = from[0] === to[0];
  const [x, y] = onSheet([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]);
  const [tx, ty] = upright ? [x + 12, y] : [x - 130, y - 12];
  pen.blank([tx - 3, ty - 12], 36, 16);
  pen.text([tx, ty], tag, { size: 12, bold: true });
}

function drawStairOpening(pen: Pen): void {
  const corners = STAIR.map(onSheet);
  pen.path(corners, { closed: true, weight: 'bold', fill: 1 });
  const [a, b, c, d] = corners as [readonly [number, number], ...(readonly [number, number])[]];
  if (b === undefined || c === undefined || d === undefined) return;
  pen.line(a, c, { weight: 'thin' });
  pen.line(b, d, { weight: 'thin' });
  pen.text([a[0] + 30, a[1] - 6], 'STAIR OPENING', { size: 10 });
}

const slab = (thicknessIn: number): string => (thicknessIn === 0 ? '-' : `${thicknessIn}"`);

function drawBeamSchedule(pen: Pen): void {
  drawTable(
    pen,
    [960, 1330],
    'BEAM SCHEDULE',
    [
      { title: 'Mark', width: 60 },
      { title: 'Width', width: 60, align: 'center' },
      { title: 'Depth', width: 60, align: 'center' },
      { title: 'Slab left', width: 75, align: 'center' },
      { title: 'Slab right', width: 75, align: 'center' },
      { title: 'Bars', width: 200 },
    ],
    BEAMS.map((each) => [
      each.tag,
      `${each.widthIn}"`,
      `${each.depthIn}"`,
      slab(each.slabLeftIn),
      slab(each.slabRightIn),
      each.bars,
    ]),
  );
}
