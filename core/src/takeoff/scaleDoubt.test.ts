import { describe, expect, it } from '@jest/globals';
import { findOtherPaper, findScaleDoubt } from './scaleDoubt.ts';

/** ISO A1 in points. */
const A1 = { widthPt: 2384, heightPt: 1684 };
const doubt = (ratio: number, ...printed: readonly string[]) => findScaleDoubt({ ...A1, ratio, printed });

describe('a scale by two points', () => {
  it('is taken where it is what the sheet prints, or one of several', () => {
    expect(doubt(50.4, '1:50')).toBeUndefined();
    expect(doubt(20, '1:50', '1:20', '1:5')).toBeUndefined();
  });

  it('is asked about where it is a round factor off what is printed', () => {
    expect(doubt(500, '1:50')).toEqual({ kind: 'off-printed', factor: 10, printed: '1:50' });
    expect(doubt(100, '1:50 @ A1')).toEqual({ kind: 'off-printed', factor: 2, printed: '1:50 @ A1' });
    expect(doubt(48 / 25.4, `1/4" = 1'-0"`)).toMatchObject({ kind: 'off-printed', factor: 1 / 25.4 });
  });

  it('is asked about on a scan that prints nothing, where a mistaken unit makes a usual scale', () => {
    expect(doubt(100)).toBeUndefined();
    expect(doubt(50 * 25.4)).toMatchObject({ kind: 'off-usual', usual: 50 });
    expect(doubt(100 / 0.3048)).toMatchObject({ kind: 'off-usual', usual: 100 });
    expect(doubt(171)).toBeUndefined();
  });

  it('is asked about where the sheet would show more ground than any plan', () => {
    // 28 million square meters: 1:7,500 on A1 paper.
    expect(doubt(7500)).toMatchObject({ kind: 'extent' });
    expect(doubt(7500, '1:450')).toMatchObject({ kind: 'extent' });
    expect(doubt(0.2)).toMatchObject({ kind: 'extent' });
    expect(doubt(2500, '1:2500')).toBeUndefined();
  });
});

describe('a printed scale for another paper', () => {
  it('comes to what the page makes of it', () => {
    expect(findOtherPaper('1:50 @ A1', 'A3')).toEqual({ said: 'A1', is: 'A3', ratio: 100 });
    expect(findOtherPaper('1:100 @ A3', 'A1')).toEqual({ said: 'A3', is: 'A1', ratio: 50 });
    expect(findOtherPaper('1:50 @ A1', 'A1')).toBeUndefined();
    expect(findOtherPaper('1:50', 'A3')).toBeUndefined();
    expect(findOtherPaper('1:50 @ A1', 'ARCH D')).toBeUndefined();
  });
});
