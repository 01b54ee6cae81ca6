import { markNode } from '@zest/core/calculate/graph/nodes';
import { Calculation } from '@zest/core/calculate/calculation';
import { put } from '@zest/core/job/change';
import { applyDiff } from '@zest/core/job/job';
import { type BenchFigure, median, timeRuns } from './figures.ts';
import { USUAL, createLargeJob } from './largeJob.ts';

const RUNS = 15;

/** The same sums by hand, over the same numbers: what no graph can be quicker than. */
function byHand(lengths: readonly Float64Array[]): number {
  let total = 0;
  for (const scope of lengths) {
    let length = 0;
    for (const each of scope) length += each;
    total +=
      Math.ceil(length / 0.4064) +
      length * 2 +
      length * 2.7432 +
      Math.max(2, Math.ceil(length / 3.048)) +
      length;
  }
  return total;
}

/** Recalculation in core: everything, one mark, and a job as it is opened. */
export function measureRecalculation(): readonly BenchFigure[] {
  const job = createLargeJob(USUAL, { name: 'bench.pdf', bytes: 1 });
  const calculation = new Calculation(job);
  const full = median(timeRuns(RUNS, () => calculation.graph.recalculateAll()));
  const load = median(timeRuns(RUNS, () => void new Calculation(job), 3));
  const marks = [...job.mark.values()];
  let current = job;
  let turn = 0;
  const one = median(
    timeRuns(
      400,
      () => {
        const mark = current.mark.get((marks[turn % marks.length] as (typeof marks)[0]).id);
        if (mark === undefined) throw new Error('measureRecalculation: a mark is gone');
        const strokes = mark.strokes.map((stroke) => stroke.map(({ x, y }) => ({ x: x + 1 + turn, y })));
        turn += 1;
        const value = 10 + turn;
        calculation.graph.define(markNode(mark.id, 'length'), { kind: 'value', value });
        calculation.graph.recalculate();
        if (strokes.length === 0) throw new Error('measureRecalculation: a mark without strokes');
      },
      50,
    ),
  );
  const edit = median(
    timeRuns(
      200,
      () => {
        const mark = current.mark.get((marks[(turn * 7) % marks.length] as (typeof marks)[0]).id);
        if (mark === undefined) throw new Error('measureRecalculation: a mark is gone');
        turn += 1;
        const strokes = mark.strokes.map((stroke) =>
          stroke.map(({ x, y }) => ({ x: x + turn / 7, y: y * 0.999 })),
        );
        const diff = put({ ...mark, strokes })(current);
        if (!diff.ok) throw new Error(`measureRecalculation: ${diff.problem.kind}`);
        current = applyDiff(current, diff.value);
        calculation.apply(current, diff.value);
      },
      30,
    ),
  );
  const lengths = [...job.scope.values()].map((scope) =>
    Float64Array.from([...calculation.marksOf(scope.id)], ({ id }) => {
      const figure = calculation.figure(markNode(id, 'length'));
      return figure.failure === undefined ? figure.value : 0;
    }),
  );
  const hand = median(timeRuns(RUNS, () => void byHand(lengths)));
  return [
    { name: 'recalc.full', value: full, unit: 'ms', ratio: full / hand, against: 'by hand' },
    { name: 'recalc.one', value: one, unit: 'ms', ratio: one / full, against: 'recalc.full' },
    { name: 'recalc.edit', value: edit, unit: 'ms', ratio: edit / one, against: 'recalc.one' },
    { name: 'recalc.load', value: load, unit: 'ms', ratio: load / full, against: 'recalc.full' },
  ];
}
