import { describe, expect, it } from '@jest/globals';
import { mergeColumns, splitColumn } from './editSchedule.ts';

const table = {
  columns: ['TAG', 'WIDTH', 'HEIGHT'],
  rows: [['D1', '900', '2100'], ['D2', '', '2100'], ['D3']],
};

describe('columns of a schedule', () => {
  it('are merged with the next, empty cells leaving no spaces', () => {
    expect(mergeColumns(table, 1)).toEqual({
      columns: ['TAG', 'WIDTH HEIGHT'],
      rows: [
        ['D1', '900 2100'],
        ['D2', '2100'],
        ['D3', ''],
      ],
    });
    expect(mergeColumns(table, 2)).toBe(table);
  });

  it('are split at the first space, and merged again are what they were', () => {
    const merged = {
      columns: ['TAG SIZE', 'NO.'],
      rows: [
        ['D1 900 x 2100', '4'],
        ['D2', '1'],
      ],
    };
    const split = splitColumn(merged, 0);
    expect(split).toEqual({
      columns: ['TAG', 'SIZE', 'NO.'],
      rows: [
        ['D1', '900 x 2100', '4'],
        ['D2', '', '1'],
      ],
    });
    expect(mergeColumns(split, 0)).toEqual(merged);
  });
});
