import { readFileSync } from 'node:fs';
import { expect, it } from '@jest/globals';
import { writeReference } from '@zest/core/checks/writeReference';

it('docs/formulas.md is what the function table says; `npm run docs` writes it anew', () => {
  expect(readFileSync(`${__dirname}/../../docs/formulas.md`, 'utf8')).toBe(writeReference());
});
