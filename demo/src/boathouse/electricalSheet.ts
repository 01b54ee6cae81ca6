import type { Pen } from '../drawing/pen.ts';
import { drawTable } from '../drawing/table.ts';
import { drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import type { Place } from './building.ts';
import { FEEDER, FEEDER_RISE, FIXTURES, type Fixture, RECEPTACLES, SWITCHES } from './electrical.ts';
import { PLAN_SCALE, drawDoors, drawGrid, drawWalls, drawWindows, onSheet } from './plan.ts';

/** E-101: fixtures by tag, switches, receptacles, and the feeder to panel B. */
export function drawElectrical(pen: Pen): void {
  drawGrid(pen);
  drawWalls(pen, 0.3);
  drawWindows(pen);
  drawDoors(pen);
  for (const fixture of FIXTURES) for (const place of fixture.places) drawFixture(pen, fixture, place);
  for (const place of SWITCHES) {
    const [x, y] = onSheet(place);
    pen.text([x, y + 4], 'S', { size: 12, bold: true, align: 'center' });
  }
  for (const place of RECEPTACLES) {
    const [x, y] = onSheet(place);
    pen.circle([x, y], 5, { weight: 'medium', fill: 1 });
    for (const dx of [-1.6, 1.6]) pen.line([x + dx, y - 8], [x + dx, y + 8], { weight: 'thin' });
  }
  drawFeeder(pen);
  drawViewTitle(pen, [600, 1330], '1', 'LIGHTING AND POWER PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawTable(
    pen,
    [980, 1330],
    'LIGHT FIXTURE SCHEDULE',
    [
      { title: 'Tag', width: 50 },
      { title: 'Fixture', width: 150 },
      { title: 'Watts', width: 60, align: 'center' },
      { title: 'Mounting', width: 110 },
    ],
    FIXTURES.map(({ tag, name, watts, mounting }) => [tag, name, String(watts), mounting]),
  );
  drawNotes(pen, [1560, 1330], 'POWER NOTES', [
    'Feeder to panel B: 1 1/4 in conduit, 4 No.6 and ground.',
    `Rise ${FEEDER_RISE} ft from board and panel to the ceiling.`,
    'Circles with two bars are duplex receptacles at 18 in.',
    'S is a switch at 48 in.',
    'Fixtures carry their tag from the schedule.',
  ]);
}

/** Half the sides of fixtures that are boxes. */
const BOXES: Readonly<Record<string, readonly [number, number]>> = {
  F2: [18, 5],
  F3: [18, 5],
  F4: [9, 9],
  F5: [8, 4],
  F7: [9, 6],
};

function drawFixture(pen: Pen, { tag }: Fixture, place: Place): void {
  const [x, y] = onSheet(place);
  if (tag === 'F1' || tag === 'F6') {
    const r = tag === 'F1' ? 11 : 7;
    pen.circle([x, y], r, { weight: 'medium', fill: 1 });
    pen.line([x - r, y], [x + r, y], { weight: 'thin' });
    pen.line([x, y - r], [x, y + r], { weight: 'thin' });
  } else {
    const [w = 8, h = 8] = BOXES[tag] ?? [];
    pen.path(
      [
        [x - w, y - h],
        [x + w, y - h],
        [x + w, y + h],
        [x - w, y + h],
      ],
      { closed: true, weight: 'medium', fill: tag === 'F7' ? 0.75 : 1 },
    );
    if (tag === 'F3' || tag === 'F4') {
      pen.line([x - w, y - h], [x + w, y + h], { weight: 'hair' });
      pen.line([x + w, y - h], [x - w, y + h], { weight: 'hair' });
    }
  }
  pen.text([x + 13, y - 9], tag, { size: 8 });
}

function drawFeeder(pen: Pen): void {
  pen.path(FEEDER.map(onSheet), { weight: 'heavy', dash: [16, 5] });
  const [board, panel] = [FEEDER[0], FEEDER.at(-1)];
  for (const [place, name] of [
    [board, 'MAIN BOARD'],
    [panel, 'PANEL B'],
  ] as const) {
    if (place === undefined) continue;
    const [x, y] = onSheet(place);
    pen.path(
      [
        [x - 9, y - 6],
        [x + 9, y - 6],
        [x + 9, y + 6],
        [x - 9, y + 6],
      ],
      { closed: true, weight: 'medium', fill: 0.3 },
    );
    pen.text([x, y + 20], name, { size: 9, align: 'center', bold: true });
  }
  pen.blank([onSheet([80, 31])[0], onSheet([80, 31])[1] - 6], 118, 11);
  pen.text([onSheet([80, 31])[0] + 4, onSheet([80, 31])[1] + 3], `1 1/4" FEEDER TO PANEL B`, { size: 8.5 });
}
