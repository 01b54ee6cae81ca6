import { marksOfScope, piecesOfScope } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { query } from '../../job/query.ts';
import { NOWHERE, type Where } from './placeFilter.ts';
import { type MarkForm, formOfMark } from './marks.ts';

/** What is measured in a scope, one by one: a mark with its form, or a typed piece. */
export type Part =
  | { readonly type: 'mark'; readonly id: Id<'mark'>; readonly form: MarkForm }
  | { readonly type: 'piece'; readonly id: Id<'piece'> };

export const partsOf = (job: Job, scopeId: string): readonly Part[] => [
  ...marksOfScope(job, scopeId).map((id): Part => ({ type: 'mark', id, form: formOfMark(job, id) })),
  ...piecesOfScope(job, scopeId).map((id): Part => ({ type: 'piece', id })),
];

/** How often a part counts. */
export const timesOf = (part: Part): number => (part.type === 'mark' ? part.form.times : 1);

export const sectionNameOf = query((job, scopeId): string => {
  const sectionId = job.scope.get(scopeId as Id<'scope'>)?.sectionId ?? null;
  return sectionId === null ? '' : (job.section.get(sectionId)?.name ?? '');
});

/** Where a mark is, by the names that a person gave: for filters. Its section is that of its scope. */
export const placeOfMark = query((job, id): Omit<Where, 'section'> => {
  const mark = job.mark.get(id as Id<'mark'>);
  if (mark === undefined) return NOWHERE;
  const sheet = job.sheet.get(mark.sheetId);
  const level = sheet?.levelId === undefined ? '' : (job.level.get(sheet.levelId)?.name ?? '');
  const zone = mark.zoneId === undefined ? '' : (job.zone.get(mark.zoneId)?.name ?? '');
  return { level, zone, sheet: sheet?.number ?? '' };
});
