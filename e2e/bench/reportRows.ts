import { Calculation } from '@zest/core/calculate/calculation';
import { put } from '@zest/core/job/change';
import { createIdMaker } from '@zest/core/job/id';
import { type Job, applyDiff, createJob } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import type { ReportSpec } from '@zest/core/job/records/report';
import { startJob } from '@zest/core/library/startJob';
import type { ReportContext, ReportWords } from '@zest/core/reports/fields/field';
import { followReport } from '@zest/core/reports/followReport';
import { openReport } from '@zest/core/reports/openReport';
import { createChance } from '@zest/core/testing/job';
import { type BenchFigure, median, quantile } from './figures.ts';

const ROWS = 20_000;
const RUNS = 7;

const same = (word: unknown): string => String(word);
const WORDS: ReportWords = {
  cost: same,
  mark: same,
  measure: same,
  doubt: same,
  base: same,
  say: same,
};

/** Three groups, weighted means, a calculated column: the report the targets speak of. */
export const LARGE_REPORT: ReportSpec = {
  name: 'Bench rows',
  folder: '',
  source: 'lines',
  columns: [
    { key: 'section', of: { field: 'section.title' }, hidden: true },
    { key: 'code', of: { field: 'line.cost_code' }, hidden: true },
    { key: 'supplier', of: { field: 'line.from' }, hidden: true },
    { key: 'description', of: { field: 'line.description' } },
    { key: 'quantity', of: { field: 'line.quantity' }, total: { by: 'sum' } },
    { key: 'material', of: { field: 'line.material' }, total: { by: 'sum' } },
    { key: 'labor', of: { field: 'line.labor' }, total: { by: 'sum' } },
    { key: 'hours', of: { field: 'line.hours' }, total: { by: 'sum' } },
    { key: 'cost', of: { field: 'line.cost' }, total: { by: 'sum' } },
    { key: 'waste', of: { field: 'line.waste' }, total: { by: 'weighted', weight: 'cost' } },
    { key: 'of_one', of: { formula: 'cost / quantity' }, total: { by: 'weighted', weight: 'cost' } },
  ],
  groups: [{ column: 'section' }, { column: 'code' }, { column: 'supplier' }],
  sorts: [],
  page: {},
};

/** A job of 20,000 priced lines. */
export function createLinesJob(): Job {
  const chance = createChance(23);
  const makeId = createIdMaker(chance);
  const started = startJob(
    {
      name: 'Bench 20,000 lines',
      client: 'Bench',
      unitSystem: 'us',
      currency: 'USD',
      decimalMark: '.',
      groupMark: ',',
    },
    makeId,
  );
  const sections = started.filter((record) => record.type === 'section').map(({ id }) => id);
  const lines = Array.from({ length: ROWS }, (_, i): RecordOf<'line'> => ({
    type: 'line',
    id: makeId('line'),
    sectionId: sections[Math.floor(chance() * sections.length)] as RecordOf<'section'>['id'],
    order: i,
    description: `Line ${i}`,
    quantity: String(1 + Math.floor(chance() * 400)),
    unit: 'ea',
    itemCode: '',
    typedCost: null,
    costs: { material: (1 + chance() * 90).toFixed(2), labor: (chance() * 9).toFixed(2) },
    costCode: `${10 + Math.floor(chance() * 40)}`,
    source: `Supplier ${Math.floor(chance() * 6)}`,
    wastePercent: String(Math.floor(chance() * 12)),
  }));
  const report = (name: string, spec: ReportSpec): RecordOf<'report'> => ({
    ...spec,
    name,
    type: 'report',
    id: makeId('report'),
    order: 1,
  });
  return createJob([
    ...started,
    ...lines,
    report(LARGE_REPORT.name, LARGE_REPORT),
    // 1 to 400 of each: below 241 are 12,000.
    report('Bench pages', {
      ...LARGE_REPORT,
      groups: LARGE_REPORT.groups.slice(0, 1),
      filter: { join: 'all', of: [{ field: 'line.quantity', is: 'less', value: '241' }] },
    }),
  ]);
}

/** What it takes to see a report of 20,000 rows, and its totals after an edit in it. */
export function measureReports(): readonly BenchFigure[] {
  let job = createLinesJob();
  const calculation = new Calculation(job);
  const context = (): ReportContext => ({ figures: calculation.figures, words: WORDS, today: '2026-11-28' });
  const opens: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const start = performance.now();
    const opened = openReport(LARGE_REPORT, context());
    for (let at = 0; at < 40; at += 1)
      opened.columns.forEach((_, column) => opened.cellOf(opened.order[at] ?? 0, column));
    opened.totalsOf(opened.root.groups[0]?.groups[0]?.groups[0] ?? opened.root);
    if (run > 0) opens.push(performance.now() - start);
  }
  let open = openReport(LARGE_REPORT, context());
  open.totalsOf(open.root);
  const ids = [...job.line.keys()];
  const edits: number[] = [];
  for (let run = 0; run < 60; run += 1) {
    const line = job.line.get(ids[(run * 331) % ids.length] as (typeof ids)[0]);
    if (line === undefined) throw new Error('measureReports: a line is gone');
    const start = performance.now();
    const diff = put({ ...line, quantity: String(500 + run) })(job);
    if (!diff.ok) throw new Error(`measureReports: ${diff.problem.kind} ${JSON.stringify(diff.problem)}`);
    job = applyDiff(job, diff.value);
    calculation.apply(job, diff.value);
    open = followReport(open, context());
    open.totalsOf(open.root);
    if (run >= 10) edits.push(performance.now() - start);
  }
  return [
    { name: 'report.rows.open', value: median(opens), unit: 'ms' },
    { name: 'report.rows.edit.p95', value: quantile(edits, 0.95), unit: 'ms' },
  ];
}
