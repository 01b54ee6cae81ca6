import { Button } from '@chakra-ui/react';
import { useCallback, useMemo, useState } from 'react';
import { type BuyRow, buyList } from '@zest/core/orders/buyList';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { formatNumber, parseNumber } from '@zest/core/units/numberFormat';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { Empty } from '../../parts/Empty.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { type Formats, useFormats, useOpenJob } from '../../stores/context.tsx';
import { Grid } from '../../tables/Grid.tsx';
import type { GridColumn } from '../../tables/gridProps.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { AskDialog, type Asked } from './AskDialog.tsx';

/** A material as it is shown: what of it is there already is not asked for. */
interface ShownRow extends BuyRow {
  readonly isChosen: boolean;
  readonly stock: number;
}

/** What the job needs to buy, and the way to prices for it. */
export function MaterialsView({ go }: { readonly go: (key: string) => void }) {
  const formats = useFormats();
  const list = useMaterials();
  const [asking, setAsking] = useState(false);
  const { rows, shown, asked, toggle, setStock } = list;
  const columns = useMemo(() => materialColumns(formats, toggle), [formats, toggle]);
  return (
    <div className={layout.stage}>
      {rows.length === 0 ? (
        <div className={layout.bar}>
          <h1>{t('orders.materials')}</h1>
        </div>
      ) : (
        <MaterialsBar list={list} onAsk={() => setAsking(true)} />
      )}
      {rows.length === 0 ? (
        <Empty title={t('orders.nothingToBuy')}>{t('orders.nothingToBuyHow')}</Empty>
      ) : (
        <Grid
          label={t('orders.materials')}
          columns={columns}
          rows={shown}
          keyOf={({ key }) => key}
          onEdit={(edits) => {
            const typed: [key: string, value: number][] = [];
            for (const { row, text } of edits) {
              const value = text.trim() === '' ? 0 : parseNumber(text, formats.numbers);
              if (value === undefined || value < 0) return t('orders.stockIsWrong', { text });
              typed.push([row.key, value]);
            }
            setStock((now) => new Map([...now, ...typed]));
            return undefined;
          }}
        />
      )}
      {asking ? <AskDialog asked={asked} go={go} onClose={() => setAsking(false)} /> : null}
    </div>
  );
}

/** The materials as they are filtered and ticked, and what of them is asked for. */
function useMaterials() {
  const { figures } = useOpenJob();
  const rows = useMemo(() => buyList(figures), [figures]);
  const [supplier, setSupplier] = useState('');
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [stock, setStock] = useState<ReadonlyMap<string, number>>(new Map());
  const toggle = useCallback(
    (keys: readonly string[], on: boolean) =>
      setChosen((now) => new Set(on ? [...now, ...keys] : [...now].filter((key) => !keys.includes(key)))),
    [],
  );
  const shown = rows
    .filter((row) => (supplier === '' || row.supplier === supplier) && matches(row, text))
    .map((row): ShownRow => ({ ...row, isChosen: chosen.has(row.key), stock: stock.get(row.key) ?? 0 }));
  const asked: readonly Asked[] = rows
    .filter(({ key }) => chosen.has(key))
    .map((row) => ({ row, quantity: Math.max(0, row.quantity - (stock.get(row.key) ?? 0)) }))
    .filter(({ quantity }) => quantity > 0);
  return { rows, shown, asked, toggle, setStock, supplier, setSupplier, text, setText };
}

interface MaterialsBarProps {
  readonly list: ReturnType<typeof useMaterials>;
  readonly onAsk: () => void;
}

function MaterialsBar({ list, onAsk }: MaterialsBarProps) {
  const { rows, shown, asked, toggle, supplier, setSupplier, text, setText } = list;
  const suppliers = [...new Set(rows.map((row) => row.supplier))].filter(Boolean).sort();
  return (
    <div className={`${layout.bar} wraps`}>
      <h1>{t('orders.materials')}</h1>
      <TextInput
        aria-label={t('orders.searchMaterials')}
        placeholder={t('orders.searchMaterials')}
        style={{ width: 180 }}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <Select
        aria-label={t('orders.supplier')}
        style={{ width: 210 }}
        value={supplier}
        onChange={({ target }) => setSupplier(target.value)}
      >
        <option value="">{t('orders.everySupplier')}</option>
        {suppliers.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </Select>
      <Checkbox
        checked={shown.length > 0 && shown.every(({ isChosen }) => isChosen)}
        onChange={(on) =>
          toggle(
            shown.map(({ key }) => key),
            on,
          )
        }
      >
        {t('orders.chooseAllShown', { count: shown.length })}
      </Checkbox>
      <span className="grow" />
      <Button size="sm" disabled={asked.length === 0} onClick={onAsk}>
        {asked.length === 0 ? t('orders.askForPrices') : t('orders.askForPricesOf', { count: asked.length })}
      </Button>
    </div>
  );
}

function matches({ partNumber, code, description, supplier }: BuyRow, text: string): boolean {
  const all = `${partNumber} ${code} ${description} ${supplier}`.toLowerCase();
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}

function materialColumns(
  { numbers, money }: Formats,
  toggle: (keys: readonly string[], on: boolean) => void,
): readonly GridColumn<ShownRow>[] {
  const amount = (value: number, unit: string): string =>
    `${writeQuantity(value, unit, numbers)} ${unitOrLabel(unit).symbol}`;
  const placesOf = ({ places, unit }: ShownRow): string =>
    places
      .map(
        ({ name, quantity }) => `${name === '' ? t('orders.fromRounding') : name}: ${amount(quantity, unit)}`,
      )
      .join(', ');
  const priceOf = ({ item }: ShownRow): string =>
    item === undefined || item.material === ''
      ? ''
      : `${formatUnitCost(Number(item.material) / item.basis, money)} / ${item.unit}`;
  const plain = (
    id: string,
    title: string,
    width: string,
    text: (row: ShownRow) => string,
    align: 'left' | 'right' = 'left',
  ): GridColumn<ShownRow> => ({ id, title, width, align, show: text, text, sortBy: text });
  return [
    {
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
    },
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
    plain('price', t('orders.priceNow'), '120px', priceOf, 'right'),
    plain('date', t('orders.priceDate'), '100px', ({ item }) => item?.date ?? ''),
    plain('cost', t('orders.cost'), '110px', ({ material }) => formatMoney(material, money), 'right'),
    plain('places', t('orders.goesTo'), '300px', placesOf),
  ];
}
