import { groupBy } from '@zest/core/job/groupBy';
import type { Job } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Opening } from '@zest/core/job/records/opening';
import type { Sheet } from '@zest/core/job/records/sheet';
import { scaleOfMark } from '@zest/core/job/scaleAt';
import type { JobState, JobStore } from '../stores/jobStore.ts';
import type { Viewport } from './viewport.ts';
import type { ShownMark } from './render/marksLayer.ts';
import type { HitIndex } from './tools/hitIndex.ts';

const NO_OPENINGS: readonly Opening[] = [];
const sameOpenings = (a: readonly Opening[] = NO_OPENINGS, b: readonly Opening[] = NO_OPENINGS): boolean =>
  a.length === b.length && a.every((opening, i) => opening === b[i]);

/** What stands on the desk of one sheet. */
interface Shown {
  readonly revision: number;
  readonly scales: string;
  readonly marks: Map<string, Mark>;
  readonly openings: ReadonlyMap<string, readonly Opening[]>;
}

/**
 * Keeps what is drawn and what can be hit in step with the job. It follows once the total stands, or as soon as a
 * place is searched for: a click right after a change finds the marks as they are. Only what a change touched is sent
 * on. Returns how to stop.
 */
export function feedMarks(
  jobs: JobStore,
  sheetId: Sheet['id'],
  viewport: Viewport,
  hits: HitIndex,
): () => void {
  let shown: Shown | undefined;
  const follow = (state: JobState): void => {
    if (state.open === undefined || state.revision === shown?.revision) return;
    const { job } = state.open;
    const scales = scalesOf(job, sheetId);
    const isNextStep = shown?.scales === scales && state.revision === shown.revision + 1;
    shown =
      shown !== undefined && isNextStep
        ? change(shown, state, job, sheetId, viewport, hits)
        : load(job, sheetId, state.revision, scales, viewport, hits);
  };
  // One after the other: each tells only what it changed itself.
  let waiting: JobState[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  const catchUp = (): void => {
    clearTimeout(timer);
    timer = undefined;
    const states = waiting;
    waiting = [];
    states.forEach(follow);
  };
  follow(jobs.getState());
  hits.beforeSearch(catchUp);
  const stop = jobs.subscribe((state, before) => {
    if (state.revision === before.revision && state.open === before.open) return;
    waiting.push(state);
    timer ??= setTimeout(catchUp);
  });
  return () => {
    stop();
    clearTimeout(timer);
    hits.beforeSearch(undefined);
  };
}

function scalesOf(job: Job, sheetId: Sheet['id']): string {
  const sheet = job.sheet.get(sheetId);
  return JSON.stringify([sheet?.scale, sheet?.scaleAreas]);
}

const openingsOf = (job: Job): Shown['openings'] =>
  groupBy(job.opening.values(), ({ markId }): string => markId);

const withOpenings =
  (job: Job, openings: Shown['openings']) =>
  (mark: Mark): ShownMark => ({
    mark,
    openings: openings.get(mark.id) ?? NO_OPENINGS,
    metersPerPoint: scaleOfMark(job, mark)?.xMetersPerPoint,
  });

function load(
  job: Job,
  sheetId: Sheet['id'],
  revision: number,
  scales: string,
  viewport: Viewport,
  hits: HitIndex,
): Shown {
  const marks = new Map<string, Mark>();
  for (const mark of job.mark.values()) if (mark.sheetId === sheetId) marks.set(mark.id, mark);
  const openings = openingsOf(job);
  viewport.marks.load([...marks.values()].map(withOpenings(job, openings)));
  hits.set(marks.values());
  return { revision, scales, marks, openings };
}

/** Marks a change touched: themselves, or by an opening in them. */
function touchedMarks({ lastDiff }: JobState): ReadonlySet<Mark['id']> {
  const touched = new Set<Mark['id']>();
  for (const record of [...lastDiff.added, ...lastDiff.removed, ...lastDiff.updated.flat()]) {
    if (record.type === 'mark') touched.add(record.id);
    if (record.type === 'opening') touched.add(record.markId);
  }
  return touched;
}

function change(
  before: Shown,
  state: JobState,
  job: Job,
  sheetId: Sheet['id'],
  viewport: Viewport,
  hits: HitIndex,
): Shown {
  const openings = openingsOf(job);
  const changed: Mark[] = [];
  const removed: string[] = [];
  for (const markId of touchedMarks(state)) {
    const mark = job.mark.get(markId);
    const known = before.marks.get(markId);
    if (mark?.sheetId === sheetId) {
      const same = mark === known && sameOpenings(before.openings.get(markId), openings.get(markId));
      if (!same) changed.push(mark);
      before.marks.set(markId, mark);
    } else if (known !== undefined) {
      removed.push(markId);
      before.marks.delete(markId);
    }
  }
  for (const markId of removed) hits.remove(markId);
  for (const mark of changed) hits.put(mark);
  if (changed.length + removed.length > 0)
    viewport.marks.change(changed.map(withOpenings(job, openings)), removed);
  return { ...before, revision: state.revision, openings };
}
