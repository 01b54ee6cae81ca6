import { describe, expect, it } from '@jest/globals';
import { createTestJob } from '../testing/job.ts';
import { TRADES } from './build.ts';
import { sectionOfTrade } from './sectionOfTrade.ts';

describe('the section of a trade', () => {
  it('is there for every trade in a new job', () => {
    const { job, sectionId } = createTestJob();
    for (const trade of TRADES) expect(sectionOfTrade(job, trade)).not.toBeNull();
    expect(sectionOfTrade(job, 'Electrical')).toBe(sectionId('26'));
  });

  it('is none where the job has no such section, or there is no trade', () => {
    const { job } = createTestJob();
    expect(sectionOfTrade({ ...job, section: new Map() }, 'Walls')).toBeNull();
    expect(sectionOfTrade(job, undefined)).toBeNull();
  });
});
