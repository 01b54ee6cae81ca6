import { describe, expect, it } from '@jest/globals';
import { MARK_KIND, MARK_KINDS, leadingMeasure, measuresOf } from './markKinds.ts';
import { MEASURE_DIMENSION, isMeasure } from './measures.ts';

describe.each(MARK_KINDS)('a %s', (kind) => {
  const { measures, derived, amounts, shape, leastPoints } = MARK_KIND[kind];

  it('is known by a measure that adds up over its marks, and shows it first', () => {
    expect(measures).toContain(leadingMeasure(kind));
    expect(measuresOf(kind)[0]).toBe(leadingMeasure(kind));
  });

  it('has each measure once, and knows its dimension', () => {
    const all = measuresOf(kind);
    expect(new Set(all).size).toBe(all.length);
    for (const measure of all) {
      expect(isMeasure(measure)).toBe(true);
      expect(MEASURE_DIMENSION[measure]).toBeDefined();
    }
  });

  it('gives an inner assembly an amount of the dimension it is known by', () => {
    for (const amount of amounts)
      expect(MEASURE_DIMENSION[amount]).toEqual(MEASURE_DIMENSION[leadingMeasure(kind)]);
  });

  it('can be drawn with as many points as its shape takes', () => {
    expect(leastPoints).toBe({ points: 1, chain: 2, ring: 3 }[shape]);
    expect(derived.every(([measure]) => !(measures as readonly string[]).includes(measure))).toBe(true);
  });
});
