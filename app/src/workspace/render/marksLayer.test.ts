import { describe, expect, it } from '@jest/globals';
import { point } from '@zest/core/geometry/point';
import type { Opening } from '@zest/core/job/records/opening';
import { createTestJob, makeMark, makeScope } from '@zest/core/testing/job';
import { packMark } from './marksLayer.ts';

const { makeId, sheet } = createTestJob();
const wall = makeMark(makeId, makeScope(makeId, { key: 'wall', kind: 'run' }), sheet, [
  [0, 0],
  [20, 0],
]);
const door: Opening = {
  type: 'opening',
  id: makeId('opening'),
  markId: wall.id,
  scopeId: null,
  tag: '',
  widthM: 0.9144,
  heightM: 2.1,
  seat: { on: 'run', stroke: 0, along: 0.5 },
};

describe('a mark as the drawing worker gets it', () => {
  it('has its places flat and its openings as place, direction and half the width', () => {
    const packed = packMark({ mark: wall, openings: [door], metersPerPoint: 0.3048 / 9 });
    expect([...(packed.strokes[0] ?? [])]).toEqual([0, 0, 180, 0]);
    const [x, y, cosine, sine, half] = packed.openings;
    expect([x, y, cosine, sine]).toEqual([90, 0, 1, 0]);
    expect(half).toBeCloseTo(13.5, 4);
  });

  it('has no openings on a sheet without scale: their width on it is not known', () => {
    expect(packMark({ mark: wall, openings: [door], metersPerPoint: undefined }).openings).toHaveLength(0);
  });

  it('has arcs as straight pieces that end where the arc ends', () => {
    const bent = { ...wall, strokes: [[point(0, 0), { ...point(100, 0), through: point(50, 50) }]] };
    const flat =
      packMark({ mark: bent, openings: [], metersPerPoint: undefined }).strokes[0] ?? new Float32Array();
    expect(flat.length).toBeGreaterThan(16);
    expect([...flat.slice(-2)].map(Math.round)).toEqual([100, 0]);
  });
});
