import { useCallback, useMemo } from 'react';
import { useParams } from 'react-router';
import { put, remove, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder, orderAfter } from '@zest/core/job/job';
import type { ReportRecord, ReportSpec } from '@zest/core/job/records/report';
import { REPORT_PRESETS, type PresetId, findPreset } from '@zest/core/library/reportPresets';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useGoToRecord } from '../../stores/useGoToRecord.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';
import { FOLDER_WORDS, PRESET_WORDS } from './presetWords.ts';

/** A report as it is listed: one of the job, or one that ships. */
export interface ListedReport {
  readonly key: string;
  readonly spec: ReportSpec;
  /** Undefined for one that ships: it stays as it is, and a change makes a report of the job of it. */
  readonly id: Id<'report'> | undefined;
}

const specOf = ({ type: _type, id: _id, order: _order, ...spec }: ReportRecord): ReportSpec => spec;

const SHIPPED: readonly ListedReport[] = REPORT_PRESETS.map(({ id, folder, spec }) => ({
  key: id,
  id: undefined,
  spec: { ...spec, name: PRESET_WORDS[id], folder: FOLDER_WORDS[folder] },
}));

/** The reports of the job, then those that ship. */
export function useListedReports(): readonly ListedReport[] {
  const records = useTable('report');
  return useMemo(
    () => [
      ...inOrder(records.values()).map((record) => ({
        key: record.id,
        id: record.id,
        spec: specOf(record),
      })),
      ...SHIPPED,
    ],
    [records],
  );
}

export const isPresetId = (id: string): id is PresetId => findPreset(id) !== undefined;

export type ChangeSpec = (label: string, change: (spec: ReportSpec) => ReportSpec) => string | undefined;

/** What is done with reports as records, each as one step. */
export function useReportChanges(current: ListedReport | undefined) {
  const settle = useSettle();
  const { makeId } = useServices();
  const records = useTable('report');
  const { reportId } = useParams();
  const go = useGoToRecord('reports');
  const add = useCallback(
    (label: string, spec: ReportSpec): string | undefined => {
      const id = makeId('report');
      const refused = settle(
        label,
        put({ ...spec, type: 'report', id, order: orderAfter(records.values()) }),
      );
      if (refused === undefined) go(id);
      return refused;
    },
    [makeId, settle, records, go],
  );
  const change: ChangeSpec = useCallback(
    (label, how) => {
      if (current === undefined) return undefined;
      const { id, spec } = current;
      if (id !== undefined)
        return settle(
          label,
          update({ id }, (now) => ({ ...now, ...how(specOf(now)) })),
        );
      const refused = add(label, { ...how(spec), folder: '' });
      if (refused === undefined) tell(t('report.keptAsYourOwn', { name: spec.name }));
      return refused;
    },
    [current, settle, add],
  );
  const drop = useCallback((): void => {
    if (current?.id === undefined) return;
    const refused = settle(t('report.deleteNamed', { name: current.spec.name }), remove(current.id));
    if (refused !== undefined) tellProblem(refused);
    else go('');
  }, [current, settle, go]);
  return useMemo(() => ({ add, change, drop, go, reportId }), [add, change, drop, go, reportId]);
}
