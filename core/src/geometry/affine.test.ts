import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  type Affine,
  IDENTITY,
  applyAffine,
  composeAffine,
  fitSimilarity,
  invertAffine,
  readSimilarity,
  translation,
  turning,
} from './affine.ts';
import { type Point, distance, point } from './point.ts';

const coordinate = fc.double({ min: -2000, max: 2000, noNaN: true });
const place = fc.record({ x: coordinate, y: coordinate });
const similarity = fc
  .tuple(fc.double({ min: -180, max: 180, noNaN: true }), fc.double({ min: 0.2, max: 5, noNaN: true }), place)
  .map(([angle, factor, { x, y }]): Affine => {
    const [a, b] = turning(angle).map((each) => each * factor) as unknown as [number, number];
    return [a, b, -b, a, x, y];
  });
const near = (a: Point, b: Point, reach = 1e-6): boolean => distance(a, b) <= reach;

describe('ways of laying a page on a sheet', () => {
  it('turn clockwise as seen, since y runs down; a quarter turn takes right to down', () => {
    expect(applyAffine(turning(90), point(10, 0))).toEqual(point(0, 10));
    expect(readSimilarity(turning(30)).turnDeg).toBeCloseTo(30, 10);
  });

  it('are exact in quarter turns, so that four of them change nothing', () => {
    const four = [90, 90, 90, 90].map(turning).reduce(composeAffine);
    expect(four.map((each) => each + 0)).toEqual([...IDENTITY]);
  });

  it('go the inner one first when put together', () => {
    const moved = composeAffine(translation(5, 0), turning(90));
    expect(applyAffine(moved, point(10, 0))).toEqual(point(5, 10));
  });

  it('come back by their inverse', () => {
    fc.assert(
      fc.property(similarity, place, (matrix, at) =>
        near(applyAffine(invertAffine(matrix), applyAffine(matrix, at)), at),
      ),
    );
    expect(() => invertAffine([1, 2, 2, 4, 0, 0])).toThrow('flattens');
  });
});

describe('the similarity that fits pairs of places', () => {
  it('is found again from two places, whatever it was', () => {
    fc.assert(
      fc.property(similarity, place, place, place, (matrix, a, b, other) => {
        fc.pre(distance(a, b) > 1);
        const pair = (p: Point) => [p, applyAffine(matrix, p)] as const;
        const fit = fitSimilarity([pair(a), pair(b)]);
        const reach = 1e-6 * (1 + distance(a, other) / distance(a, b)) * 1e3;
        return fit !== undefined && near(applyAffine(fit, other), applyAffine(matrix, other), reach);
      }),
    );
  });

  it('spreads what three places do not agree on: no pair is favored', () => {
    // Two places fit as they are; a third, midway between them, is off by 3 to one side.
    const fit = fitSimilarity([
      [point(0, 0), point(0, 0)],
      [point(100, 0), point(100, 0)],
      [point(50, 0), point(50, 3)],
    ]);
    expect(fit).toBeDefined();
    // The mean of the targets is (50, 1): the fit is the plane moved by one.
    expect(applyAffine(fit ?? IDENTITY, point(0, 0)).y).toBeCloseTo(1, 9);
    expect(applyAffine(fit ?? IDENTITY, point(50, 0)).y).toBeCloseTo(1, 9);
  });

  it('does not exist for one place twice', () => {
    expect(fitSimilarity([])).toBeUndefined();
    expect(
      fitSimilarity([
        [point(1, 1), point(2, 2)],
        [point(1, 1), point(5, 5)],
      ]),
    ).toBeUndefined();
  });
});
