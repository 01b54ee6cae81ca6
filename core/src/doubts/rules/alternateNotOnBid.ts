import { knownValue } from '../../calculate/define.ts';
import { lineNode } from '../../calculate/graph/nodes.ts';
import { listLines } from '../../estimate/lines.ts';
import { defineRule } from '../rule.ts';

/** Options the client cannot read a price of: nothing belongs to them, or what does has none. */
export const alternateNotOnBid = defineRule('alternate-not-on-bid', 'alternates', ({ job, figures }) => {
  if (job.alternate.size === 0) return [];
  const lines = [...listLines(job)];
  return [...job.alternate.values()].flatMap(({ id, name }) => {
    const own = lines.filter(({ alternate }) => alternate?.id === id);
    const unpriced = own.filter(
      ({ key }) => knownValue(figures.figure(lineNode(key, 'extension'))) === undefined,
    ).length;
    if (own.length > 0 && unpriced === 0) return [];
    return [{ of: id, name, place: { at: 'alternates' as const }, facts: { lines: own.length, unpriced } }];
  });
});
