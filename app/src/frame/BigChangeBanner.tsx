import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { applyDiff, invertDiff } from '@zest/core/job/job';
import { formatMoney } from '@zest/core/pricing/money';
import { t } from '../messages/t.ts';
import { tell, tellProblem } from '../parts/toaster.tsx';
import { keepSnapshot } from '../storage/snapshots.ts';
import { useFormats, useJobState, useOpenNow, useServices } from '../stores/context.tsx';
import { layout } from '../theme/layout.ts';

/** A change of this share of the bid is worth a way back that has a name. */
const BIG = 0.1;
/** A bid of less is still being put together, and every line of it is a big change. */
const LINES = 30;

/** Offers to keep the bid as it was before a step that changed much of it: an assembly swapped, a height typed. */
export function BigChangeBanner() {
  const revision = useJobState((state) => state.revision);
  const lastChange = useJobState((state) => state.lastChange);
  const open = useJobState((state) => state.open);
  const [seen, setSeen] = useState(-1);
  const { money } = useFormats();
  const keep = useKeepBefore();
  if (open === undefined || lastChange === undefined || seen === revision) return null;
  const now = bidTotal(open.figures);
  const { label, deltaMinor } = lastChange;
  const before = now - deltaMinor;
  if (before <= 0 || Math.abs(deltaMinor) < BIG * before) return null;
  // What was undone or done again has its step back already.
  if (open.history.done.at(-1)?.label !== label) return null;
  if (open.job.line.size + open.job.use.size < LINES) return null;
  return (
    <div className={layout.banner} role="status">
      {t('frame.bigChange', {
        label,
        before: formatMoney(before, money),
        now: formatMoney(now, money),
      })}
      <Button size="xs" onClick={() => void keep(label, before).then(() => setSeen(revision))}>
        {t('frame.keepTheBidBefore')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => setSeen(revision)}>
        {t('frame.gotIt')}
      </Button>
    </div>
  );
}

/** Keeps the state before the last step under a name that tells which step that was. */
function useKeepBefore(): (label: string, totalMinor: number) => Promise<void> {
  const services = useServices();
  const openNow = useOpenNow();
  return async (label, totalMinor) => {
    const { job, jobId, history } = openNow();
    const step = history.done.at(-1);
    if (step === undefined) return;
    const before = applyDiff(job, invertDiff(step.diff));
    const name = t('frame.before', { label });
    const id = await keepSnapshot(services, { jobId, job: before, name, totalMinor });
    if (id === undefined) tellProblem(t('estimate.theSnapshotCouldntBeSavedTheDisk'));
    else tell(t('frame.snapshotKept', { label }));
  };
}
