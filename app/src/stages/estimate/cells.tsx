import { Pin } from 'lucide-react';
import type { Figures } from '@zest/core/calculate/figures';
import { knownValue } from '@zest/core/calculate/define';
import { samplesOfPriced } from '@zest/core/calculate/samples';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { plainToLocal } from '@zest/core/formula/localize';
import { overrideOf } from '@zest/core/job/overrides';
import { type EstimateRow, alternateOfRow } from '@zest/core/estimate/rows';
import type { Failure } from '@zest/core/job/failure';
import { type ReportLine, itemOfRow, pricingOfRow } from '@zest/core/reports/estimateReport';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { FailureText } from '../../figures/Figure.tsx';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { useFormats } from '../../stores/context.tsx';
import { flowsByFormula, pinnedOfRow } from './editRow.ts';
import { t } from '../../messages/t.ts';
import { FoldButton } from './folding.tsx';
import { styles } from './styles.ts';

/** What a row is called; a rounded purchase says what it adds to, a line by itself what it is measured on. */
export function describeRow({ row, description }: ReportLine): string {
  if (row.type === 'purchase') return t('estimate.roundedUpForTheWholeJob', { description });
  if (row.type === 'component' && row.spread === true) return `${description}, ${row.scope.name}`;
  return description || t('estimate.noSection');
}

/** What a row is called where it does not stand under what it is measured on. */
export function describeAlone(line: ReportLine): string {
  const { row } = line;
  const words = describeRow(line);
  return row.type === 'component' && row.spread !== true ? `${words}, ${row.scope.name}` : words;
}

/** What a description shows, as plain values: a row is drawn anew only where one of them is another. */
interface DescriptionProps {
  readonly words: string;
  readonly isText: boolean;
  readonly indent: number;
  /** Of a section, which can be collapsed. */
  readonly sectionKey: string | undefined;
  readonly note: string | undefined;
  readonly unconfirmed: boolean;
  /** Money set aside rather than priced work. */
  readonly isAllowance: boolean;
  /** Its money rests on a sample that ships with the program. */
  readonly sampled: boolean;
  /** The alternate it stands in, with its sign; undefined where that is said of what it was measured on. */
  readonly alternate: { readonly sign: string; readonly name: string } | undefined;
}

export function describedAs(figures: Figures, row: EstimateRow, line: ReportLine): DescriptionProps {
  const { job } = figures;
  const place = row.type === 'component' ? undefined : alternateOfRow(job, row);
  return {
    words: describeRow(line),
    isText: row.type === 'text',
    indent: row.type === 'section' ? row.depth * 12 : (row.depth - 1) * 14,
    sectionKey: row.type === 'section' ? row.key : undefined,
    note: row.type === 'line' ? row.line.note : overrideOf(job, row.key)?.note,
    isAllowance: row.type === 'line' && row.line.allowance !== undefined,
    unconfirmed: row.type === 'line' && row.line.unconfirmed === true,
    sampled: isSampled(figures, row),
    alternate:
      place === undefined
        ? undefined
        : { sign: place.as === 'adds' ? '+' : '−', name: job.alternate.get(place.id)?.name ?? '' },
  };
}

/** Whether the price of a row, or the wage of its hours, is a sample. */
function isSampled(figures: Figures, row: EstimateRow): boolean {
  if (row.type !== 'component' && row.type !== 'line' && row.type !== 'purchase') return false;
  const { price, wage } = samplesOfPriced(figures, {
    pricing: pricingOfRow(figures, row),
    item: itemOfRow(figures, row),
  });
  return price || wage;
}

/** The name of a row under what it belongs to, with what must be known of it at a glance. */
export function DescriptionCell(props: DescriptionProps) {
  const { words, isText, indent, sectionKey, note, unconfirmed, isAllowance, sampled, alternate } = props;
  return (
    <>
      {sectionKey === undefined ? null : <FoldButton sectionKey={sectionKey} name={words} />}
      <span
        className={`cut ${isText ? 'line-text' : ''}`}
        style={{ paddingLeft: indent }}
        title={note === undefined ? words : `${words}: ${note}`}
      >
        {words}
      </span>
      {note === undefined ? null : (
        <span className="soft" aria-label={t('estimate.noteIs', { note })} role="note" title={note}>
          *
        </span>
      )}
      {isAllowance ? <span className={styles.tag}>{t('estimate.allowance')}</span> : null}
      {sampled ? (
        <span className={`${styles.tag} warn`} title={t('estimate.samplePriceMeans')}>
          {t('estimate.sample')}
        </span>
      ) : null}
      {unconfirmed ? <span className={`${styles.tag} warn`}>{t('estimate.unconfirmed')}</span> : null}
      {alternate === undefined ? null : (
        <span className={styles.tag} title={alternate.name}>
          {alternate.sign} {alternate.name}
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
  return t('estimate.whatTheWholeJobNeedsRoundedUp', { roundUpTo, unit });
}

const isFlowing = (row: EstimateRow): boolean =>
  row.type === 'component' || row.type === 'purchase' || (row.type === 'line' && flowsByFormula(row.line));

/** What a quantity shows, as plain values. */
interface QuantityProps {
  /** In the line's unit; undefined where it has none. */
  readonly quantity: number | undefined;
  readonly unit: string;
  readonly failure: Failure | undefined;
  /** What it flows from; undefined for one that was typed. */
  readonly source: string | undefined;
  /** Of a pinned one, what flows under it: its value where that is known. */
  readonly pinnedOver: { readonly flowing: number | undefined } | undefined;
}

const NO_QUANTITY: QuantityProps = {
  quantity: undefined,
  unit: '',
  failure: undefined,
  source: undefined,
  pinnedOver: undefined,
};

export function quantityOf(figures: Figures, row: EstimateRow, line: ReportLine): QuantityProps {
  if (row.type === 'section' || row.type === 'scope' || row.type === 'text' || row.type === 'subtotal')
    return NO_QUANTITY;
  const { quantity, unit, failure } = line;
  return {
    quantity,
    unit,
    failure: quantity === undefined ? failure : undefined,
    source: isFlowing(row) ? sourceOf(row) : undefined,
    pinnedOver:
      pinnedOfRow(figures.job, row) === undefined ? undefined : { flowing: flowingOf(figures, row) },
  };
}

/** The figure that is priced. A pinned one has the flowing one beside it, and by how much they differ. */
export function QuantityCell({ quantity, unit, failure, source, pinnedOver }: QuantityProps) {
  const { numbers } = useFormats();
  if (quantity === undefined) return failure === undefined ? null : <FailureText failure={failure} />;
  if (pinnedOver !== undefined)
    return <Pinned unit={unit} quantity={quantity} flowing={pinnedOver.flowing} numbers={numbers} />;
  return (
    <>
      {source === undefined ? null : (
        <span
          className="flow"
          title={t('estimate.calculatedFrom', { source: plainToLocal(source, numbers) })}
        >
          ◆
        </span>
      )}
      {writeQuantity(quantity, unit, numbers)}
    </>
  );
}

const flowingOf = (figures: Figures, row: EstimateRow): number | undefined =>
  knownValue(figures.figure(lineNode(row.key, 'flowing')));

interface PinnedProps {
  readonly unit: string;
  readonly quantity: number;
  readonly flowing: number | undefined;
  readonly numbers: NumberFormat;
}

function Pinned({ unit, quantity, flowing, numbers }: PinnedProps) {
  const write = (value: number): string => writeQuantity(value, unit, numbers);
  const words =
    flowing === undefined
      ? t('estimate.pinnedThereIsNoCalculatedQuantity')
      : t('estimate.pinnedCalculated', {
          flowing: write(flowing),
          unit,
          value: describeDifference(quantity - flowing, write),
        });
  return (
    <span
      className={styles.pinned}
      title={t('estimate.emptyTheCellToUnpin', { words })}
      aria-label={`${write(quantity)}. ${words}`}
    >
      <Pin size={11} aria-hidden="true" />
      {flowing === undefined ? null : <span className={styles.flowing}>{write(flowing)}</span>}
      <b>{write(quantity)}</b>
    </span>
  );
}

const describeDifference = (difference: number, write: (value: number) => string): string =>
  difference === 0
    ? t('estimate.theSame')
    : t(difference > 0 ? 'estimate.pinnedMore' : 'estimate.pinnedLess', {
        difference: write(Math.abs(difference)),
      });
