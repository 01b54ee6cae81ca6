import type { Id } from '../../job/id.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import type { Define } from '../define.ts';
import { yardstickNode } from '../graph/nodes.ts';
import { jobNames } from '../queries/jobNames.ts';
import { compileValue, ruleOf } from '../queries/names.ts';

/** The driver of a yardstick, in its own unit's SI. */
export const defineYardstick: Define = ({ job }, id) => {
  const yardstick = job.yardstick.get(id as Id<'yardstick'>);
  if (yardstick === undefined) return [];
  const { driver, unit } = yardstick;
  const node = yardstickNode(id);
  const names = jobNames(job);
  const value = compileValue(driver, unit, names, unit === '' ? undefined : unitOrLabel(unit).dimension);
  return [[node, ruleOf(node, value, names)]];
};
