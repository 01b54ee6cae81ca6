import { describe, expect, it } from '@jest/globals';
import { AREA, LENGTH, NUMBER } from '../units/dimension.ts';
import type { NameSpace } from './checkDimensions.ts';
import { compileFormula } from './compile.ts';
import { diagnose } from './diagnose.ts';
import type { LookupTable } from './lookup.ts';
import { parseFormula } from './parse.ts';
import { printFormula } from './print.ts';
import { replaceWords } from './roles.ts';

const INCH = 0.0254;
/** NFPA 70 chapter 9 table 4, total internal area of EMT, in² (from memory); rows in no order. */
const CONDUIT: LookupTable = {
  key: 'emt',
  columns: [
    {
      key: 'trade_size',
      dimension: LENGTH,
      values: [1, 0.5, 0.75, 1.25].map((size) => size * INCH),
      texts: ['1', '1/2', '3/4', '1-1/4'],
    },
    {
      key: 'inside',
      dimension: AREA,
      values: [0.864, 0.304, 0.533, 1.496].map((area) => area * INCH ** 2),
      texts: ['0.864', '0.304', '0.533', '1.496'],
    },
    { key: 'couplings', dimension: NUMBER, values: [1, undefined, 3, 4], texts: ['1', '', '3', '4'] },
  ],
};
const names: NameSpace = {
  findDimension: () => undefined,
  listNames: () => [],
  findTable: (key) => (key === 'emt' ? CONDUIT : undefined),
  listTables: () => ['emt'],
};
const NOTHING: [Float64Array, Int32Array] = [new Float64Array(0), new Int32Array(0)];

function compile(source: string) {
  const formula = compileFormula(source, names);
  if (!formula.ok) throw new Error(JSON.stringify(formula.problem));
  return formula.value;
}
const figure = (source: string): number => compile(source).run(...NOTHING);
const refused = (source: string) => {
  const formula = compileFormula(source, names);
  return formula.ok ? undefined : formula.problem;
};

describe('lookup in a table', () => {
  it('takes the smallest row that is enough: three No.3 and one No.8 fit a 1 in conduit, not a 3/4 in', () => {
    // NFPA 70 chapter 9 tables 1 and 5 (from memory): 40 % of the inside for more than two conductors.
    const fill = '(3 * 0.0973 in² + 0.0366 in²)';
    expect(figure(`lookup(emt, trade_size, inside, ${fill} / 40 %) / 1 in`)).toBeCloseTo(1, 12);
  });

  it('finds a row that is just enough, whatever unit it was typed in', () => {
    expect(figure('lookup(emt, inside, trade_size, 25.4 mm) / 1 sq in')).toBeCloseTo(0.864, 12);
    expect(figure('lookup(emt, inside, trade_size, 1/12 * 1 ft) / 1 sq in')).toBeCloseTo(0.864, 12);
  });

  it.each([
    ['nearest', '0.8 in', 0.533],
    ['nearest', '5 in', 1.496],
    ['exact', '0.75 in', 0.533],
    ['between', '0.625 in', (0.304 + 0.533) / 2],
  ])('%s of %s', (mode, needed, expected) => {
    expect(figure(`lookup(emt, inside, trade_size, ${needed}, ${mode}) / 1 sq in`)).toBeCloseTo(expected, 12);
  });

  it('says that a figure is beyond the last row, and never takes the last in silence', () => {
    const formula = compile('lookup(emt, inside, trade_size, 2 in)');
    expect(formula.run(...NOTHING)).toBeNaN();
    expect(diagnose(formula, () => 0)).toMatchObject({
      kind: 'lookup-none',
      table: 'emt',
      column: 'trade_size',
      mode: 'enough',
      needed: 2 * INCH,
      largest: 1.25 * INCH,
    });
    expect(figure('lookup(emt, inside, trade_size, 1.3 in, between)')).toBeNaN();
    expect(figure('lookup(emt, inside, trade_size, 0.6 in, exact)')).toBeNaN();
  });

  it('finds a row by its word, and says which word it lacks', () => {
    expect(figure('lookup(emt, couplings, trade_size, "3/4", exact)')).toBe(3);
    const formula = compile('lookup(emt, couplings, trade_size, "2", exact)');
    expect(diagnose(formula, () => 0)).toMatchObject({ kind: 'lookup-no-row', wanted: '2' });
  });

  it('passes over rows with an empty cell in the column that is taken', () => {
    expect(figure('lookup(emt, couplings, trade_size, 0.5 in)')).toBe(3);
  });

  it.each([
    ['lookup(rmc, inside, trade_size, 1 in)', 'formula-table-unknown'],
    ['lookup(emt, outside, trade_size, 1 in)', 'formula-column-unknown'],
    ['lookup(emt, inside, trade_size, 1 sq in)', 'formula-dimension-result'],
    ['lookup(emt, inside, trade_size)', 'formula-arguments'],
    ['lookup(emt, inside, trade_size, 1 in, smallest)', 'formula-arguments'],
    ['1 + "1/2"', 'formula-text'],
  ])('refuses %s as %s', (source, kind) => {
    expect(refused(source)).toMatchObject({ kind });
  });
});

describe('sticks', () => {
  it.each([
    // Three 3 ft pieces come from a 10 ft stick; the fourth foot is waste.
    ['sticks(7, 3 ft, 10 ft)', 3],
    ['sticks(8, 2.5 ft, 10 ft)', 2],
    ['sticks(2, 15 ft, 10 ft)', 3],
    ['sticks(0, 3 ft, 10 ft)', 0],
  ])('%s is %d', (source, expected) => {
    expect(figure(source)).toBe(expected);
  });

  it('wants lengths that compare', () => {
    expect(refused('sticks(2, 3 ft, 3 sq ft)')).toMatchObject({ kind: 'formula-dimension-argument' });
    expect(refused('sticks(2 ft, 3 ft, 10 ft)')).toMatchObject({ kind: 'formula-dimension-argument' });
  });
});

describe('a formula as text', () => {
  it.each([
    'total(doors, width, level = "Upper floor" and fire_rating >= 60)',
    'count(any, zone != "West")',
    'lookup(emt, inside, trade_size, 1 in, nearest)',
    'lookup(emt, inside, trade_size, 5\'6" + 1 in)',
  ])('%s prints as it was read', (source) => {
    const parsed = parseFormula(source);
    if (!parsed.ok) throw new Error(parsed.problem.kind);
    expect(printFormula(parsed.value)).toBe(source);
  });

  it('tells scopes, measures, tables, columns and names apart when a word is replaced', () => {
    const source = 'wall + total(wall, wall) + lookup(wall, wall, b, wall) + count(wall, wall > 2)';
    const only = (role: string): string =>
      replaceWords(source, (word) => (word.word === 'wall' && word.role === role ? 'X' : undefined));
    expect(only('name')).toBe('X + total(wall, wall) + lookup(wall, wall, b, X) + count(wall, X > 2)');
    expect(only('scope')).toBe('wall + total(X, wall) + lookup(wall, wall, b, wall) + count(X, wall > 2)');
    expect(only('measure')).toBe(
      'wall + total(wall, X) + lookup(wall, wall, b, wall) + count(wall, wall > 2)',
    );
    expect(only('table')).toBe('wall + total(wall, wall) + lookup(X, wall, b, wall) + count(wall, wall > 2)');
    expect(only('column')).toBe(
      'wall + total(wall, wall) + lookup(wall, X, b, wall) + count(wall, wall > 2)',
    );
  });

  it('can be followed also while it is not finished', () => {
    expect(replaceWords('2 * (wall + ', () => 'fence')).toBe('2 * (fence + ');
  });
});
