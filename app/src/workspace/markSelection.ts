import type { Job } from '@zest/core/job/job';
import { put } from '@zest/core/job/change';
import { removeMarks } from '@zest/core/job/commands/removeWith';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import { tellProblem } from '../parts/toaster.tsx';
import { describeProblem } from '../messages/describeProblem.ts';
import type { Stores } from '../stores/context.tsx';
import { isMarkShown } from '../stores/viewStore.ts';
import { copiedMarks, copyMarks, pasteMarks } from './clipboard.ts';
import { type Handle, moveStrokes, removeVertex } from './tools/edit.ts';
import { t } from '../messages/t.ts';

/** Sheet points a press of an arrow key moves the selected marks; with Shift ten times as far. */
export const NUDGES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** What the hand holds at the moment of a gesture. */
interface Held {
  readonly job: Job;
  readonly sheet: Sheet;
  readonly selectedIds: ReadonlySet<string>;
  readonly vertex: Handle | undefined;
}

/** The selected marks and what keys do with them. */
export interface MarkSelection {
  readonly shown: (mark: Mark) => boolean;
  readonly selectedNow: () => readonly Mark[];
  readonly nudge: (dx: number, dy: number) => boolean;
  readonly selectWhere: (wanted: (mark: Mark) => boolean) => void;
  /** Ctrl or Cmd with a letter: all, copy, cut, paste. */
  readonly command: (event: KeyboardEvent) => boolean;
  readonly removeSelected: () => void;
}

const countOf = ({ length }: readonly Mark[]): string => t('count.mark', { count: length });

export function createMarkSelection(
  stores: Stores,
  held: () => Held,
  setVertex: (vertex: Handle | undefined) => void,
): MarkSelection {
  const { jobs, view } = stores;
  const shown = (mark: Mark): boolean => {
    const scope = held().job.scope.get(mark.scopeId);
    return scope !== undefined && isMarkShown(view.getState(), scope, mark.zoneId);
  };
  const selectedNow = (): readonly Mark[] =>
    [...held().selectedIds]
      .map((id) => held().job.mark.get(id as Mark['id']))
      .filter((mark) => mark !== undefined && mark.sheetId === held().sheet.id) as Mark[];
  const movable = (): readonly Mark[] => selectedNow().filter(({ locked }) => locked !== true);
  /** Small steps by keys; one press is one step of undo. */
  const nudge = (dx: number, dy: number): boolean => {
    const marks = movable();
    if (marks.length === 0) return false;
    const moved = marks.map((mark) => ({ ...mark, strokes: moveStrokes(mark.strokes, { x: dx, y: dy }) }));
    jobs.actions.transact(t('workspace.nudge', { marks: countOf(marks) }), put(...moved));
    return true;
  };
  const selectWhere = (wanted: (mark: Mark) => boolean): void => {
    const { job: now, sheet: on } = held();
    const found = [...now.mark.values()].filter(
      (mark) => mark.sheetId === on.id && shown(mark) && wanted(mark),
    );
    view.setState({ selectedMarks: new Set(found.map(({ id }) => id)), tool: 'select' });
  };
  const command = (event: KeyboardEvent): boolean => {
    const key = event.key.toLowerCase();
    const marks = selectedNow();
    if (key === 'a') {
      const scopeId = view.getState().penScope;
      selectWhere((mark) => scopeId === undefined || mark.scopeId === scopeId);
    } else if ((key === 'c' || key === 'x') && marks.length > 0) {
      copyMarks(held().job, marks);
      if (key === 'x') removeSelected();
    } else if (key === 'v' && copiedMarks() !== undefined) pasteInto(stores, held());
    else return false;
    return true;
  };
  const removeSelected = (): void => {
    const { vertex: picked, job: now } = held();
    const mark = picked === undefined ? undefined : now.mark.get(picked.markId);
    if (picked !== undefined && mark !== undefined && !picked.middle) {
      setVertex(undefined);
      return deleteVertex(stores, mark, picked);
    }
    const marks = movable();
    if (marks.length === 0) return;
    jobs.actions.transact(
      t('workspace.delete', { marks: countOf(marks) }),
      removeMarks(marks.map(({ id }) => id)),
    );
    view.setState({ selectedMarks: new Set() });
  };

  return { shown, selectedNow, nudge, selectWhere, command, removeSelected };
}

/** Pastes onto the sheet, where the marks were on theirs. */
function pasteInto(stores: Stores, { job, sheet }: Pick<Held, 'job' | 'sheet'>): void {
  const { jobs, view } = stores;
  const copied = copiedMarks();
  if (copied === undefined) return;
  const pasted = pasteMarks(job, copied, sheet.id, stores.services.makeId);
  const done = jobs.actions.transact(
    t('workspace.paste', { marks: t('count.mark', { count: copied.marks.length }) }),
    pasted.command,
  );
  if (done.ok) view.setState({ selectedMarks: new Set(pasted.ids), tool: 'select' });
  else tellProblem(describeProblem(done.problem));
}

/** A mark of which too little would be left goes as a whole. */
function deleteVertex({ jobs }: Stores, mark: Mark, picked: Handle): void {
  const strokes = removeVertex(mark, picked);
  if (strokes === undefined) jobs.actions.transact(t('workspace.deleteAMark'), removeMarks([mark.id]));
  else jobs.actions.transact(t('workspace.deleteAVertex'), put({ ...mark, strokes }));
}
