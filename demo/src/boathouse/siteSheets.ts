import type { Pen, Spot } from '../drawing/pen.ts';
import { drawTable } from '../drawing/table.ts';
import { drawMatchLine, drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import type { Place } from './building.ts';
import {
  EAST_TURN_DEG,
  ELEVATIONS,
  MATCH_X,
  PAD_SITES,
  PATH,
  ROAD,
  ROAD_WIDTH,
  SITE_DEPTH,
  SITE_WIDTH,
  contour,
} from './site.ts';

export const SITE_SCALE = `1" = 20'`;
/** An inch for twenty feet. */
const POINTS_PER_FOOT = 3.6;
const WEST_ORIGIN: Spot = [180, 160];
const EAST_ORIGIN: Spot = [240, 190];
/** The next sheet is drawn on a little beyond the match line, as they are. */
const BEYOND = 12;

export const onWest = ([x, y]: Place): Spot => [
  WEST_ORIGIN[0] + x * POINTS_PER_FOOT,
  WEST_ORIGIN[1] + y * POINTS_PER_FOOT,
];

const TURN = (EAST_TURN_DEG * Math.PI) / 180;

export function onEast([x, y]: Place): Spot {
  const [dx, dy] = [(x - MATCH_X) * POINTS_PER_FOOT, y * POINTS_PER_FOOT];
  return [
    EAST_ORIGIN[0] + dx * Math.cos(TURN) - dy * Math.sin(TURN),
    EAST_ORIGIN[1] + dx * Math.sin(TURN) + dy * Math.cos(TURN),
  ];
}

/** The part of a chain between two x, cut where it crosses them. */
function between(chain: readonly Place[], from: number, to: number): readonly (readonly Place[])[] {
  const parts: Place[][] = [];
  let part: Place[] = [];
  chain.slice(1).forEach((b, i) => {
    const a = chain[i] as Place;
    const at = (x: number): Place => [x, a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0])];
    const clamp = ([x, y]: Place): Place => (x < from ? at(from) : x > to ? at(to) : [x, y]);
    const outside = Math.max(a[0], b[0]) < from || Math.min(a[0], b[0]) > to;
    if (outside) return;
    if (part.length === 0) part.push(clamp(a));
    part.push(clamp(b));
    if (b[0] > to || b[0] < from) {
      parts.push(part);
      part = [];
    }
  });
  return part.length > 1 ? [...parts, part] : parts;
}

/** A chain moved sideways, for the edges of the road. */
const beside = (chain: readonly Place[], by: number): readonly Place[] =>
  chain.map(([x, y], i) => {
    const [a, b] = [chain[Math.max(0, i - 1)], chain[Math.min(chain.length - 1, i + 1)]] as [Place, Place];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    return [x - ((b[1] - a[1]) / length) * by, y + ((b[0] - a[0]) / length) * by];
  });

interface Half {
  readonly from: number;
  readonly to: number;
  readonly on: (place: Place) => Spot;
}

function drawGround(pen: Pen, { from, to, on }: Half): void {
  for (const elevation of ELEVATIONS)
    for (const design of [false, true])
      for (const part of between(contour(elevation, design), from, to)) {
        const main = elevation % 5 === 0;
        pen.path(part.map(on), {
          weight: main ? 'medium' : 'hair',
          gray: design ? 0 : 0.45,
          ...(design ? {} : { dash: [8, 4] }),
        });
        const at = part[Math.floor(part.length * (design ? 0.3 : 0.7))];
        if (at === undefined) continue;
        const [x, y] = on(at);
        pen.blank([x - 2, y - 5], 16, 8);
        pen.text([x, y + 2.5], String(elevation), { size: 8, bold: design, gray: design ? 0 : 0.4 });
      }
}

function drawRoad(pen: Pen, { from, to, on }: Half): void {
  for (const by of [-ROAD_WIDTH / 2, ROAD_WIDTH / 2])
    for (const part of between(beside(ROAD, by), from, to)) pen.path(part.map(on), { weight: 'bold' });
  for (const part of between(ROAD, from, to)) {
    pen.path(part.map(on), { weight: 'thin', dash: [20, 5, 5, 5] });
    const middle = part[Math.floor(part.length / 2)];
    if (middle === undefined) continue;
    const [x, y] = on([middle[0] - 40, middle[1]]);
    pen.text([x, y - 30], 'CREEK ROAD', { size: 14, bold: true });
  }
  for (const part of between(PATH, from, to)) pen.path(part.map(on), { weight: 'medium', dash: [4, 3] });
}

function drawPads(pen: Pen, { from, to, on }: Half): void {
  for (const { number, name, corner, width, depth, elevation } of PAD_SITES) {
    const [x, y] = corner;
    if (x < from || x + width > to) continue;
    const ring: readonly Place[] = [
      [x, y],
      [x + width, y],
      [x + width, y + depth],
      [x, y + depth],
    ];
    pen.path(ring.map(on), { closed: true, weight: 'bold', fill: 0.94 });
    const [sx, sy] = on([x + width / 2, y + depth / 2]);
    pen.circle([sx, sy - 14], 13, { weight: 'medium', fill: 1 });
    pen.text([sx, sy - 9.5], number, { size: 13, bold: true, align: 'center' });
    pen.text([sx, sy + 16], name, { size: 12, align: 'center' });
    pen.text([sx, sy + 32], `FF ${elevation.toFixed(2)}`, { size: 10, align: 'center' });
  }
}

function drawHalf(pen: Pen, half: Half): void {
  drawGround(pen, half);
  drawRoad(pen, half);
  drawPads(pen, half);
  const { on } = half;
  for (const y of [0, SITE_DEPTH])
    pen.line(on([half.from, y]), on([half.to, y]), { weight: 'medium', dash: [24, 6, 4, 6] });
}

/** C-101: the site west of the match line. */
export function drawSiteWest(pen: Pen): void {
  drawHalf(pen, { from: 0, to: MATCH_X + BEYOND, on: onWest });
  pen.line(onWest([0, 0]), onWest([0, SITE_DEPTH]), { weight: 'medium', dash: [24, 6, 4, 6] });
  drawMatchLine(pen, onWest([MATCH_X, 0]), onWest([MATCH_X, SITE_DEPTH]), 'MATCH LINE, SEE C-102');
  drawViewTitle(pen, [200, 1560], '1', 'GRADING PLAN, WEST', SITE_SCALE);
  drawNorth(pen, [130, 1558]);
  drawTable(
    pen,
    [980, 1520],
    'BUILDING PADS',
    [
      { title: 'Pad', width: 50, align: 'center' },
      { title: 'Name', width: 140 },
      { title: 'Finish', width: 70, align: 'center' },
      { title: 'Size', width: 120 },
    ],
    PAD_SITES.map(({ number, name, elevation, width, depth }) => [
      number,
      name,
      elevation.toFixed(2),
      `${width} x ${depth} ft`,
    ]),
  );
}

/** C-102: the site east of the match line, on a sheet whose drawing stands a little turned. */
export function drawSiteEast(pen: Pen): void {
  drawHalf(pen, { from: MATCH_X - BEYOND, to: SITE_WIDTH, on: onEast });
  pen.line(onEast([SITE_WIDTH, 0]), onEast([SITE_WIDTH, SITE_DEPTH]), {
    weight: 'medium',
    dash: [24, 6, 4, 6],
  });
  drawMatchLine(pen, onEast([MATCH_X, 0]), onEast([MATCH_X, SITE_DEPTH]), 'MATCH LINE, SEE C-101');
  drawViewTitle(pen, [260, 1600], '1', 'GRADING PLAN, EAST', SITE_SCALE);
  drawNotes(pen, [980, 1560], 'GRADING NOTES', [
    'Dashed contours are existing, full ones are proposed; every foot.',
    'Strip 6 in of topsoil under pads and road.',
    'Road: 4 in asphalt on 8 in base.',
  ]);
}
