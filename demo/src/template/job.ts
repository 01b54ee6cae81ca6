import { type Job, createJob, listRecords } from '@zest/core/job/job';
import { USUAL_TEMPLATE, templateOf } from '@zest/core/library/template';
import { createHeronJob } from '../heron/job.ts';
import { finishJob } from '../finishJob.ts';

/** 'Small timber building': what must come out, with every quantity at zero. */
export function createTemplateJob(): Job {
  const records = templateOf(createHeronJob(), 'Small timber building', USUAL_TEMPLATE);
  return finishJob([...listRecords(createJob(records))]);
}
