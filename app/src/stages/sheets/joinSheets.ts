import type { Sheet } from '@zest/core/job/records/sheet';
import { type JoinPair, joinCommand, planJoin, rejoinCommand } from '@zest/core/takeoff/joinSheets';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import type { Stores } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';

/** Makes the joined sheet, or joins one anew with the marks on it taken along. Gives its id. */
export function joinSheets(
  { jobs, services }: Stores,
  first: Sheet,
  second: Sheet,
  pairs: readonly JoinPair[],
  redone: Sheet | undefined,
): Sheet['id'] | undefined {
  const plan = planJoin(first, second, pairs);
  const id = redone?.id ?? services.makeId('sheet');
  const done = plan.ok
    ? jobs.actions.transact(
        t('sheets.join2', { value: [first.number, second.number].filter(Boolean).join(' and ') }),
        redone === undefined
          ? joinCommand(id, first, second, pairs, plan.value)
          : rejoinCommand(redone, first, second, pairs, plan.value),
      )
    : plan;
  if (done.ok) return id;
  tellProblem(describeProblem(done.problem));
  return undefined;
}
