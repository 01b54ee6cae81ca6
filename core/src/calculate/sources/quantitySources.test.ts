import { describe, expect, it } from '@jest/globals';
import { makeOpening } from '../../testing/records.ts';
import { makeMark, makeScope } from '../../testing/job.ts';
import { createBench } from '../../testing/priced.ts';
import { printNode } from '../../job/nodeId.ts';
import { addsOf, measuredThings, sheetOfThing } from './quantitySources.ts';

describe('what a scope is measured by', () => {
  it('is drawn, sits in walls, or was typed; each says where it is and what it adds', () => {
    const bench = createBench();
    const doors = makeScope(bench.makeId, { key: 'doors', kind: 'count' });
    const wall = makeScope(bench.makeId, { key: 'wall', kind: 'run', order: 2 });
    const run = makeMark(bench.makeId, wall, bench.sheet, [[0, 0], [20, 0]]); // prettier-ignore
    const points = makeMark(bench.makeId, doors, bench.sheet, [[1, 1], [2, 2]]); // prettier-ignore
    const opening = makeOpening(bench.makeId, { markId: run.id, scopeId: doors.id });
    const piece = {
      type: 'piece',
      id: bench.makeId('piece'),
      scopeId: doors.id,
      text: '3',
      unit: '',
      note: '',
      source: 'typed',
      order: 1,
    } as const;
    bench.change(doors, wall, run, points, opening, piece);
    const job = bench.job();
    const told = measuredThings(job, doors.id).map((thing) => {
      const node = addsOf(job, thing)('count', 'count');
      return [thing.by, sheetOfThing(job, thing), node === undefined ? '' : printNode(node)];
    });
    expect(told).toEqual([
      ['mark', bench.sheet.id, `${points.id}/count`],
      ['opening', bench.sheet.id, `${opening.id}/count`],
      ['piece', undefined, `${piece.id}/value`],
    ]);
    expect(measuredThings(job, 'scope:none')).toEqual([]);
  });
});
