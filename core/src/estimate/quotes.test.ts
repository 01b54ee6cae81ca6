import { describe, expect, it } from '@jest/globals';
import { put } from '../job/change.ts';
import { createIdMaker } from '../job/id.ts';
import { applyDiff } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createChance, createTestJob } from '../testing/job.ts';
import { levelQuote, quotedLine, quotesOf, sumPrices, takenQuote } from './quotes.ts';
import { makePackage, makeQuote } from '../testing/records.ts';

const makeId = createIdMaker(createChance(4));
const packageId = makeId('package');
const quote = (content: Partial<RecordOf<'quote'>>) => makeQuote(makeId, { packageId, ...content });
const pack = (content: Partial<RecordOf<'package'>>) => makePackage(makeId, { id: packageId, ...content });

describe('a quote made comparable', () => {
  it('comes to what it names, what it leaves out, and what was adjusted', () => {
    const leveled = levelQuote(
      quote({
        amount: '9800',
        leftOut: { flashing: '1400', hoist: '' },
        adjustments: [
          { text: 'Second trip', amount: '250.50' },
          { text: 'Our crane', amount: '-600' },
        ],
      }),
      2,
    );
    expect(leveled).toEqual({
      quoted: 9800_00,
      leftOut: 1400_00,
      adjusted: -349_50,
      open: 1,
      total: 10_850_50,
    });
  });

  it('is in the minor unit of its currency: none for yen, a thousandth for dinar (ISO 4217)', () => {
    expect(levelQuote(quote({ amount: '120500' }), 0).total).toBe(120_500);
    expect(levelQuote(quote({ amount: '1.234' }), 3).total).toBe(1234);
  });

  it('without an amount is nothing yet', () => {
    expect(levelQuote(quote({}), 2).total).toBe(0);
  });
});

describe('a quote line by line', () => {
  it('rounds each line by itself, as the estimate does', () => {
    const prices = { a: '0.335', b: '0.335', c: '2' };
    const lines = [
      { key: 'a', quantity: 1 },
      { key: 'b', quantity: 1 },
      { key: 'c', quantity: 12.5 },
    ];
    // 0.34 + 0.34 + 25.00, not the 25.67 of the unrounded sum.
    expect(sumPrices(quote({ prices }), lines, 2)).toEqual({ total: 25_68, missing: 0 });
  });

  it('says how many lines it leaves open', () => {
    const lines = [
      { key: 'a', quantity: 3 },
      { key: 'b', quantity: 4 },
      { key: 'c', quantity: undefined },
    ];
    expect(sumPrices(quote({ prices: { a: '10', b: '', c: '5' } }), lines, 2)).toEqual({
      total: 30_00,
      missing: 1,
    });
  });
});

describe('the quotes of a job', () => {
  const started = createTestJob().job;
  const late = quote({ company: 'Late', order: 2, prices: { one: '5', two: '' } });
  const first = quote({ company: 'First', order: 1 });
  const elsewhere = quote({ company: 'Elsewhere', packageId: makeId('package') });
  const jobWith = (content: Partial<RecordOf<'package'>>) => {
    const other = pack({ id: elsewhere.packageId });
    const diff = put(pack(content), other, late, first, elsewhere)(started);
    if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
    return applyDiff(started, diff.value);
  };

  it('stand in their order, those of one package', () => {
    expect(quotesOf(jobWith({}), packageId).map(({ company }) => company)).toEqual(['First', 'Late']);
  });

  it('one is taken, or none', () => {
    const job = jobWith({ takenId: late.id });
    expect(takenQuote(job, pack({ takenId: late.id }))?.company).toBe('Late');
    expect(takenQuote(job, pack({}))).toBeUndefined();
  });

  it('price the lines that were asked for, where the one that is taken has a price', () => {
    const lines = jobWith({ by: 'lines', takenId: late.id, lines: ['one', 'two'], kind: 'material' });
    expect(quotedLine(lines, 'one')).toEqual({ kind: 'material', amount: '5', company: 'Late' });
    expect(quotedLine(lines, 'two')).toBeUndefined();
    expect(quotedLine(jobWith({ by: 'lines', lines: ['one'] }), 'one')).toBeUndefined();
    // A sum is a line of its own and prices no other.
    expect(quotedLine(jobWith({ by: 'sum', takenId: late.id, lines: ['one'] }), 'one')).toBeUndefined();
  });
});
