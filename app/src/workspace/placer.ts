import { isRing } from '@zest/core/job/markKinds';
import { put, remove } from '@zest/core/job/change';
import { removeMarks } from '@zest/core/job/commands/removeWith';
import type { Point } from '@zest/core/geometry/point';
import type { Job } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import { shapeCrossesItself } from '@zest/core/takeoff/measureMark';
import { type Inside, findAround } from '@zest/core/takeoff/holes';
import { nextOpeningRow } from '@zest/core/takeoff/openingRows';
import { tellProblem } from '../parts/toaster.tsx';
import { describeProblem } from '../messages/describeProblem.ts';
import type { Stores } from '../stores/context.tsx';
import { chosenScope, markOf, openingAt, openingRows, scopeFor } from './drawing.ts';
import { enclosesNothing, isCounted, isOpened } from './sameSpot.ts';
import type { Strokes } from './tools/edit.ts';
import { t } from '../messages/t.ts';

/** Puts what a pen has drawn into the job, and takes the last of it back. */
export interface Placer {
  readonly mark: (kind: Mark['kind'], strokes: Strokes) => void;
  /** One thing counted; refused where the scope counts one within so many sheet points. */
  readonly count: (at: Point, withinPt: number) => void;
  readonly opening: (host: Mark | undefined, at: Point, withinPt: number) => void;
  readonly takeBackOpening: () => void;
  readonly takeBackCount: () => void;
}

export function createPlacer(
  stores: Stores,
  held: HeldNow,
  onInside: (inside: Inside | undefined) => void,
): Placer {
  const { jobs, view } = stores;
  const placeMark: Placer['mark'] = (kind, strokes) => {
    const target = scopeFor(stores, kind);
    if (target === undefined) return;
    const isClosed = isRing(kind);
    if (isClosed && strokes.some(enclosesNothing))
      return tellProblem(t('workspace.theseCornersEncloseNothingDrawThe'));
    const mark = markOf(stores, target, held().sheet, strokes);
    const done = jobs.actions.transact(t('workspace.draw', { name: target.name }), put(mark));
    if (!done.ok) return tellProblem(describeProblem(done.problem));
    jobs.actions.select({ type: 'scope', id: target.id });
    const host = findAround(held().job, mark);
    onInside(host === undefined ? undefined : { holeId: mark.id, hostId: host.id });
    if (isClosed && shapeCrossesItself(mark))
      tellProblem(t('workspace.theOutlineCrossesItselfWhatIsEnclosed'));
  };
  return {
    mark: placeMark,
    count: (at, withinPt) => {
      const target = scopeFor(stores, 'count');
      if (target === undefined) return;
      const { job, sheet } = held();
      if (isCounted(job, target, sheet, at, withinPt))
        tellProblem(t('workspace.isCountedHereAlreadyZoomInFor', { name: target.name }));
      else placeMark('count', [[at]]);
    },
    opening: (host, at, withinPt) => {
      const opening = host === undefined ? undefined : openingAt(stores, host, at);
      if (opening === undefined) {
        tellProblem(t('workspace.openingsSitInARunAnArea'));
        return;
      }
      if (isOpened(held().job, opening, withinPt))
        return tellProblem(t('workspace.anOpeningSitsHereAlreadyPlaceThis'));
      const name = held().job.scope.get(opening.scopeId as Scope['id'])?.name ?? 'opening';
      const done = jobs.actions.transact(t('workspace.place', { name }), put(opening));
      if (!done.ok) return tellProblem(describeProblem(done.problem));
      const { openingRow } = view.getState();
      const job = jobs.getState().open?.job;
      // A schedule is gone through row by row: the next tag that sits nowhere yet.
      if (openingRow !== undefined && job !== undefined)
        view.setState({ openingRow: nextOpeningRow(job, openingRows(job), openingRow) });
    },
    ...takeBacks(stores, held),
  };
}

type HeldNow = () => { readonly job: Job; readonly sheet: Sheet };

/** The last that was placed on the sheet, taken back while its tool is still at work. */
function takeBacks(stores: Stores, held: HeldNow): Pick<Placer, 'takeBackOpening' | 'takeBackCount'> {
  const { jobs } = stores;
  return {
    takeBackOpening: () => {
      const { job: now, sheet: on } = held();
      const last = [...now.opening.values()]
        .filter(({ markId }) => now.mark.get(markId)?.sheetId === on.id)
        .at(-1);
      if (last !== undefined) jobs.actions.transact(t('workspace.takeBackAnOpening'), remove(last.id));
    },
    takeBackCount: () => {
      const { job: now, sheet: on } = held();
      const target = chosenScope(stores, 'count');
      const last = [...now.mark.values()]
        .filter((mark) => mark.scopeId === target?.id && mark.sheetId === on.id)
        .at(-1);
      if (last !== undefined)
        jobs.actions.transact(
          t('workspace.takeBack', { name: target?.name ?? t('workspace.aPoint') }),
          removeMarks([last.id]),
        );
    },
  };
}
