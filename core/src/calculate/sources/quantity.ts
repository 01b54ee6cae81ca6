import type { Id } from '../../job/id.ts';
import type { Define } from '../define.ts';
import { quantityNode } from '../graph/nodes.ts';
import { compiledQuantity, jobNames } from '../queries/jobNames.ts';
import { ruleOf } from '../queries/names.ts';

/** A figure of the job that a person named. */
export const defineQuantity: Define = ({ job }, id) => {
  if (!job.quantity.has(id as Id<'quantity'>)) return [];
  const node = quantityNode(id);
  return [[node, ruleOf(node, compiledQuantity(job, id), jobNames(job))]];
};
