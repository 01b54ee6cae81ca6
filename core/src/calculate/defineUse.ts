import type { Reference } from '../formula/ast.ts';
import type { Id } from '../job/id.ts';
import { type Job, getRecord } from '../job/job.ts';
import type { Assembly, AssemblyInput } from '../job/records/assembly.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Use } from '../job/records/use.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { NUMBER } from '../units/dimension.ts';
import { findUnit } from '../units/unit.ts';
import { type Definitions, defineQuantity } from './define.ts';
import { type Named, type Names, type ScopeNames, compileValue, ruleOf } from './names.ts';
import { componentLine } from '../estimate/lineKey.ts';
import { inputNode, netNode } from './nodes.ts';

export interface UseContext {
  readonly use: Use;
  readonly scope: Scope;
  readonly assembly: Assembly;
}

export const contextOf = (job: Job, use: Use): UseContext => ({
  use,
  scope: getRecord(job, use.scopeId as Id<'scope'>),
  assembly: getRecord(job, use.assemblyId as Id<'assembly'>),
});

const inputDimension = (input: AssemblyInput) =>
  input.unit === '' ? NUMBER : (findUnit(input.unit)?.dimension ?? NUMBER);

/**
 * What an input reads when it was not answered: the scope's property of the same name, so that a
 * height is typed once for all assemblies on a wall; else the assembly's own default.
 */
export const answerOf = ({ use, scope }: UseContext, input: AssemblyInput): string =>
  use.answers[input.key] ?? (scope.properties.some(({ key }) => key === input.key) ? input.key : input.value);

/** Names of a component's formula: inputs, then the scope's own, then the other components' net figures. */
export function componentNames(context: UseContext, scopeNames: ScopeNames): Names {
  const { use, scope, assembly } = context;
  const outer = scopeNames.namesOf(scope);
  const find = (reference: Reference): Named | undefined => {
    if (reference.type === 'total') return outer.find(reference);
    const { name } = reference;
    const input = assembly.inputs.find(({ key }) => key === name);
    if (input !== undefined) return { dimension: inputDimension(input), node: inputNode(use.id, name) };
    const own = scopeNames.findIn(scope, name);
    if (own !== undefined) return own;
    const component = assembly.components.find(({ key }) => key === name);
    if (component === undefined) return undefined;
    return { dimension: unitOrLabel(component.unit).dimension, node: netNode(use.id, name) };
  };
  const listNames = (): readonly string[] => [
    ...assembly.inputs.map(({ key }) => key),
    ...outer.listNames(),
    ...assembly.components.map(({ key }) => key),
  ];
  return { find, findDimension: (reference) => find(reference)?.dimension, listNames };
}

/** The figures of an assembly applied to a scope, up to the quantities of its lines. */
export function defineUse(context: UseContext, scopeNames: ScopeNames): Definitions {
  const { use, scope, assembly } = context;
  const inputNames = scopeNames.namesOf(scope);
  const inputs: Definitions = assembly.inputs.map((input) => {
    const node = inputNode(use.id, input.key);
    const value = compileValue(answerOf(context, input), input.unit, inputNames, inputDimension(input));
    return [node, ruleOf(node, value, inputNames)];
  });
  const names = componentNames(context, scopeNames);
  const components = assembly.components.flatMap((component): Definitions => {
    const node = netNode(use.id, component.key);
    const { unit, formula } = component;
    const value = compileValue(formula, unit, names, unitOrLabel(unit).dimension);
    const purchase = {
      unit,
      wastePercent: Number(component.wastePercent),
      roundUpTo: Number(component.roundUpTo),
    };
    return [
      [node, ruleOf(node, value, names)],
      ...defineQuantity(componentLine(use.id, component.key), node, purchase),
    ];
  });
  return [...inputs, ...components];
}
