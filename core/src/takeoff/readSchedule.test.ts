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
});
