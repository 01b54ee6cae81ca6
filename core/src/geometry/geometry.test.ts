import { describe, expect, it } from '@jest/globals';
import * as turf from '@turf/turf';
import fc from 'fast-check';
import type { Vertex } from './path.ts';
import { findJunctions as placesOf } from './junctions.ts';
import { type Point, nearestOnSegment, point } from './point.ts';
import { pointToward, polylineLength, squareTo } from './polyline.ts';
import { ringContains, ringCrossesItself, ringPerimeter, signedArea } from './polygon.ts';

/** A simple ring: angles in order around a center, each turn below a half, so that it never crosses itself. */
const star: fc.Arbitrary<Point[]> = fc
  .array(
    fc.record({
      turn: fc.double({ min: 0.5, max: 1, noNaN: true }),
      reach: fc.double({ min: 10, max: 400, noNaN: true }),
    }),
    { minLength: 5, maxLength: 24 },
  )
  .map((spokes) => {
    const whole = spokes.reduce((sum, { turn }) => sum + turn, 0);
    let angle = 0;
    return spokes.map(({ turn, reach }) => {
      angle += (turn / whole) * 2 * Math.PI;
      return point(1000 + reach * Math.cos(angle), 800 + reach * Math.sin(angle));
    });
  });

/** How many of each there are. */
const findJunctions = (paths: readonly (readonly Vertex[])[]) => {
  const { bends: _bends, ...found } = placesOf(paths.map((path) => ({ path, widthPt: 0 })));
  return Object.fromEntries(Object.entries(found).map(([kind, places]) => [kind, places.length]));
};

describe('polygons', () => {
  it('is positive for a ring that turns from x to y, negative the other way', () => {
    const square = [point(0, 0), point(2, 0), point(2, 3), point(0, 3)];
    expect(signedArea(square)).toBe(6);
    expect(signedArea([...square].reverse())).toBe(-6);
    expect(ringPerimeter(square)).toBe(10);
  });

  it('has the area of its triangles (fan by Heron)', () => {
    fc.assert(
      fc.property(star, (ring) => {
        const [center, ...edges] = [point(1000, 800), ...ring, ring[0] as Point];
        const area = edges.slice(1).reduce((sum, to, i) => {
          const from = edges[i] as Point;
          const cross = (from.x - center!.x) * (to.y - center!.y) - (to.x - center!.x) * (from.y - center!.y);
          return sum + cross / 2;
        }, 0);
        expect(signedArea(ring)).toBeCloseTo(area, 6);
      }),
    );
  });

  it('agrees with @turf/turf on what lies inside', () => {
    fc.assert(
      fc.property(
        star,
        fc.double({ min: 600, max: 1400, noNaN: true }),
        fc.double({ min: 400, max: 1200, noNaN: true }),
        (ring, x, y) => {
          const polygon = turf.polygon([[...ring, ring[0] as Point].map(({ x: px, y: py }) => [px, py])]);
          expect(ringContains(ring, point(x, y))).toBe(turf.booleanPointInPolygon([x, y], polygon));
        },
      ),
    );
  });

  it('agrees with @turf/turf on area, on a patch small enough to be flat', () => {
    // turf measures on the sphere; over 40 m at the equator that is flat to 1e-6.
    const degree = (Math.PI * turf.earthRadius) / 180;
    fc.assert(
      fc.property(star, (ring) => {
        const local = ring.map(({ x, y }) => point((x - 1000) / 10, (y - 800) / 10));
        const closed = [...local, local[0] as Point].map(({ x, y }) => [x / degree, y / degree]);
        const expected = turf.area(turf.polygon([closed]));
        expect(Math.abs(Math.abs(signedArea(local)) / expected - 1)).toBeLessThan(0.005);
      }),
    );
  });

  it('knows a ring that crosses itself', () => {
    expect(ringCrossesItself([point(0, 0), point(4, 4), point(4, 0), point(0, 4)])).toBe(true);
    fc.assert(fc.property(star, (ring) => expect(ringCrossesItself(ring)).toBe(false)));
  });
});

describe('polylines', () => {
  it('is as long as its legs: 3-4-5', () => {
    expect(polylineLength([point(0, 0), point(3, 4), point(3, 10)])).toBe(11);
    expect(polylineLength([point(1, 1)])).toBe(0);
  });

  it('squares to the sheet, or to the segment before', () => {
    expect(squareTo(point(0, 0), point(10, 3))).toEqual(point(10, 0));
    const turned = squareTo(point(0, 0), point(0, 10), point(1, 1));
    expect(turned.x).toBeCloseTo(5, 9);
    expect(turned.y).toBeCloseTo(5, 9);
  });

  it('places a typed length toward the pointer', () => {
    expect(pointToward(point(1, 1), point(4, 5), 10)).toEqual(point(7, 9));
  });

  it('finds the nearest place on a segment, also beyond its ends', () => {
    expect(nearestOnSegment(point(5, 3), point(0, 0), point(10, 0))).toEqual({ at: point(5, 0), t: 0.5 });
    expect(nearestOnSegment(point(-5, 3), point(0, 0), point(10, 0)).t).toBe(0);
  });
});

describe('junctions', () => {
  const room = [point(0, 0), point(100, 0), point(100, 80), point(0, 80), point(0, 0)];
  it('finds four corners in a closed room and no ends', () => {
    expect(findJunctions([room])).toEqual({ ends: 0, corners: 4, tees: 0, crossings: 0 });
  });

  it('finds tees where a partition meets two walls, though traced a little short', () => {
    expect(findJunctions([room, [point(50, 2), point(50, 79)]])).toEqual({
      ends: 0,
      corners: 4,
      tees: 2,
      crossings: 0,
    });
  });

  it('counts an end, a crossing, and passes over a vertex that goes straight on', () => {
    expect(
      findJunctions([
        [point(0, 50), point(60, 50), point(100, 50)],
        [point(50, 0), point(50, 100)],
      ]),
    ).toEqual({
      ends: 4,
      corners: 0,
      tees: 0,
      crossings: 1,
    });
  });

  it('takes two strokes that meet end to end at an angle for one corner', () => {
    const found = findJunctions([
      [point(0, 0), point(50, 0)],
      [point(51, 1), point(51, 60)],
    ]);
    expect(found).toEqual({ ends: 2, corners: 1, tees: 0, crossings: 0 });
  });
});
