import { useEffect, useRef, useState } from 'react';
import { put } from '@zest/core/job/change';
import { orderAfter } from '@zest/core/job/job';
import type { Offer, PriceRequest } from '@zest/core/job/records/request';
import { isSameOffer, offerOf } from '@zest/core/orders/answers';
import { latestOffer } from '@zest/core/orders/compareOffers';
import { type DeskProblem, fetchAnswers } from '../../platform/quoteDesk.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { tellProblem } from '../../parts/toaster.tsx';
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
    // An answer that cannot be taken comes again with every look, and is told once.
    const refused = new Set<string>();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = async (): Promise<void> => {
      const answers = await fetchAnswers(latest.current);
      if (!isCurrent) return;
      setProblem(answers.ok ? undefined : answers.problem);
      if (answers.ok)
        for (const { key, answer } of answers.value.suppliers) {
          const { job } = openNow();
          const offer = answer === null ? undefined : offerOf(latest.current, key, answer);
          if (offer === undefined) continue;
          const had = latestOffer(job.offer.values(), offer.requestId, key);
          if (had !== undefined && isSameOffer(had, offer)) continue;
          const name = latest.current.suppliers.find((each) => each.key === key)?.name ?? '';
          const record: Offer = { ...offer, id: makeId('offer'), order: orderAfter(job.offer.values()) };
          const done = actions.receive(t('orders.offerOf', { name }), put(record));
          // The tab that has the job takes it in; another only looks.
          if (done.ok || done.problem.kind === 'read-only' || refused.has(key)) continue;
          refused.add(key);
          tellProblem(describeProblem(done.problem));
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
