import { markNode } from '@zest/core/calculate/graph/nodes';
import { Calculation } from '@zest/core/calculate/calculation';
import { componentsOf } from '@zest/core/assemblies/frames';
import { type Command, put, remove } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import type { JobRecord } from '@zest/core/job/record';
import { type Job, applyDiff } from '@zest/core/job/job';
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

/** How long the figures take to follow a new record, which is then taken out again. */
function timeAdding(calculation: Calculation, record: JobRecord): number {
  const follow = (command: Command): number => {
    const diff = command(calculation.job);
    if (!diff.ok) throw new Error(`timeAdding: ${diff.problem.kind}`);
    const after = applyDiff(calculation.job, diff.value);
    const start = performance.now();
    calculation.apply(after, diff.value);
    return performance.now() - start;
  };
  const took = follow(put(record));
  follow(remove(record.id as Id));
  return took;
}

const timesAdding = (
  calculation: Calculation,
  make: (job: Job, turn: number) => JobRecord,
): readonly number[] =>
  Array.from({ length: 40 }, (_, turn) => timeAdding(calculation, make(calculation.job, turn)));

const newScope = (job: Job, turn: number): JobRecord => {
  const [scope] = job.scope.values();
  if (scope === undefined) throw new Error('newScope: the job has no scope');
  return { ...scope, id: `scope:added${turn}` as Id<'scope'>, key: `added_${turn}` };
};

const newOverride = (job: Job, turn: number): JobRecord => {
  const [use] = job.use.values();
  const [component] = use === undefined ? [] : componentsOf(job, use);
  if (component === undefined) throw new Error('newOverride: the job has no line of an assembly');
  return {
    type: 'override',
    id: `override:added${turn}` as Id<'override'>,
    line: component.key,
    pinned: String(turn),
  };
};

/** What one calculation holds beside its job, in MB; needs `node --expose-gc` to be exact. */
function measureMemory(job: Job): number {
  const used = (): number => {
    globalThis.gc?.();
    return process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
  };
  const before = used();
  const calculation = new Calculation(job);
  const after = used();
  if (calculation.graph.size === 0) throw new Error('measureMemory: nothing was figured');
  return (after - before) / 1e6;
}

/** Recalculation in core: everything, one mark, and a job as it is opened. */
export function measureRecalculation(): readonly BenchFigure[] {
  const job = createLargeJob(USUAL, { name: 'bench.pdf', bytes: 1 });
  const memory = measureMemory(job);
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
  const scope = median(timesAdding(calculation, newScope));
  const override = median(timesAdding(calculation, newOverride));
  const lengths = [...job.scope.values()].map((scope) =>
    Float64Array.from([...calculation.figures.marksOf(scope.id)], ({ id }) => {
      const figure = calculation.figure(markNode(id, 'length'));
      return figure.failure === undefined ? figure.value : 0;
    }),
  );
  const hand = median(timeRuns(RUNS, () => void byHand(lengths)));
  return [
    { name: 'recalc.full', value: full, unit: 'ms', ratio: full / hand, against: 'by hand' },
    { name: 'recalc.one', value: one, unit: 'ms', ratio: one / full, against: 'recalc.full' },
    { name: 'recalc.edit', value: edit, unit: 'ms', ratio: edit / one, against: 'recalc.one' },
    { name: 'recalc.scope', value: scope, unit: 'ms', ratio: scope / edit, against: 'recalc.edit' },
    { name: 'recalc.override', value: override, unit: 'ms', ratio: override / edit, against: 'recalc.edit' },
    { name: 'recalc.memory', value: memory, unit: 'MB' },
    { name: 'recalc.load', value: load, unit: 'ms', ratio: load / full, against: 'recalc.full' },
  ];
}
