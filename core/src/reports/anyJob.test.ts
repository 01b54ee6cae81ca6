import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode, measureNode } from '../calculate/graph/nodes.ts';
import { takeSecondLook } from '../doubts/secondLook.ts';
import { listRows } from '../estimate/rows.ts';
import { readZestjob } from '../formats/zestjob/read.ts';
import { writeZestjob } from '../formats/zestjob/write.ts';
import { put } from '../job/change.ts';
import { restoreJob } from '../job/commands/restore.ts';
import { checkJob } from '../job/integrity.ts';
import { createJob, listRecords } from '../job/job.ts';
import { type CopiedRow, copyRows } from '../library/copyRows.ts';
import { USUAL_TEMPLATE, templateOf } from '../library/template.ts';
import { anyEdits, deskAfter, startBusyBench } from '../testing/randomEdits.ts';
import { differences } from '../testing/differences.ts';
import { createBench } from '../testing/priced.ts';
import { minorDigits } from '../pricing/money.ts';
import { priceAlternates } from './alternates.ts';
import { BID_DETAILS } from '../job/records/document.ts';
import { bidReport } from './bidReport.ts';
import type { BidInnerRow } from './bidRows.ts';
import { BRIDGE_CAUSES, bridgeOf } from './bridge.ts';
import { hoursByCraft } from './hoursByCraft.ts';

const RUNS = { numRuns: 25 };
const sum = (amounts: Iterable<number>): number => [...amounts].reduce((all, each) => all + each, 0);
const total = (calculation: Calculation): number => knownValue(calculation.figure(bidNode('total'))) ?? 0;
const recordsById = (job: ReturnType<typeof createJob>): ReadonlyMap<string, unknown> =>
  new Map([...listRecords(job)].map((record) => [record.id, record]));

/** What a client who has a pocket calculator finds: cents are rounded once, and the kinds come to the amount. */
function multiplies({ quantity, unitPrice, amount, kinds }: BidInnerRow, currency: string): boolean {
  if (kinds !== undefined && sum(Object.values(kinds)) !== amount) return false;
  if (quantity === undefined || unitPrice === undefined) return true;
  const product = quantity.value * unitPrice * 10 ** minorDigits(currency);
  return Math.abs(product - (amount ?? 0)) <= 0.5 + 1e-6 * Math.abs(amount ?? 0);
}

/** Whatever a person did to a job, what is made of it must hold. */
describe('a job after any edits', () => {
  const holds = (name: string, check: (bench: ReturnType<typeof deskAfter>) => void): void =>
    it(name, () => {
      fc.assert(
        fc.property(anyEdits, (list) => check(deskAfter(list))),
        RUNS,
      );
    });

  holds('is one that opens again, as it was, from its file', (bench) => {
    expect(checkJob(bench.job())).toBeUndefined();
    const bytes = new Map(
      [...bench.job().file.keys()].map((id) => [id as string, new Uint8Array([1, 2, 3])]),
    );
    const read = readZestjob(writeZestjob(bench.job(), bytes));
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    expect(recordsById(read.value.job)).toEqual(recordsById(bench.job()));
  });

  holds('goes back to the state it was kept in, to the last figure', (bench) => {
    const kept = startBusyBench();
    bench.change(restoreJob(kept.job()));
    expect(recordsById(bench.job())).toEqual(recordsById(kept.job()));
    expect(differences(bench.calculation, kept.calculation)).toEqual([]);
  });

  holds('is bridged from its beginning without a cent left over', (bench) => {
    const { from, to, by, tax, markup, lines } = bridgeOf(
      startBusyBench().calculation.figures,
      bench.calculation.figures,
    );
    expect(from + sum(BRIDGE_CAUSES.map((cause) => by[cause])) + tax + markup).toBe(to);
    expect(to).toBe(total(bench.calculation));
    for (const line of lines)
      expect(sum(BRIDGE_CAUSES.map((cause) => line.by[cause]))).toBe(line.to - line.from);
  });

  holds('is offered to the client for its total, in whatever detail', (bench) => {
    for (const detail of BID_DETAILS)
      for (const tax of [false, true])
        for (const markups of [false, true]) {
          const report = bidReport(bench.calculation.figures, detail, { tax, markups });
          expect(report.total).toBe(total(bench.calculation));
          const shown = sum([...report.rows, ...report.steps].map(({ amount }) => amount));
          if (report.rows.length > 0) expect(shown).toBe(report.total);
          for (const { amount, inner } of report.rows)
            if (inner.length > 0 && detail !== 'lines')
              expect(sum(inner.map((each) => each.amount ?? 0))).toBe(amount);
          for (const row of report.rows.flatMap(({ inner }) => inner))
            expect(multiplies(row, report.settings.currency)).toBe(true);
        }
  });

  holds('has alternates that come to the bid as it stands', (bench) => {
    for (const { alternate, change, ...priced } of priceAlternates(bench.calculation.figures)) {
      expect(alternate.accepted ? priced.with : priced.without).toBe(total(bench.calculation));
      const { id, accepted } = alternate;
      bench.change({ ...alternate, accepted: !accepted });
      expect([id, accepted ? priced.without : priced.with]).toEqual([id, total(bench.calculation)]);
      bench.change({ ...alternate, accepted });
      expect(change).toBe(priced.with - priced.without);
    }
  });

  holds('has its hours worked by someone, no more and no fewer than there are', (bench) => {
    const worked = sum(hoursByCraft(bench.calculation.figures).map(({ hours }) => hours));
    expect(worked).toBeCloseTo(knownValue(bench.calculation.figure(bidNode('hours'))) ?? 0, 6);
  });

  holds('is doubted by name, each doubt once', (bench) => {
    const { open } = takeSecondLook(bench.calculation.figures, '2026-11-25');
    expect(new Set(open.map(({ key }) => key)).size).toBe(open.length);
    for (const { name } of open) expect(name).not.toBe('');
  });

  holds('leaves a template that opens, with nothing measured in it', (bench) => {
    for (const full of [true, false]) {
      const choices = full
        ? { quantities: true, prices: true, quotes: true, alternates: true, client: true }
        : USUAL_TEMPLATE;
      const job = createJob(templateOf(bench.job(), 'Template', choices));
      expect(checkJob(job)).toBeUndefined();
      const calculation = new Calculation(job);
      if (!full) expect(knownValue(calculation.figure(bidNode('cost')))).toBe(0);
      for (const id of job.scope.keys())
        expect(knownValue(calculation.figure(measureNode(id, 'count')))).toBe(0);
    }
  });

  holds('lends its lines to another job that then opens', (bench) => {
    const rows = listRows(bench.job()).filter(
      (row): row is CopiedRow => row.type === 'line' || row.type === 'scope',
    );
    const other = createBench();
    const copied = copyRows(bench.calculation.figures, rows, other.job(), null, other.makeId);
    other.change(put(...copied));
    expect(checkJob(other.job())).toBeUndefined();
    expect(differences(other.calculation, new Calculation(other.job()))).toEqual([]);
  });
});
