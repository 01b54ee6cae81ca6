import { describe, expect, it } from '@jest/globals';
import { put, remove } from '../../job/change.ts';
import type { Id } from '../../job/id.ts';
import { type Job, applyDiff } from '../../job/job.ts';
import { group, query } from '../../job/query.ts';
import type { RecordOf } from '../../job/record.ts';
import { createTestJob, makeMark, makeScope } from '../../testing/job.ts';
import { Tracker } from './tracker.ts';

const marksOf = group('mark', ({ scopeId }) => [scopeId]);

/** A tracker over a job with one scope, and how often each thing ran. */
function start() {
  const test = createTestJob();
  const scope = makeScope(test.makeId, { key: 'wall', kind: 'run' });
  const made = put(scope)(test.job);
  if (!made.ok) throw new Error(made.problem.kind);
  let job: Job = applyDiff(test.job, made.value);
  const tracker = new Tracker(job);
  const runs: Record<string, number> = {};
  const ran = (name: string): void => {
    runs[name] = (runs[name] ?? 0) + 1;
  };
  const change = (...commands: readonly ReturnType<typeof put>[]): void => {
    for (const command of commands) {
      const diff = command(job);
      if (!diff.ok) throw new Error(diff.problem.kind);
      job = applyDiff(job, diff.value);
      tracker.follow(job, diff.value);
    }
    tracker.settle();
  };
  /** An effect that reads something, and counts. */
  const effect = (name: string, read: (job: Job) => unknown): number =>
    tracker.start({
      run: () => {
        ran(name);
        read(tracker.job);
        return false;
      },
    });
  return { ...test, scope, tracker, runs, ran, change, effect };
}

const mark = (test: ReturnType<typeof start>, length = 10): RecordOf<'mark'> =>
  makeMark(test.makeId, test.scope, test.sheet, [[0, 0], [length, 0]]); // prettier-ignore

describe('an effect', () => {
  it('runs again when a record it read is another, and for nothing else', () => {
    const test = start();
    test.effect('name', (job) => job.scope.get(test.scope.id)?.name);
    test.tracker.settle();
    test.change(put(mark(test)));
    expect(test.runs['name']).toBe(1);
    test.change(put({ ...test.scope, name: 'Other' }));
    expect(test.runs['name']).toBe(2);
  });

  it('follows a record that is not there yet', () => {
    const test = start();
    const later = mark(test);
    test.effect('later', (job) => job.mark.get(later.id));
    test.tracker.settle();
    test.change(put(later));
    test.change(remove(later.id));
    expect(test.runs['later']).toBe(3);
  });

  it('that asks who belongs to a scope does not run when one of them moves', () => {
    const test = start();
    test.effect('members', (job) => marksOf(job, test.scope.id));
    test.tracker.settle();
    const drawn = mark(test);
    test.change(put(drawn));
    expect(test.runs['members']).toBe(2);
    test.change(put({ ...drawn, repeat: 3 }));
    expect(test.runs['members']).toBe(2);
    test.change(remove(drawn.id));
    expect(test.runs['members']).toBe(3);
  });

  it('reads other things after a change than before, and follows those', () => {
    const test = start();
    const [one, two] = [mark(test), mark(test)];
    test.change(put(one, two));
    test.effect('chosen', (job) => {
      const name = job.scope.get(test.scope.id)?.name;
      return job.mark.get(name === 'two' ? two.id : one.id);
    });
    test.tracker.settle();
    test.change(put({ ...two, repeat: 2 }));
    expect(test.runs['chosen']).toBe(1);
    test.change(put({ ...test.scope, name: 'two' }));
    test.change(put({ ...two, repeat: 3 }));
    expect(test.runs['chosen']).toBe(3);
    test.change(put({ ...one, repeat: 4 }));
    expect(test.runs['chosen']).toBe(3);
  });

  it('runs no more once it was stopped', () => {
    const test = start();
    const number = test.effect('stopped', (job) => job.scope.get(test.scope.id));
    test.tracker.settle();
    test.tracker.stop(number);
    test.change(put({ ...test.scope, name: 'Other' }));
    expect(test.runs['stopped']).toBe(1);
  });
});

describe('a query', () => {
  it('stops where its value is equal, so that who asked does not run', () => {
    const test = start();
    const kindOf = query((job, id) => {
      test.ran('kind');
      return job.scope.get(id as Id<'scope'>)?.kind;
    });
    test.effect('asks', (job) => kindOf(job, test.scope.id));
    test.tracker.settle();
    test.change(put({ ...test.scope, name: 'Other' }));
    expect(test.runs).toEqual({ kind: 2, asks: 1 });
  });

  it('is worked out once for all who ask, inside a job that is followed and out of it', () => {
    const test = start();
    const size = query((job) => {
      test.ran('size');
      return job.scope.size;
    });
    test.effect('one', size);
    test.effect('two', size);
    test.tracker.settle();
    expect(size(test.tracker.job)).toBe(1);
    expect(test.runs['size']).toBe(1);
    expect(size(test.job)).toBe(0);
    expect(size(test.job)).toBe(0);
    expect(test.runs['size']).toBe(2);
  });

  it('that waits for itself is a mistake of the program, and says which', () => {
    const test = start();
    const turning: (job: Job, ...keys: readonly string[]) => number = query(function turning_(job): number {
      return turning(job);
    });
    expect(() => turning(test.tracker.job)).toThrow('the query turning_ of  waits for itself');
  });
});

describe('what is left for later', () => {
  it('is followed from when it is asked for on', () => {
    const test = start();
    const drawn = mark(test);
    test.change(put(drawn));
    let costly: () => unknown = () => undefined;
    test.tracker.start({
      run: () => {
        test.ran('effect');
        costly = test.tracker.later(() => test.tracker.job.mark.get(drawn.id)?.repeat);
        return false;
      },
    });
    test.tracker.settle();
    test.change(put({ ...drawn, repeat: 2 }));
    expect(test.runs['effect']).toBe(1);
    expect(costly()).toBe(2);
    test.change(put({ ...drawn, repeat: 3 }));
    expect(test.runs['effect']).toBe(2);
    expect(costly()).toBe(3);
  });
});
