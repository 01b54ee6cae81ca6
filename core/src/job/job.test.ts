import { describe, expect, it } from '@jest/globals';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { type Command, joinDiffs, put, remove, sequence, update } from './change.ts';
import { removeAssembly, removeCraft, removeScope, removeSection } from './commands/removeWith.ts';
import { EMPTY_HISTORY, HISTORY_LIMIT, planRedo, planUndo, recordStep } from './history.ts';
import { type Job, applyDiff, invertDiff, isEmptyDiff, listRecords, settingsOf } from './job.ts';

const diffOf = (job: Job, command: Command) => {
  const diff = command(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  return diff.value;
};
const problemOf = (job: Job, command: Command): unknown => {
  const diff = command(job);
  return diff.ok ? undefined : diff.problem;
};
const all = (job: Job): unknown[] => [...listRecords(job)].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('changing a job', () => {
  const { job, makeId, sheet, sectionId, assembly } = createTestJob();
  const scope = makeScope(makeId, { key: 'wall', kind: 'run', sectionId: sectionId('06') });

  it('changes nothing for a record put in as it is', () => {
    expect(isEmptyDiff(diffOf(job, put(settingsOf(job))))).toBe(true);
    expect(applyDiff(job, diffOf(job, put(settingsOf(job))))).toBe(job);
  });

  it('leaves the tables a change does not touch as they are', () => {
    const after = applyDiff(job, diffOf(job, put(scope)));
    expect(after.item).toBe(job.item);
    expect(after.scope).not.toBe(job.scope);
  });

  it('is undone by its inverse, whatever was added, changed and removed', () => {
    const mark = makeMark(makeId, scope, sheet, [
      [0, 0],
      [5, 5],
    ]);
    const made = applyDiff(job, diffOf(job, put(scope, mark)));
    const diff = diffOf(
      made,
      sequence(put({ ...scope, name: 'Renamed' }), removeScope(scope.id), put({ ...sheet, title: 'Other' })),
    );
    expect(all(applyDiff(applyDiff(made, diff), invertDiff(diff)))).toEqual(all(made));
  });

  it('joins a change and its undoing into nothing', () => {
    const diff = diffOf(job, put(scope));
    expect(isEmptyDiff(joinDiffs(diff, invertDiff(diff)))).toBe(true);
  });

  it.each([
    ['an empty name', { name: '  ' }, { kind: 'record-invalid', field: 'name', reason: { fault: 'empty' } }],
    [
      'a name of 5,000 characters',
      { name: 'x'.repeat(5000) },
      { kind: 'record-invalid', field: 'name', reason: { fault: 'too-long', limit: 200 } },
    ],
    ['an unknown field', { colour: 3 }, { kind: 'record-unknown-field', field: 'colour' }],
    ['a color that is not there', { color: 12 }, { kind: 'record-invalid', field: 'color' }],
    ['a key with a blank', { key: 'two words' }, { kind: 'record-invalid', field: 'key' }],
    ['a key of the formula language', { key: 'ceil' }, { kind: 'key-reserved', key: 'ceil' }],
    [
      'a section that is gone',
      { sectionId: 'section:gone' },
      { kind: 'record-missing-reference', missing: 'section:gone' },
    ],
  ])('refuses %s by name', (_what, changed, problem) => {
    expect(problemOf(job, put({ ...scope, ...changed } as typeof scope))).toMatchObject(problem);
  });

  it('changes a record as it is by then, not as it was when it was looked at', () => {
    const { job, makeId } = createTestJob();
    const scope = makeScope(makeId, { key: 'wall', kind: 'run' });
    const steps = sequence(
      put(scope),
      update(scope, (now) => ({ ...now, name: 'Renamed' })),
      update(scope, (now) => ({ ...now, color: 3 })),
    )(job);
    if (!steps.ok) throw new Error(steps.problem.kind);
    expect(applyDiff(job, steps.value).scope.get(scope.id)).toMatchObject({ name: 'Renamed', color: 3 });
    expect(update(scope, (now) => now)(job)).toEqual({
      ok: false,
      problem: { kind: 'record-gone', id: scope.id },
    });
  });

  it('refuses a key that another scope has', () => {
    const made = applyDiff(job, diffOf(job, put(scope)));
    const other = makeScope(makeId, { key: 'wall', kind: 'area' });
    expect(problemOf(made, put(other))).toEqual({ kind: 'key-taken', key: 'wall' });
  });

  it('refuses to take out what others still need, and names them', () => {
    const used = assembly('Stud');
    const use = {
      type: 'use',
      id: makeId('use'),
      scopeId: scope.id,
      assemblyId: used.id,
      order: 1,
      answers: {},
    } as const;
    const made = applyDiff(job, diffOf(job, put(scope, use)));
    expect(problemOf(made, removeAssembly(used.id))).toEqual({
      kind: 'assembly-in-use',
      name: used.name,
      scopes: ['wall'],
    });
    expect(problemOf(made, remove(scope.id))).toMatchObject({
      kind: 'record-missing-reference',
      missing: scope.id,
    });
    const [craft] = job.craft.values();
    expect(problemOf(job, removeCraft(craft!.id))).toMatchObject({ kind: 'craft-in-use' });
  });

  it('moves the lines and scopes of a removed section up', () => {
    const made = applyDiff(job, diffOf(job, put(scope)));
    const after = applyDiff(made, diffOf(made, removeSection(sectionId('06'))));
    expect(after.scope.get(scope.id)?.sectionId).toBeNull();
  });

  it('refuses a section inside itself', () => {
    const section = [...job.section.values()][0]!;
    expect(problemOf(job, put({ ...section, parentId: section.id }))).toMatchObject({
      kind: 'section-inside-itself',
    });
  });

  it('freezes what it takes in', () => {
    const after = applyDiff(job, diffOf(job, put(scope)));
    expect(Object.isFrozen(after.scope.get(scope.id)?.properties)).toBe(true);
  });
});

describe('history', () => {
  const step = (label: string) => ({ label, diff: { added: [], updated: [], removed: [] } });
  it('undoes by name, latest first, and redoes', () => {
    const history = [step('one'), step('two')].reduce(recordStep, EMPTY_HISTORY);
    const undone = planUndo(history);
    expect(undone?.label).toBe('two');
    expect(planRedo(undone!.history)?.label).toBe('two');
    expect(planUndo(undone!.history)?.label).toBe('one');
    expect(planUndo(EMPTY_HISTORY)).toBeUndefined();
  });

  it('forgets what was undone once something new is done', () => {
    const undone = planUndo(recordStep(EMPTY_HISTORY, step('one')))!.history;
    expect(planRedo(recordStep(undone, step('new')))).toBeUndefined();
  });

  it('keeps a bounded number of steps', () => {
    let history = EMPTY_HISTORY;
    for (let i = 0; i < HISTORY_LIMIT + 20; i += 1) history = recordStep(history, step(String(i)));
    expect(history.done).toHaveLength(HISTORY_LIMIT);
    expect(history.done[0]?.label).toBe('20');
  });
});
