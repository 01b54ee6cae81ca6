import { type Rule, sumOf } from '../graph/graph.ts';
import type { Job } from '../job/job.ts';
import type { Mark } from '../job/records/mark.ts';
import type { PieceRecord } from '../job/records/piece.ts';
import type { Scope } from '../job/records/scope.ts';
import {
  MARK_MEASURES,
  type MarkMeasure,
  type Measure,
  OPENING_MEASURES,
  isJunction,
  isMeasure,
  leadingMeasure,
  measuresOf,
} from '../takeoff/measures.ts';
import type { Definitions } from './define.ts';
import { defineDerived } from './defineDerived.ts';
import { repeatOf } from './defineMeasures.ts';
import { nodeOfMark } from './nodeOfMark.ts';
import { markNode, pieceNode } from './nodes.ts';

/** One mark of a scope, or one typed piece. */
export type Part = Mark | PieceRecord;

export const aloneNode = (prefix: string, partId: string, measure: Measure): string =>
  `${prefix}/${partId}/${measure}`;

/** How often a part counts. */
export const timesOf = (job: Job, part: Part): number => (part.type === 'mark' ? repeatOf(job, part) : 1);

/** What a part can be asked for alone. How runs meet is a matter of all of them. */
export const hasAlone = (scope: Scope, measure: Measure): boolean =>
  measuresOf(scope.kind).includes(measure) && !isJunction(measure);

const valued = (value: number): Rule => ({ kind: 'value', value });

/** A figure for one time of the part: what is kept is for all its times. */
const single = (node: string, times: number): Rule => ({
  kind: 'compute',
  inputs: [node],
  run: times === 1 ? sumOf : (values, at) => (values[at[0] as number] as number) / times,
});

function ownRule(scope: Scope, part: Part, measure: Measure, times: number): Rule {
  if (part.type === 'piece') {
    const leading = measure === leadingMeasure(scope.kind) || measure === 'plan_length';
    return leading ? single(pieceNode(part.id), 1) : valued(measure === 'count' ? 1 : 0);
  }
  if (measure === 'count' && scope.kind !== 'count') return valued(1);
  const node = nodeOfMark(part, measure as MarkMeasure);
  return node === undefined ? valued(0) : single(node, times);
}

/**
 * The figures of one part as if it were the whole scope, drawn once: what formulas that are figured
 * for each mark read. Only what is asked for, and what that rests on, is defined.
 */
export function defineAlone(
  job: Job,
  scope: Scope,
  part: Part,
  prefix: string,
  asked: readonly Measure[],
  isOpened: boolean,
): Definitions {
  const times = timesOf(job, part);
  const node = (measure: Measure): string => aloneNode(prefix, part.id, measure);
  const own = MARK_MEASURES[scope.kind].map(
    (measure) => [node(measure), ownRule(scope, part, measure, times)] as const,
  );
  const openings = OPENING_MEASURES.map(
    (measure) => [node(measure), isOpened ? single(markNode(part.id, measure), times) : valued(0)] as const,
  );
  const all = new Map<string, Rule>([...own, ...openings, ...defineDerived(scope, node)]);
  return reachable(all, asked.filter(isMeasure).map(node));
}

/** The rules that the wanted nodes need, of those given. */
function reachable(all: ReadonlyMap<string, Rule>, wanted: readonly string[]): Definitions {
  const found = new Map<string, Rule>();
  const pending = [...wanted];
  for (let at = pending.pop(); at !== undefined; at = pending.pop()) {
    const rule = all.get(at);
    if (rule === undefined || found.has(at)) continue;
    found.set(at, rule);
    if (rule.kind === 'compute') pending.push(...rule.inputs);
  }
  return [...found];
}
