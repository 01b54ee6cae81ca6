import type { Pen, Spot } from '../drawing/pen.ts';
import { drawTable } from '../drawing/table.ts';
import { drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import type { Place } from './building.ts';
import { TERRACE } from './upperFloor.ts';
import { PLAN_SCALE, drawGrid, onSheet } from './plan.ts';
import { ROOF_SLOPES, type RoofSlope } from './roof.ts';

/** the roofs from above with their pitches. */
export function drawRoof(pen: Pen): void {
  drawGrid(pen);
  pen.path(TERRACE.map(onSheet), { closed: true, weight: 'thin', gray: 0.3 });
  pen.text(onSheet([72, 72]), 'TERRACE BELOW', { size: 12, gray: 0.3 });
  for (const slope of ROOF_SLOPES) drawSlope(pen, slope);
  drawViewTitle(pen, [600, 1330], '1', 'ROOF PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawTable(
    pen,
    [980, 1330],
    'ROOF COVERINGS',
    [
      { title: 'Roof', width: 110 },
      { title: 'Pitch', width: 70, align: 'center' },
      { title: 'Covering', width: 220 },
    ],
    [
      ['Bay gable', '6/12', 'Standing seam metal, 24 gauge'],
      ['Hip', '4/12', 'Shingles, laminated'],
      ['Lean-to', '2/12', 'Modified bitumen, two plies'],
    ],
  );
  drawNotes(pen, [1900, 1326], 'ROOF NOTES', [
    'Overhang 2 ft all around.',
    'Drip edge on eaves and rakes.',
    'Ice barrier 6 ft up from eaves.',
    'Ridge vent on the bay gable.',
  ]);
}

function drawSlope(pen: Pen, { ring, riseIn12, edges }: RoofSlope): void {
  ring.forEach((from, i) => {
    const to = ring[(i + 1) % ring.length] as Place;
    const edge = edges[i];
    pen.line(onSheet(from), onSheet(to), { weight: edge === 'eave' || edge === 'rake' ? 'bold' : 'medium' });
  });
  const [x, y] = onSheet([
    ring.reduce((sum, place) => sum + place[0], 0) / ring.length,
    ring.reduce((sum, place) => sum + place[1], 0) / ring.length,
  ]);
  drawPitch(pen, [x + 46, y + 4], riseIn12);
  drawFall(pen, ring, edges, [x, y]);
}

/** The little triangle with the rise and the run of twelve. */
function drawPitch(pen: Pen, [x, y]: Spot, riseIn12: number): void {
  const [run, rise] = [36, riseIn12 * 3];
  pen.path(
    [
      [x - run / 2, y],
      [x + run / 2, y],
      [x + run / 2, y - rise],
    ],
    { closed: true, weight: 'thin', fill: 1 },
  );
  pen.text([x, y + 11], '12', { size: 9, align: 'center' });
  pen.text([x + run / 2 + 4, y - rise / 2 + 3], String(riseIn12), { size: 9 });
}

/** An arrow down the slope, from the ridge's side to the eave. */
function drawFall(pen: Pen, ring: readonly Place[], edges: RoofSlope['edges'], [x, y]: Spot): void {
  const at = edges.findIndex((edge) => edge === 'eave');
  const low = at < 0 ? edges.indexOf('wall') : at;
  const [a, b] = [onSheet(ring[low] as Place), onSheet(ring[(low + 1) % ring.length] as Place)];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  // Out of a ring walked clockwise as seen is to the left of its way.
  const [nx, ny] = [(b[1] - a[1]) / length, -(b[0] - a[0]) / length];
  const [tip, tail]: readonly [Spot, Spot] = [
    [x + nx * 44, y - 18 + ny * 44],
    [x + nx * 8, y - 18 + ny * 8],
  ];
  pen.line(tail, tip, { weight: 'thin' });
  for (const side of [1, -1])
    pen.line(tip, [tip[0] - nx * 8 + ny * 4 * side, tip[1] - ny * 8 - nx * 4 * side], { weight: 'thin' });
}
