import { expect, it } from '@jest/globals';
import { tellingWords } from './tellingWords.ts';

it('telling words leave out short ones, and a plural is its singular', () => {
  expect(tellingWords('Walls of the new boards')).toEqual(tellingWords('wall, board'));
  expect(tellingWords('Receptacles')).toEqual(tellingWords('receptacle'));
  expect(tellingWords('of a 2x4')).toEqual([]);
});
