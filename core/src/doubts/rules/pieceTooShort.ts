import { propertyNode } from '../../calculate/graph/nodes.ts';
import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';
import { sizesInText } from '../sizesInText.ts';

/** What stands as high as its wall in one piece: with plates, a stud may be this much shorter. */
const UPRIGHT = /\b(stud|post|column|board|plasterboard|drywall|sheet|panel|roll|wrap|batten)s?\b/i;
const PLATES_M = 0.12;

/** Studs, boards and rolls that are shorter than the wall they are for is high. */
export const pieceTooShort = defineRule('piece-too-short', 'lines', (context) =>
  context.lines.flatMap((line) => {
    if (line.of.by !== 'use') return [];
    const { scope } = line.of.made.frame;
    const node = propertyNode(scope.id, 'height');
    if (scope.kind !== 'run' || !context.figures.has(node)) return [];
    const item = context.pricedBy(line);
    if (item === undefined || !UPRIGHT.test(`${line.of.made.component.name} ${item.description}`)) return [];
    const lengthM = Math.max(...lengthsOf(item.description, item.sizes), 0);
    const wallM = context.known(node);
    // What is less than a meter is a thickness or a width.
    if (wallM === undefined || lengthM < 1 || lengthM + PLATES_M >= wallM) return [];
    return [aboutLine(context, line, { item: item.description, lengthM, wallM })];
  }),
);

const lengthsOf = (description: string, sizes: Readonly<Record<string, string>> = {}): readonly number[] =>
  sizes['length'] === undefined ? sizesInText(description).lengthsM : sizesInText(sizes['length']).lengthsM;
