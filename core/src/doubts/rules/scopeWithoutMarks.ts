import { type NoFacts, defineRule } from '../rule.ts';

const NONE: NoFacts = {};

/** Things that were meant to be measured and are not. */
export const scopeWithoutMarks = defineRule('scope-without-marks', 'scopes', ({ job, figures }) =>
  [...job.scope.values()]
    .filter(({ id }) => !figures.isMeasured(id))
    .map(({ id, name }) => ({ of: id, name, place: { at: 'scope' as const, id }, facts: NONE })),
);
