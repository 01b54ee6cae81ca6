import type { Pen, Spot } from '../drawing/pen.ts';
import { type Feet, type Place } from './building.ts';
import { POINTS_PER_FOOT, onSheet } from './plan.ts';

type Box = readonly [x0: Feet, y0: Feet, x1: Feet, y1: Feet];

const corners = ([x0, y0, x1, y1]: Box): readonly Spot[] =>
  (
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ] as readonly Place[]
  ).map(onSheet);

const FAINT = { weight: 'thin', gray: 0.35 } as const;

/** Benches and lockers of the changing rooms, shelves, the workshop's bench. */
const BENCHES: readonly Box[] = [
  [63, 38, 64.5, 45],
  [86, 36, 87.5, 52],
  [88.7, 38, 90.2, 54],
  [118, 35.4, 123, 36.9],
  [64, 0.6, 78, 2.8],
  [80, 0.6, 100, 2.8],
  [120.8, 60, 123.4, 80],
  [96, 79.5, 119, 81.4],
];

/** Lockers stand in rows of these; each is a foot wide. */
const LOCKERS: readonly Box[] = [
  [66, 34.4, 80, 35.8],
  [90, 34.4, 103, 35.8],
  [107.9, 47, 109.5, 55],
];

const SHOWERS: readonly Box[] = [
  [62.6, 46.6, 65.8, 49.8],
  [62.6, 52.2, 65.8, 55.4],
  [120.4, 46.6, 123.6, 49.8],
  [120.4, 52.2, 123.6, 55.4],
];

/** Drying rails, each a line with pegs. */
const RAILS: readonly (readonly [Place, Place])[] = [
  [
    [106, 6],
    [106, 22],
  ],
  [
    [109, 6],
    [109, 22],
  ],
  [
    [119.5, 6],
    [119.5, 22],
  ],
];

/** What the rooms are for: drawn lightly, under the walls. */
export function drawFurnishings(pen: Pen): void {
  for (const box of BENCHES) pen.path(corners(box), { ...FAINT, closed: true });
  for (const box of LOCKERS) drawLockers(pen, box);
  for (const box of SHOWERS) drawShower(pen, box);
  for (const [from, to] of RAILS) {
    pen.line(onSheet(from), onSheet(to), FAINT);
    for (let y = from[1]; y <= to[1]; y += 2)
      pen.line(onSheet([from[0] - 0.5, y]), onSheet([from[0] + 0.5, y]), FAINT);
  }
}

function drawLockers(pen: Pen, box: Box): void {
  const [x0, y0, x1, y1] = box;
  pen.path(corners(box), { ...FAINT, closed: true });
  const upright = y1 - y0 > x1 - x0;
  for (let at = 1; at < (upright ? y1 - y0 : x1 - x0); at += 1)
    if (upright) pen.line(onSheet([x0, y0 + at]), onSheet([x1, y0 + at]), { weight: 'hair', gray: 0.35 });
    else pen.line(onSheet([x0 + at, y0]), onSheet([x0 + at, y1]), { weight: 'hair', gray: 0.35 });
}

function drawShower(pen: Pen, box: Box): void {
  const [x0, y0, x1, y1] = box;
  const spots = corners(box) as [Spot, Spot, Spot, Spot];
  pen.path(spots, { ...FAINT, closed: true });
  pen.line(spots[0], spots[2], { weight: 'hair', gray: 0.5 });
  pen.line(spots[1], spots[3], { weight: 'hair', gray: 0.5 });
  pen.circle(onSheet([(x0 + x1) / 2, (y0 + y1) / 2]), 3.5, { ...FAINT, fill: 1 });
}

/** The two ramps from the big doors down to the creek, and its bank. */
export function drawCreek(pen: Pen, doors: readonly Feet[]): void {
  for (const y of doors) {
    const ramp: Box = [-48, y - 7, -15, y + 7];
    pen.path(corners(ramp), { ...FAINT, closed: true });
    for (let x = -44; x < -16; x += 4)
      pen.line(onSheet([x, y - 7]), onSheet([x, y + 7]), { weight: 'hair', gray: 0.55 });
    const [from, tip] = [onSheet([-19, y]), onSheet([-44, y])];
    pen.line(from, tip, { weight: 'medium' });
    pen.path([[tip[0] + 9, tip[1] - 4], tip, [tip[0] + 9, tip[1] + 4]], { weight: 'medium' });
    pen.text([onSheet([-31, y])[0], tip[1] - 7], 'RAMP DOWN 1:12', { size: 10, align: 'center' });
  }
  const bank = (off: number): readonly Spot[] =>
    Array.from({ length: 45 }, (_, i): Spot => {
      const y = -6 + i * 2.15;
      return onSheet([-50.5 - off + 1.1 * Math.sin(i * 0.9 + off), y]);
    });
  pen.path(bank(0), { weight: 'medium', gray: 0.2 });
  for (const off of [1.6, 3.4]) pen.path(bank(off), { weight: 'hair', gray: 0.5, dash: [16, 5] });
  const [x, y] = onSheet([-52.2, 41]);
  pen.text([x, y], 'TIDAL CREEK', { size: 12, align: 'center', turn: 1, gray: 0.25 });
}

/** A keynote's number in a ring, with a line to what it speaks of. */
export function drawKeynote(pen: Pen, number: string, at: Place, to: Place): void {
  const [x, y] = onSheet(at);
  const [tx, ty] = onSheet(to);
  const away = Math.hypot(tx - x, ty - y);
  const ring = POINTS_PER_FOOT;
  pen.line([x + ((tx - x) / away) * ring, y + ((ty - y) / away) * ring], [tx, ty], { weight: 'thin' });
  pen.circle([tx, ty], 1.6, { fill: 0 });
  pen.circle([x, y], ring, { weight: 'medium', fill: 1 });
  pen.text([x, y + 3.5], number, { size: 10, align: 'center', bold: true });
}

/** A detail's bubble: its number over the sheet it is drawn on. */
export function drawCallout(pen: Pen, detail: string, sheet: string, at: Place, to: Place): void {
  const [x, y] = onSheet(at);
  pen.line([x, y], onSheet(to), { weight: 'thin' });
  pen.circle([x, y], 17, { weight: 'medium', fill: 1 });
  pen.line([x - 17, y], [x + 17, y], { weight: 'thin' });
  pen.text([x, y - 3], detail, { size: 11, align: 'center', bold: true });
  pen.text([x, y + 10], sheet, { size: 8.5, align: 'center' });
}
