import type { Pen, Spot } from '../drawing/pen.ts';
import { drawNorth, drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import { type Place, ROOMS } from './building.ts';
import { drawCallout, drawCreek, drawFurnishings, drawKeynote } from './furnishings.ts';
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

/** the ground floor with its rooms, walls, doors and windows. */
export function drawGroundFloor(pen: Pen): void {
  drawGrid(pen);
  drawCreek(pen, [20, 60]);
  drawBoatRacks(pen);
  drawFurnishings(pen);
  drawWalls(pen);
  drawWindows(pen);
  drawDoors(pen);
  for (const room of ROOMS) {
    drawRoomName(pen, room);
  }
  drawWallMarks(pen);
  for (const [from, to] of [
    [
      [62, 40.5],
      [76, 40.5],
    ],
    [
      [110, 40.5],
      [124, 40.5],
    ],
    [
      [93, 59],
      [124, 59],
    ],
    [
      [104, 5],
      [124, 5],
    ],
  ] as readonly (readonly [Place, Place])[])
    drawDimension(pen, from, to);
  for (const [number, at, to] of KEYNOTES) drawKeynote(pen, number, at, to);
  drawCallout(pen, '2', 'A-601', [100, 22], [104, 22]);
  drawCallout(pen, '2', 'S-101', [12, 88], [12, 82]);
  drawViewTitle(pen, [600, 1330], '1', 'GROUND FLOOR PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawNotes(pen, [1010, 1326], 'KEYNOTES', [
    'Boat racks by owner, floor anchors by this contract.',
    'Rubber sheet floor over slab, turned up 4 in.',
    'Cement board behind tile in shower rooms.',
    'Control joint in block at 24 ft on center.',
  ]);
  drawLegend(pen, [1480, 1326]);
}

/** Where the keynotes of the list below stand, and what each points at. */
const KEYNOTES: readonly (readonly [number: string, at: Place, to: Place])[] = [
  ['1', [33, 24], [38, 29]],
  ['2', [66, 74], [70, 78]],
  ['2', [93, 51], [97, 53]],
  ['3', [73.2, 54], [66.6, 54.4]],
  ['3', [112.6, 48.4], [119.6, 47.6]],
  ['4', [48, -3], [52, 0.2]],
];

function drawLegend(pen: Pen, [x, y]: Spot): void {
  pen.text([x, y], 'WALL TYPES', { size: 15, bold: true });
  const rows: readonly (readonly [number, string, string])[] = [
    [0.8, 'BLK', '8 in concrete block, 14 ft high'],
    [0.55, 'P1', '2x4 studs at 16 in, board both faces, 9 ft high'],
    [0.35, 'P2', '2x6 studs at 16 in, board both faces, 9 ft high'],
  ];
  rows.forEach(([fill, mark, text], i) => {
    const top = y + 16 + i * 22;
    pen.path(
      [
        [x, top],
        [x + 44, top],
        [x + 44, top + 8],
        [x, top + 8],
      ],
      { closed: true, fill, weight: 'medium' },
    );
    pen.text([x + 54, top + 8], mark, { size: 11.5, bold: true });
    pen.text([x + 92, top + 8], text, { size: 11.5 });
  });
}

/** Racks and shells in the bay: what the room is for. */
function drawBoatRacks(pen: Pen): void {
  for (const y of [12, 30, 52, 72]) {
    const shell = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((i) => i / 12);
    const side = (sign: number): readonly Spot[] =>
      shell.map((t) => onSheet([10 + 44 * t, y + sign * 1.1 * Math.sin(Math.PI * t)]));
    pen.path([...side(1), ...[...side(-1)].reverse()], { closed: true, weight: 'hair', gray: 0.4 });
    for (const x of [18, 26, 38, 46]) {
      pen.line(onSheet([x, y - 2.2]), onSheet([x, y + 2.2]), { weight: 'thin', gray: 0.4 });
    }
  }
}
