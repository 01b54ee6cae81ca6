import type { StepFigure, StepLabel } from '@zest/core/calculate/explain/step';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { unreachable } from '@zest/core/problem/result';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { type NumberFormat, formatNumber } from '@zest/core/units/numberFormat';
import { shortFailure } from '../messages/describeFailure.ts';
import { t } from '../messages/t.ts';
import { COST_WORDS, MEASURE_WORDS } from '../messages/words.ts';
import type { Formats } from '../stores/context.tsx';
import { writeQuantity } from './writeQuantity.ts';

/** Why a step has no figure; undefined where it has one. */
export const failureOfStep = (figure: StepFigure) => ('figure' in figure ? figure.figure.failure : undefined);

/** The figure of a step as it is written. */
export function writeStep(figure: StepFigure, { display, money, numbers }: Formats): string {
  const failure = failureOfStep(figure);
  if (failure !== undefined) return shortFailure(failure);
  switch (figure.kind) {
    case 'quantity':
      return figure.figure.failure === undefined
        ? joinFigure(formatQuantity(figure.figure.value, figure.dimension, display))
        : '';
    case 'in-unit': {
      if (figure.figure.failure !== undefined) return '';
      const { value } = figure.figure;
      return `${writeQuantity(value, figure.unit, numbers)} ${unitOrLabel(figure.unit).symbol}`;
    }
    case 'money':
      return figure.figure.failure === undefined ? formatMoney(figure.figure.value, money) : '';
    case 'unit-cost': {
      const { item } = figure;
      const parts = [item.material, item.equipment, item.subcontract, item.other].filter(
        (part) => part !== '',
      );
      const cost =
        parts.length === 0
          ? ''
          : formatUnitCost(
              parts.reduce((sum, part) => sum + Number(part), 0),
              money,
            );
      const hours =
        item.laborHours === '' ? '' : `${formatNumber(Number(item.laborHours), 4, numbers, true)} h`;
      return `${[cost, hours].filter(Boolean).join(' + ')} / ${item.basis === 1 ? '' : `${item.basis} `}${item.unit}`;
    }
    case 'factor':
      return `× ${formatNumber(figure.times, 4, numbers, true)}`;
    case 'pieces':
      return t('count.piece', { count: figure.count });
    case 'lines':
      return t('count.line', { count: figure.count });
    default:
      return unreachable(figure);
  }
}

const times = (factor: number, numbers: NumberFormat): string => formatNumber(factor, 4, numbers, true);

const LABEL_WORDS: {
  readonly [Kind in StepLabel['of']]: (
    label: Extract<StepLabel, { of: Kind }>,
    numbers: NumberFormat,
  ) => string;
} = {
  marks: (label) =>
    label.sheets.length === 0 && !label.typed
      ? t('frame.notMeasured', { scope: label.scope })
      : [...label.sheets, ...(label.typed ? [t('frame.typedToo')] : []), label.scope].join(', '),
  mark: (label) => `${label.sheet}, ${label.scope}`,
  measure: (label) => `${MEASURE_WORDS[label.measure]}, ${label.scope}`,
  formula: (label) => label.formula,
  waste: (label) => t('frame.withWaste', { percent: label.percent }),
  'round-up': (label) =>
    label.multiple === '1' ? t('frame.roundedUp') : t('frame.roundedUpTo', { multiple: label.multiple }),
  spares: (label) => t('frame.withToSpare', { spares: label.spares }),
  minimum: (label) => t('frame.atLeast', { minimum: label.minimum }),
  hours: (label, numbers) =>
    label.worked.failure === undefined
      ? t('frame.hoursFor', {
          value: writeQuantity(label.worked.value, label.unit, numbers),
          unit: label.unit,
        })
      : t('frame.hoursAlone'),
  'hours-factor': (label, numbers) =>
    label.formula === times(label.times, numbers)
      ? t('frame.hours', { formula: label.formula })
      : t('frame.hoursFigured', { formula: label.formula, times: times(label.times, numbers) }),
  difficulty: (label, numbers) => t('frame.difficulty', { times: times(label.times, numbers) }),
  'price-factor': (label) => t('frame.onByRegionAndAdjustments', { costwords: COST_WORDS[label.cost] }),
  needed: () => t('frame.neededInTheWholeJob'),
  bought: () => t('frame.bought'),
  'rounded-up': () => t('frame.extraFromRounding'),
  typed: () => t('frame.quantityOfTheLine'),
  pinned: () => t('frame.pinnedHere'),
  price: (label) => label.item,
  line: (label) => label.description,
  lines: () => t('frame.fromAssemblies'),
  'scope-cost': (label) => label.scope,
  section: (label) => (label.section === '' ? t('frame.noSection') : label.section),
  cost: () => t('frame.directCost'),
  tax: (label) => t('frame.taxOnMaterials', { percent: label.percent }),
  markup: (label) => `${label.name} ${label.percent} %`,
  bid: () => t('frame.bid'),
};

/** What a step is about, in words. */
export function labelOfStep(label: StepLabel, { numbers }: Formats): string {
  const write = LABEL_WORDS[label.of] as (label: StepLabel, numbers: NumberFormat) => string;
  return write(label, numbers);
}
