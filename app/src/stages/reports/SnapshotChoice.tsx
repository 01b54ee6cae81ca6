import { useEffect, useMemo, useState } from 'react';
import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import { createJob } from '@zest/core/job/job';
import type { StoredSnapshot } from '../../storage/database.ts';
import { momentOf } from '../../messages/dates.ts';
import { Select } from '../../parts/fields.tsx';
import { useServices } from '../../stores/context.tsx';
import { useJobId } from '../../stores/jobHooks.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface Earlier {
  readonly snapshots: readonly StoredSnapshot[];
  readonly chosen: string | undefined;
  readonly choose: (id: string) => void;
  readonly figures: Figures | undefined;
}

/** The snapshot that changes are told from: the latest, until another is chosen. */
export function useEarlier(isNeeded: boolean): Earlier {
  const { storage } = useServices();
  const jobId = useJobId();
  const [snapshots, setSnapshots] = useState<readonly StoredSnapshot[]>([]);
  const [picked, choose] = useState<string | undefined>();
  useEffect(() => {
    if (!isNeeded) return;
    let current = true;
    void storage.listSnapshots(jobId).then((found) => {
      if (current) setSnapshots(found);
    });
    return () => {
      current = false;
    };
  }, [isNeeded, storage, jobId]);
  const snapshot = snapshots.find(({ id }) => id === picked) ?? snapshots[0];
  const figures = useMemo(
    () => (snapshot === undefined ? undefined : new Calculation(createJob(snapshot.records)).figures),
    [snapshot],
  );
  return { snapshots, chosen: snapshot?.id, choose, figures };
}

export function SnapshotChoice({ earlier }: { readonly earlier: Earlier }) {
  return (
    <div className={styles.line}>
      <span className="soft">{t('report.changesSince')}</span>
      {earlier.snapshots.length === 0 ? (
        <span>{t('report.noSnapshotsYet')}</span>
      ) : (
        <Select
          small
          style={{ width: 260 }}
          aria-label={t('report.snapshot')}
          value={earlier.chosen ?? ''}
          onChange={({ target }) => earlier.choose(target.value)}
        >
          {earlier.snapshots.map(({ id, name, at }) => (
            <option key={id} value={id}>
              {name}, {momentOf(at)}
            </option>
          ))}
        </Select>
      )}
    </div>
  );
}
