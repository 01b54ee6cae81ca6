import { drawTable } from '../drawing/table.ts';
import type { Pen, Spot } from '../drawing/pen.ts';
import { drawNorth, drawNotes, drawTitleBlock, drawViewTitle } from '../drawing/titleBlock.ts';
import {
  BAY_SLAB,
  DEPTH,
  DOORS,
  FOOTING,
  GRADE_BEAMS,
  HOUSE_SLAB,
  PADS,
  PAD_SIZE,
  type Place,
  ROOMS,
  WALLS,
  WIDTH,
  WINDOWS,
  lengthOf,
  writeFeet,
} from './building.ts';
import { drawDimension, drawDoors, drawGrid, drawWalls, drawWindows, onSheet } from './plan.ts';

export interface DrawnSheet {
  readonly number: string;
  readonly title: string;
  readonly scale: string;
  readonly draw: (pen: Pen) => void;
}

export const PLAN_SCALE = `1/8" = 1'-0"`;

function drawCover(pen: Pen): void {
  pen.text([120, 210], 'TERN ISLAND BOATHOUSE', { size: 66, bold: true });
  pen.text([122, 254], 'A boathouse for the Tern Island Rowing Association, on the tidal creek at Saltmere', { size: 20, gray: 0.25 });
  drawElevation(pen, [150, 860]);
  const top = 1060;
  drawTable(pen, [120, top], 'SHEET INDEX', [{ title: 'Sheet', width: 90 }, { title: 'Title', width: 330 }], [
    ['G-001', 'Cover, sheet index, abbreviations'],
    ['A-101', 'Ground floor plan'],
    ['A-601', 'Door, window and finish schedules'],
    ['S-101', 'Foundation plan'],
  ]);
  drawTable(pen, [730, top], 'ABBREVIATIONS', [{ title: 'Mark', width: 90 }, { title: 'Meaning', width: 300 }], [
    ['BLK', 'Concrete block'],
    ['CJ', 'Control joint'],
    ['GB', 'Grade beam'],
    ['HM', 'Hollow metal'],
    ['MR', 'Moisture resistant'],
    ['P1', 'Partition, 2x4 studs, board both faces'],
    ['P2', 'Partition, 2x6 studs, board both faces'],
    ['SOG', 'Slab on grade'],
    ['TYP', 'Typical'],
  ]);
  drawTable(pen, [1300, top], 'PROJECT DATA', [{ title: 'Item', width: 190 }, { title: 'Value', width: 260 }], [
    ['Use', 'Boat storage and club rooms'],
    ['Construction', 'Block walls, timber roof'],
    ['Ground floor', `${writeFeet(WIDTH)} x ${writeFeet(DEPTH)}, grid to grid`],
    ['Boat bay', `62'-0" x ${writeFeet(DEPTH)}`],
    ['Finish floor', 'Elevation 9.50 ft'],
    ['Flood elevation', '8.20 ft'],
  ]);
  drawNotes(pen, [1300, top + 260], 'GENERAL NOTES', [
    'Dimensions are to grid lines and centers of walls unless noted.',
    'Do not scale where a dimension is written.',
    'Block walls are 8 in, grouted solid below the sill of windows.',
    'Stud walls stand 9 ft, with two top plates and one treated bottom plate.',
    'Protect the creek bank: no storage within 25 ft of the water.',
    'Report differences between sheets before work is bid.',
    'Openings in block have a precast lintel with 8 in bearing at each side.',
  ]);
}

/** The creek side, drawn for its looks: gable over the bay, lean-to over the rooms. */
function drawElevation(pen: Pen, [x, ground]: Spot): void {
  const k = 16;
  const at = (fx: number, fy: number): Spot => [x + fx * k, ground - fy * k];
  pen.path([at(0, 0), at(0, 15), at(31, 30), at(62, 15), at(62, 0)], { weight: 'bold' });
  pen.path([at(-2.5, 14), at(31, 31.4), at(64.5, 14)], { weight: 'bold' });
  pen.path([at(62, 0), at(62, 15), at(64.5, 14.2), at(126, 11), at(124, 11), at(124, 0)], { weight: 'bold' });
  for (let course = 0.667; course < 15; course += 0.667) {
    pen.line(at(0, course), at(62, course), { weight: 'hair', gray: 0.72 });
  }
  for (let board = 63; board < 124; board += 1) pen.line(at(board, 0), at(board, 13.9 - (board - 64) * 0.05), { weight: 'hair', gray: 0.72 });
  for (const left of [14, 36]) {
    pen.path([at(left, 0), at(left, 10), at(left + 12, 10), at(left + 12, 0)], { closed: true, weight: 'bold', fill: 1 });
    for (const rail of [2, 4, 6, 8]) pen.line(at(left, rail), at(left + 12, rail), { weight: 'thin' });
    for (const pane of [1, 4.75, 8.5]) {
      pen.path([at(left + pane, 6.4), at(left + pane, 7.6), at(left + pane + 2.5, 7.6), at(left + pane + 2.5, 6.4)], { closed: true, weight: 'thin', fill: 0.88 });
    }
  }
  pen.circle(at(31, 21), 38, { weight: 'medium', fill: 0.97 });
  pen.circle(at(31, 21), 32, { weight: 'thin' });
  pen.line(at(29, 19), at(33, 23), { weight: 'medium' });
  pen.line(at(29, 23), at(33, 19), { weight: 'medium' });
  for (const left of [70, 82, 94, 106]) {
    pen.path([at(left, 4), at(left, 8), at(left + 6, 8), at(left + 6, 4)], { closed: true, weight: 'medium', fill: 0.93 });
    pen.line(at(left + 3, 4), at(left + 3, 8), { weight: 'thin' });
  }
  pen.line(at(-6, 0), at(136, 0), { weight: 'heavy' });
  for (let wave = 0; wave < 9; wave += 1) {
    const y = -1.6 - wave * 0.45;
    pen.line(at(-4 + wave * 3, y), at(60 + wave * 5, y), { weight: 'hair', gray: 0.5, dash: [30 + wave * 3, 12] });
  }
  drawViewTitle(pen, [x, ground + 110], '1', 'CREEK ELEVATION', 'Not to scale');
}

function drawGroundFloor(pen: Pen): void {
  drawGrid(pen);
  drawBoatRacks(pen);
  drawWalls(pen);
  drawWindows(pen);
  drawDoors(pen);
  for (const room of ROOMS) {
    const [x, y] = onSheet(room.label);
    const beside = room.number === '110' ? 56 : 0;
    pen.text([x, y - 5 + (beside > 0 ? 11 : 0)], room.name, { size: 13, align: 'center' });
    const [bx, by] = [x + beside, beside > 0 ? y - 10 : y];
    pen.path([[bx - 19, by], [bx + 19, by], [bx + 19, by + 17], [bx - 19, by + 17]], { closed: true, weight: 'thin' });
    pen.text([bx, by + 13], room.number, { size: 12, align: 'center' });
  }
  drawWallMarks(pen);
  for (const [from, to] of [
    [[62, 40.5], [76, 40.5]],
    [[110, 40.5], [124, 40.5]],
    [[93, 59], [124, 59]],
    [[104, 5], [124, 5]],
  ] as readonly (readonly [Place, Place])[])
    drawDimension(pen, from, to);
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

function drawLegend(pen: Pen, [x, y]: Spot): void {
  pen.text([x, y], 'WALL TYPES', { size: 15, bold: true });
  const rows: readonly (readonly [number, string, string])[] = [
    [0.8, 'BLK', '8 in concrete block, 14 ft high'],
    [0.55, 'P1', '2x4 studs at 16 in, board both faces, 9 ft high'],
    [0.35, 'P2', '2x6 studs at 16 in, board both faces, 9 ft high'],
  ];
  rows.forEach(([fill, mark, text], i) => {
    const top = y + 16 + i * 22;
    pen.path([[x, top], [x + 44, top], [x + 44, top + 8], [x, top + 8]], { closed: true, fill, weight: 'medium' });
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

function drawWallMarks(pen: Pen): void {
  for (const wall of WALLS.filter(({ type }) => type !== 'block')) {
    const t = wall.id === 'passage-north' || wall.id === 'hall-north' ? 0.62 : 0.86;
    const x = wall.from[0] + (wall.to[0] - wall.from[0]) * t;
    const y = wall.from[1] + (wall.to[1] - wall.from[1]) * t;
    const upright = wall.from[0] === wall.to[0];
    const [sx, sy] = onSheet(upright ? [x + 1.8, y] : [x, y - 1.8]);
    pen.path([[sx, sy - 11], [sx + 11, sy], [sx, sy + 11], [sx - 11, sy]], { closed: true, weight: 'thin', fill: 1 });
    pen.text([sx, sy + 3], wall.type, { size: 8, align: 'center' });
  }
}

function drawSchedules(pen: Pen): void {
  drawTable(
    pen,
    [120, 150],
    'DOOR SCHEDULE',
    [
      { title: 'Door', width: 70 }, { title: 'Width', width: 80, align: 'center' }, { title: 'Height', width: 80, align: 'center' },
      { title: 'Type', width: 110 }, { title: 'Material', width: 140 }, { title: 'Frame', width: 120 }, { title: 'Fire', width: 80, align: 'center' }, { title: 'Remarks', width: 230 },
    ],
    [...DOORS].sort((a, b) => (a.tag < b.tag ? -1 : 1)).map((door) => [
      door.tag, writeFeet(door.width), writeFeet(door.height),
      { single: 'Single', pair: 'Pair', overhead: 'Overhead' }[door.type], door.material, door.frame, door.fire || '-', door.remark,
    ]),
  );
  const tags = [...new Set(WINDOWS.map(({ tag }) => tag))].sort();
  drawTable(
    pen,
    [1380, 150],
    'WINDOW SCHEDULE',
    [
      { title: 'Window', width: 80 }, { title: 'Width', width: 80, align: 'center' }, { title: 'Height', width: 80, align: 'center' },
      { title: 'Count', width: 70, align: 'center' }, { title: 'Type', width: 90 }, { title: 'Glass', width: 220 },
    ],
    tags.map((tag) => {
      const all = WINDOWS.filter((each) => each.tag === tag);
      const [first] = all;
      return [tag, writeFeet(first?.width ?? 0), writeFeet(first?.height ?? 0), String(all.length), tag === 'W1' ? 'Sliding' : 'Fixed', 'Insulated, tempered below 18 in'];
    }),
  );
  drawTable(
    pen,
    [120, 730],
    'ROOM FINISH SCHEDULE',
    [
      { title: 'Room', width: 70 }, { title: 'Name', width: 160 }, { title: 'Floor', width: 160 }, { title: 'Base', width: 100 },
      { title: 'Walls', width: 200 }, { title: 'Ceiling', width: 150 },
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
  drawPartitionDetail(pen, [1390, 780]);
}

/** A stud partition in plan, enlarged: 1 1/2 in to the foot. */
function drawPartitionDetail(pen: Pen, [x, y]: Spot): void {
  const inch = 9;
  const depth = 5.5 * inch;
  const length = 64 * inch;
  for (const [face, sign] of [[0, -1], [depth, 1]] as const) {
    const board = face + sign * 0.625 * inch;
    pen.path([[x, y + face], [x + length, y + face], [x + length, y + board], [x, y + board]], { closed: true, weight: 'medium', fill: 0.9 });
  }
  for (let stud = 0; stud <= 64; stud += 16) {
    const left = Math.min(x + stud * inch, x + length - 1.5 * inch);
    pen.path([[left, y], [left + 1.5 * inch, y], [left + 1.5 * inch, y + depth], [left, y + depth]], { closed: true, weight: 'bold' });
    pen.line([left, y], [left + 1.5 * inch, y + depth], { weight: 'hair' });
    pen.line([left + 1.5 * inch, y], [left, y + depth], { weight: 'hair' });
  }
  pen.text([x + length + 20, y + 10], 'Board 5/8 in, both faces', { size: 11.5 });
  pen.text([x + length + 20, y + 28], '2x6 studs at 16 in on center', { size: 11.5 });
  pen.text([x + length + 20, y + 46], 'Mineral wool where noted', { size: 11.5 });
  drawViewTitle(pen, [x + 14, y + depth + 60], '2', 'PARTITION P2', `1 1/2" = 1'-0"`);
}

function drawFoundation(pen: Pen): void {
  drawGrid(pen);
  const slab = (corners: readonly Place[]): void =>
    pen.path(corners.map(onSheet), { closed: true, weight: 'thin', dash: [2, 3] });
  slab(BAY_SLAB);
  slab(HOUSE_SLAB);
  for (const wall of WALLS.filter(({ type }) => type === 'block')) drawStrip(pen, wall.from, wall.to, FOOTING.width, true);
  for (const beam of GRADE_BEAMS) {
    drawStrip(pen, beam.from, beam.to, beam.widthIn / 12, false);
    const [x, y] = onSheet([(beam.from[0] + beam.to[0]) / 2, (beam.from[1] + beam.to[1]) / 2]);
    const upright = beam.from[0] === beam.to[0];
    pen.text(upright ? [x + 12, y] : [x, y - 10], beam.tag, { size: 11, bold: true, align: upright ? 'left' : 'center' });
  }
  drawWalls(pen, 0.35);
  for (const [x, y] of PADS) {
    const half = PAD_SIZE / 2;
    const corner = (dx: number, dy: number): Spot => onSheet([x + dx * half, y + dy * half]);
    pen.path([corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)], { closed: true, weight: 'bold', dash: [7, 3] });
    pen.path([corner(-0.15, -0.15), corner(0.15, -0.15), corner(0.15, 0.15), corner(-0.15, 0.15)], { closed: true, weight: 'medium', fill: 0.6 });
    pen.text([onSheet([x, y])[0] + 22, onSheet([x, y])[1] - 12], 'F-1', { size: 9 });
  }
  label(pen, [19, 70], ['SLAB ON GRADE, BOAT BAY', '6 in on 4 in base, mesh 6x6', 'slope 1/8 in per ft to doors']);
  label(pen, [80, 12], ['SLAB ON GRADE', '5 in on 4 in base, mesh 6x6']);
  label(pen, [109, 74], ['Thickened edge', '12 in deep, TYP at doors']);
  drawViewTitle(pen, [600, 1330], '1', 'FOUNDATION PLAN', PLAN_SCALE);
  drawNorth(pen, [530, 1328]);
  drawBeamTable(pen);
  drawFootingDetail(pen, [2030, 600]);
}

function label(pen: Pen, place: Place, lines: readonly string[]): void {
  const [x, y] = onSheet(place);
  lines.forEach((line, i) => pen.text([x, y + i * 16], line, { size: i === 0 ? 13 : 11, align: 'center' }));
}

function drawStrip(pen: Pen, from: Place, to: Place, width: number, dashed: boolean): void {
  const length = lengthOf({ from, to });
  const [nx, ny] = [(-(to[1] - from[1]) / length) * (width / 2), ((to[0] - from[0]) / length) * (width / 2)];
  const look = dashed ? ({ weight: 'medium', dash: [7, 3] } as const) : ({ weight: 'bold' } as const);
  for (const sign of [1, -1])
    pen.line(onSheet([from[0] + nx * sign, from[1] + ny * sign]), onSheet([to[0] + nx * sign, to[1] + ny * sign]), look);
}

function drawBeamTable(pen: Pen): void {
  drawTable(
    pen,
    [1010, 1330],
    'GRADE BEAM AND FOOTING SCHEDULE',
    [
      { title: 'Mark', width: 70 }, { title: 'Width', width: 70, align: 'center' }, { title: 'Depth', width: 70, align: 'center' }, { title: 'Bars', width: 210 }, { title: 'Stirrups', width: 170 },
    ],
    [
      ...GRADE_BEAMS.map((beam) => [beam.tag, `${beam.widthIn}"`, `${beam.depthIn}"`, beam.bars, 'No.4 at 12 in']),
      ['F-1', writeFeet(PAD_SIZE), '1\'-6"', '5 No.5 each way', '-'],
      ['Strip', writeFeet(FOOTING.width), writeFeet(FOOTING.depth), '3 No.5 continuous', '-'],
    ],
  );
}

/** Section through the wall footing at 3/4 in to the foot: 54 points a foot. */
function drawFootingDetail(pen: Pen, [x, y]: Spot): void {
  const foot = 54;
  const at = (fx: number, fy: number): Spot => [x + fx * foot, y + fy * foot];
  pen.path([at(-1, 4), at(1, 4), at(1, 5), at(-1, 5)], { closed: true, weight: 'heavy', fill: 0.9 });
  pen.path([at(-1 / 3, -1), at(1 / 3, -1), at(1 / 3, 4), at(-1 / 3, 4)], { closed: true, weight: 'bold', fill: 0.96 });
  for (let course = -1; course < 4; course += 2 / 3) pen.line(at(-1 / 3, course), at(1 / 3, course), { weight: 'thin' });
  pen.path([at(1 / 3, 0.9), at(4, 0.9), at(4, 1.4), at(1 / 3, 1.4)], { closed: true, weight: 'bold', fill: 0.93 });
  pen.path([at(1 / 3, 1.4), at(4, 1.4), at(4, 1.73), at(1 / 3, 1.73)], { closed: true, weight: 'thin' });
  for (let stone = 0.5; stone < 3.9; stone += 0.22) pen.circle(at(stone, 1.56), 3.2, { weight: 'hair' });
  for (const bar of [-0.7, 0, 0.7]) pen.circle(at(bar, 4.75), 4, { fill: 0 });
  pen.line(at(-3, 1.6), at(-1 / 3, 1.6), { weight: 'bold' });
  for (let blade = -2.9; blade < -0.4; blade += 0.25) pen.line(at(blade, 1.6), at(blade - 0.15, 1.8), { weight: 'hair' });
  pen.text(at(1.2, 0.7), 'Slab as noted', { size: 10 });
  pen.text(at(1.2, 2.05), '4 in crushed base', { size: 10 });
  pen.text(at(1.15, 4.6), '3 No.5 continuous', { size: 10 });
  pen.text(at(-2.9, 1.4), 'Grade', { size: 10 });
  pen.line(at(-1, 5.35), at(1, 5.35), { weight: 'hair' });
  for (const end of [-1, 1]) pen.line(at(end - 0.07, 5.42), at(end + 0.07, 5.28), { weight: 'medium' });
  pen.text(at(0, 5.27), writeFeet(FOOTING.width), { size: 9, align: 'center' });
  drawViewTitle(pen, at(-2.6, 6.3), '2', 'FOOTING AT BLOCK WALL', `3/4" = 1'-0"`);
}

const sheet = (number: string, title: string, scale: string, content: (pen: Pen) => void): DrawnSheet => ({
  number,
  title: title.replace('|', ' '),
  scale,
  draw: (pen) => {
    drawTitleBlock(pen, { number, title, scale });
    content(pen);
  },
});

/** The sheets of the bid set, in their order. */
export const BOATHOUSE_SHEETS: readonly DrawnSheet[] = [
  sheet('G-001', 'Cover', 'Not to scale', drawCover),
  sheet('A-101', 'Ground floor|plan', PLAN_SCALE, drawGroundFloor),
  sheet('A-601', 'Door, window and|finish schedules', 'Not to scale', drawSchedules),
  sheet('S-101', 'Foundation|plan', PLAN_SCALE, drawFoundation),
];

