import { describe, expect, it } from '@jest/globals';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { lengthColumns, readScheduleLength, scopesOfRows } from './scheduleScopes.ts';

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
    expect(scopesOfRows(beams, 0, POINT_FORMAT, 'us')).toEqual([
      {
        name: 'GB-1',
        properties: [
          { key: 'width', name: 'Width', value: '12"', unit: '' },
          { key: 'depth', name: 'Depth', value: '20"', unit: '' },
        ],
        expected: undefined,
        location: '',
      },
      {
        name: 'GB-2',
        properties: [{ key: 'width', name: 'Width', value: `1'-0"`, unit: '' }],
        expected: undefined,
        location: '',
      },
    ]);
  });

  it('take only columns whose heading and figures are lengths', () => {
    expect(lengthColumns(beams, POINT_FORMAT, 'us')).toEqual([1, 2]);
    expect(lengthColumns({ columns: ['Width', 'Count'], rows: [['wide', '3']] }, POINT_FORMAT, 'us')).toEqual(
      [],
    );
  });

  it('takes a bare figure for inches on a sheet in feet, for millimeters on a metric one', () => {
    const doors = { columns: ['Tag', 'Width'], rows: [['D1', '900']] };
    expect(scopesOfRows(doors, 0, POINT_FORMAT, 'metric')[0]?.properties[0]).toMatchObject({ unit: 'mm' });
    expect(readScheduleLength('900', POINT_FORMAT, 'metric')).toBeCloseTo(0.9, 9);
    expect(readScheduleLength('36', POINT_FORMAT, 'us')).toBeCloseTo(0.9144, 9);
    expect(readScheduleLength('see plan', POINT_FORMAT, 'us')).toBeUndefined();
  });

  it('carry how many there are to be and where, over all rows of a name', () => {
    const lights = {
      columns: ['Type', 'Description', 'Qty', 'Room'],
      rows: [
        ['L1', 'Recessed', '25', 'Office'],
        ['L1', 'Recessed', '12 No.', 'Corridor'],
        ['L2', 'Surface', 'as shown', 'Office'],
      ],
    };
    expect(scopesOfRows(lights, 0, POINT_FORMAT, 'metric')).toEqual([
      { name: 'L1', properties: [], expected: 37, location: 'Office, Corridor' },
      { name: 'L2', properties: [], expected: undefined, location: 'Office' },
    ]);
  });
});
