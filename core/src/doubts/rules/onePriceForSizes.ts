import { groupBy } from '../../job/groupBy.ts';
import type { LineAt } from '../../estimate/lineSources.ts';
import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';
import { sizesInText, withoutSizes } from '../sizesInText.ts';

interface Priced {
  readonly line: LineAt;
  readonly size: string;
  readonly name: string;
}

/** Things of different size at one and the same price for each: the price of one was taken for all. */
export const onePriceForSizes = defineRule('one-price-for-sizes', 'lines', (context) => {
  const priced = context.lines.flatMap((line): readonly (readonly [string, Priced])[] => {
    if (line.of.by !== 'line') return [];
    const { unit, costs, typedCost, description } = line.of.made;
    const { nominal, lengthsM } = sizesInText(description);
    if (nominal.length + lengthsM.length === 0) return [];
    const size = [...nominal, ...lengthsM.map((m) => m.toFixed(4))].join(' ');
    const words = withoutSizes(description);
    if (words === '') return [];
    const item = context.pricedBy(line);
    const price = JSON.stringify(
      typedCost ?? costs ?? (item === undefined ? null : [item.material, item.subcontract, item.basis]),
    );
    if (price === 'null') return [];
    return [[`${words} ${unit} ${price}`, { line, size, name: context.nameOf(line) }]];
  });
  return [...groupBy(priced, ([key]) => key).values()].flatMap((group) => {
    const sizes = new Map(group.map(([, each]) => [each.size, each]));
    const [first, ...others] = [...sizes.values()];
    if (first === undefined || others.length === 0) return [];
    return [aboutLine(context, first.line, { others: others.map(({ name }) => name) })];
  });
});
