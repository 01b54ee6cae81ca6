import * as z from 'zod';
import { type Pack, type PackedRecord } from '../formats/assemblies/pack.ts';
import { packAssemblies, writePack } from '../formats/assemblies/write.ts';
import { planUnpack } from '../formats/assemblies/plan.ts';
import { readPack } from '../formats/assemblies/read.ts';
import { type Command, put, sequence } from '../job/change.ts';
import type { Id, MakeId } from '../job/id.ts';
import { type Job, createJob, getRecord, settingsOf } from '../job/job.ts';
import type { Assembly } from '../job/records/assembly.ts';

/** One version of an assembly that is kept for other jobs, with all it stands on. */
export interface Kept {
  readonly key: string;
  readonly version: number;
  readonly main: Id<'assembly'>;
  readonly records: readonly PackedRecord[];
  /** What its prices are in; one that was kept by an earlier version does not say. */
  readonly currency?: string | undefined;
}

/** What a person keeps beside the trade library: every version of every assembly, and favorites by key. */
export interface Shelf {
  readonly kept: readonly Kept[];
  readonly favorites: readonly string[];
  /** What is stored and cannot be read here, such as by a newer version: kept as it is. */
  readonly unread: readonly StoredKept[];
}

export const EMPTY_SHELF: Shelf = { kept: [], favorites: [], unread: [] };

const storedKept = z.strictObject({
  key: z.string(),
  version: z.number().int().min(1),
  main: z.string(),
  pack: z.string(),
});
type StoredKept = z.infer<typeof storedKept>;

const shelfSchema = z.strictObject({
  kept: z.array(storedKept).max(5000),
  favorites: z.array(z.string()).max(5000),
});

/** The shelf as it is stored; each pack as its own file would be. */
export const writeShelf = ({ kept, favorites, unread }: Shelf): unknown => ({
  favorites,
  kept: [
    ...kept.map(({ key, version, main, ...pack }) => ({ key, version, main, pack: writePack(pack) })),
    ...unread,
  ],
});

/** Reads what was stored; undefined where it is no shelf at all, which must not be written over. */
export function readShelf(stored: unknown): Shelf | undefined {
  const parsed = shelfSchema.safeParse(stored ?? { kept: [], favorites: [] });
  if (!parsed.success) return undefined;
  const kept: Kept[] = [];
  const unread: StoredKept[] = [];
  for (const each of parsed.data.kept) {
    const { key, version, main, pack } = each;
    const records = readPack(pack);
    const id = main as Id<'assembly'>;
    if (records.ok && records.value.records.some((record) => record.id === id))
      kept.push({ key, version, main: id, ...records.value });
    else unread.push(each);
  }
  return { kept, favorites: parsed.data.favorites, unread };
}

export const mainOf = ({ main, records }: Kept): Assembly => getRecord(createJob(records), main);

/** Versions of one assembly, the latest first. */
export const versionsOf = ({ kept }: Shelf, key: string): readonly Kept[] =>
  kept.filter((each) => each.key === key).sort((a, b) => b.version - a.version);

/** The latest version of each, by name. */
export function latestOf(shelf: Shelf): readonly Kept[] {
  const keys = new Set(shelf.kept.map(({ key }) => key));
  return [...keys]
    .flatMap((key) => versionsOf(shelf, key).slice(0, 1))
    .sort((a, b) => mainOf(a).name.localeCompare(mainOf(b).name, 'en'));
}

/** Keeps an assembly of the job as the next version of what it came from, or as the first of its own. */
export const keepOnShelf = (shelf: Shelf, job: Job, id: Id<'assembly'>): Shelf =>
  shelve(shelf, job, id, job.settings.size === 0 ? undefined : settingsOf(job).currency);

function shelve(shelf: Shelf, job: Job, id: Id<'assembly'>, currency: string | undefined): Shelf {
  const assembly = getRecord(job, id);
  const key = assembly.origin?.key ?? assembly.name;
  const last = Math.max(
    assembly.origin?.version ?? 0,
    ...versionsOf(shelf, key).map(({ version }) => version),
    0,
  );
  const version = last + 1;
  const records = packAssemblies(job, [id]).map((record) =>
    record.id === id && record.type === 'assembly' ? { ...record, origin: { key, version } } : record,
  );
  return { ...shelf, kept: [...shelf.kept, { key, version, main: id, records, currency }] };
}

export const removeFromShelf = (shelf: Shelf, key: string): Shelf => ({
  ...shelf,
  kept: shelf.kept.filter((each) => each.key !== key),
  favorites: shelf.favorites.filter((each) => each !== key),
});

export const toggleFavorite = (shelf: Shelf, key: string): Shelf => ({
  ...shelf,
  favorites: shelf.favorites.includes(key)
    ? shelf.favorites.filter((each) => each !== key)
    : [...shelf.favorites, key],
});

/** Every assembly of a pack as a first version of its own. */
export function shelvePack(shelf: Shelf, { records, currency }: Pack): Shelf {
  const job = createJob(records);
  const inside = new Set(
    [...job.assembly.values()].flatMap(({ inner = [] }) => inner.map(({ assemblyId }) => assemblyId)),
  );
  return [...job.assembly.keys()]
    .filter((id) => !inside.has(id) || job.assembly.size === 1)
    .reduce((grown, id) => shelve(grown, job, id, currency), shelf);
}

/** Takes a kept version into the job as an assembly of its own. */
export const takeFromShelf =
  (kept: Kept, makeId: MakeId): Command =>
  (job) =>
    planUnpack(kept, job, makeId).command(job);

/**
 * Puts a version of the library in the place of what the job has: its uses keep their answers, and the
 * items and crafts that are the job's own stay as they are.
 */
export const takeVersion =
  (assemblyId: Id<'assembly'>, kept: Kept, makeId: MakeId): Command =>
  (job) => {
    const current = getRecord(job, assemblyId);
    const unpacked = planUnpack(kept, job, makeId);
    const diff = unpacked.command(job);
    if (!diff.ok) return diff;
    const newId = unpacked.idOf.get(kept.main);
    const taken = diff.value.added.find(
      (record): record is Assembly => record.type === 'assembly' && record.id === newId,
    );
    if (taken === undefined) return diff;
    const others = diff.value.added.filter(({ id }) => id !== taken.id);
    const { id, order } = current;
    return sequence(put(...others), put({ ...taken, id, order, name: current.name }))(job);
  };

/** What differs between two states of an assembly, part by part. */
export interface Difference {
  readonly of: 'component' | 'question' | 'inner' | 'other';
  readonly name: string;
  readonly change: 'added' | 'removed' | 'changed';
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function compareParts<Part extends { readonly key: string }>(
  of: Difference['of'],
  before: readonly Part[],
  after: readonly Part[],
  nameOf: (part: Part) => string,
): readonly Difference[] {
  const earlier = new Map(before.map((part) => [part.key, part]));
  const later = new Set(after.map(({ key }) => key));
  return [
    ...after.flatMap((part): readonly Difference[] => {
      const was = earlier.get(part.key);
      if (was === undefined) return [{ of, name: nameOf(part), change: 'added' }];
      return same(was, part) ? [] : [{ of, name: nameOf(part), change: 'changed' }];
    }),
    ...before
      .filter(({ key }) => !later.has(key))
      .map((part): Difference => ({ of, name: nameOf(part), change: 'removed' })),
  ];
}

type Content = Omit<Assembly, 'id' | 'type' | 'order'>;

/** What changes when one state of an assembly takes the place of another. */
export function compareAssemblies(before: Content, after: Content): readonly Difference[] {
  const other = (['note', 'checks', 'section', 'description', 'measures'] as const).filter(
    (field) => !same(before[field], after[field]),
  );
  // Where an inner assembly is kept is no difference: every job has ids of its own.
  const innerOf = ({ inner = [] }: Content) => inner.map(({ assemblyId: _id, ...each }) => each);
  return [
    ...compareParts('question', before.inputs, after.inputs, ({ question }) => question),
    ...compareParts('component', before.components, after.components, ({ name }) => name),
    ...compareParts('inner', innerOf(before), innerOf(after), ({ name }) => name),
    ...other.map((field): Difference => ({ of: 'other', name: field, change: 'changed' })),
  ];
}
