import { quantityNode } from '../graph/nodes.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { findScope, jobNames, scopeNames } from '../queries/jobNames.ts';
import type { Frame } from '../../assemblies/frames.ts';
import { FUNCTIONS, SCOPE_FUNCTIONS } from '../../formula/functions.ts';
import type { Role } from '../../formula/roles.ts';
import type { Job } from '../../job/job.ts';
import type { Assembly } from '../../job/records/assembly.ts';
import type { Scope } from '../../job/records/scope.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import { leadingMeasure, measuresOf } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION, type Measure } from '../../job/measures.ts';
import { type Dimension, NUMBER } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import type { Figures } from '../figures.ts';
import { amountDimension, componentNames, inputDimension } from '../lines/use.ts';
import type { Named, Names } from '../queries/names.ts';

/** Something that may be typed at a place of a formula. */
export interface Suggestion {
  readonly name: string;
  readonly role: Role | 'function';
  readonly kind:
    'measure' | 'property' | 'question' | 'component' | 'figure' | 'scope' | 'table' | 'column' | 'function';
  /** What it is, in the words of who made it; how a function is written. */
  readonly help: string;
  /** Undefined for what has no figure of its own: scopes, tables, functions. */
  readonly dimension?: Dimension;
  readonly node?: NodeId;
}

/** Where a formula stands. */
export type FormulaPlace =
  | { readonly in: 'job' }
  | { readonly in: 'scope'; readonly scope: Scope }
  | { readonly in: 'use'; readonly frame: Frame }
  /** An assembly that is on no scope yet: dimensions are known, figures are not. */
  | { readonly in: 'assembly'; readonly assembly: Assembly };

const ofJob = ({ job }: Figures): readonly Suggestion[] => [
  ...[...job.quantity.values()].map(({ id, key, name, unit }): Suggestion => ({
    name: key,
    role: 'name',
    kind: 'figure',
    help: name,
    dimension: findUnit(unit)?.dimension ?? NUMBER,
    node: quantityNode(id),
  })),
  ...[...job.scope.values()].map(({ key, name }): Suggestion => ({
    name: key,
    role: 'scope',
    kind: 'scope',
    help: name,
  })),
  ...[...job.table.values()].flatMap(({ key, name, columns }): readonly Suggestion[] => [
    { name: key, role: 'table', kind: 'table', help: name },
    ...columns.map((column): Suggestion => ({
      name: column.key,
      role: 'column',
      kind: 'column',
      help: `${name}: ${column.name}`,
      dimension: findUnit(column.unit)?.dimension ?? NUMBER,
    })),
  ]),
  ...[...FUNCTIONS, ...SCOPE_FUNCTIONS].map(({ name, usage, help }): Suggestion => ({
    name,
    role: 'function',
    kind: 'function',
    help: `${usage}: ${help}`,
  })),
];

const measures = (of: readonly Measure[], names: Names | undefined, role: Role): readonly Suggestion[] =>
  of.flatMap((name): readonly Suggestion[] => {
    const named = names?.find({ type: 'name', name });
    if (names !== undefined && named === undefined) return [];
    const node = named === undefined ? {} : { node: named.node };
    return [{ name, role, kind: 'measure', help: '', dimension: MEASURE_DIMENSION[name], ...node }];
  });

const properties = (scope: Scope, names: Names): readonly Suggestion[] =>
  scope.properties.flatMap(({ key, name }): readonly Suggestion[] => {
    const named = names.find({ type: 'name', name: key });
    return named === undefined ? [] : [{ name: key, role: 'name', kind: 'property', help: name, ...named }];
  });

function ofAssembly(
  job: Job,
  { inputs, components, inner = [] }: Assembly,
  names?: Names,
): readonly Suggestion[] {
  const node = (name: string): { readonly node?: NodeId } => {
    const named = names?.find({ type: 'name', name });
    return named === undefined ? {} : { node: named.node };
  };
  return [
    ...inputs.map((input): Suggestion => ({
      name: input.key,
      role: 'name',
      kind: 'question',
      help: input.question,
      dimension: inputDimension(input),
      ...node(input.key),
    })),
    ...components.map(({ key, name, unit }): Suggestion => ({
      name: key,
      role: 'name',
      kind: 'component',
      help: name,
      dimension: unitOrLabel(unit).dimension,
      ...node(key),
    })),
    ...inner.map((each): Suggestion => ({
      name: each.key,
      role: 'name',
      kind: 'component',
      help: each.name,
      dimension: amountDimension(each, job.assembly.get(each.assemblyId)?.measures),
      ...node(each.key),
    })),
  ];
}

/** All that can be named in a formula at its place, the nearest first. */
export function listSuggestions(figures: Figures, place: FormulaPlace): readonly Suggestion[] {
  const { job } = figures;
  const jobWide = ofJob(figures);
  switch (place.in) {
    case 'job':
      return jobWide;
    case 'scope': {
      const names = scopeNames(figures.job, place.scope.id);
      return [
        ...properties(place.scope, names),
        ...measures(measuresOf(place.scope.kind), names, 'name'),
        ...jobWide,
      ];
    }
    case 'use': {
      const { scope, assembly } = place.frame;
      const names = componentNames(figures.job, place.frame);
      return [
        ...ofAssembly(job, assembly, names),
        ...properties(scope, names),
        ...measures(measuresOf(scope.kind), names, 'name'),
        ...jobWide,
      ];
    }
    case 'assembly':
      return [
        ...ofAssembly(job, place.assembly),
        ...measures(measuresOf(place.assembly.measures), undefined, 'name'),
        ...jobWide,
      ];
  }
}

/** Measures of a scope by its key, for the second place of `total`. */
export function listMeasuresOf(figures: Figures, key: string): readonly Suggestion[] {
  const scope = findScope(figures.job, key);
  if (scope === undefined)
    return [...new Set([leadingMeasure('run'), leadingMeasure('area'), leadingMeasure('count')])].flatMap(
      (name) => measures([name], undefined, 'measure'),
    );
  const names = scopeNames(figures.job, scope.id);
  return [
    ...measures(measuresOf(scope.kind), names, 'measure'),
    ...properties(scope, names).map((each): Suggestion => ({ ...each, role: 'measure' })),
  ];
}

/** The names a formula is read by at its place. In an assembly on no scope, figures are not known. */
export function namesAt(figures: Figures, place: FormulaPlace): Names {
  switch (place.in) {
    case 'job':
      return jobNames(figures.job);
    case 'scope':
      return scopeNames(figures.job, place.scope.id);
    case 'use':
      return componentNames(figures.job, place.frame);
    case 'assembly':
      return draftNames(figures, place.assembly);
  }
}

/** Properties that scopes usually have, for formulas that are written before there is a scope. */
const USUAL: Readonly<Record<string, Dimension>> = {
  height: MEASURE_DIMENSION.length,
  thickness: MEASURE_DIMENSION.length,
  depth: MEASURE_DIMENSION.length,
  width: MEASURE_DIMENSION.length,
};

/** Stands for a figure that is only named, while an assembly is written. */
export const NO_NODE: NodeId = { owner: 'none', figure: 'value' };

function draftNames(figures: Figures, assembly: Assembly): Names {
  const known = new Map<string, Named>();
  for (const { name, role, dimension } of listSuggestions(figures, { in: 'assembly', assembly }))
    if (role === 'name' && dimension !== undefined && !known.has(name))
      known.set(name, { dimension, node: NO_NODE });
  for (const [name, dimension] of Object.entries(USUAL))
    if (!known.has(name)) known.set(name, { dimension, node: NO_NODE });
  const outer = jobNames(figures.job);
  const find: Names['find'] = (reference) =>
    reference.type === 'name' ? (known.get(reference.name) ?? outer.find(reference)) : outer.find(reference);
  return {
    ...outer,
    find,
    findDimension: (reference) => find(reference)?.dimension,
    listNames: () => [...known.keys()],
  };
}
