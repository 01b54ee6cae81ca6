import { describe, expect, it } from '@jest/globals';
import { POINT_FORMAT } from '../../units/numberFormat.ts';
import type { LaidPages, PageItem } from '../../reports/pages/page.ts';
import type { Cell } from '../workbook/cell.ts';
import { evaluateSheet } from '../../testing/spreadsheet.ts';
import { documentHtml } from './html.ts';
import { layoutDocument } from './layoutDocument.ts';
import type { PrintedBlock, PrintedCell, PrintedDocument, PrintedRow } from './printed.ts';
import { documentSheets } from './sheet.ts';

/** Every letter half as wide as it is high. */
const measure = (text: string): number => text.length * 0.5;

const words = (text: string): PrintedCell => ({ text });
const money = (value: number, formula?: PrintedCell['formula']): PrintedCell => ({
  text: `$${value.toFixed(2)}`,
  value,
  kind: 'money',
  ...(formula === undefined ? {} : { formula }),
});

const row = (look: PrintedRow['look'], ...cells: readonly PrintedCell[]): PrintedRow => ({
  look,
  indent: look === 'plain' ? 1 : 0,
  cells,
});

/** Two sections, the first with lines of so many of something at a price, and their total. */
const PRICES: PrintedBlock = {
  kind: 'table',
  key: 'prices',
  heading: 'Prices',
  table: {
    hasHead: true,
    columns: [
      { heading: 'Description', align: 'left', isWide: true },
      { heading: 'Quantity', align: 'right', isWide: false },
      { heading: 'Unit price', align: 'right', isWide: false },
      { heading: 'Amount', align: 'right', isWide: false },
    ],
    rows: [
      row('bold', words('Concrete'), words(''), words(''), money(81, { kind: 'sum', rows: [1, 2] })),
      row(
        'plain',
        words('Slab <6 in>'),
        { text: '12 yd³', value: 12, kind: 'quantity', unit: 'yd³' },
        { text: '$5.25', value: 5.25, kind: 'rate' },
        money(63, { kind: 'product', columns: [1, 2] }),
      ),
      row('plain', words('Curing'), words(''), words(''), money(18)),
      row('bold', words('Lift'), words(''), words(''), money(19)),
      row('total', words('Total'), words(''), words(''), money(100, { kind: 'sum', rows: [0, 3] })),
      row(
        'plain',
        words('VAT 20 %'),
        words(''),
        words(''),
        money(20, { kind: 'percent', row: 4, percent: '20' }),
      ),
    ],
  },
};

const paragraph = (key: string, text: string, heading = ''): PrintedBlock => ({
  kind: 'paragraphs',
  key,
  heading,
  paragraphs: [{ text, look: 'plain' }],
});

const documentOf = (...blocks: readonly PrintedBlock[]): PrintedDocument => ({
  title: 'Bid, Boathouse',
  author: 'Builders',
  language: 'en-US',
  currency: 'USD',
  numbers: POINT_FORMAT,
  page: {},
  paper: 'letter',
  header: '',
  footer: 'Page {page} of {pages}',
  blocks,
  pictures: {},
});

const textsOn = ({ pages }: LaidPages, page: number): readonly string[] =>
  (pages[page]?.items ?? []).flatMap((item: PageItem) => (item.kind === 'text' ? [item.text] : []));

describe('a document on pages', () => {
  it('says every word, and numbers its pages', () => {
    const laid = layoutDocument(documentOf(PRICES, paragraph('text', 'We thank you.', 'Terms')), measure);
    expect(laid.pages).toHaveLength(1);
    for (const text of [
      'Prices',
      'Slab <6 in>',
      '12 yd³',
      '$63.00',
      'Total',
      'Terms',
      'We thank you.',
      'Page 1 of 1',
    ])
      expect(textsOn(laid, 0)).toContain(text);
  });

  it('never leaves a heading at the foot of a page without what it is over', () => {
    for (let lines = 30; lines < 60; lines += 1) {
      const filler = paragraph('filler', Array.from({ length: lines }, (_, at) => `Line ${at}`).join('\n'));
      const laid = layoutDocument(documentOf(filler, PRICES), measure);
      const page = laid.pages.findIndex((_, at) => textsOn(laid, at).includes('Prices'));
      expect(textsOn(laid, page)).toContain('Concrete');
      // The total is not alone on a page either.
      const last = laid.pages.findIndex((_, at) => textsOn(laid, at).includes('Total'));
      expect(textsOn(laid, last)).toContain('Lift');
    }
  });

  it('repeats the heads of a table on each page it reaches', () => {
    const rows = Array.from({ length: 120 }, (_, at) =>
      row('plain', words(`Row ${at}`), words(''), words(''), money(1)),
    );
    const block = {
      ...PRICES,
      table: { ...(PRICES.kind === 'table' ? PRICES.table : never()), rows },
    } as PrintedBlock;
    const laid = layoutDocument(documentOf(block), measure);
    expect(laid.pages.length).toBeGreaterThan(2);
    laid.pages.forEach((_, page) => expect(textsOn(laid, page)).toContain('Description'));
    const said = laid.pages
      .flatMap((_, page) => textsOn(laid, page))
      .filter((text) => text.startsWith('Row '));
    expect(said).toHaveLength(120);
  });

  it('keeps figures whole beside a long description, and everything between the margins', () => {
    const long = 'An unusually long description of work '.repeat(6).trim();
    const block = {
      ...PRICES,
      table: {
        ...(PRICES.kind === 'table' ? PRICES.table : never()),
        rows: [
          row('plain', words(long), words('1,234,567.89 ft²'), words('$1,234.5678'), money(123_456_789.12)),
        ],
      },
    } as PrintedBlock;
    const { pages, widthPt } = layoutDocument(documentOf(block), measure);
    const items = (pages[0]?.items ?? []).flatMap((item) => (item.kind === 'text' ? [item] : []));
    expect(items.map(({ text }) => text)).toContain('$123456789.12');
    for (const { x, text, size } of items) {
      expect(x).toBeGreaterThanOrEqual(56);
      expect(x + measure(text) * size).toBeLessThanOrEqual(widthPt - 56);
    }
    expect(
      items
        .filter(({ text }) => long.includes(text))
        .map(({ text }) => text)
        .join(' '),
    ).toBe(long);
  });

  it('begins a page where it is asked to, and says what is missing where a picture is', () => {
    const gone: PrintedBlock = {
      kind: 'picture',
      key: 'picture',
      heading: '',
      picture: '',
      ratio: 1,
      widthPercent: 50,
      caption: '',
      words: 'The picture is gone.',
    };
    const laid = layoutDocument(
      documentOf(paragraph('one', 'First'), { kind: 'break', key: 'break', heading: '' }, gone),
      measure,
    );
    expect(laid.pages).toHaveLength(2);
    expect(textsOn(laid, 1)).toContain('The picture is gone.');
  });

  it('keeps long names below the lines they sign on, beside one another', () => {
    const names = ['A cooperative for the keeping of old barns in the southern marshland', 'Builders'];
    const { pages } = layoutDocument(
      documentOf({ kind: 'signatures', key: 'signatures', heading: '', names }),
      measure,
    );
    const items = pages[0]?.items ?? [];
    const [first, second] = items.flatMap((item) => (item.kind === 'rule' ? [item] : []));
    const under = items.flatMap((item) => (item.kind === 'text' && item.x === first?.x ? [item] : []));
    expect(under.map(({ text }) => text).join(' ')).toBe(names[0]);
    for (const { x, text, size } of under)
      expect(x + measure(text) * size).toBeLessThanOrEqual((first?.x ?? 0) + (first?.width ?? 0));
    expect((first?.x ?? 0) + (first?.width ?? 0)).toBeLessThan(second?.x ?? 0);
  });

  it('fits a tall picture to its page', () => {
    const tall: PrintedBlock = {
      kind: 'picture',
      key: 'picture',
      heading: '',
      picture: 'photo',
      ratio: 0.2,
      widthPercent: 100,
      caption: 'A pole',
      words: '',
    };
    const { pages, heightPt } = layoutDocument(documentOf(tall), measure);
    const [picture] = (pages[0]?.items ?? []).flatMap((item) => (item.kind === 'picture' ? [item] : []));
    expect((picture?.y ?? 0) + (picture?.height ?? Infinity)).toBeLessThanOrEqual(heightPt - 56);
    expect((picture?.width ?? 0) / (picture?.height ?? 1)).toBeCloseTo(0.2, 6);
  });
});

function never(): never {
  throw new Error('the block is a table');
}

describe('a document as a web page', () => {
  it('escapes what people typed, and leaves out a heading over nothing', () => {
    const html = documentHtml(
      documentOf(PRICES, { kind: 'list', key: 'list', heading: 'Included', items: [] }),
    );
    expect(html).toContain('Slab &lt;6 in&gt;');
    expect(html).not.toContain('Included');
    expect(html).toContain('<th scope="col">Description</th>');
  });
});

describe('a document as a workbook', () => {
  it('comes to its figures by its own formulas', () => {
    const [sheet] = documentSheets(documentOf(paragraph('text', 'Dear client'), PRICES));
    const rows = (sheet?.rows ?? []).map(({ cells }) =>
      cells.map(({ value, formula }): Cell => {
        if (formula !== undefined) return { kind: 'formula', formula, value: 0, style: 'money' };
        if (typeof value === 'number') return { kind: 'number', value, style: 'money' };
        return value === undefined ? undefined : { kind: 'text', text: value };
      }),
    );
    const at = (text: string): number =>
      rows.findIndex((cells) => cells.some((cell) => cell?.kind === 'text' && cell.text === text)) + 1;
    const valueAt = evaluateSheet(rows);
    expect(valueAt('E', at('Slab <6 in>'))).toBe(63);
    expect(valueAt('E', at('Concrete'))).toBe(81);
    expect(valueAt('E', at('Total'))).toBe(100);
    expect(valueAt('E', at('VAT 20 %'))).toBe(20);
  });
});
