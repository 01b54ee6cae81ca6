import type { Calculation } from '../calculate/calculation.ts';
import { lineOfExtension } from '../calculate/nodes.ts';
import type { LineKey } from '../estimate/lineKey.ts';
import type { Failure } from '../graph/failure.ts';

export interface Unpriced {
  readonly key: LineKey;
  readonly failure: Failure;
}

/** Lines whose money is not known, with the reason: what the bid total does not hold yet. */
export function listUnpriced({ graph }: Calculation): readonly Unpriced[] {
  const found: Unpriced[] = [];
  // Only what fails is looked at: this runs after every stroke of the pen.
  for (const [node, failure] of graph.failures()) {
    const key = lineOfExtension(node);
    if (key !== undefined) found.push({ key, failure });
  }
  return found;
}
