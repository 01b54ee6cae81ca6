import type { MarkMeasure } from '../../job/measures.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { markNode } from '../graph/nodes.ts';
import type { MarkForm } from '../queries/marks.ts';

type Flat = Pick<MarkForm, 'flat'>;

/**
 * The node with a figure of a mark; undefined where it is nothing. Most runs are flat, and a large job has more of them
 * than of anything else: their plan length is their length, and no node says that nothing rises.
 */
export function nodeOfMark(id: string, form: Flat, measure: MarkMeasure): NodeId | undefined {
  if (hasOwnNode(form, measure)) return markNode(id, measure);
  return measure === 'rises' ? undefined : markNode(id, 'length');
}

/** False for what is nothing of this mark, or is told by another of its figures. */
export const hasOwnNode = ({ flat }: Flat, measure: MarkMeasure): boolean =>
  (measure !== 'rises' && measure !== 'plan_length') || !flat;
