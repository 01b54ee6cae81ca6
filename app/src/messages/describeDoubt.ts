import type { Doubt, DoubtAbout, DoubtRule } from '@zest/core/doubts/doubt';
import type { Job } from '@zest/core/job/job';
import { unreachable } from '@zest/core/problem/result';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { AREA, LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { formatNumber } from '@zest/core/units/numberFormat';
import { writeQuantity } from '../components/writeQuantity.ts';
import type { Formats } from '../stores/context.tsx';
import { describeFailure } from './describeFailure.ts';
import { t } from './t.ts';

/** What all doubts of a rule are about, as the head of a list. */
export const RULE_WORDS: Readonly<Record<DoubtRule, string>> = {
  'sheet-without-scale': t('doubt.sheetsWithoutAScale'),
  'scope-without-marks': t('doubt.notMeasuredYet'),
  'scope-priced-nowhere': t('doubt.measuredButNotPriced'),
  'marks-overlap': t('doubt.theSameAreaMeasuredTwice'),
  'opening-beyond-wall': t('doubt.openingsLargerThanTheirWall'),
  'formula-wrong': t('doubt.formulasThatDontWorkOut'),
  'line-without-price': t('doubt.linesWithoutAPrice'),
  'units-differ': t('doubt.unitsThatDoNotConvert'),
  'line-without-unit': t('doubt.linesWithoutAUnit'),
  'line-without-code': t('doubt.linesWithoutACostCode'),
  'line-without-section': t('doubt.linesWithoutASection'),
  'zero-quantity': t('doubt.quantitiesOfZero'),
  unconfirmed: t('doubt.quantitiesFromAnotherJob'),
  'pinned-far': t('doubt.pinnedFarFromTheCalculatedQuantity'),
  'price-old': t('doubt.oldPrices'),
  'quote-expired': t('doubt.expiredQuotes'),
  'quote-beside-lines': t('doubt.quotesAndYourOwnLinesForThe'),
  'quote-open': t('doubt.quotesWithExclusionsNobodyPriced'),
  'yardstick-out': t('doubt.outsideYourYardsticks'),
  'alternate-doubles': t('doubt.countedTwiceWithAnAlternate'),
};

/** What was found, and how it is put right. */
export function describeDoubt({ about }: Doubt, job: Job, formats: Formats): string {
  const { numbers, display, money } = formats;
  const length = (meters: number): string => joinFigure(formatQuantity(meters, LENGTH, display));
  switch (about.rule) {
    case 'sheet-without-scale':
      return about.marks === 0
        ? t('doubt.theSheetHasAPrintedScaleBut')
        : t('doubt.onItCantBeMeasuredUntilYou', { marks: t('count.mark', { count: about.marks }) });
    case 'scope-without-marks':
      return t('doubt.nothingHasBeenDrawnTypedOrCounted');
    case 'scope-priced-nowhere':
      return t('doubt.noAssemblyOrFormulaUsesItApply');
    case 'marks-overlap':
      return t('doubt.twoMarksHaveInCommonMoveOr', {
        value: joinFigure(formatQuantity(about.areaM2, AREA, display)),
      });
    case 'opening-beyond-wall':
      return t('doubt.highInAWallOfCorrectThe', {
        openingM: length(about.openingM),
        wallM: length(about.wallM),
      });
    case 'formula-wrong':
    case 'line-without-price':
    case 'units-differ':
      return describeFailure(about.failure, job);
    case 'line-without-unit':
      return t('doubt.nobodyCanTellWhatIsBeingCounted');
    case 'line-without-code':
      return t('doubt.itWontShowUpUnderAnyCost');
    case 'line-without-section':
      return t('doubt.itIsntPartOfAnySectionOf');
    case 'zero-quantity':
      return t('doubt.itIsInTheEstimateAtNo');
    case 'unconfirmed':
      return t('doubt.cameMeasureItHereOrConfirmThat', {
        quantity: writeQuantity(about.quantity, about.unit, numbers),
        unit: about.unit,
        part: about.source === '' ? t('doubt.fromAnotherJob') : t('doubt.from', { source: about.source }),
      });
    case 'pinned-far':
      return t('doubt.pinnedAtCalculatedItWouldBeUnpin', {
        pinned: writeQuantity(about.pinned, about.unit, numbers),
        flowing: writeQuantity(about.flowing, about.unit, numbers),
        unit: about.unit,
      });
    case 'price-old':
      return t('doubt.pricedAgoAskForANewPrice', {
        date: about.date,
        days: t('count.day', { count: about.days }),
      });
    case 'quote-beside-lines':
      return t('doubt.isChosenForAndOfYourOwn', {
        company: about.company,
        section: about.section,
        lines: t('count.line', { count: about.lines }),
        money: formatMoney(about.cost, money),
        part: about.lines === 1 ? 'is' : 'are',
      });
    case 'quote-open':
      return t('doubt.leavesOutAndNothingIsAllowedFor', {
        company: about.company,
        value: about.missing.join(', '),
      });
    case 'quote-expired':
      return t('doubt.theQuoteFromExpiredOnAskFor', { company: about.company, validUntil: about.validUntil });
    case 'yardstick-out':
      return t('doubt.isOutsideCheckWhatDrivesIt', {
        about: writeEach(about, formats),
        low: rangeWords(about.low, about.high),
      });
    case 'alternate-doubles':
      return t('doubt.addsItAndIsInTheBase', { alternate: about.alternate, base: about.base });
    default:
      return unreachable(about);
  }
}

function writeEach(
  { each, of, unit }: Extract<DoubtAbout, { rule: 'yardstick-out' }>,
  { numbers, money }: Formats,
): string {
  const figure = of === 'hours' ? `${formatNumber(each, 2, numbers)} h` : formatUnitCost(each, money);
  return unit === '' ? figure : `${figure} / ${unit}`;
}

const rangeWords = (low: string, high: string): string =>
  low === ''
    ? t('doubt.atMost', { high })
    : high === ''
      ? t('doubt.atLeast', { low })
      : t('doubt.to', { low, high });
