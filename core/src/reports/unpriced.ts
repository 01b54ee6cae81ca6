import type { Calculation } from '../calculate/calculation.ts';
import { lineNode } from '../calculate/nodes.ts';
import type { LineKey } from '../estimate/lineKey.ts';
import { componentLine } from '../estimate/lineKey.ts';
import type { Failure } from '../graph/failure.ts';

/** Lines whose money is not known, with the reason: what the bid total does not hold yet. */
export function listUnpriced(
  calculation: Calculation,
): readonly { readonly key: LineKey; readonly failure: Failure }[] {
  const { job } = calculation;
  const keys: LineKey[] = [...job.line.keys()];
  for (const use of job.use.values())
    for (const { key } of job.assembly.get(use.assemblyId)?.components ?? [])
      keys.push(componentLine(use.id, key));
  return keys.flatMap((key) => {
    const { failure } = calculation.figure(lineNode(key, 'extension'));
    return failure === undefined ? [] : [{ key, failure }];
  });
}
