import type { Calculation } from '../calculate/calculation.ts';
import { lineOfExtension, lineOfLabor } from '../calculate/nodes.ts';
import type { LineKey } from '../estimate/lineKey.ts';
import type { Failure } from '../graph/failure.ts';

export interface Unpriced {
  readonly key: LineKey;
  readonly failure: Failure;
  /** Only the labor is not known; the rest of the line is in the bid. */
  readonly onlyLabor?: true;
}

/** Lines whose money is not known, with the reason: what the bid total does not hold yet. */
export function listUnpriced({ graph }: Calculation): readonly Unpriced[] {
  const found: Unpriced[] = [];
  // Only what fails is looked at: this runs after every stroke of the pen.
  for (const [node, failure] of graph.failures()) {
    const key = lineOfExtension(node);
    if (key !== undefined) found.push({ key, failure });
    const labor = lineOfLabor(node);
    if (labor !== undefined && failure.kind === 'no-wage' && graph.has(`${labor}/labor-known`))
      found.push({ key: labor, failure, onlyLabor: true });
  }
  return found;
}
