import { findPaperSlip } from '@zest/core/takeoff/paper';
import type { Sheet } from '@zest/core/job/records/sheet';
import { METERS_PER_POINT, ratioOfScale } from '@zest/core/takeoff/scale';
import type { ScaleDoubt } from '@zest/core/takeoff/scaleDoubt';
import { type Display, formatQuantity, joinFigure } from '@zest/core/units/format';
import { LENGTH } from '@zest/core/units/dimension';
import { type NumberFormat, formatNumber } from '@zest/core/units/numberFormat';
import { t } from '../../messages/t.ts';

/** How a sheet's scale reads: as it was set, or the ratio that two points gave. */
export function writeScale(sheet: Sheet, numbers: NumberFormat): string {
  const { scale } = sheet;
  if (scale === null) return t('sheets.noScale');
  if (scale.source.by === 'ratio') return scale.source.text;
  if (scale.source.by === 'two-distances') {
    const ratio = (metersPerPoint: number): string =>
      formatNumber(metersPerPoint / METERS_PER_POINT, 1, numbers, true);
    return t('sheets.n1Across1Up', {
      xMetersPerPoint: ratio(scale.xMetersPerPoint),
      yMetersPerPoint: ratio(scale.yMetersPerPoint),
    });
  }
  return t('sheets.n1TwoPoints', { figure: formatNumber(ratioOfScale(scale), 1, numbers, true) });
}

/** Below this share, an error of scale is written as none: half of the last place that is shown. */
const EXACT = 0.000_05;

export const writeError = (error: number, numbers: NumberFormat): string =>
  Math.abs(error) < EXACT
    ? t('sheets.measuredBackExactly')
    : t(error < 0 ? 'sheets.measuredBackShort' : 'sheets.measuredBackLong', {
        figure: formatNumber(Math.abs(error) * 100, 2, numbers),
      });

/** What speaks against a scale by two points, as a question. */
export function describeScaleDoubt(doubt: ScaleDoubt, display: Display): string {
  const { numbers } = display;
  if (doubt.kind === 'extent') {
    const length = (lengthM: number): string => joinFigure(formatQuantity(lengthM, LENGTH, display));
    return t('sheets.scaleDoubtExtent', { width: length(doubt.widthM), height: length(doubt.heightM) });
  }
  const times = formatNumber(doubt.factor >= 1 ? doubt.factor : 1 / doubt.factor, 1, numbers, true);
  if (doubt.kind === 'off-printed')
    return t(doubt.factor >= 1 ? 'sheets.scaleDoubtLarger' : 'sheets.scaleDoubtSmaller', {
      times,
      printed: doubt.printed,
    });
  return t(doubt.factor >= 1 ? 'sheets.scaleDoubtUsualLarger' : 'sheets.scaleDoubtUsualSmaller', {
    times,
    usual: `1:${doubt.usual}`,
  });
}

/** What speaks against a scale by ratio: a page that is a round factor off any paper. */
export function doubtPaper({ widthPt, heightPt }: Sheet, numbers: NumberFormat): string | undefined {
  const slip = findPaperSlip(widthPt, heightPt);
  if (slip === undefined) return undefined;
  const { paper, factor } = slip;
  const times = formatNumber(factor > 1 ? factor : 1 / factor, 1, numbers);
  return t(factor > 1 ? 'sheets.pageLargerThanPaper' : 'sheets.pageSmallerThanPaper', { times, paper });
}
