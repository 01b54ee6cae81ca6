import type { Figures } from '../figures.ts';
import { knownValue } from '../define.ts';
import { bidNode } from '../graph/nodes.ts';

/** The bid of a job in whole minor units; 0 where it is not known. */
export const bidTotal = (figures: Figures): number => knownValue(figures.figure(bidNode('total'))) ?? 0;
