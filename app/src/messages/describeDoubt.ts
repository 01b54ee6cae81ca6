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
import { plural } from './words.ts';

/** What all doubts of a rule are about, as the head of a list. */
export const RULE_WORDS: Readonly<Record<DoubtRule, string>> = {
  'sheet-without-scale': 'Sheets without a scale',
  'scope-without-marks': 'Not measured yet',
  'scope-priced-nowhere': 'Measured, but in no price',
  'marks-overlap': 'The same area measured twice',
  'opening-beyond-wall': 'Openings larger than their wall',
  'formula-wrong': 'Formulas that give no figure',
  'line-without-price': 'Lines without a price',
  'units-differ': 'Units that do not convert',
  'line-without-unit': 'Lines without a unit',
  'line-without-code': 'Lines without a cost code',
  'line-without-section': 'Lines in no section',
  'zero-quantity': 'Quantities of nothing',
  unconfirmed: 'Quantities from another job',
  'pinned-far': 'Pinned far from what flows',
  'price-old': 'Old prices',
  'quote-expired': 'Quotes that no longer hold',
  'quote-beside-lines': 'Quotes on top of our own lines',
  'quote-open': 'Quotes with an exclusion that nothing is allowed for',
  'yardstick-out': 'Outside of your yardsticks',
  'alternate-doubles': 'Paid twice with an alternate',
};

/** What was found, and how it is put right. */
export function describeDoubt({ about }: Doubt, job: Job, formats: Formats): string {
  const { numbers, display, money } = formats;
  const length = (meters: number): string => joinFigure(formatQuantity(meters, LENGTH, display));
  switch (about.rule) {
    case 'sheet-without-scale':
      return about.marks === 0
        ? 'A scale is printed on it and none is set. Set it before measuring.'
        : `${plural(about.marks, 'mark')} on it have no figure until the scale is set.`;
    case 'scope-without-marks':
      return 'Nothing is drawn, typed or counted. Measure it, or remove it.';
    case 'scope-priced-nowhere':
      return 'No assembly and no formula uses it. Apply an assembly, or price it with a line.';
    case 'marks-overlap':
      return `Two marks have ${joinFigure(formatQuantity(about.areaM2, AREA, display))} in common. Move or delete one.`;
    case 'opening-beyond-wall':
      return `${length(about.openingM)} high in a wall of ${length(about.wallM)}. Correct the opening or the wall’s height.`;
    case 'formula-wrong':
    case 'line-without-price':
    case 'units-differ':
      return describeFailure(about.failure, job);
    case 'line-without-unit':
      return 'Nobody can tell what is counted. Give it a unit.';
    case 'line-without-code':
      return 'It would report to nothing. Give it a cost code, or its section one.';
    case 'line-without-section':
      return 'It stands outside of how the bid is split. Move it into a section.';
    case 'zero-quantity':
      return 'It is in the estimate and costs nothing. Type its quantity, or remove the line.';
    case 'unconfirmed':
      return `${writeQuantity(about.quantity, about.unit, numbers)} ${about.unit} came along${about.source === '' ? '' : ` from ${about.source}`}. Measure it here, or confirm that it is right.`;
    case 'pinned-far':
      return `Pinned at ${writeQuantity(about.pinned, about.unit, numbers)}, ${writeQuantity(about.flowing, about.unit, numbers)} ${about.unit} flow. Let it flow, or say why.`;
    case 'price-old':
      return `Priced ${about.date}, ${plural(about.days, 'day')} ago. Ask for it anew.`;
    case 'quote-beside-lines':
      return `${about.company} is taken for ${about.section}, and ${plural(about.lines, 'line')} of our own there, ${formatMoney(about.cost, money)}, ${about.lines === 1 ? 'is' : 'are'} in the bid too. Choose which lines the quote replaces, or accept that both are needed.`;
    case 'quote-open':
      return `${about.company} leaves out ${about.missing.join(', ')}, and no allowance is set. Allow an amount, or ask for it.`;
    case 'quote-expired':
      return `The quote of ${about.company} held until ${about.validUntil}. Ask for a longer one, or take another.`;
    case 'yardstick-out':
      return `${writeEach(about, formats)} is outside of ${rangeWords(about.low, about.high)}. Look at what drives it.`;
    case 'alternate-doubles':
      return `${about.alternate} adds it, and the base bid holds ‘${about.base}’ too. Say that the base line goes with the alternate.`;
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
  low === '' ? `${high} at most` : high === '' ? `${low} at least` : `${low} to ${high}`;
