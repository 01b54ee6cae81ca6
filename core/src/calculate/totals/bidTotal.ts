import type { Figures } from '../figures.ts';
import { knownValue } from '../define.ts';
import { bidNode } from '../graph/nodes.ts';

/** The bid of a job in whole minor units; 0 where it is not known. */
export const bidTotal = (calculation: Figures): number =>
  knownValue(calculation.figure(bidNode('total'))) ?? 0;
