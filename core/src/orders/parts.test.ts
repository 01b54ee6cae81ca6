import { describe, expect, it } from '@jest/globals';
import type { AskedRow, Offer, PriceRequest, PurchaseOrder } from '../job/records/request.ts';
import { createIdMaker } from '../job/id.ts';
import { createChance } from '../testing/job.ts';
import { compareOffers } from './compareOffers.ts';
import { takePlaces } from './deliveries.ts';
import { makeOrders, totalOfOrder } from './makeOrders.ts';
import { approveRows, chosenWithoutPrice, deliveredOf, givePart, takenFrom } from './parts.ts';

const row = (key: string, quantity: string, places: AskedRow['places'] = []): AskedRow => ({
  key,
  itemCode: '',
  partNumber: '',
  description: `Row ${key}`,
  unit: 'ea',
  quantity,
  needed: quantity,
  places,
});

const requestOf = (rows: readonly AskedRow[], approved: Readonly<Record<string, string>>): PriceRequest => ({
  type: 'request',
  id: 'request:r',
  number: 1,
  name: 'Blocks',
  date: '2026-11-28',
  due: '',
  note: '',
  rows,
  suppliers: ['a', 'b', 'c'].map((key) => ({ key, name: `Supplier ${key.toUpperCase()}`, token: '' })),
  secret: '',
  approved,
  order: 1,
});

const offerOf = (supplier: string, prices: Readonly<Record<string, string>>): Offer => ({
  type: 'offer',
  id: `offer:${supplier}`,
  requestId: 'request:r',
  supplier,
  date: '2026-11-30',
  validUntil: '',
  note: '',
  rows: Object.entries(prices).map(([key, price]) => ({ key, price, unit: 'ea', substitute: '', note: '' })),
  order: 1,
});

/** The request with a part given; throws where it is refused. */
function given(
  request: PriceRequest,
  key: string,
  supplier: string,
  quantity: number | undefined,
): PriceRequest {
  const asked = request.rows.find((each) => each.key === key);
  if (asked === undefined) throw new Error(`no row ${key}`);
  const done = givePart(request, asked, supplier, quantity);
  if (typeof done === 'string') throw new Error(done);
  return done;
}

const first = ({ rows: [only] }: PriceRequest): AskedRow => {
  if (only === undefined) throw new Error('no row');
  return only;
};

describe('a row from several suppliers', () => {
  const whole = requestOf([row('r1', '100')], { r1: 'b' });

  it('comes whole from the one whose price is taken until others get a part', () => {
    expect(deliveredOf(whole, first(whole))).toEqual([{ supplier: 'b', quantity: 100 }]);
    const split = given(given(whole, 'r1', 'c', 25), 'r1', 'a', 15.5);
    expect(deliveredOf(split, first(split))).toEqual([
      { supplier: 'a', quantity: 15.5 },
      { supplier: 'b', quantity: 59.5 },
      { supplier: 'c', quantity: 25 },
    ]);
  });

  it('gives a part up when nothing is typed, and knows no parts when the last is gone', () => {
    const split = given(given(whole, 'r1', 'c', 25), 'r1', 'a', 15);
    const without = given(split, 'r1', 'c', undefined);
    expect(deliveredOf(without, first(without))).toEqual([
      { supplier: 'a', quantity: 15 },
      { supplier: 'b', quantity: 85 },
    ]);
    expect(given(without, 'r1', 'a', undefined).parts).toEqual({});
  });

  it('is refused where there is nothing to part, a quantity is none, or nothing would be left', () => {
    const open = requestOf([row('r1', '100')], {});
    expect(givePart(open, first(open), 'a', 10)).toBe('nothing-taken');
    expect(givePart(whole, first(whole), 'a', 0)).toBe('not-positive');
    expect(givePart(whole, first(whole), 'a', -3)).toBe('not-positive');
    expect(givePart(whole, first(whole), 'a', Number.NaN)).toBe('not-positive');
    expect(givePart(whole, first(whole), 'a', 100)).toBe('too-much');
    // Two parts that would take all of it together.
    const split = given(whole, 'r1', 'a', 60);
    expect(givePart(split, first(split), 'c', 40)).toBe('too-much');
    expect(typeof givePart(split, first(split), 'c', 39)).toBe('object');
  });

  it('is whole again once another price is taken, while other rows keep their parts', () => {
    const two = requestOf([row('r1', '100'), row('r2', '10')], { r1: 'b', r2: 'b' });
    const split = given(given(two, 'r1', 'a', 40), 'r2', 'c', 4);
    const changed = approveRows(split, { r1: 'a', r2: 'b' });
    expect(changed.rows.map((each) => deliveredOf(changed, each))).toEqual([
      [{ supplier: 'a', quantity: 100 }],
      [
        { supplier: 'b', quantity: 6 },
        { supplier: 'c', quantity: 4 },
      ],
    ]);
    expect(deliveredOf(approveRows(split, {}), first(split))).toEqual([]);
  });
});

describe('places of a delivery', () => {
  const places = [
    { name: 'Slip', quantity: 30 },
    { name: 'Hall', quantity: 50 },
    { name: '', quantity: 20 },
  ];

  it('are served in their order, and what is left is for the next', () => {
    expect(takePlaces(places, 45)).toEqual({
      taken: [
        { name: 'Slip', quantity: 30 },
        { name: 'Hall', quantity: 15 },
      ],
      left: [
        { name: 'Hall', quantity: 35 },
        { name: '', quantity: 20 },
      ],
    });
    expect(takePlaces(places, 0)).toEqual({ taken: [], left: places });
    expect(takePlaces(places, 500)).toEqual({ taken: places, left: [] });
  });
});

describe('orders of parts', () => {
  const makeId = createIdMaker(createChance(3));
  const on = { date: '2026-12-01', deliverBy: '', note: '' };
  const asked = row('r1', '100', [
    { name: 'Slip', quantity: '30' },
    { name: 'Hall', quantity: '70' },
  ]);
  const offers = [offerOf('a', { r1: '2.00' }), offerOf('b', { r1: '1.50' })];
  const split = given(requestOf([asked], { r1: 'b' }), 'r1', 'a', 40);
  const compared = compareOffers(split, offers, 2);
  const orders = makeOrders(split, compared, makeId, { ...on, had: [] });
  const rowsOf = (all: readonly PurchaseOrder[]) =>
    all.map(
      ({ supplier, rows }) =>
        [supplier, rows.map(({ quantity, places }) => [quantity, places] as const)] as const,
    );

  it('buy of each what it delivers, at its own price, and send each place once', () => {
    expect(rowsOf(orders)).toEqual([
      [
        'Supplier A',
        [
          [
            '40',
            [
              { name: 'Slip', quantity: '30' },
              { name: 'Hall', quantity: '10' },
            ],
          ],
        ],
      ],
      ['Supplier B', [['60', [{ name: 'Hall', quantity: '60' }]]]],
    ]);
    // 40 at 2.00, 60 at 1.50.
    expect(orders.map((order) => totalOfOrder(order, 2))).toEqual([80_00, 90_00]);
    expect(compared.columns.map((column) => takenFrom(split, column, 2))).toEqual([80_00, 90_00, 0]);
  });

  it('buy nothing twice: a second time there is nothing, and a part that grew is topped up', () => {
    expect(makeOrders(split, compared, makeId, { ...on, had: orders })).toEqual([]);
    const [ofA] = orders;
    if (ofA === undefined) throw new Error('no order');
    // The order of B was deleted: only its part is bought again.
    expect(rowsOf(makeOrders(split, compared, makeId, { ...on, had: [ofA] }))).toEqual([
      ['Supplier B', [['60', [{ name: 'Hall', quantity: '60' }]]]],
    ]);
    const more = given(split, 'r1', 'a', 55);
    expect(rowsOf(makeOrders(more, compared, makeId, { ...on, had: [ofA] }))).toEqual([
      ['Supplier A', [['15', [{ name: 'Hall', quantity: '15' }]]]],
      ['Supplier B', [['45', [{ name: 'Hall', quantity: '45' }]]]],
    ]);
  });

  it('never buy more than was asked, whatever is split and ordered before', () => {
    const chance = createChance(11);
    const pick = (below: number): number => Math.floor(chance() * below);
    for (let round = 0; round < 200; round += 1) {
      const quantity = 1 + pick(50);
      let request = requestOf([row('r1', String(quantity), [{ name: 'Hall', quantity: String(quantity) }])], {
        r1: ['a', 'b'][pick(2)] ?? 'a',
      });
      let had: readonly PurchaseOrder[] = [];
      for (let step = 0; step < 4; step += 1) {
        const supplier = ['a', 'b', 'c'][pick(3)] ?? 'a';
        if (supplier !== request.approved['r1']) {
          const done = givePart(request, first(request), supplier, 1 + pick(quantity));
          if (typeof done !== 'string') request = done;
        } else request = approveRows(request, { r1: pick(2) === 0 ? 'a' : 'b' });
        const shares = deliveredOf(request, first(request));
        expect(shares.reduce((sum, each) => sum + each.quantity, 0)).toBe(quantity);
        if (pick(2) === 0)
          had = [...had, ...makeOrders(request, compareOffers(request, offers, 2), makeId, { ...on, had })];
        const bought = had.flatMap(({ rows }) => rows);
        const inAll = bought.reduce((sum, each) => sum + Number(each.quantity), 0);
        expect(inAll).toBeLessThanOrEqual(quantity);
        const places = bought.flatMap((each) => each.places);
        expect(places.reduce((sum, each) => sum + Number(each.quantity), 0)).toBe(inAll);
      }
    }
  });

  it('leave out, and name, what a supplier has taken back since it was chosen', () => {
    expect(chosenWithoutPrice(split, compared)).toEqual([]);
    // B answers again, without the row.
    const later = compareOffers(split, [...offers, { ...offerOf('b', {}), id: 'offer:b2', order: 2 }], 2);
    expect(chosenWithoutPrice(split, later).map(({ key }) => key)).toEqual(['r1']);
    expect(
      rowsOf(makeOrders(split, later, makeId, { ...on, had: [] })).map(([supplier]) => supplier),
    ).toEqual(['Supplier A']);
    // What is chosen of nobody lacks nothing.
    expect(chosenWithoutPrice(approveRows(split, {}), later)).toEqual([]);
  });
});
