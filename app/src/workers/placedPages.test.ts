import { describe, expect, it } from '@jest/globals';
import { turning } from '@zest/core/geometry/affine';
import type { Placing } from '@zest/core/job/records/sheet';
import { joinLines, matrixInTile, placeLines, placeTexts, shareOfPage } from './placedPages.ts';

const page = { fileId: 'file:a', pageIndex: 0, widthPt: 200, heightPt: 100 } as const;
const whole = [
  { x: 0, y: 0 },
  { x: 200, y: 0 },
  { x: 200, y: 100 },
  { x: 0, y: 100 },
];
const plain: Placing = { ...page, matrix: [1, 0, 0, 1, 0, 0], clip: whole };
/** Turned right: the page stands upright, its upper left corner at the upper right. */
const upright: Placing = {
  ...page,
  matrix: [...(turning(90).slice(0, 4) as [number, number, number, number]), 100, 0],
  clip: [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 200 },
    { x: 0, y: 200 },
  ],
};
const half: Placing = { ...plain, clip: whole.map(({ x, y }) => ({ x: x / 2, y })) };

describe('a page as it lies on a sheet', () => {
  it('has its lines where it lies, cut to the part that shows', () => {
    const work = { lines: Float32Array.from([0, 50, 200, 50]), bends: Uint8Array.of(1) };
    const placed = (placing: Placing) => [...placeLines(work, placing).lines];
    expect(placed(plain)).toEqual([0, 50, 200, 50]);
    expect(placed(half)).toEqual([0, 50, 100, 50]);
    expect(placed(upright)).toEqual([50, 0, 50, 200]);
    const both = joinLines([placeLines(work, half), work]);
    expect([...both.lines]).toEqual([0, 50, 100, 50, 0, 50, 200, 50]);
    expect([...both.bends]).toEqual([1, 1]);
  });

  it('has its texts where it lies, and none of those that are cut off', () => {
    const text = { text: 'W2', x: 150, y: 20, width: 12, height: 8 };
    expect(placeTexts([text], half)).toEqual([]);
    expect(placeTexts([text], upright)[0]).toMatchObject({ text: 'W2', x: 80, y: 150 });
    const enlarged: Placing = {
      ...plain,
      matrix: [2, 0, 0, 2, 0, 0],
      clip: whole.map(({ x, y }) => ({ x: 2 * x, y: 2 * y })),
    };
    expect(placeTexts([text], enlarged)[0]).toMatchObject({
      x: 300,
      y: 40,
      width: 24,
      height: 16,
    });
  });

  it('says which part of it a tile shows, so that the rest is not drawn', () => {
    const tile = { scale: 2, x: 200, y: 0, width: 200, height: 200 };
    expect(shareOfPage(plain, tile)).toEqual({ left: 0.5, right: 1, top: 0, bottom: 1 });
    // The upper half of the upright page is the left half of the page itself.
    const upper = { scale: 1, x: 0, y: 0, width: 100, height: 100 };
    expect(shareOfPage(upright, upper)).toEqual({ left: 0, right: 0.5, top: 0, bottom: 1 });
  });

  it('is drawn from the corner of the tile, at its scale', () => {
    expect(matrixInTile(upright, { scale: 3, x: 30, y: 60, width: 10, height: 10 })).toEqual([
      0, 1, -1, 0, 270, -60,
    ]);
  });
});
