import type { PlacedComponent } from '../assemblies/frames.ts';
import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import type { LineKey } from '../job/lineKey.ts';
import { overrideOf } from '../job/overrides.ts';
import { query } from '../job/query.ts';
import { linesByOf } from '../job/settings.ts';
import type { PlaceInAlternate } from '../job/records/alternate.ts';

const plain = (code: string): string => code.replace(/[^0-9a-z]/gi, '').toLowerCase();

const sectionsByCode = query((job): readonly (readonly [code: string, id: Id<'section'>])[] =>
  [...job.section.values()]
    .map(({ code, id }) => [plain(code), id] as const)
    .filter(([code]) => code !== '')
    // The longest code first: 03 30 takes 03 30 00 before 03 does.
    .sort(([a], [b]) => b.length - a.length || (a < b ? -1 : 1)),
);

/** The section a cost code belongs to: the one whose own code it begins with, the longest such. */
export function sectionOfCode(job: Job, costCode: string): Id<'section'> | undefined {
  const code = plain(costCode);
  if (code === '') return undefined;
  return sectionsByCode(job).find(([each]) => code.startsWith(each))?.[1];
}

export const costCodeOf = (job: Job, { key, component }: PlacedComponent): string =>
  overrideOf(job, key)?.costCode ?? component.costCode ?? '';

/** Where a component's line stands: where it was moved, else by its code, else under what was measured. */
export function sectionOf(job: Job, placed: PlacedComponent): Id<'section'> | null {
  const moved = overrideOf(job, placed.key)?.sectionId;
  if (moved !== undefined) return moved;
  if (linesByOf(job) === 'code') {
    const byCode = sectionOfCode(job, costCodeOf(job, placed));
    if (byCode !== undefined) return byCode;
  }
  return placed.frame.scope.sectionId;
}

/** True while the line stands elsewhere than under what was measured. */
export function standsInItsSection(job: Job, placed: PlacedComponent): boolean {
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
function listReplaced(job: Job, accepted: Accepted): ReadonlySet<LineKey> {
  const replaced = new Set<LineKey>();
  for (const { by, lines, takenId, alternate } of job.package.values()) {
    if (by !== 'sum' || takenId === null || !job.quote.has(takenId) || !counts(alternate, accepted)) continue;
    for (const key of lines) replaced.add(key);
  }
  return replaced;
}

const replacedLines = query((job) => listReplaced(job, acceptedIn(job)));

/** Tells which lines are in the bid: by their alternates, and by quotes that stand in their place. */
export function countedIn(job: Job, accepted?: Accepted): (line: Counted) => boolean {
  const replaced = accepted === undefined ? replacedLines(job) : listReplaced(job, accepted);
  const taken = accepted ?? acceptedIn(job);
  return ({ key, alternate }) => counts(alternate, taken) && !replaced.has(key);
}

const parentOf = query(
  (job, id): Id<'section'> | null => job.section.get(id as Id<'section'>)?.parentId ?? null,
);

/** The sections around one, itself first. */
export function sectionsAround(job: Job, id: Id<'section'> | null): readonly Id<'section'>[] {
  const around: Id<'section'>[] = [];
  for (let at = id; at !== null && !around.includes(at); at = parentOf(job, at)) around.push(at);
  return around;
}
