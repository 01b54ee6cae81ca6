import { useMemo } from 'react';
import { inOrder } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import { useOpenJob } from '../../stores/context.tsx';
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

/** The scopes that have marks on a sheet, in the order of the tally. */
export function useScopesOn(sheetId: string): readonly { readonly id: string; readonly name: string }[] {
  const { job } = useOpenJob();
  const drawn = new Set(
    [...job.mark.values()].filter((mark) => mark.sheetId === sheetId).map((mark) => mark.scopeId),
  );
  return inOrder(job.scope.values()).filter(({ id }) => drawn.has(id));
}
