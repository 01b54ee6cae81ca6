import { type Frame, type PlacedComponent, framesOf } from '../../assemblies/frames.ts';
import type { Reference } from '../../formula/references.ts';
import type { Failure } from '../../job/failure.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { MARK_KIND, type MarkKind, leadingMeasure } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION, type Measure, isMeasure } from '../../job/measures.ts';
import { type NodeId, sameNode } from '../../job/nodeId.ts';
import { own } from '../../job/own.ts';
import { query } from '../../job/query.ts';
import type { AssemblyInput, InnerAssembly } from '../../job/records/assembly.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import { type Dimension, NUMBER } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import type { Define, Definitions } from '../define.ts';
import { type Rule, failed, valued } from '../graph/rule.ts';
import { inputNode, measureNode, netNode, partNode, whenNode } from '../graph/nodes.ts';
import { findInScope, getFace, jobNames, scopeNames } from '../queries/jobNames.ts';
import { type Named, type Names, compileCondition, compileValue, ruleOf } from '../queries/names.ts';
import { type Part, partsOf, timesOf } from '../queries/parts.ts';
import { aloneNode, defineAlone, hasAlone } from '../sources/alone.ts';
import { faceOfScope } from '../sources/scopeMeasures.ts';

/** What an inner assembly measures; undefined where it is not there. */
const measuresOfAssembly = query((job, id) => job.assembly.get(id as Id<'assembly'>)?.measures);

export const inputDimension = (input: AssemblyInput): Dimension =>
  input.unit === '' ? NUMBER : (findUnit(input.unit)?.dimension ?? NUMBER);

/** Answers as they were given where the assembly stands. */
const answersOf = ({ use, within }: Frame): Readonly<Record<string, string>> =>
  within === undefined ? use.answers : within.inner.answers;

/**
 * What an input reads when it was not answered: the scope's property of the same name, so that a
 * height is typed once for all assemblies on a wall; else the assembly's own default.
 */
export const answerOf = (frame: Frame, input: AssemblyInput): string =>
  own(answersOf(frame), input.key) ??
  (frame.scope.properties.some(({ key }) => key === input.key) ? input.key : input.value);

export const amountDimension = (inner: InnerAssembly, kind: MarkKind | undefined): Dimension =>
  kind === undefined ? NUMBER : MEASURE_DIMENSION[leadingMeasure(kind)];

/** The scope's names as the frame sees them: an inner assembly reads the amount it is given. */
function outerFind(job: Job, frame: Frame): (name: string) => Named | undefined {
  const { use, scope, assembly, within } = frame;
  if (within === undefined) return (name) => findInScope(job, scope.id, name);
  const node = netNode(use.id, `${within.frame.path}${within.inner.key}`);
  const dimension = amountDimension(within.inner, assembly.measures);
  const isAmount = (name: string): boolean =>
    MARK_KIND[assembly.measures].amounts.some((each) => each === name);
  return (name) => {
    if (isAmount(name)) return { dimension, node };
    // Of another kind of mark the inner assembly knows its amount only, not how runs meet or the like.
    if (isMeasure(name) && scope.kind !== assembly.measures && !hasProperty(frame, name)) return undefined;
    return findInScope(job, scope.id, name);
  };
}

const hasProperty = ({ scope }: Frame, name: string): boolean =>
  scope.properties.some(({ key }) => key === name);

/** Names of a component's formula: inputs, then the scope's own, then the other components' net figures. */
export function componentNames(job: Job, frame: Frame): Names {
  const { use, scope, assembly, path } = frame;
  const outer = scopeNames(job, scope.id);
  const inOuter = outerFind(job, frame);
  const find = (reference: Reference): Named | undefined => {
    if (reference.type === 'total') return outer.find(reference);
    const { name } = reference;
    const input = assembly.inputs.find(({ key }) => key === name);
    if (input !== undefined)
      return { dimension: inputDimension(input), node: inputNode(use.id, `${path}${name}`) };
    const own = inOuter(name);
    if (own !== undefined) return own;
    const component = assembly.components.find(({ key }) => key === name);
    if (component !== undefined)
      return { dimension: unitOrLabel(component.unit).dimension, node: netNode(use.id, `${path}${name}`) };
    const inner = assembly.inner?.find(({ key }) => key === name);
    if (inner !== undefined) {
      const kind = measuresOfAssembly(job, inner.assemblyId);
      return { dimension: amountDimension(inner, kind), node: netNode(use.id, `${path}${name}`) };
    }
    return isMeasure(name) ? undefined : jobNames(job).find(reference);
  };
  const listNames = (): readonly string[] => [
    ...assembly.inputs.map(({ key }) => key),
    ...outer.listNames(),
    ...assembly.components.map(({ key }) => key),
  ];
  return { ...outer, find, findDimension: (reference) => find(reference)?.dimension, listNames };
}

/** The same with the measures of one mark in the place of the scope's. */
function partNames(job: Job, frame: Frame, asking: NodeId, part: Part): Names {
  const names = componentNames(job, frame);
  const { scope } = frame;
  const find = (reference: Reference): Named | undefined => {
    const named = names.find(reference);
    if (named === undefined || reference.type === 'total' || !isMeasure(reference.name)) return named;
    if (!sameNode(named.node, measureNode(scope.id, reference.name))) return named;
    if (!hasAlone(scope, reference.name)) return undefined;
    return { dimension: named.dimension, node: aloneNode(asking, part.id, reference.name) };
  };
  return { ...names, find, findDimension: (reference) => find(reference)?.dimension };
}

/** An answer is held to the range of its question. */
function inRange(rule: Rule, input: AssemblyInput): Rule {
  const { min = '', max = '', question, unit } = input;
  if (min === '' && max === '') return rule;
  const factor = findUnit(unit)?.factor ?? 1;
  const least = min === '' ? -Infinity : Number(min) * factor;
  const most = max === '' ? Infinity : Number(max) * factor;
  const slack = 1e-9 * Math.max(Math.abs(least), Math.abs(most) === Infinity ? 0 : Math.abs(most), 1e-3);
  const isOut = (value: number): boolean => value < least - slack || value > most + slack;
  const failure: Failure = { kind: 'out-of-range', question, min, max, unit };
  if (rule.kind === 'value') return rule.failure === undefined && isOut(rule.value) ? failed(failure) : rule;
  if (rule.kind !== 'compute') return rule;
  const { run, explain } = rule;
  return {
    ...rule,
    run: (values, at) => {
      const value = run(values, at);
      return isOut(value) ? Number.NaN : value;
    },
    explain: (values, at) =>
      Number.isFinite(run(values, at)) || explain === undefined ? failure : explain(values, at),
  };
}

/** Figured only while all guards hold. Without guards the rule stays as it is, and shared. */
function guarded(rule: Rule, guards: readonly NodeId[]): Rule {
  if (guards.length === 0 || rule.kind === 'when-asked') return rule;
  if (rule.kind === 'value') {
    const { value } = rule;
    return rule.failure === undefined
      ? guarded({ kind: 'compute', inputs: [], run: () => value }, guards)
      : rule;
  }
  const { run, inputs } = rule;
  const own = inputs.length;
  return {
    ...rule,
    inputs: [...inputs, ...guards],
    run: (values, at) => {
      for (let slot = own; slot < at.length; slot += 1) if (values[at[slot] as number] === 0) return 0;
      return run(values, at);
    },
  };
}

/** The comparisons a component rests on: its own, and those of the assemblies it stands in. */
export function guardsOf({
  frame,
  component,
  path,
}: Pick<PlacedComponent, 'frame' | 'component' | 'path'>): readonly NodeId[] {
  const own = component.when === undefined || component.when === '' ? [] : [whenNode(frame.use.id, path)];
  return [...own, ...frameGuards(frame)];
}

function frameGuards({ use, within }: Frame): readonly NodeId[] {
  if (within === undefined) return [];
  const { frame, inner } = within;
  const own =
    inner.when === undefined || inner.when === '' ? [] : [whenNode(use.id, `${frame.path}${inner.key}`)];
  return [...own, ...frameGuards(frame)];
}

function defineWhen(useId: string, path: string, when: string | undefined, names: Names): Definitions {
  if (when === undefined || when === '') return [];
  const node = whenNode(useId, path);
  return [[node, ruleOf(node, compileCondition(when, names), names)]];
}

/** The answers of a frame. Those of an inner assembly may use all that the one around it knows. */
function defineInputs(job: Job, frame: Frame): Definitions {
  const { use, scope, assembly, path, within } = frame;
  const plain = scopeNames(job, scope.id);
  const answered = within === undefined ? plain : componentNames(job, within.frame);
  return assembly.inputs.map((input) => {
    const node = inputNode(use.id, `${path}${input.key}`);
    const names = own(answersOf(frame), input.key) === undefined ? plain : answered;
    const value = compileValue(answerOf(frame, input), input.unit, names, inputDimension(input));
    return [node, inRange(ruleOf(node, value, names), input)];
  });
}

/** How much of each inner assembly there is. */
function defineAmounts(job: Job, frame: Frame, names: Names): Definitions {
  const { use, assembly, path } = frame;
  return (assembly.inner ?? []).flatMap((inner): Definitions => {
    const at = `${path}${inner.key}`;
    const kind = measuresOfAssembly(job, inner.assemblyId);
    const value = compileValue(inner.formula, '', names, amountDimension(inner, kind));
    const node = netNode(use.id, at);
    return [[node, ruleOf(node, value, names)], ...defineWhen(use.id, at, inner.when, names)];
  });
}

/** One component: for the whole, or for each mark and added up. */
function defineNet(job: Job, placed: PlacedComponent, names: Names): Definitions {
  const { frame, component, path } = placed;
  const node = netNode(frame.use.id, path);
  const guards = guardsOf(placed);
  const when = defineWhen(frame.use.id, path, component.when, names);
  const { unit, formula, name } = component;
  if (component.per === undefined) {
    const value = compileValue(formula, unit, names, unitOrLabel(unit).dimension);
    return [...when, [node, guarded(ruleOf(node, value, names), guards)]];
  }
  if (frame.within !== undefined)
    return [...when, [node, failed({ kind: 'no-marks-inside', component: name })]];
  return [...when, ...defineByPart(job, placed, names, guards)];
}

/** A component that is figured for each mark and typed piece, and added up as often as each counts. */
function defineByPart(
  job: Job,
  { frame, component: { unit, formula }, path }: PlacedComponent,
  names: Names,
  guards: readonly NodeId[],
): Definitions {
  const node = netNode(frame.use.id, path);
  const { dimension } = unitOrLabel(unit);
  const sided = { ...getFace(job, frame.scope.id), face: faceOfScope(job, frame.scope.id) };
  const parts = partsOf(job, frame.scope.id);
  if (parts.length === 0) {
    // Nothing is measured yet: the formula is still checked, so that a mistake shows at once.
    const value = compileValue(formula, unit, names, dimension);
    return [[node, value.kind === 'problem' ? ruleOf(node, value, names) : guarded(valued(0), guards)]];
  }
  const each = parts.map((part) => {
    const own = partNames(job, frame, node, part);
    return { part, own, value: compileValue(formula, unit, own, dimension) };
  });
  const faulty = each.find(({ value }) => value.kind === 'problem');
  if (faulty !== undefined) return [[node, ruleOf(node, faulty.value, faulty.own)]];
  const figures = each.flatMap(({ part, own, value }): Definitions => {
    const asked = value.kind === 'formula' ? value.formula.references.flatMap(measureAsked) : [];
    const figure = partNode(node, part.id, 'figure');
    return [...defineAlone(sided, part, node, asked), [figure, ruleOf(figure, value, own)]];
  });
  const times = each.map(({ part }) => timesOf(part));
  const sum: Rule = {
    kind: 'compute',
    inputs: each.map(({ part }) => partNode(node, part.id, 'figure')),
    run: (values, at) =>
      times.reduce((total, count, slot) => total + count * (values[at[slot] as number] as number), 0),
  };
  return [...figures, [node, guarded(sum, guards)]];
}

const measureAsked = (reference: Reference): readonly Measure[] =>
  reference.type === 'name' && isMeasure(reference.name) ? [reference.name] : [];

/** The figures of an assembly applied to a scope with all inside it, up to the net figures of its lines. */
export const defineUse: Define = ({ job }, id) => {
  const use = job.use.get(id as Id<'use'>);
  if (use === undefined) return [];
  return framesOf(job, use).flatMap((frame): Definitions => {
    const names = componentNames(job, frame);
    return [
      ...defineInputs(job, frame),
      ...defineAmounts(job, frame, names),
      // A component that is off makes no line, and others may still read its figure.
      ...frame.assembly.components.flatMap((component) => {
        const path = `${frame.path}${component.key}`;
        return defineNet(job, { frame, component, path, key: '' }, names);
      }),
    ];
  });
};
