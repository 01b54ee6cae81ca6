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
  'scope-priced-nowhere': 'Measured, but not priced',
  'marks-overlap': 'The same area measured twice',
  'opening-beyond-wall': 'Openings larger than their wall',
  'formula-wrong': 'Formulas that don’t work out',
  'line-without-price': 'Lines without a price',
  'units-differ': 'Units that do not convert',
  'line-without-unit': 'Lines without a unit',
  'line-without-code': 'Lines without a cost code',
  'line-without-section': 'Lines without a section',
  'zero-quantity': 'Quantities of zero',
  unconfirmed: 'Quantities from another job',
  'pinned-far': 'Pinned far from the calculated quantity',
  'price-old': 'Old prices',
  'quote-expired': 'Expired quotes',
  'quote-beside-lines': 'Quotes and your own lines for the same work',
  'quote-open': 'Quotes with exclusions nobody priced',
  'yardstick-out': 'Outside your yardsticks',
  'alternate-doubles': 'Counted twice with an alternate',
};

/** What was found, and how it is put right. */
export function describeDoubt({ about }: Doubt, job: Job, formats: Formats): string {
  const { numbers, display, money } = formats;
  const length = (meters: number): string => joinFigure(formatQuantity(meters, LENGTH, display));
  switch (about.rule) {
    case 'sheet-without-scale':
      return about.marks === 0
        ? 'The sheet has a printed scale, but none is set. Set it before you measure.'
        : `${plural(about.marks, 'mark')} on it can’t be measured until you set the scale.`;
    case 'scope-without-marks':
      return 'Nothing has been drawn, typed or counted. Measure it, or delete it.';
    case 'scope-priced-nowhere':
      return 'No assembly or formula uses it. Apply an assembly, or price it with a line.';
    case 'marks-overlap':
      return `Two marks have ${joinFigure(formatQuantity(about.areaM2, AREA, display))} in common. Move or delete one of them.`;
    case 'opening-beyond-wall':
      return `${length(about.openingM)} high in a wall of ${length(about.wallM)}. Correct the opening or the wall’s height.`;
    case 'formula-wrong':
    case 'line-without-price':
    case 'units-differ':
      return describeFailure(about.failure, job);
    case 'line-without-unit':
      return 'Nobody can tell what is being counted. Give it a unit.';
    case 'line-without-code':
      return 'It won’t show up under any cost code. Give it one, or give its section one.';
    case 'line-without-section':
      return 'It isn’t part of any section of the bid. Move it into one.';
    case 'zero-quantity':
      return 'It is in the estimate at no cost. Type its quantity, or delete the line.';
    case 'unconfirmed':
      return `${writeQuantity(about.quantity, about.unit, numbers)} ${about.unit} came${about.source === '' ? ' from another job' : ` from ${about.source}`}. Measure it here, or confirm that it is right.`;
    case 'pinned-far':
      return `Pinned at ${writeQuantity(about.pinned, about.unit, numbers)}; calculated, it would be ${writeQuantity(about.flowing, about.unit, numbers)} ${about.unit}. Unpin it, or say why.`;
    case 'price-old':
      return `Priced ${about.date}, ${plural(about.days, 'day')} ago. Ask for a new price.`;
    case 'quote-beside-lines':
      return `${about.company} is chosen for ${about.section}, and ${plural(about.lines, 'line')} of your own there, ${formatMoney(about.cost, money)}, ${about.lines === 1 ? 'is' : 'are'} in the bid too. Choose which lines the quote replaces, or accept that both are needed.`;
    case 'quote-open':
      return `${about.company} leaves out ${about.missing.join(', ')}, and nothing is allowed for it. Set an allowance, or ask for a price.`;
    case 'quote-expired':
      return `The quote from ${about.company} expired on ${about.validUntil}. Ask for an extension, or choose another.`;
    case 'yardstick-out':
      return `${writeEach(about, formats)} is outside ${rangeWords(about.low, about.high)}. Check what drives it.`;
    case 'alternate-doubles':
      return `${about.alternate} adds it, and ‘${about.base}’ is in the base bid too. Mark the base line as removed by the alternate.`;
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
