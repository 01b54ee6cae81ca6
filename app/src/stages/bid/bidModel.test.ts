import { describe, expect, it } from '@jest/globals';
import type { BidReport } from '@zest/core/reports/bidReport';
import { settingsOf } from '@zest/core/job/job';
import { createTestJob } from '@zest/core/testing/job';
import { POINT_FORMAT } from '@zest/core/units/numberFormat';
import { bidDocument } from './bidDocument.ts';
import { bidModel } from './bidModel.ts';

const MONEY = { currency: 'USD', numbers: POINT_FORMAT } as const;
const report: BidReport = {
  settings: {
    ...settingsOf(createTestJob().job),
    name: 'Boathouse',
    company: 'Builders',
    client: 'Club',
    bidDate: '2026-11-24',
    validDays: 30,
  },
  rows: [
    { code: '03', name: 'Concrete', amount: 120050, inner: [{ name: 'Slab', amount: 120050 }] },
    { code: '', name: 'Other work', amount: 50, inner: [] },
  ],
  total: 120100,
  alternates: [],
  addedTax: undefined,
  logo: undefined,
  allowances: [],
  inclusions: ['Doors'],
  exclusions: [],
  notes: [],
};
const inLanguage = (documentLanguage: 'en-US' | 'en-GB', change: Partial<BidReport['settings']> = {}) =>
  bidModel({ ...report, settings: { ...report.settings, documentLanguage, ...change } }, MONEY);

describe('a bid as a document', () => {
  it('says sections with what is in them, and the total in its currency', () => {
    const { rows, total } = inLanguage('en-US');
    expect(rows.map(({ name, amount, bold, inner }) => [name, amount, bold, inner])).toEqual([
      ['Concrete', '$1,200.50', true, false],
      ['Slab', '$1,200.50', false, true],
      ['Other work', '$0.50', false, false],
    ]);
    expect(total).toEqual({ words: 'Total, USD', amount: '$1,201.00' });
  });

  it('leaves out headings with nothing under them', () => {
    expect(inLanguage('en-US').lists).toEqual([{ title: 'Included', items: ['Doors'] }]);
  });

  it('is written in the language of the job’s documents, dates too', () => {
    expect(inLanguage('en-US').dated).toBe('November 24, 2026');
    expect(inLanguage('en-GB').dated).toBe('24 November 2026');
  });

  it('says for how long it is valid, or nothing', () => {
    expect(inLanguage('en-US').valid).toBe('This bid is valid for 30 days from its date.');
    expect(inLanguage('en-US', { validDays: 1 }).valid).toBe('This bid is valid for one day from its date.');
    expect(inLanguage('en-US', { validDays: 0 }).valid).toBe('');
  });

  it('loses no word on the way to the PDF', () => {
    const model = inLanguage('en-GB');
    const written = JSON.stringify(bidDocument(model));
    for (const words of [model.heading, model.dated, model.valid, 'Slab', 'Builders', 'Doors'])
      expect(written).toContain(words);
  });

  it('lists options with what they add or take off, and which are in the total', () => {
    const alternates = [
      { name: 'Tiles in the hall', change: 41250, accepted: false },
      { name: 'Plain doors', change: -8000, accepted: false },
      { name: 'Lift', change: 900000, accepted: true },
    ];
    const { options, ...rest } = bidModel({ ...report, alternates }, MONEY);
    expect(options.rows).toEqual([
      { name: 'Tiles in the hall', words: 'add', amount: '$412.50' },
      { name: 'Plain doors', words: 'deduct', amount: '$80.00' },
      { name: 'Lift', words: 'included in the total', amount: '$9,000.00' },
    ]);
    expect(JSON.stringify(bidDocument({ ...rest, options }))).toContain('Tiles in the hall');
  });

  it('has tax below the total, each rate on its share', () => {
    const rows = [
      { percent: '20', base: 100000, amount: 20000 },
      { percent: '5', base: 20100, amount: 1005 },
    ];
    const added = bidModel({ ...report, addedTax: { name: 'VAT', rows, gross: 141105 } }, MONEY).afterTotal;
    expect(added.map(({ words, amount }) => [words, amount])).toEqual([
      ['VAT 20 % on $1,000.00', '$200.00'],
      ['VAT 5 % on $201.00', '$10.05'],
      ['Total with VAT, USD', '$1,411.05'],
    ]);
    expect(bidModel(report, MONEY).afterTotal).toEqual([]);
  });

  it('warns in large letters of sample prices, on the page and in the PDF', () => {
    const model = bidModel(report, MONEY, { hasSamples: true });
    expect(model.warning).toMatch(/sample prices/);
    expect(JSON.stringify(bidDocument(model))).toContain(model.warning);
    expect(bidModel(report, MONEY).warning).toBe('');
  });

  it('carries its number and revision', () => {
    expect(inLanguage('en-US', { bidNumber: '26-114' }).heading).toBe('Bid 26-114');
    expect(inLanguage('en-US', { bidNumber: '26-114', bidRevision: 2 }).heading).toBe(
      'Bid 26-114, revision 2',
    );
    expect(inLanguage('en-US', { paper: 'a4' }).paper).toBe('a4');
  });
});
