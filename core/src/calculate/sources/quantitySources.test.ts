import { describe, expect, it } from '@jest/globals';
import { makeOpening } from '../../testing/records.ts';
import { makeMark, makeScope } from '../../testing/job.ts';
import { createPricedDesk } from '../../testing/priced.ts';
import { printNode } from '../../job/nodeId.ts';
import { addsOf, measuredThings, sheetOfThing } from './quantitySources.ts';

describe('what a scope is measured by', () => {
  it('is drawn, sits in walls, or was typed; each says where it is and what it adds', () => {
    const desk = createPricedDesk();
    const doors = makeScope(desk.makeId, { key: 'doors', kind: 'count' });
    const wall = makeScope(desk.makeId, { key: 'wall', kind: 'run', order: 2 });
    const run = makeMark(desk.makeId, wall, desk.sheet, [[0, 0], [20, 0]]); // prettier-ignore
    const points = makeMark(desk.makeId, doors, desk.sheet, [[1, 1], [2, 2]]); // prettier-ignore
    const opening = makeOpening(desk.makeId, { markId: run.id, scopeId: doors.id });
    const piece = {
      type: 'piece',
      id: desk.makeId('piece'),
      scopeId: doors.id,
      text: '3',
      unit: '',
      note: '',
      source: 'typed',
      order: 1,
    } as const;
    desk.change(doors, wall, run, points, opening, piece);
    const job = desk.job();
    const told = measuredThings(job, doors.id).map((thing) => {
      const node = addsOf(job, thing)('count', 'count');
      return [thing.by, sheetOfThing(job, thing), node === undefined ? '' : printNode(node)];
    });
    expect(told).toEqual([
      ['mark', desk.sheet.id, `${points.id}/count`],
      ['opening', desk.sheet.id, `${opening.id}/count`],
      ['piece', undefined, `${piece.id}/value`],
    ]);
    expect(measuredThings(job, 'scope:none')).toEqual([]);
  });
});
