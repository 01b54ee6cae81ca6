import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { distance, point } from './point.ts';
import { createSnapIndex, packLines } from './snap.ts';

/** A wall corner at (100, 100), a wall crossing at (60, 40), and a free line. */
const lines = Float32Array.from([
  ...[0, 100, 100, 100],
  ...[100, 100, 100, 0],
  ...[20, 40, 90, 40],
  ...[60, 10, 60, 80],
]);
const index = createSnapIndex(packLines(lines));
const strongest = (x: number, y: number, from?: { x: number; y: number }) =>
  index.find(point(x, y), 8, from)[0];

describe('snapping to the line work of a sheet', () => {
  it('prefers an end to a crossing, a crossing to a middle, and those to the line', () => {
    expect(strongest(97, 96)).toEqual({ at: point(100, 100), kind: 'end' });
    expect(strongest(63, 43)).toEqual({ at: point(60, 40), kind: 'crossing' });
    expect(strongest(52, 98)).toEqual({ at: point(50, 100), kind: 'middle' });
    expect(strongest(30, 104)).toEqual({ at: point(30, 100), kind: 'line' });
    expect(strongest(30, 70)).toBeUndefined();
  });

  it('offers the foot of a right angle from the last point', () => {
    expect(index.find(point(72, 103), 8, point(70, 20)).map(({ kind }) => kind)).toContain('square');
    expect(index.find(point(72, 103), 8, point(70, 20)).find(({ kind }) => kind === 'square')?.at).toEqual(
      point(70, 100),
    );
  });

  it('lists every snap in reach, so that a key can go through them', () => {
    expect(index.find(point(97, 97), 8, undefined).map(({ kind }) => kind)).toEqual(['end', 'line', 'line']);
  });

  it('never gives a place out of reach, and nothing on an empty sheet', () => {
    const coordinate = fc.double({ min: -50, max: 150, noNaN: true });
    fc.assert(
      fc.property(coordinate, coordinate, (x, y) =>
        index.find(point(x, y), 8, point(0, 0)).every(({ at }) => distance(at, point(x, y)) <= 8),
      ),
    );
    expect(createSnapIndex(packLines(new Float32Array(0))).find(point(0, 0), 8, undefined)).toEqual([]);
  });
});
