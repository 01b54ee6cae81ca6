import { checkPdf } from '../pdf/check.ts';
import { strFromU8 } from 'fflate';
import * as z from 'zod';
import { checkRecord } from '../../job/checkRecord.ts';
import { checkJob } from '../../job/integrity.ts';
import { type Job, createJob } from '../../job/job.ts';
import type { RawRecord } from '../../job/migrations/migration.ts';
import { type FaultyRecord, readRecords } from '../../job/readRecords.ts';
import type { JobRecord } from '../../job/record.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { readZipDirectory, unpackEntry } from '../zip/readZip.ts';
import { ZESTJOB } from './descriptor.ts';
import type { ZestjobProblem } from './problem.ts';
import { isSealed, manifestSchema, sha256Hex } from './seal.ts';
import { type Snapshot, filesWith, snapshotsSchema } from './snapshot.ts';
import { fileEntry } from './write.ts';
import { LIMITS } from '../limits.ts';

export interface ZestjobContent {
  readonly job: Job;
  /** Bytes by file id. */
  readonly files: ReadonlyMap<string, Uint8Array>;
  readonly snapshots: readonly Snapshot[];
}

type Step<Value> = Result<Value, ZestjobProblem>;

/**
 * Reads a job file through fixed steps, each with its own refusal: the zip, its size, the JSON, the
 * version, every record, the job as a whole, the files. Never throws on damaged bytes.
 */
export function readZestjob(bytes: Uint8Array): Step<ZestjobContent> {
  const entries = unpack(bytes);
  if (!entries.ok) return entries;
  const records = readJobEntry(entries.value);
  if (!records.ok) return records;
  const job = createJob(records.value.records);
  const inconsistent = checkJob(job);
  if (inconsistent !== undefined) return refuse({ kind: 'zestjob-inconsistent', problem: inconsistent });
  return readFiles(job, entries.value, records.value.version);
}

type Entries = ReadonlyMap<string, Uint8Array>;

const ZIP_LIMITS = { bytes: LIMITS.jobFile.unpackedBytes, entries: LIMITS.jobFile.entries };

const isKnown = (name: string): boolean =>
  [ZESTJOB.jobEntry, ZESTJOB.snapshotsEntry, ZESTJOB.manifestEntry].includes(name as 'job.json') ||
  name.startsWith(ZESTJOB.filesFolder);

/** Every entry held against its sum, and all of the file against its seal where it has a manifest. */
function unpack(bytes: Uint8Array): Step<Entries> {
  if (bytes.length === 0) return refuse({ kind: 'zestjob-empty' });
  const directory = readZipDirectory(bytes, ZIP_LIMITS);
  if (!directory.ok)
    return directory.problem.kind === 'zip-too-large'
      ? refuse({ kind: 'zestjob-too-large', limit: LIMITS.jobFile.unpackedBytes })
      : refuse({ kind: 'zestjob-not-zip' });
  const { entries, comment } = directory.value;
  if (!entries.some(({ name }) => name === ZESTJOB.jobEntry)) return refuse({ kind: 'zestjob-no-job' });
  const unknown = entries.find(({ name }) => !isKnown(name));
  if (unknown !== undefined)
    return refuse({ kind: 'zestjob-unknown-entry', name: unknown.name.slice(0, 120) });
  const unpacked = new Map<string, Uint8Array>();
  const damaged: string[] = [];
  for (const entry of entries) {
    const content = unpackEntry(bytes, entry);
    if (content.ok) unpacked.set(entry.name, content.value);
    else damaged.push(entry.name);
  }
  const manifest = unpacked.get(ZESTJOB.manifestEntry);
  const hasManifest = entries.some(({ name }) => name === ZESTJOB.manifestEntry);
  // The seal is a sum over every byte: where it holds, so do the sums of the parts, which say what is damaged where not.
  const isWhole = !hasManifest || isSealed(bytes, comment);
  if (manifest !== undefined) damaged.push(...differing(manifest, unpacked, isWhole));
  const [first] = damaged;
  if (first !== undefined) return refuse({ kind: 'zestjob-damaged', name: nameOfEntry(first, unpacked) });
  return isWhole ? accept(unpacked) : refuse({ kind: 'zestjob-damaged', name: '' });
}

/** Entries that are not what the manifest says, more than it says, or fewer; what is sealed needs no sums. */
function differing(manifest: Uint8Array, unpacked: Entries, sealed: boolean): readonly string[] {
  const parsed = manifestSchema.safeParse(parseJson(manifest));
  if (!parsed.success) return [ZESTJOB.manifestEntry];
  const said = new Map(parsed.data.entries.map((entry) => [entry.name, entry]));
  const wrong = [...unpacked].flatMap(([name, bytes]) => {
    if (name === ZESTJOB.manifestEntry) return [];
    const entry = said.get(name);
    const same = entry?.bytes === bytes.length && (sealed || entry.sha256 === sha256Hex(bytes));
    return same ? [] : [name];
  });
  return [...wrong, ...[...said.keys()].filter((name) => !unpacked.has(name))];
}

function parseJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(bytes));
  } catch {
    return undefined;
  }
}

/** What a person knows an entry by: of a drawing, the name of its file. */
function nameOfEntry(entry: string, unpacked: Entries): string {
  const job = unpacked.get(ZESTJOB.jobEntry);
  const parsed = z
    .looseObject({ records: z.array(z.looseObject({ type: z.string(), id: z.string() })) })
    .safeParse(job === undefined ? undefined : parseJson(job));
  if (!entry.startsWith(ZESTJOB.filesFolder) || !parsed.success) return entry;
  for (const record of parsed.data.records) {
    if (record.type !== 'file') continue;
    const file = checkRecord('file', record);
    if (file.ok && fileEntry(file.value) === entry) return file.value.name;
  }
  return entry;
}

const hasType = (record: unknown): boolean =>
  typeof record === 'object' && record !== null && 'type' in record && typeof record.type === 'string';

const envelopeSchema = z.strictObject({
  format: z.literal(ZESTJOB.format),
  version: z.number().int().min(1),
  // Each is checked by its own type; here only that it has one, without a copy of it.
  records: z.array(z.custom<{ readonly type: string }>(hasType)),
});

/** The records of the job, brought to this version from the one that they were written by. */
function readJobEntry(
  entries: Entries,
): Step<{ readonly records: readonly JobRecord[]; readonly version: number }> {
  const entry = entries.get(ZESTJOB.jobEntry);
  if (entry === undefined) return refuse({ kind: 'zestjob-no-job' });
  let json: unknown;
  try {
    json = JSON.parse(strFromU8(entry));
  } catch {
    return refuse({ kind: 'zestjob-not-json' });
  }
  const newer = z.looseObject({ format: z.literal(ZESTJOB.format), version: z.number() }).safeParse(json);
  if (newer.success && newer.data.version > ZESTJOB.version)
    return refuse({ kind: 'zestjob-newer', version: newer.data.version, known: ZESTJOB.version });
  const envelope = envelopeSchema.safeParse(json);
  if (!envelope.success) {
    const issue = envelope.error.issues[0];
    if (issue?.code === 'unrecognized_keys')
      return refuse({ kind: 'zestjob-unknown-field', field: issue.keys[0] ?? '' });
    return refuse({ kind: 'zestjob-other-format' });
  }
  const { records: raw, version } = envelope.data;
  const records = checkRecords(raw, version);
  return records.ok ? accept({ records: records.value, version }) : records;
}

/** A file is taken whole or not at all: it is there still, and says more than what could be read of it. */
function checkRecords(
  raw: readonly { readonly type: string }[],
  version: number,
): Step<readonly JobRecord[]> {
  const read = readRecords(raw as readonly RawRecord[], version);
  if (!read.ok) return refuse({ kind: 'zestjob-newer', version, known: ZESTJOB.version });
  const { records, faulty } = read.value;
  const [first] = faulty;
  if (first !== undefined) return refuse(problemOf(first));
  const count = records.filter(({ type }) => type === 'settings').length;
  return count === 1 ? accept(records) : refuse({ kind: 'zestjob-settings', count });
}

function problemOf({ index, raw, fault }: FaultyRecord): ZestjobProblem {
  switch (fault.kind) {
    case 'type-unknown':
      return { kind: 'zestjob-record-type', type: raw.type.slice(0, 60), index };
    case 'twice':
      return { kind: 'zestjob-duplicate', id: String(raw['id']) };
    case 'not-valid':
      return { kind: 'zestjob-record', index, problem: fault.problem };
  }
}

/** States that were kept come through the same doors as the job itself. */
function readSnapshots(entries: Entries, version: number): Step<readonly Snapshot[]> {
  const entry = entries.get(ZESTJOB.snapshotsEntry);
  if (entry === undefined) return accept([]);
  let json: unknown;
  try {
    json = JSON.parse(strFromU8(entry));
  } catch {
    return refuse({ kind: 'zestjob-snapshot', name: '' });
  }
  const parsed = snapshotsSchema.safeParse(json);
  if (!parsed.success) return refuse({ kind: 'zestjob-snapshot', name: '' });
  const snapshots: Snapshot[] = [];
  for (const { records: raw, ...state } of parsed.data.snapshots) {
    const records = checkRecords(raw, version);
    if (!records.ok || checkJob(createJob(records.value)) !== undefined)
      return refuse({ kind: 'zestjob-snapshot', name: state.name });
    snapshots.push({ ...state, records: records.value });
  }
  return accept(snapshots);
}

function readFiles(job: Job, entries: Entries, version: number): Step<ZestjobContent> {
  const snapshots = readSnapshots(entries, version);
  if (!snapshots.ok) return snapshots;
  const files = new Map<string, Uint8Array>();
  for (const file of filesWith(job, snapshots.value).values()) {
    const { id, name, byteLength, mediaType } = file;
    const bytes = entries.get(fileEntry(file));
    // Files of long ago came without what only their snapshots show.
    if (bytes === undefined && !job.file.has(id)) continue;
    if (bytes === undefined) return refuse({ kind: 'zestjob-file-missing', name });
    if (bytes.length !== byteLength) return refuse({ kind: 'zestjob-file-size', name });
    const bomb = mediaType === 'application/pdf' ? checkPdf(bytes) : undefined;
    if (bomb !== undefined) return refuse({ kind: 'zestjob-file-unpacks', name, limit: bomb.limit });
    files.set(id, bytes);
  }
  return accept({ job, files, snapshots: snapshots.value });
}
