import type { Job } from './job.ts';
import { group } from './query.ts';
import type { Item } from './records/item.ts';

/** Who belongs to what, by ids: asking who there is does not ask what each of them says. */
export const marksOfScope = group('mark', ({ scopeId }) => [scopeId]);
export const piecesOfScope = group('piece', ({ scopeId }) => [scopeId]);
export const openingsOfMark = group('opening', ({ markId }) => [markId]);
/** Openings by the count they are one of. */
export const openingsOfScope = group('opening', ({ scopeId }) => (scopeId === null ? [] : [scopeId]));
export const countsOnSheet = group('mark', ({ kind, sheetId }) => (kind === 'count' ? [sheetId] : []));
export const usesOfScope = group('use', ({ scopeId }) => [scopeId]);
/** What stands in a section; what stands in none under the empty key. */
export const scopesOfSection = group('scope', ({ sectionId }) => [sectionId ?? '']);
export const linesOfSection = group('line', ({ sectionId }) => [sectionId ?? '']);
export const packagesOfSection = group('package', ({ sectionId }) => [sectionId ?? '']);
/** Sections by the one they stand in; top ones under the empty key. */
export const innerSections = group('section', ({ parentId }) => [parentId ?? '']);

export const scopesByKey = group('scope', ({ key }) => [key]);
export const quantitiesByKey = group('quantity', ({ key }) => [key]);
export const tablesByKey = group('table', ({ key }) => [key]);

const itemsByCode = group('item', ({ code }) => [code]);
export const itemsOfFamily = group('item', ({ family = '' }) => (family === '' ? [] : [family]));

/** The item of the price book with just this code. */
export function findItem(job: Job, code: string): Item | undefined {
  const id = code === '' ? undefined : itemsByCode(job, code).at(-1);
  return id === undefined ? undefined : job.item.get(id);
}

/** The records of ids that are known to be there. */
export function recordsOf<Id, Item>(table: ReadonlyMap<Id, Item>, ids: readonly Id[]): readonly Item[] {
  return ids.map((id) => {
    const record = table.get(id);
    if (record === undefined) throw new Error(`recordsOf: no record has the id ${String(id)}`);
    return record;
  });
}
