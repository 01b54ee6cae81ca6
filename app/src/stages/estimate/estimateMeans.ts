import { listShownRows } from '@zest/core/reports/estimateReport';
import type { EstimateRow } from '@zest/core/estimate/rows';
import type { useSettle } from '../../stores/useSettle.ts';
import type { useSetView } from '../../stores/context.tsx';
import type { Services } from '../../platform/services.ts';
import type { JobActions, OpenJob } from '../../stores/jobStore.ts';
import type { NumberFormat } from '@zest/core/units/numberFormat';

export interface Means {
  readonly services: Services;
  readonly actions: JobActions;
  readonly settle: ReturnType<typeof useSettle>;
  readonly setView: ReturnType<typeof useSetView>;
  /** Another change may just have been made, and must not be undone by this one. */
  readonly openNow: () => OpenJob;
  readonly numbers: NumberFormat;
}

export const rowsNow = ({ openNow }: Means): readonly EstimateRow[] => listShownRows(openNow().figures);
