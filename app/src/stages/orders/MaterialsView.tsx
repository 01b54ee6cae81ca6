import { Button } from '@chakra-ui/react';
import { useCallback, useMemo, useState } from 'react';
import { put, remove, sequence } from '@zest/core/job/change';
import { orderAfter } from '@zest/core/job/job';
import { type BuyRow, buyList, toOrder } from '@zest/core/orders/buyList';
import { DELIVERED_BY, type DeliveredBy } from '@zest/core/orders/deliveries';
import type { Id } from '@zest/core/job/id';
import type { Stock } from '@zest/core/job/records/request';
import { parseNumber, roundTo } from '@zest/core/units/numberFormat';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { Empty } from '../../parts/Empty.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { useFormats, useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { Grid } from '../../tables/Grid.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { AskDialog, type Asked } from './AskDialog.tsx';
import { type ShownRow, materialColumns } from './materialColumns.tsx';

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
          onEdit={setStock}
        />
      )}
      {asking ? <AskDialog asked={asked} go={go} onClose={() => setAsking(false)} /> : null}
    </div>
  );
}

/** The materials as they are filtered and ticked, and what of them is asked for. */
function useMaterials() {
  const { figures } = useOpenJob();
  const by = useView((state) => state.deliveredBy);
  const rows = useMemo(() => buyList(figures, by), [figures, by]);
  const { stock, setStock } = useStock();
  const [supplier, setSupplier] = useState('');
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
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
    .map((row) => ({ row, quantity: toOrder(row, stock.get(row.key)).quantity }))
    .filter(({ quantity }) => quantity > 0);
  return { rows, shown, asked, toggle, setStock, supplier, setSupplier, text, setText };
}

/** What is there already, kept with the job. */
function useStock() {
  const { makeId } = useServices();
  const { numbers } = useFormats();
  const settle = useSettle();
  const table = useTable('stock');
  const stock = useMemo(
    () => new Map([...table.values()].map(({ key, quantity }) => [key, Number(quantity)])),
    [table],
  );
  const setStock = (
    edits: readonly { readonly row: ShownRow; readonly text: string }[],
  ): string | undefined => {
    const records = [...table.values()];
    const typed: Stock[] = [];
    const gone: Id<'stock'>[] = [];
    for (const { row, text } of edits) {
      const had = records.find(({ key }) => key === row.key);
      const value = text.trim() === '' ? 0 : parseNumber(text, numbers);
      if (value === undefined || value < 0) return t('orders.stockIsWrong', { text });
      if (value > 0)
        typed.push({
          type: 'stock',
          id: had?.id ?? makeId('stock'),
          key: row.key,
          quantity: String(roundTo(value, 8)),
          order: had?.order ?? orderAfter(records) + typed.length,
        });
      else if (had !== undefined) gone.push(had.id);
    }
    if (typed.length === 0 && gone.length === 0) return undefined;
    const names = edits
      .map(({ row }) => row.description)
      .join(', ')
      .slice(0, 120);
    return settle(t('orders.setStock', { names }), sequence(put(...typed), remove(...gone)));
  };
  return { stock, setStock };
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
        style={{ width: 126 }}
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <Select
        aria-label={t('orders.supplier')}
        style={{ width: 130 }}
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
      <DeliveriesChoice />
      <span className="grow" />
      <Button size="sm" disabled={asked.length === 0} onClick={onAsk}>
        {asked.length === 0 ? t('orders.askForPrices') : t('orders.askForPricesOf', { count: asked.length })}
      </Button>
    </div>
  );
}

const DELIVERED_WORDS: Readonly<Record<DeliveredBy, string>> = {
  section: t('orders.bySection'),
  phase: t('orders.byPhase'),
  scope: t('orders.byScope'),
  level: t('orders.byLevel'),
  zone: t('orders.byZone'),
};

/** What each delivery is for. */
function DeliveriesChoice() {
  const by = useView((state) => state.deliveredBy);
  const setView = useSetView();
  return (
    <label className="soft">
      {t('orders.deliveriesBy')}{' '}
      <Select
        style={{ width: 104 }}
        value={by}
        onChange={({ target }) => setView({ deliveredBy: target.value as DeliveredBy })}
      >
        {DELIVERED_BY.map((each) => (
          <option key={each} value={each}>
            {DELIVERED_WORDS[each]}
          </option>
        ))}
      </Select>
    </label>
  );
}

function matches({ partNumber, code, description, supplier }: BuyRow, text: string): boolean {
  const all = `${partNumber} ${code} ${description} ${supplier}`.toLowerCase();
  return text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}
