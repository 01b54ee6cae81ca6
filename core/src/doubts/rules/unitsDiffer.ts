import { linesThatFail } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';

/** Lines whose quantity is in a unit that the price is not for. */
export const unitsDiffer = defineRule('units-differ', 'lines', (context) =>
  linesThatFail(context, (kind) => kind === 'units-do-not-convert'),
);
