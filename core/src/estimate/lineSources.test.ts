import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type Job, createJob, listRecords } from '../job/job.ts';
import { anyEdits, deskAfter, doSomething, startBusyBench } from '../testing/randomEdits.ts';
import { createBench } from '../testing/priced.ts';
import { makePackage } from '../testing/records.ts';
import {
  LINE_MAKERS,
  costCodeOfLine,
  findLine,
  itemCodeOfLine,
  nameOfLine,
  unitOfLine,
} from './lineSources.ts';
import { countedLinesOf, listCounted, listLines } from './lines.ts';
import { isPriced, listRows } from './rows.ts';

describe('the lines of a job', () => {
  it('are those that the estimate shows, each once', () => {
    fc.assert(
      fc.property(anyEdits, (list) => {
        const job = deskAfter(list).job();
        const keys = [...listLines(job)].map(({ key }) => key);
        const shown = listRows(job).flatMap((row) => (isPriced(row) ? [row.key] : []));
        expect(keys.sort()).toEqual(shown.sort());
        expect(new Set(keys).size).toBe(keys.length);
      }),
      { numRuns: 30 },
    );
  });

  it('are found again by their keys, and nothing else is', () => {
    fc.assert(
      fc.property(anyEdits, (list) => {
        const job = deskAfter(list).job();
        for (const line of listLines(job)) expect(findLine(job, line.key)).toEqual(line);
        for (const row of listRows(job)) if (!isPriced(row)) expect(findLine(job, row.key)).toBeUndefined();
        for (const gone of ['', 'line:gone', 'use:gone/component/x', 'constructor'])
          expect(findLine(job, gone)).toBeUndefined();
      }),
      { numRuns: 30 },
    );
  });

  it('stand in the rows of a job that was followed as in those of one that was opened', () => {
    const told = (job: Job): unknown =>
      listRows(job).map((row) => [row.type, row.key, row.depth, row.type === 'subtotal' ? row.over : []]);
    fc.assert(
      fc.property(anyEdits, (list) => {
        const bench = startBusyBench();
        for (const [what, pick, amount] of list) {
          doSomething(bench, what, pick, amount);
          // Looked at in between, as a screen does: what is kept of it must not be what is seen later.
          listRows(bench.job());
        }
        const job = bench.job();
        expect(told(job)).toEqual(told(createJob(listRecords(job))));
        expect(listRows(job).map((row) => (row.type === 'line' ? row.line : undefined))).toEqual(
          listRows(job).map((row) => (row.type === 'line' ? job.line.get(row.line.id) : undefined)),
        );
      }),
      { numRuns: 30 },
    );
  });

  it('that count are those of each maker that count', () => {
    fc.assert(
      fc.property(anyEdits, (list) => {
        const job = deskAfter(list).job();
        for (const { key, by, makerId } of listCounted(job))
          expect(countedLinesOf(job, by, makerId).map((each) => each.key)).toContain(key);
      }),
      { numRuns: 10 },
    );
  });

  it('have a name, a unit and codes, wherever they come from', () => {
    const bench = createBench();
    const section = bench.sectionId('03');
    const pack = makePackage(bench.makeId, { name: 'Roofing', sectionId: section });
    const typed = bench.line({
      description: 'Permit',
      unit: 'ea',
      itemCode: 'X',
      costCode: '01 41',
      sectionId: section,
    });
    const bare = bench.line({ description: 'Bare', sectionId: section });
    bench.change(pack, typed, bare, bench.line({ is: 'text', description: 'By others' }));
    const job = bench.job();
    const told = [...listLines(job)].map((line) => [
      nameOfLine(line),
      unitOfLine(line),
      itemCodeOfLine(job, line),
      costCodeOfLine(job, line),
    ]);
    const code = job.section.get(section)?.code;
    expect(told).toEqual([
      ['Permit', 'ea', 'X', '01 41'],
      ['Bare', 'ea', '', code],
      ['Roofing', 'sum', '', code],
    ]);
    expect(LINE_MAKERS).toEqual(['use', 'line', 'purchase', 'package']);
  });
});
