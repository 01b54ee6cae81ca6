import { describe, expect, it } from '@jest/globals';
import { knownValue } from '../calculate/define.ts';
import { bidNode } from '../calculate/graph/nodes.ts';
import { settingsOf } from '../job/job.ts';
import type { AskedRow, Offer, PriceRequest } from '../job/records/request.ts';
import { orderXml } from '../formats/ubl/order.ts';
import { createBench } from '../testing/priced.ts';
import { buyList } from './buyList.ts';
import { compareOffers, factorBetween, suppliersToAsk } from './compareOffers.ts';
import { makeOrders, totalOfOrder } from './makeOrders.ts';
import { planPrices, takePrices } from './takePrices.ts';

const asked = (key: string, unit: string, quantity: string, content: Partial<AskedRow> = {}): AskedRow => ({
  key,
  itemCode: '',
  partNumber: '',
  description: `Row ${key}`,
  unit,
  quantity,
  needed: quantity,
  places: [],
  ...content,
});

const request = (
  rows: readonly AskedRow[],
  approved: Readonly<Record<string, string>> = {},
): PriceRequest => ({
  type: 'request',
  id: 'request:r',
  number: 1,
  name: 'Lumber',
  date: '2026-11-28',
  due: '2026-12-10',
  note: '',
  rows,
  suppliers: ['a', 'b', 'c'].map((key) => ({ key, name: `Supplier ${key.toUpperCase()}`, token: '' })),
  secret: 'secret',
  approved,
  order: 1,
});

const offer = (
  supplier: string,
  order: number,
  prices: readonly (readonly [key: string, price: string, unit: string])[],
  content: Partial<Offer> = {},
): Offer => ({
  type: 'offer',
  id: `offer:${supplier}${order}`,
  requestId: 'request:r',
  supplier,
  date: '2026-11-30',
  validUntil: '',
  note: '',
  rows: prices.map(([key, price, unit]) => ({ key, price, unit, substitute: '', note: '' })),
  order,
  ...content,
});

describe('units of prices', () => {
  it('are brought together where they measure the same', () => {
    // 1 yd³ is 27 ft³, 1 m is 3.2808 ft (NIST Handbook 44, appendix C).
    expect(factorBetween('ft³', 'yd³')).toBeCloseTo(27, 9);
    expect(factorBetween('m', 'ft')).toBeCloseTo(0.3048, 9);
    expect(factorBetween('bag', 'bag')).toBe(1);
    expect(factorBetween('bag', 'roll')).toBeUndefined();
    expect(factorBetween('lb', 'ft')).toBeUndefined();
    expect(factorBetween('pallet', 'ea')).toBeUndefined();
  });
});

describe('answers side by side', () => {
  const rows = [asked('r1', 'ft', '100'), asked('r2', 'yd³', '10'), asked('r3', 'ea', '4')];
  const compared = compareOffers(
    request(rows),
    [
      offer('a', 1, [['r1', '9.00', 'ft']]),
      // The latest answer of a supplier stands.
      offer('a', 2, [
        ['r1', '1.50', 'ft'],
        ['r2', '160', 'yd³'],
        ['r3', '20', 'pallet'],
      ]),
      offer('b', 3, [
        ['r1', '4.00', 'm'],
        ['r2', '5.50', 'ft³'],
      ]),
    ],
    2,
  );
  const [a, b, c] = compared.columns;

  it('are in the unit that was asked, whatever they were given in', () => {
    // 4.00 a meter is 1.2192 a foot; 5.50 a cubic foot is 148.50 a cubic yard.
    expect(b?.cells[0]).toMatchObject({ kind: 'price', amount: 121_92, givenIn: 'm' });
    expect(b?.cells[1]).toMatchObject({ kind: 'price', amount: 1485_00, givenIn: 'ft³' });
  });

  it('say which of each row is the least', () => {
    expect(compared.cheapest).toEqual(['b', 'b', undefined]);
  });

  it('allow for what is missing at the best price of another, and tell what nobody offers', () => {
    expect(a).toMatchObject({ given: 150_00 + 1600_00, allowed: 0, missing: 1, unpriced: 1 });
    expect(a?.cells[2]).toMatchObject({ kind: 'wrong-unit' });
    expect(c).toMatchObject({
      offer: undefined,
      given: 0,
      allowed: 121_92 + 1485_00,
      missing: 3,
      unpriced: 1,
    });
  });
});

describe('who is asked', () => {
  it('is nobody whose answer came in another way', () => {
    const asking = request([asked('r1', 'ft', '1')]);
    const sent = {
      ...asking,
      suppliers: asking.suppliers.map((each) => ({ ...each, token: each.key === 'b' ? 't' : '' })),
    };
    const answers = [offer('a', 1, []), offer('b', 2, [])];
    expect(suppliersToAsk(sent, answers).map(({ key }) => key)).toEqual(['b', 'c']);
  });
});

/** A job whose studs have a sample price: 2.00 each of 100 ft, for 40 pieces of 8 ft. */
function benchWithStuds() {
  const bench = createBench();
  bench.change(
    bench.item({ code: 'STUD', description: 'Stud', unit: 'ft', basis: 100, material: '200', sample: true }),
    bench.line({
      sectionId: bench.sectionId('09'),
      description: 'Studs',
      quantity: '320',
      unit: 'ft',
      itemCode: 'STUD',
    }),
    bench.line({
      sectionId: bench.sectionId('03'),
      description: 'Bracing',
      quantity: '80',
      unit: 'ft',
      itemCode: 'STUD',
    }),
  );
  return bench;
}

describe('what is bought', () => {
  it('is each part once, with where it goes', () => {
    const bench = benchWithStuds();
    const [row] = buyList(bench.calculation.figures);
    expect(row).toMatchObject({ code: 'STUD', quantity: 400, unit: 'ft' });
    expect(row?.places.map(({ quantity }) => quantity)).toEqual([80, 320]);
    expect(row?.places.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(row?.quantity);
  });
});

describe('approved prices', () => {
  const rows = [asked('r1', 'ft', '400', { itemCode: 'STUD' }), asked('r2', 'ea', '4')];
  const offers = [
    offer('a', 1, [
      ['r1', '1.50', 'ft'],
      ['r2', '20', 'ea'],
    ]),
    offer('b', 2, [['r1', '4.00', 'm']]),
  ];

  it('go to the price book in the basis of its item, with supplier and day, and are samples no more', () => {
    const bench = benchWithStuds();
    const asking = request(rows, { r1: 'b', r2: 'a' });
    const plan = planPrices(bench.calculation.figures, asking, compareOffers(asking, offers, 2));
    // 4.00 a meter is 121.92 for 100 ft.
    expect(plan.taken.map(({ to }) => to)).toMatchObject([
      { code: 'STUD', material: '121.92', supplier: 'Supplier B', date: '2026-11-30', source: 'Lumber' },
    ]);
    expect(plan.taken[0]?.to).not.toHaveProperty('sample');
    // What no item stands for is told.
    expect(plan.left.map(({ key }) => key)).toEqual(['r2']);
    bench.change(takePrices(plan));
    expect(knownValue(bench.calculation.figure(bidNode('total')))).toBe(487_68);
  });

  it('become an order for each supplier, to the cent', () => {
    const bench = benchWithStuds();
    const asking = request(rows, { r1: 'b', r2: 'a' });
    const orders = makeOrders(asking, compareOffers(asking, offers, 2), bench.makeId, {
      date: '2026-12-01',
      deliverBy: '2026-12-20',
      note: 'To the <yard>',
      had: [],
    });
    expect(orders.map(({ number, supplier, rows: own }) => [number, supplier, own.length])).toEqual([
      [1, 'Supplier A', 1],
      [2, 'Supplier B', 1],
    ]);
    expect(orders.map((order) => totalOfOrder(order, 2))).toEqual([80_00, 487_68]);
    // What was ordered is not ordered again.
    expect(
      makeOrders(asking, compareOffers(asking, offers, 2), bench.makeId, {
        date: '2026-12-02',
        deliverBy: '',
        note: '',
        had: orders,
      }),
    ).toEqual([]);
    const [, second] = orders;
    if (second === undefined) throw new Error('no order');
    const xml = orderXml(second, settingsOf(bench.job()));
    expect(xml).toContain('<cbc:Quantity unitCode="FOT">400</cbc:Quantity>');
    expect(xml).toContain('<cbc:LineExtensionAmount currencyID="USD">487.68</cbc:LineExtensionAmount>');
    expect(xml).toContain('To the &lt;yard&gt;');
  });
});
