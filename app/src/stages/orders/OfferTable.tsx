import type { PriceRequest } from '@zest/core/job/records/request';
import type { Comparison, OfferCell, OfferColumn } from '@zest/core/orders/compareOffers';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { BareButton, TextButton } from '../../parts/buttons.tsx';
import { type Formats, useFormats } from '../../stores/context.tsx';
import { longDay } from '../../messages/dates.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

interface OfferTableProps {
  readonly request: PriceRequest;
  readonly comparison: Comparison;
  readonly approve: (approved: PriceRequest['approved']) => void;
}

/** Rows against suppliers: a price is taken by pressing it, or all of one supplier at once. */
export function OfferTable({ request, comparison, approve }: OfferTableProps) {
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
              taken={approved[row.key]}
              onTake={(supplier) => approve(toggled(approved, row.key, supplier))}
            />
          ))}
        </tbody>
        <OfferFoot columns={comparison.columns} />
      </table>
    </div>
  );
}

interface OfferedRowProps {
  readonly row: PriceRequest['rows'][number];
  readonly at: number;
  readonly comparison: Comparison;
  /** Whose price is taken. */
  readonly taken: string | undefined;
  readonly onTake: (supplier: string) => void;
}

function OfferedRow({ row, at, comparison: { columns, cheapest }, taken, onTake }: OfferedRowProps) {
  const formats = useFormats();
  const { description, quantity, unit } = row;
  return (
    <tr>
      <th scope="row">
        {description}
        <span className="soft">
          {`${writeQuantity(Number(quantity), unit, formats.numbers)} ${unitOrLabel(unit).symbol}`}
        </span>
      </th>
      {columns.map(({ supplier, name, cells, offer }) => (
        <OfferedCell
          key={supplier}
          cell={offer === undefined || offer.declined === true ? undefined : cells[at]}
          isLeast={cheapest[at] === supplier}
          isTaken={taken === supplier}
          label={t('orders.takePriceOf', { name, description })}
          unit={unit}
          formats={formats}
          onTake={() => onTake(supplier)}
        />
      ))}
    </tr>
  );
}

/** What each comes to; who has not answered, or does not offer, comes to nothing. */
function OfferFoot({ columns }: Pick<Comparison, 'columns'>) {
  const { money } = useFormats();
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

interface OfferedCellProps {
  /** Undefined while nothing has come. */
  readonly cell: OfferCell | undefined;
  readonly isLeast: boolean;
  readonly isTaken: boolean;
  readonly label: string;
  readonly unit: string;
  readonly formats: Formats;
  readonly onTake: () => void;
}

function OfferedCell({ cell, isLeast, isTaken, label, unit, formats: { money }, onTake }: OfferedCellProps) {
  if (cell === undefined) return <td />;
  if (cell.kind === 'missing') return <td className="soft right">{t('orders.notOffered')}</td>;
  if (cell.kind === 'wrong-unit')
    return (
      <td className="warn right">{t('orders.wrongUnit', { price: cell.row.price, unit: cell.row.unit })}</td>
    );
  const { row, amount, unitPrice, givenIn } = cell;
  const said = [
    ...(givenIn === '' ? [] : [t('orders.givenAs', { price: row.price, unit: givenIn })]),
    ...(row.leadDays === undefined ? [] : [t('orders.days', { count: row.leadDays })]),
    ...(row.substitute === '' ? [] : [t('orders.insteadOf', { substitute: row.substitute })]),
    ...(row.note === '' ? [] : [row.note]),
  ];
  return (
    <td className={`right ${isTaken ? 'taken' : ''}`}>
      <BareButton aria-label={label} aria-pressed={isTaken} onClick={onTake}>
        <b>{formatMoney(amount, money)}</b>
        <span className="soft">{`${formatUnitCost(unitPrice, money)} / ${unitOrLabel(unit).symbol}`}</span>
        {isLeast || isTaken ? (
          <span className="least">
            {[isTaken ? `✓ ${t('orders.taken')}` : '', isLeast ? t('orders.least') : '']
              .filter(Boolean)
              .join(', ')}
          </span>
        ) : null}
      </BareButton>
      {said.length === 0 ? null : <span className="soft">{said.join(', ')}</span>}
    </td>
  );
}
