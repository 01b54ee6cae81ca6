import { MARK_KIND, leadingMeasure, measuresOf } from '../../job/markKinds.ts';
import {
  type MarkMeasure,
  type Measure,
  OPENING_MEASURES,
  isJunction,
  isMeasure,
} from '../../job/measures.ts';
import { type NodeId, printNode } from '../../job/nodeId.ts';
import type { Definitions } from '../define.ts';
import { type Rule, sumOf, valued } from '../graph/rule.ts';
import { markNode, partNode, pieceNode } from '../graph/nodes.ts';
import type { ScopeFace } from '../queries/jobNames.ts';
import { type Part, timesOf } from '../queries/parts.ts';
import { type Sided, defineDerived } from './derived.ts';
import { nodeOfMark } from './nodeOfMark.ts';

/** A figure of one part of a scope as if it were all of it, for the figure that asks. */
export const aloneNode = (asking: NodeId, partId: string, measure: Measure): NodeId =>
  partNode(asking, partId, measure);

/** What a part can be asked for alone. How runs meet is a matter of all of them. */
export const hasAlone = ({ kind }: Pick<ScopeFace, 'kind'>, measure: Measure): boolean =>
  measuresOf(kind).includes(measure) && !isJunction(measure);

/** A figure for one time of the part: what is kept is for all its times. */
const single = (node: NodeId, times: number): Rule => ({
  kind: 'compute',
  inputs: [node],
  run: times === 1 ? sumOf : (values, at) => (values[at[0] as number] as number) / times,
});

function ownRule({ kind }: ScopeFace, part: Part, measure: Measure): Rule {
  if (part.type === 'piece') {
    const leading = measure === leadingMeasure(kind) || measure === 'plan_length';
    return leading ? single(pieceNode(part.id), 1) : valued(measure === 'count' ? 1 : 0);
  }
  if (measure === 'count' && kind !== 'count') return valued(1);
  const node = nodeOfMark(part.id, part.form, measure as MarkMeasure);
  return node === undefined ? valued(0) : single(node, timesOf(part));
}

/**
 * The figures of one part as if it were the whole scope, drawn once: what formulas that are figured
 * for each mark read. Only what is asked for, and what that rests on, is defined.
 */
export function defineAlone(
  scope: Sided,
  part: Part,
  asking: NodeId,
  asked: readonly Measure[],
): Definitions {
  const node = (measure: Measure): NodeId => aloneNode(asking, part.id, measure);
  const isOpened = part.type === 'mark' && part.form.opened;
  const own: Definitions = MARK_KIND[scope.kind].measures.map((measure) => [
    node(measure),
    ownRule(scope, part, measure),
  ]);
  const openings: Definitions = OPENING_MEASURES.map((measure) => [
    node(measure),
    isOpened ? single(markNode(part.id, measure), timesOf(part)) : valued(0),
  ]);
  return reachable([...own, ...openings, ...defineDerived(scope, node)], asked.filter(isMeasure).map(node));
}

/** The rules that the wanted nodes need, of those given. */
function reachable(all: Definitions, wanted: readonly NodeId[]): Definitions {
  const rules = new Map(all.map((definition) => [printNode(definition[0]), definition]));
  const found = new Map<string, Definitions[number]>();
  const pending = wanted.map(printNode);
  for (let at = pending.pop(); at !== undefined; at = pending.pop()) {
    const definition = rules.get(at);
    if (definition === undefined || found.has(at)) continue;
    found.set(at, definition);
    const [, rule] = definition;
    if (rule.kind === 'compute') pending.push(...rule.inputs.map(printNode));
  }
  return [...found.values()];
}
