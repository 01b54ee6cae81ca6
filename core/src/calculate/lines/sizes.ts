import { own } from '../../job/own.ts';
import { compileFormula } from '../../formula/compile.ts';
import { EMPTY_NAMES } from '../../formula/checkDimensions.ts';
import type { Failure } from '../../job/failure.ts';
import type { Rule } from '../graph/rule.ts';
import { itemsOfFamily, recordsOf } from '../../job/belongs.ts';
import { groupBy } from '../../job/groupBy.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { query } from '../../job/query.ts';
import type { Job } from '../../job/job.ts';
import type { Item } from '../../job/records/item.ts';
import type { Sizing } from '../../job/records/pricing.ts';
import { type Dimension, NUMBER, sameDimension } from '../../units/dimension.ts';
import { type Unit, findUnit } from '../../units/unit.ts';
import { type LineKey } from '../../job/lineKey.ts';
import type { Definitions } from '../define.ts';
import { type Names, compileValue, ruleOf } from '../queries/names.ts';
import { lineNode, sizeNode } from '../graph/nodes.ts';

/** An item of a family; its sizes in SI, in the order they are asked for. */
export interface SizedItem {
  readonly item: Item;
  readonly sizes: readonly number[];
}

const NOTHING = new Float64Array(0);
const NO_SLOTS = new Int32Array(0);

const sizeOf = (text: string): { readonly value: number; readonly dimension: Dimension } | undefined => {
  const formula = compileFormula(text, EMPTY_NAMES);
  if (!formula.ok) return undefined;
  const value = formula.value.run(NOTHING, NO_SLOTS);
  return Number.isFinite(value) ? { value, dimension: formula.value.dimension } : undefined;
};

/** The names of all families of the price book, and the items in them. */
export const listFamilies: (job: Job) => ReadonlyMap<string, readonly Item[]> = query((job) =>
  groupBy(
    [...job.item.values()].filter(({ family = '' }) => family !== ''),
    ({ family = '' }) => family,
  ),
);

/** The items of a family that have all the sizes that are asked for, the smallest first. */
export function sizedItems(job: Job, { family, by }: Sizing): readonly SizedItem[] {
  const keys = Object.keys(by);
  const size = ({ sizes }: SizedItem): number => sizes.reduce((product, each) => product * each, 1);
  return recordsOf(job.item, itemsOfFamily(job, family))
    .flatMap((item): SizedItem[] => {
      const sizes = keys.map((key) => sizeOf(item.sizes?.[key] ?? ''));
      if (sizes.some((each) => each === undefined)) return [];
      return [{ item, sizes: sizes.map((each) => each?.value ?? 0) }];
    })
    .sort((a, b) => size(a) - size(b) || (a.item.code < b.item.code ? -1 : 1));
}

/** Sizes a hair apart are one: 24 in is 609.6 mm. */
const SLACK = 1e-6;

/** The place of the first item that is big enough in every size; -1 for none. */
export const findBigEnough = (items: readonly SizedItem[], wanted: (slot: number) => number): number =>
  items.findIndex(({ sizes }) => sizes.every((size, slot) => size >= wanted(slot) * (1 - SLACK) - SLACK));

/** True where the item is just the size that was asked for, not the next larger one. */
export const isExactSize = ({ sizes }: SizedItem, wanted: readonly number[]): boolean =>
  sizes.every((size, slot) => Math.abs(size - (wanted[slot] ?? 0)) <= SLACK * Math.max(1, size));

/** The sizes a line asks for, and which item of the family they lead to. `problems` are of those items' prices. */
export function defineSizes(
  line: LineKey,
  sizing: Sizing,
  items: readonly SizedItem[],
  problems: readonly (Failure | undefined)[],
  names: Names,
): Definitions {
  const keys = Object.keys(sizing.by);
  const family = items[0]?.item;
  const dimensions = keys.map((key) => sizeOf(own(family?.sizes ?? {}, key) ?? '')?.dimension ?? NUMBER);
  const wanted: Definitions = keys.map((key) => {
    const node = sizeNode(line, key);
    const dimension = sizeOf(own(family?.sizes ?? {}, key) ?? '')?.dimension;
    return [node, ruleOf(node, compileValue(own(sizing.by, key) ?? '', '', names, dimension), names)];
  });
  const pick: Rule = {
    kind: 'compute',
    inputs: keys.map((key) => sizeNode(line, key)),
    run: (values, at) => {
      const found = findBigEnough(items, (slot) => values[at[slot] as number] as number);
      return found < 0 || problems[found] !== undefined ? Number.NaN : found;
    },
    explain: (values, at) => {
      const sizes = keys.map((_, slot) => values[at[slot] as number] as number);
      const found = findBigEnough(items, (slot) => sizes[slot] ?? 0);
      return problems[found] ?? { kind: 'no-size', family: sizing.family, sizes, keys, dimensions };
    },
  };
  return [...wanted, [lineNode(line, 'pick'), pick]];
}

export interface SizeCompared {
  readonly key: string;
  readonly wanted: number;
  readonly has: number;
  readonly dimension: Dimension;
  /** The unit the price book writes the size in; undefined for feet and inches. */
  readonly unit: Unit | undefined;
}

/** The unit at the end of a size: `432 in²`. */
const unitOfSize = (text: string): Unit | undefined => findUnit(/[^\d.\s/].*$/.exec(text.trim())?.[0] ?? '');

/** Why an item of a family was taken. */
export interface SizeReason {
  readonly item: Item;
  /** Each size as it was asked for and as the item has it, SI, with the unit it is priced by. */
  readonly sizes: readonly SizeCompared[];
  /** Just the size that was asked for; else the next larger one. */
  readonly exact: boolean;
  /** How many smaller ones were not big enough. */
  readonly tooSmall: number;
}

export function reasonOfSize(
  job: Job,
  line: LineKey,
  sizing: Sizing,
  known: (node: NodeId) => number | undefined,
): SizeReason | undefined {
  const items = sizedItems(job, sizing);
  const at = known(lineNode(line, 'pick'));
  const taken = at === undefined ? undefined : items[at];
  if (taken === undefined || at === undefined) return undefined;
  const keys = Object.keys(sizing.by);
  const wanted = keys.map((key) => known(sizeNode(line, key)) ?? 0);
  return {
    item: taken.item,
    sizes: keys.map((key, slot) => {
      const text = taken.item.sizes?.[key] ?? '';
      return {
        key,
        wanted: wanted[slot] ?? 0,
        has: taken.sizes[slot] ?? 0,
        dimension: sizeOf(text)?.dimension ?? NUMBER,
        unit: unitOfSize(text),
      };
    }),
    exact: isExactSize(taken, wanted),
    tooSmall: at,
  };
}

/** The dimension of a size of a family, for whoever asks for it. */
export function sizeDimension(job: Job, family: string, key: string): Dimension | undefined {
  const found = recordsOf(job.item, itemsOfFamily(job, family)).map((item) =>
    sizeOf(item.sizes?.[key] ?? ''),
  );
  const known = found.filter((each) => each !== undefined);
  const [first] = known;
  return first !== undefined && known.every(({ dimension }) => sameDimension(dimension, first.dimension))
    ? first.dimension
    : undefined;
}
