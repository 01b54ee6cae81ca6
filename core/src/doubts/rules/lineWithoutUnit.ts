import { unitOfLine } from '../../estimate/lineSources.ts';
import { aboutLine } from '../aboutLine.ts';
import { type NoFacts, defineRule } from '../rule.ts';

const NONE: NoFacts = {};

/** Lines that are counted in nothing. */
export const lineWithoutUnit = defineRule('line-without-unit', 'lines', (context) =>
  context.lines
    .filter((line) => line.of.by !== 'purchase' && unitOfLine(line).trim() === '')
    .map((line) => aboutLine(context, line, NONE)),
);
