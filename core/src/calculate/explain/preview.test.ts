import { describe, expect, it } from '@jest/globals';
import { frameOf } from '../../assemblies/frames.ts';
import { put } from '../../job/change.ts';
import { followKey, ownAssembly, swapAssembly } from '../../job/commands/uses.ts';
import { applyDiff } from '../../job/job.ts';
import { TYPICAL, apply } from '../../testing/applied.ts';
import { POINT_FORMAT } from '../../units/numberFormat.ts';
import { knownValue } from '../define.ts';
import { holds, workOut } from './evaluate.ts';
import { bidNode } from '../graph/nodes.ts';
import { readNote } from './notes.ts';
import { previewOn } from './preview.ts';
import { listMeasuresOf, listSuggestions, namesAt } from './suggestions.ts';

const display = { system: 'us', numbers: POINT_FORMAT } as const;

describe('another assembly in the place of one', () => {
  const { calculation, job, use } = apply('Noggins between studs', TYPICAL.run, { rows: '2' });
  const other = [...job.assembly.values()].find(({ name }) => name === 'Stud partition')!;

  it('is shown before and after, and nothing is changed by looking', () => {
    const bid = calculation.figure(bidNode('total'));
    const preview = previewOn(calculation.figures, use.scopeId, swapAssembly(use.id, other.id));
    if (!preview.ok) throw new Error(preview.problem.kind);
    const { before, after } = preview.value;
    expect(before.lines.map(({ name }) => name)).toEqual(['Noggins']);
    expect(after.lines).toHaveLength(other.components.length);
    expect(knownValue(after.bid)).toBeGreaterThan(knownValue(before.bid) ?? 0);
    expect(calculation.figure(bidNode('total'))).toEqual(bid);
    expect(calculation.job).toBe(job);
  });

  it('keeps the answers that both ask for, and drops what was off', () => {
    const answered = put({ ...use, answers: { rows: '2', height: '10' }, off: ['noggins'] })(job);
    if (!answered.ok) throw new Error(answered.problem.kind);
    const diff = swapAssembly(use.id, other.id)(applyDiff(job, answered.value));
    if (!diff.ok) throw new Error(diff.problem.kind);
    const [, to] = diff.value.updated[0]!;
    expect(to).toMatchObject({ assemblyId: other.id, answers: { height: '10' } });
    expect(to).not.toHaveProperty('off');
  });

  it('can be a copy for one use alone', () => {
    const diff = ownAssembly(use.id, 'assembly:own', 'Noggins, own')(job);
    if (!diff.ok) throw new Error(diff.problem.kind);
    const after = applyDiff(job, diff.value);
    expect(after.use.get(use.id)?.assemblyId).toBe('assembly:own');
    expect(after.assembly.get('assembly:own')?.components).toEqual(
      job.assembly.get(use.assemblyId)?.components,
    );
  });
});

describe('a question that is renamed', () => {
  it('keeps its answers on scopes and inside other assemblies, and what is left out stays out', () => {
    const { job, use } = apply('Noggins between studs', TYPICAL.run, { rows: '2' });
    const assembly = job.assembly.get(use.assemblyId)!;
    const outer = {
      ...assembly,
      id: 'assembly:outer' as const,
      name: 'Around',
      inner: [{ key: 'in', name: 'In', assemblyId: assembly.id, formula: 'length', answers: { rows: '3' } }],
    };
    const diff = put({ ...use, answers: { rows: '2' }, off: ['noggins'] }, outer)(job);
    if (!diff.ok) throw new Error(diff.problem.kind);
    const before = applyDiff(job, diff.value);
    expect(followKey(before, assembly.id, 'rows', 'courses')).toMatchObject([
      { type: 'use', answers: { courses: '2' }, off: ['noggins'] },
      { type: 'assembly', inner: [{ answers: { courses: '3' } }] },
    ]);
    expect(followKey(before, assembly.id, 'noggins', 'blocks')).toMatchObject([{ off: ['blocks'] }]);
  });
});

describe('what is worked out while typing', () => {
  const { calculation, job, use } = apply('Furring on a wall', TYPICAL.run);
  const frame = frameOf(job, use);
  const names = namesAt(calculation.figures, { in: 'use', frame });

  it('gives the figure with its dimension, or the problem with its place', () => {
    // The typical run is 100 ft.
    expect(workOut(calculation.figures, '720 sq ft * 6 in', names)).toMatchObject({
      kind: 'figure',
      value: expect.closeTo(360 * 0.3048 ** 3, 9),
    });
    expect(workOut(calculation.figures, '12', names, 'in')).toMatchObject({
      kind: 'figure',
      value: expect.closeTo(0.3048, 9),
    });
    expect(workOut(calculation.figures, 'length + area', names)).toMatchObject({
      kind: 'problem',
      problem: { at: { start: 9, end: 13 } },
    });
    expect(workOut(calculation.figures, 'length / (ends - ends)', names)).toMatchObject({
      kind: 'problem',
      problem: { kind: 'divide-by-zero' },
    });
  });

  it('tells whether a comparison holds, and that it cannot be told', () => {
    expect(holds(calculation.figures, 'length > 99 ft', names)).toBe(true);
    expect(holds(calculation.figures, 'length > 101 ft', names)).toBe(false);
    expect(holds(calculation.figures, 'length >', names)).toBeUndefined();
  });

  it('offers what can be named there, nearest first, with what it comes to', () => {
    const offered = listSuggestions(calculation.figures, { in: 'use', frame });
    expect(offered.slice(0, 3).map(({ name, kind }) => [name, kind])).toEqual([
      ['height', 'question'],
      ['spacing', 'question'],
      ['furring', 'component'],
    ]);
    const length = offered.find(({ name }) => name === 'length');
    expect(knownValue(calculation.figure(length?.node ?? { owner: '', figure: '' }))).toBeCloseTo(30.48, 9);
    expect(offered.some(({ name, role }) => name === 'measured' && role === 'scope')).toBe(true);
    expect(listMeasuresOf(calculation.figures, 'measured').map(({ name }) => name)).toContain('corners');
  });

  it('knows the dimensions of an assembly that is on no scope yet', () => {
    const draft = namesAt(calculation.figures, { in: 'assembly', assembly: frame.assembly });
    expect(draft.find({ type: 'name', name: 'length' })?.dimension.length).toBe(1);
    expect(draft.find({ type: 'name', name: 'height' })?.dimension.length).toBe(1);
    expect(draft.find({ type: 'name', name: 'nothing' })).toBeUndefined();
  });

  it('writes notes with figures, in the unit that is asked for, and shows what has none', () => {
    const parts = readNote(calculation.figures, frame, 'Over {length} or {length, m}; {nothing}.', display);
    expect(parts).toMatchObject([
      { type: 'words', text: 'Over ' },
      { type: 'figure', text: { figure: '100′-0″' } },
      { type: 'words', text: ' or ' },
      { type: 'figure', text: { figure: '30.48', unit: 'm' } },
      { type: 'words', text: '; ' },
      { type: 'unknown', formula: 'nothing' },
      { type: 'words', text: '.' },
    ]);
  });
});
