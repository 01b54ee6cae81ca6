import { put } from '@zest/core/job/change';
import type { Command } from '@zest/core/job/change';
import { type Job, orderAfter } from '@zest/core/job/job';
import type { Id, MakeId } from '@zest/core/job/id';
import type { Mark } from '@zest/core/job/records/mark';
import type { Opening } from '@zest/core/job/records/opening';
import type { Scope } from '@zest/core/job/records/scope';
import { mapStrokes } from '@zest/core/takeoff/editStrokes';

/** Marks that were copied, with what they need to stand in another job. */
export interface Copied {
  readonly sheetId: string;
  readonly marks: readonly Mark[];
  readonly openings: readonly Opening[];
  readonly scopes: readonly Scope[];
}

/** Lives as long as the page, so that marks can go from one job to another. */
let held: Copied | undefined;

export const copiedMarks = (): Copied | undefined => held;

function gather(job: Job, marks: readonly Mark[]): Copied {
  const ids = new Set<string>(marks.map(({ id }) => id));
  const openings = [...job.opening.values()].filter(({ markId }) => ids.has(markId));
  const used = new Set<string>([
    ...marks.map(({ scopeId }) => scopeId),
    ...openings.map(({ scopeId }) => scopeId ?? ''),
  ]);
  const scopes = [...job.scope.values()].filter(({ id }) => used.has(id));
  return { sheetId: marks[0]?.sheetId ?? '', marks, openings, scopes };
}

export function copyMarks(job: Job, marks: readonly Mark[]): void {
  held = gather(job, marks);
}

/** Marks again on another sheet of the same job, at the same place: the floor above. */
export const copyToSheet = (
  job: Job,
  marks: readonly Mark[],
  sheetId: Id<'sheet'>,
  makeId: MakeId,
): ReturnType<typeof pasteMarks> => pasteMarks(job, gather(job, marks), sheetId, makeId);

/** Beside where they were on the same sheet, at the same place on another. */
const BESIDE_PT = 18;

/** Pastes onto a sheet. Scopes are found by id, else by their key; what the job lacks comes along. */
export function pasteMarks(
  job: Job,
  copied: Copied,
  sheetId: Id<'sheet'>,
  makeId: MakeId,
): { readonly command: Command; readonly ids: readonly Id<'mark'>[] } {
  const byKey = new Map([...job.scope.values()].map((scope) => [scope.key, scope]));
  const added: Scope[] = [];
  const scopeIds = new Map<string, Id<'scope'>>();
  let order = orderAfter(job.scope.values());
  for (const scope of copied.scopes) {
    const known = job.scope.get(scope.id) ?? byKey.get(scope.key);
    if (known?.kind === scope.kind) scopeIds.set(scope.id, known.id);
    else {
      // Sections, levels and zones are another job's own.
      const { dueOn: _levels, meets: _scopes, ...plain } = scope;
      const fresh: Scope = { ...plain, id: makeId('scope'), sectionId: null, order };
      order += 1;
      added.push(fresh);
      scopeIds.set(scope.id, fresh.id);
    }
  }
  const off = copied.sheetId === sheetId ? BESIDE_PT : 0;
  const markIds = new Map<string, Id<'mark'>>();
  const marks = copied.marks.map((mark): Mark => {
    const id = makeId('mark');
    markIds.set(mark.id, id);
    const strokes = mapStrokes(mark.strokes, ({ x, y }) => ({ x: x + off, y: y + off }));
    const { zoneId, ...plain } = mark;
    const zone = zoneId !== undefined && job.zone.has(zoneId) ? { zoneId } : {};
    return { ...plain, ...zone, id, sheetId, scopeId: scopeIds.get(mark.scopeId) ?? mark.scopeId, strokes };
  });
  const openings = copied.openings.map((opening): Opening => ({
    ...opening,
    id: makeId('opening'),
    markId: markIds.get(opening.markId) ?? opening.markId,
    scopeId: opening.scopeId === null ? null : (scopeIds.get(opening.scopeId) ?? null),
  }));
  return { command: put(...added, ...marks, ...openings), ids: [...markIds.values()] };
}
