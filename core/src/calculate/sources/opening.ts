import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import type { Opening } from '../../job/records/opening.ts';
import type { Define } from '../define.ts';
import { valued } from '../graph/rule.ts';
import { openingNode } from '../graph/nodes.ts';
import { formOfMark } from '../queries/marks.ts';

/** An opening counts as often as its host does. */
export const timesOfOpening = (job: Job, { markId }: Opening): number =>
  job.mark.has(markId) ? formOfMark(job, markId).times : 1;

/** How often an opening is there, where a count counts it. */
export const defineOpening: Define = ({ job }, id) => {
  const opening = job.opening.get(id as Id<'opening'>);
  if (opening === undefined || opening.scopeId === null) return [];
  return [[openingNode(id), valued(timesOfOpening(job, opening))]];
};
