import { describe, expect, it } from '@jest/globals';
import type { RowFault } from '@zest/core/formats/prices/read';
import type { PriceFileProblem } from '../workers/readPriceFile.ts';
import { describePriceFile, describeRowFault } from './describePrices.ts';

describe('why a row of a price list was kept out', () => {
  it.each<[RowFault, RegExp]>([
    [{ kind: 'no-code' }, /no code/],
    [{ kind: 'code-twice', code: 'CO-15', firstRow: 7 }, /‘CO-15’.*row 7/],
    [{ kind: 'not-a-number', column: 'Material', text: 'on request' }, /Material.*‘on request’/],
    [{ kind: 'negative', column: 'Hours', text: '-2' }, /Hours.*‘-2’.*below zero/],
    [{ kind: 'absurd', column: 'Material', text: '7e12', limit: 1e9 }, /‘7e12’.*too large.*column/],
    [{ kind: 'not-a-date', column: 'Date', text: '31/02' }, /‘31\/02’.*2026-11-25/],
    [{ kind: 'cell-error', column: 'Material', text: '#REF!' }, /spreadsheet.*#REF!/],
    [{ kind: 'no-such-craft', column: 'Craft', text: 'Wizard' }, /‘Wizard’/],
    [{ kind: 'not-a-size', column: 'Sizes', text: 'big' }, /‘big’.*width 20 in/],
    [{ kind: 'quotes' }, /never closed/],
    [{ kind: 'field', field: 'unit', reason: { fault: 'too-long', limit: 200 } }, /unit/],
  ])('%j', (fault, words) => {
    const text = describeRowFault(fault);
    expect(text).toMatch(words);
    expect(text.endsWith('.')).toBe(true);
  });

  it('shows the beginning of a long cell only', () => {
    const text = describeRowFault({ kind: 'not-a-number', column: 'Material', text: 'x'.repeat(9000) });
    expect(text.length).toBeLessThan(90);
  });
});

describe('why a price list could not be read', () => {
  it.each<[PriceFileProblem, RegExp]>([
    [{ kind: 'price-file-empty' }, /‘yard.csv’ is empty/],
    [{ kind: 'price-file-large', limit: 200 * 1024 ** 2 }, /200 MB/],
    [{ kind: 'price-file-rows', limit: 1_000_000 }, /1000000 rows/],
    [{ kind: 'price-file-columns', columns: 412, limit: 256 }, /412 columns; the limit is 256/],
    [{ kind: 'price-file-damaged' }, /damaged.*XLSX or CSV/],
  ])('%j', (problem, words) => {
    const text = describePriceFile(problem, 'yard.csv');
    expect(text).toMatch(words);
    // What it is, and then what to do.
    expect(text.split('. ').length).toBeGreaterThan(1);
  });
});
