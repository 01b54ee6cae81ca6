import {
  type PrintedDocument,
  type PrintedParagraph,
  type PrintedRow,
  type PrintedTable,
} from '@zest/core/formats/document/printed';
import { type Job, settingsOf } from '@zest/core/job/job';
import type { PurchaseOrder } from '@zest/core/job/records/request';
import { amountOfRow, totalOfOrder } from '@zest/core/orders/makeOrders';
import { minorDigits } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { roundTo } from '@zest/core/units/numberFormat';
import { longDay } from '../../messages/dates.ts';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { type DocumentWords, documentWords } from '../bid/documentWords.ts';
import { letterheadOf, paperOfJob } from '../bid/paper.ts';
import { moneyCell, rateCell, words } from '../bid/priceTable.ts';

interface Printing {
  readonly by: DocumentWords;
  readonly order: PurchaseOrder;
  readonly digits: number;
}

/** An order as it goes to the supplier. */
export function printOrder(job: Job, order: PurchaseOrder): PrintedDocument {
  const settings = settingsOf(job);
  const by = documentWords(settings);
  const { t, lng } = by;
  const printing: Printing = { by, order, digits: minorDigits(settings.currency) };
  const title = t('orders.orderNumber', { number: order.number });
  return {
    title: t('bid.titleOfFile', { title, name: order.supplier }),
    ...paperOfJob(job, by),
    page: {},
    header: '',
    footer: t('orders.orderFooter', { title }),
    blocks: [
      {
        key: 'letterhead',
        heading: '',
        ...letterheadOf(by, title, longDay(order.date, lng, settings.dateStyle)),
      },
      { kind: 'paragraphs', key: 'to', heading: '', paragraphs: supplierLines(printing) },
      { kind: 'table', key: 'rows', heading: '', table: orderTable(printing) },
      {
        kind: 'signatures',
        key: 'signatures',
        heading: '',
        names: [settings.company, order.supplier].filter(Boolean),
      },
    ],
  };
}

/** Who is to deliver what it is for, where and by when. */
function supplierLines({ by: { t, lng, settings }, order }: Printing): readonly PrintedParagraph[] {
  const day = longDay(order.deliverBy, lng, settings.dateStyle);
  const lines: readonly PrintedParagraph[] = [
    { text: t('orders.to'), look: 'soft' },
    { text: order.supplier, look: 'bold' },
    { text: settings.name, look: 'title' },
    { text: settings.location, look: 'soft' },
    { text: order.deliverBy === '' ? '' : t('orders.deliverBy', { date: day }), look: 'plain' },
    { text: order.note, look: 'plain' },
  ];
  return lines.filter(({ text }) => text !== '');
}

function orderTable({ by, order, digits }: Printing): PrintedTable {
  const { t, settings } = by;
  const table = orderColumns(order);
  const rows = order.rows.flatMap((row) => orderRows(row, by, digits, table));
  const sums = rows.flatMap(({ look }, at) => (look === 'plain' ? [at] : []));
  const column = (heading: string, align: 'left' | 'right', isWide = false) => ({ heading, align, isWide });
  return {
    hasHead: true,
    columns: [
      ...table.part(() => column(t('orders.part'), 'left')),
      column(t('bid.description'), 'left', true),
      column(t('bid.quantity'), 'right'),
      column(t('bid.unitPrice'), 'right'),
      column(t('bid.amount'), 'right'),
    ],
    rows: [
      ...rows,
      {
        look: 'total',
        indent: 0,
        cells: [
          ...table.part(() => words('')),
          words(t('bid.totalIn', { currency: settings.currency })),
          words(''),
          words(''),
          { ...moneyCell(by, totalOfOrder(order, digits)), formula: { kind: 'sum', rows: sums } },
        ],
      },
    ],
  };
}

/** Part numbers have a column where there are any; and where the figures stand then. */
function orderColumns({ rows }: PurchaseOrder) {
  const hasParts = rows.some(({ partNumber }) => partNumber !== '');
  return {
    part: <Of>(make: () => Of): readonly Of[] => (hasParts ? [make()] : []),
    quantity: hasParts ? 2 : 1,
  };
}

type OrderRow = PurchaseOrder['rows'][number];

/** A row, how it is packed, and where its parts go where that is more than one place. */
function orderRows(
  row: OrderRow,
  by: DocumentWords,
  digits: number,
  { part, quantity: at }: ReturnType<typeof orderColumns>,
): readonly PrintedRow[] {
  const { t, money } = by;
  const { symbol } = unitOrLabel(row.unit);
  const amount = (quantity: string | number): string =>
    `${writeQuantity(Number(quantity), row.unit, money.numbers)} ${symbol}`;
  const places = row.places.filter(({ name }) => name !== '');
  const packs = row.pack === undefined ? 0 : roundTo(Number(row.quantity) / Number(row.pack), 4);
  const said = [
    ...(row.pack === undefined ? [] : [t('orders.inPacks', { count: packs, size: amount(row.pack) })]),
    ...(places.length < 2
      ? []
      : places.map(({ name, quantity }) => t('orders.deliverTo', { name, quantity: amount(quantity) }))),
  ];
  const below = (text: string): PrintedRow => ({
    look: 'soft',
    indent: 1,
    cells: [...part(() => words('')), words(text), words(''), words(''), words('')],
  });
  return [
    {
      look: 'plain',
      indent: 0,
      cells: [
        ...part(() => words(row.partNumber)),
        words(row.description),
        { text: amount(row.quantity), value: Number(row.quantity), kind: 'quantity', unit: symbol },
        rateCell(by, Number(row.price)),
        { ...moneyCell(by, amountOfRow(row, digits)), formula: { kind: 'product', columns: [at, at + 1] } },
      ],
    },
    ...said.map(below),
  ];
}
