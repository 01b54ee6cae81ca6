import { useState } from 'react';
import { settingsOf } from '@zest/core/job/job';
import { openReport } from '@zest/core/reports/openReport';
import { reportWordsOf } from '../../messages/reportWords.ts';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { dayOf } from '../../platform/days.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { printReport } from './printReport.ts';
import { styles } from './styles.ts';
import { useListedReports } from './useReports.ts';
import { useWriting } from './useWriter.ts';

interface SeveralDialogProps {
  /** The report that is open, which is chosen to begin with. */
  readonly first: string;
  readonly onClose: () => void;
}

/** Several reports in one workbook, a sheet each. */
export function SeveralDialog({ first, onClose }: SeveralDialogProps) {
  const { figures, job } = useOpenJob();
  const { download, now } = useServices();
  // Changes are told from a snapshot, which is chosen where they are shown.
  const reports = useListedReports().filter(({ spec }) => spec.source !== 'changes');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set([first]));
  const { writing, run } = useWriting();
  const save = async (): Promise<void> => {
    const context = { figures, words: reportWordsOf(job), today: dayOf(now()) };
    const printed = reports
      .filter(({ key }) => chosen.has(key))
      .map(({ spec }) => printReport(openReport(spec, context)));
    const blob = await run('xlsx', (remote, onWritten) => remote.writeWorkbook(printed, onWritten));
    if (blob === undefined) return;
    download(fileName(t('report.workbookName', { job: settingsOf(job).name }), '.xlsx'), blob);
    onClose();
  };
  const toggle = (key: string, on: boolean): void =>
    setChosen(new Set(on ? [...chosen, key] : [...chosen].filter((each) => each !== key)));
  return (
    <Modal
      title={t('report.severalTitle')}
      size="lg"
      onClose={onClose}
      footer={
        <DialogButtons
          onCancel={onClose}
          onDone={() => void save()}
          disabled={chosen.size === 0 || writing !== undefined}
        >
          {t('report.saveWorkbook')}
        </DialogButtons>
      }
    >
      <p className="soft" style={{ marginBottom: 10 }}>
        {t('report.severalHow')}
      </p>
      <div className={styles.several}>
        {reports.map(({ key, spec }) => (
          <Checkbox key={key} checked={chosen.has(key)} onChange={(on) => toggle(key, on)}>
            {spec.name}
          </Checkbox>
        ))}
      </div>
    </Modal>
  );
}
