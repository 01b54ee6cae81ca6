import type { Calculation } from '@zest/core/calculate/calculation';
import { figureOnSheets } from '@zest/core/calculate/sheetFigures';
import { inOrder } from '@zest/core/job/job';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import { type Display, formatQuantity, joinFigure } from '@zest/core/units/format';

/** One line of a sheet's legend. */
export interface LegendRow {
  readonly scope: Scope;
  readonly figure: string;
}

/** What is drawn on a sheet, with how much of it is there. Hidden scopes are left out. */
export function legendRows(
  calculation: Calculation,
  sheet: Sheet,
  display: Display,
  shown: (scope: Scope) => boolean,
): readonly LegendRow[] {
  const here = new Set([sheet.id]);
  return inOrder(calculation.job.scope.values()).flatMap((scope) => {
    if (!shown(scope)) return [];
    const { value, dimension, marks } = figureOnSheets(calculation, scope, here);
    if (marks === 0) return [];
    if (value === undefined) return [{ scope, figure: 'no scale' }];
    const figure = formatQuantity(value, dimension, display);
    return [{ scope, figure: scope.kind === 'count' ? `${figure.figure} ea` : joinFigure(figure) }];
  });
}

/** Sizes of the legend in sheet points, so that it prints as it is seen. */
export const LEGEND = { row: 19, pad: 9, swatch: 26, text: 11, width: 250 } as const;
