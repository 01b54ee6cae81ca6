import type { Figures } from '../calculate/figures.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import type { LineKey } from '../job/lineKey.ts';
import type { Failure } from '../job/failure.ts';

export interface Unpriced {
  readonly key: LineKey;
  readonly failure: Failure;
  /** Only the labor is not known; the rest of the line is in the bid. */
  readonly onlyLabor?: true;
}

/** Lines whose money is not known, with the reason: what the bid total does not hold yet. */
export function listUnpriced(figures: Figures): readonly Unpriced[] {
  const found: Unpriced[] = [];
  // Only what fails is looked at: this runs after every stroke of the pen.
  for (const [node, failure] of figures.failures()) {
    const { owner: key, figure } = node;
    if (figure === 'extension') found.push({ key, failure });
    if (figure === 'labor' && failure.kind === 'no-wage' && figures.has(lineNode(key, 'labor-known')))
      found.push({ key, failure, onlyLabor: true });
  }
  return found;
}
