import { describe, expect, it } from '@jest/globals';
import { readSchedule } from './readSchedule.ts';

const at = (text: string, x: number, y: number, height = 12) => ({
  text,
  x,
  y,
  height,
  width: text.length * height * 0.5,
});
/** A beam schedule as it is printed: centered figures, a cell left empty, other text around it. */
const texts = [
  at('BEAM SCHEDULE', 100, 80, 18),
  ...[
    at('MARK', 108, 110, 10),
    at('WIDTH', 195, 110, 10),
    at('DEPTH', 270, 110, 10),
    at('BARS', 348, 110, 10),
  ],
  ...[
    at('GB-1', 108, 140),
    at('12"', 202, 141),
    at('20"', 278, 140),
    at('2 No.6', 348, 140),
    at('top', 392, 140),
  ],
  ...[at('GB-2', 108, 165), at('10"', 202, 165), at('16"', 278, 165)],
  at('General note far below', 108, 400),
  at('Beside', 700, 140),
];
const box = { minX: 90, minY: 60, maxX: 520, maxY: 200 };

describe('a printed schedule', () => {
  it('becomes columns and rows, its title apart, cells joined and empty ones kept', () => {
    expect(readSchedule(texts, box)).toEqual({
      title: 'BEAM SCHEDULE',
      columns: ['MARK', 'WIDTH', 'DEPTH', 'BARS'],
      rows: [
        ['GB-1', '12"', '20"', '2 No.6 top'],
        ['GB-2', '10"', '16"', ''],
      ],
    });
  });

  it('is empty where there is no text: a scan is typed', () => {
    expect(readSchedule([], box)).toEqual({ title: '', columns: [], rows: [] });
    expect(readSchedule([at('alone', 120, 100)], box).columns).toEqual([]);
  });

  it('keeps its columns where a long remark runs over a gutter, and joins text that runs on in a second line', () => {
    const unruled = [
      ...[at('TYPE', 100, 100), at('QTY', 200, 100), at('DESCRIPTION', 260, 100), at('ROOM', 480, 100)],
      ...[
        at('L1', 100, 120),
        at('37', 200, 120),
        at('Recessed, 600 x 600', 260, 120),
        at('Office', 480, 120),
      ],
      at('with dimming gear and emergency pack to corridor side as noted', 260, 134),
      ...[at('L2', 100, 156), at('8', 200, 156), at('Surface', 260, 156), at('Stair', 480, 156)],
    ];
    expect(readSchedule(unruled, { minX: 80, minY: 80, maxX: 700, maxY: 200 })).toEqual({
      title: '',
      columns: ['TYPE', 'QTY', 'DESCRIPTION', 'ROOM'],
      rows: [
        [
          'L1',
          '37',
          'Recessed, 600 x 600 with dimming gear and emergency pack to corridor side as noted',
          'Office',
        ],
        ['L2', '8', 'Surface', 'Stair'],
      ],
    });
  });
});
