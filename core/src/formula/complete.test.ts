import { describe, expect, it } from '@jest/globals';
import { typedAt } from './complete.ts';
import { replaceTotals } from './replaceTotals.ts';

/** The bar is the caret. */
const at = (marked: string) => typedAt(marked.replace('|', ''), marked.indexOf('|'));

describe('the word at the caret', () => {
  it.each([
    ['le|', 'le', 'name', ''],
    ['2 * (len|gth + 1)', 'len', 'name', ''],
    ['total(|', '', 'scope', ''],
    ['total(wall, le|', 'le', 'measure', 'wall'],
    ['total(wall, length, he|', 'he', 'name', ''],
    ['count(do|', 'do', 'scope', ''],
    ['lookup(emt, |', '', 'column', 'emt'],
    ['lookup(emt, inside, trade_size, si|', 'si', 'name', ''],
  ])('%s is %s, a %s', (marked, word, role, of) => {
    expect(at(marked)).toMatchObject({ word, role, of });
  });

  it.each(['12|', '4.5|', 'count(d, level = "Up|'])('there is none to complete in %s', (marked) => {
    expect(at(marked)).toBeUndefined();
  });

  it('covers the rest of the word behind the caret', () => {
    expect(at('len|gth * 2')).toMatchObject({ start: 0, end: 6 });
  });
});

describe('a formula of the job within one scope', () => {
  it.each([
    ['total(wall, length) * 2', 'length * 2'],
    ['count(wall) + 1', 'count + 1'],
    ['total(wall, length) + total(fence, length)', 'length + total(fence, length)'],
    ['total(wall, length, level = "Upper")', 'total(wall, length, level = "Upper")'],
    ['total(fence,length)', 'total(fence,length)'],
    ['total(wall, ', 'total(wall, '],
  ])('%s reads %s', (source, expected) => {
    expect(replaceTotals(source, 'wall')).toBe(expected);
  });
});
