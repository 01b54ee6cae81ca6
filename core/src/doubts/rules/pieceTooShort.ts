import { remember } from '../../job/remember.ts';
import type { Component } from '../../job/records/assembly.ts';
import type { Item } from '../../job/records/item.ts';
import { propertyNode } from '../../calculate/graph/nodes.ts';
import type { Scope } from '../../job/records/scope.ts';
import { aboutLine } from '../aboutLine.ts';
import { defineRule } from '../rule.ts';
import { sizesInText } from '../sizesInText.ts';

/** What stands as high as its wall in one piece: with plates, a stud may be this much shorter. */
const UPRIGHT = /\b(stud|post|column|board|plasterboard|drywall|sheet|panel|roll|wrap|batten)s?\b/i;
const PLATES_M = 0.12;

/** Studs, boards and rolls that are shorter than the wall they are for is high. */
export const pieceTooShort = defineRule('piece-too-short', 'lines', (context) => {
  const heights = new Map<string, number | undefined>();
  const heightOf = ({ id, kind }: Scope): number | undefined => {
    if (!heights.has(id)) {
      const node = propertyNode(id, 'height');
      heights.set(id, kind === 'run' && context.figures.has(node) ? context.known(node) : undefined);
    }
    return heights.get(id);
  };
  return context.lines.flatMap((line) => {
    if (line.of.by !== 'use') return [];
    const { frame, component } = line.of.made;
    const wallM = component.kind === 'material' ? heightOf(frame.scope) : undefined;
    if (wallM === undefined) return [];
    const item = context.pricedBy(line);
    if (item === undefined || !isUpright(component, item)) return [];
    const lengthM = Math.max(...lengthsOf(item.description, item.sizes), 0);
    // What is less than a meter is a thickness or a width.
    if (lengthM < 1 || lengthM + PLATES_M >= wallM) return [];
    return [aboutLine(context, line, { item: item.description, lengthM, wallM })];
  });
});

const saysUpright = remember(({ name }: Component) => UPRIGHT.test(name));
const isUprightItem = remember(({ description }: Item) => UPRIGHT.test(description));
const isUpright = (component: Component, item: Item): boolean =>
  saysUpright(component) || isUprightItem(item);

const lengthsOf = (description: string, sizes: Readonly<Record<string, string>> = {}): readonly number[] =>
  sizes['length'] === undefined ? sizesInText(description).lengthsM : sizesInText(sizes['length']).lengthsM;
