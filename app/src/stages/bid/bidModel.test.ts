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
});
