import { marksOfScope, openingsOfScope, piecesOfScope } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { type MarkKind, leadingMeasure } from '../../job/markKinds.ts';
import type { MarkMeasure } from '../../job/measures.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { query } from '../../job/query.ts';
import { openingNode, pieceNode } from '../graph/nodes.ts';
import { formOfMark } from '../queries/marks.ts';
import { nodeOfMark } from './nodeOfMark.ts';

/** The node with what one thing adds to a measure of its scope; undefined where it adds nothing. */
type Adds = (kind: MarkKind, measure: MarkMeasure) => NodeId | undefined;

/**
 * One way in which a scope comes to its quantities: what there is of it, where it is, and what each adds. Whoever sums,
 * counts or tells what a scope is measured by asks here; a new way is an entry, its definer and nothing else.
 */
interface QuantitySource {
  readonly ofScope: (job: Job, scopeId: string) => readonly string[];
  /** The sheet it is on; undefined for what is on none. */
  readonly sheetOf: (job: Job, id: string) => Id<'sheet'> | undefined;
  readonly adds: (job: Job, id: string) => Adds;
}

/** The sheet of a mark, by itself: who asks where it is does not follow its corners. */
const sheetOfMark = query((job, id): Id<'sheet'> | undefined => job.mark.get(id as Id<'mark'>)?.sheetId);
const hostOf = query((job, id): Id<'mark'> | undefined => job.opening.get(id as Id<'opening'>)?.markId);

const QUANTITY_SOURCES = {
  mark: {
    ofScope: marksOfScope,
    sheetOf: sheetOfMark,
    adds: (job, id) => {
      const form = formOfMark(job, id);
      return (_kind, measure) => nodeOfMark(id, form, measure);
    },
  },
  /** Openings in whatever walls that are counted by a scope. */
  opening: {
    ofScope: openingsOfScope,
    sheetOf: (job, id) => {
      const host = hostOf(job, id);
      return host === undefined ? undefined : sheetOfMark(job, host);
    },
    adds: (_job, id) => (_kind, measure) => (measure === 'count' ? openingNode(id) : undefined),
  },
  piece: {
    ofScope: piecesOfScope,
    sheetOf: () => undefined,
    adds: (_job, id) => (kind, measure) =>
      measure === leadingMeasure(kind) || measure === 'plan_length' ? pieceNode(id) : undefined,
  },
} satisfies Readonly<Record<string, QuantitySource>>;

export type QuantitySourceName = keyof typeof QUANTITY_SOURCES;

/** One thing that a scope is measured by. */
export interface MeasuredThing {
  readonly by: QuantitySourceName;
  readonly id: string;
}

/** False for a scope that nothing is drawn, typed or placed for. */
export const isMeasured = (job: Job, scopeId: string): boolean =>
  Object.values(QUANTITY_SOURCES).some(({ ofScope }) => ofScope(job, scopeId).length > 0);

/** All that a scope is measured by, in the order of the sources: drawn, in walls, typed. */
export const measuredThings = (job: Job, scopeId: string): readonly MeasuredThing[] =>
  (Object.keys(QUANTITY_SOURCES) as readonly QuantitySourceName[]).flatMap((by) =>
    QUANTITY_SOURCES[by].ofScope(job, scopeId).map((id) => ({ by, id })),
  );

/** The sheet a thing is on; undefined for what was typed. */
export const sheetOfThing = (job: Job, { by, id }: MeasuredThing): Id<'sheet'> | undefined =>
  QUANTITY_SOURCES[by].sheetOf(job, id);

export const addsOf = (job: Job, { by, id }: MeasuredThing): Adds => QUANTITY_SOURCES[by].adds(job, id);
