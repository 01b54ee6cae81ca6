import { costCodeOfLine } from '../../estimate/lineSources.ts';
import { aboutLine } from '../aboutLine.ts';
import { type NoFacts, defineRule } from '../rule.ts';

const NONE: NoFacts = {};

/** Lines that report to no cost code, though they stand in a section. */
export const lineWithoutCode = defineRule('line-without-code', 'lines', (context) =>
  context.lines
    .filter(
      (line) =>
        line.of.by !== 'purchase' && line.sectionId !== null && costCodeOfLine(context.job, line) === '',
    )
    .map((line) => aboutLine(context, line, NONE)),
);
