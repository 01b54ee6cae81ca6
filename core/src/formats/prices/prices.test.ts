import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { createTestJob } from '../../testing/job.ts';
import { createBench } from '../../testing/priced.ts';
import { findHeadRow, guessMapping } from './columns.ts';
import { planPrices, raisePrices } from './plan.ts';
import { type PriceSource, readDate, readPrices } from './read.ts';
import { writePrices } from './write.ts';

const { job, makeId } = createTestJob();
const POINT = { decimal: '.', group: ',' } as const;

function read(rows: readonly (readonly string[])[], more: Partial<PriceSource> = {}) {
  const headRow = findHeadRow(rows);
  return readPrices({
    rows,
    headRow,
    mapping: guessMapping(rows[headRow] ?? []),
    numbers: POINT,
    crafts: job.craft.values(),
    crews: [],
    ...more,
  });
}

describe('columns of a price list', () => {
  it('are known by the heads that lists use, wherever the row of heads stands', () => {
    const rows = [['Spring list'], [], ['Item No', 'DESCRIPTION', 'U/M', 'Net price', 'Price per', 'Vendor']];
    expect(findHeadRow(rows)).toBe(2);
    expect(guessMapping(rows[2] ?? [])).toEqual({
      code: 0,
      description: 1,
      unit: 2,
      material: 3,
      basis: 4,
      supplier: 5,
    });
  });

  it('are each taken once', () => {
    expect(guessMapping(['Code', 'Price', 'Unit price'])).toEqual({ code: 0, material: 1 });
  });
});

describe('rows of a price list', () => {
  const heads = ['Code', 'Description', 'Unit', 'Per', 'Material', 'Labor hours', 'Craft', 'Date'];

  it('are read with money signs, groups of digits, the hundred as C, and dates', () => {
    const { drafts, refused } = read([
      heads,
      ['A', 'Pipe', 'ft', 'C', '$1,204.50', '3.5', 'mason', '3/9/2026'],
    ]);
    expect(refused).toEqual([]);
    const mason = [...job.craft.values()].find(({ name }) => name === 'Mason');
    expect(drafts).toEqual([
      {
        row: 2,
        draft: {
          code: 'A',
          description: 'Pipe',
          unit: 'ft',
          basis: 100,
          material: '1204.5',
          laborHours: '3.5',
          craftId: mason?.id,
          date: '2026-03-09',
        },
      },
    ]);
  });

  it('are read with a decimal comma where the job writes one', () => {
    const { drafts } = read([heads, ['A', 'Rohr', 'm', '1', '1.204,50 €']], {
      numbers: { decimal: ',', group: '.' },
    });
    expect(drafts[0]?.draft.material).toBe('1204.5');
  });

  it.each([
    ['text for a price', ['A', 'x', 'ea', '1', 'call us'], 'not-a-number'],
    ['a price below zero', ['A', 'x', 'ea', '1', '-4'], 'negative'],
    ['a price that is none', ['A', 'x', 'ea', '1', '99999999999'], 'absurd'],
    ['an error of the spreadsheet', ['A', 'x', 'ea', '1', '#REF!'], 'cell-error'],
    ['no code', ['', 'x', 'ea', '1', '4'], 'no-code'],
    ['a basis that is no count', ['A', 'x', 'ea', '2.5', '4'], 'not-a-number'],
    ['a craft that is not there', ['A', 'x', 'ea', '1', '4', '1', 'Astronaut'], 'no-such-craft'],
    ['a day that is not there', ['A', 'x', 'ea', '1', '4', '1', '', '2026-02-30'], 'not-a-date'],
    ['a code that is too long', ['A'.repeat(300), 'x', 'ea', '1', '4'], 'field'],
  ])('are refused for %s, with their number, and the others are read', (_what, cells, kind) => {
    const { drafts, refused } = read([heads, ['B', 'fine', 'ea', '1', '4'], cells]);
    expect(drafts).toHaveLength(1);
    expect(refused).toMatchObject([{ row: 3, fault: { kind } }]);
  });

  it('are refused the second time a code comes', () => {
    const { refused } = read([heads, ['A'], ['B'], ['A']]);
    expect(refused).toMatchObject([{ row: 4, fault: { kind: 'code-twice', code: 'A', firstRow: 2 } }]);
  });

  it('are refused where quotes do not close', () => {
    const { refused } = read([heads, ['A'], ['B']], { brokenRows: new Set([2]) });
    expect(refused).toMatchObject([{ row: 3, fault: { kind: 'quotes' } }]);
  });

  it('may be empty without being wrong', () => {
    expect(read([heads, ['', ' '], ['A']]).empty).toBe(1);
  });
});

describe('dates', () => {
  it.each([
    ['2024-02-29', '2024-02-29'],
    ['2023-02-29', undefined],
    ['12/31/2025', '2025-12-31'],
    ['31.12.2025', '2025-12-31'],
    ['13/31/2025', undefined],
    ['yesterday', undefined],
  ])('%s is %s', (text, date) => {
    expect(readDate(text)).toBe(date);
  });
});

describe('taking a price list over', () => {
  const bench = createBench();
  const old = bench.item({
    code: 'A',
    description: 'Old words',
    material: '4',
    supplier: 'Here',
    date: '2026-01-01',
  });
  const book = { item: new Map([[old.id, old]]) };
  const { drafts } = read([
    ['Code', 'Description', 'Material'],
    ['A', 'New words', '5'],
    ['B', 'Other', '6'],
  ]);

  it('adds what is new, and updates, prices or keeps what is there', () => {
    const plan = (policy: Parameters<typeof planPrices>[2]) => planPrices({ drafts }, book, policy, makeId);
    expect(plan('update').updated).toMatchObject([
      [{ material: '4' }, { material: '5', description: 'New words', supplier: 'Here' }],
    ]);
    expect(plan('prices').updated).toMatchObject([[{}, { material: '5', description: 'Old words' }]]);
    expect(plan('keep')).toMatchObject({ updated: [], kept: 1 });
    expect(plan('keep').added).toMatchObject([{ code: 'B', material: '6', unit: 'ea' }]);
  });

  it('takes 4.00 for the 4 that is there, and leaves it as it was written', () => {
    const list = read([
      ['Code', 'Description', 'Material'],
      ['A', 'Old words', '4.00'],
    ]);
    expect(planPrices(list, book, 'update', makeId)).toEqual({ added: [], updated: [], kept: 1 });
    // Nothing is not the same as no cost.
    const free = read([
      ['Code', 'Description', 'Material'],
      ['A', 'Old words', '0'],
    ]);
    expect(planPrices(free, book, 'update', makeId).updated).toMatchObject([[{}, { material: '0' }]]);
  });

  it('raises prices by percent and dates them, hours untouched', () => {
    const [[, raised] = []] = raisePrices([{ ...old, laborHours: '2' }], 2.5, ['material'], '2026-11-25');
    expect(raised).toMatchObject({ material: '4.1', laborHours: '2', date: '2026-11-25' });
    expect(raisePrices([{ ...old, material: '' }], 5, ['material'], '')).toEqual([]);
  });
});

describe('writing and reading back', () => {
  it('gives the same prices', () => {
    const bench = createBench();
    const word = fc.stringMatching(/^[A-Za-z0-9=+@'-][A-Za-z0-9 .,=+@'"-]{0,18}[A-Za-z0-9]$/);
    const money = fc.option(
      fc.integer({ min: 0, max: 10 ** 7 }).map((cents) => String(cents / 100)),
      { nil: '' },
    );
    const items = fc.uniqueArray(
      fc.record({
        code: word,
        description: word,
        material: money,
        equipment: money,
        basis: fc.constantFrom(1, 10, 100, 1000),
        width: fc.integer({ min: 1, max: 60 }),
      }),
      { selector: ({ code }) => code, minLength: 1, maxLength: 20 },
    );
    fc.assert(
      fc.property(items, (list) => {
        const written = list.map(({ width, ...content }) =>
          bench.item({ ...content, family: 'F', sizes: { width: `${width} in` } }),
        );
        const { drafts, refused } = read(writePrices(written, job));
        expect(refused).toEqual([]);
        const plan = planPrices(
          { drafts },
          { item: new Map(written.map((item) => [item.id, item])) },
          'update',
          makeId,
        );
        expect(plan).toEqual({ added: [], updated: [], kept: written.length });
      }),
      { numRuns: 50 },
    );
  });
});
