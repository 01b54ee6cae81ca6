import { describe, expect, it } from '@jest/globals';
import { settingsOf } from '@zest/core/job/job';
import type { PurchaseOrder } from '@zest/core/job/records/request';
import { createBench } from '@zest/core/testing/priced';
import { printOrder } from './printOrder.ts';

const place = (name: string, quantity: string) => ({ name, quantity });

const ORDER: PurchaseOrder = {
  type: 'purchaseOrder',
  id: 'purchaseOrder:o',
  number: 4,
  supplier: 'Larch & Fetter Lumber',
  date: '2026-12-01',
  deliverBy: '2026-12-20',
  note: '',
  requestId: null,
  rows: [
    {
      key: 'r1',
      partNumber: 'P-1',
      description: 'Stud',
      unit: 'ea',
      quantity: '74',
      price: '4.55',
      places: [place('06 Framing', '60'), place('09 Board', '12'), place('', '2')],
    },
    {
      key: 'r2',
      partNumber: '',
      description: 'Plate',
      unit: 'ft',
      quantity: '100.5',
      price: '0.468',
      places: [place('06 Framing', '100.5')],
    },
  ],
  order: 1,
};

function printed(change: Partial<PurchaseOrder> = {}) {
  const bench = createBench();
  bench.change({
    ...settingsOf(bench.job()),
    name: 'Boathouse',
    company: 'Builders',
    documentLanguage: 'en-US',
  });
  return printOrder(bench.job(), { ...ORDER, ...change });
}
const rowsOf = (document: ReturnType<typeof printOrder>): readonly (readonly string[])[] =>
  document.blocks.flatMap((block) =>
    block.kind === 'table' ? block.table.rows.map(({ cells }) => cells.map(({ text }) => text)) : [],
  );

describe('an order on paper', () => {
  it('says what, how much, for what price, and comes to its sum', () => {
    expect(rowsOf(printed())).toEqual([
      ['P-1', 'Stud', '74 ea', '$4.55', '$336.70'],
      ['', '60 ea to 06 Framing', '', '', ''],
      ['', '12 ea to 09 Board', '', '', ''],
      ['', 'Plate', '100.50 ft', '$0.468', '$47.03'],
      ['', 'Total, USD', '', '', '$383.73'],
    ]);
  });

  it('says by when, or nothing', () => {
    expect(JSON.stringify(printed().blocks)).toContain('To be delivered by December 20, 2026.');
    expect(JSON.stringify(printed({ deliverBy: '' }).blocks)).not.toContain('delivered by');
  });

  it('has the number and the supplier in the name of its file', () => {
    expect(printed().title).toBe('Order 4, Larch & Fetter Lumber');
  });
});
