import { AS_IT_COMES, type Purchase, isRaised, purchase } from '../../assemblies/purchase.ts';
import type { Failure } from '../../job/failure.ts';
import type { LineKey } from '../../job/lineKey.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { roundQuantity, unitOrLabel } from '../../pricing/quantity.ts';
import type { Definitions } from '../define.ts';
import type { Compute, Rule } from '../graph/rule.ts';
import { lineNode } from '../graph/nodes.ts';

/** A figure of a line with the node it stands at, compiled by whoever knows the names. */
export interface Pinned {
  readonly node: NodeId;
  readonly rule: Rule;
}

/** How a line comes from its net figure to what is bought. */
export interface Quantity {
  readonly line: LineKey;
  /** The net figure, SI. */
  readonly net: NodeId;
  readonly unit: string;
  readonly bought: Purchase;
  /** Of a component, its name, and the node that says whether anything is measured. */
  readonly component?: { readonly name: string; readonly measured: NodeId };
  /** A quantity typed over the flowing one. */
  readonly pinned?: Pinned | undefined;
  /** The least that is bought, where a formula says it; SI. */
  readonly least?: Pinned | undefined;
}

/** The node of the quantity that is worked: what is bought, where nothing is added to it. */
export const workedNode = ({ line, bought, pinned, least }: Quantity): NodeId =>
  pinned === undefined && (isRaised(bought) || least !== undefined)
    ? lineNode(line, 'worked')
    : lineNode(line, 'quantity');

/**
 * From a net figure (SI) to the quantity that is bought and priced, in the line's unit, and beside it
 * the one that is worked. A component below zero is a mistake in its formula; a typed line may take
 * something off. A pinned quantity is what is bought and worked: the flowing one stays beside it.
 */
export function defineQuantity(quantity: Quantity): Definitions {
  const { line, unit, pinned, least } = quantity;
  const { factor } = unitOrLabel(unit);
  const flowing = lineNode(line, pinned === undefined ? 'quantity' : 'flowing');
  const leastNode = lineNode(line, 'least');
  const flows: Definitions = [
    ...(least === undefined ? [] : defineLeast(line, unit, least)),
    [flowing, flowingRule(quantity, factor, least === undefined ? undefined : leastNode)],
  ];
  const worked = workedNode(quantity);
  if (worked.figure !== 'quantity')
    return [...flows, [worked, flowingRule({ ...quantity, bought: AS_IT_COMES }, factor, undefined)]];
  if (pinned === undefined) return flows;
  return [
    ...flows,
    [pinned.node, pinned.rule],
    [lineNode(line, 'quantity'), { kind: 'compute', inputs: [pinned.node], run: inUnit(factor) }],
  ];
}

/** The least that is bought, in the line's unit. */
export const defineLeast = (line: LineKey, unit: string, { node, rule }: Pinned): Definitions => [
  [node, rule],
  [lineNode(line, 'least'), { kind: 'compute', inputs: [node], run: inUnit(unitOrLabel(unit).factor) }],
];

const inUnit =
  (factor: number): Compute =>
  (values, at) =>
    roundQuantity((values[at[0] as number] as number) / factor);

function flowingRule(
  { net: netNode, bought, component }: Quantity,
  factor: number,
  least: NodeId | undefined,
): Rule {
  if (component === undefined) {
    const run: Compute = (values, at) => purchase((values[at[0] as number] as number) / factor, bought);
    return { kind: 'compute', inputs: [netNode], run };
  }
  const run: Compute = (values, at) => {
    // Nothing is measured yet: what an assembly needs at least is not needed either.
    if (values[at[1] as number] === 0) return 0;
    const net = (values[at[0] as number] as number) / factor;
    if (net < -NOISE) return Number.NaN;
    if (least === undefined) return purchase(Math.max(0, net), bought);
    return purchase(Math.max(0, net), { ...bought, minimum: values[at[2] as number] as number });
  };
  const explain = (): Failure => ({ kind: 'negative', component: component.name });
  const inputs = [netNode, component.measured, ...(least === undefined ? [] : [least])];
  return { kind: 'compute', inputs, run, explain };
}

/** Binary noise around zero is zero. */
const NOISE = 1e-9;
