import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { distance, point } from './point.ts';
import { createSnapIndex, joinSnaps, packLines } from './snap.ts';

/** A wall corner at (100, 100), a wall crossing at (60, 40), and a free line. */
const lines = [...[0, 100, 100, 100], ...[100, 100, 100, 0], ...[20, 40, 90, 40], ...[60, 10, 60, 80]];
const plain = (...all: readonly number[]) => ({
  lines: Float32Array.from(all),
  bends: new Uint8Array(all.length / 4),
});
const index = createSnapIndex(packLines(plain(...lines)));
const strongest = (x: number, y: number, from?: { x: number; y: number }) =>
  index.find(point(x, y), 8, from)[0];

describe('snapping to the line work of a sheet', () => {
  it('prefers corners, ends and crossings to a middle, and a middle to the line', () => {
    expect(strongest(97, 96)).toEqual({ at: point(100, 100), kind: 'corner' });
    expect(strongest(3, 98)).toEqual({ at: point(0, 100), kind: 'end' });
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
    expect(index.find(point(97, 97), 8, undefined).map(({ kind }) => kind)).toEqual([
      'corner',
      'line',
      'line',
    ]);
  });

  it('never gives a place out of reach, and nothing on an empty sheet', () => {
    const coordinate = fc.double({ min: -50, max: 150, noNaN: true });
    fc.assert(
      fc.property(coordinate, coordinate, (x, y) =>
        index.find(point(x, y), 8, point(0, 0)).every(({ at }) => distance(at, point(x, y)) <= 8),
      ),
    );
    expect(createSnapIndex(packLines(plain())).find(point(0, 0), 8, undefined)).toEqual([]);
  });

  it('takes the nearest of two corners, whichever was drawn first', () => {
    const wall = createSnapIndex(
      packLines(plain(...[0, 0, 50, 0], ...[0, 0, 0, 50], ...[3, 3, 50, 3], ...[3, 3, 3, 50])),
    );
    expect(wall.find(point(2.4, 2.6), 8, undefined)[0]?.at).toEqual(point(3, 3));
    expect(wall.find(point(0.9, 1), 8, undefined)[0]?.at).toEqual(point(0, 0));
  });

  it('finds a corner among hundreds of long diagonals whose boxes hold it', () => {
    const far = Array.from({ length: 400 }, (_, i) => [0, 40 + 3 * i, 2000, 1400 + 3 * i]).flat();
    const crowded = createSnapIndex(
      packLines(plain(...far, ...[900, 300, 960, 300], ...[900, 300, 900, 340])),
    );
    expect(crowded.find(point(901, 302), 8, undefined)[0]).toEqual({ at: point(900, 300), kind: 'corner' });
  });

  it('offers where two lines would meet that stop a little short of it, by no more than they are long', () => {
    const open = createSnapIndex(packLines(plain(...[0, 0, 46, 0], ...[50, 5, 50, 60])));
    expect(open.find(point(49, 1), 6, undefined)[0]).toEqual({ at: point(50, 0), kind: 'meeting' });
    const far = createSnapIndex(packLines(plain(...[0, 0, 30, 0], ...[50, 5, 50, 60])));
    expect(far.find(point(49, 1), 6, undefined).map(({ kind }) => kind)).toEqual(['end']);
  });

  it('offers no end where a line only goes on, nor where a curve is drawn in pieces', () => {
    const through = createSnapIndex(packLines(plain(...[0, 0, 50, 0], ...[50, 0, 90, 0])));
    expect(through.find(point(50, 1), 4, undefined).map(({ kind }) => kind)).toEqual(['line']);
    const bow = createSnapIndex(packLines(plain(...[0, 0, 10, 0], ...[10, 0, 19.7, 2.6])));
    expect(bow.find(point(10, 0.5), 3, undefined).map(({ kind }) => kind)).not.toContain('corner');
    const told = createSnapIndex(
      packLines({
        lines: Float32Array.from([...[0, 0, 50, 0], ...[50, 0, 90, 40]]),
        bends: Uint8Array.of(2, 1),
      }),
    );
    expect(told.find(point(50, 1), 4, undefined).every(({ kind }) => kind === 'line')).toBe(true);
  });

  it('puts what is drawn by hand after the places of the sheet, and before its lines', () => {
    const sheet = index.find(point(50, 98), 8, undefined);
    const marks = [{ at: point(52, 99), kind: 'end' as const }];
    expect(joinSnaps(sheet, marks).map(({ kind }) => kind)).toEqual(['end', 'middle']);
    expect(joinSnaps(index.find(point(97, 97), 8, undefined), marks)[0]?.kind).toBe('corner');
  });
});
