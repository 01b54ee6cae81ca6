import { lineNode } from '../../calculate/graph/nodes.ts';
import { aboutLine } from '../aboutLine.ts';
import { type NoFacts, defineRule } from '../rule.ts';

const NONE: NoFacts = {};

/** Lines of nothing. What an assembly leaves at nothing, with its scope measured, is its rule. */
export const zeroQuantity = defineRule('zero-quantity', 'lines', (context) =>
  context.lines
    .filter(({ key, of }) => of.by === 'line' && context.known(lineNode(key, 'quantity')) === 0)
    .map((line) => aboutLine(context, line, NONE)),
);
