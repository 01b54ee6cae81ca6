import type { JobPurchase } from '../assemblies/jobPurchases.ts';
import { roundToPurchase } from '../assemblies/purchase.ts';
import { sumOf } from '../graph/graph.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import { roundTo } from '../units/numberFormat.ts';
import type { Definitions } from './define.ts';
import { lineNode, purchaseNode } from './nodes.ts';

/** What the job needs of an item, what is bought, and the difference, which is a line of its own. */
export function definePurchases({ key, code, roundUpTo, minimum, lines, least }: JobPurchase): Definitions {
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
