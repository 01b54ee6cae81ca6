import { Calculation } from '@zest/core/calculate/calculation';
import { put } from '@zest/core/job/change';
import { createIdMaker } from '@zest/core/job/id';
import { type Job, applyDiff } from '@zest/core/job/job';
import { applyFromLibrary, tradeLibrary } from '@zest/core/library/tradeLibrary';
import { createChance, createTestJob, makeMark, makeScope } from '@zest/core/testing/job';
import { type BenchFigure, median, timeRuns } from './figures.ts';

const RUNS = 15;
/** Scopes for each assembly: a job with the whole library in use, several times over; 1,800 lines. */
const TIMES = 6;

function libraryJob(): Job {
  const { job: started, sheet } = createTestJob();
  const makeId = createIdMaker(createChance(11));
  let job = started;
  const apply = (command: ReturnType<typeof put>): void => {
    const diff = command(job);
    if (!diff.ok) throw new Error(`libraryJob: ${diff.problem.kind}`);
    job = applyDiff(job, diff.value);
  };
  tradeLibrary('us').forEach((assembly, index) => {
    const scopes = Array.from({ length: TIMES }, (_, i) =>
      makeScope(makeId, { key: `s_${index}_${i}`, kind: assembly.measures }),
    );
    const marks = scopes.map((scope) => ({
      ...makeMark(makeId, scope, sheet, [
        [0, 0],
        [40, 0],
        [40, 30],
        [0, 30],
      ]),
      ...(scope.kind === 'slope'
        ? { slope: { pitch: '6/12', edges: ['eave', 'rake', 'ridge', 'rake'] as const } }
        : {}),
    }));
    apply(put(...scopes, ...marks));
    apply(
      applyFromLibrary(
        assembly,
        scopes.map(({ id }) => id),
        makeId,
      ),
    );
  });
  return job;
}

/** The whole trade library in use: opened, figured whole, and after one mark. */
export function measureLibrary(): readonly BenchFigure[] {
  const job = libraryJob();
  const calculation = new Calculation(job);
  const load = median(timeRuns(RUNS, () => void new Calculation(job), 3));
  const full = median(timeRuns(RUNS, () => calculation.graph.recalculateAll()));
  const marks = [...job.mark.values()];
  let current = job;
  let turn = 0;
  const edit = median(
    timeRuns(
      200,
      () => {
        const mark = current.mark.get((marks[(turn * 7) % marks.length] as (typeof marks)[0]).id);
        if (mark === undefined) throw new Error('measureLibrary: a mark is gone');
        turn += 1;
        const strokes = mark.strokes.map((stroke) =>
          stroke.map(({ x, y }) => ({ x: x + turn / 7, y: y * 0.999 })),
        );
        const diff = put({ ...mark, strokes })(current);
        if (!diff.ok) throw new Error(`measureLibrary: ${diff.problem.kind}`);
        current = applyDiff(current, diff.value);
        calculation.apply(current, diff.value);
      },
      30,
    ),
  );
  return [
    { name: 'library.full', value: full, unit: 'ms' },
    { name: 'library.edit', value: edit, unit: 'ms', ratio: edit / full, against: 'library.full' },
    { name: 'library.load', value: load, unit: 'ms', ratio: load / full, against: 'library.full' },
  ];
}
