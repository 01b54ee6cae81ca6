import { describe, expect, it } from '@jest/globals';
import { listLines } from '../../estimate/lines.ts';
import { makeMark, makeScope } from '../../testing/job.ts';
import { createPricedDesk } from '../../testing/priced.ts';
import { remove } from '../change.ts';
import { changeLines } from './changeLines.ts';

function derived() {
  const desk = createPricedDesk();
  const slab = makeScope(desk.makeId, { key: 'slab', kind: 'area' });
  const assembly = [...desk.job().assembly.values()].find(({ measures }) => measures === 'area');
  if (assembly === undefined) throw new Error('no assembly');
  const use = {
    type: 'use',
    id: desk.makeId('use'),
    scopeId: slab.id,
    assemblyId: assembly.id,
    order: 1,
    answers: {},
  } as const;
  desk.change(
    slab,
    use,
    makeMark(desk.makeId, slab, desk.sheet, [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ]),
  );
  const [line] = listLines(desk.job());
  if (line === undefined) throw new Error('no line');
  return { desk, use, key: line.key };
}

describe('changing lines', () => {
  it('keeps what was said of a derived line beside it, and leaves no trace when it is taken back', () => {
    const { desk, key } = derived();
    desk.change(changeLines([[key, { pinned: '12', costCode: '03 11' }]], desk.makeId));
    expect(desk.figure(key, 'quantity')).toBe(12);
    desk.change(changeLines([[key, { pinned: undefined }]], desk.makeId));
    expect([...desk.job().override.values()]).toMatchObject([{ line: key, costCode: '03 11' }]);
    desk.change(changeLines([[key, { costCode: undefined }]], desk.makeId));
    expect(desk.job().override.size).toBe(0);
  });

  it('takes one cost back and keeps the others', () => {
    const { desk, key } = derived();
    desk.change(changeLines([[key, { costs: { material: '5', equipment: '2' } }]], desk.makeId));
    desk.change(changeLines([[key, { costs: { material: '', equipment: '2' } }]], desk.makeId));
    expect([...desk.job().override.values()][0]?.costs).toEqual({ equipment: '2' });
  });

  it('adds several changes of one line up', () => {
    const { desk, key } = derived();
    const line = desk.line({ costs: { other: '1' } });
    desk.change(line);
    desk.change(
      changeLines(
        [
          [key, { costCode: '03' }],
          [key, { wastePercent: '7' }],
          [line.id, { note: 'Ask' }],
          [line.id, { costCode: '09' }],
        ],
        desk.makeId,
      ),
    );
    expect([...desk.job().override.values()]).toMatchObject([{ costCode: '03', wastePercent: '7' }]);
    expect(desk.job().line.get(line.id)).toMatchObject({ note: 'Ask', costCode: '09' });
  });

  it('changes lines of several kinds in one step', () => {
    const { desk, key } = derived();
    const typed = desk.line({ costs: { other: '1' } });
    desk.change(typed);
    const all = [key, typed.id].map(
      (each) => [each, { taxPercent: '0', sectionId: desk.sectionId('06') }] as const,
    );
    desk.change(changeLines(all, desk.makeId));
    expect(
      [...listLines(desk.job())]
        .filter(({ taxPercent }) => taxPercent === '0')
        .map(({ sectionId }) => sectionId),
    ).toEqual([desk.sectionId('06'), desk.sectionId('06')]);
    // Back to where it is measured; a typed line goes into no section.
    desk.change(changeLines([[key, { sectionId: null }]], desk.makeId));
    expect([...desk.job().override.values()][0]).not.toHaveProperty('sectionId');
  });

  it('goes with the assembly that made the line', () => {
    const { desk, key, use } = derived();
    desk.change(changeLines([[key, { pinned: '12' }]], desk.makeId));
    desk.change(remove(use.id));
    expect(desk.job().override.size).toBe(0);
  });
});
