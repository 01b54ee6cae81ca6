import type { CostKind } from '../job/records/assembly.ts';
import type { Markup } from '../job/records/markup.ts';
import type { Settings } from '../job/records/settings.ts';
import { minorDigits, toMinor } from '../pricing/money.ts';
import { distribute } from './distribute.ts';
import { type Group, NO_MARKUP } from './groups.ts';
import { gradedOf, marginOn, percentOf } from './markup.ts';

/** Direct cost of a group of lines by kind, in whole minor units. */
export type KindSums = Readonly<Record<CostKind, number>>;

export interface GroupCost {
  readonly group: Group;
  readonly sums: KindSums;
}

/** From direct cost to the bid, in whole minor units. */
export interface BidSums {
  readonly cost: number;
  readonly tax: number;
  /** In the order of the markups. */
  readonly markups: readonly number[];
  /** What the bid was rounded by. */
  readonly rounding: number;
  readonly total: number;
  /** Of each group with all that comes on it, in the order they were given; they add up to the total. */
  readonly groups: readonly number[];
  /** The steps by group. */
  readonly parts: {
    readonly cost: readonly number[];
    readonly tax: readonly number[];
    readonly markups: readonly (readonly number[])[];
    readonly rounding: readonly number[];
  };
}

export type BidRules = Pick<Settings, 'taxOnMaterials' | 'currency' | 'bidStep' | 'bidRounding'>;

const costOf = (sums: KindSums): number =>
  sums.material + sums.labor + sums.equipment + sums.subcontract + sums.other;

/**
 * Tax, then the markups in their order, then rounding. A percentage is taken of each group by itself,
 * so that the groups add up; what is one sum or a graded rate is taken of all and shared out.
 */
export function sumBid(groups: readonly GroupCost[], markups: readonly Markup[], rules: BidRules): BidSums {
  const digits = minorDigits(rules.currency);
  const cost = groups.map(({ sums }) => costOf(sums));
  const tax = groups.map(({ group, sums }) =>
    percentOf(sums.material, group.taxPercent ?? rules.taxOnMaterials),
  );
  const running = cost.map((each, at) => each + (tax[at] ?? 0));
  const parts = markups.map((markup) => {
    const bases = groups.map(({ sums }, at) =>
      markup.base === 'running'
        ? (running[at] ?? 0)
        : markup.base === 'cost'
          ? costOf(sums)
          : sums[markup.base],
    );
    const amounts = amountsOf(markup, groups, bases, digits);
    amounts.forEach((amount, at) => {
      running[at] = (running[at] ?? 0) + amount;
    });
    return amounts;
  });
  const before = total(running);
  const rounding = roundBid(before, rules, digits) - before;
  const rounded = distribute(rounding, running);
  return {
    cost: total(cost),
    tax: total(tax),
    markups: parts.map(total),
    rounding,
    total: before + rounding,
    groups: running.map((each, at) => each + (rounded[at] ?? 0)),
    parts: { cost, tax, markups: parts, rounding: rounded },
  };
}

const total = (amounts: readonly number[]): number => amounts.reduce((sum, amount) => sum + amount, 0);

function amountsOf(
  markup: Markup,
  groups: readonly GroupCost[],
  bases: readonly number[],
  digits: number,
): readonly number[] {
  switch (markup.as) {
    case 'sum':
      return distribute(toMinor(Number(markup.percent === '' ? 0 : markup.percent), digits), bases);
    case 'graded':
      return distribute(gradedOf(total(bases), markup.grades ?? [], digits), bases);
    default: {
      const take = markup.as === 'margin' ? marginOn : percentOf;
      return groups.map(({ group }, at) => take(bases[at] ?? 0, rateFor(markup, group)));
    }
  }
}

/** The markup's own rate for what the group is of, else the one for all. */
export const rateFor = ({ percent, rates = [] }: Markup, { rateOf }: Group): string =>
  rateOf === NO_MARKUP
    ? '0'
    : ((rateOf === '' ? undefined : rates.find(({ on }) => on === rateOf)?.percent) ?? percent);

function roundBid(
  minor: number,
  { bidStep = '', bidRounding = 'nearest' }: BidRules,
  digits: number,
): number {
  const step = bidStep === '' ? 0 : toMinor(Number(bidStep), digits);
  if (step <= 0) return minor;
  const steps = minor / step;
  const whole =
    bidRounding === 'up' ? Math.ceil(steps) : bidRounding === 'down' ? Math.floor(steps) : Math.round(steps);
  return whole * step;
}
