import type { PlacedComponent } from '../assemblies/frames.ts';
import type { Id } from '../job/id.ts';
import { type Job, settingsOf } from '../job/job.ts';
import { remember } from '../job/remember.ts';
import type { PlaceInAlternate } from '../job/records/alternate.ts';
import type { Override } from '../job/records/override.ts';
import type { Section } from '../job/records/section.ts';
import type { LineKey } from './lineKey.ts';

const overridesByLine = remember(
  (overrides: Job['override']): ReadonlyMap<LineKey, Override> =>
    new Map([...overrides.values()].map((override) => [override.line, override])),
);

/** What a person changed on a derived line; undefined where nothing. */
export const overrideOf = (job: Job, key: LineKey): Override | undefined =>
  job.override.size === 0 ? undefined : overridesByLine(job.override).get(key);

const plain = (code: string): string => code.replace(/[^0-9a-z]/gi, '').toLowerCase();

const sectionsByCode = remember((sections: Job['section']): readonly (readonly [string, Section])[] =>
  [...sections.values()]
    .map((section) => [plain(section.code), section] as const)
    .filter(([code]) => code !== '')
    // The longest code first: 03 30 takes 03 30 00 before 03 does.
    .sort(([a], [b]) => b.length - a.length || (a < b ? -1 : 1)),
);

/** The section a cost code belongs to: the one whose own code it begins with, the longest such. */
export function sectionOfCode(job: Job, costCode: string): Id<'section'> | undefined {
  const code = plain(costCode);
  if (code === '') return undefined;
  return sectionsByCode(job.section).find(([each]) => code.startsWith(each))?.[1].id;
}

export const costCodeOf = (job: Job, { key, component }: PlacedComponent): string =>
  overrideOf(job, key)?.costCode ?? component.costCode ?? '';

/** Where a component's line stands: where it was moved, else by its code, else under what was measured. */
export function sectionOf(job: Job, placed: PlacedComponent): Id<'section'> | null {
  const moved = overrideOf(job, placed.key)?.sectionId;
  if (moved !== undefined) return moved;
  if (settingsOf(job).linesBy === 'code') {
    const byCode = sectionOfCode(job, costCodeOf(job, placed));
    if (byCode !== undefined) return byCode;
  }
  return placed.frame.scope.sectionId;
}

/** False where no line of an assembly can stand anywhere but under what was measured. */
export const mayBeSpread = (job: Job): boolean => job.override.size > 0 || settingsOf(job).linesBy === 'code';

/** True while the line stands elsewhere than under what was measured. */
export function isSpread(job: Job, placed: PlacedComponent): boolean {
  if (!mayBeSpread(job)) return false;
  if (overrideOf(job, placed.key)?.sectionId !== undefined) return true;
  return sectionOf(job, placed) !== placed.frame.scope.sectionId;
}

/** What of alternates a component's line is in: its own say, else its scope's. */
export const alternateOf = (job: Job, { key, frame }: PlacedComponent): PlaceInAlternate | undefined =>
  overrideOf(job, key)?.alternate ?? frame.scope.alternate;

/** Which alternates are taken as accepted. */
export type Accepted = (id: Id<'alternate'>) => boolean;

export const acceptedIn =
  (job: Job): Accepted =>
  (id) =>
    job.alternate.get(id)?.accepted === true;

/** Whether a line counts: what an alternate adds once it is accepted, what it drops until then. */
export function counts(place: PlaceInAlternate | undefined, accepted: Accepted): boolean {
  if (place === undefined) return true;
  return place.as === 'adds' ? accepted(place.id) : !accepted(place.id);
}

/** What tells whether a line counts. */
export interface Counted {
  readonly key: LineKey;
  readonly alternate: PlaceInAlternate | undefined;
}

/** Lines that the taken quote of a package stands for: they stay to compare with, and leave the bid. */
function replacedLines(job: Job, accepted: Accepted): ReadonlySet<LineKey> {
  const replaced = new Set<LineKey>();
  for (const { by, lines, takenId, alternate } of job.package.values()) {
    if (by !== 'sum' || takenId === null || !job.quote.has(takenId) || !counts(alternate, accepted)) continue;
    for (const key of lines) replaced.add(key);
  }
  return replaced;
}

/** Tells which lines are in the bid: by their alternates, and by quotes that stand in their place. */
export function countedIn(job: Job, accepted: Accepted = acceptedIn(job)): (line: Counted) => boolean {
  const replaced = job.package.size === 0 ? NOTHING_REPLACED : replacedLines(job, accepted);
  return ({ key, alternate }) => counts(alternate, accepted) && !replaced.has(key);
}

const NOTHING_REPLACED: ReadonlySet<LineKey> = new Set();

/** The sections around one, itself first. */
export function sectionsAround(job: Job, id: Id<'section'> | null): readonly Id<'section'>[] {
  const around: Id<'section'>[] = [];
  for (let at = id; at !== null && !around.includes(at); at = job.section.get(at)?.parentId ?? null)
    around.push(at);
  return around;
}
