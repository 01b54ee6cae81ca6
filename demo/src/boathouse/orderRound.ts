import { Calculation } from '@zest/core/calculate/calculation';
import type { Job } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { type BuyRow, buyList } from '@zest/core/orders/buyList';

type Request = RecordOf<'request'>;
type Offer = RecordOf<'offer'>;

const plain = (amount: number): string => String(Number(amount.toFixed(4)));

/** What an answer asks for one of a row, beside the price book's own price. */
const about = ({ item }: BuyRow, factor: number): string =>
  item === undefined
    ? ''
    : (Math.round((Number(item.material) / item.basis) * factor * 100) / 100).toFixed(2);

/** The lumber of the boathouse, asked of three: one has answered in full, one in part, one has not been sent to. */
export function boathouseOrderRound(job: Job): readonly (Request | Offer)[] {
  const rows = buyList(new Calculation(job).figures).filter(
    ({ supplier }) => supplier === 'Larch & Fetter Lumber',
  );
  const request: Request = {
    type: 'request',
    id: 'request:lumber',
    number: 1,
    name: 'Lumber',
    date: '2026-11-18',
    due: '2026-12-02',
    note: 'Delivered to the slip, in two loads.',
    rows: rows.map((row, at) => ({
      key: `r${at + 1}`,
      itemCode: row.item?.code ?? '',
      partNumber: row.partNumber,
      description: row.description,
      unit: row.unit,
      quantity: plain(row.quantity),
      needed: plain(row.needed),
      places: row.places.map(({ name, quantity }) => ({ name, quantity: plain(quantity) })),
    })),
    suppliers: [
      { key: 's1', name: 'Larch & Fetter Lumber', token: '' },
      { key: 's2', name: 'Gable End Building Supply', token: '' },
      { key: 's3', name: 'Quiet Harbor Goods', token: '' },
    ],
    secret: 'demo-secret-of-the-boathouse-lumber',
    approved: {},
    order: 1,
  };
  const offer = (
    supplier: string,
    order: number,
    date: string,
    note: string,
    answered: Offer['rows'],
  ): Offer => ({
    type: 'offer',
    id: `offer:${supplier}`,
    requestId: request.id,
    supplier,
    date,
    validUntil: '2026-12-31',
    note,
    rows: answered,
    order,
  });
  const priced = (factorAt: (at: number) => number | undefined, leadDays: number): Offer['rows'] =>
    rows.flatMap((row, at) => {
      const factor = factorAt(at);
      if (factor === undefined) return [];
      return [
        { key: `r${at + 1}`, price: about(row, factor), unit: row.unit, leadDays, substitute: '', note: '' },
      ];
    });
  return [
    request,
    offer(
      's1',
      1,
      '2026-11-20',
      '',
      priced((at) => 0.97 + (at % 3) * 0.03, 5),
    ),
    offer(
      's2',
      2,
      '2026-11-24',
      'Plates only in full bundles.',
      priced((at) => (at % 4 === 3 ? undefined : 1.04 - (at % 2) * 0.09), 12),
    ),
  ];
}
