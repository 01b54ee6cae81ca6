import { checkAnyRecord } from '@zest/core/job/checkRecord';
import { checkJob } from '@zest/core/job/integrity';
import { type Job, createJob } from '@zest/core/job/job';
import { listRecords } from '@zest/core/job/job';
import type { JobRecord } from '@zest/core/job/record';

/** Chance that repeats, so that a demo file is the same bytes every time. */
export function createChance(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    return state / 2 ** 32;
  };
}

/** The job of some records, each of them and all of them together checked as after reading a file. */
export function finishJob(records: readonly JobRecord[]): Job {
  for (const record of records) {
    const checked = checkAnyRecord(record);
    if (!checked.ok) throw new Error(`finishJob: ${record.id} ${JSON.stringify(checked.problem)}`);
  }
  const job = createJob(records);
  const problem = checkJob(job);
  if (problem !== undefined) throw new Error(`finishJob: ${JSON.stringify(problem)}`);
  return job;
}

/** Who sells what in the demo, and when they last said for how much; invented. */
const SUPPLIERS: Readonly<Record<string, readonly [supplier: string, date: string]>> = {
  Framing: ['Larch & Fetter Lumber', '2026-09-14'],
  Concrete: ['Mudlark Ready-Mix', '2026-10-05'],
  Masonry: ['Cobble Yard Supply', '2026-08-28'],
  Board: ['Gable End Building Supply', '2026-09-30'],
  Sitework: ['Siltwater Aggregates', '2026-10-12'],
  Openings: ['Gable End Building Supply', '2026-09-30'],
  Labor: ['', '2026-07-01'],
};

/** A demo job's prices as those of its own suppliers, in it they are no samples; its builders read what assemblies ask. */
export const withOwnPrices = (job: Job): Job =>
  createJob(
    [...listRecords(job)].map((record) => {
      if (record.type === 'use') return { ...record, usualKept: true as const };
      if (record.type !== 'item' && record.type !== 'craft') return record;
      const { sample: _shipped, ...own } = record;
      if (own.type === 'craft' || own.date !== '') return own;
      const [supplier, date] = SUPPLIERS[own.group] ?? ['', '2026-10-01'];
      return { ...own, supplier, date };
    }),
  );

/** What the demo's builders add to their costs. */
export const DEMO_MARKUPS = [
  { name: 'Overhead', percent: '12', base: 'cost' },
  { name: 'Contingency', percent: '3', base: 'cost' },
  { name: 'Profit', percent: '6', base: 'running' },
] as const;
