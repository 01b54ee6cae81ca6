import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type Chain, findJunctions } from './junctions.ts';
import type { Vertex } from './path.ts';
import { type Point, point } from './point.ts';

const counts = (chains: readonly Chain[], further: readonly Chain[] = [], stops: readonly Point[] = []) => {
  const found = findJunctions(chains, further, stops);
  return {
    ends: found.ends.length,
    corners: found.corners.length,
    tees: found.tees.length,
    crossings: found.crossings.length,
  };
};
const thin = (...path: readonly Vertex[]): Chain => ({ path, widthPt: 0 });
const thick = (widthPt: number, ...path: readonly Vertex[]): Chain => ({ path, widthPt });
const bends = (path: readonly Vertex[], stops: readonly Point[] = []): number =>
  findJunctions([{ path, widthPt: 0 }], [], stops).bends.length;
const arcTo = (x: number, y: number, through: Point): Vertex => ({ x, y, through });

/** The same turned and moved, as on a wing that stands askew. */
const turned = (chains: readonly Chain[], angle: number): readonly Chain[] => {
  const move = ({ x, y }: Point): Point => ({
    x: 500 + x * Math.cos(angle) - y * Math.sin(angle),
    y: 400 + x * Math.sin(angle) + y * Math.cos(angle),
  });
  return chains.map(({ path, widthPt }) => ({
    widthPt,
    path: path.map((vertex) => ({
      ...move(vertex),
      ...(vertex.through === undefined ? {} : { through: move(vertex.through) }),
    })),
  }));
};

describe('an arc', () => {
  it('is no corner: a half circle has two ends and nothing else', () => {
    const half = thin(point(0, 0), arcTo(200, 0, point(100, -100)));
    expect(counts([half])).toEqual({ ends: 2, corners: 0, tees: 0, crossings: 0 });
    expect(bends(half.path)).toBe(0);
  });

  it('that goes on as a straight line has no corner there, one that turns off has', () => {
    const smooth = thin(point(0, 0), arcTo(100, 100, point(70.71, 29.29)), point(100, 200));
    expect(counts([smooth]).corners).toBe(0);
    const sharp = thin(point(0, 0), arcTo(200, 0, point(100, -100)), point(300, 0));
    expect(counts([sharp]).corners).toBe(1);
  });

  it('is met in a tee by a wall that ends on it', () => {
    const half = thin(point(0, 0), arcTo(200, 0, point(100, -100)));
    expect(counts([half, thin(point(100, 0), point(100, -99))])).toEqual({
      ends: 3,
      corners: 0,
      tees: 1,
      crossings: 0,
    });
  });

  it('is crossed once by a line through it', () => {
    const half = thin(point(0, 0), arcTo(200, 0, point(100, -100)));
    expect(counts([half, thin(point(100, 0), point(100, -200))]).crossings).toBe(1);
  });
});

describe('a vertex on the way', () => {
  it('on a straight line is no bend, however many there are', () => {
    const straight = Array.from({ length: 9 }, (_, i) => point(i * 30, i % 2 === 0 ? 0 : 1));
    expect(bends(straight)).toBe(0);
    expect(counts([thin(...straight)])).toEqual({ ends: 2, corners: 0, tees: 0, crossings: 0 });
  });

  it('that was clicked twice is one', () => {
    const path = [point(0, 0), point(100, 0), point(100.5, 0.3), point(100, 80)];
    expect(bends(path)).toBe(1);
    expect(counts([thin(...path)]).corners).toBe(1);
  });

  it('at a fixture is no bend: a run with five turns past four lights needs five elbows', () => {
    // Right angles all the way; a light at four of nine turns.
    const path = Array.from({ length: 11 }, (_, i) => point(Math.ceil(i / 2) * 60, Math.floor(i / 2) * 50));
    expect(bends(path)).toBe(9);
    expect(bends(path, [path[2], path[4], path[6], path[8]] as Point[])).toBe(5);
  });

  it('where two runs meet is a corner and no bend of either: there is a box', () => {
    const found = findJunctions([thin(point(0, 0), point(80, 0)), thin(point(80, 0), point(80, 80))]);
    expect(found.corners).toHaveLength(1);
    expect(found.bends).toHaveLength(0);
  });
});

describe('thick walls', () => {
  // 18 points wide: 12 in at 1/8 in scale is 9 points, a stone wall twice that.
  const outer = thick(18, point(0, 0), point(300, 0), point(300, 200), point(0, 200), point(0, 0));

  it('are met in tees by partitions that are drawn to their faces', () => {
    const partition = thick(4, point(150, 18), point(150, 182));
    expect(counts([partition], [outer])).toEqual({ ends: 0, corners: 0, tees: 2, crossings: 0 });
  });

  it('are not met by what ends well short of them', () => {
    expect(counts([thick(4, point(150, 30), point(150, 170))], [outer]).ends).toBe(2);
  });

  it('are not met by what runs along them', () => {
    const along = thick(2, point(40, 12), point(120, 12));
    expect(counts([along], [outer])).toEqual({ ends: 2, corners: 0, tees: 0, crossings: 0 });
  });

  it('make one corner where each ends at the face of the other', () => {
    const two = [thick(18, point(0, 0), point(200, 0)), thick(18, point(209, 9), point(209, 150))];
    expect(counts(two)).toEqual({ ends: 2, corners: 1, tees: 0, crossings: 0 });
  });

  it('that an end pokes into are met once, not met and crossed', () => {
    expect(counts([thick(4, point(150, -6), point(150, 100))], [outer])).toEqual({
      ends: 1,
      corners: 0,
      tees: 1,
      crossings: 0,
    });
  });

  it('through each other cross once', () => {
    const cross = [thick(18, point(0, 100), point(300, 100)), thick(18, point(150, 0), point(150, 220))];
    expect(counts(cross)).toEqual({ ends: 4, corners: 0, tees: 0, crossings: 1 });
  });
});

describe('walls on a turned wing', () => {
  const room = thin(point(0, 0), point(100, 0), point(100, 80), point(0, 80), point(0, 0));
  const threeWay = [
    thin(point(0, 0), point(100, 0)),
    thin(point(100, 1), point(180, 60)),
    thin(point(101, 0), point(60, -90)),
  ];
  const plans: readonly (readonly [readonly Chain[], ReturnType<typeof counts>])[] = [
    [[room], { ends: 0, corners: 4, tees: 0, crossings: 0 }],
    [[room, thin(point(50, 2), point(50, 79))], { ends: 0, corners: 4, tees: 2, crossings: 0 }],
    [threeWay, { ends: 3, corners: 0, tees: 1, crossings: 0 }],
    [[room, thin(point(-20, 40), point(120, 40))], { ends: 2, corners: 4, tees: 0, crossings: 2 }],
  ];
  it('meet as they do on a straight one, at any angle', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...plans),
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        ([plan, expected], angle) => {
          expect(counts(turned(plan, angle))).toEqual(expected);
        },
      ),
    );
  });
});
