import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { ReportSpec } from '../../job/records/report.ts';
import { POINT_FORMAT } from '../../units/numberFormat.ts';
import { createBench } from '../../testing/priced.ts';
import { anyReport } from '../../testing/anyReport.ts';
import { anyEdits, deskAfter, startBusyBench } from '../../testing/randomEdits.ts';
import { contextOf } from '../../testing/reportWords.ts';
import { makeReport } from '../report.ts';
import type { CellWriting } from '../writeCell.ts';
import type { LayoutBy } from './frame.ts';
import { layoutReport } from './layoutReport.ts';
import { type LaidPages, type PageItem, wrapText } from './page.ts';

/** Every letter half as wide as it is high. */
const measure = (text: string): number => text.length * 0.5;

const WRITING: CellWriting = {
  numbers: POINT_FORMAT,
  currency: 'USD',
  date: (day) => day,
  failure: () => 'no price',
  mixed: (units) => units.join(', '),
};

const BY: LayoutBy = {
  measure,
  writing: WRITING,
  words: {
    job: 'Boathouse',
    client: 'Rowing club',
    company: 'Builders',
    date: '2026-11-28',
    total: 'Total',
    totalOf: (name) => `Total ${name}`,
    without: (heading) => `No ${heading}`,
    footer: '{job}, page {page} of {pages}',
    leftOut: '',
  },
  paper: 'letter',
};

const SPEC: ReportSpec = {
  name: 'Lines',
  folder: '',
  source: 'lines',
  columns: [
    { key: 'code', of: { field: 'line.cost_code' }, hidden: true },
    { key: 'description', of: { field: 'line.description' }, width: 200 },
    { key: 'cost', of: { field: 'line.cost' }, width: 60, total: { by: 'sum' } },
  ],
  groups: [{ column: 'code' }],
  sorts: [],
  page: {},
};

/** So many lines of so many codes, some with a description that takes several lines. */
function laid(lines: number, spec: Partial<ReportSpec> = {}): LaidPages {
  const bench = createBench();
  bench.change(
    ...Array.from({ length: lines }, (_, i) =>
      bench.line({
        description:
          i % 7 === 3
            ? 'A long description of work that does not fit into one line of its column by far, so it is wrapped'
            : `Line ${i}`,
        quantity: '1',
        costs: { material: String(1_000_000 + i) },
        costCode: `code ${Math.floor(i / 9)}`,
      }),
    ),
  );
  return layoutReport(
    makeReport({ ...SPEC, ...spec }, contextOf(bench.calculation.figures), (field) => field),
    BY,
  );
}

const textsOf = (items: readonly PageItem[]) => items.filter((item) => item.kind === 'text');
const says = (items: readonly PageItem[], text: string): boolean =>
  textsOf(items).some((item) => item.text === text);

describe('a report on pages', () => {
  it('repeats its headings on every page, and says which page of how many it is', () => {
    const { pages } = laid(200);
    expect(pages.length).toBeGreaterThan(3);
    pages.forEach(({ items }, at) => {
      expect(says(items, 'line.description')).toBe(true);
      expect(says(items, `Boathouse, page ${at + 1} of ${pages.length}`)).toBe(true);
    });
  });

  it('leaves no head of a group alone at the foot of a page', () => {
    const { pages } = laid(300);
    for (const { items } of pages) {
      const body = textsOf(items).filter(({ look }) => look !== 'soft');
      const lowest = Math.max(...body.map(({ y }) => y));
      const last = body.filter(({ y }) => y === lowest).map(({ text }) => text);
      expect(last.filter((text) => /^code \d+$/.test(text))).toEqual([]);
    }
  });

  it('keeps everything inside the page, and figures inside their columns without cutting them', () => {
    const { pages, widthPt, heightPt } = laid(120);
    const figures = pages.flatMap(({ items }) => textsOf(items)).filter(({ text }) => text.startsWith('$'));
    expect(figures.length).toBeGreaterThan(120);
    for (const { x, y, text, size } of pages.flatMap(({ items }) => textsOf(items))) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x + measure(text) * size).toBeLessThanOrEqual(widthPt);
      expect(y).toBeLessThanOrEqual(heightPt);
    }
  });

  it('writes every row once, whatever the pages', () => {
    const { pages } = laid(150);
    const lines = pages.flatMap(({ items }) => textsOf(items)).filter(({ text }) => /^Line \d+$/.test(text));
    expect(lines).toHaveLength(150 - Math.floor((150 - 3 + 6) / 7));
  });

  it('begins a page with each group where that is asked for, and not before the first', () => {
    const { pages } = laid(27, { groups: [{ column: 'code', startsPage: true }] });
    expect(pages).toHaveLength(3);
    expect(
      pages.map(({ items }) => textsOf(items).filter(({ text }) => /^code \d$/.test(text))[0]?.text),
    ).toEqual(['code 0', 'code 1', 'code 2']);
  });

  it('turns with the paper', () => {
    const upright = laid(1);
    const across = laid(1, { page: { landscape: true, paper: 'a4' } });
    expect([upright.widthPt, upright.heightPt]).toEqual([612, 792]);
    expect([across.widthPt, across.heightPt]).toEqual([841.89, 595.28]);
  });
});

describe('a text in lines', () => {
  it('breaks between words, behind dashes and slashes, and inside a word that is too long', () => {
    expect(wrapText('one two three', 40, 10, false, measure)).toEqual(['one two', 'three']);
    expect(wrapText('stud-and-board', 40, 10, false, measure)).toEqual(['stud-', 'and-', 'board']);
    expect(wrapText('abcdefghijkl', 20, 10, false, measure)).toEqual(['abcd', 'efgh', 'ijkl']);
  });

  it('loses no letter', () => {
    const text = 'Supplementary-reinforcement/bars of a considerable length and weight';
    expect(wrapText(text, 55, 10, false, measure).join('').replaceAll(' ', '')).toBe(
      text.replaceAll(' ', ''),
    );
  });
});

describe('any report on pages, after any edits', () => {
  const anyPage = fc.record({
    landscape: fc.boolean(),
    density: fc.constantFrom('close' as const, 'usual' as const),
    paper: fc.constantFrom('letter' as const, 'a4' as const, 'tabloid' as const, 'a3' as const),
  });

  it('stays inside its paper, and says which page of how many it is', () => {
    fc.assert(
      fc.property(anyEdits, anyReport, anyPage, (edits, spec, page) => {
        const { figures } = deskAfter(edits).calculation;
        const earlier = startBusyBench().calculation.figures;
        const report = makeReport({ ...spec, page }, contextOf(figures, earlier), (each) => each);
        const { pages, widthPt, heightPt } = layoutReport(report, BY);
        expect(pages.length).toBeGreaterThan(0);
        expect(widthPt > heightPt).toBe(page.landscape);
        for (const { items } of pages) {
          for (const item of items) {
            if (item.kind === 'anchor') continue;
            const right =
              item.kind === 'text' ? item.x + measure(item.text) * item.size : item.x + item.width;
            // A hair of rounding is on no paper.
            expect(item.x).toBeGreaterThanOrEqual(-0.01);
            expect(right).toBeLessThanOrEqual(widthPt + 0.01);
            expect(item.y).toBeGreaterThanOrEqual(-0.01);
            expect(item.y).toBeLessThanOrEqual(heightPt + 0.01);
          }
        }
        // Every page says which of how many it is.
        pages.forEach(({ items }, at) => {
          const said = textsOf(items).some(({ text }) => text.includes(`page ${at + 1} of ${pages.length}`));
          expect(said).toBe(true);
        });
      }),
      { numRuns: 25 },
    );
  });
});
