import { describe, expect, it } from '@jest/globals';
import { COMMA_FORMAT, POINT_FORMAT } from '../units/numberFormat.ts';
import { localToPlain, plainToLocal } from './localize.ts';

describe('formulas in a job with decimal commas', () => {
  it('takes a comma between digits as the decimal mark and parts arguments by semicolons', () => {
    expect(localToPlain('max(2,5 m; length)', COMMA_FORMAT)).toBe('max(2.5 m, length)');
  });

  it('gives back what was typed', () => {
    const typed = 'ceil(area / 2,88 m²; 0,5)';
    expect(plainToLocal(localToPlain(typed, COMMA_FORMAT), COMMA_FORMAT)).toBe(typed);
  });

  it('leaves formulas of point jobs alone', () => {
    expect(localToPlain('max(2,5)', POINT_FORMAT)).toBe('max(2,5)');
  });
});
