import { Copy, Download, Pencil, Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { useNavigate } from 'react-router';
import { formatMoney } from '@zest/core/pricing/money';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import type { JobSummary } from '../../storage/database.ts';
import { duplicateJob, exportJob, renameJob } from '../../storage/jobFiles.ts';
import { useServices } from '../../stores/context.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { dayAgo } from '../../messages/dates.ts';
import { BareButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { useJobs } from './useJobs.ts';

interface JobsTableProps {
  readonly jobs: readonly JobSummary[];
  readonly refresh: () => Promise<void>;
  readonly settle: ReturnType<typeof useJobs>['settle'];
}

/** The jobs, each with what can be done with it as a whole. */
export function JobsTable({ jobs, refresh, settle }: JobsTableProps) {
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
