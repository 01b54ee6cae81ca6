import { MARK_KIND } from '@zest/core/job/markKinds';
import { knownValue } from '@zest/core/calculate/define';
import { markNode } from '@zest/core/calculate/graph/nodes';
import type { Figures } from '@zest/core/calculate/figures';
import { inOrder } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION } from '@zest/core/job/measures';
import { type Display, formatQuantity, joinFigure } from '@zest/core/units/format';
import type { LabelMode } from '../../stores/viewStore.ts';

/** What is written on a mark; empty for nothing. */
export function labelOf(figures: Figures, mark: Mark, mode: LabelMode, display: Display): string {
  if (mode === 'none') return '';
  const measure = leadingMeasure(mark.kind);
  const value = knownValue(figures.figure(markNode(mark.id, measure)));
  const figure =
    value === undefined || mark.kind === 'count'
      ? ''
      : joinFigure(formatQuantity(value, MEASURE_DIMENSION[measure], display));
  const name = figures.job.scope.get(mark.scopeId)?.name ?? '';
  return { name, figure, both: [name, figure].filter(Boolean).join('  ') }[mode];
}

/** The marks on a sheet with their scopes, areas below runs below counts, in the order of the tally. */
export function marksOnSheet(
  figures: Figures,
  sheet: Sheet,
  shown: (mark: Mark, scope: Scope) => boolean,
): readonly { readonly mark: Mark; readonly scope: Scope }[] {
  return inOrder(figures.job.scope.values())
    .flatMap((scope) =>
      figures
        .marksOf(scope.id)
        .filter((mark) => mark.sheetId === sheet.id && shown(mark, scope))
        .map((mark) => ({ mark, scope })),
    )
    .sort((a, b) => MARK_KIND[a.mark.kind].layer - MARK_KIND[b.mark.kind].layer);
}
