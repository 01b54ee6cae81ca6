import { Pin } from 'lucide-react';
import type { Figures } from '@zest/core/calculate/figures';
import { knownValue } from '@zest/core/calculate/define';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { plainToLocal } from '@zest/core/formula/localize';
import { overrideOf } from '@zest/core/job/overrides';
import { type EstimateRow, alternateOfRow } from '@zest/core/estimate/rows';
import type { Job } from '@zest/core/job/job';
import type { ReportLine } from '@zest/core/reports/estimateReport';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { FailureText } from '../../components/Figure.tsx';
import { writeQuantity } from '../../components/writeQuantity.ts';
import { useFormats } from '../../stores/context.tsx';
import { flowsByFormula, pinnedOfRow } from './editRow.ts';

/** What a row is called; a rounded purchase says what it adds to, a line by itself what it is measured on. */
export function describeRow({ row, description }: ReportLine): string {
  if (row.type === 'purchase') return `${description}, rounded up for the whole job`;
  if (row.type === 'component' && row.spread === true) return `${description}, ${row.scope.name}`;
  return description || 'No section';
}

/** What a row is called where it does not stand under what it is measured on. */
export function describeAlone(line: ReportLine): string {
  const { row } = line;
  const words = describeRow(line);
  return row.type === 'component' && row.spread !== true ? `${words}, ${row.scope.name}` : words;
}

interface DescriptionProps {
  readonly row: EstimateRow;
  readonly line: ReportLine;
  readonly job: Job;
}

/** The name of a row under what it belongs to, with what must be known of it at a glance. */
export function DescriptionCell({ row, line, job }: DescriptionProps) {
  const words = describeRow(line);
  const alternate = alternateOfRow(job, row);
  const note = row.type === 'line' ? row.line.note : overrideOf(job, row.key)?.note;
  const unconfirmed = row.type === 'line' && row.line.unconfirmed === true;
  return (
    <>
      <span
        className={`cut ${row.type === 'text' ? 'line-text' : ''}`}
        style={{ paddingLeft: row.type === 'section' ? row.depth * 12 : (row.depth - 1) * 14 }}
        title={note === undefined ? words : `${words}: ${note}`}
      >
        {words}
      </span>
      {note === undefined ? null : (
        <span className="soft" aria-label={`Note: ${note}`} role="note" title={note}>
          *
        </span>
      )}
      {unconfirmed ? <span className="tag warn">unconfirmed</span> : null}
      {alternate === undefined || row.type === 'component' ? null : (
        <span className="tag" title={job.alternate.get(alternate.id)?.name ?? ''}>
          {alternate.as === 'adds' ? '+' : '−'} {job.alternate.get(alternate.id)?.name ?? ''}
        </span>
      )}
    </>
  );
}

/** What a flowing quantity flows from. */
function sourceOf(row: EstimateRow): string {
  if (row.type === 'line') return row.line.quantity;
  if (row.type === 'component') return row.component.formula;
  if (row.type !== 'purchase') return '';
  const { roundUpTo, unit } = row.purchase;
  return `what the whole job needs, rounded up to ${roundUpTo} ${unit}`;
}

const isFlowing = (row: EstimateRow): boolean =>
  row.type === 'component' || row.type === 'purchase' || (row.type === 'line' && flowsByFormula(row.line));

interface QuantityProps {
  readonly row: EstimateRow;
  readonly line: ReportLine;
  readonly figures: Figures;
}

/** The figure that is priced. A pinned one has the flowing one beside it, and by how much they differ. */
export function QuantityCell({ row, line, figures }: QuantityProps) {
  const { numbers } = useFormats();
  if (row.type === 'section' || row.type === 'scope' || row.type === 'text' || row.type === 'subtotal')
    return null;
  const { quantity, failure, unit } = line;
  if (quantity === undefined) return failure === undefined ? null : <FailureText failure={failure} />;
  if (pinnedOfRow(figures.job, row) !== undefined)
    return <Pinned line={line} quantity={quantity} flowing={flowingOf(figures, row)} numbers={numbers} />;
  return (
    <>
      {isFlowing(row) ? (
        <span className="flow" title={`Flows from ${plainToLocal(sourceOf(row), numbers)}`}>
          ◆
        </span>
      ) : null}
      {writeQuantity(quantity, unit, numbers)}
    </>
  );
}

const flowingOf = (figures: Figures, row: EstimateRow): number | undefined =>
  knownValue(figures.figure(lineNode(row.key, 'flowing')));

interface PinnedProps {
  readonly line: ReportLine;
  readonly quantity: number;
  readonly flowing: number | undefined;
  readonly numbers: NumberFormat;
}

function Pinned({ line, quantity, flowing, numbers }: PinnedProps) {
  const write = (value: number): string => writeQuantity(value, line.unit, numbers);
  const words =
    flowing === undefined
      ? 'Pinned; what flows has no figure'
      : `Pinned; ${write(flowing)} ${line.unit} flow, ${describeDifference(quantity - flowing, write)}`;
  return (
    <span
      className="pinned"
      title={`${words}. Empty the cell to let it go.`}
      aria-label={`${write(quantity)}. ${words}`}
    >
      <Pin size={11} aria-hidden="true" />
      {flowing === undefined ? null : <span className="flowing">{write(flowing)}</span>}
      <b>{write(quantity)}</b>
    </span>
  );
}

const describeDifference = (difference: number, write: (value: number) => string): string =>
  difference === 0
    ? 'just as much'
    : `${write(Math.abs(difference))} ${difference > 0 ? 'more' : 'less'} pinned`;
