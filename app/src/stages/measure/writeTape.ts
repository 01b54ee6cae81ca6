import Papa from 'papaparse';
import type { Calculation } from '@zest/core/calculate/calculation';
import { tapeOf } from '@zest/core/calculate/explain';
import { repeatOf } from '@zest/core/calculate/defineMeasures';
import type { Scope } from '@zest/core/job/records/scope';
import { MEASURE_DIMENSION, leadingMeasure } from '@zest/core/takeoff/measures';
import { formatQuantity } from '@zest/core/units/format';
import { MEASURE_WORDS } from '../../messages/words.ts';
import type { Formats } from '../../stores/context.tsx';

/** The tape of a scope as CSV: a row a mark and a row a typed piece, with figure and unit apart. */
export function writeTape(calculation: Calculation, scope: Scope, { display }: Formats): string {
  const measure = leadingMeasure(scope.kind);
  const rows = tapeOf(calculation, scope.id, measure).map(({ mark, figure, pieces }, index) => {
    const known = figure.failure === undefined ? figure.value : undefined;
    const text = known === undefined ? undefined : formatQuantity(known, MEASURE_DIMENSION[measure], display);
    return {
      Mark: index + 1,
      Sheet: calculation.job.sheet.get(mark.sheetId)?.number ?? '',
      Pieces: pieces.length,
      Times: repeatOf(calculation.job, mark),
      [MEASURE_WORDS[measure]]: text?.figure ?? 'no scale',
      Unit: text?.unit ?? '',
    };
  });
  return Papa.unparse(rows, { newline: '\r\n' });
}
