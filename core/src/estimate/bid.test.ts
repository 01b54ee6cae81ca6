import { describe, expect, it } from '@jest/globals';
import Decimal from 'decimal.js';
import fc from 'fast-check';
import { createIdMaker } from '../job/id.ts';
import { COST_KINDS } from '../job/records/assembly.ts';
import type { Markup } from '../job/records/markup.ts';
import { createChance } from '../testing/job.ts';
import { type BidRules, type GroupCost, type KindSums, rateFor, sumBid } from './bid.ts';
import { MAIN_GROUP } from './groups.ts';
import { makeMarkup } from '../testing/records.ts';

const makeId = createIdMaker(createChance(8));
const NOTHING: KindSums = { material: 0, labor: 0, equipment: 0, subcontract: 0, other: 0 };
const DOLLARS: BidRules = { currency: 'USD', taxOnMaterials: '' };
const group = (id: string, sums: Partial<KindSums>, taxPercent?: string): GroupCost => ({
  group: id === 'main' ? MAIN_GROUP : { id, rateOf: id, taxPercent },
  sums: { ...NOTHING, ...sums },
});
const markup = (content: Partial<Markup>): Markup => makeMarkup(makeId, content);

describe('from cost to the bid', () => {
  it('takes tax of materials, and markups in their order on what is above them', () => {
    const bid = sumBid(
      [group('main', { material: 1000_00, labor: 500_00 })],
      [markup({ base: 'labor', percent: '30' }), markup({ base: 'running', percent: '5' })],
      { ...DOLLARS, taxOnMaterials: '6' },
    );
    // 1,500 + 60 of tax + 150 on labor = 1,710; 5 % of it 85.50.
    expect(bid).toMatchObject({
      cost: 1500_00,
      tax: 60_00,
      markups: [150_00, 85_50],
      rounding: 0,
      total: 1795_50,
    });
  });

  it('gives a group its own tax and its own rate', () => {
    const special = markup({ percent: '10', rates: [{ on: 'roof', percent: '4' }] });
    const bid = sumBid(
      [group('main', { material: 100_00 }), group('roof', { material: 100_00 }, '0')],
      [special],
      { ...DOLLARS, taxOnMaterials: '8' },
    );
    expect(bid.parts.tax).toEqual([8_00, 0]);
    expect(bid.parts.markups).toEqual([[10_00, 4_00]]);
    expect(bid.groups).toEqual([118_00, 104_00]);
    expect(rateFor(special, MAIN_GROUP)).toBe('10');
  });

  it('rates a bond on all of it, and shares it out by what each group is', () => {
    const bond = markup({
      as: 'graded',
      base: 'running',
      grades: [
        { upTo: '100000', percent: '2.5' },
        { upTo: '', percent: '1.5' },
      ],
    });
    const bid = sumBid(
      [group('main', { labor: 90_000_00 }), group('roof', { subcontract: 60_000_00 })],
      [bond],
      DOLLARS,
    );
    // 2,500 + 1.5 % of 50,000 = 3,250, in the shares of 90 to 60.
    expect(bid.markups).toEqual([3250_00]);
    expect(bid.parts.markups).toEqual([[1950_00, 1300_00]]);
  });

  it('rounds the bid as it is asked to, and says by how much', () => {
    const rounded = (bidRounding: BidRules['bidRounding'], bidStep: string): readonly [number, number] => {
      const { total, rounding } = sumBid([group('main', { other: 12_345_67 })], [], {
        ...DOLLARS,
        bidStep,
        bidRounding,
      });
      return [total, rounding];
    };
    expect(rounded('nearest', '100')).toEqual([12_300_00, -45_67]);
    expect(rounded('up', '100')).toEqual([12_400_00, 54_33]);
    expect(rounded('down', '1000')).toEqual([12_000_00, -345_67]);
    expect(rounded(undefined, '0.05')).toEqual([12_345_65, -2]);
    expect(rounded('up', '')).toEqual([12_345_67, 0]);
  });

  it('has no cents in yen', () => {
    const bid = sumBid([group('main', { labor: 1001 })], [markup({ percent: '12.5' })], {
      currency: 'JPY',
      taxOnMaterials: '',
      bidStep: '100',
    });
    // 125.125 is 125; 1,126 to the nearest hundred.
    expect([bid.markups, bid.total]).toEqual([[125], 1100]);
  });

  it('of nothing is nothing, whatever is on it', () => {
    expect(sumBid([], [markup({}), markup({ as: 'margin' })], DOLLARS).total).toBe(0);
    // A sum stands by itself.
    expect(sumBid([group('main', {})], [markup({ as: 'sum', percent: '250' })], DOLLARS).total).toBe(250_00);
  });
});

const percent = fc.integer({ min: 0, max: 6000 }).map((hundredths) => (hundredths / 100).toFixed(2));
const sums = fc.record({
  material: fc.integer({ min: 0, max: 10 ** 9 }),
  labor: fc.integer({ min: 0, max: 10 ** 9 }),
  equipment: fc.integer({ min: 0, max: 10 ** 8 }),
  subcontract: fc.integer({ min: 0, max: 10 ** 9 }),
  other: fc.integer({ min: -(10 ** 5), max: 10 ** 7 }),
});
const anyMarkups = fc.array(
  fc.record({
    percent,
    base: fc.constantFrom('cost', 'material', 'labor', 'equipment', 'subcontract', 'running' as const),
    as: fc.constantFrom('margin' as const, undefined),
    rate: fc.option(percent, { nil: undefined }),
  }),
  { maxLength: 5 },
);

describe('any bid', () => {
  it('is what decimal arithmetic says, group by group', () => {
    fc.assert(
      fc.property(
        fc.array(sums, { minLength: 1, maxLength: 4 }),
        anyMarkups,
        percent,
        (costs, rules, tax) => {
          const groups = costs.map((each, at) => group(at === 0 ? 'main' : `part ${at}`, each));
          const markups = rules.map(({ as, rate, ...rest }) =>
            markup({
              ...rest,
              ...(as === undefined ? {} : { as }),
              rates: rate === undefined ? [] : [{ on: 'part 1', percent: rate }],
            }),
          );
          const bid = sumBid(groups, markups, { ...DOLLARS, taxOnMaterials: tax });
          const whole = (exact: Decimal): Decimal => exact.toDecimalPlaces(0, Decimal.ROUND_HALF_UP);
          const expected = costs.map((each, at) => {
            const cost = COST_KINDS.reduce((sum, kind) => sum.add(each[kind]), new Decimal(0));
            let running = cost.add(whole(new Decimal(each.material).mul(tax).div(100)));
            for (const { base, as, percent: usual, rate } of rules) {
              const of = base === 'running' ? running : base === 'cost' ? cost : new Decimal(each[base]);
              const by = new Decimal(at === 1 && rate !== undefined ? rate : usual);
              running = running.add(whole(of.mul(by).div(as === 'margin' ? new Decimal(100).sub(by) : 100)));
            }
            return running.toNumber();
          });
          expect(bid.groups).toEqual(expected);
          expect(bid.total).toBe(expected.reduce((sum, each) => sum + each, 0));
        },
      ),
      { numRuns: 300 },
    );
  });

  it('is a multiple of its step, at most one step away', () => {
    fc.assert(
      fc.property(
        sums,
        fc.integer({ min: 1, max: 100_000 }),
        fc.constantFrom('nearest', 'up', 'down' as const),
        (costs, step, bidRounding) => {
          const bid = sumBid([group('main', costs)], [markup({ as: 'margin', percent: '7.25' })], {
            ...DOLLARS,
            bidStep: (step / 100).toFixed(2),
            bidRounding,
          });
          expect(Math.abs(bid.total % step)).toBe(0);
          expect(Math.abs(bid.rounding)).toBeLessThan(step);
          if (bidRounding === 'up') expect(bid.rounding).toBeGreaterThanOrEqual(0);
          if (bidRounding === 'down') expect(bid.rounding).toBeLessThanOrEqual(0);
          expect(bid.groups.reduce((sum, each) => sum + each, 0)).toBe(bid.total);
        },
      ),
      { numRuns: 200 },
    );
  });
});
