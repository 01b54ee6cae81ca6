import type { Pen, Spot } from '../drawing/pen.ts';
import { drawTable } from '../drawing/table.ts';
import { drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import { type Place, box } from './building.ts';
import {
  BED,
  LAWNS,
  PATHS,
  PATH_WIDTH,
  PIPES,
  SLEEVES,
  SPRINKLERS,
  SUPPLY,
  TREES,
  VALVES,
} from './planting.ts';

export const PLANTING_SCALE = `1" = 10'`;
/** An inch for ten feet. */
const POINTS_PER_FOOT = 7.2;
const ORIGIN: Spot = [420, 360];

export const onPlanting = ([x, y]: Place): Spot => [
  ORIGIN[0] + x * POINTS_PER_FOOT,
  ORIGIN[1] + y * POINTS_PER_FOOT,
];

const LOOKS = {
  '1.5': { weight: 'heavy', dash: undefined },
  '1': { weight: 'bold', dash: undefined },
  '0.75': { weight: 'medium', dash: [7, 3] },
} as const;

/** L-101: lawns, trees, sprinklers, three sizes of pipe, valves, and sleeves under the paths. */
export function drawPlanting(pen: Pen): void {
  pen.path(box(0, 0, 124, 82).map(onPlanting), { closed: true, weight: 'bold', fill: 0.92 });
  const [bx, by] = onPlanting([62, 42]);
  pen.text([bx, by], 'BOATHOUSE', { size: 16, align: 'center', gray: 0.4 });
  for (const lawn of LAWNS) pen.path(lawn.map(onPlanting), { closed: true, weight: 'thin', dash: [10, 3] });
  pen.path(BED.map(onPlanting), { closed: true, weight: 'medium', fill: 0.96 });
  pen.text(onPlanting([136, -18]), 'GROUND COVER AT 18 IN', { size: 9 });
  drawPaths(pen);
  for (const [size, chains] of Object.entries(PIPES)) {
    const { weight, dash } = LOOKS[size as keyof typeof LOOKS];
    for (const chain of chains)
      pen.path(chain.map(onPlanting), { weight, ...(dash === undefined ? {} : { dash }) });
  }
  drawSymbols(pen);
  drawViewTitle(pen, [480, 1420], '1', 'PLANTING AND IRRIGATION PLAN', PLANTING_SCALE);
  drawNorth(pen, [410, 1418]);
  drawTable(
    pen,
    [1180, 1330],
    'IRRIGATION LEGEND',
    [
      { title: 'Sign', width: 70 },
      { title: 'What', width: 230 },
    ],
    [
      ['Circle, dot', 'Sprinkler, half or full circle'],
      ['Box, V', 'Valve in box'],
      ['Heavy line', 'Main, 1 1/2 in'],
      ['Bold line', 'Lateral, 1 in'],
      ['Dashed line', 'Lateral, 3/4 in'],
      ['Two bars', 'Sleeve under a path'],
    ],
  );
  drawNotes(pen, [1620, 1330], 'PLANTING NOTES', [
    'Sod on 4 in of topsoil in both lawns.',
    'Trees in 2 in caliper, staked, with a ring of mulch.',
    'Pipe in trenches 12 in wide and 18 in deep.',
    'A sleeve wherever a pipe goes under a path.',
  ]);
}

function drawPaths(pen: Pen): void {
  for (const [from, to] of PATHS) {
    if (from === undefined || to === undefined) continue;
    const half = PATH_WIDTH / 2;
    const upright = from[0] === to[0];
    for (const side of [-half, half]) {
      const shift = ([x, y]: Place): Place => (upright ? [x + side, y] : [x, y + side]);
      pen.line(onPlanting(shift(from)), onPlanting(shift(to)), { weight: 'thin', gray: 0.3 });
    }
  }
}

function drawSymbols(pen: Pen): void {
  for (const place of SPRINKLERS) {
    const at = onPlanting(place);
    pen.circle(at, 6, { weight: 'medium', fill: 1 });
    pen.circle(at, 1.6, { weight: 'medium', fill: 0 });
  }
  for (const place of VALVES) {
    const [x, y] = onPlanting(place);
    const corners: readonly Spot[] = [
      [x - 7, y - 7],
      [x + 7, y - 7],
      [x + 7, y + 7],
      [x - 7, y + 7],
    ];
    pen.path(corners, { closed: true, weight: 'medium', fill: 1 });
    pen.text([x, y + 4], 'V', { size: 10, bold: true, align: 'center' });
  }
  for (const place of SLEEVES) {
    const [x, y] = onPlanting(place);
    const isMain = place[0] === SUPPLY[0];
    for (const by of [-4, 4])
      pen.line(isMain ? [x + by, y - 16] : [x - 20, y + by], isMain ? [x + by, y + 16] : [x + 20, y + by], {
        weight: 'thin',
      });
  }
  for (const place of TREES) {
    const [x, y] = onPlanting(place);
    pen.circle([x, y], 24, { weight: 'thin' });
    for (const [dx, dy] of [
      [1, 0],
      [0, 1],
    ] as const)
      pen.line([x - dx * 8, y - dy * 8], [x + dx * 8, y + dy * 8], { weight: 'thin' });
  }
  const [sx, sy] = onPlanting(SUPPLY);
  pen.circle([sx, sy], 8, { weight: 'bold', fill: 0.8 });
  pen.text([sx - 14, sy - 6], 'SUPPLY', { size: 9, align: 'right' });
}
