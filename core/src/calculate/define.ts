import type { NodeId } from '../job/nodeId.ts';
import type { Job } from '../job/job.ts';
import type { Figure, Rule } from './graph/rule.ts';
import type { LineMaker } from '../estimate/lineSources.ts';

/** The figures of one record, to be defined in the graph together. */
export type Definitions = readonly (readonly [node: NodeId, rule: Rule])[];

/** What a definer looks at. All it reads is noted, and it runs again when something of it is another. */
export interface Read {
  /** The job of the moment. */
  readonly job: Job;
  /** Work that is only done when its figure is asked for; what it reads then counts as read. */
  readonly later: <Value>(work: () => Value) => () => Value;
  /** The kinds of cost that a line has, of those asked for: not every line has every kind. */
  readonly nodesOf: (by: LineMaker, makerId: string, nodes: readonly NodeId[]) => readonly NodeId[];
}

/** Makes the figures of whatever has an id; nothing where the thing is not there any more. */
export type Define = (read: Read, id: string) => Definitions;

/** The figure as a plain number, or undefined where it is not known. */
export const knownValue = (figure: Figure): number | undefined =>
  figure.failure === undefined ? figure.value : undefined;
