import type { Rule } from '../graph/graph.ts';
import type { Yardstick } from '../job/records/yardstick.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { type Names, compileValue, ruleOf } from './names.ts';
import { yardstickNode } from './nodes.ts';

/** The driver of a yardstick as a node, in its own unit's SI. */
export function defineYardstick(yardstick: Yardstick, names: Names): readonly [string, Rule] {
  const { id, driver, unit } = yardstick;
  const node = yardstickNode(id);
  const value = compileValue(driver, unit, names, unit === '' ? undefined : unitOrLabel(unit).dimension);
  return [node, ruleOf(node, value, names)];
}
