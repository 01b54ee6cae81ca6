import type { RowFault } from '@zest/core/formats/prices/read';
import { unreachable } from '@zest/core/problem/result';
import type { PriceFileProblem } from '../workers/readPriceFile.ts';
import { t } from './t.ts';

const quote = (text: string): string => `‘${text.length > 40 ? `${text.slice(0, 40)}…` : text}’`;

/** Why a row of a price list was kept out. */
export function describeRowFault(fault: RowFault): string {
  switch (fault.kind) {
    case 'no-code':
      return t('prices.itHasNoCode');
    case 'code-twice':
      return t('prices.isAlreadyInRow', { code: quote(fault.code), firstRow: fault.firstRow });
    case 'not-a-number':
      return t('prices.isntANumber', { column: fault.column, text: quote(fault.text) });
    case 'negative':
      return t('prices.isBelowZero', { column: fault.column, text: quote(fault.text) });
    case 'absurd':
      return t('prices.isTooLargeForAPriceCheck', { column: fault.column, text: quote(fault.text) });
    case 'not-a-date':
      return t('prices.isntADateWriteItAs2026', { column: fault.column, text: quote(fault.text) });
    case 'cell-error':
      return t('prices.theSpreadsheetHasAnErrorThere', { column: fault.column, text: quote(fault.text) });
    case 'no-such-craft':
      return t('prices.theJobHasNoneCalled', { column: fault.column, text: quote(fault.text) });
    case 'not-a-size':
      return t('prices.isntASizeWriteItAsWidth', { column: fault.column, text: quote(fault.text) });
    case 'quotes':
      return t('prices.itHasAQuotationMarkThatIs');
    case 'field':
      return t('prices.itsIsntValid', { field: fault.field });
    default:
      return unreachable(fault);
  }
}

/** Why a price list could not be read at all. */
export function describePriceFile(problem: PriceFileProblem, name: string): string {
  switch (problem.kind) {
    case 'price-file-empty':
      return t('prices.isEmptyChooseAnotherFile', { name: quote(name) });
    case 'price-file-large':
      return t('prices.isLargerThanMbSplitIt', {
        name: quote(name),
        number: Math.round(problem.limit / 1024 ** 2),
      });
    case 'price-file-rows':
      return t('prices.hasMoreThanRowsSplitIt', { name: quote(name), limit: problem.limit });
    case 'price-file-columns':
      return t('prices.hasColumnsTheLimitIsRemoveThe', {
        name: quote(name),
        columns: problem.columns,
        limit: problem.limit,
      });
    case 'price-file-merged':
      return t('prices.hasCellsMergedOverCellsUnmergeThem', {
        name: quote(name),
        value: problem.cells.toLocaleString('en-US'),
      });
    case 'price-file-damaged':
      return t('prices.isDamagedOrIsNotAWorkbook', { name: quote(name) });
    default:
      return unreachable(problem);
  }
}
