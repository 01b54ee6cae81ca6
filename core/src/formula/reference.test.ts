import { describe, expect, it } from '@jest/globals';
import { NUMBER } from '../units/dimension.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { getUnit } from '../units/unit.ts';
import { evaluateEntry } from './evaluateEntry.ts';
import { FUNCTIONS } from './functions.ts';
import { EXAMPLES, writeReference } from '../checks/writeReference.ts';

describe('the reference of formulas', () => {
  it.each(EXAMPLES)('%s comes to %s %s', (formula, figure, unit) => {
    const wanted = unit === '' ? { dimension: NUMBER, factor: 1 } : getUnit(unit);
    const entry = evaluateEntry(formula, wanted.dimension, undefined, POINT_FORMAT);
    if (!entry.ok) throw new Error(`${formula}: ${entry.problem.kind}`);
    const places = figure.includes('.') ? 2 : 9;
    expect(entry.value / wanted.factor).toBeCloseTo(Number(figure), places);
  });

  it('names every function with what it does', () => {
    const text = writeReference();
    for (const { usage, help } of FUNCTIONS) expect(text).toContain(`\`${usage}\`: ${help}.`);
  });
});
