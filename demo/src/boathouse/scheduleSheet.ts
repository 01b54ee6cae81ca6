import { drawTable } from '../drawing/table.ts';
import type { Pen, Spot } from '../drawing/pen.ts';
import { drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import { drawElevations } from './elevations.ts';
import { DOORS, ROOMS, WINDOWS, writeFeet } from './building.ts';

/** doors, windows and finishes as tables. */
export function drawSchedules(pen: Pen): void {
  drawTable(
    pen,
    [120, 150],
    'DOOR SCHEDULE',
    [
      { title: 'Door', width: 70 },
      { title: 'Width', width: 80, align: 'center' },
      { title: 'Height', width: 80, align: 'center' },
      { title: 'Type', width: 110 },
      { title: 'Material', width: 140 },
      { title: 'Frame', width: 120 },
      { title: 'Fire', width: 80, align: 'center' },
      { title: 'Remarks', width: 230 },
    ],
    [...DOORS]
      .sort((a, b) => (a.tag < b.tag ? -1 : 1))
      .map((door) => [
        door.tag,
        writeFeet(door.width),
        writeFeet(door.height),
        { single: 'Single', pair: 'Pair', overhead: 'Overhead' }[door.type],
        door.material,
        door.frame,
        door.fire || '-',
        door.remark,
      ]),
  );
  const tags = [...new Set(WINDOWS.map(({ tag }) => tag))].sort();
  drawTable(
    pen,
    [1380, 150],
    'WINDOW SCHEDULE',
    [
      { title: 'Window', width: 80 },
      { title: 'Width', width: 80, align: 'center' },
      { title: 'Height', width: 80, align: 'center' },
      { title: 'Count', width: 70, align: 'center' },
      { title: 'Type', width: 90 },
      { title: 'Glass', width: 220 },
    ],
    tags.map((tag) => {
      const all = WINDOWS.filter((each) => each.tag === tag);
      const [first] = all;
      return [
        tag,
        writeFeet(first?.width ?? 0),
        writeFeet(first?.height ?? 0),
        String(all.length),
        tag === 'W1' ? 'Sliding' : 'Fixed',
        'Insulated, tempered below 18 in',
      ];
    }),
  );
  drawTable(
    pen,
    [120, 730],
    'ROOM FINISH SCHEDULE',
    [
      { title: 'Room', width: 70 },
      { title: 'Name', width: 160 },
      { title: 'Floor', width: 160 },
      { title: 'Base', width: 100 },
      { title: 'Walls', width: 200 },
      { title: 'Ceiling', width: 150 },
    ],
    ROOMS.map((each) => [each.number, each.name, each.floor, each.base, each.walls, each.ceiling]),
  );
  drawNotes(pen, [1380, 350], 'SCHEDULE NOTES', [
    'Door sizes are of the leaf. Rough openings by the supplier.',
    'Fire doors have a closer and a label on door and frame.',
    'Hardware sets are listed in the specification, division 08.',
    'Paint: one prime coat and two finish coats.',
    'Rubber sheet is 3/8 in, glued, with welded joints.',
  ]);
  drawPartitionDetail(pen, [1390, 640]);
  drawElevations(pen, [170, 1170]);
}

/** A stud partition in plan, enlarged: 1 1/2 in to the foot. */
function drawPartitionDetail(pen: Pen, [x, y]: Spot): void {
  const inch = 9;
  const depth = 5.5 * inch;
  const length = 64 * inch;
  for (const [face, sign] of [
    [0, -1],
    [depth, 1],
  ] as const) {
    const board = face + sign * 0.625 * inch;
    pen.path(
      [
        [x, y + face],
        [x + length, y + face],
        [x + length, y + board],
        [x, y + board],
      ],
      { closed: true, weight: 'medium', fill: 0.9 },
    );
  }
  for (let stud = 0; stud <= 64; stud += 16) {
    const left = Math.min(x + stud * inch, x + length - 1.5 * inch);
    pen.path(
      [
        [left, y],
        [left + 1.5 * inch, y],
        [left + 1.5 * inch, y + depth],
        [left, y + depth],
      ],
      { closed: true, weight: 'bold' },
    );
    pen.line([left, y], [left + 1.5 * inch, y + depth], { weight: 'hair' });
    pen.line([left + 1.5 * inch, y], [left, y + depth], { weight: 'hair' });
  }
  pen.text([x + length + 20, y + 10], 'Board 5/8 in, both faces', { size: 11.5 });
  pen.text([x + length + 20, y + 28], '2x6 studs at 16 in on center', { size: 11.5 });
  pen.text([x + length + 20, y + 46], 'Mineral wool where noted', { size: 11.5 });
  drawViewTitle(pen, [x + 14, y + depth + 60], '2', 'PARTITION P2', `1 1/2" = 1'-0"`);
}
