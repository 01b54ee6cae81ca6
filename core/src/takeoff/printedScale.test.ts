import { describe, expect, it } from '@jest/globals';
import { readPrintedScales } from './printedScale.ts';
import { parseScaleRatio } from './scale.ts';

const page = { widthPt: 2384, heightPt: 1684, paper: 'A1' };
const text = (words: string, x: number, y: number, height = 10) => ({
  text: words,
  x,
  y,
  height,
  width: words.length * height * 0.5,
});
const read = (...texts: readonly ReturnType<typeof text>[]) => {
  const { sheet, all } = readPrintedScales(texts, page);
  return { sheet: sheet?.text, all: all.map((each) => each.text) };
};

describe('the scales a sheet prints', () => {
  it('are found beside, below and above their label', () => {
    expect(read(text('SCALE', 2000, 1600, 6), text('1:50', 2080, 1600, 9)).sheet).toBe('1:50');
    expect(read(text('Scale:', 2000, 1600, 6), text('1:50', 2000, 1616, 9)).sheet).toBe('1:50');
    expect(read(text('1:50', 2000, 1590, 9), text('Scale', 2000, 1602, 5)).sheet).toBe('1:50');
  });

  it('are taken from one text with the label, with the paper they are for', () => {
    expect(read(text('SCALE 1:50 @ A1', 2000, 1600)).sheet).toBe('1:50 @ A1');
    expect(read(text('Scale @ A1: 1:200', 2000, 1600)).sheet).toBe('1:200');
    expect(read(text('Scale: 1:100 @ A3 / 1:50 @ A1', 2000, 1600)).sheet).toBe('1:50 @ A1');
  });

  it('are joined of pieces that were written apart', () => {
    expect(
      read(text('Scale', 2000, 1600), text('1', 2030, 1600), text(':', 2037, 1600), text('75', 2043, 1600))
        .sheet,
    ).toBe('1:75');
  });

  it('are listed where each view has its own, and none is taken for the sheet', () => {
    const views = [text('PLAN 1:50', 200, 900), text('SILL 1:5', 700, 900), text('JAMB 1:5', 900, 900)];
    expect(read(text('SCALE AS SHOWN', 2000, 1600), ...views)).toEqual({
      sheet: undefined,
      all: ['1:5', '1:50'],
    });
    expect(
      read(text('SCALE', 2000, 1600), text('As noted', 2000, 1614), text('PLAN 1:50', 200, 900)).sheet,
    ).toBe('1:50');
  });

  it('are none where the block says so, whatever a detail says', () => {
    expect(
      read(text('Scale', 2000, 1600), text('N.T.S.', 2000, 1614), text('1:20', 300, 300)).sheet,
    ).toBeUndefined();
  });

  it('are not slopes, mixes, times or unusual ratios in the drawing', () => {
    expect(
      read(
        text('RAMP 1:12', 300, 300),
        text('mortar 1:4', 300, 400),
        text('12:30', 300, 500),
        text('1:7', 9, 9),
      ).all,
    ).toEqual([]);
  });
});

describe('a scale that is typed', () => {
  it.each([
    ['1:50 @ A1', 50],
    ['SCALE 1:125', 125],
    ['1/4\u2033 = 1\u2032-0\u2033', 48],
    [`1''=20'`, 240],
    ['M 1:100', 100],
  ])('%s reads as 1:%d', (typed, ratio) => {
    const read = parseScaleRatio(typed);
    expect(read.ok && read.value).toBeCloseTo(ratio, 9);
  });
});
