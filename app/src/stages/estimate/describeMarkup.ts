import { plainToLocal } from '@zest/core/formula/localize';
import { sortGrades } from '@zest/core/estimate/markup';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Markup } from '@zest/core/job/records/markup';
import { type NumberFormat, formatNumber } from '@zest/core/units/numberFormat';
import { t } from '../../messages/t.ts';

const BASES: Readonly<Record<Exclude<Markup['base'], 'running'>, string>> = {
  cost: 'cost',
  material: 'material',
  labor: 'labor',
  equipment: 'equipment',
  subcontract: 'subcontracts',
  other: t('estimate.otherCost'),
};

const join = (words: readonly string[]): string =>
  words.length < 2
    ? words.join('')
    : t('estimate.and', { value: words.slice(0, -1).join(', '), value2: words.at(-1) ?? '' });

/** What a markup stands on, by name: `cost, tax and overhead`. */
function baseWords(markup: Markup, job: Job): string {
  if (markup.base !== 'running') return BASES[markup.base];
  const before = inOrder(job.markup.values());
  const above = before.slice(
    0,
    before.findIndex(({ id }) => id === markup.id),
  );
  const [settings] = job.settings.values();
  const taxed = Number(settings?.taxOnMaterials ?? '') !== 0;
  return join(['cost', ...(taxed ? ['tax'] : []), ...above.map(({ name }) => name.toLowerCase())]);
}

/** A markup as one would say it: `10 % profit on cost and overhead`. */
export function describeMarkup(markup: Markup, job: Job, numbers: NumberFormat): string {
  const { name, percent, as, rates = [], grades = [] } = markup;
  const said = (text: string): string => plainToLocal(text === '' ? '0' : text, numbers);
  const what = name.toLowerCase();
  const base = baseWords(markup, job);
  const others =
    rates.length === 0
      ? ''
      : t('estimate.withARateOfOwn', { number: rates.length, part: rates.length === 1 ? 'its' : 'their' });
  switch (as) {
    case 'sum':
      return t('estimate.forSharedOver', { percent: said(percent), what, base });
    case 'graded':
      return t('estimate.on3', {
        what,
        base,
        value: sortGrades(grades)
          .map(
            (grade) =>
              `${said(grade.percent)} %${grade.upTo === '' ? ' beyond' : t('estimate.to3', { figure: formatNumber(Number(grade.upTo), 2, numbers, true) })}`,
          )
          .join(', '),
      });
    case 'margin':
      return t('estimate.asMarginOn', { percent: said(percent), what, base, others });
    default:
      return t('estimate.on4', { percent: said(percent), what, base, others });
  }
}
