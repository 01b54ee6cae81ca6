import type { Figures } from '@zest/core/calculate/figures';
import { type TapeRow, tapeRows } from '@zest/core/calculate/explain/tapeRows';
import { csvText } from '../../platform/csvText.ts';
import type { Figure } from '@zest/core/calculate/graph/rule';
import type { Scope } from '@zest/core/job/records/scope';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION, type MarkMeasure } from '@zest/core/job/measures';
import { formatQuantity } from '@zest/core/units/format';
import { shortFailure } from '../../messages/describeFailure.ts';
import { MEASURE_WORDS } from '../../messages/words.ts';
import type { Formats } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

const HEADS = [t('measure.mark'), t('measure.sheet'), t('measure.pieces'), t('measure.times2')] as const;

/**
 * The tape of a scope as CSV: a row for each mark, each typed piece, and for a count each opening that
 * sits in a wall; figure and unit apart. All rows together are the figure that the scope shows.
 */
export function writeTape(
  figures: Figures,
  scope: Scope,
  { display }: Formats,
  measure: MarkMeasure = leadingMeasure(scope.kind),
): string {
  const { job } = figures;
  const written = (figure: Figure): readonly [figure: string, unit: string] => {
    if (figure.failure !== undefined) return [shortFailure(figure.failure), ''];
    const text = formatQuantity(figure.value, MEASURE_DIMENSION[measure], display);
    return [text.figure.replace('\u2212', '-'), text.unit];
  };
  const of = tapeRows(figures, scope, measure).map((row) => [
    ...namesOfRow(row),
    row.sheetId === undefined ? '' : (job.sheet.get(row.sheetId)?.number ?? ''),
    piecesOfRow(row),
    row.by === 'shared' ? '' : String(row.times),
    ...written(row.figure),
  ]);
  return csvText([[...HEADS, MEASURE_WORDS[measure], t('measure.unit')], ...of]);
}

function namesOfRow(row: TapeRow): readonly [string] {
  switch (row.by) {
    case 'mark':
      return [String(row.number)];
    case 'opening':
      return [t('measure.opening')];
    case 'typed':
      return [t('measure.typed')];
    case 'shared':
      return [t('measure.whereTwoSlopesMeetCountedOnce')];
  }
}

function piecesOfRow(row: TapeRow): string {
  if (row.by === 'mark') return row.pieces.length === 0 ? '' : String(row.pieces.length);
  return row.by === 'opening' ? row.tag : row.by === 'typed' ? row.text : '';
}
