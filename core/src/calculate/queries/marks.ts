import { openingsOfMark } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import { query } from '../../job/query.ts';
import type { Mark } from '../../job/records/mark.ts';
import { repeatOf } from '../../takeoff/repeat.ts';

/** What sums over marks must know of one: all but its figures. Few marks differ in it. */
export interface MarkForm {
  /** A run that lies in its plan: nothing of it rises, and no ends are longer than drawn. */
  readonly flat: boolean;
  /** Openings sit in it. */
  readonly opened: boolean;
  readonly times: number;
}

export const isFlat = ({ kind, tailsM, strokes }: Mark): boolean =>
  kind === 'run' &&
  tailsM === undefined &&
  strokes.every((stroke) => stroke.every(({ riseM }) => riseM === undefined));

const GONE: MarkForm = { flat: true, opened: false, times: 0 };

/** Moving a mark leaves its form as it is, and with it all that only sums over it. */
export const formOfMark = query((job, id): MarkForm => {
  const mark = job.mark.get(id as Id<'mark'>);
  if (mark === undefined) return GONE;
  return { flat: isFlat(mark), opened: openingsOfMark(job, id).length > 0, times: repeatOf(job, mark) };
});
