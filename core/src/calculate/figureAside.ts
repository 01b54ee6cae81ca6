import type { FigureSource } from './graph/figureSource.ts';
import type { Job } from '../job/job.ts';
import { type NodeId, printNode } from '../job/nodeId.ts';
import type { Rule } from './graph/rule.ts';
import { Graph } from './graph/graph.ts';
import { type Figure } from './graph/rule.ts';
import { isFiltered } from './graph/nodes.ts';
import { defineFiltered } from './sources/filtered.ts';

/**
 * The figure of a node that may not be there: a total with a filter that no kept formula asks for yet.
 * It is figured in a graph of its own, so that what is only being typed leaves nothing behind.
 */
export function figureAside(known: FigureSource, job: Job, node: NodeId): Figure {
  if (known.has(node) || !isFiltered(node)) return known.figure(node);
  const aside = new Graph();
  const read = { job, later: <Value>(work: () => Value) => work, nodesOf: () => [] };
  const taken = new Set<string>();
  const take = (wanted: NodeId): void => {
    const name = printNode(wanted);
    if (taken.has(name)) return;
    taken.add(name);
    if (known.has(wanted) || !isFiltered(wanted)) {
      aside.define(wanted, asItIs(known.figure(wanted)));
      return;
    }
    const definitions = defineFiltered(read, wanted.owner);
    for (const [own] of definitions) taken.add(printNode(own));
    for (const [own, rule] of definitions) {
      aside.define(own, rule);
      if (rule.kind === 'compute') rule.inputs.forEach(take);
    }
  };
  take(node);
  aside.recalculate();
  return aside.figure(node);
}

const asItIs = (figure: Figure): Rule =>
  figure.failure === undefined
    ? { kind: 'value', value: figure.value }
    : { kind: 'value', value: 0, failure: figure.failure };
