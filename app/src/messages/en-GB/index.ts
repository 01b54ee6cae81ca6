import { assemblies } from './assemblies.ts';
import { bid } from './bid.ts';
import { estimate } from './estimate.ts';
import { failure } from './failure.ts';
import { field } from './field.ts';
import { frame } from './frame.ts';
import { help } from './help.ts';
import { measure } from './measure.ts';
import { prices } from './prices.ts';
import { problem } from './problem.ts';
import { report } from './report.ts';
import { sheets } from './sheets.ts';
import { word } from './word.ts';

/** What is written otherwise in the United Kingdom; the rest is as in the US. */
export const enGB = {
  assemblies,
  bid,
  estimate,
  failure,
  field,
  frame,
  help,
  measure,
  prices,
  problem,
  report,
  sheets,
  word,
} as const;
