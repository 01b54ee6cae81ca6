import type { Pen } from '../drawing/pen.ts';
import { drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import { type Place, areaOf } from './building.ts';
import {
  PLAN_SCALE,
  drawDimension,
  drawDoors,
  drawGrid,
  drawRoomName,
  drawWallMarks,
  drawWalls,
  drawWindows,
  onSheet,
} from './plan.ts';
import { STAIR, TERRACE, UPPER_FLOOR, UPPER_ROOMS } from './upperFloor.ts';

const ring = (corners: readonly Place[]) => corners.map(onSheet);

/** club room, office, kitchen and terrace; the bay's roof is seen below. */
export function drawUpperFloor(pen: Pen): void {
  drawGrid(pen);
  drawBayRoof(pen);
  drawTerrace(pen);
  drawTables(pen);
  drawStair(pen);
  drawWalls(pen, 1, UPPER_FLOOR);
  drawWindows(pen, UPPER_FLOOR);
  drawDoors(pen, UPPER_FLOOR);
  for (const room of UPPER_ROOMS) drawRoomName(pen, room);
  drawRoomName(pen, { number: '205', name: 'TERRACE', label: [93, 70] });
  drawWallMarks(pen, UPPER_FLOOR);
  drawDimension(pen, [62, 86], [100, 86]);
  drawDimension(pen, [100, 86], [124, 86]);
  drawViewTitle(pen, [600, 1330], '1', 'UPPER FLOOR PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawNotes(pen, [1010, 1326], 'NOTES', [
    'Outer walls W3: 2x6 studs at 16 in, sheathing, boards outside, board inside.',
    'Stud walls P1 and P2 as on A-101, 9 ft high.',
    `Terrace ${Math.round(areaOf(TERRACE))} sq ft: pavers on pedestals over membrane.`,
    'Guard rail 42 in high along the open sides of the terrace.',
  ]);
}

function drawBayRoof(pen: Pen): void {
  for (let x = 2; x < 61; x += 2) pen.line(onSheet([x, 0]), onSheet([x, 82]), { weight: 'hair', gray: 0.7 });
  pen.line(onSheet([31, 0]), onSheet([31, 82]), { weight: 'medium', gray: 0.3 });
  pen.path(
    ring([
      [0, 0],
      [62, 0],
      [62, 82],
      [0, 82],
    ]),
    { closed: true, weight: 'thin', gray: 0.3 },
  );
  pen.blank([onSheet([9, 40])[0] - 4, onSheet([9, 40])[1] - 14], 150, 20);
  pen.text(onSheet([9, 40]), 'BAY ROOF, SEE A-201', { size: 12 });
}

function drawTerrace(pen: Pen): void {
  for (let x = 64; x < 124; x += 2)
    pen.line(onSheet([x, 56]), onSheet([x, 82]), { weight: 'hair', gray: 0.75 });
  for (let y = 58; y < 82; y += 2)
    pen.line(onSheet([62, y]), onSheet([124, y]), { weight: 'hair', gray: 0.75 });
  pen.path(ring(TERRACE), { closed: true, weight: 'bold' });
  pen.path(
    ring([
      [62.6, 56],
      [62.6, 81.4],
      [123.4, 81.4],
      [123.4, 56],
    ]),
    { weight: 'thin' },
  );
}

function drawTables(pen: Pen): void {
  for (const [x, y] of [
    [70, 12],
    [70, 40],
    [90, 12],
    [92, 40],
  ] as const) {
    pen.circle(onSheet([x, y]), 20, { weight: 'hair', gray: 0.4 });
    for (let seat = 0; seat < 6; seat += 1) {
      const angle = (seat * Math.PI) / 3;
      pen.circle(onSheet([x + 3.3 * Math.cos(angle), y + 3.3 * Math.sin(angle)]), 6, {
        weight: 'hair',
        gray: 0.4,
      });
    }
  }
  pen.path(
    ring([
      [121, 25],
      [123.6, 25],
      [123.6, 39.4],
      [121, 39.4],
    ]),
    { closed: true, weight: 'thin', gray: 0.35 },
  );
  pen.path(
    ring([
      [104, 3],
      [110, 3],
      [110, 6],
      [104, 6],
    ]),
    { closed: true, weight: 'hair', gray: 0.4 },
  );
}

function drawStair(pen: Pen): void {
  pen.path(ring(STAIR), { closed: true, weight: 'medium' });
  for (let x = 109; x < 121; x += 1) pen.line(onSheet([x, 47]), onSheet([x, 54]), { weight: 'hair' });
  pen.line(onSheet([108.5, 50.5]), onSheet([120, 50.5]), { weight: 'thin' });
  pen.text(onSheet([113, 46.2]), 'DN', { size: 10 });
}
