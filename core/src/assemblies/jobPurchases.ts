import { type LineKey, purchaseLine } from '../estimate/lineKey.ts';
import type { Job } from '../job/job.ts';
import { alternateOf, countedIn, overrideOf } from '../estimate/places.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { componentsOf } from './frames.ts';
import { isBareMinimum } from './purchase.ts';

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

interface Growing extends JobPurchase {
  readonly lines: { readonly key: LineKey; readonly factor: number }[];
  readonly least: { readonly key: LineKey; readonly factor: number }[];
}

/**
 * What is rounded over the whole job, by item. The coarsest rounding that any of its components asks
 * for holds for all: a pallet for one is a pallet for the job.
 */
export function listPurchases(job: Job): readonly JobPurchase[] {
  const isCounted = countedIn(job);
  const found = new Map<string, Growing>();
  for (const use of job.use.values())
    for (const placed of componentsOf(job, use)) {
      const { key, component } = placed;
      const { roundAt, name, unit } = component;
      if (roundAt !== 'job') continue;
      const itemCode = overrideOf(job, key)?.itemCode ?? component.itemCode;
      // What an alternate holds that is not accepted is not bought.
      if (itemCode === '' || !isCounted({ key, alternate: alternateOf(job, placed) })) continue;
      const known = found.get(itemCode);
      const text = component.minimum ?? '';
      const bare = isBareMinimum(text);
      const [multiple, minimum] = [toNumber(component.roundUpTo), bare ? toNumber(text) : 0];
      const formula = bare || text === '' ? [] : [key];
      if (known === undefined)
        found.set(itemCode, {
          key: purchaseLine(itemCode),
          code: itemCode,
          name,
          unit,
          roundUpTo: multiple,
          minimum,
          least: formula.map((each) => ({ key: each, factor: 1 })),
          lines: [{ key, factor: 1 }],
        });
      else {
        const factor = unitOrLabel(unit).factor / unitOrLabel(known.unit).factor;
        known.lines.push({ key, factor });
        known.least.push(...formula.map((each) => ({ key: each, factor })));
        const roundTo = Math.max(known.roundUpTo, multiple * factor);
        const least = Math.max(known.minimum, minimum * factor);
        found.set(itemCode, { ...known, roundUpTo: roundTo, minimum: least });
      }
    }
  return [...found.values()];
}
