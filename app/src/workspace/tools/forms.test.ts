import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { pathArea, pathLength } from '@zest/core/geometry/path';
import { type Point, distance, point } from '@zest/core/geometry/point';
import { boxOf, circleOf, routeBetween, slantedBoxOf } from './forms.ts';

const coordinate = fc.double({ min: -500, max: 500, noNaN: true });
const place = fc.record({ x: coordinate, y: coordinate });

describe('forms drawn by few clicks', () => {
  it('a square route is never diagonal, and no longer than the way across and down', () => {
    fc.assert(
      fc.property(place, place, fc.option(place, { nil: undefined }), (from, to, before) => {
        const route: readonly Point[] = [from, ...routeBetween(before, from, to)];
        for (const [i, end] of route.slice(1).entries()) {
          const start = route[i] as Point;
          expect(Math.min(Math.abs(end.x - start.x), Math.abs(end.y - start.y))).toBeLessThan(1e-5);
        }
        expect(route.at(-1)).toEqual(to);
        expect(pathLength(route, false)).toBeCloseTo(Math.abs(to.x - from.x) + Math.abs(to.y - from.y), 5);
      }),
    );
  });

  it('a circle has the area and the rim of its radius', () => {
    fc.assert(
      fc.property(place, place, (center, rim) => {
        const radius = distance(center, rim);
        fc.pre(radius > 1);
        const ring = circleOf(center, rim);
        expect(Math.abs(pathArea(ring)) / (Math.PI * radius * radius)).toBeCloseTo(1, 9);
        expect(pathLength(ring, true) / (2 * Math.PI * radius)).toBeCloseTo(1, 9);
      }),
    );
  });

  it('a turned box keeps its base and has right angles', () => {
    fc.assert(
      fc.property(place, place, place, (a, b, c) => {
        fc.pre(distance(a, b) > 1);
        const [p, q, r, s] = slantedBoxOf(a, b, c) as [Point, Point, Point, Point];
        expect([p, q]).toEqual([a, b]);
        const dot = (q.x - p.x) * (r.x - q.x) + (q.y - p.y) * (r.y - q.y);
        expect(Math.abs(dot)).toBeLessThan(1e-6 * (1 + distance(p, q) * distance(q, r)));
        expect(distance(q, r)).toBeCloseTo(distance(p, s), 6);
      }),
    );
  });

  it('a box lies along the sheet by any two opposite corners', () => {
    expect(Math.abs(pathArea(boxOf(point(10, 40), point(70, 20))))).toBe(1200);
  });
});
