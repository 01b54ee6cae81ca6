/** CRC-32 as zip has it (ISO 3309, polynomial EDB88320 reversed), eight bytes at a step. */
const TABLES: readonly Uint32Array[] = (() => {
  const first = new Uint32Array(256);
  for (let i = 0; i < 256; i += 1) {
    let value = i;
    for (let bit = 0; bit < 8; bit += 1) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
    first[i] = value;
  }
  const tables = [first];
  for (let step = 1; step < 8; step += 1) {
    const before = tables[step - 1] as Uint32Array;
    const table = new Uint32Array(256);
    for (let i = 0; i < 256; i += 1) {
      const value = before[i] as number;
      table[i] = (value >>> 8) ^ (first[value & 255] as number);
    }
    tables.push(table);
  }
  return tables;
})();

export function crc32(bytes: Uint8Array): number {
  const [a, b, c, d, e, f, g, h] = TABLES as readonly [
    Uint32Array, Uint32Array, Uint32Array, Uint32Array, Uint32Array, Uint32Array, Uint32Array, Uint32Array,
  ]; // prettier-ignore
  let crc = 0xffffffff;
  let at = 0;
  const at_ = (table: Uint32Array, index: number): number => table[index & 255] as number;
  for (const end = bytes.length - 7; at < end; at += 8) {
    const low = crc ^ word(bytes, at);
    const high = word(bytes, at + 4);
    crc =
      at_(h, low) ^
      at_(g, low >>> 8) ^
      at_(f, low >>> 16) ^
      at_(e, low >>> 24) ^
      at_(d, high) ^
      at_(c, high >>> 8) ^
      at_(b, high >>> 16) ^
      at_(a, high >>> 24);
  }
  for (; at < bytes.length; at += 1) crc = (crc >>> 8) ^ at_(a, crc ^ (bytes[at] as number));
  return (crc ^ 0xffffffff) >>> 0;
}

const word = (bytes: Uint8Array, at: number): number =>
  (bytes[at] as number) |
  ((bytes[at + 1] as number) << 8) |
  ((bytes[at + 2] as number) << 16) |
  ((bytes[at + 3] as number) << 24);
