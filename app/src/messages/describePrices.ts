import type { RowFault } from '@zest/core/formats/prices/read';
import { unreachable } from '@zest/core/problem/result';
import type { PriceFileProblem } from '../workers/readPriceFile.ts';

const quote = (text: string): string => `‘${text.length > 40 ? `${text.slice(0, 40)}…` : text}’`;

/** Why a row of a price list was kept out. */
export function describeRowFault(fault: RowFault): string {
  switch (fault.kind) {
    case 'no-code':
      return 'it has no code.';
    case 'code-twice':
      return `${quote(fault.code)} is already in row ${fault.firstRow}.`;
    case 'not-a-number':
      return `${fault.column}: ${quote(fault.text)} isn’t a number.`;
    case 'negative':
      return `${fault.column}: ${quote(fault.text)} is below zero.`;
    case 'absurd':
      return `${fault.column}: ${quote(fault.text)} is too large for a price. Check that it is the right column.`;
    case 'not-a-date':
      return `${fault.column}: ${quote(fault.text)} isn’t a date. Write it as 2026-11-25.`;
    case 'cell-error':
      return `${fault.column}: the spreadsheet has an error there, ${quote(fault.text)}.`;
    case 'no-such-craft':
      return `${fault.column}: the job has none called ${quote(fault.text)}.`;
    case 'not-a-size':
      return `${fault.column}: ${quote(fault.text)} isn’t a size. Write it as ‘width 20 in; depth 30 in’.`;
    case 'quotes':
      return 'it has a quotation mark that is never closed.';
    case 'field':
      return `its ${fault.field} isn’t valid.`;
    default:
      return unreachable(fault);
  }
}

/** Why a price list could not be read at all. */
export function describePriceFile(problem: PriceFileProblem, name: string): string {
  switch (problem.kind) {
    case 'price-file-empty':
      return `${quote(name)} is empty. Choose another file.`;
    case 'price-file-large':
      return `${quote(name)} is larger than ${Math.round(problem.limit / 1024 ** 2)} MB. Split it.`;
    case 'price-file-rows':
      return `${quote(name)} has more than ${problem.limit} rows. Split it.`;
    case 'price-file-columns':
      return `${quote(name)} has ${problem.columns} columns; the limit is ${problem.limit}. Remove the ones that aren’t prices.`;
    case 'price-file-merged':
      return `${quote(name)} has cells merged over ${problem.cells.toLocaleString('en-US')} cells. Unmerge them, or save the prices as CSV.`;
    case 'price-file-damaged':
      return `${quote(name)} is damaged, or is not a workbook. Save it again as XLSX or CSV.`;
    default:
      return unreachable(problem);
  }
}
