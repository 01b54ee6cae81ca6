import { marksOfScope, openingsOfScope, piecesOfScope, recordsOf } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { MARK_KIND, isPoints, leadingMeasure } from '../../job/markKinds.ts';
import { OPENING_MEASURES } from '../../job/measures.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { query } from '../../job/query.ts';
import type { Opening } from '../../job/records/opening.ts';
import type { PieceRecord } from '../../job/records/piece.ts';
import type { Face } from '../../job/records/scope.ts';
import { repeatOf } from '../../takeoff/repeat.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';
import { SHARED_EDGES, type SharedEdge, sharedLengths } from '../../takeoff/sharedEdges.ts';
import type { Define, Definitions } from '../define.ts';
import { type Compute, type Rule, sumOf, valued } from '../graph/rule.ts';
import {
  markNode,
  measuredNode,
  measureNode,
  pieceNode,
  propertyNode,
  sharedNode,
  totalNode,
} from '../graph/nodes.ts';
import { OPENING_SIZES, type ScopeFace, compiledProperty, getFace, scopeNames } from '../queries/jobNames.ts';
import { type MarkForm, formOfMark } from '../queries/marks.ts';
import { ruleOf } from '../queries/names.ts';
import { broughtBy } from './brought.ts';
import { defineDerived } from './derived.ts';
import { ownMeasures } from './mark.ts';
import { addsOf, measuredThings } from './quantitySources.ts';
import { timesOfOpening } from './opening.ts';

interface PlacedMark {
  readonly id: Id<'mark'>;
  readonly form: MarkForm;
}

/** What a scope's measures are added up from. */
interface Measured {
  readonly marks: readonly PlacedMark[];
  /** Openings anywhere that are counted by this scope. */
  readonly counted: readonly Opening[];
  readonly pieces: readonly PieceRecord[];
}

const measuredIn = (job: Job, id: string): Measured => ({
  marks: marksOfScope(job, id).map((markId) => ({ id: markId, form: formOfMark(job, markId) })),
  counted: recordsOf(job.opening, openingsOfScope(job, id)),
  pieces: recordsOf(job.piece, piecesOfScope(job, id)),
});

/** The side lengths are measured along. */
export const faceOfScope = query((job, id): Face => job.scope.get(id as Id<'scope'>)?.face ?? 'center');

/** A scope's measures: sums over its marks and typed pieces, and what follows from them. */
export const defineMeasures: Define = ({ job }, id) => {
  if (!job.scope.has(id as Id<'scope'>)) return [];
  const scope = getFace(job, id);
  const measured = measuredIn(job, id);
  const { marks, counted, pieces } = measured;
  const some = marks.length + counted.length + pieces.length > 0;
  const own = [[measuredNode(id), valued(some ? 1 : 0)] as const, ...defineSums(job, scope, measured)];
  if (isPoints(scope.kind)) return [...own, ...defineCountTotals(job, scope, measured)];
  const opened = marks.filter(({ form }) => form.opened);
  const openings: Definitions = OPENING_MEASURES.map((measure) => [
    measureNode(id, measure),
    withBrought(
      opened.map((mark) => markNode(mark.id, measure)),
      broughtBy(pieces, measure),
    ),
  ]);
  // A typed piece is one run or one area, as a drawn mark is: a conduit typed in has its two ends too.
  const typed = pieces.reduce((sum, { also }) => sum + (also?.['count'] ?? 1), 0);
  const count = marks.reduce((sum, { form }) => sum + form.times, typed);
  return [
    ...own,
    [measureNode(id, 'count'), valued(count)],
    ...openings,
    ...defineDerived({ ...scope, face: faceOfScope(job, id) }),
  ];
};

/**
 * A property over all of a count: so often as it is drawn or typed. Openings in walls bring a width and
 * a height of their own.
 */
function defineCountTotals(job: Job, scope: ScopeFace, { marks, counted, pieces }: Measured): Definitions {
  const keys = new Set([...scope.properties.map(({ key }) => key), ...OPENING_SIZES]);
  const drawn = [...marks.map(({ id }) => markNode(id, 'count')), ...pieces.map(({ id }) => pieceNode(id))];
  const times = counted.map((opening) => ({ opening, times: timesOfOpening(job, opening) }));
  return [...keys].map((key) => {
    const sized = key === 'width' || key === 'height';
    const sizes = sized
      ? times.reduce(
          (sum, each) => sum + each.times * (key === 'width' ? each.opening.widthM : each.opening.heightM),
          0,
        )
      : 0;
    const hosted = sized ? 0 : times.reduce((sum, each) => sum + each.times, 0);
    const node = totalNode(scope.id, key);
    if (scope.properties.every((property) => property.key !== key)) return [node, valued(sizes)];
    const inputs = [propertyNode(scope.id, key), ...drawn];
    return [
      node,
      {
        kind: 'compute',
        inputs,
        run: (values, at) => {
          let count = hosted;
          for (let slot = 1; slot < at.length; slot += 1) count += values[at[slot] as number] as number;
          return (values[at[0] as number] as number) * count + sizes;
        },
      },
    ];
  });
}

const sharedIn = query((job, id): Readonly<Record<SharedEdge, number>> =>
  sharedLengths(
    recordsOf(job.mark, marksOfScope(job, id)).map((mark) => ({
      mark,
      scale: scaleOfMark(job, mark),
      times: repeatOf(job, mark),
    })),
  ),
);

/** What ridges, hips and valleys are counted twice by, where two slopes of the roof meet. */
export const defineShared: Define = ({ job }, id) => {
  if (!job.scope.has(id as Id<'scope'>) || MARK_KIND[getFace(job, id).kind].meets !== 'edges') return [];
  const lengths = sharedIn(job, id);
  return SHARED_EDGES.map((edge) => [sharedNode(id, edge), valued(-lengths[edge])]);
};

const isShared = (measure: string): boolean => (SHARED_EDGES as readonly string[]).includes(measure);

function defineSums(job: Job, scope: ScopeFace, { pieces }: Measured): Definitions {
  const each = measuredThings(job, scope.id).map((thing) => addsOf(job, thing));
  return ownMeasures(scope.kind).map((measure) => {
    const inputs: NodeId[] = [];
    for (const adds of each) {
      const node = adds(scope.kind, measure);
      if (node !== undefined) inputs.push(node);
    }
    const typed = measure === leadingMeasure(scope.kind) || measure === 'plan_length';
    if (MARK_KIND[scope.kind].meets === 'edges' && isShared(measure))
      inputs.push(sharedNode(scope.id, measure));
    const brought = typed || measure === 'count' ? 0 : broughtBy(pieces, measure);
    return [measureNode(scope.id, measure), withBrought(inputs, brought)];
  });
}

const withBrought = (inputs: readonly NodeId[], brought: number): Rule => {
  const run: Compute = brought === 0 ? sumOf : (values, at) => sumOf(values, at) + brought;
  return { kind: 'compute', inputs, run };
};

/** What a person says of a scope beside its marks: a height, a thickness. */
export const defineProperties: Define = ({ job }, id) => {
  if (!job.scope.has(id as Id<'scope'>)) return [];
  const names = scopeNames(job, id);
  return getFace(job, id).properties.map(({ key }) => {
    const node = propertyNode(id, key);
    return [node, ruleOf(node, compiledProperty(job, id, key), names)];
  });
};
