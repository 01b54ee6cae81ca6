import { describe, expect, it } from '@jest/globals';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { withoutFolded } from './folding.tsx';

const row = (type: string, key: string, depth: number): EstimateRow =>
  ({ type, key, depth }) as unknown as EstimateRow;

const ROWS = [
  row('section', 'a', 0),
  row('line', 'a1', 1),
  row('section', 'b', 1),
  row('line', 'b1', 2),
  row('section', 'c', 0),
  row('line', 'c1', 1),
];
const keys = (folded: readonly string[]): readonly string[] =>
  withoutFolded(ROWS, new Set(folded)).map(({ key }) => key);

describe('collapsed sections', () => {
  it('put away their lines and the sections inside, and nothing beyond', () => {
    expect(keys([])).toEqual(['a', 'a1', 'b', 'b1', 'c', 'c1']);
    expect(keys(['a'])).toEqual(['a', 'c', 'c1']);
    expect(keys(['b'])).toEqual(['a', 'a1', 'b', 'c', 'c1']);
    expect(keys(['a', 'b', 'c'])).toEqual(['a', 'c']);
  });
});
