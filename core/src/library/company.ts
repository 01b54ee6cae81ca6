import { type Command, put, sequence, update } from '../job/change.ts';
import type { Id, RecordType } from '../job/id.ts';
import { referencesOf } from '../job/integrity.ts';
import { EMPTY_DIFF, type Job, findRecord, listRecords, settingsOf } from '../job/job.ts';
import type { JobRecord, RecordOf } from '../job/record.ts';
import type { Settings } from '../job/records/settings.ts';
import { accept, refuse } from '../problem/result.ts';

/** What a company keeps for all its jobs; everything else is of one job. */
export const COMPANY_TYPES = [
  'craft',
  'crew',
  'region',
  'difficulty',
  'table',
  'item',
  'section',
  'markup',
  'assembly',
  'textBlock',
  'logo',
  'report',
] as const satisfies readonly RecordType[];
type CompanyType = (typeof COMPANY_TYPES)[number];
type CompanyRecord = RecordOf<CompanyType>;

/** Settings that are of the company rather than of one job, its units and currency apart. */
const HABITS = [
  'company',
  'companyAddress',
  'taxNumber',
  'taxOnMaterials',
  'validDays',
  'inclusions',
  'exclusions',
  'notesInBid',
  'documentLanguage',
  'dateStyle',
  'bidStep',
  'bidRounding',
  'regionId',
  'linesBy',
  'valueAddedTax',
  'paper',
  'priceDays',
] as const satisfies readonly (keyof Settings)[];
type Habits = Pick<Settings, (typeof HABITS)[number]>;

const habitsOf = (settings: Settings): Habits =>
  Object.fromEntries(HABITS.flatMap((key) => (key in settings ? [[key, settings[key]]] : []))) as Habits;

/** The settings with other habits; a habit that the others have not is none here either. */
function withHabits(settings: Settings, habits: Habits): Settings {
  const rest = Object.fromEntries(
    Object.entries(settings).filter(([key]) => !(HABITS as readonly string[]).includes(key)),
  );
  return { ...rest, ...habits } as Settings;
}

const isOfCompany = (record: JobRecord): record is CompanyRecord =>
  (COMPANY_TYPES as readonly string[]).includes(record.type);

/** By what a person would say it is the same thing: a code, or a name. */
function nameOf(record: CompanyRecord): string {
  switch (record.type) {
    case 'item':
      return `item ${record.code}`;
    case 'table':
      return `table ${record.key}`;
    case 'logo':
      return 'logo';
    case 'section':
      return `section ${record.code} ${record.name}`;
    default:
      return `${record.type} ${record.name}`;
  }
}

/** Which record of one is which of the other: by id where the one came from the other, else by code or name. */
function pairUp(from: Job, to: Job): Map<string, string> {
  const byName = new Map<string, string>();
  for (const record of listRecords(to)) if (isOfCompany(record)) byName.set(nameOf(record), record.id);
  const pairs = new Map<string, string>([[settingsOf(from).id, settingsOf(to).id]]);
  for (const record of listRecords(from)) {
    if (!isOfCompany(record)) continue;
    const id = findRecord(to, record.id) === undefined ? byName.get(nameOf(record)) : record.id;
    if (id !== undefined) pairs.set(record.id, id);
  }
  return pairs;
}

/** A value with every id in it said as the other side says it. */
function said<Value>(value: Value, pairs: ReadonlyMap<string, string>): Value {
  if (typeof value === 'string') return (pairs.get(value) ?? value) as Value;
  if (Array.isArray(value)) return value.map((each: unknown) => said(each, pairs)) as Value;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, said(each, pairs)])) as Value;
}

/** What a record says, as a short text; where it stands among the others does not count. FNV-1a over 52 bits. */
function printOf(content: object): string {
  const text = JSON.stringify(content, (_key, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([key]) => key !== 'order')
            .sort(([a], [b]) => (a < b ? -1 : 1)),
        )
      : value,
  );
  let [low, high] = [0x811c9dc5, 0x1b873593];
  for (let at = 0; at < text.length; at += 1) {
    const unit = text.charCodeAt(at);
    low = Math.imul(low ^ unit, 0x01000193);
    high = Math.imul(high ^ unit, 0x85ebca6b);
  }
  return (low >>> 0).toString(36) + (high >>> 0).toString(36);
}

type Shared = CompanyRecord | Settings;
const contentOf = (record: Shared): object => (record.type === 'settings' ? habitsOf(record) : record);

/** What both sides may share, the settings first. */
function* sharedOf(job: Job): Generator<Shared> {
  yield settingsOf(job);
  for (const record of listRecords(job)) if (isOfCompany(record)) yield record;
}

const printsOf = (company: Job): Readonly<Record<string, string>> =>
  Object.fromEntries([...sharedOf(company)].map((record) => [record.id, printOf(contentOf(record))]));

const copyOf = (job: Job): RecordOf<'companyCopy'> | undefined => [...job.companyCopy.values()][0];

/** A job with all that its company keeps; it says what was taken, so that later changes can be told. */
export function startFromCompany(
  company: Job,
  { name, client }: Pick<Settings, 'name' | 'client'>,
  copyId: Id<'companyCopy'>,
): readonly [Settings, ...JobRecord[]] {
  const { ofCompany: _is, ...settings } = settingsOf(company);
  return [
    { ...settings, name, client, clientAddress: '', location: '', bidDate: '' },
    ...[...listRecords(company)].filter(isOfCompany),
    { type: 'companyCopy', id: copyId, prints: printsOf(company) },
  ];
}

/** A record that the one side has and the other has not, or has otherwise. */
export interface Difference {
  /** Of the side it would be taken from. */
  readonly record: Shared;
  /** As the other side has it now; undefined where it has none. */
  readonly other: Shared | undefined;
  /** The other side was changed as well: taking this one loses that change. */
  readonly isChangedTwice: boolean;
}

export interface CompanyDifferences {
  /** Changed or new at the company since the job took it. */
  readonly fromCompany: readonly Difference[];
  /** Changed or new in the job. */
  readonly fromJob: readonly Difference[];
}

/** What differs between a job and its company. Samples are nobody's, and are never told as a change of the job. */
export function compareWithCompany(job: Job, company: Job): CompanyDifferences {
  const prints = copyOf(job)?.prints ?? {};
  const toCompany = pairUp(job, company);
  const fromCompany: Difference[] = [];
  const fromJob: Difference[] = [];
  const ofJob = new Map([...sharedOf(job)].map((record) => [toCompany.get(record.id) ?? record.id, record]));
  for (const record of sharedOf(company)) {
    const here = ofJob.get(record.id);
    ofJob.delete(record.id);
    const taken = prints[record.id];
    if (here === undefined) {
      if (taken === undefined) fromCompany.push({ record, other: undefined, isChangedTwice: false });
      continue;
    }
    const [there, mine] = [printOf(contentOf(record)), printOf(said(contentOf(here), toCompany))];
    if (there === mine) continue;
    const [isTheirs, isMine] = [taken !== there, taken !== mine && !isSample(here)];
    const isChangedTwice = isTheirs && isMine;
    if (isTheirs) fromCompany.push({ record, other: here, isChangedTwice });
    if (isMine) fromJob.push({ record: here, other: record, isChangedTwice });
  }
  for (const [id, record] of ofJob)
    if (prints[id] === undefined && !isSample(record))
      fromJob.push({ record, other: undefined, isChangedTwice: false });
  return { fromCompany, fromJob };
}

const isSample = (record: Shared): boolean => 'sample' in record && record.sample === true;

/** The records of these ids with what they point at, as the other side is to have them. */
function copiesFor(from: Job, to: Job, ids: readonly string[]): readonly JobRecord[] {
  const pairs = pairUp(from, to);
  const wanted = new Set<string>(ids);
  // A set can grow while it is walked: what a record points at comes along where the other side lacks it.
  for (const id of wanted) {
    const record = findRecord(from, id as Id);
    if (record === undefined || record.type === 'settings') continue;
    for (const reference of referencesOf(record)) if (!pairs.has(reference)) wanted.add(reference);
  }
  return [...wanted].flatMap((id): readonly JobRecord[] => {
    const record = findRecord(from, id as Id);
    if (record === undefined) return [];
    if (record.type === 'settings') {
      const known = (ref: Id | undefined): boolean => ref === undefined || pairs.has(ref) || wanted.has(ref);
      const { regionId, ...habits } = habitsOf(record);
      const taken = known(regionId) && regionId !== undefined ? { ...habits, regionId } : habits;
      return [withHabits(settingsOf(to), said(taken, pairs))];
    }
    return isOfCompany(record) ? [said(record, pairs)] : [];
  });
}

/** Notes in the job that it has these now just as its company has. */
const notePrints =
  (company: Job, ids: readonly string[], copyId: Id<'companyCopy'>): Command =>
  (job) => {
    const all = printsOf(company);
    const taken = Object.fromEntries(ids.flatMap((id) => (all[id] === undefined ? [] : [[id, all[id]]])));
    const copy = copyOf(job);
    return copy === undefined
      ? put({ type: 'companyCopy', id: copyId, prints: taken })(job)
      : update(copy, (now) => ({ ...now, prints: { ...now.prints, ...taken } }))(job);
  };

/** Takes records of the company into the job, in place of what the job has by the same id, code or name. */
export const takeFromCompany =
  (company: Job, ids: readonly string[], copyId: Id<'companyCopy'>): Command =>
  (job) => {
    const records = copiesFor(company, job, ids);
    const after = (taken: Job): Command => {
      const back = pairUp(taken, company);
      return notePrints(
        company,
        records.flatMap(({ id }) => back.get(id) ?? []),
        copyId,
      );
    };
    return sequence(put(...records), (taken) => after(taken)(taken))(job);
  };

/** Gives records of a job to the company: a change of the company. */
export const handToCompany =
  (job: Job, ids: readonly string[]): Command =>
  (company) =>
    settingsOf(company).ofCompany === true
      ? put(...copiesFor(job, company, ids))(company)
      : refuse({ kind: 'record-gone', id: settingsOf(company).id });

/** Notes in the job what was given, once the company has it. */
export const noteHanded =
  (company: Job, ids: readonly string[], copyId: Id<'companyCopy'>): Command =>
  (job) => {
    const pairs = pairUp(job, company);
    const at = ids.flatMap((id) => pairs.get(id) ?? []);
    return at.length === 0 ? accept(EMPTY_DIFF) : notePrints(company, at, copyId)(job);
  };
