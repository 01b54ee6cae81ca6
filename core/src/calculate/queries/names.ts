import type { NodeId } from '../../job/nodeId.ts';
import { type Reference, referenceKey } from '../../formula/references.ts';
import type { NameSpace } from '../../formula/checkDimensions.ts';
import { type Formula, compileAst, compileFormula } from '../../formula/compile.ts';
import type { Ast } from '../../formula/ast.ts';
import { parseFormula } from '../../formula/parse.ts';
import { diagnose } from '../../formula/diagnose.ts';
import type { FormulaProblem } from '../../formula/problem.ts';
import type { Rule } from '../graph/rule.ts';
import type { Result } from '../../problem/result.ts';
import { type Dimension, NUMBER, sameDimension } from '../../units/dimension.ts';
import { POINT_FORMAT, parseNumber } from '../../units/numberFormat.ts';
import { findUnit } from '../../units/unit.ts';

/** What a name stands for: its dimension, and the node that holds its figure. */
export interface Named {
  readonly dimension: Dimension;
  readonly node: NodeId;
}

/** A name space that also knows where the figures are. */
export interface Names extends NameSpace {
  readonly find: (reference: Reference) => Named | undefined;
}

const KEPT_NUMBERS = { ...POINT_FORMAT, group: '' } as const;

/** A kept value: a bare number in its unit, or a formula. */
export type CompiledValue =
  | { readonly kind: 'constant'; readonly value: number; readonly dimension: Dimension }
  | { readonly kind: 'formula'; readonly formula: Formula }
  | { readonly kind: 'problem'; readonly source: string; readonly problem: FormulaProblem };

/** Compiles kept text; a bare number takes the unit. `wanted` fixes the dimension where it is known. */
export function compileValue(
  text: string,
  unit: string,
  names: NameSpace,
  wanted?: Dimension,
): CompiledValue {
  const fieldUnit = findUnit(unit);
  const bare = parseNumber(text, KEPT_NUMBERS);
  const fits =
    fieldUnit !== undefined && (wanted === undefined || sameDimension(fieldUnit.dimension, wanted));
  if (bare !== undefined && fits)
    return { kind: 'constant', value: bare * fieldUnit.factor, dimension: fieldUnit.dimension };
  if (bare !== undefined && bare !== 0 && fieldUnit !== undefined && wanted !== undefined) {
    const at = { start: 0, end: text.length };
    const problem = { kind: 'formula-dimension-result', at, wanted, found: fieldUnit.dimension } as const;
    return { kind: 'problem', source: `${text} ${unit}`, problem };
  }
  const formula: Result<Formula, FormulaProblem> = compileFormula(text, names, wanted);
  if (!formula.ok) return { kind: 'problem', source: text, problem: formula.problem };
  return { kind: 'formula', formula: formula.value };
}

/** What is right or wrong as a figure that is 1 or 0: `if(comparison, 1, 0)`. */
export function compileCondition(text: string, names: NameSpace): CompiledValue {
  const parsed = parseFormula(text);
  const formula = parsed.ok ? compileAst(asFigure(parsed.value), text, names, NUMBER) : parsed;
  if (!formula.ok) return { kind: 'problem', source: text, problem: formula.problem };
  return { kind: 'formula', formula: formula.value };
}

const figure = (value: number, { at }: Ast): Ast => ({
  type: 'number',
  at,
  value,
  dimension: NUMBER,
  text: `${value}`,
  anyZero: false,
});

/** A comparison as a figure: 1 where it holds, 0 where not. */
export const asFigure = (condition: Ast): Ast => ({
  type: 'call',
  at: condition.at,
  name: 'if',
  arguments: [condition, figure(1, condition), figure(0, condition)],
});

/** The graph rule that figures a compiled value. */
export function ruleOf(node: NodeId, value: CompiledValue, names: Names): Rule {
  if (value.kind === 'constant') return { kind: 'value', value: value.value };
  if (value.kind === 'problem') {
    const { source, problem } = value;
    return { kind: 'value', value: 0, failure: { kind: 'formula', node, source, problem } };
  }
  const { formula } = value;
  const inputs = formula.references.map((reference) => {
    const named = names.find(reference);
    if (named === undefined) throw new Error(`ruleOf: ${referenceKey(reference)} compiled but has no node`);
    return named.node;
  });
  const slots = new Map(formula.references.map((reference, slot) => [referenceKey(reference), slot]));
  return {
    kind: 'compute',
    inputs,
    run: formula.run,
    explain: (values, at) => {
      const valueOf = (key: string): number => values[at[slots.get(key) ?? -1] ?? -1] ?? 0;
      return { kind: 'arithmetic', node, failure: diagnose(formula, valueOf) };
    },
  };
}
