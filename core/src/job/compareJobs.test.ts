import { describe, expect, it } from '@jest/globals';
import { createBench } from '../testing/priced.ts';
import { compareJobs } from './compareJobs.ts';
import { remove, update } from './change.ts';
import { settingsOf } from './job.ts';

describe('two states of a job', () => {
  it('that say the same differ in nothing', () => {
    const bench = createBench();
    expect(compareJobs(bench.job(), bench.job())).toEqual([]);
  });

  it('tell what changed, what is only here and what is only there, by type', () => {
    const bench = createBench();
    const before = bench.job();
    const [section] = before.section.values();
    if (section === undefined) throw new Error('no section');
    bench.attempt(update(settingsOf(before), (now) => ({ ...now, name: 'Other' })));
    bench.attempt(remove(section.id));
    bench.change(bench.line({ description: 'Extra' }));
    expect(compareJobs(before, bench.job())).toEqual([
      { type: 'settings', changed: 1, onlyInFirst: 0, onlyInSecond: 0 },
      { type: 'section', changed: 0, onlyInFirst: 1, onlyInSecond: 0 },
      { type: 'line', changed: 0, onlyInFirst: 0, onlyInSecond: 1 },
    ]);
  });
});
