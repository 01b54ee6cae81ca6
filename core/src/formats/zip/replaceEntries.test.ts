import { describe, expect, it } from '@jest/globals';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { readZipDirectory, unpackEntry } from './readZip.ts';
import { replaceEntries } from './replaceEntries.ts';

const LIMITS = { bytes: 1e6, entries: 50 };

const ZIP = zipSync({
  'first.xml': strToU8('<a>one</a>'),
  'folder/second.bin': [new Uint8Array([0, 255, 7, 7, 7, 7, 7, 7]), { level: 0 }],
  'third.xml': strToU8('<c>three</c>'.repeat(40)),
});

function replaced(contents: Readonly<Record<string, string>>): Uint8Array {
  const directory = readZipDirectory(ZIP, LIMITS);
  if (!directory.ok) throw new Error(directory.problem.kind);
  const bytes = new Map(Object.entries(contents).map(([name, text]) => [name, strToU8(text)]));
  return replaceEntries(ZIP, directory.value, bytes);
}

describe('entries of a zip that are replaced', () => {
  it('are read back by another reader, with the others as they were', () => {
    const entries = unzipSync(replaced({ 'first.xml': '<a>a much longer text than there was before</a>' }));
    expect(strFromU8(entries['first.xml'] as Uint8Array)).toBe(
      '<a>a much longer text than there was before</a>',
    );
    expect(entries['folder/second.bin']).toEqual(new Uint8Array([0, 255, 7, 7, 7, 7, 7, 7]));
    expect(strFromU8(entries['third.xml'] as Uint8Array)).toBe('<c>three</c>'.repeat(40));
  });

  it('agree with their heads, sizes and sums all through', () => {
    const bytes = replaced({ 'third.xml': 'short', 'folder/second.bin': '' });
    const directory = readZipDirectory(bytes, LIMITS);
    if (!directory.ok) throw new Error(directory.problem.kind);
    expect(directory.value.entries.map(({ name }) => name)).toEqual([
      'first.xml',
      'folder/second.bin',
      'third.xml',
    ]);
    for (const entry of directory.value.entries) expect(unpackEntry(bytes, entry).ok).toBe(true);
  });

  it('leave the file byte for byte as it was where none is named', () => {
    expect(replaced({})).toEqual(ZIP);
    expect(replaced({ 'not there.xml': 'x' })).toEqual(ZIP);
  });
});
