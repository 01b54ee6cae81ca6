import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { type TypeDifference, compareJobs } from '@zest/core/job/compareJobs';
import { formatMoney } from '@zest/core/pricing/money';
import { dayAgo } from '../../messages/dates.ts';
import { t } from '../../messages/t.ts';
import { RECORD_WORDS } from '../../messages/words.ts';
import { Modal } from '../../parts/Modal.tsx';
import type { JobSummary } from '../../storage/database.ts';
import { useServices } from '../../stores/context.tsx';
import { styles } from './styles.ts';

/** What is done with a job of a file that is here already. */
export type ImportedChoice = 'replace' | 'both' | 'neither';

interface ImportedDialogProps {
  /** As the file has it; it is kept beside the other until somebody chooses. */
  readonly imported: JobSummary;
  readonly here: JobSummary;
  readonly onChoose: (choice: ImportedChoice) => void;
}

/** The same job twice: nothing of either is given up without an answer. */
export function ImportedDialog({ imported, here, onChoose }: ImportedDialogProps) {
  const { storage } = useServices();
  const [differences, setDifferences] = useState<readonly TypeDifference[] | undefined>();
  const compare = async (): Promise<void> => {
    const [ours, theirs] = await Promise.all([storage.loadJob(here.id), storage.loadJob(imported.id)]);
    if (ours !== undefined && theirs !== undefined) setDifferences(compareJobs(ours, theirs));
  };
  return (
    <Modal
      insists
      title={t('jobs.isHereAlready', { name: here.name })}
      onClose={() => onChoose('both')}
      footer={
        <>
          <Button size="sm" variant="outline" onClick={() => onChoose('neither')}>
            {t('jobs.keepTheOneHere')}
          </Button>
          <Button size="sm" variant="outline" onClick={() => onChoose('replace')}>
            {t('jobs.useTheFile')}
          </Button>
          <Button size="sm" onClick={() => onChoose('both')}>
            {t('jobs.keepBoth')}
          </Button>
        </>
      }
    >
      <table className={styles.twoJobs}>
        <thead>
          <tr>
            <td />
            <th scope="col">{t('jobs.here')}</th>
            <th scope="col">{t('jobs.inTheFile')}</th>
          </tr>
        </thead>
        <tbody>
          <SummaryRows here={here} imported={imported} />
          <DifferenceRows differences={differences ?? []} />
        </tbody>
      </table>
      {differences === undefined ? (
        <Button size="xs" variant="outline" onClick={() => void compare()}>
          {t('jobs.compareThem')}
        </Button>
      ) : differences.length === 0 ? (
        <p>{t('jobs.theyAreTheSame')}</p>
      ) : null}
      <p className="soft">{t('jobs.whatIsReplacedCanBeBroughtBack')}</p>
    </Modal>
  );
}

function SummaryRows({ here, imported }: Pick<ImportedDialogProps, 'here' | 'imported'>) {
  const { now } = useServices();
  const money = (job: JobSummary): string =>
    formatMoney(job.totalMinor, {
      currency: job.currency,
      numbers: { decimal: job.decimalMark, group: job.groupMark },
    });
  return (
    <>
      <tr>
        <th scope="row">{t('jobs.name')}</th>
        <td>{here.name}</td>
        <td>{imported.name}</td>
      </tr>
      <tr>
        <th scope="row">{t('jobs.bid')}</th>
        <td>{money(here)}</td>
        <td>{money(imported)}</td>
      </tr>
      <tr>
        <th scope="row">{t('jobs.changed')}</th>
        <td>{dayAgo(here.changedAt, now())}</td>
        <td className="soft">{t('jobs.notSaidByTheFile')}</td>
      </tr>
    </>
  );
}

const DifferenceRows = ({ differences }: { readonly differences: readonly TypeDifference[] }) =>
  differences.map(({ type, changed, onlyInFirst, onlyInSecond }) => (
    <tr key={type}>
      <th scope="row">{RECORD_WORDS[type]}</th>
      <td>{onlyInFirst === 0 ? '' : t('jobs.onlyHere', { count: onlyInFirst })}</td>
      <td>
        {[
          changed === 0 ? '' : t('jobs.changedCount', { count: changed }),
          onlyInSecond === 0 ? '' : t('jobs.onlyInTheFile', { count: onlyInSecond }),
        ]
          .filter((words) => words !== '')
          .join(' · ')}
      </td>
    </tr>
  ));
