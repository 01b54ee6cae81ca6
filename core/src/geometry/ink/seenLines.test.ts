import { describe, expect, it } from '@jest/globals';
import { type Fill, type PaintedPath, type Stroke, boundsOfFlat } from './painted.ts';
import { seenLines } from './seenLines.ts';

const pen = (widthPt: number, color = 0, more: Partial<Stroke> = {}): Stroke => ({
  widthPt,
  color,
  capPt: 0,
  dashed: false,
  ...more,
});
const paint = (color: number, more: Partial<Fill> = {}): Fill => ({
  color,
  evenOdd: false,
  opaque: true,
  ...more,
});
const drawn = (at: readonly number[], look: Partial<PaintedPath>, closed = false): PaintedPath => ({
  subpaths: [{ at, bends: new Set(), closed }],
  stroke: undefined,
  fill: undefined,
  clips: [],
  ...look,
});
const box = (x: number, y: number, w: number, h: number) => [x, y, x + w, y, x + w, y + h, x, y + h];
const line = (...at: readonly number[]): PaintedPath => drawn(at, { stroke: pen(0.5) });
const WHITE = 0xffffff;

const round = (value: number): number => Math.round(value * 100) / 100 + 0;
/** Each line as text, its ends in order, so that which way it was drawn does not matter. */
const seen = (...paths: readonly PaintedPath[]): readonly string[] =>
  seenLines(paths)
    .map(({ ax, ay, bx, by }) => {
      const [a, b] = [`${round(ax)} ${round(ay)}`, `${round(bx)} ${round(by)}`];
      return a < b ? `${a} - ${b}` : `${b} - ${a}`;
    })
    .sort();

describe('what shows of what was painted', () => {
  it('is both faces of a thick stroke that turns, mitered, with its ends', () => {
    expect(seen(drawn([0, 0, 40, 0, 40, 40], { stroke: pen(6) }))).toEqual(
      ['0 -3 - 0 3', '0 -3 - 43 -3', '0 3 - 37 3', '37 3 - 37 40', '43 -3 - 43 40', '37 40 - 43 40'].sort(),
    );
  });

  it('is one outline where boxes of one color lie over each other', () => {
    const faces = seen(
      drawn(box(0, 0, 40, 6), { fill: paint(0x404040) }),
      drawn(box(34, 0, 6, 40), { fill: paint(0x404040) }),
    );
    expect(faces).toContain('0 6 - 34 6');
    expect(faces).toContain('34 40 - 34 6');
    // Inside of the other box nothing changes.
    expect(faces).not.toContain('34 6 - 40 6');
    expect(faces).not.toContain('34 0 - 34 6');
  });

  it('is the outer border of a thin band that white leaves of black', () => {
    const wall = [0, 50, 90, 50];
    const faces = seen(drawn(wall, { stroke: pen(6) }), drawn(wall, { stroke: pen(4.6, WHITE) }));
    const long = faces.filter((each) => each.includes('90 ') && each.startsWith('0 '));
    expect(long).toEqual(['0 47 - 90 47', '0 53 - 90 53']);
  });

  it('is not what is black on black, nor a line under a fill', () => {
    const block = drawn(box(0, 0, 50, 50), { fill: paint(0) });
    expect(seen(block, line(10, 10, 40, 40))).toHaveLength(4);
    expect(seen(line(10, 10, 40, 40), drawn(box(0, 0, 50, 50), { fill: paint(0x808080) }))).toHaveLength(4);
    expect(seen(drawn(box(0, 0, 50, 50), { fill: paint(0x808080) }), line(10, 10, 40, 40))).toHaveLength(5);
  });

  it('is a fill as its clip shapes it', () => {
    const ring = box(10, 10, 20, 20);
    const clips = [{ rings: [ring], evenOdd: false, bounds: boundsOfFlat(ring) }];
    expect(seen(drawn(box(0, 0, 90, 90), { fill: paint(0), clips }))).toEqual(
      ['10 10 - 30 10', '30 10 - 30 30', '10 30 - 30 30', '10 10 - 10 30'].sort(),
    );
  });

  it('is the middle of a box so thin that it stands for a line', () => {
    expect(seen(drawn(box(0, 10, 80, 0.6), { fill: paint(0) }))).toEqual(['0 10.3 - 80 10.3']);
  });

  it('joins dashes that were drawn one by one', () => {
    const dashes = Array.from({ length: 6 }, (_, i) => line(12 * i, 5, 12 * i + 9, 5));
    expect(seen(...dashes)).toEqual(['0 5 - 69 5']);
    expect(seen(...dashes.slice(0, 2))).toHaveLength(2);
  });

  it('leaves hatches out, and keeps the treads of a stair', () => {
    const ruled = (spacing: number) =>
      Array.from({ length: 12 }, (_, i) => line(spacing * i, 0, spacing * i, 40));
    expect(seen(...ruled(3))).toEqual([]);
    expect(seen(...ruled(8.5))).toHaveLength(12);
    const ring = box(0, 10, 300, 20);
    const clips = [{ rings: [ring], evenOdd: false, bounds: boundsOfFlat(ring) }];
    expect(seen(...ruled(8.5).map((each) => ({ ...each, clips })))).toEqual([]);
  });

  it('leaves words out that are written as outlines or as strokes, and keeps piers', () => {
    const letter = (x: number): PaintedPath => ({
      ...drawn([], { fill: paint(0) }),
      subpaths: [box(x, 0, 1.5, 8), box(x, 0, 5, 1.5), box(x, 6.5, 5, 1.5)].map((at) => ({
        at,
        bends: new Set<number>(),
        closed: true,
      })),
    });
    expect(seen(letter(0), letter(7), letter(14), letter(21))).toEqual([]);
    const stroked = Array.from({ length: 5 }, (_, i) => [
      line(6 * i, 0, 6 * i, 8),
      line(6 * i, 0, 6 * i + 4, 0),
      line(6 * i, 0, 6 * i + 4, 8),
    ]).flat();
    expect(seen(...stroked)).toEqual([]);
    const piers = Array.from({ length: 4 }, (_, i) => drawn(box(12 * i, 0, 6, 10), { fill: paint(0) }));
    expect(seen(...piers)).toHaveLength(16);
  });

  it('is nothing of an empty sheet', () => {
    expect(seenLines([])).toEqual([]);
  });
});
