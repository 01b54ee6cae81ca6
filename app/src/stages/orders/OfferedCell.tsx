import type { OfferCell } from '@zest/core/orders/compareOffers';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { BareButton, TextButton } from '../../parts/buttons.tsx';
import type { Formats } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

interface OfferedCellProps {
  /** Undefined while nothing has come. */
  readonly cell: OfferCell | undefined;
  readonly isLeast: boolean;
  readonly isTaken: boolean;
  /** What this supplier delivers of a row that several deliver, in words. */
  readonly part: string | undefined;
  readonly label: string;
  readonly partLabel: string;
  readonly unit: string;
  readonly formats: Formats;
  readonly onTake: () => void;
  /** Undefined where no other price is taken: then it is all or nothing. */
  readonly onPart: (() => void) | undefined;
}

/** What one supplier says of one row; its price is taken by pressing it. */
export function OfferedCell(props: OfferedCellProps) {
  const { cell, isTaken, part, label, partLabel, onTake, onPart } = props;
  if (cell === undefined) return <td />;
  if (cell.kind === 'missing') return <td className="soft right">{t('orders.notOffered')}</td>;
  if (cell.kind === 'wrong-unit')
    return (
      <td className="warn right">{t('orders.wrongUnit', { price: cell.row.price, unit: cell.row.unit })}</td>
    );
  const said = saidBeside(cell);
  return (
    <td className={`right ${isTaken || part !== undefined ? 'taken' : ''}`}>
      <BareButton aria-label={label} aria-pressed={isTaken} onClick={onTake}>
        <PriceWords {...props} cell={cell} />
      </BareButton>
      {said.length === 0 ? null : <span className="soft">{said.join(', ')}</span>}
      {onPart === undefined ? null : (
        <TextButton aria-label={partLabel} onClick={onPart}>
          {part === undefined ? t('orders.takePart') : t('orders.changePart')}
        </TextButton>
      )}
    </td>
  );
}

type PricedCell = Extract<OfferCell, { kind: 'price' }>;

const saidBeside = ({ row, givenIn }: PricedCell): readonly string[] => [
  ...(givenIn === '' ? [] : [t('orders.givenAs', { price: row.price, unit: givenIn })]),
  ...(row.leadDays === undefined ? [] : [t('orders.days', { count: row.leadDays })]),
  ...(row.substitute === '' ? [] : [t('orders.insteadOf', { substitute: row.substitute })]),
  ...(row.note === '' ? [] : [row.note]),
];

interface PriceWordsProps extends Pick<
  OfferedCellProps,
  'isLeast' | 'isTaken' | 'part' | 'unit' | 'formats'
> {
  readonly cell: PricedCell;
}

function PriceWords({ cell, isLeast, isTaken, part, unit, formats: { money } }: PriceWordsProps) {
  const taken = part === undefined ? t('orders.taken') : t('orders.takenOnly', { quantity: part });
  const words = [
    ...(isTaken || part !== undefined ? [`✓ ${taken}`] : []),
    ...(isLeast ? [t('orders.least')] : []),
  ];
  return (
    <>
      <b>{formatMoney(cell.amount, money)}</b>
      <span className="soft">{`${formatUnitCost(cell.unitPrice, money)} / ${unitOrLabel(unit).symbol}`}</span>
      {words.length === 0 ? null : <span className="least">{words.join(', ')}</span>}
    </>
  );
}
