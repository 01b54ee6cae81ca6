import type { PriceRequest } from '@zest/core/job/records/request';
import type { Comparison, OfferColumn } from '@zest/core/orders/compareOffers';
import { type Delivered, deliveredOf, takenFrom } from '@zest/core/orders/parts';
import { formatMoney, minorDigits } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { useFormats } from '../../stores/context.tsx';
import { longDay } from '../../messages/dates.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { OfferedCell } from './OfferedCell.tsx';
import { styles } from './styles.ts';

interface OfferTableProps {
  readonly request: PriceRequest;
  readonly comparison: Comparison;
  /** Rows that the job needs another quantity of now. */
  readonly needs: ReadonlyMap<string, number>;
  readonly approve: (approved: PriceRequest['approved']) => void;
  /** Asks how much of a row another supplier delivers. */
  readonly onPart: (row: string, supplier: string) => void;
}

/** Rows against suppliers: a price is taken by pressing it, or all of one supplier at once. */
export function OfferTable({ request, comparison, needs, approve, onPart }: OfferTableProps) {
  const { approved, rows } = request;
  return (
    <div
      className={`${layout.scroll} ${styles.offers}`}
      tabIndex={0}
      role="region"
      aria-label={t('orders.answers')}
    >
      <table>
        <thead>
          <tr>
            <th scope="col">{t('orders.description')}</th>
            {comparison.columns.map((column) => (
              <SupplierHead
                key={column.supplier}
                column={column}
                request={request}
                onTakeAll={() => approve({ ...approved, ...allOf(request, column) })}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            <OfferedRow
              key={row.key}
              row={row}
              at={at}
              comparison={comparison}
              needsNow={needs.get(row.key)}
              delivered={deliveredOf(request, row)}
              taken={approved[row.key]}
              onTake={(supplier) => approve(toggled(approved, row.key, supplier))}
              onPart={(supplier) => onPart(row.key, supplier)}
            />
          ))}
        </tbody>
        <OfferFoot columns={comparison.columns} request={request} />
      </table>
    </div>
  );
}

interface OfferedRowProps {
  readonly row: PriceRequest['rows'][number];
  readonly at: number;
  readonly comparison: Comparison;
  /** Another quantity than was asked for; undefined where it is the same. */
  readonly needsNow: number | undefined;
  /** Whose price is taken. */
  readonly taken: string | undefined;
  /** Who delivers how much of it. */
  readonly delivered: readonly Delivered[];
  readonly onTake: (supplier: string) => void;
  readonly onPart: (supplier: string) => void;
}

function OfferedRow(props: OfferedRowProps) {
  const { row, at, comparison, needsNow, taken, delivered, onTake, onPart } = props;
  const { columns, cheapest } = comparison;
  const formats = useFormats();
  const { description, quantity, unit } = row;
  const amount = (of: number): string =>
    `${writeQuantity(of, unit, formats.numbers)} ${unitOrLabel(unit).symbol}`;
  const isSplit = delivered.length > 1;
  return (
    <tr>
      <th scope="row">
        {description}
        <span className="soft">{amount(Number(quantity))}</span>
        {needsNow === undefined ? null : (
          <span className="warn">
            {needsNow === 0
              ? t('orders.notNeededNow')
              : t('orders.neededNow', { then: amount(Number(row.needed)), now: amount(needsNow) })}
          </span>
        )}
      </th>
      {columns.map(({ supplier, name, cells, offer }) => (
        <OfferedCell
          key={supplier}
          cell={offer === undefined || offer.declined === true ? undefined : cells[at]}
          isLeast={cheapest[at] === supplier}
          isTaken={taken === supplier}
          part={isSplit ? partOf(delivered, supplier, amount) : undefined}
          label={t('orders.takePriceOf', { name, description })}
          partLabel={t('orders.takePartOf', { name, description })}
          unit={unit}
          formats={formats}
          onTake={() => onTake(supplier)}
          onPart={taken === undefined || taken === supplier ? undefined : () => onPart(supplier)}
        />
      ))}
    </tr>
  );
}

function partOf(
  delivered: readonly Delivered[],
  supplier: string,
  amount: (of: number) => string,
): string | undefined {
  const own = delivered.find((each) => each.supplier === supplier);
  return own === undefined ? undefined : amount(own.quantity);
}

/** What each comes to; who has not answered, or does not offer, comes to nothing. */
function OfferFoot({ columns, request }: Pick<Comparison, 'columns'> & { readonly request: PriceRequest }) {
  const { money } = useFormats();
  const taken = columns.map((column) => takenFrom(request, column, minorDigits(money.currency)));
  const sum = taken.reduce((all, each) => all + each, 0);
  const foot = (label: string, of: (column: OfferColumn) => string): React.JSX.Element => (
    <tr>
      <th scope="row">{label}</th>
      {columns.map((column) => (
        <td key={column.supplier} className="right">
          {column.offer === undefined || column.offer.declined === true ? '' : of(column)}
        </td>
      ))}
    </tr>
  );
  return (
    <tfoot>
      {foot(t('orders.offered'), ({ given }) => formatMoney(given, money))}
      {foot(t('orders.allowedForMissing'), ({ allowed, missing }) =>
        missing === 0 ? '' : `${formatMoney(allowed, money)} (${t('count.row', { count: missing })})`,
      )}
      {foot(t('orders.inAll'), ({ given, allowed, unpriced }) =>
        [
          formatMoney(given + allowed, money),
          ...(unpriced > 0 ? [t('orders.withoutRows', { count: unpriced })] : []),
        ].join(' '),
      )}
      {sum === 0
        ? null
        : foot(t('orders.takenSum', { sum: formatMoney(sum, money) }), (column) => {
            const own = taken[columns.indexOf(column)] ?? 0;
            return own === 0 ? '' : formatMoney(own, money);
          })}
    </tfoot>
  );
}

/** Every row that a supplier offers. */
const allOf = ({ rows }: PriceRequest, { supplier, cells }: OfferColumn): PriceRequest['approved'] =>
  Object.fromEntries(rows.flatMap(({ key }, at) => (cells[at]?.kind === 'price' ? [[key, supplier]] : [])));

/** Pressed again, it is taken back. */
function toggled(
  approved: PriceRequest['approved'],
  key: string,
  supplier: string,
): PriceRequest['approved'] {
  const { [key]: had, ...rest } = approved;
  return had === supplier ? rest : { ...rest, [key]: supplier };
}

interface SupplierHeadProps {
  readonly column: OfferColumn;
  readonly request: PriceRequest;
  readonly onTakeAll: () => void;
}

function SupplierHead({ column, request, onTakeAll }: SupplierHeadProps) {
  const { name, offer, supplier, given } = column;
  const token = request.suppliers.find(({ key }) => key === supplier)?.token ?? '';
  return (
    <th scope="col">
      {name}
      <span className="soft">{stateOf(column, token)}</span>
      {offer?.note === undefined || offer.note === '' ? null : <span className="soft">{offer.note}</span>}
      {given === 0 ? null : (
        <TextButton onClick={onTakeAll} aria-label={t('orders.takeAllOf', { name })}>
          {t('orders.takeAll')}
        </TextButton>
      )}
      {token === '' ? null : (
        <a href={`/desk/${token}`} target="_blank" rel="noreferrer">
          {t('orders.theirPage')}
        </a>
      )}
    </th>
  );
}

function stateOf({ offer }: OfferColumn, token: string): string {
  if (offer === undefined) return token === '' ? t('orders.notSent') : t('orders.noAnswerYet');
  if (offer.declined === true) return t('orders.declined', { date: longDay(offer.date) });
  const parts = [
    offer.late === true
      ? t('orders.answeredLate', { date: longDay(offer.date) })
      : t('orders.answeredOn', { date: longDay(offer.date) }),
    ...(offer.validUntil === '' ? [] : [t('orders.validUntil', { date: longDay(offer.validUntil) })]),
  ];
  return parts.join(', ');
}
