import type { Pen, Spot } from '../drawing/pen.ts';
import { drawTable } from '../drawing/table.ts';
import { drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import type { Place } from './building.ts';
import { PAD_SITES, ROAD } from './site.ts';
import { SITE_SCALE } from './siteSheets.ts';
import { STORM_RUNS, STRUCTURES, planLength } from './storm.ts';

/** An inch for twenty feet across; the profile has an inch for five feet up. */
const POINTS_PER_FOOT = 3.6;
const POINTS_PER_FOOT_UP = 14.4;
const ORIGIN: Spot = [200, 130];
const PROFILE: Spot = [520, 1480];
const LOWEST = 2;
const HIGHEST = 16;

export const onStorm = ([x, y]: Place): Spot => [
  ORIGIN[0] + x * POINTS_PER_FOOT,
  ORIGIN[1] + y * POINTS_PER_FOOT,
];

const onProfile = (station: number, elevation: number): Spot => [
  PROFILE[0] + station * POINTS_PER_FOOT,
  PROFILE[1] - (elevation - LOWEST) * POINTS_PER_FOOT_UP,
];

/** C-201: the storm drain in plan, and its profile along the pipe. */
export function drawStorm(pen: Pen): void {
  drawPlan(pen);
  drawProfile(pen);
  drawTable(
    pen,
    [1650, 950],
    'STORM PIPES',
    [
      { title: 'Pipe', width: 60 },
      { title: 'From', width: 70 },
      { title: 'To', width: 70 },
      { title: 'Size', width: 60, align: 'center' },
      { title: 'Plan length', width: 90, align: 'center' },
      { title: 'Fall', width: 70, align: 'center' },
    ],
    STORM_RUNS.map((run) => [
      run.name,
      run.from.tag,
      run.to.tag,
      `${run.insideIn} in`,
      `${planLength(run).toFixed(1)} ft`,
      `${(run.from.invert - run.to.invert).toFixed(1)} ft`,
    ]),
  );
  drawNotes(pen, [1650, 1180], 'STORM NOTES', [
    'Concrete pipe, wall B, on 6 in of stone bedding.',
    'Pipe zone of sand to 12 in over the pipe.',
    'Trench 4 ft wide at the bottom, sides sloped 1 ft each.',
    'Manholes 4 ft inside, frame and cover to grade.',
  ]);
}

function drawPlan(pen: Pen): void {
  pen.path(ROAD.slice(0, 3).map(onStorm), { weight: 'thin', dash: [20, 5, 5, 5], gray: 0.4 });
  for (const { corner, width, depth, name } of PAD_SITES.filter(({ corner: [x] }) => x < 500)) {
    const [x, y] = corner;
    const ring: readonly Place[] = [
      [x, y],
      [x + width, y],
      [x + width, y + depth],
      [x, y + depth],
    ];
    pen.path(ring.map(onStorm), { closed: true, weight: 'thin', gray: 0.4 });
    const [sx, sy] = onStorm([x + width / 2, y + depth - 8]);
    pen.text([sx, sy], name, { size: 10, align: 'center', gray: 0.4 });
  }
  for (const run of STORM_RUNS) {
    pen.path([onStorm(run.from.at), onStorm(run.to.at)], { weight: 'heavy' });
    const [x, y] = onStorm([(run.from.at[0] + run.to.at[0]) / 2, (run.from.at[1] + run.to.at[1]) / 2]);
    pen.text([x + 6, y - 16], `${run.name}, ${run.insideIn}" RCP`, { size: 10, bold: true });
  }
  for (const { tag, at, rim, invert } of STRUCTURES) {
    const [x, y] = onStorm(at);
    pen.circle([x, y], 9, { weight: 'bold', fill: 1 });
    pen.circle([x, y], 4, { weight: 'thin' });
    pen.text([x, y + 26], tag, { size: 11, bold: true, align: 'center' });
    pen.text([x, y + 38], `RIM ${rim.toFixed(1)}  INV ${invert.toFixed(1)}`, { size: 8, align: 'center' });
  }
  drawViewTitle(pen, [260, 860], '1', 'STORM DRAIN PLAN', SITE_SCALE);
  drawNorth(pen, [190, 858]);
}

function drawProfile(pen: Pen): void {
  const stations = STORM_RUNS.reduce<readonly number[]>(
    (all, run) => [...all, (all.at(-1) ?? 0) + planLength(run)],
    [0],
  );
  const end = stations.at(-1) ?? 0;
  for (let elevation = LOWEST; elevation <= HIGHEST; elevation += 2) {
    pen.line(onProfile(0, elevation), onProfile(end, elevation), { weight: 'hair', gray: 0.6 });
    const [x, y] = onProfile(0, elevation);
    pen.text([x - 12, y + 3], String(elevation), { size: 8, align: 'right' });
  }
  STRUCTURES.forEach(({ tag, rim, invert }, i) => {
    const station = stations[i] ?? 0;
    pen.line(onProfile(station, invert), onProfile(station, rim), { weight: 'bold' });
    const [x, y] = onProfile(station, rim);
    pen.text([x, y - 10], tag, { size: 10, bold: true, align: 'center' });
    const [sx, sy] = onProfile(station, LOWEST);
    pen.text([sx, sy + 16], station.toFixed(1), { size: 8, align: 'center' });
  });
  pen.path(
    STRUCTURES.map(({ rim }, i) => onProfile(stations[i] ?? 0, rim)),
    { weight: 'thin', dash: [8, 4] },
  );
  STORM_RUNS.forEach((run, i) => {
    const [from, to] = [stations[i] ?? 0, stations[i + 1] ?? 0];
    for (const up of [0, run.insideIn / 12])
      pen.line(onProfile(from, run.from.invert + up), onProfile(to, run.to.invert + up), {
        weight: 'medium',
      });
  });
  drawViewTitle(pen, [580, 1570], '2', 'PROFILE', `${SITE_SCALE}, 1" = 5' up`);
}
