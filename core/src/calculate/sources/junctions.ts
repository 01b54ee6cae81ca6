import { MARK_KIND } from '../../job/markKinds.ts';
import { type Chain, type Junctions, findJunctions } from '../../geometry/junctions.ts';
import type { Point } from '../../geometry/point.ts';
import { countsOnSheet, marksOfScope, piecesOfScope, recordsOf } from '../../job/belongs.ts';
import { groupBy } from '../../job/groupBy.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { JUNCTION_MEASURES, type JunctionMeasure } from '../../job/measures.ts';
import { query } from '../../job/query.ts';
import type { Mark } from '../../job/records/mark.ts';
import { repeatOf } from '../../takeoff/repeat.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';
import type { Define } from '../define.ts';
import { measureNode } from '../graph/nodes.ts';
import { compiledProperty, getFace } from '../queries/jobNames.ts';
import { broughtBy } from './brought.ts';

/** How thick what a scope measures is, in meters; 0 where it says nothing, or says it by a formula. */
const thicknessOf = query((job, scopeId): number => {
  if (!getFace(job, scopeId).properties.some(({ key }) => key === 'thickness')) return 0;
  const value = compiledProperty(job, scopeId, 'thickness');
  return value.kind === 'constant' ? Math.max(0, value.value) : 0;
});

const metBy = query(
  (job, scopeId): readonly Id<'scope'>[] => job.scope.get(scopeId as Id<'scope'>)?.meets ?? [],
);

/** The strokes of a mark with how thick they are at its scale. */
function chainsOf(job: Job, mark: Mark): readonly Chain[] {
  const thicknessM = thicknessOf(job, mark.scopeId);
  const scale = thicknessM === 0 ? undefined : scaleOfMark(job, mark);
  const widthPt =
    scale === undefined ? 0 : thicknessM / Math.min(scale.xMetersPerPoint, scale.yMetersPerPoint);
  return mark.strokes.map((path) => ({ path, widthPt }));
}

/** Boxes and fixtures, into which a run goes without a bend. */
const stopsOn = query((job, sheetId): readonly Point[] =>
  recordsOf(job.mark, countsOnSheet(job, sheetId)).flatMap(({ strokes }) => strokes.flat()),
);

interface Met {
  readonly times: number;
  readonly found: Junctions;
}

/** Where the runs of a scope end and meet, in sheet points: runs on one sheet that count equally often meet. */
function junctionsOf(job: Job, scopeId: string, marks: readonly Mark[]): readonly Met[] {
  const met = metBy(job, scopeId)
    .filter((id) => job.scope.has(id))
    .flatMap((id) => recordsOf(job.mark, marksOfScope(job, id)));
  const together = groupBy(marks, (mark) => `${mark.sheetId} ${repeatOf(job, mark)}`);
  return [...together.values()].map((own) => {
    const [first] = own;
    if (first === undefined) throw new Error('junctionsOf: a group without marks');
    const { sheetId } = first;
    const others = met.filter((mark) => mark.sheetId === sheetId).flatMap((mark) => chainsOf(job, mark));
    const chains = own.flatMap((mark) => chainsOf(job, mark));
    return { times: repeatOf(job, first), found: findJunctions(chains, others, stopsOn(job, sheetId)) };
  });
}

/** How the runs of a scope meet on one sheet, to be shown there. */
export const junctionsOnSheet = (job: Job, scopeId: string, sheetId: string): readonly Junctions[] =>
  junctionsOf(
    job,
    scopeId,
    recordsOf(job.mark, marksOfScope(job, scopeId)).filter((mark) => mark.sheetId === sheetId),
  ).map(({ found }) => found);

const countJunctions = query((job, scopeId): Readonly<Record<JunctionMeasure, number>> => {
  const totals = { ends: 0, corners: 0, tees: 0, crossings: 0, bends: 0 };
  for (const { times, found } of junctionsOf(job, scopeId, recordsOf(job.mark, marksOfScope(job, scopeId))))
    for (const measure of JUNCTION_MEASURES) totals[measure] += found[measure].length * times;
  return totals;
});

/** How the runs of a scope meet. It costs, and is only worked out where something asks for it. */
export const defineJunctions: Define = ({ job, later }, id) => {
  if (!job.scope.has(id as Id<'scope'>) || MARK_KIND[getFace(job, id).kind].meets !== 'junctions') return [];
  return JUNCTION_MEASURES.map((measure) => {
    const pieces = recordsOf(job.piece, piecesOfScope(job, id));
    const value = later(() => countJunctions(job, id)[measure] + broughtBy(pieces, measure));
    return [measureNode(id, measure), { kind: 'when-asked', value }];
  });
};
