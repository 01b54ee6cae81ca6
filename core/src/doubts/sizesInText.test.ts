import { describe, expect, it } from '@jest/globals';
import { sizesInText, withoutSizes } from './sizesInText.ts';

describe('sizes in a text', () => {
  it('are read in both systems, with fractions, as people write them', () => {
    expect(sizesInText('Stud 2x4, 92-5/8 in').nominal).toEqual(['2x4']);
    expect(sizesInText('Stud 2x4, 92-5/8 in').lengthsM[0]).toBeCloseTo(92.625 * 0.0254, 6);
    expect(sizesInText('Board 1/2 in, 10 ft').lengthsM).toEqual([0.0127, 3.048]);
    expect(sizesInText('Board 12,5 mm, 2,5 m').lengthsM).toEqual([0.0125, 2.5]);
    expect(sizesInText('Walls 9′ high').lengthsM[0]).toBeCloseTo(2.7432, 6);
  });

  it('are the same in feet with and without their inches', () => {
    expect(sizesInText('Overhead door 12-0 x 10-0').nominal).toEqual(sizesInText('Door 12 x 10').nominal);
  });

  it('are none where figures have no unit, or a word only begins like one', () => {
    expect(sizesInText('Partition P1, 3 more items')).toEqual({ nominal: [], lengthsM: [] });
  });

  it('are taken out to tell the same thing in two sizes', () => {
    expect(withoutSizes('Door 900 x 2100, oak')).toBe(withoutSizes('Door 800 x 2100, oak'));
    expect(withoutSizes('Pipe 4 in')).not.toBe(withoutSizes('Duct 4 in'));
  });
});
