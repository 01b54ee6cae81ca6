import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { knownValue } from '../calculate/define.ts';
import { bidNode } from '../calculate/graph/nodes.ts';
import type { ReportSpec } from '../job/records/report.ts';
import { anyEdits, deskAfter, doSomething, startBusyBench } from '../testing/randomEdits.ts';
import { anyReport } from '../testing/anyReport.ts';
import { contextOf } from '../testing/reportWords.ts';
import type { Cell } from './cell.ts';
import { followReport } from './followReport.ts';
import { openReport } from './openReport.ts';
import { type Report, type ReportGroup, makeReport, reportOf } from './report.ts';

const RUNS = { numRuns: 25 };
const heading = (field: string): string => field;

/** Money of a column over the rows themselves, added up by hand. */
const moneyOfRows = ({ rows }: Report, at: number): number =>
  rows.reduce((sum, { cells }) => {
    const cell = cells[at];
    return sum + (cell?.kind === 'money' ? cell.minor : 0);
  }, 0);

const minorOf = (cell: Cell): number => (cell?.kind === 'money' ? cell.minor : 0);

const LINES: ReportSpec = {
  name: 'Costs',
  folder: '',
  source: 'lines',
  columns: [
    { key: 'section', of: { field: 'section.title' } },
    { key: 'kind', of: { field: 'line.kind' } },
    { key: 'description', of: { field: 'line.description' } },
    { key: 'material', of: { field: 'line.material' }, total: { by: 'sum' } },
    { key: 'labor', of: { field: 'line.labor' }, total: { by: 'sum' } },
    { key: 'cost', of: { field: 'line.cost' }, total: { by: 'sum' } },
    { key: 'price', of: { field: 'line.price' }, total: { by: 'sum' } },
    { key: 'top', of: { field: 'line.on_top' }, total: { by: 'sum' } },
    { key: 'hours', of: { field: 'line.hours' }, total: { by: 'sum' } },
  ],
  groups: [],
  sorts: [],
  page: {},
};

describe('any report of a job after any edits', () => {
  it('comes to the bid, to the cent, however it is grouped and sorted', () => {
    const arranged = fc.record({
      groups: fc.uniqueArray(fc.constantFrom('section', 'kind', 'description'), { maxLength: 3 }),
      down: fc.boolean(),
    });
    fc.assert(
      fc.property(anyEdits, arranged, (edits, { groups, down }) => {
        const { figures } = deskAfter(edits).calculation;
        const report = makeReport(
          {
            ...LINES,
            groups: groups.map((column) => ({
              column,
              ...(down ? { descending: true as const } : {}),
              sortBy: 'cost',
            })),
          },
          contextOf(figures),
          heading,
        );
        const bid = (node: Parameters<typeof bidNode>[0]): number =>
          knownValue(figures.figure(bidNode(node))) ?? 0;
        const foot = (at: number): number => minorOf(report.root.totals[at]);
        expect(foot(3)).toBe(bid('material'));
        expect(foot(4)).toBe(bid('labor'));
        expect(foot(5)).toBe(bid('cost'));
        if (report.rows.length > 0) expect(foot(6)).toBe(bid('total'));
        for (const at of [3, 4, 5, 6, 7]) expect(moneyOfRows(report, at)).toBe(foot(at));
      }),
      RUNS,
    );
  });

  it('has groups that hold every row once, and that add up to what is around them', () => {
    fc.assert(
      fc.property(anyEdits, anyReport, (edits, spec) => {
        const bench = deskAfter(edits);
        const context = contextOf(bench.calculation.figures, startBusyBench().calculation.figures);
        const report = makeReport(spec, context, heading);
        const visit = (group: ReportGroup): void => {
          if (group.groups.length === 0) return;
          expect(group.groups[0]?.from).toBe(group.from);
          expect(group.groups.at(-1)?.to).toBe(group.to);
          group.groups.forEach((inner, at) => {
            expect(inner.to).toBeGreaterThan(inner.from);
            if (at > 0) expect(inner.from).toBe(group.groups[at - 1]?.to);
            visit(inner);
          });
          report.columns.forEach(({ total }, at) => {
            const cell = group.totals[at];
            if (total !== 'sum' || cell?.kind !== 'money') return;
            expect(group.groups.reduce((sum, inner) => sum + minorOf(inner.totals[at]), 0)).toBe(cell.minor);
          });
        };
        visit(report.root);
        expect(report.root.to).toBe(report.rows.length);
        expect(new Set(report.rows.map(({ key }) => key)).size).toBe(report.rows.length);
      }),
      { numRuns: 60 },
    );
  });

  it('follows every further edit to what it would be if it were opened anew', () => {
    fc.assert(
      fc.property(anyEdits, anyReport, (edits, spec) => {
        const bench = startBusyBench();
        const earlier = startBusyBench().calculation.figures;
        const context = () => contextOf(bench.calculation.figures, earlier);
        let open = openReport(spec, context());
        for (const [what, pick, amount] of edits) {
          // Some totals are looked at between two edits, others are not.
          if (pick % 2 === 0) open.totalsOf(open.root);
          doSomething(bench, what, pick, amount);
          open = followReport(open, context());
        }
        const anew = openReport(spec, context());
        expect(reportOf(open, heading)).toEqual(reportOf(anew, heading));
      }),
      { numRuns: 80 },
    );
  });
});
