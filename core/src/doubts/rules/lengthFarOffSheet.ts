import { pieceNode } from '../../calculate/graph/nodes.ts';
import { marksOfScope, recordsOf } from '../../job/belongs.ts';
import type { Job } from '../../job/job.ts';
import type { Id } from '../../job/id.ts';
import type { Sheet } from '../../job/records/sheet.ts';
import { defineRule } from '../rule.ts';

/** A typed length this many times what its sheet shows from corner to corner is asked about. */
const FAR = 8;

/** What a sheet shows from corner to corner, in meters; undefined without a scale. */
const diagonalM = ({ widthPt, heightPt, scale }: Sheet): number | undefined =>
  scale === null ? undefined : Math.hypot(widthPt * scale.xMetersPerPoint, heightPt * scale.yMetersPerPoint);

/** Typed lengths that are far longer than the sheet they were read from shows: a slip of a decimal, or of a unit. */
export const lengthFarOffSheet = defineRule('length-far-off-sheet', 'scopes', ({ job, known }) =>
  [...job.piece.values()].flatMap(({ id, scopeId }) => {
    const scope = job.scope.get(scopeId);
    if (scope?.kind !== 'run') return [];
    const lengthM = known(pieceNode(id));
    const sheetM = sheetOf(job, scopeId);
    if (lengthM === undefined || sheetM === undefined || Math.abs(lengthM) <= FAR * sheetM) return [];
    return [
      { of: id, name: scope.name, place: { at: 'scope' as const, id: scopeId }, facts: { lengthM, sheetM } },
    ];
  }),
);

/** The largest sheet the scope is marked on; of all sheets where it is on none. */
function sheetOf(job: Job, scopeId: Id<'scope'>): number | undefined {
  const own = recordsOf(job.mark, marksOfScope(job, scopeId)).flatMap(
    ({ sheetId }) => job.sheet.get(sheetId) ?? [],
  );
  const sizes = (own.length === 0 ? [...job.sheet.values()] : own).flatMap((sheet) => diagonalM(sheet) ?? []);
  return sizes.length === 0 ? undefined : Math.max(...sizes);
}
