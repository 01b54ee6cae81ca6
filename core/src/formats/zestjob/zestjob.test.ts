import { describe, expect, it } from '@jest/globals';
import { type Zippable, strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import { removeSheet } from '../../job/commands/removeWith.ts';
import { applyDiff, createJob, listRecords } from '../../job/job.ts';
import { createTestJob, makeMark, makeScope } from '../../testing/job.ts';
import { ZESTJOB } from './descriptor.ts';
import { readZestjob } from './read.ts';
import { fileEntry, writeZestjob } from './write.ts';

const { job: started, makeId, sheet } = createTestJob();
const scope = makeScope(makeId, { key: 'wall', kind: 'run' });
const job = createJob([
  ...listRecords(started),
  scope,
  makeMark(makeId, scope, sheet, [
    [0, 0],
    [12.5, 3.25],
  ]),
]);
const [file] = job.file.values();
const bytes = new Uint8Array([37, 80, 68]);
const files = new Map([[file!.id as string, bytes]]);
const packed = writeZestjob(job, files);

const problemOf = (data: Uint8Array): unknown => {
  const read = readZestjob(data);
  return read.ok ? undefined : read.problem;
};
type Envelope = { format: string; version: number; records: Record<string, unknown>[] };
/** The packed job with its JSON changed. */
function changed(change: (envelope: Envelope) => unknown): Uint8Array {
  const entries = unzipSync(packed);
  const envelope = JSON.parse(strFromU8(entries[ZESTJOB.jobEntry]!)) as Envelope;
  const result = change(envelope) ?? envelope;
  // Put together by hand: without the manifest that a changed file does not fit any more.
  const { [ZESTJOB.manifestEntry]: _manifest, ...rest } = entries;
  return zipSync({
    ...rest,
    [ZESTJOB.jobEntry]: strToU8(typeof result === 'string' ? result : JSON.stringify(result)),
  });
}
const recordOf = (envelope: Envelope, type: string): Record<string, unknown> =>
  envelope.records.find((record) => record['type'] === type)!;

describe('.zestjob files', () => {
  it('reads back what it wrote: every record and every file', () => {
    const read = readZestjob(packed);
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    const sorted = (of: typeof job): unknown[] => [...listRecords(of)].sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(sorted(read.value.job)).toEqual(sorted(job));
    expect(read.value.files.get(file!.id)).toEqual(bytes);
  });

  it('writes the same bytes for the same job, in whatever order it was made', () => {
    const turned = createJob([...listRecords(job)].reverse());
    expect(writeZestjob(turned, files)).toEqual(packed);
  });

  it.each<[string, Uint8Array, unknown]>([
    ['an empty file', new Uint8Array(0), { kind: 'zestjob-empty' }],
    [
      'something that is no zip',
      strToU8('%PDF-1.7 not a zip at all, but long enough to look'),
      { kind: 'zestjob-not-zip' },
    ],
    ['a file cut off', packed.slice(0, packed.length - 200), { kind: 'zestjob-not-zip' }],
    ['another zip', zipSync({ 'readme.txt': strToU8('hello') }), { kind: 'zestjob-no-job' }],
    ['broken JSON', changed(() => '{"format": "zestjob", '), { kind: 'zestjob-not-json' }],
    [
      'another format',
      changed(() => ({ format: 'other', version: 1, records: [] })),
      { kind: 'zestjob-other-format' },
    ],
    [
      'a newer version',
      changed((envelope) => ({ ...envelope, version: 99, news: true })),
      { kind: 'zestjob-newer', version: 99, known: ZESTJOB.version },
    ],
    [
      'an unknown field',
      changed((envelope) => ({ ...envelope, extra: 1 })),
      { kind: 'zestjob-unknown-field', field: 'extra' },
    ],
    [
      'an unknown record type',
      changed(({ records }) => void records.push({ type: 'spell' })),
      { kind: 'zestjob-record-type', type: 'spell' },
    ],
    [
      'an unknown field of a record',
      changed((envelope) => void (recordOf(envelope, 'scope')['glow'] = 1)),
      { kind: 'zestjob-record', problem: { kind: 'record-unknown-field', field: 'glow' } },
    ],
    [
      'a name of 5,000 characters',
      changed((envelope) => void (recordOf(envelope, 'scope')['name'] = 'x'.repeat(5000))),
      { kind: 'zestjob-record', problem: { reason: { fault: 'too-long' } } },
    ],
    [
      'a point that is no number',
      changed((envelope) => void (recordOf(envelope, 'mark')['strokes'] = [[{ x: 'a', y: 1 }]])),
      { kind: 'zestjob-record', problem: { field: 'strokes.0.0.x' } },
    ],
    [
      'a mark of no scope',
      changed((envelope) => void (recordOf(envelope, 'mark')['scopeId'] = 'scope:gone')),
      { kind: 'zestjob-inconsistent', problem: { missing: 'scope:gone' } },
    ],
    [
      'the same record twice',
      changed((envelope) => void envelope.records.push(recordOf(envelope, 'scope'))),
      { kind: 'zestjob-duplicate' },
    ],
    [
      'a job without settings',
      changed((envelope) => ({
        ...envelope,
        records: envelope.records.filter((record) => record['type'] !== 'settings'),
      })),
      { kind: 'zestjob-settings', count: 0 },
    ],
  ])('refuses %s by name', (_what, data, problem) => {
    expect(problemOf(data)).toMatchObject(problem as object);
  });

  it('refuses a job whose drawings are missing or cut off', () => {
    const { [fileEntry(file!)]: _drawings, [ZESTJOB.manifestEntry]: _manifest, ...rest } = unzipSync(packed);
    expect(problemOf(zipSync(rest))).toEqual({ kind: 'zestjob-file-missing', name: 'plans.pdf' });
    expect(problemOf(zipSync({ ...rest, [fileEntry(file!)]: new Uint8Array([1]) }))).toEqual({
      kind: 'zestjob-file-size',
      name: 'plans.pdf',
    });
  });

  it('brings the states that were kept, and refuses a damaged one by its name', () => {
    const state = {
      id: 'snapshot-1',
      name: 'Monday',
      at: 1_790_000_000_000,
      totalMinor: 12_345,
      records: [...listRecords(job)],
    };
    const bytes = new Map([[file!.id as string, new Uint8Array([1, 2, 3])]]);
    const whole = writeZestjob(job, bytes, [state]);
    const read = readZestjob(whole);
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.snapshots).toMatchObject([{ name: 'Monday', totalMinor: 12_345 }]);
    expect(new Set(read.value.snapshots[0]?.records.map(({ id }) => id))).toEqual(
      new Set(state.records.map(({ id }) => id)),
    );
    const { [ZESTJOB.manifestEntry]: _manifest, ...entries } = unzipSync(whole);
    const text = strFromU8(entries['snapshots.json'] as Uint8Array).replace(
      '"type": "scope"',
      '"type": "scape"',
    );
    expect(problemOf(zipSync({ ...entries, 'snapshots.json': strToU8(text) }))).toEqual({
      kind: 'zestjob-snapshot',
      name: 'Monday',
    });
  });

  it('brings the drawings that only a kept state still shows', () => {
    const state = { id: 'snapshot-1', name: 'Monday', at: 1, totalMinor: 1, records: [...listRecords(job)] };
    const gone = removeSheet(sheet.id)(job);
    if (!gone.ok) throw new Error(gone.problem.kind);
    const later = applyDiff(job, gone.value);
    expect(later.file.size).toBe(0);
    const read = readZestjob(writeZestjob(later, files, [state]));
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.files.get(file!.id)).toEqual(bytes);
    // As it was written once, without them: the job is read all the same.
    expect(readZestjob(writeZestjob(later, new Map(), [state]))).toMatchObject({ ok: true });
  });

  it.each([1, 2, 3, 4, 5])('takes a file of version %i: the same job without what came later', (version) => {
    // As it was written then: without a manifest.
    const { [ZESTJOB.manifestEntry]: _manifest, ...entries } = unzipSync(packed);
    const json = JSON.parse(strFromU8(entries['job.json'] as Uint8Array)) as { version: number };
    const older = zipSync({ ...entries, 'job.json': strToU8(JSON.stringify({ ...json, version })) });
    expect(readZestjob(older)).toMatchObject({ ok: true });
  });

  it('does not unpack a zip bomb: what it says it holds is too much', () => {
    const entries: Zippable = { [ZESTJOB.jobEntry]: strToU8('{}') };
    const bomb = zipSync({ ...entries, big: new Uint8Array(2_000_000) }, { level: 9 });
    // The size of the entry in the central directory is what an unpacker would make room for.
    const view = new DataView(bomb.buffer, bomb.byteOffset, bomb.byteLength);
    for (let at = 0; at < bomb.length - 46; at += 1)
      if (view.getUint32(at, true) === 0x02014b50 && view.getUint32(at + 24, true) === 2_000_000)
        view.setUint32(at + 24, 0xf0000000, true);
    expect(problemOf(bomb)).toMatchObject({ kind: 'zestjob-too-large' });
  });

  it('gives a problem and never throws for damaged bytes', () => {
    fc.assert(
      fc.property(fc.nat(packed.length - 1), fc.integer({ min: 1, max: 255 }), (place, by) => {
        const damaged = packed.slice();
        damaged[place] = (damaged[place]! + by) % 256;
        expect(typeof readZestjob(damaged).ok).toBe('boolean');
      }),
      { numRuns: 120 },
    );
  });

  it('takes no flipped bit: not in the data, not in the heads of the zip, not in its seal', () => {
    const flip = (at: number, bit: number): boolean => {
      const flipped = packed.slice();
      flipped[at] = (flipped[at] ?? 0) ^ (1 << bit);
      return readZestjob(flipped).ok;
    };
    fc.assert(
      fc.property(fc.nat(packed.length - 1), fc.nat(7), (at, bit) => {
        expect(flip(at, bit)).toBe(false);
      }),
      { numRuns: 150 },
    );
    // The directory and the end, bit by bit in turn.
    const taken: number[] = [];
    for (let at = packed.length - 360; at < packed.length; at += 1) if (flip(at, at % 8)) taken.push(at);
    expect(taken).toEqual([]);
  });

  it('names a drawing that is not what was written, and a file that does not belong', () => {
    const whole = unzipSync(packed);
    const swapped = { ...whole, [fileEntry(file!)]: new Uint8Array([37, 80, 69]) };
    expect(problemOf(zipSync(swapped))).toEqual({ kind: 'zestjob-damaged', name: 'plans.pdf' });
    expect(problemOf(zipSync({ ...whole, 'notes.txt': strToU8('hello') }))).toEqual({
      kind: 'zestjob-unknown-entry',
      name: 'notes.txt',
    });
    // Packed again by another program: the entries are right, and it is not the file that was written.
    expect(problemOf(zipSync(whole))).toEqual({ kind: 'zestjob-damaged', name: '' });
  });

  it('checks the sum of every entry of a file without a manifest too', () => {
    const { [ZESTJOB.manifestEntry]: _manifest, ...rest } = unzipSync(packed);
    const older = zipSync({ ...rest, [fileEntry(file!)]: [bytes, { level: 0 }] });
    expect(readZestjob(older).ok).toBe(true);
    const at = older.findIndex((_, i) => bytes.every((byte, k) => older[i + k] === byte));
    older[at] = (older[at] ?? 0) ^ 1;
    expect(problemOf(older)).toEqual({ kind: 'zestjob-damaged', name: 'plans.pdf' });
  });
});
