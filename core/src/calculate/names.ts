import { type Reference, referenceKey } from '../formula/ast.ts';
import type { NameSpace } from '../formula/checkDimensions.ts';
import { type Formula, compileFormula } from '../formula/compile.ts';
import { diagnose } from '../formula/diagnose.ts';
import type { FormulaProblem } from '../formula/problem.ts';
import type { Rule } from '../graph/graph.ts';
import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Result } from '../problem/result.ts';
import { DERIVED_MEASURES, MEASURE_DIMENSION, isMeasure, measuresOf } from '../takeoff/measures.ts';
import { type Dimension, NUMBER } from '../units/dimension.ts';
import { POINT_FORMAT, parseNumber } from '../units/numberFormat.ts';
import { findUnit } from '../units/unit.ts';
import { measureNode, propertyNode } from './nodes.ts';

/** What a name stands for: its dimension, and the node that holds its figure. */
export interface Named {
  readonly dimension: Dimension;
  readonly node: string;
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
  if (bare !== undefined && fieldUnit !== undefined)
    return { kind: 'constant', value: bare * fieldUnit.factor, dimension: fieldUnit.dimension };
  const formula: Result<Formula, FormulaProblem> = compileFormula(text, names, wanted);
  if (!formula.ok) return { kind: 'problem', source: text, problem: formula.problem };
  return { kind: 'formula', formula: formula.value };
}

/** The graph rule that figures a compiled value. */
export function ruleOf(node: string, value: CompiledValue, names: Names): Rule {
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

/**
 * The names of a job's scopes. Property dimensions are found by compiling their formulas, each once;
 * a property in a loop takes the dimension of its unit, and the graph then names the loop.
 */
export class ScopeNames {
  readonly #byKey = new Map<string, Scope>();
  readonly #properties = new Map<string, CompiledValue | 'working'>();

  constructor(job: Job) {
    for (const scope of job.scope.values()) this.#byKey.set(scope.key, scope);
  }

  listKeys(): readonly string[] {
    return [...this.#byKey.keys()];
  }

  /** Figures of other scopes only: what a line of the estimate may use. */
  jobNames(): Names {
    const find = (reference: Reference): Named | undefined => {
      if (reference.type !== 'total') return undefined;
      const scope = this.#byKey.get(reference.scope);
      return scope === undefined ? undefined : this.findIn(scope, reference.measure);
    };
    return { find, findDimension: (r) => find(r)?.dimension, listNames: () => this.listKeys() };
  }

  /** The scope's own measures and properties, and figures of other scopes. */
  namesOf(scope: Scope): Names {
    const outer = this.jobNames();
    const find = (reference: Reference): Named | undefined =>
      reference.type === 'name' ? this.findIn(scope, reference.name) : outer.find(reference);
    const own = [...measuresOf(scope.kind), ...scope.properties.map(({ key }) => key)];
    return { find, findDimension: (r) => find(r)?.dimension, listNames: () => [...own, ...this.listKeys()] };
  }

  /** A measure or property of a scope by name; properties go before measures. */
  findIn(scope: Scope, name: string): Named | undefined {
    const property = scope.properties.find(({ key }) => key === name);
    if (property !== undefined) {
      const dimension = this.#propertyDimension(scope, name);
      return dimension === undefined ? undefined : { dimension, node: propertyNode(scope.id, name) };
    }
    if (!isMeasure(name) || !measuresOf(scope.kind).includes(name)) return undefined;
    const needed = DERIVED_MEASURES[scope.kind].find(([measure]) => measure === name)?.[1];
    if (needed !== undefined && !scope.properties.some(({ key }) => key === needed)) return undefined;
    return { dimension: MEASURE_DIMENSION[name], node: measureNode(scope.id, name) };
  }

  /** The compiled property; compiling may ask for other properties, and those for more. */
  property(scope: Scope, key: string): CompiledValue {
    const node = propertyNode(scope.id as Id<'scope'>, key);
    const known = this.#properties.get(node);
    if (known !== undefined && known !== 'working') return known;
    const property = scope.properties.find((each) => each.key === key);
    if (property === undefined) throw new Error(`property: ${scope.key} has no property ${key}`);
    this.#properties.set(node, 'working');
    const compiled = compileValue(property.value, property.unit, this.namesOf(scope));
    this.#properties.set(node, compiled);
    return compiled;
  }

  #propertyDimension(scope: Scope, key: string): Dimension | undefined {
    if (this.#properties.get(propertyNode(scope.id, key)) === 'working') {
      const unit = scope.properties.find((each) => each.key === key)?.unit ?? '';
      return findUnit(unit)?.dimension ?? NUMBER;
    }
    const compiled = this.property(scope, key);
    if (compiled.kind === 'constant') return compiled.dimension;
    if (compiled.kind === 'formula') return compiled.formula.dimension;
    // A faulty property keeps its name and fails with its own reason, not as an unknown name.
    return findUnit(scope.properties.find((each) => each.key === key)?.unit ?? '')?.dimension ?? NUMBER;
  }
}
