import { describe, expect, it } from '@jest/globals';
import { listLines } from '../../estimate/lines.ts';
import { makeMark, makeScope } from '../../testing/job.ts';
import { createBench } from '../../testing/priced.ts';
import { remove } from '../change.ts';
import { changeLines } from './changeLines.ts';

function derived() {
  const bench = createBench();
  const slab = makeScope(bench.makeId, { key: 'slab', kind: 'area' });
  const assembly = [...bench.job().assembly.values()].find(({ measures }) => measures === 'area');
  if (assembly === undefined) throw new Error('no assembly');
  const use = {
    type: 'use',
    id: bench.makeId('use'),
    scopeId: slab.id,
    assemblyId: assembly.id,
    order: 1,
    answers: {},
  } as const;
  bench.change(
    slab,
    use,
    makeMark(bench.makeId, slab, bench.sheet, [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ]),
  );
  const [line] = listLines(bench.job());
  if (line === undefined) throw new Error('no line');
  return { bench, use, key: line.key };
}

describe('changing lines', () => {
  it('keeps what was said of a derived line beside it, and leaves no trace when it is taken back', () => {
    const { bench, key } = derived();
    bench.change(changeLines([[key, { pinned: '12', costCode: '03 11' }]], bench.makeId));
    expect(bench.figure(key, 'quantity')).toBe(12);
    bench.change(changeLines([[key, { pinned: undefined }]], bench.makeId));
    expect([...bench.job().override.values()]).toMatchObject([{ line: key, costCode: '03 11' }]);
    bench.change(changeLines([[key, { costCode: undefined }]], bench.makeId));
    expect(bench.job().override.size).toBe(0);
  });

  it('takes one cost back and keeps the others', () => {
    const { bench, key } = derived();
    bench.change(changeLines([[key, { costs: { material: '5', equipment: '2' } }]], bench.makeId));
    bench.change(changeLines([[key, { costs: { material: '', equipment: '2' } }]], bench.makeId));
    expect([...bench.job().override.values()][0]?.costs).toEqual({ equipment: '2' });
  });

  it('adds several changes of one line up', () => {
    const { bench, key } = derived();
    const line = bench.line({ costs: { other: '1' } });
    bench.change(line);
    bench.change(
      changeLines(
        [
          [key, { costCode: '03' }],
          [key, { wastePercent: '7' }],
          [line.id, { note: 'Ask' }],
          [line.id, { costCode: '09' }],
        ],
        bench.makeId,
      ),
    );
    expect([...bench.job().override.values()]).toMatchObject([{ costCode: '03', wastePercent: '7' }]);
    expect(bench.job().line.get(line.id)).toMatchObject({ note: 'Ask', costCode: '09' });
  });

  it('changes lines of several kinds in one step', () => {
    const { bench, key } = derived();
    const typed = bench.line({ costs: { other: '1' } });
    bench.change(typed);
    const all = [key, typed.id].map(
      (each) => [each, { taxPercent: '0', sectionId: bench.sectionId('06') }] as const,
    );
    bench.change(changeLines(all, bench.makeId));
    expect(
      [...listLines(bench.job())]
        .filter(({ taxPercent }) => taxPercent === '0')
        .map(({ sectionId }) => sectionId),
    ).toEqual([bench.sectionId('06'), bench.sectionId('06')]);
    // Back to where it is measured; a typed line goes into no section.
    bench.change(changeLines([[key, { sectionId: null }]], bench.makeId));
    expect([...bench.job().override.values()][0]).not.toHaveProperty('sectionId');
  });

  it('goes with the assembly that made the line', () => {
    const { bench, key, use } = derived();
    bench.change(changeLines([[key, { pinned: '12' }]], bench.makeId));
    bench.change(remove(use.id));
    expect(bench.job().override.size).toBe(0);
  });
});
