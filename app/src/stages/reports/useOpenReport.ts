import { useState } from 'react';
import type { Figures } from '@zest/core/calculate/figures';
import type { ReportSpec } from '@zest/core/job/records/report';
import type { ReportContext, Within } from '@zest/core/reports/fields/field';
import { followReport } from '@zest/core/reports/followReport';
import { type OpenReport, openReport } from '@zest/core/reports/openReport';
import { reportWordsOf } from '../../messages/reportWords.ts';
import { dayOf } from '../../platform/days.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';

/** Keeps the last report that was open, so that a change is followed and not worked out anew. */
interface Kept {
  readonly open: (spec: ReportSpec, context: Omit<ReportContext, 'words'>) => OpenReport;
}

function createKept(): Kept {
  let last: OpenReport | undefined;
  return {
    open: (spec, given) => {
      const context = { ...given, words: reportWordsOf(given.figures.job) };
      const had = last;
      const isSame = had?.spec === spec && had.context.earlier === context.earlier;
      last = had !== undefined && isSame ? followReport(had, context) : openReport(spec, context);
      return last;
    },
  };
}

/** A report over the open job, as it is now. */
export function useOpenReport(spec: ReportSpec, earlier?: Figures, within?: Within): OpenReport {
  const { figures } = useOpenJob();
  const { now } = useServices();
  const [kept] = useState(createKept);
  return kept.open(spec, { figures, today: dayOf(now()), earlier, within });
}
