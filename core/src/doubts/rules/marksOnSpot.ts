import { distance } from '../../geometry/point.ts';
import { marksOfScope, recordsOf } from '../../job/belongs.ts';
import type { Mark } from '../../job/records/mark.ts';
import { defineRule } from '../rule.ts';

/** As near as this on paper, nobody meant two: less than half a millimeter apart, in points. */
const SPOT_PT = 1.4;

const isOnSpot = (a: Mark, b: Mark): boolean =>
  a.strokes.length === b.strokes.length &&
  a.strokes.every((stroke, at) => {
    const other = b.strokes[at] ?? [];
    return (
      stroke.length === other.length &&
      stroke.every((vertex, i) => {
        const there = other[i];
        return there !== undefined && distance(vertex, there) <= SPOT_PT;
      })
    );
  });

/** The same thing marked twice: marks of one scope that lie on one another. Areas have a rule of their own. */
export const marksOnSpot = defineRule('marks-on-spot', 'marks', ({ job }) =>
  [...job.scope.values()]
    .filter(({ kind }) => kind === 'count' || kind === 'run')
    .flatMap(({ id, name }) =>
      pairsOf(id, recordsOf(job.mark, marksOfScope(job, id))).map(([first, second]) => ({
        of: [first.id, second.id].sort().join(' '),
        name,
        place: { at: 'marks' as const, ids: [first.id, second.id], sheetId: first.sheetId },
        facts: { kind: first.kind === 'run' ? ('run' as const) : ('count' as const) },
      })),
    ),
);

type Pairs = readonly (readonly [Mark, Mark])[];
const pairsKnown = new Map<string, { readonly marks: readonly Mark[]; readonly pairs: Pairs }>();

/** The pairs of a scope, found again only where one of its marks is another. */
function pairsOf(scopeId: string, marks: readonly Mark[]): Pairs {
  const had = pairsKnown.get(scopeId);
  if (had?.marks.length === marks.length && marks.every((mark, at) => mark === had.marks[at]))
    return had.pairs;
  const pairs = [...pairsByX(marks)];
  pairsKnown.set(scopeId, { marks, pairs });
  return pairs;
}

const startOf = ({ strokes }: Mark): number => strokes[0]?.[0]?.x ?? 0;

/** Pairs that lie on one another, found along x: a thousand lights are not held against each other. */
function* pairsByX(marks: readonly Mark[]): Generator<readonly [Mark, Mark]> {
  const sorted = [...marks].sort((a, b) => startOf(a) - startOf(b));
  for (const [at, mark] of sorted.entries())
    for (let next = at + 1; next < sorted.length; next += 1) {
      const other = sorted[next];
      if (other === undefined || startOf(other) - startOf(mark) > SPOT_PT) break;
      if (mark.sheetId === other.sheetId && isOnSpot(mark, other)) yield [mark, other];
    }
}
