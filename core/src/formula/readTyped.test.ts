import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { LENGTH } from '../units/dimension.ts';
import { COMMA_FORMAT, POINT_FORMAT, formatNumber } from '../units/numberFormat.ts';
import { getUnit } from '../units/unit.ts';
import { evaluateEntry } from './evaluateEntry.ts';
import { readFigure, toPlain } from './readTyped.ts';

const SPACE_FORMAT = { decimal: ',', group: ' ' } as const;
const amount = (text: string, numbers: Parameters<typeof readFigure>[1] = POINT_FORMAT, currency = 'USD') =>
  readFigure(text, numbers, { as: 'amount', currency });
const value = (text: string, numbers?: Parameters<typeof readFigure>[1], currency?: string) => {
  const read = amount(text, numbers, currency);
  return read.ok ? read.value : read.problem.kind;
};

describe('a price as it is typed', () => {
  it.each([
    ['1e3', 1000],
    ['(5)', -5],
    ['($1,200.50)', -1200.5],
    ['=2*3', 6],
    ['1,250', 1250],
    ['1,250.5', 1250.5],
    ['1 250', 1250],
    ['$12.75', 12.75],
    ['12.75 $', 12.75],
    ['USD 12', 12],
    ['3 * 12.75 + 8', 46.25],
    ['(3 + 2) * 2', 10],
    ['2 x 8', 16],
    ['−5', -5],
    ['½', 0.5],
    ['', undefined],
  ])('%s is %s', (text, expected) => {
    expect(value(text)).toBe(expected);
  });

  it.each([
    ['5k', 'typed-not-a-number'],
    ['10%', 'typed-percent'],
    ['about 5', 'typed-not-a-number'],
    ['5 ft', 'typed-not-a-number'],
    ['12.75/ea', 'typed-not-a-number'],
    ['1.2.3', 'typed-not-a-number'],
    ['1/0', 'typed-not-a-number'],
    ['1,25', 'typed-mark'],
    ['12,5000', 'typed-mark'],
    ['€5', 'typed-currency'],
    ['5 EUR', 'typed-currency'],
  ])('%s is asked about: %s', (text, problem) => {
    expect(value(text)).toBe(problem);
  });

  it.each([
    ['$5', 'percent', 'typed-money'],
    ['5 €', 'amount', 'typed-money'],
    ['£5', 'count', 'typed-money'],
    // Letters may be a unit: whatever they are, they are no figure.
    ['8 HRS', 'amount', 'typed-not-a-number'],
    ['5 USD', 'amount', 'typed-not-a-number'],
  ] as const)('%s as a %s that is no money is asked about: %s', (text, as, problem) => {
    expect(readFigure(text, POINT_FORMAT, { as })).toMatchObject({ ok: false, problem: { kind: problem } });
  });

  it('asks about a dot in a job that writes a comma, and says what was likely meant', () => {
    expect(value('9,80', COMMA_FORMAT, 'EUR')).toBe(9.8);
    expect(value('1.250,80', COMMA_FORMAT, 'EUR')).toBe(1250.8);
    expect(amount('9.80', COMMA_FORMAT, 'EUR')).toMatchObject({
      ok: false,
      problem: { kind: 'typed-mark', meant: ['9,80'] },
    });
    expect(amount('9.800', SPACE_FORMAT, 'EUR')).toMatchObject({
      problem: { kind: 'typed-mark', meant: ['9,800', '9\u202f800'] },
    });
    expect(amount('1,25')).toMatchObject({ problem: { meant: ['1.25'] } });
  });

  it('takes a percent sign where a percent is wanted', () => {
    expect(readFigure('10 %', POINT_FORMAT, { as: 'percent' })).toEqual({ ok: true, value: 10 });
    expect(readFigure('10', POINT_FORMAT, { as: 'percent', most: 5 })).toMatchObject({
      problem: { kind: 'typed-range' },
    });
  });

  it('reads every number back as the job writes it, in every format', () => {
    const formats = [POINT_FORMAT, COMMA_FORMAT, SPACE_FORMAT, { decimal: '.', group: '' }] as const;
    fc.assert(
      fc.property(
        fc.integer({ min: -999_999_999, max: 999_999_999 }),
        fc.constantFrom(...formats),
        (cents, as) => {
          expect(value(formatNumber(cents / 100, 2, as), as)).toBeCloseTo(cents / 100, 9);
        },
      ),
    );
  });

  it('never reads a text with a foreign mark as a thousand times more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99_999 }), fc.integer({ min: 0, max: 99 }), (whole, cents) => {
        const text = `${whole}.${String(cents).padStart(2, '0')}`;
        expect(value(text, COMMA_FORMAT)).toBe('typed-mark');
      }),
    );
  });
});

describe('a length as it is typed', () => {
  const INCH = 0.0254;
  const length = (text: string, unit = 'ft', numbers: Parameters<typeof readFigure>[1] = POINT_FORMAT) => {
    const read = evaluateEntry(text, LENGTH, getUnit(unit), numbers);
    return read.ok ? read.value : read.problem.kind;
  };
  it.each([
    [`3' 6`, 42],
    [`3'-6`, 42],
    [`3'6`, 42],
    ['3ft6in', 42],
    ['3 ft 6 in', 42],
    ['3 ft 6 1/2 in', 42.5],
    ['3 feet', 36],
    [`5' 6½"`, 66.5],
    ['½ in', 0.5],
    ['5½ in', 5.5],
    ['5 1/2 in + 1/8 in', 5.625],
    ['1/8 in', 0.125],
    ['2 x 8 ft', 192],
    ['2 × 8 ft', 192],
    [`3' * 2`, 72],
    [`3' - 6"`, 42],
    ['=8 ft', 96],
    ['1,250 ft', 15000],
    ['1 250 ft', 15000],
    ['10', 120],
  ])('%s is %s in', (text, inches) => {
    const read = length(text);
    expect(typeof read === 'number' ? read / INCH : read).toBeCloseTo(inches, 9);
  });

  it('reads thousands with spaces as drawings print them, and asks where the unit is missing', () => {
    expect(length('18 600 mm', 'm')).toBeCloseTo(18.6, 9);
    expect(length('2 x 18 600 mm', 'm')).toBeCloseTo(37.2, 9);
    expect(length('18 600', 'm')).toBe('typed-drawing');
    expect(length('18 600', 'ft')).toBe('typed-drawing');
    expect(length('18 600', 'mm')).toBeCloseTo(18.6, 9);
    expect(length('18,6', 'm', COMMA_FORMAT)).toBeCloseTo(18.6, 9);
    expect(length('9.80 m', 'm', COMMA_FORMAT)).toBe('typed-mark');
  });

  it('leaves a division of lengths to the formula', () => {
    expect(length('96/8 in')).toBe('formula-dimension-result');
    expect(length(`3' - 6`)).toBe('formula-dimension-add');
  });
});

describe('a formula as it is typed', () => {
  it.each([
    ['max(2,5 m; length)', COMMA_FORMAT, 'max(2.5 m, length)'],
    ['max(1,250)', POINT_FORMAT, 'max(1,250)'],
    ['lookup(pipes, deep, size, 1,250 in)', POINT_FORMAT, 'lookup(pipes, deep, size, 1,250 in)'],
    ['=length * 2', POINT_FORMAT, 'length * 2'],
    ['total(wall, length, level = "1,25")', POINT_FORMAT, 'total(wall, length, level = "1,25")'],
    ['level_2,5', COMMA_FORMAT, 'level_2,5'],
  ])('%s is kept as %3$s', (text, numbers, plain) => {
    expect(toPlain(text, numbers)).toEqual({ ok: true, value: plain });
  });
});
