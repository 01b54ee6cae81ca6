import { drawTable } from '../drawing/table.ts';
import type { Pen, Spot } from '../drawing/pen.ts';
import { drawNotes, drawViewTitle } from '../drawing/titleBlock.ts';
import { DEPTH, WIDTH, writeFeet } from './building.ts';

/** G-001: what the set is, seen from the creek. */
export function drawCover(pen: Pen): void {
  pen.text([120, 210], 'TERN ISLAND BOATHOUSE', { size: 66, bold: true });
  pen.text([122, 254], 'A boathouse for the Tern Island Rowing Association, on the tidal creek at Saltmere', {
    size: 20,
    gray: 0.25,
  });
  drawElevation(pen, [150, 860]);
  const top = 1060;
  drawTable(
    pen,
    [120, top],
    'SHEET INDEX',
    [
      { title: 'Sheet', width: 90 },
      { title: 'Title', width: 330 },
    ],
    [
      ['G-001', 'Cover, sheet index, abbreviations'],
      ['C-101, C-102', 'Grading plan, west and east'],
      ['A-101, A-102', 'Ground floor plan, upper floor plan'],
      ['A-201', 'Roof plan'],
      ['A-601', 'Door, window and finish schedules'],
      ['S-101, S-102', 'Foundation plan, upper floor beams'],
      ['E-101', 'Lighting and power'],
    ],
  );
  drawTable(
    pen,
    [730, top],
    'ABBREVIATIONS',
    [
      { title: 'Mark', width: 90 },
      { title: 'Meaning', width: 300 },
    ],
    [
      ['BLK', 'Concrete block'],
      ['CJ', 'Control joint'],
      ['GB', 'Grade beam'],
      ['HM', 'Hollow metal'],
      ['MR', 'Moisture resistant'],
      ['P1', 'Partition, 2x4 studs, board both faces'],
      ['P2', 'Partition, 2x6 studs, board both faces'],
      ['SOG', 'Slab on grade'],
      ['TYP', 'Typical'],
    ],
  );
  drawTable(
    pen,
    [1300, top],
    'PROJECT DATA',
    [
      { title: 'Item', width: 190 },
      { title: 'Value', width: 260 },
    ],
    [
      ['Use', 'Boat storage and club rooms'],
      ['Construction', 'Block walls, timber roof'],
      ['Ground floor', `${writeFeet(WIDTH)} x ${writeFeet(DEPTH)}, grid to grid`],
      ['Boat bay', `62'-0" x ${writeFeet(DEPTH)}`],
      ['Finish floor', 'Elevation 9.50 ft'],
      ['Flood elevation', '8.20 ft'],
    ],
  );
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
  for (let board = 63; board < 124; board += 1)
    pen.line(at(board, 0), at(board, 13.9 - (board - 64) * 0.05), { weight: 'hair', gray: 0.72 });
  for (const left of [14, 36]) {
    pen.path([at(left, 0), at(left, 10), at(left + 12, 10), at(left + 12, 0)], {
      closed: true,
      weight: 'bold',
      fill: 1,
    });
    for (const rail of [2, 4, 6, 8]) pen.line(at(left, rail), at(left + 12, rail), { weight: 'thin' });
    for (const pane of [1, 4.75, 8.5]) {
      pen.path(
        [at(left + pane, 6.4), at(left + pane, 7.6), at(left + pane + 2.5, 7.6), at(left + pane + 2.5, 6.4)],
        { closed: true, weight: 'thin', fill: 0.88 },
      );
    }
  }
  pen.circle(at(31, 21), 38, { weight: 'medium', fill: 0.97 });
  pen.circle(at(31, 21), 32, { weight: 'thin' });
  pen.line(at(29, 19), at(33, 23), { weight: 'medium' });
  pen.line(at(29, 23), at(33, 19), { weight: 'medium' });
  for (const left of [70, 82, 94, 106]) {
    pen.path([at(left, 4), at(left, 8), at(left + 6, 8), at(left + 6, 4)], {
      closed: true,
      weight: 'medium',
      fill: 0.93,
    });
    pen.line(at(left + 3, 4), at(left + 3, 8), { weight: 'thin' });
  }
  pen.line(at(-6, 0), at(136, 0), { weight: 'heavy' });
  for (let wave = 0; wave < 9; wave += 1) {
    const y = -1.6 - wave * 0.45;
    pen.line(at(-4 + wave * 3, y), at(60 + wave * 5, y), {
      weight: 'hair',
      gray: 0.5,
      dash: [30 + wave * 3, 12],
    });
  }
  drawViewTitle(pen, [x, ground + 110], '1', 'CREEK ELEVATION', 'Not to scale');
}
