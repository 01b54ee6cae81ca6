import { useEffect, useRef, useState } from 'react';
import { put } from '@zest/core/job/change';
import { orderAfter } from '@zest/core/job/job';
import type { Offer, PriceRequest } from '@zest/core/job/records/request';
import { latestOffer } from '@zest/core/orders/compareOffers';
import { type DeskAnswer, type DeskProblem, fetchAnswers } from '../../platform/quoteDesk.ts';
import { useJobActions, useOpenNow, useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

/** Between one look at the desk and the next. */
const EVERY_MS = 2_000;

/** Takes in what suppliers answer for as long as the request is looked at; says what is wrong with the desk. */
export function useAnswers(request: PriceRequest): DeskProblem | undefined {
  const { makeId } = useServices();
  const openNow = useOpenNow();
  const actions = useJobActions();
  const [problem, setProblem] = useState<DeskProblem | undefined>();
  const latest = useRef(request);
  useEffect(() => {
    latest.current = request;
  });
  const isSent = request.suppliers.some(({ token }) => token !== '');
  useEffect(() => {
    if (!isSent) return;
    let isCurrent = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = async (): Promise<void> => {
      const answers = await fetchAnswers(latest.current);
      if (!isCurrent) return;
      setProblem(answers.ok ? undefined : answers.problem);
      if (answers.ok)
        for (const { key, answer } of answers.value.suppliers) {
          const { job } = openNow();
          const offer = answer === null ? undefined : newOffer(latest.current, key, answer);
          if (offer === undefined) continue;
          const had = latestOffer(job.offer.values(), offer.requestId, key);
          if (had !== undefined && isSameOffer(had, offer)) continue;
          const name = latest.current.suppliers.find((each) => each.key === key)?.name ?? '';
          const record: Offer = { ...offer, id: makeId('offer'), order: orderAfter(job.offer.values()) };
          actions.transact(t('orders.offerOf', { name }), put(record));
        }
      timer = setTimeout(() => void look(), EVERY_MS);
    };
    void look();
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [isSent, actions, openNow, makeId]);
  return problem;
}

type OfferContent = Omit<Offer, 'id' | 'order'>;

/** An answer of the desk as a record: rows that were not asked are left out. */
function newOffer({ id, due, rows }: PriceRequest, supplier: string, answer: DeskAnswer): OfferContent {
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
      .map(({ key, price, unit, leadDays, substitute, note }) => ({
        key,
        price,
        unit,
        substitute,
        note,
        ...(leadDays === '' ? {} : { leadDays: Number(leadDays) }),
      })),
  };
}

function isSameOffer({ id: _id, order: _order, ...had }: Offer, offer: OfferContent): boolean {
  return JSON.stringify(sorted(had)) === JSON.stringify(sorted(offer));
}

/** Its fields in one order, so that two can be held against each other. */
const sorted = (content: OfferContent): unknown => [
  content.date,
  content.validUntil,
  content.note,
  content.declined === true,
  content.rows.map(({ key, price, unit, leadDays, substitute, note }) => [
    key,
    price,
    unit,
    leadDays,
    substitute,
    note,
  ]),
];
