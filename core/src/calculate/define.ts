import { type Purchase, purchase } from '../assemblies/purchase.ts';
import { type Compute, type Figure, type Rule, sumOf } from '../graph/graph.ts';
import type { Failure } from '../graph/failure.ts';
import type { Job } from '../job/job.ts';
import type { ComponentLabor, CostKind } from '../job/records/assembly.ts';
import type { Craft } from '../job/records/craft.ts';
import type { Item } from '../job/records/item.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Id } from '../job/id.ts';
import { minorDigits, toMinor } from '../pricing/money.ts';
import { type UnitPrice, priceByHand, priceByItem, priceWithLabor } from '../pricing/price.ts';
import { roundQuantity, unitOrLabel } from '../pricing/quantity.ts';
import type { Result } from '../problem/result.ts';
import type { ScopeNames } from './scopeNames.ts';
import type { LineKey } from '../estimate/lineKey.ts';
import { lineNode, propertyNode } from './nodes.ts';
import { ruleOf } from './names.ts';

/** The figures of one record, to be defined in the graph together. */
export type Definitions = readonly (readonly [node: string, rule: Rule])[];

const failed = (failure: Failure): Rule => ({ kind: 'value', value: 0, failure });

export function defineProperties(scope: Scope, names: ScopeNames): Definitions {
  return scope.properties.map(({ key }) => {
    const node = propertyNode(scope.id, key);
    return [node, ruleOf(node, names.property(scope, key), names.namesOf(scope))];
  });
}

/**
 * From a net figure (SI) to the quantity that is bought and priced, in the line's unit. A component
 * below zero is a mistake in its formula; a typed line may take something off.
 */
export function defineQuantity(
  line: LineKey,
  netNode: string,
  unit: string,
  bought: Purchase,
  component?: string,
): Definitions {
  const { factor } = unitOrLabel(unit);
  const inputs = [netNode];
  if (component === undefined) {
    const run: Compute = (values, at) => purchase((values[at[0] as number] as number) / factor, bought);
    return [[lineNode(line, 'quantity'), { kind: 'compute', inputs, run }]];
  }
  const run: Compute = (values, at) => {
    const net = (values[at[0] as number] as number) / factor;
    return net < -NOISE ? Number.NaN : purchase(Math.max(0, net), bought);
  };
  const explain = (): Failure => ({ kind: 'negative', component });
  return [[lineNode(line, 'quantity'), { kind: 'compute', inputs, run, explain }]];
}

/** Binary noise around zero is zero. */
const NOISE = 1e-9;

/** What prices a line: a code of the price book, or a typed cost. */
export interface Pricing {
  readonly unit: string;
  readonly itemCode: string;
  readonly typedCost: { readonly kind: CostKind; readonly amount: string } | null;
  readonly labor?: ComponentLabor | undefined;
  /** Bought, not built: no hours go into what is only rounded up. */
  readonly onlyCosts?: boolean;
}

export function findPrice(
  pricing: Pricing,
  findItem: (code: string) => Item | undefined,
  job: Job,
): Result<UnitPrice, Failure> {
  if (pricing.typedCost !== null) return priceByHand(pricing.typedCost.kind, pricing.typedCost.amount);
  const findCraft = (id: Id<'craft'>) => job.craft.get(id);
  const price = findItemPrice(pricing, findItem, findCraft);
  if (pricing.onlyCosts === true && price.ok) return withoutHours(price.value);
  return pricing.labor === undefined ? price : priceWithLabor(price, pricing.labor, findCraft);
}

const withoutHours = (price: UnitPrice): Result<UnitPrice, Failure> =>
  price.costs.length === 0
    ? { ok: false, problem: { kind: 'no-price' } }
    : { ok: true, value: { ...price, hours: 0 } };

function findItemPrice(
  pricing: Pricing,
  findItem: (code: string) => Item | undefined,
  findCraft: (id: Id<'craft'>) => Craft | undefined,
): Result<UnitPrice, Failure> {
  if (pricing.itemCode === '') return { ok: false, problem: { kind: 'no-price' } };
  const item = findItem(pricing.itemCode);
  if (item === undefined) return { ok: false, problem: { kind: 'item-unknown', code: pricing.itemCode } };
  return priceByItem(item, pricing.unit, findCraft);
}

/**
 * The costs of a line by kind and their sum, in minor units. Each kind is rounded once; hours are
 * rounded before the wage is taken, so that hours times wage on paper is the labor that is shown.
 * `difficulty` is what the hours are taken times.
 */
export function definePrice(
  line: LineKey,
  price: Result<UnitPrice, Failure>,
  currency: string,
  difficulty = 1,
): Definitions {
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
    const perUnit = (factor * hours * difficulty) / basis;
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
