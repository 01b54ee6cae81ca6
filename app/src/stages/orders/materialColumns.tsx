import type { BuyRow } from '@zest/core/orders/buyList';
import { toOrder } from '@zest/core/orders/buyList';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { formatNumber } from '@zest/core/units/numberFormat';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { Checkbox } from '../../parts/Checkbox.tsx';
import type { Formats } from '../../stores/context.tsx';
import type { GridColumn } from '../../tables/gridProps.ts';
import { t } from '../../messages/t.ts';

/** A material as it is shown: what of it is there already is not asked for. */
export interface ShownRow extends BuyRow {
  readonly isChosen: boolean;
  readonly stock: number;
}

const plain = (
  id: string,
  title: string,
  width: string,
  text: (row: ShownRow) => string,
  align: 'left' | 'right' = 'left',
): GridColumn<ShownRow> => ({ id, title, width, align, show: text, text, sortBy: text });

/** What the cells of a material say. */
function materialTexts({ numbers, money }: Formats) {
  const amount = (value: number, unit: string): string =>
    `${writeQuantity(value, unit, numbers)} ${unitOrLabel(unit).symbol}`;
  // Where nothing has a place, nothing is said of it.
  const placesOf = ({ places, unit }: ShownRow): string =>
    places.every(({ name }) => name === '')
      ? ''
      : places
          .map(
            ({ name, quantity }) => `${name === '' ? t('orders.nowhere') : name}: ${amount(quantity, unit)}`,
          )
          .join(', ');
  const packsOf = (row: ShownRow): string =>
    row.pack === 0
      ? ''
      : t('orders.packsOf', { count: toOrder(row, row.stock).packs, size: amount(row.pack, row.unit) });
  const priceOf = ({ item }: ShownRow): string =>
    item === undefined || item.material === ''
      ? ''
      : `${formatUnitCost(Number(item.material) / item.basis, money)} / ${item.unit}`;
  return { amount, placesOf, packsOf, priceOf };
}

/** Ticked, it is asked for. */
const chosenColumn = (toggle: (keys: readonly string[], on: boolean) => void): GridColumn<ShownRow> => ({
  id: 'chosen',
  title: t('orders.ask'),
  width: '52px',
  show: (row) => (
    <Checkbox
      checked={row.isChosen}
      aria-label={t('orders.askFor', { name: row.description })}
      onChange={(on) => toggle([row.key], on)}
    />
  ),
  text: ({ isChosen }) => (isChosen ? t('orders.yes') : ''),
});

export function materialColumns(
  formats: Formats,
  toggle: (keys: readonly string[], on: boolean) => void,
): readonly GridColumn<ShownRow>[] {
  const { numbers, money } = formats;
  const { amount, placesOf, packsOf, priceOf } = materialTexts(formats);
  return [
    chosenColumn(toggle),
    plain('part', t('orders.part'), '110px', ({ partNumber, code }) => partNumber || code),
    plain('description', t('orders.description'), '250px', ({ description }) => description),
    plain('supplier', t('orders.supplier'), '170px', ({ supplier }) => supplier),
    plain('needed', t('orders.needed'), '96px', ({ needed, unit }) => amount(needed, unit), 'right'),
    plain('bought', t('orders.bought'), '96px', ({ quantity, unit }) => amount(quantity, unit), 'right'),
    {
      ...plain(
        'stock',
        t('orders.inStock'),
        '84px',
        ({ stock }) => (stock === 0 ? '' : formatNumber(stock, 8, numbers, true)),
        'right',
      ),
      editable: () => true,
      hint: t('orders.inStockHint'),
    },
    plain(
      'order',
      t('orders.toOrder'),
      '96px',
      (row) => amount(toOrder(row, row.stock).quantity, row.unit),
      'right',
    ),
    plain('packs', t('orders.packs'), '100px', packsOf, 'right'),
    plain('price', t('orders.priceNow'), '120px', priceOf, 'right'),
    plain('date', t('orders.priceDate'), '100px', ({ item }) => item?.date ?? ''),
    plain('cost', t('orders.cost'), '110px', ({ material }) => formatMoney(material, money), 'right'),
    plain('places', t('orders.goesTo'), '300px', placesOf),
  ];
}
