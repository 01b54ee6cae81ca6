import { type Dispatch, type SetStateAction, useEffect, useState } from 'react';
import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import { put } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { settingsOf } from '@zest/core/job/job';
import { type CopiedRow, copyRows } from '@zest/core/library/copyRows';
import { type ReportLine, listShownRows, reportLine } from '@zest/core/reports/estimateReport';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { tell } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import type { JobSummary } from '../../storage/database.ts';
import { formatsOf, useOpenJob, useServices } from '../../stores/context.tsx';
import { LinePicker } from './LinePicker.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { Refusal } from '../../parts/Refusal.tsx';

interface CopyDialogProps {
  readonly sectionId: Id<'section'> | null;
  readonly onClose: () => void;
}

interface Source {
  readonly figures: Figures;
  readonly rows: readonly CopiedRow[];
  readonly lines: readonly ReportLine[];
}

/** Lines of another job, with the assemblies and prices they stand on. Their quantities come unconfirmed. */
export function CopyDialog({ sectionId, onClose }: CopyDialogProps) {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const jobs = useOtherJobs();
  const [from, setFrom] = useState('');
  const [source, setSource] = useState<Source | 'reading' | undefined>();
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [error, setError] = useState<string | undefined>();
  const read = async (id: string): Promise<void> => {
    setFrom(id);
    setChosen(new Set());
    setSource('reading');
    const other = id === '' ? undefined : await services.storage.loadJob(id);
    if (other === undefined) return setSource(undefined);
    const figures = new Calculation(other).figures;
    const rows = listShownRows(figures).filter(
      (row): row is CopiedRow => row.type === 'line' || row.type === 'scope',
    );
    setSource({ figures, rows, lines: rows.map((row) => reportLine(figures, row)) });
  };
  const ready = source === undefined || source === 'reading' ? undefined : source;
  const copy = (): void => {
    if (ready === undefined) return;
    const rows = ready.rows.filter(({ key }) => chosen.has(key));
    const records = copyRows(ready.figures, rows, job, sectionId, services.makeId);
    const refused = settle(
      t('estimate.copyFromAnotherJob', { lines: t('count.line', { count: rows.length }) }),
      put(...records),
    );
    if (refused !== undefined) return setError(refused);
    tell(
      t('estimate.copiedTheirQuantitiesAreUnconfirmed', { lines: t('count.line', { count: rows.length }) }),
    );
    onClose();
  };
  return (
    <Modal
      title={t('estimate.copyFromAnotherJob2')}
      size="xl"
      onClose={onClose}
      footer={<CopyButtons onClose={onClose} copy={copy} chosen={chosen} />}
    >
      <CopyForm
        from={from}
        read={read}
        jobs={jobs}
        text={text}
        ready={ready}
        setText={setText}
        error={error}
        source={source}
        chosen={chosen}
        setChosen={setChosen}
      />
    </Modal>
  );
}

/** The jobs that can be copied from, the latest first; undefined while they are read. */
function useOtherJobs(): readonly JobSummary[] | undefined {
  const { jobId } = useOpenJob();
  const services = useServices();
  const [jobs, setJobs] = useState<readonly JobSummary[] | undefined>();
  useEffect(() => {
    void services.storage.listJobs().then((all) => {
      const others = all.filter(
        ({ id, deletedAt, company }) => id !== jobId && deletedAt === null && company === undefined,
      );
      setJobs(others.sort((a, b) => b.changedAt - a.changedAt));
    });
  }, [services, jobId]);
  return jobs;
}

interface CopyFormProps {
  readonly from: string;
  readonly read: (id: string) => Promise<void>;
  readonly jobs: readonly JobSummary[] | undefined;
  readonly text: string;
  readonly ready: Source | undefined;
  readonly setText: Dispatch<SetStateAction<string>>;
  readonly error: string | undefined;
  readonly source: Source | 'reading' | undefined;
  readonly chosen: ReadonlySet<string>;
  readonly setChosen: Dispatch<SetStateAction<ReadonlySet<string>>>;
}

/** Which job, and which of its lines. */
function CopyForm({
  from,
  read,
  jobs,
  text,
  ready,
  setText,
  error,
  source,
  chosen,
  setChosen,
}: CopyFormProps) {
  const { job } = useOpenJob();
  const ours = settingsOf(job).currency;
  const theirs = ready === undefined ? ours : settingsOf(ready.figures.job).currency;
  return (
    <div className={layout.form}>
      <div className={layout.formTwo}>
        <label>
          <span className="soft">{t('estimate.job')}</span>
          <Select value={from} onChange={(event) => void read(event.target.value)}>
            <option value="">{t('estimate.chooseAJob')}</option>
            {jobs?.map(({ id, name, template }) => (
              <option key={id} value={id}>
                {template === undefined ? name : t('estimate.aTemplate', { name })}
              </option>
            ))}
          </Select>
        </label>
        <label>
          <span className="soft">{t('estimate.searchItsLines')}</span>
          <TextInput
            value={text}
            disabled={ready === undefined}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
      </div>
      <Refusal>{error}</Refusal>
      {jobs?.length === 0 ? <p className="soft">{t('estimate.thereAreNoOtherJobsYet')}</p> : null}
      {source === 'reading' ? <p role="status">{t('estimate.readingTheJob')}</p> : null}
      {theirs === ours ? null : (
        <p className={layout.fieldError} role="note">
          {t('estimate.itsPricesAreInThisJobIs', { theirs, ours })}
        </p>
      )}
      {ready === undefined ? null : (
        <LinePicker
          label={t('estimate.linesOfTheOtherJob')}
          lines={ready.lines}
          text={text}
          chosen={chosen}
          onChoose={setChosen}
          formats={formatsOf(settingsOf(ready.figures.job))}
        />
      )}
    </div>
  );
}

interface CopyButtonsProps {
  readonly onClose: () => void;
  readonly copy: () => void;
  readonly chosen: ReadonlySet<string>;
}

function CopyButtons({ onClose, copy, chosen }: CopyButtonsProps) {
  return (
    <>
      <span className="soft" style={{ marginRight: 'auto' }}>
        {t('estimate.quantitiesAreCopiedAsUnconfirmed')}
      </span>
      <DialogButtons onCancel={onClose} onDone={copy} disabled={chosen.size === 0}>
        {chosen.size === 0 ? t('estimate.copyNothing') : t('estimate.copyLines', { count: chosen.size })}
      </DialogButtons>
    </>
  );
}
