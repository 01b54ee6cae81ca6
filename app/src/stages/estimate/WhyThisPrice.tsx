import type { Figures } from '@zest/core/calculate/figures';
import {
  priceFactorsOnRow,
  hoursFactorOf,
  itemOfRow,
  priceOfRow,
  pricingOfRow,
  workedOf,
} from '@zest/core/reports/estimateReport';
import { pricedItem } from '@zest/core/calculate/lines/pricing';
import { adjustmentsOn } from '@zest/core/estimate/adjusted';
import { type PricedRow } from '@zest/core/estimate/rows';
import { sectionOf } from '@zest/core/estimate/places';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { knownValue } from '@zest/core/calculate/define';
import { type SizeReason, reasonOfSize } from '@zest/core/calculate/lines/sizes';
import { type Display, formatInUnit, formatQuantity, joinFigure } from '@zest/core/units/format';
import { settingsOf } from '@zest/core/job/job';
import { plainToLocal } from '@zest/core/formula/localize';
import { formatUnitCost } from '@zest/core/pricing/money';
import { unitFactor } from '@zest/core/pricing/price';
import { type NumberFormat, formatNumber } from '@zest/core/units/numberFormat';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

export type BuiltRow = Extract<PricedRow, { type: 'line' | 'component' }>;

/** The price for one unit, and everything that acts on it, each with its figure. */
export function WhyThisPrice({ row }: { readonly row: BuiltRow }) {
  const { job, figures } = useOpenJob();
  const { money, numbers, display } = useFormats();
  const price = priceOfRow(figures, row);
  if (!price.ok) return null;
  const pricing = pricingOfRow(figures, row);
  const item = pricing.quoted === undefined ? itemOfRow(figures, row) : undefined;
  const factor = item === undefined ? undefined : unitFactor(pricing.unit, item.unit);
  const { crewRates } = price.value;
  const lines: (readonly [string, string])[] = [];
  if (pricing.quoted !== undefined)
    lines.push([t('estimate.quoteOf', { company: pricing.quoted.company }), '']);
  if (item !== undefined) lines.push([`${item.code} ${item.description}`, item.date]);
  for (const cost of price.value.costs)
    lines.push([
      `${COST_WORDS[cost.kind]}${cost.fromBook === true ? '' : t('estimate.typed')}`,
      `${formatUnitCost(cost.amount, money)} / ${cost.basis === 1 ? '' : `${cost.basis} `}${cost.fromBook === true ? (item?.unit ?? pricing.unit) : pricing.unit}`,
    ]);
  if (pricing.sizing !== undefined) {
    const reason = reasonOfSize(job, row.key, pricing.sizing, (node) => knownValue(figures.figure(node)));
    if (reason !== undefined) lines.push([describeSize(reason, display), '']);
  }
  if (factor !== undefined && factor !== 1)
    lines.push([
      t('estimate.n1In', { unit: pricing.unit, unit2: item?.unit ?? '' }),
      formatNumber(factor, 6, numbers, true),
    ]);
  if (price.value.hours !== 0 && crewRates !== undefined) {
    lines.push([t('estimate.laborHoursForOneUnit'), formatNumber(price.value.hours, 4, numbers, true)]);
    lines.push([t('estimate.aLaborHour'), formatUnitCost(crewRates.wages / crewRates.people, money)]);
    if (crewRates.machines > 0)
      lines.push([t('estimate.machinesACrewHour'), formatUnitCost(crewRates.machines, money)]);
  }
  lines.push(...conditionsOn(figures, row, numbers));
  return (
    <dl className={`${layout.facts} why`} aria-label={t('estimate.whyThisPrice')}>
      {lines.map(([what, figure], index) => (
        <div key={index}>
          <dt>{what}</dt>
          <dd>{figure}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What acts on a price besides its item: work that differs from what is bought, difficulty, region, adjustments. */
function conditionsOn(figures: Figures, row: BuiltRow, numbers: NumberFormat): (readonly [string, string])[] {
  const { job } = figures;
  const { unit } = pricingOfRow(figures, row);
  const price = priceOfRow(figures, row);
  const hours = price.ok ? price.value.hours : 0;
  const priceFactors = priceFactorsOnRow(figures, row);
  const percent = (times: number): string =>
    `${times > 1 ? '+' : ''}${formatNumber((times - 1) * 100, 1, numbers, true)} %`;
  const { regionId } = settingsOf(job);
  const region = regionId === undefined ? undefined : job.region.get(regionId);
  const sectionId = row.type === 'line' ? row.line.sectionId : sectionOf(job, row.placed);
  const lines: (readonly [string, string])[] = [];
  const own = hoursFactorOf(figures, row);
  if (own !== 1 && hours !== 0) lines.push([t('estimate.hoursForThisComponent'), percent(own)]);
  const worked = workedOf(figures, row);
  const bought = knownValue(figures.figure(lineNode(row.key, 'quantity')));
  if (worked !== undefined && bought !== undefined && worked !== bought)
    lines.push([
      t('estimate.workedBeforeWasteAndRounding'),
      `${writeQuantity(worked, unit, numbers)} ${unit}`,
    ]);
  if (priceFactors.difficulty !== 1)
    lines.push([t('estimate.hoursForDifficulty'), percent(priceFactors.difficulty)]);
  if (region !== undefined)
    for (const kind of ['material', 'labor', 'equipment'] as const)
      if (region[kind] !== 1)
        lines.push([
          t('estimate.in2', { costwords: COST_WORDS[kind], name: region.name }),
          percent(region[kind]),
        ]);
  for (const { name, percent: by } of adjustmentsOn(job, {
    key: row.key,
    sectionId,
    item: pricedItem(pricingOfRow(figures, row)),
  }))
    lines.push([t('estimate.adjustedFor', { name }), `${plainToLocal(by, numbers)} %`]);
  return lines;
}

/** Why this size: what was asked for beside what the item has, in the unit of the price book. */
function describeSize({ sizes, exact, tooSmall }: SizeReason, display: Display): string {
  const write = (value: number, { unit, dimension }: SizeReason['sizes'][number]): string =>
    joinFigure(
      unit === undefined ? formatQuantity(value, dimension, display) : formatInUnit(value, unit, display),
    );
  const asked = sizes.map((size) => `${size.key} ${write(size.wanted, size)}`).join(', ');
  if (exact) return t('estimate.justTheSize', { asked });
  const has = sizes.map((size) => `${size.key} ${write(size.has, size)}`).join(', ');
  return tooSmall === 0
    ? t('estimate.nextSize', { asked, has })
    : t('estimate.nextSizeSmaller', { asked, has, count: tooSmall });
}
