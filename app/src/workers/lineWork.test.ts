import { describe, expect, it } from '@jest/globals';
import { extractLineWork } from './lineWork.ts';

const ops = {
  save: 10,
  restore: 11,
  transform: 12,
  paintFormXObjectBegin: 74,
  paintFormXObjectEnd: 75,
  constructPath: 91,
  endPath: 28,
};
const STROKE = 20;
/** A page 100 points high, y downward as sheet points are. */
const viewport = [1, 0, 0, -1, 0, 100] as const;
const extract = (...steps: readonly (readonly [op: number, args: unknown])[]): number[] => [
  ...extractLineWork(
    { fnArray: steps.map(([op]) => op), argsArray: steps.map(([, args]) => args) },
    ops,
    viewport,
  ),
];
const path = (paint: number, ...data: readonly number[]) =>
  [ops.constructPath, [paint, [Float32Array.from(data)], null]] as const;

describe('the line work of a page', () => {
  it('comes as segments in sheet points, a closed path back to its start', () => {
    expect(extract(path(STROKE, 0, 10, 10, 1, 40, 10, 1, 40, 30, 4))).toEqual([
      ...[10, 90, 40, 90],
      ...[40, 90, 40, 70],
      ...[40, 70, 10, 90],
    ]);
  });

  it('follows the matrix through save, transform, forms and restore', () => {
    const lines = extract(
      [ops.save, null],
      [ops.transform, [2, 0, 0, 2, 5, 5]],
      path(STROKE, 0, 0, 0, 1, 10, 0),
      [ops.paintFormXObjectBegin, [[1, 0, 0, 1, 1, 0], null]],
      path(STROKE, 0, 0, 0, 1, 1, 0),
      [ops.paintFormXObjectEnd, null],
      [ops.restore, null],
      path(STROKE, 0, 0, 0, 1, 1, 0),
    );
    expect(lines).toEqual([...[5, 95, 25, 95], ...[7, 95, 9, 95], ...[0, 100, 1, 100]]);
  });

  it('cuts curves into pieces that end where the curve ends, and leaves clipping paths out', () => {
    const curve = extract(path(STROKE, 0, 0, 0, 2, 0, 10, 10, 10, 10, 0));
    expect(curve.slice(-2)).toEqual([10, 100]);
    expect(curve.length / 4).toBeGreaterThan(3);
    expect(extract(path(ops.endPath, 0, 0, 0, 1, 9, 9))).toEqual([]);
  });
});
