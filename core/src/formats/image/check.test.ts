import { describe, expect, it } from '@jest/globals';
import { isSoundTiff } from './check.ts';

type Field = readonly [tag: number, type: number, count: number, value: number];

/** A little-endian TIFF of directories at given places, each with where it goes on. */
function tiff(
  length: number,
  ...directories: readonly (readonly [at: number, fields: readonly Field[], next: number])[]
): Uint8Array {
  const bytes = new Uint8Array(length);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, directories[0]?.[0] ?? 8, true);
  for (const [at, fields, next] of directories) {
    view.setUint16(at, fields.length, true);
    fields.forEach(([tag, type, count, value], i) => {
      const field = at + 2 + 12 * i;
      view.setUint16(field, tag, true);
      view.setUint16(field + 2, type, true);
      view.setUint32(field + 4, count, true);
      view.setUint32(field + 8, value, true);
    });
    view.setUint32(at + 2 + 12 * fields.length, next, true);
  }
  return bytes;
}
const WIDTH: Field = [256, 3, 1, 100];

describe('a TIFF', () => {
  it('with a page or two is sound', () => {
    expect(isSoundTiff(tiff(200, [8, [WIDTH], 0]))).toBe(true);
    expect(isSoundTiff(tiff(200, [8, [WIDTH], 60], [60, [WIDTH], 0]))).toBe(true);
    expect(isSoundTiff(tiff(300, [8, [[330, 4, 1, 60]], 0], [60, [WIDTH], 0]))).toBe(true);
  });

  it('whose directories lead back to one another is not', () => {
    expect(isSoundTiff(tiff(500, [8, [WIDTH], 8]))).toBe(false);
    expect(isSoundTiff(tiff(500, [8, [WIDTH], 60], [60, [WIDTH], 8]))).toBe(false);
    expect(isSoundTiff(tiff(500, [8, [[330, 4, 1, 8]], 0]))).toBe(false);
    expect(isSoundTiff(tiff(500, [8, [[34665, 4, 1, 60]], 0], [60, [[330, 4, 1, 60]], 0]))).toBe(false);
  });

  it('whose fields name what is not in the file is not', () => {
    expect(isSoundTiff(tiff(200, [8, [[273, 4, 1_000_000, 60]], 0]))).toBe(false);
    expect(isSoundTiff(tiff(200, [8, [[273, 4, 10, 190]], 0]))).toBe(false);
    expect(isSoundTiff(tiff(220, [190, [WIDTH], 0]).slice(0, 195))).toBe(false);
    expect(isSoundTiff(new Uint8Array(4))).toBe(false);
  });
});
