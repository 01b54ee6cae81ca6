import { type Display, formatQuantity, joinFigure } from '../units/format.ts';
import type { Dimension } from '../units/dimension.ts';
import { type Reference, referenceKey } from './references.ts';
import type { Formula } from './compile.ts';
import { printFormula } from './print.ts';

/** A formula as it is written, and with the figures of the moment in the place of its names. */
export interface Trace {
  readonly source: string;
  readonly substituted: string;
}

/** Writes the figures into a formula: `ceil(468 ft² / 32 sq ft)`. Unknown figures keep their name. */
export function traceFormula(
  formula: Formula,
  find: (reference: Reference) => { readonly value: number; readonly dimension: Dimension } | undefined,
  display: Display,
): Trace {
  const byKey = new Map(formula.references.map((reference) => [referenceKey(reference), find(reference)]));
  const substituted = printFormula(formula.ast, (leaf) => {
    if (leaf.type === 'number') return leaf.text;
    const found = byKey.get(referenceKey(leaf));
    if (found === undefined) return leaf.type === 'name' ? leaf.name : referenceKey(leaf);
    return joinFigure(formatQuantity(found.value, found.dimension, display));
  });
  return { source: printFormula(formula.ast), substituted };
}
