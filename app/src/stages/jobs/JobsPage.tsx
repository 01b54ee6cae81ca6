import { Button } from '@chakra-ui/react';
import { Copy, Download, Moon, Pencil, Sun, Trash2 } from 'lucide-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { formatMoney } from '@zest/core/pricing/money';
import type { Result } from '@zest/core/problem/result';
import { tellProblem } from '../../components/toaster.tsx';
import { type Problem, describeProblem } from '../../messages/describeProblem.ts';
import { plural } from '../../messages/words.ts';
import type { JobSummary } from '../../storage/database.ts';
import { createNewJob, duplicateJob, exportJob, importJob, renameJob } from '../../storage/jobFiles.ts';
import { useServices, useSetView, useView } from '../../stores/context.tsx';
import { CommitInput } from '../../components/CommitInput.tsx';
import { IconAction } from '../../components/IconAction.tsx';
import { startFromTemplate } from '../../storage/templates.ts';
import { NewJobDialog } from './NewJobDialog.tsx';
import { WhereKept } from './WhereKept.tsx';
import { Templates } from './Templates.tsx';
import { dayOf } from '../../platform/days.ts';
import { FileInput } from '../../parts/FileInput.tsx';
import { BareButton, IconButton, TextButton } from '../../parts/buttons.tsx';

/** All jobs kept in this browser; the first page there is. */
export function JobsPage() {
  const services = useServices();
  const navigate = useNavigate();
  const [jobs, setJobs] = useState<readonly JobSummary[] | undefined>();
  /** A new job is asked for: from the template, or with what ships. */
  const [asking, setAsking] = useState<JobSummary | true | undefined>();
  const [busy, setBusy] = useState<string | undefined>();
  /** Set while a file is being read, which can be stopped. */
  const reading = useRef<AbortController | undefined>(undefined);
  const chooser = useRef<HTMLInputElement>(null);
  const refresh = useCallback(async () => {
    const all = await services.storage.listJobs();
    setJobs([...all].sort((a, b) => b.changedAt - a.changedAt));
  }, [services]);
  useEffect(() => void refresh(), [refresh]);

  const settle = async (what: string, work: Promise<Result<unknown, Problem>>): Promise<boolean> => {
    setBusy(what);
    const done = await work;
    setBusy(undefined);
    if (!done.ok) tellProblem(describeProblem(done.problem));
    await refresh();
    return done.ok;
  };
  const onImport = async (file: File | undefined): Promise<void> => {
    if (file !== undefined) {
      reading.current = new AbortController();
      await settle(`Reading ${file.name}`, importJob(services, file, reading.current.signal));
      reading.current = undefined;
    }
    if (chooser.current !== null) chooser.current.value = '';
  };
  const all = jobs?.filter(({ deletedAt }) => deletedAt === null) ?? [];
  const kept = all.filter(({ template }) => template === undefined);
  const templates = all.filter(({ template }) => template !== undefined);
  const deleted = jobs?.filter(({ deletedAt }) => deletedAt !== null) ?? [];

  return (
    <div
      className="jobs"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void onImport(event.dataTransfer.files[0]);
      }}
    >
      <header className="jobs-head">
        <svg viewBox="0 0 36 36" width="40" aria-hidden="true">
          <circle cx="18" cy="18" r="13" fill="none" stroke="#F2B705" strokeWidth="3" />
          <path d="M5 22 31 14" stroke="#F2B705" strokeWidth="3" />
          <circle cx="18" cy="18" r="2.6" fill="#F7F4EC" />
        </svg>
        <div>
          <b>Zest Line</b>
          <div style={{ color: 'var(--on-rind)', fontSize: 13 }}>
            From the sheet to the bid, every figure explained. Jobs stay in this browser.
          </div>
        </div>
        <ThemeButton />
      </header>
      <main className="jobs-main">
        <div style={{ display: 'flex', alignItems: 'center', gap: 10, marginBottom: 12 }}>
          <h1 style={{ fontSize: 18, fontWeight: 600, margin: 0, flex: 1 }}>Jobs</h1>
          {busy === undefined ? null : (
            <span role="status" className="soft">
              {busy}…
              {busy.startsWith('Reading') ? (
                <TextButton onClick={() => reading.current?.abort()}>Stop</TextButton>
              ) : null}
            </span>
          )}
          <Button size="sm" variant="outline" onClick={() => chooser.current?.click()}>
            Import a job file
          </Button>
          <FileInput
            ref={chooser}
            accept=".zestjob"
            label="Job file"
            onFile={(file) => void onImport(file)}
          />
          <Button size="sm" onClick={() => setAsking(true)}>
            New job
          </Button>
        </div>
        {jobs !== undefined && kept.length === 0 ? (
          <div className="empty">
            <h2>No jobs yet</h2>
            <p>
              A job holds everything for one bid: sheets, measurements, assemblies, prices and the bid itself.
            </p>
            <div className="first">
              <Button size="sm" onClick={() => setAsking(true)}>
                Start the first job
              </Button>
            </div>
          </div>
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
          <div key={job.id} className="banner" role="status" style={{ marginTop: 10 }}>
            ‘{job.name}’ was deleted. You can bring it back for a day.
            <Button size="xs" onClick={() => void services.storage.markDeleted(job.id, null).then(refresh)}>
              Undo
            </Button>
          </div>
        ))}
        {jobs === undefined ? null : <WhereKept jobs={kept} />}
      </main>
      {asking !== undefined ? (
        <NewJobDialog
          templates={templates}
          template={asking === true ? undefined : asking}
          onClose={() => setAsking(undefined)}
          onCreate={async (asked, template) => {
            const made = await (template === undefined
              ? createNewJob(services, asked)
              : startFromTemplate(services, template, asked));
            // The first job is the moment to ask: there is something to lose now.
            if (made.ok) void services.keeping.askToPersist();
            if (made.ok) void navigate(`/job/${made.value}/sheets`);
            return made.ok ? undefined : describeProblem(made.problem);
          }}
        />
      ) : null}
    </div>
  );
}

function ThemeButton() {
  const theme = useView((state) => state.theme);
  const setView = useSetView();
  const Icon = theme === 'dark' ? Sun : Moon;
  return (
    <IconButton
      style={{ marginLeft: 'auto', color: '#fff', width: 32, height: 32 }}
      aria-label={theme === 'dark' ? 'Use the light theme' : 'Use the dark theme'}
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
  const navigate = useNavigate();
  const [renaming, setRenaming] = useState<string | undefined>();
  const onExport = async (job: JobSummary): Promise<void> => {
    const done = await exportJob(services, job.id);
    if (done.ok) await refresh();
    else tellProblem(describeProblem(done.problem));
  };
  const rename = (job: JobSummary, name: string): string | undefined => {
    void settle('Renaming', renameJob(services, job, name)).then((done) => done && setRenaming(undefined));
    return undefined;
  };
  return (
    <table className="jobs-table">
      <thead>
        <tr>
          <th>Name</th>
          <th className="jobs-client">Client</th>
          <th className="right" style={{ textAlign: 'right' }}>
            Sheets
          </th>
          <th style={{ textAlign: 'right' }}>Bid</th>
          <th style={{ textAlign: 'right' }}>Changed</th>
          <th aria-label="What to do" />
        </tr>
      </thead>
      <tbody>
        {jobs.map((job) => (
          <tr key={job.id}>
            <td className="jobs-name">
              {renaming === job.id ? (
                <CommitInput
                  label={`New name of ${job.name}`}
                  value={job.name}
                  onCommit={(name) => rename(job, name)}
                />
              ) : (
                <BareButton
                  className="jobs-open"
                  title={job.name}
                  onClick={() => void navigate(`/job/${job.id}/sheets`)}
                >
                  {job.name}
                </BareButton>
              )}
            </td>
            <td className="jobs-client cut" title={job.client}>
              {job.client}
            </td>
            <td className="right">{plural(job.sheets, 'sheet')}</td>
            <td className="right" style={{ fontWeight: 600 }}>
              {formatMoney(job.totalMinor, {
                currency: job.currency,
                numbers: { decimal: job.decimalMark, group: job.groupMark },
              })}
            </td>
            <td className="right soft">{dayOf(job.changedAt)}</td>
            <td style={{ whiteSpace: 'nowrap', textAlign: 'right' }}>
              <IconAction
                label={`Rename ${job.name}`}
                icon={Pencil}
                word="Rename"
                onClick={() => setRenaming(renaming === job.id ? undefined : job.id)}
              />
              <IconAction
                label={`Duplicate ${job.name}`}
                icon={Copy}
                word="Duplicate"
                onClick={() => void settle('Duplicating', duplicateJob(services, job.id))}
              />
              <IconAction
                label={`Export ${job.name}`}
                icon={Download}
                word="Export"
                onClick={() => void onExport(job)}
              />
              <IconAction
                label={`Delete ${job.name}`}
                icon={Trash2}
                word="Delete"
                onClick={() => void services.storage.markDeleted(job.id, services.now()).then(refresh)}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
