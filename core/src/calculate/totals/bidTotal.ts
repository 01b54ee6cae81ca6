import type { Calculation } from '../calculation.ts';
import { knownValue } from '../define.ts';
import { bidNode } from '../graph/nodes.ts';

/** The bid of a job in whole minor units; 0 where it is not known. */
export const bidTotal = (calculation: Calculation): number =>
  knownValue(calculation.figure(bidNode('total'))) ?? 0;
