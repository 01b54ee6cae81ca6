import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { createTestJob, makeMark, makeScope } from '../../testing/job.ts';
import { checkRecord } from '../checkRecord.ts';
import { STROKE_LIMIT } from './mark.ts';
import { isListOf, isPlainPoint, vertexField } from './fields.ts';

const { makeId, sheet } = createTestJob();
const mark = makeMark(makeId, makeScope(makeId, { key: 'wall', kind: 'run' }), sheet, [
  [0, 0],
  [20, 0],
]);
const withStrokes = (strokes: unknown) => checkRecord('mark', { ...mark, strokes });

/** Numbers as they are and as they should not be, and what is no number. */
const coordinate = fc.oneof(
  fc.double({ min: -1e6, max: 1e6, noNaN: true }),
  fc.constantFrom(NaN, Infinity, -Infinity, 1e6 + 1, -1e6 - 1, '3', null, undefined),
);
const vertex = fc.oneof(
  fc.record({ x: coordinate, y: coordinate }),
  fc.record(
    { x: coordinate, y: coordinate, through: fc.record({ x: coordinate, y: coordinate }), riseM: coordinate },
    { requiredKeys: ['x', 'y'] },
  ),
  fc.record({ x: coordinate, y: coordinate, z: coordinate }),
  fc.anything(),
);

describe('the corners of a mark', () => {
  it('are taken at once only where the schema takes them as they are', () => {
    fc.assert(
      fc.property(vertex, (each) => {
        const parsed = vertexField.safeParse(each);
        if (isPlainPoint(each)) expect(parsed).toEqual({ success: true, data: each });
      }),
      { numRuns: 2000 },
    );
    expect(isPlainPoint({ x: 1, y: 2 })).toBe(true);
  });

  it('may be arcs and rise, and are refused by the place of what is wrong', () => {
    const arc = { x: 5, y: 5, through: { x: 2, y: 3 }, riseM: 1.5 };
    expect(withStrokes([[{ x: 0, y: 0 }, arc]])).toMatchObject({ ok: true });
    expect(withStrokes([[{ x: 0, y: 0 }], [{ x: 0, y: 2e6 }]])).toEqual({
      ok: false,
      problem: {
        kind: 'record-invalid',
        type: 'mark',
        field: 'strokes.1.0.y',
        reason: { fault: 'too-large', limit: 1e6 },
      },
    });
    expect(withStrokes([[{ x: 0, y: 0, z: 1 }]])).toEqual({
      ok: false,
      problem: { kind: 'record-unknown-field', type: 'mark', field: 'strokes.0.0.z' },
    });
  });

  it('are at least one and at most so many', () => {
    expect(withStrokes([])).toMatchObject({ problem: { field: 'strokes' } });
    expect(withStrokes([[]])).toMatchObject({ problem: { field: 'strokes.0' } });
    const many = Array.from({ length: STROKE_LIMIT + 1 }, () => ({ x: 1, y: 1 }));
    expect(withStrokes([many])).toMatchObject({ problem: { reason: { limit: STROKE_LIMIT } } });
    expect(isListOf(many, STROKE_LIMIT, isPlainPoint)).toBe(false);
  });
});
