import { type Purchase, purchase } from '../assemblies/purchase.ts';
import type { Compute, Figure, Rule } from '../graph/graph.ts';
import type { Failure } from '../graph/failure.ts';
import type { Scope } from '../job/records/scope.ts';
import { roundQuantity, unitOrLabel } from '../pricing/quantity.ts';
import type { ScopeNames } from './scopeNames.ts';
import type { LineKey } from '../estimate/lineKey.ts';
import { lineNode, propertyNode } from './nodes.ts';
import { ruleOf } from './names.ts';

/** The figures of one record, to be defined in the graph together. */
export type Definitions = readonly (readonly [node: string, rule: Rule])[];

export function defineProperties(scope: Scope, names: ScopeNames): Definitions {
  return scope.properties.map(({ key }) => {
    const node = propertyNode(scope.id, key);
    return [node, ruleOf(node, names.property(scope, key), names.namesOf(scope))];
  });
}

/** A quantity typed over the flowing one, compiled by whoever knows the names. */
export interface Pinned {
  readonly node: string;
  readonly rule: Rule;
}

/**
 * From a net figure (SI) to the quantity that is bought and priced, in the line's unit. A component
 * below zero is a mistake in its formula; a typed line may take something off. A pinned quantity is
 * what is bought: the flowing one stays beside it.
 */
export function defineQuantity(
  line: LineKey,
  netNode: string,
  unit: string,
  bought: Purchase,
  component?: { readonly name: string; readonly measured: string },
  pinned?: Pinned,
): Definitions {
  const { factor } = unitOrLabel(unit);
  const flowing = lineNode(line, pinned === undefined ? 'quantity' : 'flowing');
  const flows: Definitions = [[flowing, flowingRule(netNode, factor, bought, component)]];
  if (pinned === undefined) return flows;
  const run: Compute = (values, at) => roundQuantity((values[at[0] as number] as number) / factor);
  return [
    ...flows,
    [pinned.node, pinned.rule],
    [lineNode(line, 'quantity'), { kind: 'compute', inputs: [pinned.node], run }],
  ];
}

function flowingRule(
  netNode: string,
  factor: number,
  bought: Purchase,
  component: { readonly name: string; readonly measured: string } | undefined,
): Rule {
  if (component === undefined) {
    const run: Compute = (values, at) => purchase((values[at[0] as number] as number) / factor, bought);
    return { kind: 'compute', inputs: [netNode], run };
  }
  const run: Compute = (values, at) => {
    // Nothing is measured yet: what an assembly needs at least is not needed either.
    if (values[at[1] as number] === 0) return 0;
    const net = (values[at[0] as number] as number) / factor;
    return net < -NOISE ? Number.NaN : purchase(Math.max(0, net), bought);
  };
  const explain = (): Failure => ({ kind: 'negative', component: component.name });
  return { kind: 'compute', inputs: [netNode, component.measured], run, explain };
}

/** Binary noise around zero is zero. */
const NOISE = 1e-9;

/** The figure as a plain number, or undefined where it is not known. */
export const knownValue = (figure: Figure): number | undefined =>
  figure.failure === undefined ? figure.value : undefined;
