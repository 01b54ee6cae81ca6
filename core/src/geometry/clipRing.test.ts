import { describe, expect, it } from '@jest/globals';
import clipping from 'polygon-clipping';
import fc from 'fast-check';
import { clipRing, clipSegment } from './clipRing.ts';
import { type Point, point } from './point.ts';
import { signedArea } from './polygon.ts';

const square = [point(0, 0), point(10, 0), point(10, 10), point(0, 10)];

describe('a ring cut by a line', () => {
  it('keeps what lies to the right of the way along the line, as seen', () => {
    // Down the middle: right of the way is to the west.
    expect(clipRing(square, { a: point(4, 0), b: point(4, 10) })).toEqual([
      point(0, 0),
      point(4, 0),
      point(4, 10),
      point(0, 10),
    ]);
    expect(clipRing(square, { a: point(20, 10), b: point(20, 0) })).toEqual([]);
  });

  it('has the area that an independent library finds for the two halves together', () => {
    // Whole numbers: the other library gives up on lines that miss a corner by a millionth of a millionth.
    const coordinate = fc.integer({ min: -5, max: 15 });
    fc.assert(
      fc.property(coordinate, coordinate, coordinate, coordinate, (ax, ay, bx, by) => {
        fc.pre(Math.hypot(bx - ax, by - ay) > 0.5);
        const [a, b] = [point(ax, ay), point(bx, by)];
        const size = (ring: readonly Point[]): number => Math.abs(signedArea(ring));
        const right = clipRing(square, { a, b });
        const [ux, uy] = [(bx - ax) * 100, (by - ay) * 100];
        const far: [number, number][] = [
          [ax - ux, ay - uy],
          [ax + ux, ay + uy],
          [ax + ux - uy, ay + uy + ux],
          [ax - ux - uy, ay - uy + ux],
        ];
        const other = clipping.intersection([square.map(({ x, y }): [number, number] => [x, y])], [far]);
        const expected = other.flat().reduce((sum, ring) => sum + size(ring.map(([x, y]) => point(x, y))), 0);
        expect(size(right)).toBeCloseTo(expected, 4);
        expect(size(right) + size(clipRing(square, { a: b, b: a }))).toBeCloseTo(100, 6);
      }),
    );
  });
});

describe('a segment cut to a convex ring', () => {
  it('keeps the piece inside, and nothing of what passes by', () => {
    expect(clipSegment(point(-5, 5), point(5, 5), square)).toEqual([point(0, 5), point(5, 5)]);
    expect(clipSegment(point(2, 2), point(3, 3), square)).toEqual([point(2, 2), point(3, 3)]);
    expect(clipSegment(point(-5, -1), point(15, -1), square)).toBeUndefined();
    expect(clipSegment(point(-2, 5), point(2, -8), square)).toBeUndefined();
  });
});
