import { describe, expect, it } from '@jest/globals';
import { isDay } from './days.ts';

describe('a day that was typed', () => {
  it('is one there is, with year, month and day', () => {
    expect(['2026-11-25', '2028-02-29'].filter(isDay)).toHaveLength(2);
    expect(
      ['', 'soon', '2026-1-5', '11/25/2026', '2026-02-31', '2027-02-29', '2026-13-01'].filter(isDay),
    ).toEqual([]);
  });
});
