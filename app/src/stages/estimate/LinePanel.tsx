import { Button } from '@chakra-ui/react';
import { type LineFacts, type ReportLine, factsOf, reportLine } from '@zest/core/reports/estimateReport';
import { type PricedRow, alternateOfRow } from '@zest/core/estimate/rows';
import { overrideOf } from '@zest/core/job/overrides';
import { sectionOf } from '@zest/core/estimate/places';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { linePrices } from '@zest/core/calculate/totals/linePrices';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import { plainToLocal } from '@zest/core/formula/localize';
import { type MoneyFormat, formatMoney } from '@zest/core/pricing/money';
import { put } from '@zest/core/job/change';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { FailureText } from '../../figures/Figure.tsx';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { SizingEditor } from '../prices/SizingEditor.tsx';
import { AlternateOptions, readPlace, writePlace } from './AlternateOptions.tsx';
import { describeRow } from './cells.tsx';
import { pinnedOfRow } from './editRow.ts';
import type { Estimate } from './useEstimate.ts';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { ALLOWANCES, type Line } from '@zest/core/job/records/line';
import type { Scope } from '@zest/core/job/records/scope';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { type BuiltRow, WhyThisPrice } from './WhyThisPrice.tsx';
import { SectionOptions } from '../../figures/SectionOptions.tsx';

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
      {row.type === 'line' ? <AllowanceChoice line={row.line} estimate={estimate} /> : null}
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

/** Work that is priced, or money set aside for what is not known yet. */
function AllowanceChoice({ line, estimate }: Pick<LinePanelProps, 'estimate'> & { readonly line: Line }) {
  return (
    <label>
      <span className="soft">{t('estimate.kindOfLine')}</span>
      <Select
        value={line.allowance ?? ''}
        onChange={({ target }) => {
          const { allowance: _before, ...rest } = line;
          const allowance = ALLOWANCES.find((each) => each === target.value);
          estimate.tellRefused(
            estimate.settle(
              t('estimate.makeAnAllowance', { name: line.description }),
              put(allowance === undefined ? rest : { ...rest, allowance }),
            ),
          );
        }}
      >
        <option value="">{t('estimate.pricedWork')}</option>
        <option value="with-markup">{t('estimate.allowanceWithMarkup')}</option>
        <option value="without-markup">{t('estimate.allowanceWithoutMarkup')}</option>
      </Select>
    </label>
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
        <SectionOptions sections={job.section.values()} />
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
