import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { evenOddArea } from '../geometry/evenOdd.ts';
import { pathLength } from '../geometry/path.ts';
import { point } from '../geometry/point.ts';
import {
  type Strokes,
  combineAreas,
  joinStrokes,
  middleOf,
  mirrorStrokes,
  reverseStrokes,
  simplifyStroke,
  splitStrokes,
  turnStrokes,
} from './editStrokes.ts';

const square = (x: number, y: number, size: number): Strokes => [
  [point(x, y), point(x + size, y), point(x + size, y + size), point(x, y + size)],
];
const bent: Strokes = [[point(0, 0), point(40, 0), { x: 80, y: 0, through: point(60, -20) }, point(80, 50)]];
const lengthOf = (strokes: Strokes): number =>
  strokes.reduce((sum, stroke) => sum + pathLength(stroke, false), 0);

describe('editing strokes', () => {
  it('keeps lengths and areas when turned, mirrored or walked the other way', () => {
    fc.assert(
      fc.property(fc.double({ min: -360, max: 360, noNaN: true }), (angle) => {
        const about = middleOf(bent);
        expect(lengthOf(turnStrokes(bent, about, angle))).toBeCloseTo(lengthOf(bent), 6);
        expect(evenOddArea(turnStrokes(square(5, 5, 30), point(0, 0), angle))).toBeCloseTo(900, 6);
      }),
    );
    expect(lengthOf(mirrorStrokes(bent, point(0, 0), 'x'))).toBeCloseTo(lengthOf(bent), 9);
    expect(lengthOf(reverseStrokes(bent))).toBeCloseTo(lengthOf(bent), 9);
    expect(reverseStrokes(reverseStrokes(bent))).toEqual(bent);
  });

  it('turns a quarter clockwise as seen on the sheet', () => {
    const [[, end] = []] = turnStrokes([[point(0, 0), point(10, 0)]], point(0, 0), 90);
    expect([end?.x, end?.y].map((each) => Math.round(each ?? NaN))).toEqual([0, 10]);
  });

  it('splits a run at a vertex into two that are as long together, and joins them again', () => {
    const halves = splitStrokes(bent, 0, 2);
    if (halves === undefined) throw new Error('not split');
    const [a, b] = halves;
    expect(lengthOf(a) + lengthOf(b)).toBeCloseTo(lengthOf(bent), 9);
    expect(joinStrokes(a, b)).toEqual(bent);
    expect(lengthOf(joinStrokes(reverseStrokes(b), a))).toBeCloseTo(lengthOf(bent), 9);
    expect(joinStrokes(a, reverseStrokes(b))).toHaveLength(1);
    expect(splitStrokes(bent, 0, 0)).toBeUndefined();
    expect(splitStrokes(bent, 0, 3)).toBeUndefined();
  });

  it('keeps runs that do not meet as strokes of one mark', () => {
    expect(joinStrokes([[point(0, 0), point(9, 0)]], [[point(50, 0), point(60, 0)]])).toHaveLength(2);
  });

  it('drops vertices that change nothing, and keeps corners, arcs and rises', () => {
    const wavy = [point(0, 0), point(10, 0.2), point(20, 0), point(20, 30)];
    expect(simplifyStroke(wavy, 1)).toEqual([point(0, 0), point(20, 0), point(20, 30)]);
    expect(simplifyStroke(bent[0] ?? [], 500)).toContainEqual({ x: 80, y: 0, through: point(60, -20) });
    const risen = [point(0, 0), { x: 10, y: 0, riseM: 2 }, point(20, 0)];
    expect(simplifyStroke(risen, 5)).toEqual(risen);
  });

  it('joins areas and cuts one out of another', () => {
    const [a, b] = [square(0, 0, 40), square(20, 20, 40)];
    expect(evenOddArea(combineAreas(a, b, 'join'))).toBeCloseTo(1600 + 1600 - 400, 6);
    expect(evenOddArea(combineAreas(a, b, 'subtract'))).toBeCloseTo(1200, 6);
    const hole = combineAreas(a, square(10, 10, 10), 'subtract');
    expect(hole).toHaveLength(2);
    expect(evenOddArea(hole)).toBeCloseTo(1500, 6);
    expect(combineAreas(square(10, 10, 5), a, 'subtract')).toEqual([]);
  });
});
