import { lookupTableOf } from '../assemblies/lookupTable.ts';
import { ANY_SCOPE, type TotalAst } from '../formula/ast.ts';
import type { FormulaProblem } from '../formula/problem.ts';
import { type Reference, referenceKey } from '../formula/references.ts';
import type { Job } from '../job/job.ts';
import type { NamedQuantity } from '../job/records/quantity.ts';
import type { TableRecord } from '../job/records/lookupTable.ts';
import type { Scope } from '../job/records/scope.ts';
import {
  DERIVED_MEASURES,
  MEASURE_DIMENSION,
  isMeasure,
  measuresOf,
  propertyDimension,
} from '../takeoff/measures.ts';
import { type Dimension, LENGTH, NUMBER, sameDimension } from '../units/dimension.ts';
import { findUnit } from '../units/unit.ts';
import { checkFilter, everything } from './placeFilter.ts';
import { type CompiledValue, type Named, type Names, compileValue } from './names.ts';
import { filterNode, measureNode, propertyNode, quantityNode, totalNode } from './nodes.ts';

/** Sizes that openings have of themselves. */
export const OPENING_SIZES = ['width', 'height'] as const;
const isOpeningSize = (name: string): boolean => (OPENING_SIZES as readonly string[]).includes(name);

/**
 * The names of a job: scopes with their measures and properties, named quantities, tables. Dimensions
 * are found by compiling formulas, each once; one in a loop takes the dimension of its unit, and the
 * graph then names the loop.
 */
export class ScopeNames {
  #job: Job;
  readonly #byKey = new Map<string, Scope>();
  readonly #quantities = new Map<string, NamedQuantity>();
  readonly #tables = new Map<string, TableRecord>();
  readonly #compiled = new Map<string, CompiledValue | 'working'>();
  readonly #filters = new Map<string, TotalAst>();

  constructor(job: Job) {
    this.#job = job;
    this.#gather();
  }

  #gather(): void {
    for (const scope of this.#job.scope.values()) this.#byKey.set(scope.key, scope);
    for (const quantity of this.#job.quantity.values()) this.#quantities.set(quantity.key, quantity);
    for (const table of this.#job.table.values()) this.#tables.set(table.key, table);
  }

  /** Takes over a job in which the same names mean the same: records may lie elsewhere. */
  follow(job: Job): void {
    const sameScopes = job.scope === this.#job.scope;
    this.#job = job;
    if (!sameScopes) this.#gather();
  }

  get job(): Job {
    return this.#job;
  }

  listKeys(): readonly string[] {
    return [...this.#byKey.keys(), ...this.#quantities.keys()];
  }

  findScope(key: string): Scope | undefined {
    return this.#byKey.get(key);
  }

  /** Totals with a filter that some formula reads, by their node. */
  get filters(): ReadonlyMap<string, TotalAst> {
    return this.#filters;
  }

  forgetFilter(node: string): void {
    this.#filters.delete(node);
  }

  /** Named quantities and figures of scopes: what a line of the estimate may use. */
  jobNames(): Names {
    return this.#names(
      (name) => this.#findQuantity(name),
      () => this.listKeys(),
    );
  }

  /** The scope's own measures and properties before those of the job. */
  namesOf(scope: Scope): Names {
    const own = [...measuresOf(scope.kind), ...scope.properties.map(({ key }) => key)];
    return this.#names(
      (name) => this.findIn(scope, name) ?? this.#findQuantity(name),
      () => [...own, ...this.listKeys()],
    );
  }

  #names(findName: (name: string) => Named | undefined, listNames: () => readonly string[]): Names {
    const find = (reference: Reference): Named | undefined =>
      reference.type === 'name' ? findName(reference.name) : this.#findTotal(reference);
    return {
      find,
      findDimension: (reference) => find(reference)?.dimension,
      listNames,
      findTable: (key) => {
        const table = this.#tables.get(key);
        return table === undefined ? undefined : lookupTableOf(table);
      },
      listTables: () => [...this.#tables.keys()],
      checkFilter: (total) => this.#checkFilter(total),
    };
  }

  #findQuantity(name: string): Named | undefined {
    const quantity = this.#quantities.get(name);
    if (quantity === undefined) return undefined;
    const node = quantityNode(quantity.id);
    return { node, dimension: this.#dimensionOf(node, quantity.unit, () => this.quantity(quantity)) };
  }

  #findTotal(reference: Reference & { type: 'total' }): Named | undefined {
    const { scope: key, measure, filter } = reference;
    if (filter !== undefined || key === ANY_SCOPE) return this.#findFiltered(reference);
    const scope = this.#byKey.get(key);
    return scope === undefined ? undefined : this.findTotalIn(scope, measure);
  }

  #findFiltered(reference: Reference & { type: 'total' }): Named | undefined {
    const { scope, measure, filter } = reference;
    const dimension = this.candidates(scope)
      .map((each) => this.findTotalIn(each, measure)?.dimension)
      .find((each) => each !== undefined);
    if (dimension === undefined) return undefined;
    const node = filterNode(referenceKey(reference));
    const at = filter?.at ?? { start: 0, end: 0 };
    this.#filters.set(node, { type: 'total', at, scope, measure, filter: filter ?? everything(at) });
    return { dimension, node };
  }

  /** The scopes a total is over: the one of that key, or all for `any`. */
  candidates(key: string): readonly Scope[] {
    if (key === ANY_SCOPE) return [...this.#byKey.values()];
    const scope = this.#byKey.get(key);
    return scope === undefined ? [] : [scope];
  }

  #checkFilter(total: TotalAst): FormulaProblem | undefined {
    const scopes = this.candidates(total.scope).filter(
      (scope) => this.findTotalIn(scope, total.measure) !== undefined,
    );
    const [first, ...others] = scopes.map((scope) => this.findTotalIn(scope, total.measure)?.dimension);
    if (first === undefined) return undefined;
    if (others.some((each) => each === undefined || !sameDimension(each, first)))
      return { kind: 'formula-total-mixed', at: total.at, measure: total.measure };
    if (total.filter === undefined) return undefined;
    const problems = scopes.map((scope) => checkFilter(total, this.namesOf(scope)));
    // Scopes that lack a name of the filter are passed over, as long as one has it.
    return problems.some((problem) => problem === undefined) ? undefined : problems[0];
  }

  /** A figure of a scope over all its marks. A property of a count is taken so often as it is there. */
  findTotalIn(scope: Scope, name: string): Named | undefined {
    const own = this.findIn(scope, name);
    const isProperty = own !== undefined && own.node === propertyNode(scope.id, name);
    if (scope.kind !== 'count' || (own !== undefined && !isProperty)) return own;
    if (own !== undefined) return { dimension: own.dimension, node: totalNode(scope.id, name) };
    return isOpeningSize(name) ? { dimension: LENGTH, node: totalNode(scope.id, name) } : undefined;
  }

  /** A measure or property of a scope by name; properties go before measures. */
  findIn(scope: Scope, name: string): Named | undefined {
    const property = scope.properties.find(({ key }) => key === name);
    if (property !== undefined) {
      const node = propertyNode(scope.id, name);
      return { dimension: this.#dimensionOf(node, property.unit, () => this.property(scope, name)), node };
    }
    if (!isMeasure(name) || !measuresOf(scope.kind).includes(name)) return undefined;
    const needed = DERIVED_MEASURES[scope.kind].find(([measure]) => measure === name)?.[1];
    if (needed !== undefined && !scope.properties.some(({ key }) => key === needed)) return undefined;
    return { dimension: MEASURE_DIMENSION[name], node: measureNode(scope.id, name) };
  }

  /** The compiled property; compiling may ask for other properties, and those for more. */
  property(scope: Scope, key: string): CompiledValue {
    const property = scope.properties.find((each) => each.key === key);
    if (property === undefined) throw new Error(`property: ${scope.key} has no property ${key}`);
    const node = propertyNode(scope.id, key);
    return this.#compile(node, property.value, property.unit, this.namesOf(scope), propertyDimension(key));
  }

  /** The compiled named quantity. */
  quantity({ id, formula, unit }: NamedQuantity): CompiledValue {
    return this.#compile(quantityNode(id), formula, unit, this.jobNames());
  }

  #compile(node: string, text: string, unit: string, names: Names, wanted?: Dimension): CompiledValue {
    const known = this.#compiled.get(node);
    if (known !== undefined && known !== 'working') return known;
    this.#compiled.set(node, 'working');
    const compiled = compileValue(text, unit, names, wanted);
    this.#compiled.set(node, compiled);
    return compiled;
  }

  #dimensionOf(node: string, unit: string, compile: () => CompiledValue): Dimension {
    const compiled = this.#compiled.get(node) === 'working' ? undefined : compile();
    if (compiled?.kind === 'constant') return compiled.dimension;
    if (compiled?.kind === 'formula') return compiled.formula.dimension;
    // One that is faulty or in a loop keeps its name and fails with its own reason, not as an unknown name.
    return findUnit(unit)?.dimension ?? NUMBER;
  }
}
