import { describe, expect, it } from '@jest/globals';
import { put } from '@zest/core/job/change';
import { applyDiff, settingsOf } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { createTestJob } from '@zest/core/testing/job';
import { COMMA_FORMAT, POINT_FORMAT } from '@zest/core/units/numberFormat';
import { describeMarkup } from './describeMarkup.ts';

const { job: started, makeId } = createTestJob();
const markup = (content: Partial<RecordOf<'markup'>>): RecordOf<'markup'> => ({
  type: 'markup',
  id: makeId('markup'),
  name: 'Profit',
  percent: '10',
  base: 'cost',
  order: 9,
  ...content,
});

/** Overhead, contingency and then the markup, in a job with or without tax. */
function said(content: Partial<RecordOf<'markup'>>, taxOnMaterials = '', numbers = POINT_FORMAT): string {
  const last = markup(content);
  const diff = put(markup({ name: 'Overhead', order: 1 }), markup({ name: 'Contingency', order: 2 }), last, {
    ...settingsOf(started),
    taxOnMaterials,
  })({ ...started, markup: new Map() });
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  return describeMarkup(last, applyDiff({ ...started, markup: new Map() }, diff.value), numbers);
}

describe('a markup as one would say it', () => {
  it.each<[Partial<RecordOf<'markup'>>, string]>([
    [{}, '10 % profit on cost'],
    [{ base: 'subcontract', percent: '5.5' }, '5.5 % profit on subcontracts'],
    [{ base: 'labor', as: 'margin' }, '10 % profit as margin, on labor'],
    [{ as: 'sum', percent: '2500', name: 'Bond fee' }, '2500 for bond fee, shared over cost'],
    [{ percent: '' }, '0 % profit on cost'],
    [{ rates: [{ on: 'a', percent: '4' }] }, '10 % profit on cost; 1 section or line has a rate of its own'],
    [
      {
        rates: [
          { on: 'a', percent: '4' },
          { on: 'b', percent: '3' },
        ],
      },
      '10 % profit on cost; 2 sections or lines have rates of their own',
    ],
  ])('%j', (content, words) => {
    expect(said(content)).toBe(words);
  });

  it('names all that a markup on everything stands on, tax only where there is one', () => {
    expect(said({ base: 'running' })).toBe('10 % profit on cost, overhead and contingency');
    expect(said({ base: 'running' }, '6.5')).toBe('10 % profit on cost, tax, overhead and contingency');
    expect(said({ base: 'running', order: 0 }, '0')).toBe('10 % profit on cost');
  });

  it('says graded rates from the lowest on, in the marks of the job', () => {
    const grades = [
      { upTo: '', percent: '1.5' },
      { upTo: '500000', percent: '2' },
      { upTo: '100000', percent: '2.5' },
    ];
    expect(said({ as: 'graded', grades, name: 'Bond' })).toBe(
      'bond on cost: 2.5 % to 100,000, 2 % to 500,000, 1.5 % beyond',
    );
    expect(said({ as: 'graded', grades, name: 'Bond' }, '', COMMA_FORMAT)).toBe(
      'bond on cost: 2,5 % to 100.000, 2 % to 500.000, 1,5 % beyond',
    );
  });
});
