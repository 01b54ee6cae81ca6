import type { NewJob } from '@zest/core/library/startJob';
import { Button } from '@chakra-ui/react';
import { Copy, Download, Moon, Pencil, Sun, Trash2 } from 'lucide-react';
import {
  type Dispatch,
  type RefObject,
  type SetStateAction,
  useCallback,
  useEffect,
  useRef,
  useState,
} from 'react';
import { useNavigate } from 'react-router';
import { formatMoney } from '@zest/core/pricing/money';
import type { Result } from '@zest/core/problem/result';
import { tellProblem } from '../../parts/toaster.tsx';
import { type Problem, describeProblem } from '../../messages/describeProblem.ts';
import type { JobSummary } from '../../storage/database.ts';
import { createNewJob, duplicateJob, exportJob, importJob, renameJob } from '../../storage/jobFiles.ts';
import { useServices, useSetView, useView } from '../../stores/context.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { startFromTemplate } from '../../storage/templates.ts';
import { NewJobDialog } from './NewJobDialog.tsx';
import { WhereKept } from './WhereKept.tsx';
import { Templates } from './Templates.tsx';
import { dayAgo } from '../../messages/dates.ts';
import { FileInput } from '../../parts/FileInput.tsx';
import { BareButton, IconButton, TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { chooseLanguage, language, nameOfLanguage, t } from '../../messages/t.ts';
import { LANGUAGES_OF_DOCUMENTS } from '@zest/core/job/records/settings';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';
import { Empty } from '../../parts/Empty.tsx';

/** All jobs kept in this browser; the first page there is. */
export function JobsPage() {
  const services = useServices();
  const create = useCreateJob();
  const { jobs, busy, stop, refresh, settle, read } = useJobs();
  /** A new job is asked for: from the template, or with what ships. */
  const [asking, setAsking] = useState<JobSummary | true | undefined>();
  const chooser = useRef<HTMLInputElement>(null);
  const onImport = async (file: File | undefined): Promise<void> => {
    if (file !== undefined) await read(file);
    if (chooser.current !== null) chooser.current.value = '';
  };
  const all = jobs?.filter(({ deletedAt }) => deletedAt === null) ?? [];
  const kept = all.filter(({ template }) => template === undefined);
  const templates = all.filter(({ template }) => template !== undefined);
  const deleted = jobs?.filter(({ deletedAt }) => deletedAt !== null) ?? [];

  return (
    <div
      className={styles.jobs}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void onImport(event.dataTransfer.files[0]);
      }}
    >
      <PageHead />
      <main className={styles.jobsMain}>
        <JobsBar busy={busy} stop={stop} chooser={chooser} onImport={onImport} setAsking={setAsking} />
        {jobs !== undefined && kept.length === 0 ? (
          <NoJobs setAsking={setAsking} />
        ) : (
          <JobsTable jobs={kept} refresh={refresh} settle={settle} />
        )}
        <Templates
          templates={templates}
          onStart={(template) => setAsking(template)}
          onDelete={(template) =>
            void services.storage.markDeleted(template.id, services.now()).then(refresh)
          }
        />
        {deleted.map((job) => (
          <DeletedJob key={job.id} job={job} refresh={refresh} />
        ))}
        {jobs === undefined ? null : <WhereKept jobs={kept} />}
      </main>
      {asking !== undefined ? (
        <NewJobDialog
          templates={templates}
          template={asking === true ? undefined : asking}
          onClose={() => setAsking(undefined)}
          onCreate={create}
        />
      ) : null}
    </div>
  );
}

interface NoJobsProps {
  readonly setAsking: Dispatch<SetStateAction<true | JobSummary | undefined>>;
}

function NoJobs({ setAsking }: NoJobsProps) {
  return (
    <Empty
      title={t('jobs.noJobsYet')}
      action={
        <Button size="sm" onClick={() => setAsking(true)}>
          {t('jobs.startTheFirstJob')}
        </Button>
      }
    >
      {t('jobs.aJobHoldsEverythingForOneBid')}
    </Empty>
  );
}

interface DeletedJobProps {
  readonly job: JobSummary;
  readonly refresh: () => Promise<void>;
}

function DeletedJob({ job, refresh }: DeletedJobProps) {
  const services = useServices();
  return (
    <div className={layout.banner} role="status" style={{ marginTop: 10 }}>
      ‘{job.name}
      {t('jobs.wasDeletedYouCanBringItBack')}
      <Button size="xs" onClick={() => void services.storage.markDeleted(job.id, null).then(refresh)}>
        {t('jobs.undo')}
      </Button>
    </div>
  );
}

interface JobsBarProps {
  readonly busy: ReturnType<typeof useJobs>['busy'];
  readonly stop: () => void | undefined;
  readonly chooser: RefObject<HTMLInputElement | null>;
  readonly onImport: (file: File | undefined) => Promise<void>;
  readonly setAsking: Dispatch<SetStateAction<true | JobSummary | undefined>>;
}

function JobsBar({ busy, stop, chooser, onImport, setAsking }: JobsBarProps) {
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 10, marginBottom: 12 }}>
      <h1 style={{ fontSize: 18, fontWeight: 600, margin: 0, flex: 1 }}>{t('jobs.jobs')}</h1>
      {busy === undefined ? null : (
        <span role="status" className="soft">
          {busy.words}…{busy.stops ? <TextButton onClick={() => stop()}>{t('jobs.stop')}</TextButton> : null}
        </span>
      )}
      <Button size="sm" variant="outline" onClick={() => chooser.current?.click()}>
        {t('jobs.importAJobFile')}
      </Button>
      <FileInput
        ref={chooser}
        target="job"
        label={t('jobs.jobFile')}
        onFile={(file) => void onImport(file)}
      />
      <Button size="sm" onClick={() => setAsking(true)}>
        {t('jobs.newJob')}
      </Button>
    </div>
  );
}

function PageHead() {
  return (
    <header className={styles.jobsHead}>
      <svg viewBox="0 0 36 36" width="40" aria-hidden="true">
        <circle cx="18" cy="18" r="13" fill="none" stroke="#F2B705" strokeWidth="3" />
        <path d="M5 22 31 14" stroke="#F2B705" strokeWidth="3" />
        <circle cx="18" cy="18" r="2.6" fill="#F7F4EC" />
      </svg>
      <div>
        <b>{t('jobs.zestLine')}</b>
        <div style={{ color: 'var(--on-rind)', fontSize: 13 }}>{t('jobs.fromTheSheetToTheBidEvery')}</div>
      </div>
      <LanguageChoice />
      <ThemeButton />
    </header>
  );
}

/** The jobs of this browser, and what is being done with one of them. */
function useJobs() {
  const services = useServices();
  const [jobs, setJobs] = useState<readonly JobSummary[] | undefined>();
  const [busy, setBusy] = useState<{ readonly words: string; readonly stops: boolean } | undefined>();
  /** Set while a file is being read, which can be stopped. */
  const reading = useRef<AbortController | undefined>(undefined);
  const refresh = useCallback(async () => {
    const all = await services.storage.listJobs();
    setJobs([...all].sort((a, b) => b.changedAt - a.changedAt));
  }, [services]);
  useEffect(() => void refresh(), [refresh]);

  const settle = async (what: string, work: Promise<Result<unknown, Problem>>): Promise<boolean> => {
    setBusy({ words: what, stops: reading.current !== undefined });
    const done = await work;
    setBusy(undefined);
    if (!done.ok) tellProblem(describeProblem(done.problem));
    await refresh();
    return done.ok;
  };
  const read = async (file: File): Promise<void> => {
    reading.current = new AbortController();
    await settle(t('jobs.reading', { name: file.name }), importJob(services, file, reading.current.signal));
    reading.current = undefined;
  };
  return { jobs, busy, refresh, settle, read, stop: () => reading.current?.abort() };
}

/** Makes a job and goes there; gives what is wrong, in words. */
function useCreateJob() {
  const services = useServices();
  const navigate = useNavigate();
  return async (asked: NewJob, template: JobSummary | undefined): Promise<string | undefined> => {
    const made = await (template === undefined
      ? createNewJob(services, asked)
      : startFromTemplate(services, template, asked));
    if (!made.ok) return describeProblem(made.problem);
    // The first job is the moment to ask: there is something to lose now.
    void services.keeping.askToPersist();
    void navigate(`/job/${made.value}/sheets`);
    return undefined;
  };
}

/** The language of the interface; what goes to a client has one of its own, under Bid. */
const LanguageChoice = () => (
  <Select
    small
    className="jobs-language"
    style={{ marginLeft: 'auto' }}
    aria-label={t('jobs.language')}
    value={language}
    onChange={({ target }) => {
      const chosen = LANGUAGES_OF_DOCUMENTS.find((each) => each === target.value);
      if (chosen !== undefined) chooseLanguage(chosen);
    }}
  >
    {LANGUAGES_OF_DOCUMENTS.map((each) => (
      <option key={each} value={each}>
        {nameOfLanguage(each)}
      </option>
    ))}
  </Select>
);

function ThemeButton() {
  const theme = useView((state) => state.theme);
  const setView = useSetView();
  const Icon = theme === 'dark' ? Sun : Moon;
  return (
    <IconButton
      style={{ color: '#fff', width: 32, height: 32 }}
      aria-label={theme === 'dark' ? t('jobs.useTheLightTheme') : t('jobs.useTheDarkTheme')}
      onClick={() => setView({ theme: theme === 'dark' ? 'light' : 'dark' })}
    >
      <Icon size={18} />
    </IconButton>
  );
}

interface JobsTableProps {
  readonly jobs: readonly JobSummary[];
  readonly refresh: () => Promise<void>;
  readonly settle: (what: string, work: Promise<Result<unknown, Problem>>) => Promise<boolean>;
}

function JobsTable({ jobs, refresh, settle }: JobsTableProps) {
  const services = useServices();
  const [renaming, setRenaming] = useState<string | undefined>();
  const onExport = async (job: JobSummary): Promise<void> => {
    const done = await exportJob(services, job.id);
    if (done.ok) await refresh();
    else tellProblem(describeProblem(done.problem));
  };
  const rename = (job: JobSummary, name: string): string | undefined => {
    void settle(t('jobs.renaming'), renameJob(services, job, name)).then(
      (done) => done && setRenaming(undefined),
    );
    return undefined;
  };
  return (
    <table className={styles.jobsTable}>
      <JobsHead />
      <tbody>
        {jobs.map((job) => (
          <tr key={job.id}>
            <JobName renaming={renaming} job={job} rename={rename} />
            <td className={`${styles.jobsClient} cut`} title={job.client}>
              {job.client}
            </td>
            <td className="right">{t('count.sheet', { count: job.sheets })}</td>
            <td className="right" style={{ fontWeight: 600 }}>
              {formatMoney(job.totalMinor, {
                currency: job.currency,
                numbers: { decimal: job.decimalMark, group: job.groupMark },
              })}
            </td>
            <td className="right soft">{dayAgo(job.changedAt, services.now())}</td>
            <JobActionsCell
              job={job}
              setRenaming={setRenaming}
              renaming={renaming}
              settle={settle}
              onExport={onExport}
              refresh={refresh}
            />
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface JobActionsCellProps {
  readonly job: JobSummary;
  readonly setRenaming: Dispatch<SetStateAction<string | undefined>>;
  readonly renaming: string | undefined;
  readonly settle: JobsTableProps['settle'];
  readonly onExport: (job: JobSummary) => Promise<void>;
  readonly refresh: () => Promise<void>;
}

function JobActionsCell({ job, setRenaming, renaming, settle, onExport, refresh }: JobActionsCellProps) {
  const services = useServices();
  return (
    <td style={{ whiteSpace: 'nowrap', textAlign: 'right' }}>
      <IconAction
        label={t('jobs.rename', { name: job.name })}
        icon={Pencil}
        word={t('jobs.rename2')}
        onClick={() => setRenaming(renaming === job.id ? undefined : job.id)}
      />
      <IconAction
        label={t('jobs.duplicate', { name: job.name })}
        icon={Copy}
        word={t('jobs.duplicate2')}
        onClick={() => void settle(t('jobs.duplicating'), duplicateJob(services, job.id))}
      />
      <IconAction
        label={t('jobs.export', { name: job.name })}
        icon={Download}
        word={t('jobs.export2')}
        onClick={() => void onExport(job)}
      />
      <IconAction
        label={t('jobs.delete', { name: job.name })}
        icon={Trash2}
        word={t('jobs.deleteWord')}
        onClick={() => void services.storage.markDeleted(job.id, services.now()).then(refresh)}
      />
    </td>
  );
}

interface JobNameProps {
  readonly renaming: string | undefined;
  readonly job: JobSummary;
  readonly rename: (job: JobSummary, name: string) => string | undefined;
}

function JobName({ renaming, job, rename }: JobNameProps) {
  const navigate = useNavigate();
  return (
    <td className={styles.jobsName}>
      {renaming === job.id ? (
        <CommitInput
          label={t('jobs.newNameOf', { name: job.name })}
          value={job.name}
          onCommit={(name) => rename(job, name)}
        />
      ) : (
        <BareButton
          className={styles.jobsOpen}
          title={job.name}
          onClick={() => void navigate(`/job/${job.id}/sheets`)}
        >
          {job.name}
        </BareButton>
      )}
    </td>
  );
}

function JobsHead() {
  return (
    <thead>
      <tr>
        <th>{t('jobs.name')}</th>
        <th className={styles.jobsClient}>{t('jobs.client')}</th>
        <th className="right" style={{ textAlign: 'right' }}>
          {t('jobs.sheets')}
        </th>
        <th style={{ textAlign: 'right' }}>{t('jobs.bid')}</th>
        <th style={{ textAlign: 'right' }}>{t('jobs.changed')}</th>
        <th aria-label={t('jobs.whatToDo')} />
      </tr>
    </thead>
  );
}
