import type { Offer, PriceRequest } from '../job/records/request.ts';

/** What a supplier answered, as it comes in: figures are plain decimals, what is not said is empty. */
export interface Answer {
  /** ISO moment it came. */
  readonly at: string;
  readonly declined: boolean;
  readonly validUntil: string;
  readonly note: string;
  readonly rows: readonly {
    readonly key: string;
    readonly price: string;
    readonly unit: string;
    readonly leadDays: string;
    readonly substitute: string;
    readonly note: string;
  }[];
}

export type OfferContent = Omit<Offer, 'id' | 'order'>;

/** An answer as a record of the job: rows that were not asked are left out, and one that came too late says so. */
export function offerOf({ id, due, rows }: PriceRequest, supplier: string, answer: Answer): OfferContent {
  const asked = new Set(rows.map(({ key }) => key));
  const date = answer.at.slice(0, 10);
  return {
    type: 'offer',
    requestId: id,
    supplier,
    date,
    validUntil: answer.validUntil,
    note: answer.note,
    ...(answer.declined ? { declined: true as const } : {}),
    ...(due !== '' && date > due ? { late: true as const } : {}),
    rows: answer.rows
      .filter(({ key }) => asked.has(key))
      .map(({ leadDays, ...row }) => ({
        ...row,
        ...(leadDays === '' ? {} : { leadDays: Number(leadDays) }),
      })),
  };
}

/** Whether a supplier says what it said before: the same answer is asked for again and again. */
export const isSameOffer = (had: OfferContent, now: OfferContent): boolean =>
  JSON.stringify(saidIn(had)) === JSON.stringify(saidIn(now));

/** What is said, in one order; whether it is late follows from the day that is asked for, which may change. */
const saidIn = ({ date, validUntil, note, declined, rows }: OfferContent): unknown => [
  date,
  validUntil,
  note,
  declined === true,
  rows.map((row) => [row.key, row.price, row.unit, row.leadDays, row.substitute, row.note]),
];
