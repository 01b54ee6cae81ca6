import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { Empty } from '../../parts/Empty.tsx';
import { FolderList } from '../../parts/FolderList.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { ReportView } from './ReportView.tsx';
import { SharedReport } from './SharedReport.tsx';
import { SOURCE_WORDS } from './sourceWords.ts';
import { styles } from './styles.ts';
import { type ListedReport, useListedReports, useReportChanges } from './useReports.ts';

/** Figures of the job in any order: the reports of the job, and those that ship. */
export function ReportsStage() {
  const { reportId = '' } = useParams();
  const reports = useListedReports();
  const [text, setText] = useState('');
  const found = useMemo(() => reports.filter(matching(text)), [reports, text]);
  const current = reports.find(({ key }) => key === reportId) ?? found[0];
  const changes = useReportChanges(current);
  // A report that ships becomes one of the job by the first change: what is open of it stays open.
  const [opened, setOpened] = useState(0);
  return (
    <div className={styles.reports}>
      <div className={layout.stage}>
        <div className={layout.bar}>
          <TextInput
            aria-label={t('report.searchReports')}
            placeholder={t('report.searchReports')}
            style={{ width: '100%' }}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <SharedReport add={changes.add} />
        </div>
        <FolderList
          label={t('report.reports')}
          items={found.map(({ key, spec, id }) => ({
            key,
            name: spec.name,
            folder: id !== undefined && spec.folder === '' ? t('report.inThisJob') : spec.folder,
            about: '',
          }))}
          current={current?.key}
          nothing={t('report.noMatches')}
          onChoose={(key) => {
            setOpened(opened + 1);
            changes.go(key);
          }}
        />
      </div>
      {current === undefined ? (
        <Empty title={t('report.noReportChosen')}>{t('report.chooseOneAtTheLeft')}</Empty>
      ) : (
        <ReportView key={opened} report={current} changes={changes} />
      )}
    </div>
  );
}

/** Holds every word of the text, in its name, its folder, or what its rows are. */
function matching(text: string): (report: ListedReport) => boolean {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return ({ spec: { name, folder, source } }) => {
    const all = `${name} ${folder} ${SOURCE_WORDS[source]}`.toLowerCase();
    return words.every((word) => all.includes(word));
  };
}
