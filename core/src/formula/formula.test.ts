import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { evaluate } from 'mathjs';
import { AREA, type Dimension, LENGTH, NUMBER, VOLUME } from '../units/dimension.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { referenceKey } from './references.ts';
import type { NameSpace } from './checkDimensions.ts';
import { compileFormula } from './compile.ts';
import { diagnose } from './diagnose.ts';
import { evaluateEntry } from './evaluateEntry.ts';
import { parseFormula } from './parse.ts';
import { printFormula } from './print.ts';
import { NESTING_LIMIT } from './parse.ts';

const FOOT = 0.3048;
const NAMES: Readonly<Record<string, { value: number; dimension: Dimension }>> = {
  length: { value: 24 * FOOT, dimension: LENGTH },
  height: { value: 9 * FOOT, dimension: LENGTH },
  area: { value: 720 * FOOT ** 2, dimension: AREA },
  spacing: { value: 16 * 0.0254, dimension: LENGTH },
  corners: { value: 3, dimension: NUMBER },
  'doors.width': { value: 30 * FOOT, dimension: LENGTH },
  'doors.count': { value: 10, dimension: NUMBER },
};
const names: NameSpace = {
  findDimension: (reference) => NAMES[referenceKey(reference)]?.dimension,
  listNames: () => Object.keys(NAMES),
};

function figure(source: string, wanted?: Dimension): number {
  const formula = compileFormula(source, names, wanted);
  if (!formula.ok) throw new Error(`${source}: ${JSON.stringify(formula.problem)}`);
  const values = Float64Array.from(
    formula.value.references.map((each) => NAMES[referenceKey(each)]?.value ?? 0),
  );
  return formula.value.run(values, Int32Array.from(values.keys()));
}

const problem = (source: string, wanted?: Dimension): unknown => {
  const formula = compileFormula(source, names, wanted);
  return formula.ok ? undefined : formula.problem;
};

describe('formulas', () => {
  it.each([
    ['length * height', 216 * FOOT ** 2],
    ['ceil(area / 32 sq ft)', 23],
    ['max(2, ceil(length / spacing) + 1)', 19],
    ['total(doors, width) + count(doors) * 100 mm', 30 * FOOT + 1],
    [`5'6" + 6 in`, 6 * FOOT],
    ['10 % * 50', 5],
    ['-2^2', -4],
    ['2^3^2', 512],
    ['if(corners > 2, 10 ft, 0)', 10 * FOOT],
    ['if(corners = 0, 1 / 0, 7)', 7],
    ['max(0, length - 30 ft)', 0],
    ['sqrt(9 ft * 4 ft)', 6 * FOOT],
    ['ceil(length, 16 ft)', 32 * FOOT],
    ['0.668 lb/ft * 10 ft', 6.68 * 0.45359237],
    ['sin(30 deg)', 0.5],
  ])('%s', (source, expected) => {
    expect(figure(source)).toBeCloseTo(expected, 9);
  });

  it('does not buy a thirteenth stud for binary noise: 12 ft at 1 ft is 12', () => {
    // 12 * 0.3048 / 0.3048 is 12.000000000000002 in floating point.
    expect(figure('ceil(12 ft / 1 ft)')).toBe(12);
    expect(figure('floor(3 * 0.1 / 0.1)')).toBe(3);
  });

  it('refuses to add a length to an area and points at the place', () => {
    expect(problem('2 * (length + area)')).toMatchObject({
      kind: 'formula-dimension-add',
      leftText: 'length',
      rightText: 'area',
      left: LENGTH,
      right: AREA,
      at: { start: 5, end: 18 },
    });
  });

  it.each([
    ['', 'formula-empty'],
    ['length *', 'formula-unfinished'],
    ['(length', 'formula-unclosed'],
    ['length) ', 'formula-unexpected'],
    ['length & 2', 'formula-unexpected'],
    ['lenght', 'formula-name-unknown'],
    ['cel(2)', 'formula-function-unknown'],
    ['ceil(1, 2, 3)', 'formula-arguments'],
    ['ceil(length)', 'formula-dimension-argument'],
    ['min(length, area)', 'formula-dimension-argument'],
    ['if(length, 1, 2)', 'formula-dimension-argument'],
    ['length ^ corners', 'formula-power'],
    ['length > height', 'formula-not-a-figure'],
    ['sqrt(length)', 'formula-dimension-argument'],
    ['total(doors)', 'formula-arguments'],
    ['not length', 'formula-condition'],
    [`${'('.repeat(NESTING_LIMIT + 1)}1${')'.repeat(NESTING_LIMIT + 1)}`, 'formula-too-deep'],
    ['1+'.repeat(1500), 'formula-too-long'],
  ])('refuses %s as %s', (source, kind) => {
    expect(problem(source)).toMatchObject({ kind });
  });

  it('proposes the name that was probably meant', () => {
    expect(problem('lenght * 2')).toMatchObject({
      name: 'lenght',
      near: ['length', 'height'],
      at: { start: 0, end: 6 },
    });
  });

  it('holds a formula to the dimension its place wants', () => {
    expect(problem('area', VOLUME)).toMatchObject({ kind: 'formula-dimension-result', found: AREA });
    expect(problem('0', VOLUME)).toBeUndefined();
  });

  it('says which divisor was zero', () => {
    const formula = compileFormula('length / (corners - 3)', names);
    if (!formula.ok) throw new Error('must compile');
    const failure = diagnose(formula.value, (key) => NAMES[key]?.value ?? 0);
    expect(failure).toMatchObject({ kind: 'divide-by-zero', text: 'corners - 3' });
  });

  it('shares one compiled form between formulas that differ in names only', () => {
    const runs = ['length + height', 'height + length'].map((source) => {
      const formula = compileFormula(source, names);
      return formula.ok ? formula.value.run : undefined;
    });
    expect(runs[0]).toBe(runs[1]);
  });
});

/** Random arithmetic whose text means the same to mathjs and to us. */
const expression: fc.Arbitrary<string> = fc.letrec<{ node: string; leaf: string }>((tie) => ({
  leaf: fc.integer({ min: 1, max: 60 }).map((value) => String(value / 4)),
  node: fc.oneof(
    { maxDepth: 5 },
    tie('leaf'),
    fc
      .tuple(tie('node'), fc.constantFrom('+', '-', '*', '/'), tie('node'))
      .map(([a, op, b]) => `(${a} ${op} ${b})`),
    fc.tuple(tie('node'), fc.constantFrom('+', '-', '*'), tie('node')).map(([a, op, b]) => `${a} ${op} ${b}`),
    fc.tuple(fc.constantFrom('min', 'max'), tie('node'), tie('node')).map(([f, a, b]) => `${f}(${a}, ${b})`),
    tie('node').map((a) => `abs(${a})`),
    tie('node').map((a) => `-${a}`),
    tie('leaf').map((a) => `sqrt(${a})`),
    fc.tuple(tie('leaf'), fc.integer({ min: 0, max: 3 })).map(([a, power]) => `${a} ^ ${power}`),
  ),
})).node;

describe('a word after a figure', () => {
  it('is told apart as a unit that is not known, with what was probably meant', () => {
    const problem = parseFormula('37 fet + 2 m');
    expect(problem).toMatchObject({
      ok: false,
      problem: { kind: 'formula-unit-unknown', unit: 'fet', at: { start: 3, end: 6 } },
    });
    expect(!problem.ok && 'near' in problem.problem && problem.problem.near).toContain('feet');
    expect(parseFormula('(12 apples)')).toMatchObject({ problem: { kind: 'formula-unit-unknown' } });
    expect(parseFormula('length height')).toMatchObject({ problem: { kind: 'formula-unexpected' } });
  });
});

describe('formulas against mathjs', () => {
  it('figures random arithmetic as mathjs does', () => {
    fc.assert(
      fc.property(expression, (source) => {
        const expected = evaluate(source) as number;
        fc.pre(Number.isFinite(expected) && Math.abs(expected) < 1e12);
        const ours = figure(source);
        expect(Math.abs(ours - expected)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(expected)));
      }),
      { numRuns: 500 },
    );
  });

  it('parses what it prints into the same tree', () => {
    fc.assert(
      fc.property(expression, (source) => {
        const once = parseFormula(source);
        if (!once.ok) throw new Error(source);
        const text = printFormula(once.value);
        const again = parseFormula(text);
        expect(again.ok && printFormula(again.value)).toBe(text);
        expect(figure(text)).toBe(figure(source));
      }),
    );
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        expect(typeof compileFormula(text, names).ok).toBe('boolean');
      }),
      { numRuns: 1000 },
    );
  });
});

describe('typed figures', () => {
  const foot = { symbol: 'ft', dimension: LENGTH, factor: FOOT, label: 'feet', spellings: [] };
  it.each([
    ['12', 12 * FOOT],
    [`24' + 3'`, 27 * FOOT],
    ['12.95 m', 12.95],
    ['1,200', 1200 * FOOT],
  ])('takes %s where feet are wanted', (text, expected) => {
    const entry = evaluateEntry(text, LENGTH, foot, POINT_FORMAT);
    expect(entry).toEqual({ ok: true, value: expect.closeTo(expected, 9) });
  });

  it('refuses an area where a length is wanted', () => {
    expect(evaluateEntry('3 sq ft', LENGTH, foot, POINT_FORMAT).ok).toBe(false);
  });
});
