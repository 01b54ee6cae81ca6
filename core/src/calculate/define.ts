import { type Compute, type Figure, type Rule, sumOf } from '../graph/graph.ts';
import type { Failure } from '../graph/failure.ts';
import { type Junctions, findJunctions } from '../geometry/junctions.ts';
import type { Job } from '../job/job.ts';
import type { CostKind } from '../job/records/assembly.ts';
import type { Item } from '../job/records/item.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Id } from '../job/id.ts';
import { minorDigits, toMinor } from '../pricing/money.ts';
import { type UnitPrice, priceByHand, priceByItem } from '../pricing/price.ts';
import { roundQuantity, roundUpTo, unitOrLabel, withWaste } from '../pricing/quantity.ts';
import type { Result } from '../problem/result.ts';
import { measureMark, shapeCrossesItself } from '../takeoff/measureMark.ts';
import {
  JUNCTION_MEASURES,
  type JunctionMeasure,
  MARK_MEASURES,
  type MarkMeasure,
} from '../takeoff/measures.ts';
import type { ScopeNames } from './names.ts';
import type { LineKey } from '../estimate/lineKey.ts';
import { lineNode, markNode, measureNode, propertyNode } from './nodes.ts';
import { ruleOf } from './names.ts';

/** The figures of one record, to be defined in the graph together. */
export type Definitions = readonly (readonly [node: string, rule: Rule])[];

const failed = (failure: Failure): Rule => ({ kind: 'value', value: 0, failure });
const valued = (value: number): Rule => ({ kind: 'value', value });

/** A run or an area is one mark: only points have a count of their own to add up. */
const ownMeasures = (kind: Mark['kind']): readonly MarkMeasure[] =>
  MARK_MEASURES[kind].filter((measure) => measure !== 'count' || kind === 'count');

/** A mark's own figures. Without a scale they are unknown, save the count. */
export function defineMark(job: Job, mark: Mark): Definitions {
  const scale = job.sheet.get(mark.sheetId)?.scale ?? undefined;
  const crossed = shapeCrossesItself(mark);
  return ownMeasures(mark.kind).map((measure) => {
    const value = measureMark(mark, measure, scale);
    const node = markNode(mark.id, measure);
    if (value === undefined) return [node, failed({ kind: 'no-scale', sheetId: mark.sheetId })];
    if (crossed && measure === 'area') return [node, failed({ kind: 'crosses-itself', markId: mark.id })];
    return [node, valued(value)];
  });
}

/** A scope's measures: sums over its marks, and how its runs meet on each sheet. */
export function defineMeasures(scope: Scope, marks: readonly Mark[]): Definitions {
  const sums: Definitions = ownMeasures(scope.kind).map((measure) => [
    measureNode(scope.id, measure),
    { kind: 'compute', inputs: marks.map(({ id }) => markNode(id, measure)), run: sumOf },
  ]);
  if (scope.kind === 'count') return sums;
  const counted: Definitions = [...sums, [measureNode(scope.id, 'count'), valued(marks.length)]];
  return scope.kind === 'run' ? [...counted, ...defineJunctions(scope, marks)] : counted;
}

function defineJunctions(scope: Scope, marks: readonly Mark[]): Definitions {
  const chains = new Map<string, (readonly { x: number; y: number }[])[]>();
  for (const mark of marks) chains.set(mark.sheetId, [...(chains.get(mark.sheetId) ?? []), ...mark.strokes]);
  let found: readonly Junctions[] | undefined;
  const total = (measure: JunctionMeasure): number => {
    found ??= [...chains.values()].map(findJunctions);
    return found.reduce((sum, junctions) => sum + junctions[measure], 0);
  };
  return JUNCTION_MEASURES.map((measure) => [
    measureNode(scope.id, measure),
    { kind: 'when-asked', value: () => total(measure) },
  ]);
}

export function defineProperties(scope: Scope, names: ScopeNames): Definitions {
  return scope.properties.map(({ key }) => {
    const node = propertyNode(scope.id, key);
    return [node, ruleOf(node, names.property(scope, key), names.namesOf(scope))];
  });
}

export interface Purchase {
  readonly unit: string;
  readonly wastePercent: number;
  readonly roundUpTo: number;
}

/** From a net figure (SI) to the quantity that is bought and priced, in the line's unit. */
function purchaseRun({ unit, wastePercent, roundUpTo: multiple }: Purchase): Compute {
  const { factor } = unitOrLabel(unit);
  return (values, at) => {
    const gross = withWaste((values[at[0] as number] as number) / factor, wastePercent);
    return roundQuantity(roundUpTo(gross, multiple));
  };
}

export const defineQuantity = (line: LineKey, netNode: string, purchase: Purchase): Definitions => [
  [lineNode(line, 'quantity'), { kind: 'compute', inputs: [netNode], run: purchaseRun(purchase) }],
];

/** What prices a line: a code of the price book, or a typed cost. */
export interface Pricing {
  readonly unit: string;
  readonly itemCode: string;
  readonly typedCost: { readonly kind: CostKind; readonly amount: string } | null;
}

export function findPrice(
  pricing: Pricing,
  findItem: (code: string) => Item | undefined,
  job: Job,
): Result<UnitPrice, Failure> {
  if (pricing.typedCost !== null) return priceByHand(pricing.typedCost.kind, pricing.typedCost.amount);
  if (pricing.itemCode === '') return { ok: false, problem: { kind: 'no-price' } };
  const item = findItem(pricing.itemCode);
  if (item === undefined) return { ok: false, problem: { kind: 'item-unknown', code: pricing.itemCode } };
  return priceByItem(item, pricing.unit, (id) => job.craft.get(id as Id<'craft'>));
}

/**
 * The costs of a line by kind and their sum, in minor units. Each kind is rounded once; hours are
 * rounded before the wage is taken, so that hours times wage on paper is the labor that is shown.
 */
export function definePrice(line: LineKey, price: Result<UnitPrice, Failure>, currency: string): Definitions {
  const extension = lineNode(line, 'extension');
  if (!price.ok) return [[extension, failed(price.problem)]];
  const { costs, hours, wage, factor, basis } = price.value;
  const digits = minorDigits(currency);
  const quantity = [lineNode(line, 'quantity')];
  const defined: (readonly [string, Rule])[] = costs.map(({ kind, amount }) => [
    lineNode(line, kind),
    {
      kind: 'compute',
      inputs: quantity,
      run: (values, at) => toMinor(((values[at[0] as number] as number) * factor * amount) / basis, digits),
    },
  ]);
  if (hours !== 0) {
    const hoursNode = lineNode(line, 'hours');
    const perUnit = (factor * hours) / basis;
    defined.push(
      [
        hoursNode,
        {
          kind: 'compute',
          inputs: quantity,
          run: (values, at) => roundQuantity((values[at[0] as number] as number) * perUnit),
        },
      ],
      [
        lineNode(line, 'labor'),
        {
          kind: 'compute',
          inputs: [hoursNode],
          run: (values, at) => toMinor((values[at[0] as number] as number) * wage, digits),
        },
      ],
    );
  }
  const parts = defined.map(([node]) => node).filter((node) => !node.endsWith('/hours'));
  return [...defined, [extension, { kind: 'compute', inputs: parts, run: sumOf }]];
}

/** The figure as a plain number, or undefined where it is not known. */
export const knownValue = (figure: Figure): number | undefined =>
  figure.failure === undefined ? figure.value : undefined;
