import type { Figures } from '@zest/core/calculate/figures';
import { tapeOf } from '@zest/core/calculate/explain/tape';
import { repeatOf } from '@zest/core/takeoff/repeat';
import { openingNode, pieceNode, sharedNode } from '@zest/core/calculate/graph/nodes';
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
  const marks = tapeOf(figures, scope.id, measure).map(({ mark, figure, pieces }, index) => [
    String(index + 1),
    job.sheet.get(mark.sheetId)?.number ?? '',
    pieces.length === 0 ? '' : String(pieces.length),
    String(repeatOf(job, mark)),
    ...written(figure),
  ]);
  const leading = measure === leadingMeasure(scope.kind);
  const openings = !leading
    ? []
    : figures.openingsCountedBy(scope.id).map((opening) => {
        const host = job.mark.get(opening.markId);
        const sheet = host === undefined ? undefined : job.sheet.get(host.sheetId);
        const times = host === undefined ? 1 : repeatOf(job, host);
        const figure = figures.figure(openingNode(opening.id));
        return [t('measure.opening'), sheet?.number ?? '', opening.tag, String(times), ...written(figure)];
      });
  const typed = !leading
    ? []
    : figures
        .piecesOf(scope.id)
        .map((piece) => [
          t('measure.typed'),
          '',
          [piece.text, piece.note].filter(Boolean).join(' '),
          '1',
          ...written(figures.figure(pieceNode(piece.id))),
        ]);
  const shared = figures.figure(sharedNode(scope.id, measure));
  const once =
    shared.failure === undefined && shared.value !== 0
      ? [[t('measure.whereTwoSlopesMeetCountedOnce'), '', '', '', ...written(shared)]]
      : [];
  const rows = [
    [...HEADS, MEASURE_WORDS[measure], t('measure.unit')],
    ...marks,
    ...openings,
    ...typed,
    ...once,
  ];
  return csvText(rows);
}
