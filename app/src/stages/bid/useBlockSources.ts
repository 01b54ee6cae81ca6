import { useMemo } from 'react';
import { inOrder } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import { useTable } from '../../stores/jobHooks.ts';
import { useListedReports } from '../reports/useReports.ts';

/** What blocks can show. */
export interface BlockSources {
  readonly sheets: readonly Sheet[];
  readonly reports: readonly { readonly key: string; readonly name: string }[];
}

export function useBlockSources(): BlockSources {
  const sheets = useTable('sheet');
  const reports = useListedReports();
  return useMemo(
    () => ({
      sheets: inOrder(sheets.values()),
      reports: reports.map(({ key, spec }) => ({ key, name: spec.name })),
    }),
    [sheets, reports],
  );
}
