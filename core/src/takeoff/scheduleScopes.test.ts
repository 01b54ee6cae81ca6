import { describe, expect, it } from '@jest/globals';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { lengthColumns, scopesOfRows } from './scheduleScopes.ts';

const beams = {
  columns: ['MARK', 'WIDTH', 'DEPTH', 'BARS'],
  rows: [
    ['GB-1', '12"', '20"', '2 No.6'],
    ['GB-2', `1'-0"`, '', '2 No.6'],
    ['', '10"', '10"', ''],
    ['GB-1', '9"', '9"', ''],
  ],
};

describe('scopes from a schedule', () => {
  it('are one a named row, each name once, with the lengths the row gives', () => {
    expect(scopesOfRows(beams, 0, POINT_FORMAT)).toEqual([
      {
        name: 'GB-1',
        properties: [
          { key: 'width', name: 'Width', value: '12"', unit: '' },
          { key: 'depth', name: 'Depth', value: '20"', unit: '' },
        ],
      },
      { name: 'GB-2', properties: [{ key: 'width', name: 'Width', value: `1'-0"`, unit: '' }] },
    ]);
  });

  it('take only columns whose heading and figures are lengths', () => {
    expect(lengthColumns(beams, POINT_FORMAT)).toEqual([1, 2]);
    expect(lengthColumns({ columns: ['Width', 'Count'], rows: [['wide', '3']] }, POINT_FORMAT)).toEqual([]);
  });
});
