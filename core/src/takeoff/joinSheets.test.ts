import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type Affine, applyAffine, invertAffine, turning } from '../geometry/affine.ts';
import { boundsOf } from '../geometry/bounds.ts';
import { type Point, distance, point } from '../geometry/point.ts';
import { ringContains } from '../geometry/polygon.ts';
import { type Command, put } from '../job/change.ts';
import { type Job, applyDiff, inOrder } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createTestJob, makeScope } from '../testing/job.ts';
import { type JoinPair, joinCommand, joinedContent, planJoin, rejoinCommand } from './joinSheets.ts';
import { placingsOf } from './placing.ts';

const { job: started, sheet: first, makeId } = createTestJob();
const second: RecordOf<'sheet'> = { ...first, id: makeId('sheet'), order: 2, number: 'C-102' };
/** The match line stands upright near the right side of the first sheet and near the left of the second. */
const [top, bottom] = [point(2200, 200), point(2200, 1500)];

/** Where the second sheet shows a place of the first, if it was drawn by `matrix` (first to second). */
const pairsBy = (matrix: Affine, places: readonly Point[] = [top, bottom]): readonly JoinPair[] =>
  places.map((p) => [p, applyAffine(matrix, p)]);

const moved: Affine = [1, 0, 0, 1, -2050, 30];

const planned = (pairs: readonly JoinPair[], other = second) => {
  const plan = planJoin(first, other, pairs);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  return plan.value;
};

describe('joining two sheets along a match line', () => {
  it('brings every place of the second onto the first, moved, turned and at another scale', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (angle, factor) => {
          const [a, b] = turning(angle) as unknown as [number, number];
          const drawn: Affine = [a * factor, b * factor, -b * factor, a * factor, -1500 * factor, 40];
          const pairs = pairsBy(drawn);
          const plan = planJoin(first, second, pairs);
          fc.pre(plan.ok);
          if (!plan.ok) return;
          expect(plan.value.factor).toBeCloseTo(1 / factor, 9);
          expect(plan.value.residualPt).toBeLessThan(1e-6);
          // A place far out on the second sheet lands where the first would have drawn it.
          const place = point(3100, 900);
          const there = applyAffine(plan.value.matrix, applyAffine(drawn, place));
          expect(
            distance(there, { x: place.x + plan.value.shift.x, y: place.y + plan.value.shift.y }),
          ).toBeLessThan(1e-5);
        },
      ),
    );
  });

  it('shows each sheet on its own side of the line only', () => {
    const plan = planned(pairsBy(moved));
    const [left, right] = [
      boundsOf(plan.first.flatMap(({ clip }) => clip)),
      boundsOf(plan.second.flatMap(({ clip }) => clip)),
    ];
    expect(left.maxX).toBeCloseTo(2200 + plan.shift.x, 6);
    expect(right.minX).toBeCloseTo(2200 + plan.shift.x, 6);
    expect(plan.widthPt).toBeCloseTo(2050 + 2592, 6);
  });

  it('joins upward as well: the second may lie above', () => {
    const level = [point(300, 200), point(2000, 200)];
    const plan = planned(pairsBy([1, 0, 0, 1, 0, 1400], level));
    expect(plan.shift.y).toBeCloseTo(1400, 6);
    expect(boundsOf(plan.second.flatMap(({ clip }) => clip)).maxY).toBeCloseTo(1600, 6);
  });

  it('says how far the places are from fitting: none with two, the rest with a third', () => {
    const third = point(2210, 850);
    const off = pairsBy(moved, [top, bottom, third]).map(([p, q], i): JoinPair =>
      i === 2 ? [p, { x: q.x + 6, y: q.y }] : [p, q],
    );
    expect(planned(pairsBy(moved)).residual).toBeLessThan(1e-9);
    const plan = planned(off);
    expect(plan.residualPt).toBeGreaterThan(2);
    expect(plan.residualPt).toBeLessThan(6);
    expect(plan.residual).toBeCloseTo(plan.residualPt / 1300, 9);
  });

  it('holds the second sheet to the scale of the first', () => {
    const plan = planned(pairsBy(moved));
    expect(plan.firstM).toBeCloseTo((1300 / 9) * 0.3048, 6);
    expect(plan.secondM).toBeCloseTo(plan.firstM ?? 0, 6);
    const wrong = {
      ...second,
      scale: { xMetersPerPoint: 1, yMetersPerPoint: 1, source: { by: 'ratio', text: '' } },
    } as const;
    expect(planned(pairsBy(moved), wrong).secondM).toBeCloseTo(1300, 6);
    expect(planned(pairsBy(moved), { ...second, scale: null }).secondM).toBeUndefined();
  });

  it('gives a sheet with both pages that can be joined again with a third', () => {
    const pairs = pairsBy(moved);
    const joined = { ...first, id: makeId('sheet'), ...joinedContent(first, second, pairs, planned(pairs)) };
    expect(joined.placings).toHaveLength(2);
    expect(joined.scale).toMatchObject({ xMetersPerPoint: first.scale?.xMetersPerPoint });
    const further: Affine = [1, 0, 0, 1, -4000, 0];
    const edge = [point(4300, 200), point(4300, 1500)];
    const again = planJoin(joined, { ...second, id: makeId('sheet') }, pairsBy(further, edge));
    expect(again.ok && again.value.first.length + again.value.second.length).toBe(3);
  });

  it('covers every place on the paper by one page or by none', () => {
    const drawn: Affine = [...(turning(4).slice(0, 4) as [number, number, number, number]), -1900, -60];
    const plan = planned(pairsBy(drawn));
    const rings = [...plan.first, ...plan.second].map(({ clip }) => clip);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (u, v) => {
          const at = point(u * plan.widthPt, v * plan.heightPt);
          return rings.filter((ring) => ringContains(ring, at)).length <= 1;
        },
      ),
    );
    expect(applyAffine(invertAffine(plan.matrix), plan.seam[0]).x).toBeCloseTo(applyAffine(drawn, top).x, 6);
  });

  it('refuses the same place twice, one sheet, and places that are not on the match line', () => {
    const problem = (pairs: readonly JoinPair[], other = second): string | undefined => {
      const plan = planJoin(first, other, pairs);
      return plan.ok ? undefined : plan.problem.kind;
    };
    expect(problem(pairsBy(moved, [top]))).toBe('join-too-few-points');
    expect(
      problem([
        [top, top],
        [top, bottom],
      ]),
    ).toBe('join-points-coincide');
    expect(
      problem([
        [top, top],
        [bottom, top],
      ]),
    ).toBe('join-points-coincide');
    expect(problem(pairsBy(moved), first)).toBe('join-same-sheet');
    // The second drawn where the first is: both on one side.
    expect(problem(pairsBy([1, 0, 0, 1, 0, 0]))).toBe('join-same-side');
  });
});

describe('the pages of a sheet', () => {
  it('are its one page as it is, until it is touched', () => {
    const [placing] = placingsOf(first);
    expect(placing).toMatchObject({ matrix: [1, 0, 0, 1, 0, 0], pageIndex: 0 });
    expect(boundsOf(placing?.clip ?? [])).toEqual({ minX: 0, minY: 0, maxX: 2592, maxY: 1728 });
  });
});

const after = (job: Job, command: Command): Job => {
  const done = command(job);
  if (!done.ok) throw new Error(JSON.stringify(done.problem));
  return applyDiff(job, done.value);
};

describe('the joined sheet in the job', () => {
  const job = after(started, put(second));
  const id = makeId('sheet');
  const joinedBy = (pairs: readonly JoinPair[]): Job =>
    after(job, joinCommand(id, first, second, pairs, planned(pairs)));

  it('comes after the second and is named after both', () => {
    const joined = joinedBy(pairsBy(moved));
    expect(inOrder(joined.sheet.values()).at(-1)?.id).toBe(id);
    expect(joined.sheet.get(id)?.number).toBe(`${first.number}+C-102`);
  });

  it('keeps marks on what they were drawn on, and their lengths, when it is joined anew', () => {
    const joined = joinedBy(pairsBy(moved));
    const sheet = joined.sheet.get(id) as RecordOf<'sheet'>;
    const scope = makeScope(makeId, { key: 'curb', kind: 'run' });
    // A curb over the seam, drawn from a known place of the first sheet.
    const from = point(2100, 800);
    const before = planned(pairsBy(moved)).shift;
    const mark: RecordOf<'mark'> = {
      type: 'mark',
      id: makeId('mark'),
      scopeId: scope.id,
      sheetId: id,
      kind: 'run',
      strokes: [
        [point(from.x + before.x, from.y + before.y), point(from.x + before.x + 300, from.y + before.y)],
      ],
    };
    const drawn = after(joined, put(scope, mark));
    // The second sheet comes to lie higher, which takes the corner of the joined one along.
    const anew = pairsBy([1, 0, 0, 1, -2050, 400]);
    const plan = planned(anew);
    expect(plan.shift).not.toEqual(before);
    const again = after(drawn, rejoinCommand(sheet, first, second, anew, plan));
    const [a, b] = again.mark.get(mark.id)?.strokes[0] ?? [];
    expect(a?.x).toBeCloseTo(from.x + plan.shift.x, 9);
    expect(a?.y).toBeCloseTo(from.y + plan.shift.y, 9);
    expect((b?.x ?? 0) - (a?.x ?? 0)).toBeCloseTo(300, 9);
    expect(again.sheet.get(id)?.join).toEqual(joinedContent(first, second, anew, plan).join);
  });
});
