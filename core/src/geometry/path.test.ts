import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { area, difference, featureCollection, polygon } from '@turf/turf';
import { arcLength, arcThrough } from './arc.ts';
import { evenOddArea, ringsCross } from './evenOdd.ts';
import { type Vertex, flattenPath, pathArea, pathLength, pathTurning, placeOnPath } from './path.ts';
import { point } from './point.ts';
import { signedArea } from './polygon.ts';
import { slopeFactor, trueLength } from './slope.ts';

const square = (x: number, y: number, size: number): readonly Vertex[] => [
  point(x, y),
  point(x + size, y),
  point(x + size, y + size),
  point(x, y + size),
];

describe('arcs through three points', () => {
  it('have the closed forms of a half circle', () => {
    const path: readonly Vertex[] = [point(-3, 0), { x: 3, y: 0, through: point(0, 3) }];
    expect(pathLength(path, false)).toBeCloseTo(3 * Math.PI, 12);
    // A room with one round end: 6 x 4 and a half circle of radius 3.
    const room: readonly Vertex[] = [
      point(0, 0),
      point(4, 0),
      { x: 4, y: 6, through: point(7, 3) },
      point(0, 6),
    ];
    expect(pathArea(room)).toBeCloseTo(24 + (9 * Math.PI) / 2, 12);
    expect(pathLength(room, true)).toBeCloseTo(14 + 3 * Math.PI, 12);
    const bitten: readonly Vertex[] = [
      point(0, 0),
      point(4, 0),
      { x: 4, y: 6, through: point(1, 3) },
      point(0, 6),
    ];
    expect(pathArea(bitten)).toBeCloseTo(24 - (9 * Math.PI) / 2, 12);
  });

  it('go over the middle point, also the long way around', () => {
    const long = arcThrough(point(1, 0), point(-1, 0), point(0, 1));
    expect(long && arcLength(long)).toBeCloseTo(1.5 * Math.PI, 12);
    expect(arcThrough(point(0, 0), point(1, 1), point(2, 2))).toBeUndefined();
    expect(arcThrough(point(1, 1), point(1, 1), point(1, 1))).toBeUndefined();
  });

  it('flatten to straight pieces of nearly the same length and area', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 5, noNaN: true }), (bulge) => {
        const ring: readonly Vertex[] = [
          point(0, 0),
          { x: 10, y: 0, through: point(5, -bulge) },
          point(5, 8),
        ];
        const flat = flattenPath(ring, true, 1e-4);
        expect(Math.abs(signedArea(flat))).toBeCloseTo(Math.abs(pathArea(ring)), 1);
        expect(pathLength(flat, true)).toBeCloseTo(pathLength(ring, true), 1);
      }),
    );
  });
});

describe('areas of several rings', () => {
  it('take a ring inside another for a hole, and one inside that for floor again', () => {
    expect(evenOddArea([square(0, 0, 10), square(2, 2, 4)])).toBeCloseTo(84, 12);
    expect(evenOddArea([square(0, 0, 10), square(2, 2, 6), square(4, 4, 2)])).toBeCloseTo(68, 12);
    expect(evenOddArea([square(0, 0, 2), square(5, 5, 3)])).toBeCloseTo(13, 12);
  });

  it('agree with an independent library on a hole', () => {
    // Small figures near the equator, where a square degree is nearly flat.
    const scale = 1e-4;
    const [outer, inner] = [square(0, 0, 10), square(3, 1, 4)].map((ring) =>
      polygon([[...ring, ring[0] as Vertex].map(({ x, y }) => [x * scale, y * scale])]),
    );
    if (outer === undefined || inner === undefined) throw new Error('no rings');
    const cut = difference(featureCollection([outer, inner]));
    const share = cut === null ? 0 : area(cut) / area(outer);
    expect(evenOddArea([square(0, 0, 10), square(3, 1, 4)]) / 100).toBeCloseTo(share, 6);
  });

  it('work out rings that cross by the even-odd rule, and say that they do', () => {
    const bow: readonly Vertex[] = [point(0, 0), point(4, 4), point(4, 0), point(0, 4)];
    expect(ringsCross([bow])).toBe(true);
    expect(evenOddArea([bow])).toBeCloseTo(8, 9);
    // Two squares that overlap by 2 x 2: the overlap is covered twice, so not at all.
    expect(evenOddArea([square(0, 0, 4), square(2, 2, 4)])).toBeCloseTo(32 - 8, 9);
    expect(ringsCross([square(0, 0, 10), square(2, 2, 4)])).toBe(false);
  });
});

describe('a path moved to its side', () => {
  it('gets shorter inside and longer outside a rectangle by the corners', () => {
    const ring = square(0, 0, 10);
    const moved = (by: number): number => pathLength(ring, true) - by * pathTurning(ring, true);
    expect(moved(1)).toBeCloseTo(32, 12);
    expect(moved(-1)).toBeCloseTo(48, 12);
  });

  it('keeps its length where it runs straight, and follows an arc', () => {
    expect(pathTurning([point(0, 0), point(5, 0), point(9, 0)], false)).toBeCloseTo(0, 12);
    const bend: readonly Vertex[] = [
      point(0, -5),
      { x: 5, y: 0, through: point(3.5355339059, -3.5355339059) },
    ];
    // A quarter circle of radius 5, moved 1 toward its center, is a quarter circle of radius 4.
    const length = pathLength(bend, false);
    expect(length).toBeCloseTo((5 * Math.PI) / 2, 6);
    expect(length - pathTurning(bend, false)).toBeCloseTo((4 * Math.PI) / 2, 6);
  });

  it('has the corners of an L right: 10 and 6 long, moved 0.5', () => {
    const run = [point(0, 0), point(10, 0), point(10, 6)];
    expect(16 - 0.5 * pathTurning(run, false)).toBeCloseTo(9.5 + 5.5, 12);
    expect(16 + 0.5 * pathTurning(run, false)).toBeCloseTo(10.5 + 6.5, 12);
  });
});

describe('a place on a path', () => {
  it('is found by its share of the length, with the direction there', () => {
    const run = [point(0, 0), point(6, 0), point(6, 4)];
    expect(placeOnPath(run, false, 0.8)).toEqual({ at: point(6, 2), direction: Math.PI / 2 });
    expect(placeOnPath(run, false, 0)?.at).toEqual(point(0, 0));
    expect(placeOnPath([], false, 0.5)).toBeUndefined();
  });
});

describe('roof slopes', () => {
  // Published geometry: √(rise² + run²)/run; hip and valley √((rise/run)² + 2) for each unit of run.
  it.each([
    [4, 1.054],
    [6, 1.118],
    [8, 1.202],
    [12, 1.414],
  ])('have the factor of %d/12', (rise, factor) => expect(slopeFactor(rise / 12)).toBeCloseTo(factor, 3));

  it.each([
    [6, 1.5],
    [12, 1.732],
  ])('have the hip factor of %d/12', (rise, factor) => {
    expect(trueLength(point(0, 0), point(1, 1), point(0, 1), rise / 12)).toBeCloseTo(factor, 3);
  });

  it('leave an eave as long as it is drawn', () => {
    expect(trueLength(point(0, 0), point(9, 0), point(0, 1), 0.5)).toBe(9);
    expect(trueLength(point(0, 0), point(0, 4), point(0, 1), 0.75)).toBeCloseTo(5, 12);
  });
});
