import { knownValue } from '../../calculate/define.ts';
import { measureNode } from '../../calculate/graph/nodes.ts';
import { defineRule } from '../rule.ts';

/** More or fewer were counted than the schedule says there are. */
export const countUnexpected = defineRule('count-unexpected', 'scopes', ({ job, figures }) =>
  [...job.scope.values()].flatMap(({ id, name, expected }) => {
    if (expected === undefined || !figures.isMeasured(id)) return [];
    const counted = knownValue(figures.figure(measureNode(id, 'count')));
    if (counted === undefined || counted === expected) return [];
    return [{ of: id, name, place: { at: 'scope' as const, id }, facts: { counted, expected } }];
  }),
);
