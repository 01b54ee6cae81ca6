import type { LineKey } from '../../job/lineKey.ts';
import { type NodeId, sameNode } from '../../job/nodeId.ts';
import type { Failure } from '../../job/failure.ts';
import { type Compute, type Rule, failed, sumOf } from '../graph/rule.ts';
import { COST_KINDS, type CostKind } from '../../job/records/assembly.ts';
import { minorDigits, toMinor } from '../../pricing/money.ts';
import { type Factors, NO_FACTORS } from '../../pricing/factors.ts';
import type { UnitCost, UnitPrice } from '../../pricing/price.ts';
import { roundQuantity } from '../../pricing/quantity.ts';
import type { Result } from '../../problem/result.ts';
import type { Definitions } from '../define.ts';
import { lineNode } from '../graph/nodes.ts';

/** What acts on a price besides the price itself. */
export interface PriceFactors {
  readonly currency: string;
  /** What the hours are taken times. */
  readonly difficulty: number;
  /** By region, on prices of the book and on wages. */
  readonly region: Factors;
  /** By adjustments, on everything. */
  readonly adjusted: Factors;
}

export const nothingActs = (currency: string): PriceFactors => ({
  currency,
  difficulty: 1,
  region: NO_FACTORS,
  adjusted: NO_FACTORS,
});

/** What costs of a kind are taken times; typed and quoted prices are what they are, wherever it is built. */
export const factorOf = (kind: CostKind, fromBook: boolean, { region, adjusted }: PriceFactors): number =>
  adjusted[kind] * (fromBook ? region[kind] : 1);

/** The money of one kind for so many units, in major units, not rounded. */
export type Amount = (quantity: number) => number;

function amountOf({ amount, factor, basis, fromBook, kind }: UnitCost, priceFactors: PriceFactors): Amount {
  const times = factorOf(kind, fromBook === true, priceFactors);
  // In this order, whole figures stay whole: 1500 x 42.50 / 100.
  return times === 1
    ? (quantity) => (quantity * factor * amount) / basis
    : (quantity) => ((quantity * factor * amount) / basis) * times;
}

/** The costs of a price by kind, for one unit; labor by hours and machines of the crew are not among them. */
export const amountsOf = ({ costs }: UnitPrice, priceFactors: PriceFactors): ReadonlyMap<CostKind, Amount> =>
  new Map<CostKind, Amount>(costs.map((cost) => [cost.kind, amountOf(cost, priceFactors)]));

/** What the machines of the crew cost for one unit that is worked, in major units. */
export const machinesOf = ({ hours, crewRates }: UnitPrice, priceFactors: PriceFactors): number =>
  crewRates === undefined || crewRates.machines === 0 || hours === 0
    ? 0
    : ((hours * priceFactors.difficulty) / crewRates.people) *
      crewRates.machines *
      factorOf('equipment', true, priceFactors);

/** What a labor hour of the price costs. */
export const hourlyWage = ({ crewRates }: UnitPrice, priceFactors: PriceFactors): number =>
  crewRates === undefined ? 0 : (crewRates.wages / crewRates.people) * factorOf('labor', true, priceFactors);

/** What the costs of a line are for. */
export interface Amounted {
  /** The quantity that is worked: before waste, spares and rounding. */
  readonly worked: NodeId;
  /** The kinds that are for what is bought. */
  readonly bought: ReadonlySet<CostKind>;
  /** A node with what the hours are taken times besides the difficulty. */
  readonly hoursFactor?: NodeId | undefined;
}

/** The prices a line may have: one, or by its size several, of which `pick` gives the place. */
export interface LinePrices {
  readonly pick?: NodeId;
  readonly prices: readonly Result<UnitPrice, Failure>[];
}

/** What a node reads by what it is for; the place of each among its operands. */
function operands(...wanted: readonly (NodeId | undefined)[]): {
  readonly inputs: readonly NodeId[];
  readonly slots: readonly number[];
} {
  const inputs: NodeId[] = [];
  const slots = wanted.map((node) => {
    if (node === undefined) return -1;
    const known = inputs.findIndex((each) => sameNode(each, node));
    if (known >= 0) return known;
    return inputs.push(node) - 1;
  });
  return { inputs, slots };
}

/**
 * What every cost of a line rests on, also where it is not multiplied by it: a line of which something
 * is wrong has no price, and then no part of it may stand in a sum by kind.
 */
const guardsOf = (
  line: LineKey,
  known: Known,
  { worked, hoursFactor }: Omit<Amounted, 'bought'>,
): readonly (NodeId | undefined)[] => [
  worked.figure === 'quantity' ? undefined : lineNode(line, 'quantity'),
  known.some((price) => price !== undefined && price.hours !== 0) ? hoursFactor : undefined,
];

/**
 * The costs of a line by kind and their sum, in minor units. Each kind is rounded once; hours are
 * rounded before the wage is taken, so that hours times wage on paper is the labor that is shown.
 */
export function definePrice(
  line: LineKey,
  of: LinePrices,
  priceFactors: PriceFactors,
  on: Amounted,
): Definitions {
  const { pick, prices } = of;
  const extension = lineNode(line, 'extension');
  const [first] = prices;
  if (pick === undefined && first?.ok !== true)
    return [[extension, failed(first?.problem ?? { kind: 'no-price' })]];
  const known = prices.map((price) => (price.ok ? price.value : undefined));
  const costs = [
    ...defineCosts(line, known, of, priceFactors, on),
    ...defineLabor(line, known, of, priceFactors, on),
  ];
  // Hours without a wage leave the labor unknown, not the material beside it.
  const apart =
    known.some((price) => price?.crewRates?.noWage !== undefined && price.hours !== 0) &&
    costs.some(([{ figure }]) => figure !== 'labor' && figure !== 'hours');
  if (apart)
    costs.push([
      lineNode(line, 'labor-known'),
      { kind: 'compute', inputs: [lineNode(line, 'labor')], run: sumOf, skipsFailures: true },
    ]);
  const left = apart ? 'labor' : 'labor-known';
  const parts = costs.map(([node]) => node).filter(({ figure }) => figure !== 'hours' && figure !== left);
  if (pick === undefined) return [...costs, [extension, { kind: 'compute', inputs: parts, run: sumOf }]];
  // The pick is among the operands, so that a line without a fitting size says so.
  const run: Compute = (values, at) => {
    let sum = 0;
    for (let slot = 1; slot < at.length; slot += 1) sum += values[at[slot] as number] as number;
    return sum;
  };
  return [...costs, [extension, { kind: 'compute', inputs: [pick, ...parts], run }]];
}

type Known = readonly (UnitPrice | undefined)[];

function defineCosts(
  line: LineKey,
  known: Known,
  { pick }: LinePrices,
  priceFactors: PriceFactors,
  { worked, bought, hoursFactor }: Amounted,
): Definitions {
  const digits = minorDigits(priceFactors.currency);
  const amounts = known.map((price) => (price === undefined ? undefined : amountsOf(price, priceFactors)));
  const machines = known.map((price) => (price === undefined ? 0 : machinesOf(price, priceFactors)));
  const withMachines = machines.some((each) => each !== 0);
  const kinds = COST_KINDS.filter(
    (kind) => amounts.some((of) => of?.has(kind) === true) || (kind === 'equipment' && withMachines),
  );
  const guards = guardsOf(line, known, { worked, hoursFactor });
  return kinds.map((kind) => {
    const quantity = bought.has(kind) ? lineNode(line, 'quantity') : worked;
    const node = lineNode(line, kind);
    const own = amounts[0]?.get(kind);
    if (pick === undefined && own !== undefined && !(kind === 'equipment' && withMachines))
      // By far the most: one price, one quantity.
      return [
        node,
        {
          kind: 'compute',
          inputs: operands(quantity, ...guards).inputs,
          run: (values, at) => toMinor(own(values[at[0] as number] as number), digits),
        },
      ];
    const runs = kind === 'equipment' && withMachines;
    const { inputs, slots } = operands(
      quantity,
      runs ? worked : undefined,
      pick,
      runs ? hoursFactor : undefined,
      ...guards,
    );
    const [q, w, p, f] = slots as [number, number, number, number];
    const run: Compute = (values, at) => {
      const read = (slot: number): number => values[at[slot] as number] as number;
      const chosen = p < 0 ? 0 : read(p);
      const cost = amounts[chosen]?.get(kind)?.(read(q)) ?? 0;
      if (w < 0) return toMinor(cost, digits);
      return toMinor(cost + read(w) * (machines[chosen] ?? 0) * (f < 0 ? 1 : read(f)), digits);
    };
    return [node, { kind: 'compute', inputs, run }];
  });
}

function defineLabor(
  line: LineKey,
  known: Known,
  { pick }: LinePrices,
  priceFactors: PriceFactors,
  { worked, bought, hoursFactor }: Amounted,
): Definitions {
  if (known.every((price) => price === undefined || price.hours === 0)) return [];
  const digits = minorDigits(priceFactors.currency);
  const hours = lineNode(line, 'hours');
  const perUnit = known.map((price) => (price?.hours ?? 0) * priceFactors.difficulty);
  const wages = known.map((price) => (price === undefined ? 0 : hourlyWage(price, priceFactors)));
  const unknown = known.map((price) => price?.crewRates?.noWage);
  const quantity = bought.has('labor') ? lineNode(line, 'quantity') : worked;
  const ofHours = operands(quantity, pick, hoursFactor, ...guardsOf(line, known, { worked, hoursFactor }));
  const ofLabor = operands(hours, pick);
  const [q, p, f] = ofHours.slots as [number, number, number];
  const chosenIn = (values: Float64Array, at: Int32Array, slot: number): number =>
    slot < 0 ? 0 : (values[at[slot] as number] as number);
  const labor: Rule = {
    kind: 'compute',
    inputs: ofLabor.inputs,
    run: (values, at) => {
      const chosen = chosenIn(values, at, ofLabor.slots[1] ?? -1);
      if (unknown[chosen] !== undefined) return Number.NaN;
      return toMinor((values[at[0] as number] as number) * (wages[chosen] ?? 0), digits);
    },
    explain: (values, at) =>
      unknown[chosenIn(values, at, ofLabor.slots[1] ?? -1)] ?? { kind: 'no-wage', craft: '' },
  };
  return [
    [
      hours,
      {
        kind: 'compute',
        inputs: ofHours.inputs,
        run: (values, at) =>
          roundQuantity(
            (values[at[q] as number] as number) *
              (perUnit[chosenIn(values, at, p)] ?? 0) *
              (f < 0 ? 1 : (values[at[f] as number] as number)),
          ),
      },
    ],
    [lineNode(line, 'labor'), labor],
  ];
}
