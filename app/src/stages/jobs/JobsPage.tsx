import { Button } from '@chakra-ui/react';
import { Building2, Moon, Sun } from 'lucide-react';
import { type Dispatch, type RefObject, type SetStateAction, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { JobSummary } from '../../storage/database.ts';
import { useServices, useSetView, useView } from '../../stores/context.tsx';
import { ImportedDialog } from './ImportedDialog.tsx';
import { JobsTable } from './JobsTable.tsx';
import { useJobs } from './useJobs.ts';
import { useCreateCompany, useCreateJob } from './useCreate.ts';
import { NewJobDialog } from './NewJobDialog.tsx';
import { WhereKept } from './WhereKept.tsx';
import { Templates } from './Templates.tsx';
import { FileInput } from '../../parts/FileInput.tsx';
import { IconButton, TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { chooseLanguage, language, nameOfLanguage, t } from '../../messages/t.ts';
import { LANGUAGES_OF_DOCUMENTS } from '@zest/core/job/records/settings';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';
import { Empty } from '../../parts/Empty.tsx';

/** All jobs kept in this browser; the first page there is. */
export function JobsPage() {
  const services = useServices();
  const { jobs, busy, stop, refresh, settle, read, twice, answer } = useJobs();
  /** A new job is asked for: from the template, or with what ships. */
  const [asking, setAsking] = useState<Asked>();
  const navigate = useNavigate();
  const chooser = useRef<HTMLInputElement>(null);
  const onImport = async (file: File | undefined): Promise<void> => {
    if (file !== undefined) await read(file);
    if (chooser.current !== null) chooser.current.value = '';
  };
  const all = jobs?.filter(({ deletedAt }) => deletedAt === null) ?? [];
  const kept = all.filter(({ template, company: is }) => template === undefined && is === undefined);
  const company = all.find(({ company: is }) => is === true);
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
        <JobsBar
          busy={busy}
          stop={stop}
          chooser={chooser}
          onImport={onImport}
          setAsking={setAsking}
          onCompany={() =>
            company === undefined ? setAsking('company') : void navigate(`/job/${company.id}/settings`)
          }
        />
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
        {jobs === undefined ? null : <WhereKept jobs={company === undefined ? kept : [...kept, company]} />}
      </main>
      {twice === undefined ? null : <ImportedDialog {...twice} onChoose={(choice) => void answer(choice)} />}
      <Asking asking={asking} company={company} templates={templates} onClose={() => setAsking(undefined)} />
    </div>
  );
}

type Asked = JobSummary | 'job' | 'company' | undefined;

interface AskingProps {
  readonly asking: Asked;
  readonly company: JobSummary | undefined;
  readonly templates: readonly JobSummary[];
  readonly onClose: () => void;
}

/** The dialog for a new job, or for setting the company up. */
function Asking({ asking, company, templates, onClose }: AskingProps) {
  const createJob = useCreateJob();
  const createCompany = useCreateCompany();
  if (asking === undefined) return null;
  return (
    <NewJobDialog
      forCompany={asking === 'company'}
      company={asking === 'company' ? undefined : company}
      templates={templates}
      template={typeof asking === 'string' ? undefined : asking}
      onClose={onClose}
      onCreate={asking === 'company' ? createCompany : createJob}
    />
  );
}

interface NoJobsProps {
  readonly setAsking: Dispatch<SetStateAction<Asked>>;
}

function NoJobs({ setAsking }: NoJobsProps) {
  return (
    <Empty
      title={t('jobs.noJobsYet')}
      action={
        <Button size="sm" onClick={() => setAsking('job')}>
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
  readonly onCompany: () => void;
  readonly setAsking: Dispatch<SetStateAction<Asked>>;
}

function JobsBar({ busy, stop, chooser, onImport, onCompany, setAsking }: JobsBarProps) {
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 10, marginBottom: 12 }}>
      <h1 style={{ fontSize: 18, fontWeight: 600, margin: 0, flex: 1 }}>{t('jobs.jobs')}</h1>
      {busy === undefined ? null : (
        <span role="status" className="soft">
          {busy.words}…{busy.stops ? <TextButton onClick={() => stop()}>{t('jobs.stop')}</TextButton> : null}
        </span>
      )}
      <Button size="sm" variant="outline" title={t('jobs.whatTheCompanyKeeps')} onClick={onCompany}>
        <Building2 size={14} /> {t('jobs.company')}
      </Button>
      <Button size="sm" variant="outline" onClick={() => chooser.current?.click()}>
        {t('jobs.importAJobFile')}
      </Button>
      <FileInput
        ref={chooser}
        target="job"
        label={t('jobs.jobFile')}
        onFile={(file) => void onImport(file)}
      />
      <Button size="sm" onClick={() => setAsking('job')}>
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
