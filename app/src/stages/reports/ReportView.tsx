import { Button } from '@chakra-ui/react';
import { Columns3, Filter } from 'lucide-react';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import type { OpenReport } from '@zest/core/reports/openReport';
import type { RowLink } from '@zest/core/reports/sources';
import { TextButton } from '../../parts/buttons.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { MoreMenu } from '../../parts/MoreMenu.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { ColumnsDialog } from './ColumnsDialog.tsx';
import { ExportMenu } from './ExportMenu.tsx';
import { FilterDialog } from './FilterDialog.tsx';
import { FilterLine } from './FilterLine.tsx';
import { FolderDialog } from './FolderDialog.tsx';
import { GroupLine } from './GroupLine.tsx';
import { OwnWorkbookDialog } from './OwnWorkbookDialog.tsx';
import { PageDialog } from './PageDialog.tsx';
import { ReportProblems } from './ReportProblems.tsx';
import { ReportTable } from './ReportTable.tsx';
import { SeveralDialog } from './SeveralDialog.tsx';
import { SnapshotChoice, useEarlier } from './SnapshotChoice.tsx';
import { useOpenReport } from './useOpenReport.ts';
import type { ListedReport, useReportChanges } from './useReports.ts';
import { SOURCE_WORDS } from './sourceWords.ts';
import { useGoToRow } from './useGoToRow.ts';
import { writeSpec } from './specFile.ts';

type Changes = ReturnType<typeof useReportChanges>;

interface ReportViewProps {
  readonly report: ListedReport;
  readonly changes: Changes;
}

type Asking = 'columns' | 'filter' | 'page' | 'own' | 'several' | 'folder' | undefined;

/** One report: what it is of, how it is grouped and filtered, and its rows. */
export function ReportView({ report, changes }: ReportViewProps) {
  const earlier = useEarlier(report.spec.source === 'changes');
  const open = useOpenReport(report.spec, earlier.figures);
  const [asking, setAsking] = useState<Asking>();
  const close = (): void => setAsking(undefined);
  const getOpen = useLatest(open);
  const [link, setLink] = useState<RowLink | undefined>();
  const onRow = (at: number | undefined): void =>
    setLink(at === undefined ? undefined : open.source.linkOf(open.rowOf(at)));
  return (
    <div className={layout.stage}>
      <ReportBar
        report={report}
        rows={open.order.length}
        link={link}
        getOpen={getOpen}
        changes={changes}
        onAsk={setAsking}
      />
      {report.spec.source === 'changes' ? <SnapshotChoice earlier={earlier} /> : null}
      <GroupLine open={open} change={changes.change} />
      <FilterLine open={open} onAsk={() => setAsking('filter')} />
      <ReportProblems problems={open.problems} />
      <ReportTable open={open} change={changes.change} isOwn={report.id !== undefined} onRow={onRow} />
      {asking === 'columns' ? <ColumnsDialog open={open} change={changes.change} onClose={close} /> : null}
      {asking === 'filter' ? <FilterDialog open={open} change={changes.change} onClose={close} /> : null}
      {asking === 'several' ? <SeveralDialog first={report.key} onClose={close} /> : null}
      {asking === 'folder' ? <FolderDialog report={report} change={changes.change} onClose={close} /> : null}
      {asking === 'own' ? <OwnWorkbookDialog open={open} onClose={close} /> : null}
      {asking === 'page' ? <PageDialog open={open} change={changes.change} onClose={close} /> : null}
    </div>
  );
}

/** Gives the latest value when it is asked for; what has it need not be drawn with every figure. */
function useLatest<Value>(value: Value): () => Value {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return useCallback(() => latest.current, []);
}

interface ReportBarProps extends ReportViewProps {
  readonly rows: number;
  /** Where the current row leads. */
  readonly link: RowLink | undefined;
  readonly getOpen: () => OpenReport;
  readonly onAsk: (asking: Asking) => void;
}

const ReportBar = memo(function ReportBar(props: ReportBarProps) {
  const { report, rows, link, getOpen, changes, onAsk } = props;
  const goTo = useGoToRow();
  const { change } = changes;
  const { name } = report.spec;
  return (
    <div className={`${layout.bar} wraps`}>
      {report.id === undefined ? (
        <h1>{name}</h1>
      ) : (
        <CommitInput
          label={t('report.nameOfTheReport')}
          look="bare"
          style={{
            fontWeight: 600,
            fieldSizing: 'content',
            minWidth: 120,
            maxWidth: 320,
            textOverflow: 'ellipsis',
          }}
          value={name}
          onCommit={(text) =>
            change(t('report.renameTo', { name: text }), (spec) => ({ ...spec, name: text }))
          }
        />
      )}
      <span className="soft" role="status">
        {t('report.rowsOf', {
          rows: t('count.row', { count: rows }),
          what: SOURCE_WORDS[report.spec.source],
        })}
      </span>
      {link === undefined ? null : (
        <TextButton onClick={() => goTo(link)}>{t('report.goToThisRow')}</TextButton>
      )}
      <span className="grow" />
      <Button size="sm" variant="outline" onClick={() => onAsk('columns')}>
        <Columns3 size={14} /> {t('report.columns')}
      </Button>
      <Button size="sm" variant="outline" onClick={() => onAsk('filter')}>
        <Filter size={14} /> {t('report.filter')}
      </Button>
      <Button size="sm" variant="outline" onClick={() => onAsk('page')}>
        {t('report.pageAndPrint')}
      </Button>
      <ExportMenu getOpen={getOpen} onOwn={() => onAsk('own')} />
      <MoreWithReport report={report} changes={changes} onAsk={onAsk} />
    </div>
  );
});

/** What is done with a report less often: a copy, a file to share, its end. */
function MoreWithReport({ report, changes, onAsk }: ReportViewProps & Pick<ReportBarProps, 'onAsk'>) {
  const { add, drop } = changes;
  const services = useServices();
  const { name } = report.spec;
  const said = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <MoreMenu
      label={t('report.moreWithThisReport')}
      entries={[
        [
          t('report.duplicate'),
          () =>
            said(
              add(t('report.duplicateNamed', { name }), {
                ...report.spec,
                folder: '',
                name: t('report.copyOf', { name: name.slice(0, 180) }),
              }),
            ),
        ],
        [t('report.severalInOne'), () => onAsk('several')],
        [t('report.shareAsFile'), () => writeSpec(services, report.spec)],
        ...(report.id === undefined
          ? []
          : [[t('report.intoFolder'), () => onAsk('folder')] as const, [t('report.delete'), drop] as const]),
      ]}
    />
  );
}
