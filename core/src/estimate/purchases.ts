import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { isBareMinimum } from '../assemblies/purchase.ts';
import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import { type LineKey, purchaseLine } from '../job/lineKey.ts';
import { overrideOf } from '../job/overrides.ts';
import { query } from '../job/query.ts';
import type { PlaceInAlternate } from '../job/records/alternate.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { alternateOf, countedIn } from './places.ts';

/** One item that is bought in whole packs for the whole job. */
export interface JobPurchase {
  readonly key: LineKey;
  readonly code: string;
  readonly name: string;
  readonly unit: string;
  readonly roundUpTo: number;
  readonly minimum: number;
  /** Minimums that are formulas, by the line they are figured for. */
  readonly least: readonly { readonly key: LineKey; readonly factor: number }[];
  /** The lines that need it, each with what turns its unit into the purchase's. */
  readonly lines: readonly { readonly key: LineKey; readonly factor: number }[];
}

const toNumber = (decimal: string | undefined): number =>
  decimal === undefined || decimal === '' ? 0 : Number(decimal);

/** What a component that is rounded over the job asks for, with what tells whether it counts. */
interface Asked {
  readonly key: LineKey;
  readonly alternate: PlaceInAlternate | undefined;
  readonly code: string;
  readonly name: string;
  readonly unit: string;
  readonly roundUpTo: number;
  readonly minimum: string;
}

const NOTHING: readonly Asked[] = [];

const askedBy = query((job, useId): readonly Asked[] => {
  const use = job.use.get(useId as Id<'use'>);
  const rounded =
    use === undefined ? [] : componentsOf(job, use).filter((placed) => isRoundedOverJob(placed));
  if (rounded.length === 0) return NOTHING;
  return rounded.flatMap((placed): Asked[] => {
    const { key, component } = placed;
    const { name, unit, roundUpTo, minimum = '' } = component;
    const code = overrideOf(job, key)?.itemCode ?? component.itemCode;
    if (code === '') return [];
    const alternate = alternateOf(job, placed);
    return [{ key, alternate, code, name, unit, roundUpTo: toNumber(roundUpTo), minimum }];
  });
});

const isRoundedOverJob = ({ component }: PlacedComponent): boolean => component.roundAt === 'job';

/**
 * What is rounded over the whole job, by item. The coarsest rounding that any of its components asks
 * for holds for all: a pallet for one is a pallet for the job.
 */
export const listPurchases: (job: Job) => readonly JobPurchase[] = query((job) => {
  const isCounted = countedIn(job);
  const found = new Map<string, Asked[]>();
  for (const useId of job.use.keys())
    for (const asked of askedBy(job, useId)) {
      // What an alternate holds that is not accepted is not bought.
      if (!isCounted(asked)) continue;
      const same = found.get(asked.code);
      if (same === undefined) found.set(asked.code, [asked]);
      else same.push(asked);
    }
  return [...found.values()].map(purchaseOfAll);
});

/** One purchase, in the unit of the first that asks for it. */
function purchaseOfAll(all: readonly Asked[]): JobPurchase {
  const [first] = all;
  if (first === undefined) throw new Error('purchaseOfAll: nobody asks for it');
  const { code, name, unit } = first;
  const lines = all.map(({ key, unit: own }) => ({
    key,
    factor: unitOrLabel(own).factor / unitOrLabel(unit).factor,
  }));
  const most = (each: (asked: Asked) => number): number =>
    Math.max(...all.map((asked, at) => each(asked) * (lines[at]?.factor ?? 1)));
  return {
    key: purchaseLine(code),
    code,
    name,
    unit,
    roundUpTo: most(({ roundUpTo }) => roundUpTo),
    minimum: most(({ minimum }) => (isBareMinimum(minimum) ? toNumber(minimum) : 0)),
    least: lines.filter((_, at) => {
      const text = all[at]?.minimum ?? '';
      return text !== '' && !isBareMinimum(text);
    }),
    lines,
  };
}

/** What is rounded over the whole job of one item; undefined where nobody asks for it. */
export const purchaseOfCode = query((job, code) => listPurchases(job).find((each) => each.code === code));
