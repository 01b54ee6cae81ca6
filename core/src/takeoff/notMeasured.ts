import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import type { Level } from '../job/records/level.ts';
import type { Schedule } from '../job/records/schedule.ts';
import type { Scope } from '../job/records/scope.ts';

/** What a careful colleague would miss on the plans. */
export interface NotMeasured {
  /** Scopes with nothing drawn, typed or hosted anywhere. */
  readonly scopes: readonly Scope[];
  /** Scopes with nothing on a level where they are due. */
  readonly levels: readonly { readonly scope: Scope; readonly level: Level }[];
  /** Rows of schedules whose tag no scope and no opening carries. */
  readonly rows: readonly { readonly schedule: Schedule; readonly tags: readonly string[] }[];
}

const plain = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** The levels a scope has something on, by scope. */
function levelsOfScopes(job: Job): ReadonlyMap<string, ReadonlySet<string>> {
  const found = new Map<string, Set<string>>();
  const add = (scopeId: string | null, sheetId: Id<'sheet'>): void => {
    const levelId = job.sheet.get(sheetId)?.levelId;
    if (scopeId === null) return;
    const levels = found.get(scopeId) ?? new Set();
    found.set(scopeId, levelId === undefined ? levels : levels.add(levelId));
  };
  for (const mark of job.mark.values()) add(mark.scopeId, mark.sheetId);
  for (const opening of job.opening.values()) {
    const host = job.mark.get(opening.markId);
    if (host !== undefined) add(opening.scopeId, host.sheetId);
  }
  return found;
}

/**
 * Rows are known by their first column; one is used when a scope or an opening carries its tag, or a scope
 * is named as any of its cells: scopes may be named by another column than the first.
 */
function unusedRows(job: Job, schedule: Schedule): readonly string[] {
  const tags = new Set([...job.opening.values()].map(({ tag }) => plain(tag)));
  // Tags stand in names as words of their own: P1 is in ‘Partition P1’, not in ‘P12’.
  const named = [...job.scope.values()].flatMap(({ key, name }) => [` ${plain(key)} `, ` ${plain(name)} `]);
  const names = new Set(named);
  const isUsed = (row: readonly string[]): boolean =>
    row.some((cell) => /\p{L}/u.test(cell) && names.has(` ${plain(cell)} `));
  return schedule.rows.flatMap((row) => {
    const tag = (row[0] ?? '').trim();
    const isTagged = tags.has(plain(tag)) || named.some((text) => text.includes(` ${plain(tag)} `));
    return plain(tag) === '' || isTagged || isUsed(row) ? [] : [tag];
  });
}

/** Looks through the whole job for what was never measured. */
export function findNotMeasured(job: Job): NotMeasured {
  const levels = levelsOfScopes(job);
  const typed = new Set<string>([...job.piece.values()].map(({ scopeId }) => scopeId));
  const scopes = inOrder(job.scope.values());
  return {
    scopes: scopes.filter(({ id }) => !levels.has(id) && !typed.has(id)),
    levels: scopes.flatMap((scope) =>
      (scope.dueOn ?? []).flatMap((levelId) => {
        const level = job.level.get(levelId);
        return level === undefined || levels.get(scope.id)?.has(levelId) === true ? [] : [{ scope, level }];
      }),
    ),
    rows: inOrder(job.schedule.values())
      .map((schedule) => ({ schedule, tags: unusedRows(job, schedule) }))
      .filter(({ tags }) => tags.length > 0),
  };
}
