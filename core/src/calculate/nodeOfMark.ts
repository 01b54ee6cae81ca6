import type { Mark } from '../job/records/mark.ts';
import type { MarkMeasure } from '../takeoff/measures.ts';
import { markNode } from './nodes.ts';

/** A run that lies in its plan: nothing of it rises, and no ends are longer than drawn. */
const isFlat = ({ kind, tailsM, strokes }: Mark): boolean =>
  kind === 'run' &&
  tailsM === undefined &&
  strokes.every((stroke) => stroke.every(({ riseM }) => riseM === undefined));

/**
 * The node with a figure of a mark; undefined where it is nothing. Most runs are flat, and a large job has more of them
 * than of anything else: their plan length is their length, and no node says that nothing rises.
 */
export function nodeOfMark(mark: Mark, measure: MarkMeasure): string | undefined {
  if (hasOwnNode(mark, measure)) return markNode(mark.id, measure);
  return measure === 'rises' ? undefined : markNode(mark.id, 'length');
}

/** False for what is nothing of this mark, or is told by another of its figures. */
export const hasOwnNode = (mark: Mark, measure: MarkMeasure): boolean =>
  (measure !== 'rises' && measure !== 'plan_length') || !isFlat(mark);
