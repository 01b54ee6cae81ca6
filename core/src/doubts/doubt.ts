import type { LineKey } from '../job/lineKey.ts';
import type { Failure } from '../job/failure.ts';
import type { Id } from '../job/id.ts';

/** Where one goes to look at what is doubted. */
export type DoubtPlace =
  | { readonly at: 'sheet'; readonly id: Id<'sheet'> }
  | { readonly at: 'scope'; readonly id: Id<'scope'> }
  | { readonly at: 'marks'; readonly ids: readonly Id<'mark'>[]; readonly sheetId: Id<'sheet'> }
  | { readonly at: 'line'; readonly key: LineKey }
  | { readonly at: 'section'; readonly id: Id<'section'> }
  | { readonly at: 'package'; readonly id: Id<'package'> }
  | { readonly at: 'yardstick'; readonly id: Id<'yardstick'> }
  | { readonly at: 'figures' };

/** What a careful colleague would ask. Figures are as they were found; the interface puts them into words. */
export type DoubtAbout =
  | { readonly rule: 'sheet-without-scale'; readonly marks: number }
  | { readonly rule: 'scope-without-marks' }
  | { readonly rule: 'scope-priced-nowhere' }
  | { readonly rule: 'marks-overlap'; readonly areaM2: number }
  | {
      readonly rule: 'opening-beyond-wall';
      readonly side: 'height' | 'width';
      readonly openingM: number;
      readonly wallM: number;
    }
  | { readonly rule: 'formula-wrong'; readonly failure: Failure }
  | { readonly rule: 'line-without-price'; readonly failure: Failure }
  | { readonly rule: 'units-differ'; readonly failure: Failure }
  | { readonly rule: 'line-without-unit' }
  | { readonly rule: 'line-without-code' }
  | { readonly rule: 'line-without-section' }
  | { readonly rule: 'zero-quantity' }
  | {
      readonly rule: 'unconfirmed';
      readonly source: string;
      readonly quantity: number;
      readonly unit: string;
    }
  | { readonly rule: 'pinned-far'; readonly pinned: number; readonly flowing: number; readonly unit: string }
  | { readonly rule: 'price-old'; readonly date: string; readonly days: number }
  /** A quote is taken, and our own lines for the same section are in the bid as well. */
  | {
      readonly rule: 'quote-beside-lines';
      readonly company: string;
      readonly section: string;
      readonly lines: number;
      readonly cost: number;
    }
  /** The taken quote leaves something out for which nothing is allowed. */
  | { readonly rule: 'quote-open'; readonly company: string; readonly missing: readonly string[] }
  | { readonly rule: 'quote-expired'; readonly company: string; readonly validUntil: string }
  | {
      readonly rule: 'yardstick-out';
      readonly each: number;
      readonly low: string;
      readonly high: string;
      readonly of: 'price' | 'cost' | 'hours';
      readonly unit: string;
    }
  | { readonly rule: 'alternate-doubles'; readonly alternate: string; readonly base: string };

export type DoubtRule = DoubtAbout['rule'];

export interface Doubt {
  /** The rule and what it is about; the same doubt has the same key tomorrow. */
  readonly key: string;
  /** What is doubted, by its own name. */
  readonly name: string;
  readonly about: DoubtAbout;
  readonly place: DoubtPlace;
}

/** The figures of a doubt: one that was accepted is a doubt again once they change. */
export const factsOfDoubt = ({ about }: Doubt): string => JSON.stringify(about).slice(0, 2000);

/** How urgent a rule is: what is wrong in the bid, what may be, what is only untidy. */
export const RULE_ORDER: readonly DoubtRule[] = [
  'formula-wrong',
  'units-differ',
  'line-without-price',
  'sheet-without-scale',
  'unconfirmed',
  'marks-overlap',
  'alternate-doubles',
  'quote-beside-lines',
  'quote-open',
  'opening-beyond-wall',
  'pinned-far',
  'zero-quantity',
  'scope-without-marks',
  'scope-priced-nowhere',
  'quote-expired',
  'price-old',
  'yardstick-out',
  'line-without-section',
  'line-without-code',
  'line-without-unit',
];
