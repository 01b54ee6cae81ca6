import { describe, expect, it } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { crc32 } from './crc32.ts';
import { readZipDirectory, unpackEntry } from './readZip.ts';

const LIMITS = { bytes: 10_000_000, entries: 50 };

describe('CRC-32', () => {
  it('is CBF43926 for the nine digits: the check value of the standard (ISO 3309; from memory)', () => {
    expect(crc32(strToU8('123456789'))).toBe(0xcbf43926);
    expect(crc32(new Uint8Array(0))).toBe(0);
    expect(crc32(strToU8('The quick brown fox jumps over the lazy dog'))).toBe(0x414fa339);
  });
});

describe('a zip', () => {
  const zip = zipSync({
    'a.txt': strToU8('hello '.repeat(200)),
    'b/ä.bin': [new Uint8Array([1, 2, 3]), { level: 0 }],
  });

  it('is read by its directory and unpacked entry by entry', () => {
    const directory = readZipDirectory(zip, LIMITS);
    if (!directory.ok) throw new Error(directory.problem.kind);
    expect(directory.value.entries.map(({ name, size }) => [name, size])).toEqual([
      ['a.txt', 1200],
      ['b/ä.bin', 3],
    ]);
    const [text, bin] = directory.value.entries.map((entry) => unpackEntry(zip, entry));
    expect(text?.ok === true && String.fromCharCode(...text.value)).toBe('hello '.repeat(200));
    expect(bin).toEqual({ ok: true, value: new Uint8Array([1, 2, 3]) });
  });

  it('is refused by what its directory says, before anything is unpacked', () => {
    expect(readZipDirectory(zip, { bytes: 1000, entries: 50 })).toMatchObject({
      problem: { kind: 'zip-too-large' },
    });
    expect(readZipDirectory(zip, { bytes: 10_000, entries: 1 })).toMatchObject({
      problem: { kind: 'zip-too-large' },
    });
  });

  it('is broken where bytes stand before it, behind it, or between its parts', () => {
    const joined = (...parts: readonly Uint8Array[]): Uint8Array =>
      Uint8Array.from(parts.flatMap((part) => [...part]));
    for (const bytes of [joined(new Uint8Array(4), zip), joined(zip, new Uint8Array(4)), zip.slice(0, -1)])
      expect(readZipDirectory(bytes, LIMITS)).toMatchObject({ problem: { kind: 'zip-broken' } });
  });
});
