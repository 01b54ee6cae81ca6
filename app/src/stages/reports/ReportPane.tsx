import { useMemo, useState } from 'react';
import * as z from 'zod';
import type { Within } from '@zest/core/reports/fields/field';
import type { OpenReport } from '@zest/core/reports/openReport';
import { marksOfScope } from '@zest/core/job/belongs';
import { Empty } from '../../parts/Empty.tsx';
import { Select } from '../../parts/fields.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSetView, useView } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useChoice } from '../../stores/useChoice.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { ReportTable } from './ReportTable.tsx';
import { styles } from './styles.ts';
import { useOpenReport } from './useOpenReport.ts';
import { type ChangeSpec, type ListedReport, useListedReports } from './useReports.ts';

const PIECES = 'tape-by-sheet';
const keySchema = z.string().max(60);

/** A report beside a sheet: choosing a row selects its marks, choosing marks narrows the report to them. */
export function ReportPane() {
  const reports = useListedReports();
  const [key, choose] = useChoice('report-beside', PIECES, keySchema);
  const report = reports.find((each) => each.key === key) ?? reports.find((each) => each.key === PIECES);
  if (report === undefined) return <Empty title={t('report.noReportChosen')}>{t('report.noMatches')}</Empty>;
  return (
    <div className={layout.stage}>
      <div className={styles.line}>
        <Select
          small
          aria-label={t('report.reportBeside')}
          style={{ width: 260 }}
          value={report.key}
          onChange={({ target }) => choose(target.value)}
        >
          {reports.map((each) => (
            <option key={each.key} value={each.key}>
              {each.spec.name}
            </option>
          ))}
        </Select>
      </div>
      <PaneTable key={report.key} report={report} />
    </div>
  );
}

function PaneTable({ report }: { readonly report: ListedReport }) {
  const { within, select } = useNarrowing();
  const open = useOpenReport(report.spec, undefined, within);
  return (
    <>
      {within === undefined ? null : (
        <div className={styles.line} role="status">
          {t('report.onlyOfSelected', { marks: t('count.mark', { count: within.marks.size }) })}
        </div>
      )}
      <ReportTable
        open={open}
        change={REFUSE}
        isOwn={false}
        onRow={(at) => select(at === undefined ? [] : marksOfRow(open, at))}
      />
    </>
  );
}

/** Reports are changed on their own page. */
const REFUSE: ChangeSpec = () => {
  tellProblem(t('report.changeItInReports'));
  return undefined;
};

/** What is selected on the sheet, unless a row of the report selected it. */
function useNarrowing(): {
  readonly within: Within | undefined;
  readonly select: (marks: readonly string[]) => void;
} {
  const selected = useView((state) => state.selectedMarks);
  const setView = useSetView();
  const marks = useTable('mark');
  const [byRow, setByRow] = useState<ReadonlySet<string> | undefined>();
  const within = useMemo(() => {
    if (selected.size === 0 || selected === byRow) return undefined;
    const scopes = new Set<string>();
    for (const mark of marks.values()) if (selected.has(mark.id)) scopes.add(mark.scopeId);
    return scopes.size === 0 ? undefined : { marks: selected, scopes };
  }, [selected, byRow, marks]);
  return {
    within,
    select: (ids) => {
      const chosen = new Set(ids);
      setByRow(chosen);
      setView({ selectedMarks: chosen });
    },
  };
}

/** The marks a row is of: its own, or those of its scope. */
function marksOfRow(open: OpenReport, at: number): readonly string[] {
  const { job } = open.context.figures;
  const row = open.rowOf(at);
  const tape = open.source.owners.mark?.(row, open.context);
  if (tape?.by === 'mark') return [tape.mark.id];
  if (tape?.by === 'opening') return [tape.opening.markId];
  const scope = open.source.owners.scope?.(row, open.context);
  return scope === undefined ? [] : marksOfScope(job, scope.id);
}
