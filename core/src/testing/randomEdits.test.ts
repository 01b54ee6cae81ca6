import { describe, expect, it } from '@jest/globals';
import { listRecords } from '../job/job.ts';
import { RECORD_SCHEMAS } from '../job/record.ts';
import { DEED_COUNT, doSomething, startBusyBench } from './randomEdits.ts';
import { createChance } from './job.ts';

/** Records no figure follows from. */
const BESIDE = [
  'file',
  'schedule',
  'acceptance',
  'textBlock',
  'logo',
  'companyCopy',
  'report',
  'document',
  'version',
  'request',
  'offer',
  'purchaseOrder',
  'stock',
];

describe('random edits', () => {
  const chance = createChance(7);
  const pick = (below: number): number => Math.floor(chance() * below);
  const did = new Set<number>();
  const seen = new Set<string>();
  for (let round = 0; round < 25; round += 1) {
    const bench = startBusyBench();
    for (let step = 0; step < DEED_COUNT * 2; step += 1) {
      const what = pick(DEED_COUNT);
      const was = bench.job();
      doSomething(bench, what, pick(1000), 1 + pick(400));
      if (bench.job() !== was) did.add(what);
    }
    for (const record of listRecords(bench.job())) seen.add(record.type);
  }

  it('all do something: none is refused every time', () => {
    expect(Array.from({ length: DEED_COUNT }, (_, what) => what).filter((what) => !did.has(what))).toEqual(
      [],
    );
  });

  it('reach every type of record a figure follows from', () => {
    const types = Object.keys(RECORD_SCHEMAS);
    expect(types.filter((type) => !seen.has(type) && !BESIDE.includes(type))).toEqual([]);
  });
});
