import type { EntryProblem } from '../../formula/evaluateEntry.ts';
import type { Formula } from '../../formula/compile.ts';
import { diagnose, evaluateAst } from '../../formula/diagnose.ts';
import { referenceKey } from '../../formula/references.ts';
import type { Failure } from '../../job/failure.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';
import type { Dimension } from '../../units/dimension.ts';
import type { Figures } from '../figures.ts';
import { type Names, compileCondition, compileValue } from '../queries/names.ts';

/** A figure worked out aside from the graph: for what is shown while typing, notes, drawings. */
export type Worked =
  | {
      readonly kind: 'figure';
      readonly value: number;
      readonly dimension: Dimension;
      readonly formula?: Formula;
    }
  | { readonly kind: 'problem'; readonly problem: EntryProblem }
  | { readonly kind: 'failure'; readonly failure: Failure };

function figureBy(figures: Figures, formula: Formula, names: Names): Result<number, Worked> {
  const values = new Map<string, number>();
  for (const reference of formula.references) {
    const named = names.find(reference);
    if (named === undefined) throw new Error(`figureBy: ${referenceKey(reference)} compiled but has no node`);
    const figure = figures.figureAside(named.node);
    if (figure.failure !== undefined) return refuse({ kind: 'failure', failure: figure.failure });
    values.set(referenceKey(reference), figure.value);
  }
  const valueOf = (key: string): number => values.get(key) ?? 0;
  const value = evaluateAst(formula.ast, valueOf, formula.tables);
  if (Number.isFinite(value)) return accept(value);
  return refuse({ kind: 'problem', problem: diagnose(formula, valueOf) });
}

/** Works a text out with the figures of the moment; a bare number is in `unit`. */
export function workOut(figures: Figures, text: string, names: Names, unit = '', wanted?: Dimension): Worked {
  const compiled = compileValue(text, unit, names, wanted);
  if (compiled.kind === 'constant')
    return { kind: 'figure', value: compiled.value, dimension: compiled.dimension };
  if (compiled.kind === 'problem') return { kind: 'problem', problem: compiled.problem };
  const { formula } = compiled;
  const value = figureBy(figures, formula, names);
  return value.ok
    ? { kind: 'figure', value: value.value, dimension: formula.dimension, formula }
    : value.problem;
}

/** Whether a comparison holds; undefined where it cannot be told. */
export function holds(figures: Figures, text: string, names: Names): boolean | undefined {
  const compiled = compileCondition(text, names);
  if (compiled.kind === 'constant') return compiled.value !== 0;
  if (compiled.kind === 'problem') return undefined;
  const value = figureBy(figures, compiled.formula, names);
  return value.ok ? value.value !== 0 : undefined;
}

/** A length of a drawing in meters; undefined where it has no figure. */
export function workOutLength(figures: Figures, text: string, names: Names): number | undefined {
  const worked = workOut(figures, text, names);
  return worked.kind === 'figure' ? worked.value : undefined;
}
