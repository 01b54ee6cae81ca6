import { describe, expect, it } from '@jest/globals';
import type { Command } from '../job/change.ts';
import { put } from '../job/change.ts';
import { createIdMaker } from '../job/id.ts';
import { type Job, applyDiff, createJob, settingsOf } from '../job/job.ts';
import { createChance } from '../testing/job.ts';
import { changeMeasuring, countOwnMoney } from './changeMeasuring.ts';
import { startJob } from './startJob.ts';

const makeId = createIdMaker(createChance());
const started = createJob(
  startJob(
    { name: 'Job', client: '', unitSystem: 'us', currency: 'USD', decimalMark: '.', groupMark: ',' },
    makeId,
  ),
);
const after = (job: Job, command: Command): Job => {
  const diff = command(job);
  if (!diff.ok) throw new Error(`after: refused, ${diff.problem.kind}`);
  return applyDiff(job, diff.value);
};
const itemOf = (job: Job, code: string) => {
  const found = [...job.item.values()].find((item) => item.code === code);
  if (found === undefined) throw new Error(`itemOf: no ${code}`);
  return found;
};

describe('a job that is measured in other units', () => {
  it('has its samples in those, and again as they were when it goes back', () => {
    const metric = after(started, changeMeasuring({ unitSystem: 'metric', currency: 'EUR' }));
    expect(settingsOf(metric)).toMatchObject({ unitSystem: 'metric', currency: 'EUR' });
    expect(itemOf(metric, 'CN-RM-30')).toMatchObject({ unit: 'm³', material: '198.81', sample: true });
    const back = after(metric, changeMeasuring({ unitSystem: 'us', currency: 'USD' }));
    expect([...back.item.values()]).toEqual([...started.item.values()]);
    expect([...back.craft.values()]).toEqual([...started.craft.values()]);
  });

  it('has no sample prices in a currency they are not made up in', () => {
    const pounds = after(started, changeMeasuring({ unitSystem: 'us', currency: 'GBP' }));
    expect(itemOf(pounds, 'CN-RM-30')).toMatchObject({ unit: 'yd³', material: '' });
    const back = after(pounds, changeMeasuring({ unitSystem: 'metric', currency: 'EUR' }));
    expect(itemOf(back, 'CN-RM-30')).toMatchObject({ unit: 'm³', material: '198.81', sample: true });
    expect([...pounds.craft.values()].every(({ wage }) => wage === '')).toBe(true);
  });

  it('keeps what somebody set as it is, and counts it', () => {
    expect(countOwnMoney(started)).toBe(0);
    const { sample: _shipped, ...own } = itemOf(started, 'CN-RM-30');
    const priced = after(started, put({ ...own, material: '171' }));
    expect(countOwnMoney(priced)).toBe(1);
    const metric = after(priced, changeMeasuring({ unitSystem: 'metric', currency: 'EUR' }));
    expect(itemOf(metric, 'CN-RM-30')).toMatchObject({ unit: 'yd³', material: '171' });
  });
});
