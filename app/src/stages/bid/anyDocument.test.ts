import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { knownValue } from '@zest/core/calculate/define';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import { documentHtml } from '@zest/core/formats/document/html';
import { layoutDocument } from '@zest/core/formats/document/layoutDocument';
import type { PrintedDocument } from '@zest/core/formats/document/printed';
import { documentSheets } from '@zest/core/formats/document/sheet';
import { settingsOf } from '@zest/core/job/job';
import { BID_DETAILS, type DocumentBlock } from '@zest/core/job/records/document';
import { formatMoney } from '@zest/core/pricing/money';
import type { Bench } from '@zest/core/testing/priced';
import { type Deeds, anyEdits, deskAfter } from '@zest/core/testing/randomEdits';
import { writeDocx } from '../../workers/writeDocx.ts';
import { documentWords } from './documentWords.ts';
import { printDocument } from './printDocument.ts';

/** Letters half as wide as high. */
const measure = (text: string): number => text.length * 0.5;

const word = fc.constantFrom(
  'a <b> & "c"',
  'Total {total} for {client}',
  '{1 +',
  "it's",
  'Łódź',
  '',
  ' ',
  '{page}',
);
const plain = <Kind extends DocumentBlock['kind']>(kind: Kind) => fc.record({ kind: fc.constant(kind) });

/** Any block but for what needs a file. */
const anyBlock = fc.oneof(
  plain('letterhead'),
  plain('client'),
  fc.record({ kind: fc.constant('text' as const), text: word }),
  fc.record({ kind: fc.constant('terms' as const), text: word }),
  fc.record({
    kind: fc.constant('prices' as const),
    detail: fc.constantFrom(...BID_DETAILS),
    tax: fc.constantFrom(undefined, 'shown' as const),
    markups: fc.constantFrom(undefined, 'shown' as const),
  }),
  plain('alternates'),
  plain('allowances'),
  plain('inclusions'),
  plain('exclusions'),
  plain('notes'),
  fc.record({ kind: fc.constant('unit-prices' as const), lines: fc.constant([]) }),
  plain('values'),
  fc.record({
    kind: fc.constant('signatures' as const),
    names: fc.array(
      word.filter((each) => each.trim() !== ''),
      { maxLength: 4 },
    ),
  }),
  fc.record({ kind: fc.constant('report' as const), report: fc.constant('report:gone') }),
  plain('break'),
);

const anyBlocks = fc
  .array(fc.tuple(anyBlock, fc.option(word, { nil: undefined })), { minLength: 1, maxLength: 7 })
  .map((blocks) =>
    blocks.map(
      ([block, heading], at) =>
        ({ key: `b${at}`, ...block, ...(heading === undefined ? {} : { heading }) }) as DocumentBlock,
    ),
  );

const anyPage = fc.record({
  landscape: fc.boolean(),
  header: word,
  footer: fc.constantFrom('{document}, page {page} of {pages}', '', '{job} <x>'),
});

function printed(bench: Bench, blocks: readonly DocumentBlock[], page: object = {}): PrintedDocument {
  return printDocument(
    { name: 'Offer', blocks, page },
    {
      figures: bench.calculation.figures,
      hasSamples: false,
      pictures: {},
      isComplete: true,
      reportOf: () => undefined,
    },
  ).document;
}

const documentOf = (edits: Deeds, blocks: readonly DocumentBlock[], page: object): PrintedDocument =>
  printed(deskAfter(edits), blocks, page);

/** What stands in a part of a word processor's file, read as XML. */
function partOf(bytes: Uint8Array, name: string): Document {
  const text = strFromU8(unzipSync(bytes)[name] ?? new Uint8Array());
  const read = new new JSDOM('').window.DOMParser().parseFromString(text, 'application/xml');
  expect(read.querySelector('parsererror')).toBeNull();
  return read;
}

/** Tables with something in them: a heading over nothing is left out. */
const tablesIn = ({ blocks }: PrintedDocument): number =>
  blocks.filter((block) => block.kind === 'table' && block.table.rows.length > 0).length;

describe('any document, after any edits', () => {
  it('stays on its pages, and numbers them', () => {
    fc.assert(
      fc.property(anyEdits, anyBlocks, anyPage, (edits, blocks, page) => {
        const { pages, widthPt, heightPt } = layoutDocument(documentOf(edits, blocks, page), measure);
        expect(pages.length).toBeGreaterThan(0);
        expect(widthPt > heightPt).toBe(page.landscape);
        pages.forEach(({ items }, at) => {
          for (const item of items) {
            if (item.kind === 'anchor') continue;
            const right =
              item.kind === 'text' ? item.x + measure(item.text) * item.size : item.x + item.width;
            expect(item.x).toBeGreaterThanOrEqual(-0.01);
            expect(right).toBeLessThanOrEqual(widthPt + 0.01);
            expect(item.y).toBeGreaterThanOrEqual(-0.01);
            expect(item.y).toBeLessThanOrEqual(heightPt + 0.01);
          }
          if (page.footer.includes('{page}'))
            expect(
              items.some(
                (item) => item.kind === 'text' && item.text === `Offer, page ${at + 1} of ${pages.length}`,
              ),
            ).toBe(true);
        });
      }),
      { numRuns: 25 },
    );
  });

  it('is a page of HTML in which nothing that was typed is markup', () => {
    fc.assert(
      fc.property(anyEdits, anyBlocks, anyPage, (edits, blocks, page) => {
        const made = documentOf(edits, blocks, page);
        const { document } = new JSDOM(documentHtml(made)).window;
        expect(document.querySelectorAll('b, x, script')).toHaveLength(0);
        expect(document.querySelectorAll('table')).toHaveLength(tablesIn(made));
        expect(document.documentElement.lang).toBe(made.language);
        const ids = [...document.querySelectorAll('[id]')].map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
      }),
      { numRuns: 25 },
    );
  });

  it('is a file that word processors can read, with a row for every row', async () => {
    await fc.assert(
      fc.asyncProperty(anyEdits, anyBlocks, anyPage, async (edits, blocks, page) => {
        const made = documentOf(edits, blocks, page);
        const body = partOf(await writeDocx(made), 'word/document.xml');
        const rows = made.blocks.reduce(
          (sum, block) =>
            block.kind === 'table' ? sum + block.table.rows.length + Number(block.table.hasHead) : sum,
          0,
        );
        // Letterheads and signatures stand in tables too.
        expect(body.getElementsByTagName('w:tr').length).toBeGreaterThanOrEqual(rows);
        const size = body.getElementsByTagName('w:pgSz')[0];
        const [width, height] = [size?.getAttribute('w:w'), size?.getAttribute('w:h')].map(Number);
        expect((width ?? 0) > (height ?? 0)).toBe(page.landscape);
        // A cell without a paragraph is a file that a word processor refuses (ECMA-376 part 1, 17.4.66).
        for (const cell of body.getElementsByTagName('w:tc'))
          expect(cell.getElementsByTagName('w:p').length).toBeGreaterThan(0);
      }),
      { numRuns: 10 },
    );
  }, 60_000);

  it('has sheets whose names a workbook takes, each its own, with as many cells as there are columns at most', () => {
    fc.assert(
      fc.property(anyEdits, anyBlocks, (edits, blocks) => {
        const sheets = documentSheets(documentOf(edits, blocks, {}));
        const names = sheets.map(({ name }) => name.toLowerCase());
        expect(new Set(names).size).toBe(names.length);
        for (const { name, rows, widths } of sheets) {
          expect(name).toMatch(/^[^\\/*?:[\]]{1,31}$/);
          for (const { cells } of rows) expect(cells.length).toBeLessThanOrEqual(Math.max(widths.length, 1));
        }
      }),
      { numRuns: 25 },
    );
  });

  it('says the same total in every block that says one, and in its texts', () => {
    fc.assert(
      fc.property(anyEdits, fc.constantFrom(...BID_DETAILS), (edits, detail) => {
        const bench = deskAfter(edits);
        const { money } = documentWords(settingsOf(bench.job()));
        const total = formatMoney(knownValue(bench.calculation.figure(bidNode('total'))) ?? 0, money);
        const made = printed(bench, [
          { kind: 'prices', key: 'prices', detail },
          { kind: 'values', key: 'values' },
          { kind: 'text', key: 'text', text: 'In all {total}.' },
        ]);
        const [prices, values, text] = made.blocks;
        for (const block of [prices, values]) {
          if (block?.kind !== 'table') throw new Error('no table');
          expect(block.table.rows.find(({ look }) => look === 'total')?.cells.at(-1)?.text).toBe(total);
        }
        expect(text?.kind === 'paragraphs' ? text.paragraphs[0]?.text : '').toBe(`In all ${total}.`);
      }),
      { numRuns: 25 },
    );
  });
});
