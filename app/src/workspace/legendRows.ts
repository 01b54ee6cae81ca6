import type { Figures } from '@zest/core/calculate/figures';
import { figureOnSheets } from '@zest/core/calculate/explain/sheetFigures';
import { inOrder } from '@zest/core/job/job';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import { type Display, formatQuantity, joinFigure } from '@zest/core/units/format';
import { type ViewState, isMarkShown, isScopeShown } from '../stores/viewStore.ts';
import { colorChoice } from './colorChoice.ts';
import { t } from '../messages/t.ts';

/** One line of a sheet's legend. */
export interface LegendRow {
  readonly scope: Scope;
  readonly figure: string;
  /** What its marks here are drawn in: several where they are told apart by zones. */
  readonly colors: readonly number[];
}

/** What is drawn on a sheet, with how much of it is there. Hidden scopes are left out. */
export function legendRows(
  figures: Figures,
  sheet: Sheet,
  display: Display,
  view: Pick<ViewState, 'hidden' | 'alone' | 'colorBy'>,
): readonly LegendRow[] {
  const { job } = figures;
  const here = new Set([sheet.id]);
  const colorOf = colorChoice(job, view.colorBy, sheet.levelId);
  return inOrder(job.scope.values()).flatMap((scope) => {
    if (!isScopeShown(view, scope)) return [];
    const { value, dimension, marks } = figureOnSheets(figures, scope, here);
    if (marks === 0) return [];
    const drawn = figures
      .marksOf(scope.id)
      .filter((mark) => mark.sheetId === sheet.id && isMarkShown(view, scope, mark.zoneId))
      .map(({ zoneId }) => colorOf(scope, zoneId));
    const colors = drawn.length === 0 ? [colorOf(scope, undefined)] : [...new Set(drawn)];
    if (value === undefined) return [{ scope, colors, figure: t('workspace.noScale') }];
    const figure = formatQuantity(value, dimension, display);
    return [
      {
        scope,
        colors,
        figure: scope.kind === 'count' ? t('workspace.ea', { figure: figure.figure }) : joinFigure(figure),
      },
    ];
  });
}

/** Sizes of the legend in sheet points, so that it prints as it is seen. */
export const LEGEND = { row: 19, pad: 9, swatch: 26, text: 11, width: 250 } as const;
