import { type Zippable, strToU8, zipSync } from 'fflate';
import { type Job, listRecords } from '../../job/job.ts';
import type { FileRecord, MediaType } from '../../job/records/file.ts';
import { ZESTJOB } from './descriptor.ts';
import { sealZip, sha256Hex } from './seal.ts';
import { type Snapshot, filesWith } from './snapshot.ts';

/** Keys in order at every depth, so that equal jobs are equal bytes. */
function sortKeys(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sortKeys);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, sortKeys(inner)]),
  );
}

/** A fixed time in every entry: the writer has no clock. */
const ENTRY_TIME = '1990-01-01T12:00:00';

const bytewise = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/**
 * Packs a job, the bytes of its files by file id, and the states of it that were kept with the files that
 * only they show. Throws when the bytes of a file of the job itself were not given.
 */
export function writeZestjob(
  job: Job,
  files: ReadonlyMap<string, Uint8Array>,
  snapshots: readonly Snapshot[] = [],
): Uint8Array {
  const records = [...listRecords(job)].sort((a, b) => bytewise(a.id, b.id)).map(sortKeys);
  const json = JSON.stringify({ format: ZESTJOB.format, version: ZESTJOB.version, records }, null, 1);
  const entries: Zippable = { [ZESTJOB.jobEntry]: [strToU8(json), { level: 6, mtime: ENTRY_TIME }] };
  for (const file of [...filesWith(job, snapshots).values()].sort((a, b) => bytewise(a.id, b.id))) {
    const bytes = files.get(file.id);
    if (bytes === undefined && !job.file.has(file.id)) continue;
    if (bytes === undefined) throw new Error(`writeZestjob: no bytes were given for ${file.name}`);
    // Drawings are compressed inside already.
    entries[fileEntry(file)] = [bytes, { level: 0, mtime: ENTRY_TIME }];
  }
  if (snapshots.length > 0) {
    const sorted = [...snapshots].sort((a, b) => bytewise(a.id, b.id)).map(sortKeys);
    const kept = strToU8(JSON.stringify({ snapshots: sorted }, null, 1));
    entries[ZESTJOB.snapshotsEntry] = [kept, { level: 6, mtime: ENTRY_TIME }];
  }
  entries[ZESTJOB.manifestEntry] = [strToU8(manifestOf(entries)), { level: 6, mtime: ENTRY_TIME }];
  return sealZip(zipSync(entries));
}

/** Each entry with what it must be when it is read again. */
function manifestOf(entries: Zippable): string {
  const all = Object.entries(entries).map(([name, entry]) => {
    const [bytes] = entry as [Uint8Array, unknown];
    return { name, bytes: bytes.length, sha256: sha256Hex(bytes) };
  });
  return JSON.stringify({
    format: 'zestjob-manifest',
    entries: all.sort((a, b) => bytewise(a.name, b.name)),
  });
}

/** Where a file lies in the zip; ids are safe as names, names of people's files are not. */
export const fileEntry = ({ id, mediaType }: Pick<FileRecord, 'id' | 'mediaType'>): string =>
  `${ZESTJOB.filesFolder}${id.replace(':', '-')}.${EXTENSIONS[mediaType]}`;

const EXTENSIONS: Readonly<Record<MediaType, string>> = {
  'application/pdf': 'pdf',
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/tiff': 'tif',
};
