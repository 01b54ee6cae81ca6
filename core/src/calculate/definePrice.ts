import type { LineKey } from '../estimate/lineKey.ts';
import type { Failure } from '../graph/failure.ts';
import { type Rule, sumOf } from '../graph/graph.ts';
import { COST_KINDS, type CostKind } from '../job/records/assembly.ts';
import { minorDigits, toMinor } from '../pricing/money.ts';
import { type Factors, NO_FACTORS } from '../pricing/factors.ts';
import type { UnitCost, UnitPrice } from '../pricing/price.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import type { Result } from '../problem/result.ts';
import type { Definitions } from './define.ts';
import { lineNode } from './nodes.ts';

/** What acts on a price besides the price itself. */
export interface Acting {
  readonly currency: string;
  /** What the hours are taken times. */
  readonly difficulty: number;
  /** By region, on prices of the book and on wages. */
  readonly region: Factors;
  /** By adjustments, on everything. */
  readonly adjusted: Factors;
}

export const nothingActs = (currency: string): Acting => ({
  currency,
  difficulty: 1,
  region: NO_FACTORS,
  adjusted: NO_FACTORS,
});

/** What costs of a kind are taken times; typed and quoted prices are what they are, wherever it is built. */
export const factorOf = (kind: CostKind, fromBook: boolean, { region, adjusted }: Acting): number =>
  adjusted[kind] * (fromBook ? region[kind] : 1);

/** The money of one kind for so many units, in major units, not rounded. */
export type Amount = (quantity: number) => number;

function amountOf({ amount, factor, basis, fromBook, kind }: UnitCost, acting: Acting): Amount {
  const times = factorOf(kind, fromBook === true, acting);
  // In this order, whole figures stay whole: 1500 x 42.50 / 100.
  return times === 1
    ? (quantity) => (quantity * factor * amount) / basis
    : (quantity) => ((quantity * factor * amount) / basis) * times;
}

/** The costs of a price by kind, machines of the crew among the equipment; labor is by hours. */
export function amountsOf({ costs, hours, gang }: UnitPrice, acting: Acting): ReadonlyMap<CostKind, Amount> {
  const amounts = new Map<CostKind, Amount>(costs.map((cost) => [cost.kind, amountOf(cost, acting)]));
  if (gang === undefined || gang.machines === 0 || hours === 0) return amounts;
  const each =
    ((hours * acting.difficulty) / gang.people) * gang.machines * factorOf('equipment', true, acting);
  const other = amounts.get('equipment');
  amounts.set('equipment', (quantity) => (other?.(quantity) ?? 0) + quantity * each);
  return amounts;
}

/** What a labor hour of the price costs. */
export const hourlyWage = ({ gang }: UnitPrice, acting: Acting): number =>
  gang === undefined ? 0 : (gang.wages / gang.people) * factorOf('labor', true, acting);

const failed = (failure: Failure): Rule => ({ kind: 'value', value: 0, failure });

/**
 * The costs of a line by kind and their sum, in minor units. Each kind is rounded once; hours are
 * rounded before the wage is taken, so that hours times wage on paper is the labor that is shown.
 */
export function definePrice(line: LineKey, price: Result<UnitPrice, Failure>, acting: Acting): Definitions {
  const extension = lineNode(line, 'extension');
  if (!price.ok) return [[extension, failed(price.problem)]];
  const digits = minorDigits(acting.currency);
  const quantity = [lineNode(line, 'quantity')];
  const defined: (readonly [string, Rule])[] = [...amountsOf(price.value, acting)].map(([kind, amount]) => [
    lineNode(line, kind),
    {
      kind: 'compute',
      inputs: quantity,
      run: (values, at) => toMinor(amount(values[at[0] as number] as number), digits),
    },
  ]);
  const { hours } = price.value;
  if (hours !== 0) {
    const hoursNode = lineNode(line, 'hours');
    const perUnit = hours * acting.difficulty;
    const wage = hourlyWage(price.value, acting);
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

/** The prices a line may have by its size; which one holds is known once its sizes are figured. */
export interface SizedPrices {
  /** Gives the place of the price that holds. */
  readonly pick: string;
  readonly prices: readonly Result<UnitPrice, Failure>[];
}

/** The same for a line whose item follows from its size. */
export function defineSizedPrice(line: LineKey, { pick, prices }: SizedPrices, acting: Acting): Definitions {
  const digits = minorDigits(acting.currency);
  const known = prices.map((price) => (price.ok ? price.value : undefined));
  const amounts = known.map((price) => (price === undefined ? undefined : amountsOf(price, acting)));
  const inputs = [lineNode(line, 'quantity'), pick];
  const each = (figure: (chosen: number, quantity: number) => number): Rule => ({
    kind: 'compute',
    inputs,
    run: (values, at) => figure(values[at[1] as number] as number, values[at[0] as number] as number),
  });
  const kinds = COST_KINDS.filter((kind) => amounts.some((of) => of?.has(kind) === true));
  const costs: Definitions = kinds.map((kind) => [
    lineNode(line, kind),
    each((chosen, quantity) => toMinor(amounts[chosen]?.get(kind)?.(quantity) ?? 0, digits)),
  ]);
  const hours = lineNode(line, 'hours');
  const labor: Definitions = known.some((price) => price !== undefined && price.hours !== 0)
    ? [
        [
          hours,
          each((chosen, quantity) =>
            roundQuantity(quantity * (known[chosen]?.hours ?? 0) * acting.difficulty),
          ),
        ],
        [
          lineNode(line, 'labor'),
          {
            kind: 'compute',
            inputs: [hours, pick],
            run: (values, at) => {
              const price = known[values[at[1] as number] as number];
              return price === undefined
                ? 0
                : toMinor((values[at[0] as number] as number) * hourlyWage(price, acting), digits);
            },
          },
        ],
      ]
    : [];
  const parts = [...costs, ...labor].map(([node]) => node).filter((node) => node !== hours);
  return [
    ...costs,
    ...labor,
    // The pick is among the operands, so that a line without a fitting size says so.
    [
      lineNode(line, 'extension'),
      {
        kind: 'compute',
        inputs: [pick, ...parts],
        run: (values, at) => {
          let sum = 0;
          for (let slot = 1; slot < at.length; slot += 1) sum += values[at[slot] as number] as number;
          return sum;
        },
      },
    ],
  ];
}
