import { plainToLocal } from '@zest/core/formula/localize';
import { sortGrades } from '@zest/core/estimate/markup';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Markup } from '@zest/core/job/records/markup';
import { type NumberFormat, formatNumber } from '@zest/core/units/numberFormat';
import { t } from '../../messages/t.ts';
import { listWith } from '../../messages/lists.ts';

const BASES: Readonly<Record<Exclude<Markup['base'], 'running'>, string>> = {
  cost: t('estimate.baseCost'),
  material: t('estimate.baseMaterial'),
  labor: t('estimate.baseLabor'),
  equipment: t('estimate.baseEquipment'),
  subcontract: t('estimate.baseSubcontracts'),
  other: t('estimate.otherCost'),
};

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
  return listWith('and', [
    t('estimate.baseCost'),
    ...(taxed ? [t('estimate.baseTax')] : []),
    ...above.map(({ name }) => name.toLowerCase()),
  ]);
}

/** A markup as one would say it: `10 % profit on cost and overhead`. */
export function describeMarkup(markup: Markup, job: Job, numbers: NumberFormat): string {
  const { as, rates = [], grades = [] } = markup;
  const said = (text: string): string => plainToLocal(text === '' ? '0' : text, numbers);
  const percent = said(markup.percent);
  const name = markup.name.toLowerCase();
  const base = baseWords(markup, job);
  const count = rates.length;
  switch (as) {
    case 'sum':
      return t('estimate.sharedOver', { sum: percent, name, base });
    case 'graded': {
      const words = sortGrades(grades).map((grade) =>
        grade.upTo === ''
          ? t('estimate.gradeBeyond', { percent: said(grade.percent) })
          : t('estimate.gradeTo', {
              percent: said(grade.percent),
              figure: formatNumber(Number(grade.upTo), 2, numbers, true),
            }),
      );
      return t('estimate.gradedOn', { name, base, grades: words.join(', ') });
    }
    case 'margin':
      return count === 0
        ? t('estimate.marginOn', { percent, name, base })
        : t('estimate.marginOnWithRates', { percent, name, base, count });
    default:
      return count === 0
        ? t('estimate.markupOn', { percent, name, base })
        : t('estimate.markupOnWithRates', { percent, name, base, count });
  }
}
