/** A TIFF (revision 6.0, baseline gray, one strip a page) of white pages with a black frame. */
export function writeTiff(
  pages: readonly { readonly width: number; readonly height: number }[],
  dpi: number,
): Buffer {
  const ENTRIES = 11;
  const head = Buffer.from([0x49, 0x49, 42, 0, 8, 0, 0, 0]);
  const directory = 2 + ENTRIES * 12 + 4 + 16;
  const parts: Buffer[] = [head];
  let at = head.length;
  pages.forEach(({ width, height }, index) => {
    const pixels = Buffer.alloc(width * height, 255);
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1)
        if (x === 0 || y === 0 || x === width - 1 || y === height - 1) pixels[y * width + x] = 0;
    const bytes = Buffer.alloc(directory);
    const rationals = at + 2 + ENTRIES * 12 + 4;
    const SHORT = 3;
    const LONG = 4;
    const RATIONAL = 5;
    const entries: readonly (readonly [tag: number, type: number, value: number])[] = [
      [256, LONG, width],
      [257, LONG, height],
      [258, SHORT, 8],
      [259, SHORT, 1],
      [262, SHORT, 1],
      [273, LONG, at + directory],
      [277, SHORT, 1],
      [278, LONG, height],
      [279, LONG, pixels.length],
      [282, RATIONAL, rationals],
      [283, RATIONAL, rationals + 8],
    ];
    bytes.writeUInt16LE(ENTRIES, 0);
    entries.forEach(([tag, type, value], i) => {
      bytes.writeUInt16LE(tag, 2 + i * 12);
      bytes.writeUInt16LE(type, 4 + i * 12);
      bytes.writeUInt32LE(1, 6 + i * 12);
      bytes.writeUInt32LE(value, 10 + i * 12);
    });
    const next = index === pages.length - 1 ? 0 : at + directory + pixels.length;
    bytes.writeUInt32LE(next, 2 + ENTRIES * 12);
    for (const offset of [0, 8]) {
      bytes.writeUInt32LE(dpi, 2 + ENTRIES * 12 + 4 + offset);
      bytes.writeUInt32LE(1, 2 + ENTRIES * 12 + 8 + offset);
    }
    parts.push(bytes, pixels);
    at += directory + pixels.length;
  });
  return Buffer.concat(parts);
}
