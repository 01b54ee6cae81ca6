import { describe, expect, it } from '@jest/globals';
import { OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { extractLineWork } from './lineWork.ts';

type Step = readonly [op: number, args?: unknown];

/** A page 100 points high, y downward as sheet points are. */
const viewport = [1, 0, 0, -1, 0, 100] as const;
const extract = (...steps: readonly Step[]): number[] => {
  const list = { fnArray: steps.map(([op]) => op), argsArray: steps.map(([, args]) => args) };
  const { lines } = extractLineWork(list, OPS, viewport, (layer) => layer !== 'off');
  return [...lines].map((each) => Math.round(each * 100) / 100);
};
const path = (paint: number, ...data: readonly number[]): Step => [
  OPS.constructPath,
  [paint, [Float32Array.from(data)], null],
];
const line = (...[ax, ay, bx, by]: readonly [number, number, number, number]): Step =>
  path(OPS.stroke, 0, ax, ay, 1, bx, by);
const boxData = (x: number, y: number, w: number, h: number) => [
  ...[0, x, y, 1, x + w, y, 1, x + w, y + h, 1, x, y + h, 4],
];
const box = (paint: number, ...[x, y, w, h]: readonly [number, number, number, number]): Step =>
  path(paint, ...boxData(x, y, w, h));

describe('the line work of a page', () => {
  it('comes as segments in sheet points, a closed path back to its start', () => {
    expect(extract(path(OPS.stroke, 0, 10, 10, 1, 40, 10, 1, 40, 30, 4))).toEqual([
      ...[10, 90, 40, 90],
      ...[40, 90, 40, 70],
      ...[40, 70, 10, 90],
    ]);
    expect(extract(path(OPS.closeStroke, 0, 10, 10, 1, 40, 10, 1, 40, 30))).toHaveLength(12);
  });

  it('follows the matrix through save, transform, forms and restore', () => {
    const lines = extract(
      [OPS.save],
      [OPS.transform, [2, 0, 0, 2, 5, 5]],
      line(0, 0, 10, 0),
      [OPS.paintFormXObjectBegin, [[1, 0, 0, 1, 1, 0], null]],
      line(0, 0, 1, 0),
      [OPS.paintFormXObjectEnd],
      [OPS.restore],
      line(0, 0, 1, 0),
    );
    expect(lines).toEqual([...[5, 95, 25, 95], ...[7, 95, 9, 95], ...[0, 100, 1, 100]]);
  });

  it('cuts curves into pieces that end where the curve ends', () => {
    const curve = extract(path(OPS.stroke, 0, 0, 0, 2, 0, 10, 10, 10, 10, 0));
    expect(curve.slice(-2)).toEqual([10, 100]);
    expect(curve.length / 4).toBeGreaterThan(3);
    const quadratic = extract(path(OPS.stroke, 0, 0, 0, 3, 5, 20, 10, 0));
    // Half way along, a quadratic has come half the height of its control point.
    expect(Math.min(...quadratic.filter((_, i) => i % 2 === 1))).toBeCloseTo(90, 1);
  });

  it('is cut to what clips show, and clips themselves draw nothing', () => {
    const lines = extract(
      [OPS.save],
      [OPS.clip],
      box(OPS.endPath, 20, 20, 10, 10),
      line(0, 25, 90, 25),
      line(0, 60, 90, 60),
      [OPS.restore],
      line(0, 60, 90, 60),
    );
    expect(lines).toEqual([...[20, 75, 30, 75], ...[0, 40, 90, 40]]);
    expect(extract([OPS.paintFormXObjectBegin, [null, [0, 0, 50, 50]]], line(0, 25, 90, 25))).toEqual([
      0, 75, 50, 75,
    ]);
  });

  it('leaves out layers that are switched off, and masks', () => {
    const layer = (name: string): Step => [OPS.beginMarkedContentProps, ['OC', name]];
    expect(extract(layer('off'), line(0, 0, 9, 0), [OPS.endMarkedContent])).toEqual([]);
    expect(extract(layer('on'), line(0, 0, 9, 0), [OPS.endMarkedContent])).toHaveLength(4);
    expect(
      extract([OPS.beginGroup, [{ smask: {} }]], line(0, 0, 9, 0), [OPS.endGroup, [{}]], line(0, 5, 9, 5)),
    ).toEqual([0, 95, 9, 95]);
  });

  it('has the edges of a thick stroke, and the middle of a thin one', () => {
    expect(extract([OPS.setLineWidth, [0.7]], line(0, 50, 40, 50))).toEqual([0, 50, 40, 50]);
    const thick = extract([OPS.setLineWidth, [6]], line(0, 50, 40, 50));
    const heights = new Set(thick.filter((_, i) => i % 2 === 1));
    expect(heights).toEqual(new Set([47, 53]));
    expect(extract([OPS.setGState, [[['LW', 6]]]], line(0, 50, 40, 50))).toHaveLength(16);
  });

  it('has nothing of what white paint hides, and nothing of white on paper', () => {
    const white: Step = [OPS.setFillRGBColor, ['#ffffff']];
    expect(extract(line(0, 50, 90, 50), white, box(OPS.fill, 20, 40, 30, 20))).toEqual([
      ...[0, 50, 20, 50],
      ...[50, 50, 90, 50],
    ]);
    expect(extract(white, box(OPS.fill, 20, 40, 30, 20))).toEqual([]);
    // What is drawn after the patch lies on it.
    expect(extract(white, box(OPS.fill, 20, 40, 30, 20), line(0, 50, 90, 50))).toEqual([0, 50, 90, 50]);
  });

  it('hides nothing below what shines through', () => {
    const faint: Step = [OPS.setGState, [[['ca', 0.3]]]];
    const lines = extract(line(0, 50, 90, 50), faint, box(OPS.fill, 20, 40, 30, 20));
    expect(lines.slice(0, 4)).toEqual([0, 50, 90, 50]);
    expect(lines).toHaveLength(20);
  });
});
