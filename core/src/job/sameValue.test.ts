import { describe, expect, it } from '@jest/globals';
import { sameValue } from './sameValue.ts';

describe('values are the same', () => {
  it.each([
    [
      [1, 'a'],
      [1, 'a'],
    ],
    [
      { a: 1, b: [2] },
      { b: [2], a: 1 },
    ],
    [new Map([['a', { b: 1 }]]), new Map([['a', { b: 1 }]])],
    [new Set([1, 2]), new Set([1, 2])],
    [Number.NaN, Number.NaN],
    [undefined, undefined],
  ])('by what they hold: %j', (a, b) => {
    expect(sameValue(a, b)).toBe(true);
  });

  it.each([
    [
      [1, 2],
      [2, 1],
    ],
    [[1], { 0: 1 }],
    [{ a: undefined }, {}],
    [{ a: undefined }, { b: undefined }],
    [new Map([['a', 1]]), new Map([['b', 1]])],
    [() => 1, () => 1],
    [null, {}],
    ['1', 1],
  ])('not otherwise: %j', (a, b) => {
    expect(sameValue(a, b)).toBe(false);
  });

  it('takes names that every object knows for words', () => {
    expect(sameValue({ constructor: 1 }, {})).toBe(false);
    expect(sameValue({}, { toString: 1 })).toBe(false);
  });
});
