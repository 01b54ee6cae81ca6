import { describe, expect, it } from '@jest/globals';
import { proposeSheet, titleOfPart } from './sheetText.ts';

const text = (words: string, x: number, y: number, height = 10) => ({
  text: words,
  x,
  y,
  height,
  width: words.length * height * 0.5,
});
const block = [
  text('SHEET TITLE', 2140, 1400, 7),
  text('Ground floor', 2140, 1426, 19),
  text('plan', 2140, 1450, 19),
  text('SCALE', 2140, 1514, 7),
];

describe('what a page says of itself', () => {
  it('reads number, title over two lines and scale from the title block', () => {
    const page = [
      ...block,
      text(`1/8" = 1'-0"`, 2140, 1534, 12),
      text('A-101', 2180, 1650, 54),
      text('A-601', 2200, 300, 9),
    ];
    expect(proposeSheet(page, 2592, 1728)).toEqual({
      number: 'A-101',
      title: 'Ground floor plan',
      printedScale: `1/8" = 1'-0"`,
    });
  });

  it('takes no scale from a detail when the title block says there is none', () => {
    const page = [...block, text('Not to scale', 2140, 1534, 12), text(`3/4" = 1'-0"`, 700, 900)];
    expect(proposeSheet(page, 2592, 1728).printedScale).toBe('');
  });

  it('takes the one scale a page without a labeled block mentions, and none where there are two', () => {
    expect(proposeSheet([text('Scale 1:100', 300, 300)], 1191, 842).printedScale).toBe('1:100');
    expect(proposeSheet([text('1:100', 300, 300), text('1:20', 500, 300)], 1191, 842).printedScale).toBe('');
  });

  it('says nothing of a page without text, as of a scan', () => {
    expect(proposeSheet([], 2592, 1728)).toEqual({ number: '', title: '', printedScale: '' });
  });

  it('does not take room numbers in the drawing for the sheet number', () => {
    expect(proposeSheet([text('B-12', 600, 600, 40)], 2592, 1728).number).toBe('');
  });
});

describe('the title of a part of a sheet', () => {
  const text = (words: string, x: number, y: number, height: number) => ({
    text: words,
    x,
    y,
    height,
    width: 80,
  });
  const box = { minX: 100, minY: 100, maxX: 400, maxY: 400 };

  it('is the largest text beside its scale, in the box or just under it', () => {
    const texts = [
      text('2', 110, 420, 14),
      text('FOOTING AT BLOCK WALL', 130, 415, 18),
      text(`3/4" = 1'-0"`, 130, 435, 11),
      text('Slab as noted', 200, 200, 10),
      text(`1/8" = 1'-0"`, 600, 435, 11),
    ];
    expect(titleOfPart(texts, box)).toEqual({ name: 'FOOTING AT BLOCK WALL', scale: `3/4" = 1'-0"` });
  });

  it('is empty where no scale is printed for it', () => {
    expect(titleOfPart([text('Slab as noted', 200, 200, 10)], box)).toEqual({ name: '', scale: '' });
  });
});
