import type { Figures } from '@zest/core/calculate/figures';
import { Button } from '@chakra-ui/react';
import {
  actingOnRow,
  factsOf,
  hoursFactorOf,
  itemOfRow,
  priceOfRow,
  pricingOfRow,
  reportLine,
  workedOf,
} from '@zest/core/reports/estimateReport';
import { adjustmentsOn } from '@zest/core/estimate/adjusted';
import { type PricedRow, alternateOfRow } from '@zest/core/estimate/rows';
import { overrideOf } from '@zest/core/job/overrides';
import { sectionOf } from '@zest/core/estimate/places';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { knownValue } from '@zest/core/calculate/define';
import { type SizeReason, reasonOfSize } from '@zest/core/calculate/lines/sizes';
import { type Display, formatInUnit, formatQuantity, joinFigure } from '@zest/core/units/format';
import { linePrices } from '@zest/core/calculate/totals/linePrices';
import type { Id } from '@zest/core/job/id';
import { inOrder, settingsOf } from '@zest/core/job/job';
import { plainToLocal } from '@zest/core/formula/localize';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { unitFactor } from '@zest/core/pricing/price';
import { put } from '@zest/core/job/change';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../components/CommitInput.tsx';
import { FailureText } from '../../components/Figure.tsx';
import { writeQuantity } from '../../components/writeQuantity.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { SizingEditor } from '../prices/SizingEditor.tsx';
import { AlternateOptions, readPlace, writePlace } from './AlternateOptions.tsx';
import { describeRow } from './cells.tsx';
import { pinnedOfRow } from './editRow.ts';
import type { Estimate } from './useEstimate.ts';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import type { Scope } from '@zest/core/job/records/scope';
import type { GridEdit } from '../../tables/gridProps.ts';
import type { EstimateRow } from '@zest/core/estimate/rows';
import type { Pasted } from '../../tables/paste.ts';
import type { LineChange } from '@zest/core/job/commands/changeLines';
import type { Item } from '@zest/core/job/records/item';
import type { Line } from '@zest/core/job/records/line';
import type { Side } from '@zest/core/estimate/moveRows';
import type { Command } from '@zest/core/job/change';
import type { LineFacts, ReportLine } from '@zest/core/reports/estimateReport';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { MoneyFormat } from '@zest/core/pricing/money';

interface LinePanelProps {
  readonly row: PricedRow;
  readonly estimate: Estimate;
}

/** What a line's money is made of, and what may be said of it. */
export function LinePanel({ row, estimate }: LinePanelProps) {
  const { job, figures } = useOpenJob();
  const { money, numbers } = useFormats();
  const line = reportLine(figures, row);
  const facts = factsOf(figures, row);
  const price = linePrices(figures).ofLine(row.key);
  const change = (label: string, how: Parameters<Estimate['change']>[2]): string | undefined =>
    estimate.change(label, [row.key], how);
  const alternate = alternateOfRow(job, row);
  return (
    <div className={`${layout.form} ${layout.linePanel}`}>
      <h2>{describeRow(line)}</h2>
      <LineCost line={line} money={money} price={price} />
      {line.failure === undefined ? null : <p className="warn">{describeFailure(line.failure, job)}</p>}
      <LaborUnknown row={row} />
      {row.type === 'quote' ? <p className="soft">{t('estimate.itsCostComesFromItsQuotesUnder')}</p> : null}
      <PinnedNote row={row} estimate={estimate} flowing={facts?.flowing} />
      {row.type === 'line' || row.type === 'component' ? <WhyThisPrice row={row} /> : null}
      {row.type === 'line' || row.type === 'component' ? (
        <WorkerChoice row={row} estimate={estimate} />
      ) : null}
      {row.type === 'line' ? (
        <SizingEditor
          sizing={row.line.sizing}
          place={{ in: 'job' }}
          onChange={(sizing) => {
            const { sizing: _before, ...rest } = row.line;
            return estimate.settle(
              t('estimate.sizeALine'),
              put(sizing === undefined ? rest : { ...rest, sizing }),
            );
          }}
        />
      ) : null}
      <SectionChoice row={row} job={job} estimate={estimate} change={change} />
      <CodeAndWaste facts={facts} change={change} row={row} numbers={numbers} estimate={estimate} />
      <AlternateChoice row={row} alternate={alternate} estimate={estimate} change={change} />
      <label>
        <span className="soft">{t('estimate.note')}</span>
        <CommitInput
          label={t('estimate.note')}
          value={noteOf(row, job)}
          disabled={row.type === 'quote'}
          onCommit={(text) => change('note', { note: text.trim() === '' ? undefined : text.trim() })}
        />
      </label>
    </div>
  );
}

interface AlternateChoiceProps {
  readonly row: PricedRow;
  readonly alternate: NonNullable<Scope['alternate']> | undefined;
  readonly estimate: LinePanelProps['estimate'];
  readonly change: (label: string, how: Parameters<Estimate['change']>[2]) => string | undefined;
}

function AlternateChoice({ row, alternate, estimate, change }: AlternateChoiceProps) {
  return row.type === 'purchase' ? null : (
    <label>
      <span className="soft">{t('estimate.alternate2')}</span>
      <Select
        value={writePlace(alternate)}
        onChange={(event) => {
          estimate.tellRefused(change('alternate', { alternate: readPlace(event.target.value) }));
        }}
      >
        <AlternateOptions />
      </Select>
    </label>
  );
}

interface CodeAndWasteProps {
  readonly facts: LineFacts | undefined;
  readonly change: (label: string, how: Parameters<Estimate['change']>[2]) => string | undefined;
  readonly row: PricedRow;
  readonly numbers: NumberFormat;
  readonly estimate: LinePanelProps['estimate'];
}

function CodeAndWaste({ facts, change, row, numbers, estimate }: CodeAndWasteProps) {
  return (
    <div className={layout.formTwo}>
      <label>
        <span className="soft">{t('estimate.costCode')}</span>
        <CommitInput
          label={t('estimate.costCode')}
          value={facts?.costCode ?? ''}
          onCommit={(text) =>
            change(t('estimate.costCode2'), { costCode: text.trim() === '' ? undefined : text.trim() })
          }
        />
      </label>
      <label>
        <span className="soft">{t('estimate.waste')}</span>
        <CommitInput
          label={t('estimate.wastePercent')}
          align="end"
          disabled={row.type === 'quote' || row.type === 'purchase'}
          value={plainToLocal(String(facts?.wastePercent ?? ''), numbers)}
          onCommit={(text) => estimate.edit([{ row, column: 'waste', text }])}
        />
      </label>
    </div>
  );
}

interface SectionChoiceProps {
  readonly row: PricedRow;
  readonly job: Job;
  readonly estimate: LinePanelProps['estimate'];
  readonly change: (label: string, how: Parameters<Estimate['change']>[2]) => string | undefined;
}

function SectionChoice({ row, job, estimate, change }: SectionChoiceProps) {
  return row.type === 'purchase' ? null : (
    <label>
      <span className="soft">{t('estimate.section2')}</span>
      <Select
        value={placeOf(row, job) ?? ''}
        onChange={(event) => {
          const id = event.target.value;
          estimate.tellRefused(
            change(t('estimate.moveALine'), { sectionId: id === '' ? null : (id as Id<'section'>) }),
          );
        }}
      >
        <option value="">
          {row.type === 'component' ? t('estimate.with', { name: row.scope.name }) : t('estimate.noSection')}
        </option>
        {inOrder(job.section.values()).map(({ id, code, name }) => (
          <option key={id} value={id}>
            {`${code} ${name}`.trim()}
          </option>
        ))}
      </Select>
    </label>
  );
}

interface LineCostProps {
  readonly line: ReportLine;
  readonly money: MoneyFormat;
  readonly price: number | undefined;
}

function LineCost({ line, money, price }: LineCostProps) {
  return (
    <dl className={layout.facts}>
      <dt>{t('estimate.cost')}</dt>
      <dd>
        {line.failure === undefined ? (
          formatMoney(line.extension ?? 0, money)
        ) : (
          <FailureText failure={line.failure} />
        )}
      </dd>
      <dt>{t('estimate.priceToTheClient')}</dt>
      <dd>{price === undefined ? '' : formatMoney(price, money)}</dd>
    </dl>
  );
}

/** Hours without a wage: the rest of the line is in the bid. */
function LaborUnknown({ row }: { readonly row: PricedRow }) {
  const { job, figures } = useOpenJob();
  if (!figures.has(lineNode(row.key, 'labor-known'))) return null;
  const { failure } = figures.figure(lineNode(row.key, 'labor'));
  if (failure === undefined) return null;
  return (
    <p className="warn">{t('estimate.theRestOfThisLineIsIn', { failure: describeFailure(failure, job) })}</p>
  );
}

type Job = ReturnType<typeof useOpenJob>['job'];

const placeOf = (row: PricedRow, job: Job): Id<'section'> | null => {
  switch (row.type) {
    case 'line':
      return row.line.sectionId;
    case 'component': {
      const at = sectionOf(job, row.placed);
      return at === row.scope.sectionId ? null : at;
    }
    case 'quote':
      return row.package.sectionId;
    case 'purchase':
      return null;
  }
};

const noteOf = (row: PricedRow, job: Job): string =>
  row.type === 'line'
    ? (row.line.note ?? '')
    : ([...job.override.values()].find(({ line }) => line === row.key)?.note ?? '');

function PinnedNote({ row, estimate, flowing }: LinePanelProps & { readonly flowing: number | undefined }) {
  const { job, figures } = useOpenJob();
  const { numbers } = useFormats();
  if (pinnedOfRow(job, row) === undefined) return null;
  const { quantity, unit } = reportLine(figures, row);
  const write = (value: number | undefined): string =>
    value === undefined ? t('estimate.noFigure') : `${writeQuantity(value, unit, numbers)} ${unit}`;
  const apart = flowing === undefined || quantity === undefined ? undefined : quantity - flowing;
  return (
    <div className={layout.noteBox}>
      <dl className={layout.facts}>
        <dt>{t('estimate.pinned')}</dt>
        <dd>{write(quantity)}</dd>
        <dt>{t('estimate.calculated')}</dt>
        <dd>{write(flowing)}</dd>
        <dt>{t('estimate.difference')}</dt>
        <dd>{apart === undefined ? '' : write(apart)}</dd>
      </dl>
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          estimate.tellRefused(
            estimate.change(t('estimate.unpinAQuantity'), [row.key], { pinned: undefined }),
          )
        }
      >
        {t('estimate.unpin')}
      </Button>
    </div>
  );
}

type BuiltRow = Extract<PricedRow, { type: 'line' | 'component' }>;

/** The price for one unit, and everything that acts on it, each with its figure. */
function WhyThisPrice({ row }: { readonly row: BuiltRow }) {
  const { job, figures } = useOpenJob();
  const { money, numbers, display } = useFormats();
  const price = priceOfRow(figures, row);
  if (!price.ok) return null;
  const pricing = pricingOfRow(figures, row);
  const item = pricing.quoted === undefined ? itemOfRow(figures, row) : undefined;
  const factor = item === undefined ? undefined : unitFactor(pricing.unit, item.unit);
  const { gang } = price.value;
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
  if (price.value.hours !== 0 && gang !== undefined) {
    lines.push([t('estimate.laborHoursForOneUnit'), formatNumber(price.value.hours, 4, numbers, true)]);
    lines.push([t('estimate.aLaborHour'), formatUnitCost(gang.wages / gang.people, money)]);
    if (gang.machines > 0)
      lines.push([t('estimate.machinesACrewHour'), formatUnitCost(gang.machines, money)]);
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
  const acting = actingOnRow(figures, row);
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
  if (acting.difficulty !== 1) lines.push([t('estimate.hoursForDifficulty'), percent(acting.difficulty)]);
  if (region !== undefined)
    for (const kind of ['material', 'labor', 'equipment'] as const)
      if (region[kind] !== 1)
        lines.push([
          t('estimate.in2', { costwords: COST_WORDS[kind], name: region.name }),
          percent(region[kind]),
        ]);
  for (const { name, percent: by } of adjustmentsOn(job, row.key, sectionId))
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

/** Who does the hours of a line, in the place of those its item names; or a crew whose days it counts. */
function WorkerChoice({ row, estimate }: { readonly row: BuiltRow; readonly estimate: Estimate }) {
  const { job } = useOpenJob();
  const { craftId, crewId } = row.type === 'line' ? row.line : (overrideOf(job, row.key) ?? {});
  return (
    <label>
      <span className="soft">{t('estimate.doneBy')}</span>
      <Select
        value={crewId ?? craftId ?? ''}
        onChange={(event) => {
          const id = event.target.value;
          estimate.tellRefused(
            estimate.change(t('estimate.whoDoesALine'), [row.key], {
              craftId: id.startsWith('craft:') ? (id as Id<'craft'>) : undefined,
              crewId: id.startsWith('crew:') ? (id as Id<'crew'>) : undefined,
            }),
          );
        }}
      >
        <option value="">{t('estimate.asItsItemSays')}</option>
        {[...job.craft.values(), ...inOrder(job.crew.values())].map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
    </label>
  );
}
