import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readImageSize, sniffImage } from './read.ts';

const big = (value: number, bytes: number): number[] =>
  Array.from({ length: bytes }, (_, i) => Math.floor(value / 256 ** (bytes - 1 - i)) % 256);
const ascii = (text: string): number[] => [...text].map((each) => each.charCodeAt(0));
const png = (width: number, height: number, perMeter = 7874): Uint8Array =>
  Uint8Array.from([
    ...[0x89, ...ascii('PNG'), 13, 10, 26, 10],
    ...[...big(13, 4), ...ascii('IHDR'), ...big(width, 4), ...big(height, 4), 8, 2, 0, 0, 0, ...big(0, 4)],
    ...[...big(9, 4), ...ascii('pHYs'), ...big(perMeter, 4), ...big(perMeter, 4), 1, ...big(0, 4)],
    ...[...big(0, 4), ...ascii('IDAT'), ...big(0, 4), ...big(0, 8)],
  ]);
const jpeg = (width: number, height: number): Uint8Array =>
  Uint8Array.from([
    ...[
      0xff,
      0xd8,
      0xff,
      0xe0,
      ...big(16, 2),
      ...ascii('JFIF'),
      0,
      1,
      2,
      1,
      ...big(300, 2),
      ...big(300, 2),
      0,
      0,
    ],
    ...[0xff, 0xc0, ...big(11, 2), 8, ...big(height, 2), ...big(width, 2), 1, 1, 0x11, 0],
    ...[0xff, 0xda],
  ]);
/** Little-endian TIFF with width, height and resolution per inch. */
const tiff = (): Uint8Array => {
  const view = new DataView(new ArrayBuffer(80));
  view.setUint16(0, 0x4949);
  view.setUint16(2, 42, true);
  view.setUint32(4, 8, true);
  view.setUint16(8, 3, true);
  [
    [256, 4, 7200],
    [257, 3, 4800],
    [282, 5, 60],
  ].forEach(([tag = 0, type = 0, value = 0], i) => {
    view.setUint16(10 + 12 * i, tag, true);
    view.setUint16(12 + 12 * i, type, true);
    view.setUint32(14 + 12 * i, 1, true);
    view.setUint32(18 + 12 * i, value, true);
  });
  view.setUint32(60, 200, true);
  view.setUint32(64, 1, true);
  return new Uint8Array(view.buffer);
};

describe('the size of an image', () => {
  it('is read with its resolution from PNG, JPEG and TIFF', () => {
    const size = readImageSize(png(5400, 3600));
    expect(size).toMatchObject({ ok: true, value: { format: 'image/png', width: 5400, height: 3600 } });
    expect(size.ok && size.value.dpi).toBeCloseTo(200, 1);
    expect(readImageSize(jpeg(3000, 2000))).toEqual({
      ok: true,
      value: { format: 'image/jpeg', width: 3000, height: 2000, dpi: 300 },
    });
    expect(readImageSize(tiff())).toEqual({
      ok: true,
      value: { format: 'image/tiff', width: 7200, height: 4800, dpi: 200 },
    });
  });

  it('refuses a scan too large to unpack, before it is unpacked', () => {
    expect(readImageSize(png(30_000, 30_000))).toMatchObject({
      problem: { kind: 'image-too-large', width: 30_000 },
    });
  });

  it('takes no resolution that no scanner has', () => {
    expect(readImageSize(png(10, 10, 3))).toMatchObject({ value: { dpi: undefined } });
  });

  it('names damaged and unknown files, and never throws', () => {
    expect(readImageSize(png(10, 10).slice(0, 18))).toMatchObject({ problem: { kind: 'image-damaged' } });
    expect(readImageSize(Uint8Array.from(ascii('GIF89a')))).toMatchObject({
      problem: { kind: 'image-unknown' },
    });
    fc.assert(
      fc.property(
        fc.constantFrom(png(9, 9), jpeg(9, 9), tiff()),
        fc.nat(80),
        fc.nat(255),
        (file, at, byte) => {
          const damaged = file.slice();
          damaged[at % file.length] = byte;
          readImageSize(damaged);
          readImageSize(file.slice(0, at));
        },
      ),
    );
    expect(sniffImage(new Uint8Array(0))).toBeUndefined();
  });
});
