import { describe, expect, it } from '@jest/globals';
import { type Doubt, type DoubtAbout, RULE_ORDER } from '@zest/core/doubts/doubt';
import { createJob, settingsOf } from '@zest/core/job/job';
import { createTestJob } from '@zest/core/testing/job';
import { formatsOf } from '../stores/context.tsx';
import { describeDoubt, headOfRule } from './describeDoubt.ts';

const us = createTestJob().job;
const metric = createTestJob('metric').job;
const place = { at: 'figures' } as const;
const say = (about: DoubtAbout, job = us, more = {}): string => {
  const doubt: Doubt = { key: 'k', name: 'Thing', about, place };
  return describeDoubt(doubt, job, formatsOf({ ...settingsOf(job), ...more }));
};

/** One of each rule, so that a new rule without words is missed here. */
const ABOUTS: readonly (readonly [DoubtAbout, RegExp])[] = [
  [{ rule: 'sheet-without-scale', marks: 0 }, /none is set\. Set it/],
  [{ rule: 'sheet-without-scale', marks: 3 }, /3 marks.*until you set the scale/],
  [{ rule: 'scope-without-marks' }, /Measure it, or delete it/],
  [{ rule: 'price-sample', prices: 34, wages: 0 }, /^Priced by samples that ship with Zest Line: 34 lines\./],
  [{ rule: 'price-sample', prices: 0, wages: 1 }, /^Hours at sample wages: 1 line\./],
  [{ rule: 'price-sample', prices: 2, wages: 3 }, /Priced by samples.*2 lines; hours.*3 lines\./],
  [{ rule: 'count-unexpected', counted: 36, expected: 37 }, /36 counted.*says 37\. Count the rest/],
  [
    { rule: 'count-unexpected', counted: 38, expected: 37 },
    /38 counted.*says 37\. Look for one counted twice/,
  ],
  [{ rule: 'scope-priced-nowhere' }, /Apply an assembly/],
  [{ rule: 'marks-overlap', areaM2: 9.290304 }, /100\.0 ft² in common/],
  [{ rule: 'opening-beyond-wall', side: 'height', openingM: 3.048, wallM: 2.7432 }, /10′.*wall of 9′/],
  [{ rule: 'formula-wrong', failure: { kind: 'no-quantity' } }, /./],
  [{ rule: 'line-without-price', failure: { kind: 'no-price' } }, /price/i],
  [{ rule: 'units-differ', failure: { kind: 'no-price' } }, /./],
  [{ rule: 'line-without-unit' }, /Give it a unit/],
  [{ rule: 'line-without-code' }, /cost code/],
  [{ rule: 'line-without-section' }, /isn’t part of any section.*Move it/],
  [{ rule: 'zero-quantity' }, /Type its quantity, or delete/],
  [{ rule: 'unconfirmed', source: 'Heron Slip', quantity: 1204.5, unit: 'ft' }, /1,204\.50? ft.*Heron Slip/],
  [{ rule: 'pinned-far', pinned: 500, flowing: 720, unit: 'ft²' }, /Pinned at 500.*calculated.*720.* ft²/],
  [{ rule: 'price-old', date: '2026-01-05', days: 324 }, /2026-01-05, 324 days ago/],
  [{ rule: 'price-old', date: '2026-11-24', days: 1 }, /1 day ago/],
  [
    { rule: 'quote-beside-lines', company: 'Mudlark', section: 'Sitework', lines: 1, cost: 41250 },
    /Mudlark.*Sitework.*1 line of your own there, \$412\.50, is in the bid too/,
  ],
  [{ rule: 'quote-open', company: 'Mudlark', missing: ['Disposal', 'Fees'] }, /leaves out Disposal and Fees/],
  [{ rule: 'quote-expired', company: 'Mudlark', validUntil: '2026-11-20' }, /Mudlark.*2026-11-20/],
  [
    { rule: 'yardstick-out', each: 231.4, low: '150', high: '220', of: 'price', unit: 'ft²' },
    /\$231\.40 \/ ft² is outside 150 to 220/,
  ],
  [
    { rule: 'yardstick-out', each: 0.5, low: '', high: '0.4', of: 'hours', unit: '' },
    /0\.50 h.*0\.4 at most/,
  ],
  [{ rule: 'yardstick-out', each: 3, low: '4', high: '', of: 'cost', unit: 'ea' }, /4 at least/],
  [
    {
      rule: 'alternate-doubles',
      alternate: 'Tile',
      alternateId: 'alternate:a',
      base: 'Rubber floor',
      baseKey: 'line:b',
    },
    /Tile adds it.*‘Rubber floor’.*removed by the alternate/,
  ],
  [{ rule: 'marks-on-spot', kind: 'count' }, /Two were counted on one spot/],
  [{ rule: 'marks-on-spot', kind: 'run' }, /Two runs lie on each other/],
  [{ rule: 'counted-and-placed', counted: 'Doors' }, /Doors counts it right there once more/],
  [
    { rule: 'piece-too-short', item: 'Stud 2x4, 9 ft', lengthM: 2.7432, wallM: 3.048 },
    /Stud 2x4, 9 ft, 9′.*in a wall 10′.*high/,
  ],
  [{ rule: 'length-far-off-sheet', lengthM: 3048, sheetM: 30.48 }, /10,000′.*was typed.*shows 100′/],
  [{ rule: 'question-unanswered', assembly: 'Slab', questions: 4 }, /Slab asks 4 questions/],
  [{ rule: 'question-unanswered', assembly: 'Slab', questions: 1 }, /Slab asks one question/],
  [{ rule: 'alternate-not-on-bid', lines: 0, unpriced: 0 }, /Nothing belongs to this option/],
  [{ rule: 'alternate-not-on-bid', lines: 3, unpriced: 1 }, /1 line of this option can’t be priced/],
  [
    { rule: 'bars-missing', neighbor: 'Ramp', section: 'Concrete' },
    /no bars, and Ramp in the same section has/,
  ],
  [{ rule: 'item-unlike', what: 'size', item: 'Pipe 4 in' }, /Pipe 4 in, which is of another size/],
  [{ rule: 'item-unlike', what: 'words', item: 'Pipe 4 in' }, /shares no word with the line/],
  [{ rule: 'region-not-applied', applied: '' }, /as they are in the book/],
  [{ rule: 'region-not-applied', applied: 'Coast' }, /those of Coast/],
  [{ rule: 'adjustment-matches-few', changed: 0, named: 4 }, /changes no line/],
  [{ rule: 'adjustment-matches-few', changed: 1, named: 4 }, /Only 1 of the 4 lines/],
  [{ rule: 'inclusion-not-in', work: 'Tiles', alternate: 'Quarry' }, /Tiles is in the option Quarry/],
  [
    { rule: 'text-outdated', scope: 'Partition', property: 'Height', valueM: 3.048 },
    /Partition now has Height 10′/,
  ],
  [{ rule: 'one-price-for-sizes', others: ['Door 800'] }, /just what Door 800 costs/],
  [{ rule: 'sections-empty', sections: ['Openings', 'Electrical'] }, /under Openings or Electrical/],
  [{ rule: 'printed-not-measured', tags: ['D2', 'D3'] }, /for D2 and D3/],
  [{ rule: 'subcontract-beside-own', own: 'Painting' }, /Painting is your own work/],
];

describe('what a doubt says', () => {
  it('has words for every rule, above the list and in it', () => {
    expect(new Set(ABOUTS.map(([{ rule }]) => rule))).toEqual(new Set(RULE_ORDER));
    for (const rule of RULE_ORDER) expect(headOfRule(rule)).toMatch(/^[A-Z].{5,}/);
    expect(new Set(RULE_ORDER.map(headOfRule)).size).toBe(RULE_ORDER.length);
  });

  it.each(ABOUTS)('%j', (about, words) => {
    const text = say(about);
    expect(text).toMatch(words);
    expect(text.endsWith('.')).toBe(true);
  });

  it('is in the measures and marks of the job', () => {
    const comma = { decimalMark: ',', groupMark: '.', currency: 'EUR' };
    expect(say({ rule: 'marks-overlap', areaM2: 12.5 }, metric, comma)).toMatch(/12,50? m²/);
    expect(say({ rule: 'unconfirmed', source: '', quantity: 1204.5, unit: 'm' }, metric, comma)).toMatch(
      /1\.204,50? m came from another job\./,
    );
    expect(
      say(
        { rule: 'yardstick-out', each: 1540, low: '900', high: '1500', of: 'price', unit: 'm²' },
        metric,
        comma,
      ),
    ).toMatch(/1\.540,00/);
  });

  it('names what a failure is about even where it is gone from the job', () => {
    const text = say(
      { rule: 'line-without-price', failure: { kind: 'no-price' } },
      createJob([settingsOf(us)]),
    );
    expect(text.length).toBeGreaterThan(10);
  });
});
