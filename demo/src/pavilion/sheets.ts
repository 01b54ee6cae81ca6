import type { DrawnSheet } from '../drawing/drawSet.ts';
import type { Pen, Spot } from '../drawing/pen.ts';
import { drawTable } from '../drawing/table.ts';
import { type Project, drawNorth, drawNotes, drawTitleBlock, drawViewTitle } from '../drawing/titleBlock.ts';
import {
  AXES_X,
  AXES_Y,
  COLUMN,
  COLUMNS,
  PADS_SIDE,
  PAVILION_BEAMS,
  PAVING,
  PITCH_DEG,
  type Place,
  ROOF_HALVES,
  TREE_PIT,
} from './building.ts';

/** A1 across (ISO 216), in sheet points. */
export const A1 = { width: (841 / 25.4) * 72, height: (594 / 25.4) * 72 } as const;
export const METRIC_SCALE = '1:100';
/** Ten millimeters for a meter. */
export const POINTS_PER_METER = (10 / 25.4) * 72;
const ORIGIN: Spot = [520, 430];

export const onPavilion = ([x, y]: Place): Spot => [
  ORIGIN[0] + x * POINTS_PER_METER,
  ORIGIN[1] + y * POINTS_PER_METER,
];

const PROJECT: Project = {
  name: ['Orchard Row', 'Pavilion'],
  address: 'Orchard Row, Lindenau',
  client: 'Town of Lindenau, Markets',
  firm: 'Brandl Pahl',
  trade: 'ARCHITECTS AND ENGINEERS',
  firmAddress: 'Kirschweg 8, Lindenau',
  drawn: 'BP / KH',
  issues: [
    ['Design', '2026-05-04'],
    ['Tender', '2026-09-14'],
  ],
  issue: 'TENDER',
};

const write = (meters: number): string => meters.toFixed(2).replace('.', ',');

function drawAxes(pen: Pen): void {
  AXES_X.forEach((x, i) => {
    const [sx, top] = onPavilion([x, -6]);
    pen.line([sx, top], onPavilion([x, 14]), { weight: 'hair', gray: 0.45, dash: [14, 4, 3, 4] });
    pen.circle([sx, top - 14], 14, { weight: 'medium' });
    pen.text([sx, top - 9], String(i + 1), { size: 13, align: 'center' });
  });
  AXES_Y.forEach((y, i) => {
    const [left, sy] = onPavilion([-7, y]);
    pen.line([left, sy], onPavilion([32, y]), { weight: 'hair', gray: 0.45, dash: [14, 4, 3, 4] });
    pen.circle([left - 14, sy], 14, { weight: 'medium' });
    pen.text([left - 14, sy + 5], 'ABC'.charAt(i), { size: 13, align: 'center' });
  });
  AXES_X.slice(1).forEach((x, i) => drawDimension(pen, [AXES_X[i] ?? 0, -4.6], [x, -4.6]));
  drawDimension(pen, [0, -5.4], [30, -5.4]);
  AXES_Y.slice(1).forEach((y, i) => drawDimension(pen, [-5.6, AXES_Y[i] ?? 0], [-5.6, y]));
}

function drawDimension(pen: Pen, from: Place, to: Place): void {
  const [a, b] = [onPavilion(from), onPavilion(to)];
  pen.line(a, b, { weight: 'hair' });
  for (const [x, y] of [a, b]) pen.line([x - 4, y + 4], [x + 4, y - 4], { weight: 'medium' });
  const upright = from[0] === to[0];
  const text = write(Math.hypot(to[0] - from[0], to[1] - from[1]));
  const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  pen.text(upright ? [mx - 4, my] : [mx, my - 4], text, { size: 11, align: 'center', turn: upright ? 1 : 0 });
}

const ring = (corners: readonly Place[]): readonly Spot[] => corners.map(onPavilion);
const square = ([x, y]: Place, side: number): readonly Spot[] =>
  ring([
    [x - side / 2, y - side / 2],
    [x + side / 2, y - side / 2],
    [x + side / 2, y + side / 2],
    [x - side / 2, y + side / 2],
  ]);

function drawPaving(pen: Pen): void {
  drawAxes(pen);
  for (let x = -3; x < 36; x += 1)
    pen.line(onPavilion([x, -3]), onPavilion([x, 15]), { weight: 'hair', gray: 0.78 });
  for (let y = -2; y < 15; y += 1)
    pen.line(onPavilion([-4, y]), onPavilion([36, y]), { weight: 'hair', gray: 0.78 });
  pen.path(ring(PAVING), { closed: true, weight: 'bold' });
  pen.path(ring(TREE_PIT), { closed: true, weight: 'bold', fill: 0.9 });
  pen.circle(onPavilion([33.5, 2.5]), 24, { weight: 'thin' });
  for (const column of COLUMNS)
    pen.path(square(column, COLUMN.side), { closed: true, weight: 'bold', fill: 0.4 });
  drawDimension(pen, [-4, 15.8], [36, 15.8]);
  drawDimension(pen, [36.8, -3], [36.8, 15]);
  drawViewTitle(pen, [180, 1380], '1', 'PAVING PLAN', METRIC_SCALE);
  drawNorth(pen, [110, 1378]);
  drawNotes(pen, [760, 1380], 'NOTES', [
    'Concrete pavers 50 x 50 x 6 cm on 4 cm bedding and 25 cm base.',
    'Edging of concrete curb all around, also at the tree pit.',
    'Fall 1 % to the channel on axis A.',
  ]);
}

function drawFrame(pen: Pen): void {
  drawAxes(pen);
  for (const column of COLUMNS) {
    pen.path(square(column, PADS_SIDE), { closed: true, weight: 'thin', dash: [6, 3] });
    pen.path(square(column, COLUMN.side), { closed: true, weight: 'bold', fill: 0.4 });
  }
  for (const { tag, from, to, width } of PAVILION_BEAMS) {
    const upright = from[0] === to[0];
    const half = width / 2;
    for (const sign of [1, -1]) {
      const shift = ([x, y]: Place): Place => (upright ? [x + half * sign, y] : [x, y + half * sign]);
      pen.line(onPavilion(shift(from)), onPavilion(shift(to)), { weight: 'medium' });
    }
    const [x, y] = onPavilion([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]);
    pen.text(upright ? [x + 10, y - 40] : [x + 40, y - 10], tag, { size: 12, bold: true });
  }
  drawViewTitle(pen, [180, 1380], '1', 'COLUMNS AND BEAMS', METRIC_SCALE);
  drawNorth(pen, [110, 1378]);
  drawTable(
    pen,
    [760, 1380],
    'BEAM SCHEDULE',
    [
      { title: 'Mark', width: 60 },
      { title: 'Width', width: 80, align: 'center' },
      { title: 'Depth', width: 80, align: 'center' },
      { title: 'Length', width: 80, align: 'center' },
    ],
    PAVILION_BEAMS.map(({ tag, width, depth, from, to }) => [
      tag,
      `${Math.round(width * 100)} cm`,
      `${Math.round(depth * 100)} cm`,
      `${write(Math.hypot(to[0] - from[0], to[1] - from[1]))} m`,
    ]),
  );
  drawNotes(pen, [1330, 1380], 'NOTES', [
    `Columns ${COLUMN.side * 100} x ${COLUMN.side * 100} cm, ${write(COLUMN.height)} m high.`,
    `Pads ${write(PADS_SIDE)} x ${write(PADS_SIDE)} x 0,50 m under every column.`,
    'Concrete C30/37, exposed class 3.',
  ]);
}

function drawRoof(pen: Pen): void {
  drawAxes(pen);
  for (const half of ROOF_HALVES) pen.path(ring(half), { closed: true, weight: 'bold' });
  for (let x = 0; x <= 30; x += 1)
    pen.line(onPavilion([x, -1]), onPavilion([x, 13]), { weight: 'hair', gray: 0.5 });
  pen.line(onPavilion([-1, 6]), onPavilion([31, 6]), { weight: 'heavy' });
  for (const y of [2.5, 9.5]) {
    const [x, sy] = onPavilion([15, y]);
    pen.blank([x - 26, sy - 13], 52, 18);
    pen.text([x, sy], `${PITCH_DEG}°`, { size: 14, bold: true, align: 'center' });
  }
  drawViewTitle(pen, [180, 1380], '1', 'ROOF PLAN', METRIC_SCALE);
  drawNorth(pen, [110, 1378]);
  drawNotes(pen, [760, 1380], 'NOTES', [
    'Rafters 8 x 20 cm at 1 m, larch boards 24 mm, clay tiles.',
    'Gutters along both eaves, two downpipes each.',
  ]);
}

function drawSection(pen: Pen): void {
  const base: Spot = [420, 1000];
  const at = (x: number, z: number): Spot => [base[0] + x * 56.7, base[1] - z * 56.7];
  const rise = 7 * Math.tan((PITCH_DEG * Math.PI) / 180);
  for (const x of AXES_Y) {
    pen.path([at(x - 0.15, 0), at(x + 0.15, 0), at(x + 0.15, COLUMN.height), at(x - 0.15, COLUMN.height)], {
      closed: true,
      weight: 'bold',
      fill: 0.85,
    });
    pen.path([at(x - 0.6, -0.6), at(x + 0.6, -0.6), at(x + 0.6, -1.1), at(x - 0.6, -1.1)], {
      closed: true,
      weight: 'medium',
      fill: 0.92,
    });
  }
  pen.path([at(-1, 3.9), at(6, 3.9 + rise), at(13, 3.9)], { weight: 'heavy' });
  pen.path([at(-1, 3.7), at(6, 3.7 + rise), at(13, 3.7)], { weight: 'thin' });
  pen.line(at(-4, 0), at(16, 0), { weight: 'heavy' });
  pen.line(at(-4, -0.35), at(16, -0.35), { weight: 'thin' });
  pen.text(at(1.4, 1.8), `+${write(COLUMN.height)}`, { size: 11 });
  drawViewTitle(pen, [180, 1380], '1', 'CROSS SECTION', '1:50');
  drawNotes(pen, [760, 1380], 'FINISHES', [
    'Columns and beams: exposed concrete, sealed.',
    'Timber: larch, untreated.',
    'Roof: clay tiles, red brown.',
  ]);
}

const sheet = (number: string, title: string, scale: string, content: (pen: Pen) => void): DrawnSheet => ({
  number,
  title: title.replace('|', ' '),
  scale,
  draw: (pen) => {
    drawTitleBlock(pen, { project: PROJECT, number, title, scale });
    content(pen);
  },
});

/** The four sheets of the market roof. */
export const PAVILION_SHEETS: readonly DrawnSheet[] = [
  sheet('L-1', 'Paving plan', METRIC_SCALE, drawPaving),
  sheet('S-1', 'Columns and|beams', METRIC_SCALE, drawFrame),
  sheet('A-1', 'Roof plan', METRIC_SCALE, drawRoof),
  sheet('A-2', 'Cross section', '1:50', drawSection),
];
