import { isPriceFailure, linesThatFail } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';

/** Lines that cost nothing for want of a price, a wage or a quote. */
export const lineWithoutPrice = defineRule('line-without-price', 'lines', (context) =>
  linesThatFail(context, isPriceFailure),
);
