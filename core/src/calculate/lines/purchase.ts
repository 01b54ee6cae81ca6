import { type JobPurchase, purchaseOfCode } from '../../estimate/purchases.ts';
import { ALL_BOUGHT, roundToPurchase } from '../../assemblies/purchase.ts';
import { sumOf } from '../graph/rule.ts';
import { roundQuantity } from '../../pricing/quantity.ts';
import { roundTo } from '../../units/numberFormat.ts';
import type { Define, Definitions } from '../define.ts';
import { jobNames } from '../queries/jobNames.ts';
import { priceFactorsOn, definePriced } from './line.ts';
import { pricingOfPurchase } from './pricing.ts';
import { lineNode, purchaseNode } from '../graph/nodes.ts';

/** What is rounded up once for the whole job of one item, and what that costs: a line of its own. */
export const definePurchase: Define = ({ job }, code) => {
  const purchase = purchaseOfCode(job, code);
  if (purchase === undefined) return [];
  const { key } = purchase;
  const on = { worked: lineNode(key, 'quantity'), bought: ALL_BOUGHT };
  const pricing = pricingOfPurchase(purchase);
  const priceFactors = priceFactorsOn(job, { key, sectionId: null }, pricing);
  return [...defineBought(purchase), ...definePriced(key, pricing, priceFactors, jobNames(job), job, on)];
};

/** What the job needs of an item, what is bought, and the difference. */
function defineBought({ key, code, roundUpTo, minimum, lines, least }: JobPurchase): Definitions {
  const need = purchaseNode(code, 'need');
  const bought = purchaseNode(code, 'bought');
  const factors = lines.map(({ factor }) => factor);
  return [
    [
      need,
      {
        kind: 'compute',
        inputs: lines.map((line) => lineNode(line.key, 'quantity')),
        run: factors.every((factor) => factor === 1)
          ? sumOf
          : (values, at) =>
              factors.reduce((sum, factor, slot) => sum + factor * (values[at[slot] as number] as number), 0),
      },
    ],
    [
      bought,
      {
        kind: 'compute',
        inputs: [need, ...least.map((line) => lineNode(line.key, 'least'))],
        run: (values, at) => {
          const needed = roundQuantity(values[at[0] as number] as number);
          const figured = least.map(({ factor }, i) => factor * (values[at[i + 1] as number] as number));
          return roundToPurchase(needed, roundUpTo, Math.max(minimum, ...figured));
        },
      },
    ],
    [
      lineNode(key, 'quantity'),
      {
        kind: 'compute',
        inputs: [bought, need],
        run: (values, at) => {
          const more = (values[at[0] as number] as number) - (values[at[1] as number] as number);
          return roundTo(Math.max(0, more), 8);
        },
      },
    ],
  ];
}
