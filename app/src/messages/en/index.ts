import { assemblies } from './assemblies.ts';
import { bid } from './bid.ts';
import { common } from './common.ts';
import { count } from './count.ts';
import { doubt } from './doubt.ts';
import { estimate } from './estimate.ts';
import { failure } from './failure.ts';
import { field } from './field.ts';
import { formula } from './formula.ts';
import { frame } from './frame.ts';
import { help } from './help.ts';
import { jobs } from './jobs.ts';
import { look } from './look.ts';
import { measure } from './measure.ts';
import { next } from './next.ts';
import { orders } from './orders.ts';
import { prices } from './prices.ts';
import { problem } from './problem.ts';
import { report } from './report.ts';
import { settings } from './settings.ts';
import { sheets } from './sheets.ts';
import { table } from './table.ts';
import { word } from './word.ts';
import { workspace } from './workspace.ts';

/** English as it is written in the US: the catalog the keys are from. */
export const en = {
  assemblies,
  bid,
  common,
  count,
  doubt,
  estimate,
  failure,
  field,
  formula,
  frame,
  help,
  jobs,
  look,
  measure,
  next,
  orders,
  prices,
  problem,
  report,
  settings,
  sheets,
  table,
  word,
  workspace,
} as const;
