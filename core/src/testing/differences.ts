import { type NodeId, printNode } from '../job/nodeId.ts';
import type { Calculation } from '../calculate/calculation.ts';

/** Sums of measures differ in the last bits with the order of their parts; money is whole and does not. */
const RELATIVE_STEP = 1e-12;

/** The nodes at which two calculations of one job differ: in figure, in failure, or in being there at all. */
export function differences(one: Calculation, other: Calculation): readonly string[] {
  const shown = (calculation: Calculation, node: NodeId): string | number => {
    if (!calculation.figures.has(node)) return 'not there';
    const figure = calculation.figure(node);
    return figure.failure === undefined ? figure.value : figure.failure.kind;
  };
  const nodes = new Map(
    [...one.graph.nodes(), ...other.graph.nodes()].map((node) => [printNode(node), node]),
  );
  return [...nodes].flatMap(([name, node]) => {
    const [a, b] = [shown(one, node), shown(other, node)];
    const same =
      typeof a === 'number' && typeof b === 'number'
        ? Math.abs(a - b) <= RELATIVE_STEP * Math.max(1, Math.abs(a))
        : a === b;
    return same ? [] : [`${name}: ${a}, ${b}`];
  });
}
