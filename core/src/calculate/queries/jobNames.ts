import { lookupTableOf } from '../../assemblies/lookupTable.ts';
import { ANY_SCOPE, type TotalAst } from '../../formula/ast.ts';
import type { FormulaProblem } from '../../formula/problem.ts';
import { printFormula } from '../../formula/print.ts';
import type { Reference } from '../../formula/references.ts';
import { quantitiesByKey, scopesByKey, tablesByKey } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { MARK_KIND, measuresOf } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION, isMeasure, propertyDimension } from '../../job/measures.ts';
import { query } from '../../job/query.ts';
import type { Scope } from '../../job/records/scope.ts';
import { type Dimension, LENGTH, NUMBER, sameDimension } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import { filterNode, measureNode, propertyNode, quantityNode, totalNode } from '../graph/nodes.ts';
import { findInLoop } from './loops.ts';
import { type CompiledValue, type Named, type Names, compileValue } from './names.ts';
import { checkFilter } from './placeFilter.ts';

/** Sizes that openings have of themselves. */
export const OPENING_SIZES = ['width', 'height'] as const;
const isOpeningSize = (name: string): boolean => (OPENING_SIZES as readonly string[]).includes(name);

/** What of a scope others can see in formulas: not what its properties say, nor its color. */
export interface ScopeFace {
  readonly id: Id<'scope'>;
  readonly key: string;
  readonly kind: Scope['kind'];
  readonly properties: readonly { readonly key: string; readonly unit: string }[];
}

const faceOf = query((job, id): ScopeFace | undefined => {
  const scope = job.scope.get(id as Id<'scope'>);
  if (scope === undefined) return undefined;
  const properties = scope.properties.map(({ key, unit }) => ({ key, unit }));
  return { id: scope.id, key: scope.key, kind: scope.kind, properties };
});

/** The face of a scope that is there. */
export function getFace(job: Job, id: string): ScopeFace {
  const face = faceOf(job, id);
  if (face === undefined) throw new Error(`getFace: no scope has the id ${id}`);
  return face;
}

/** The scopes a total is over: the one of that key, or all for `any`. */
export const candidates = (job: Job, key: string): readonly ScopeFace[] =>
  (key === ANY_SCOPE ? [...job.scope.keys()] : scopesByKey(job, key).slice(-1)).map((id) => getFace(job, id));

/** The scope of a key, for what reads all of it. */
export function findScope(job: Job, key: string): Scope | undefined {
  const id = scopesByKey(job, key).at(-1);
  return id === undefined ? undefined : job.scope.get(id);
}

const listKeys = query((job): readonly string[] => [
  ...[...job.scope.values()].map(({ key }) => key),
  ...[...job.quantity.values()].map(({ key }) => key),
]);
const listTables = query((job) => [...job.table.values()].map(({ key }) => key));

/** Named quantities and figures of scopes: what a line of the estimate may use. */
export const jobNames = (job: Job): Names =>
  namesBy(
    job,
    (name) => findQuantity(job, name),
    () => listKeys(job),
  );

/** The scope's own measures and properties before those of the job. */
export function scopeNames(job: Job, scopeId: string): Names {
  return namesBy(
    job,
    (name) => findInScope(job, scopeId, name) ?? findQuantity(job, name),
    () => {
      const { kind, properties } = getFace(job, scopeId);
      return [...measuresOf(kind), ...properties.map(({ key }) => key), ...listKeys(job)];
    },
  );
}

function namesBy(
  job: Job,
  findName: (name: string) => Named | undefined,
  listNames: () => readonly string[],
): Names {
  const find = (reference: Reference): Named | undefined =>
    reference.type === 'name' ? findName(reference.name) : findTotal(job, reference);
  return {
    find,
    findDimension: (reference) => find(reference)?.dimension,
    listNames,
    findTable: (key) => {
      const id = tablesByKey(job, key).at(-1);
      const table = id === undefined ? undefined : job.table.get(id);
      return table === undefined ? undefined : lookupTableOf(table);
    },
    listTables: () => listTables(job),
    checkFilter: (total) => checkTotal(job, total),
  };
}

function findQuantity(job: Job, key: string): Named | undefined {
  const id = quantitiesByKey(job, key).at(-1);
  return id === undefined ? undefined : { node: quantityNode(id), dimension: quantityDimension(job, id) };
}

/** What is printed has no place in a text of its own. */
const NOWHERE_IN_TEXT = { start: 0, end: 0 } as const;

function findTotal(job: Job, reference: Reference & { type: 'total' }): Named | undefined {
  const { scope: key, measure, filter } = reference;
  const scopes = candidates(job, key);
  if (filter === undefined && key !== ANY_SCOPE) {
    const [scope] = scopes;
    return scope === undefined ? undefined : findTotalIn(job, scope.id, measure);
  }
  const dimension = scopes
    .map(({ id }) => findTotalIn(job, id, measure)?.dimension)
    .find((each) => each !== undefined);
  if (dimension === undefined) return undefined;
  return {
    dimension,
    node: filterNode(
      printFormula({
        type: 'total',
        at: NOWHERE_IN_TEXT,
        scope: key,
        measure,
        ...(filter === undefined ? {} : { filter }),
      }),
    ),
  };
}

function checkTotal(job: Job, total: TotalAst): FormulaProblem | undefined {
  const scopes = candidates(job, total.scope).filter(
    ({ id }) => findTotalIn(job, id, total.measure) !== undefined,
  );
  const [first, ...others] = scopes.map(({ id }) => findTotalIn(job, id, total.measure)?.dimension);
  if (first === undefined) return undefined;
  if (others.some((each) => each === undefined || !sameDimension(each, first)))
    return { kind: 'formula-total-mixed', at: total.at, measure: total.measure };
  if (total.filter === undefined) return undefined;
  const problems = scopes.map(({ id }) => checkFilter(total, scopeNames(job, id)));
  // Scopes that lack a name of the filter are passed over, as long as one has it.
  return problems.some((problem) => problem === undefined) ? undefined : problems[0];
}

/** A measure or property of a scope by name; properties go before measures. */
export const findInScope: (job: Job, scopeId: string, name: string) => Named | undefined = query(
  (job, scopeId, name): Named | undefined => {
    const face = faceOf(job, scopeId);
    if (face === undefined) return undefined;
    const property = face.properties.find(({ key }) => key === name);
    if (property !== undefined)
      return { dimension: dimensionOfProperty(job, scopeId, name), node: propertyNode(scopeId, name) };
    if (!isMeasure(name) || !measuresOf(face.kind).includes(name)) return undefined;
    const needed = MARK_KIND[face.kind].derived.find(([measure]) => measure === name)?.[1];
    if (needed !== undefined && !face.properties.some(({ key }) => key === needed)) return undefined;
    return { dimension: MEASURE_DIMENSION[name], node: measureNode(scopeId, name) };
  },
);

/** A figure of a scope over all its marks. A property of a count is taken so often as it is there. */
export const findTotalIn: (job: Job, scopeId: string, name: string) => Named | undefined = query(
  (job, scopeId, name): Named | undefined => {
    const face = faceOf(job, scopeId);
    if (face === undefined) return undefined;
    const own = findInScope(job, scopeId, name);
    const isProperty = face.properties.some(({ key }) => key === name);
    if (face.kind !== 'count' || (own !== undefined && !isProperty)) return own;
    if (own !== undefined) return { dimension: own.dimension, node: totalNode(scopeId, name) };
    return isOpeningSize(name) ? { dimension: LENGTH, node: totalNode(scopeId, name) } : undefined;
  },
);

/** The compiled property of a scope. */
export const compiledProperty: (job: Job, scopeId: string, key: string) => CompiledValue = query(
  (job, scopeId, key): CompiledValue => {
    const scope = job.scope.get(scopeId as Id<'scope'>);
    const property = scope?.properties.find((each) => each.key === key);
    if (property === undefined) throw new Error(`compiledProperty: ${scopeId} has no property ${key}`);
    return compileValue(property.value, property.unit, scopeNames(job, scopeId), propertyDimension(key));
  },
);

/** The compiled named quantity. */
export const compiledQuantity: (job: Job, id: string) => CompiledValue = query((job, id): CompiledValue => {
  const quantity = job.quantity.get(id as Id<'quantity'>);
  if (quantity === undefined) throw new Error(`compiledQuantity: no quantity has the id ${id}`);
  return compileValue(quantity.formula, quantity.unit, jobNames(job));
});

/** One that is faulty or in a loop keeps its name and fails with its own reason, not as an unknown name. */
function dimensionOf(
  job: Job,
  owner: string,
  key: string,
  unit: string,
  compiled: () => CompiledValue,
): Dimension {
  const value = findInLoop(job, owner, key) ? undefined : compiled();
  if (value?.kind === 'constant') return value.dimension;
  if (value?.kind === 'formula') return value.formula.dimension;
  return findUnit(unit)?.dimension ?? NUMBER;
}

const dimensionOfProperty: (job: Job, scopeId: string, key: string) => Dimension = query(
  (job, scopeId, key) => {
    const unit = getFace(job, scopeId).properties.find((each) => each.key === key)?.unit ?? '';
    return dimensionOf(job, scopeId, key, unit, () => compiledProperty(job, scopeId, key));
  },
);

const quantityDimension: (job: Job, id: string) => Dimension = query((job, id) => {
  const unit = job.quantity.get(id as Id<'quantity'>)?.unit ?? '';
  return dimensionOf(job, id, '', unit, () => compiledQuantity(job, id));
});
