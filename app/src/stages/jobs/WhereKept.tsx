import { Button } from '@chakra-ui/react';
import { useCallback, useEffect, useState } from 'react';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { fileSize } from '../../messages/words.ts';
import { momentOf } from '../../messages/dates.ts';
import type { JobSummary } from '../../storage/database.ts';
import { useCopies, useCopyActions, useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { firstOf, listWith } from '../../messages/lists.ts';

interface Kept {
  readonly persistent: boolean | undefined;
  readonly room: { readonly usedBytes: number; readonly freeBytes: number } | undefined;
}

/** How many names are read out before the rest is counted. */
const NAMES = 3;

const isUnexported = ({ createdAt, changedAt, exportedAt = createdAt }: JobSummary): boolean =>
  changedAt > exportedAt;

/** How safe the jobs are: what the browser promises, how much room there is, and where copies go. */
export function WhereKept({ jobs }: { readonly jobs: readonly JobSummary[] }) {
  const { keeping } = useServices();
  const folder = useCopies((state) => state.folder);
  const [kept, setKept] = useState<Kept | undefined>();
  const [refused, setRefused] = useState(false);
  const look = useCallback(async () => {
    const [persistent, room] = await Promise.all([keeping.isPersistent(), keeping.room()]);
    setKept({ persistent, room });
  }, [keeping]);
  // With every change of the jobs: the first one may have made the browser promise.
  useEffect(() => void look(), [look, jobs]);
  if (kept === undefined) return null;
  const { persistent, room } = kept;
  const ask = (): void =>
    void keeping.askToPersist().then((granted) => {
      setRefused(!granted);
      return look();
    });
  const unexported = folder === undefined ? jobs.filter(isUnexported) : [];
  return (
    <section className={styles.whereKept} aria-label={t('jobs.whereYourJobsAreKept')}>
      <h2>{t('jobs.whereYourJobsAreKept')}</h2>
      <p>
        <span>{t('jobs.inThisBrowserOnThisComputer')}</span>
        {room === undefined ? null : (
          <span>
            {t('jobs.usedFree', {
              usedBytes: fileSize(room.usedBytes),
              freeBytes: fileSize(room.freeBytes),
            })}
          </span>
        )}
        {persistent === true ? <span>{t('jobs.theBrowserKeepsThemUntilYouDelete')}</span> : null}
      </p>
      {persistent === true ? null : (
        <p className="warn" role="status">
          {!refused
            ? t('jobs.ifTheDiskRunsLowTheBrowser')
            : folder === undefined
              ? t('jobs.theBrowserWouldNotPromiseToKeep')
              : t('jobs.theBrowserWouldNotPromiseToKeep2')}
          {refused ? null : (
            <Button size="xs" variant="outline" onClick={ask}>
              {t('jobs.askTheBrowserToKeepThem')}
            </Button>
          )}
        </p>
      )}
      <CopyLine />
      {unexported.length === 0 ? null : (
        <p>{t('jobs.changedSinceTheLastExport', { names: unexportedNames(unexported) })}</p>
      )}
    </section>
  );
}

function unexportedNames(jobs: readonly { readonly name: string }[]): string {
  const [first, more] = firstOf(
    jobs.map(({ name }) => name),
    NAMES,
  );
  return listWith('and', more > 0 ? [...first, t('jobs.andMore', { number: more })] : first);
}

/** Copies in a folder of the person's: whether there are any, where, and since when. */
function CopyLine() {
  const { copyFolders } = useServices();
  const { folder, state, writtenAt, reason } = useCopies((copies) => copies);
  const actions = useCopyActions();
  const choose = (): void =>
    void actions.choose().catch((error: unknown) => {
      const why = error instanceof Error ? error.message : '';
      tellProblem(describeProblem({ kind: 'copy-failed', reason: why }));
    });
  if (!copyFolders.supported) return <p>{t('jobs.thisBrowserCantWriteCopiesToA')}</p>;
  if (folder === undefined)
    return (
      <p>
        {t('jobs.noCopiesOutsideTheBrowserYet')}
        <Button size="xs" variant="outline" onClick={choose}>
          {t('jobs.chooseAFolderForCopies')}
        </Button>
      </p>
    );
  const words = {
    off: '',
    ready: writtenAt === undefined ? '' : t('jobs.lastCopy', { writtenAt: momentOf(writtenAt) }),
    writing: t('jobs.writingACopy'),
    blocked: t('jobs.theBrowserNeedsYourPermissionAgain'),
    failed: reason,
  }[state];
  return (
    <p role="status">
      {t('jobs.copiesGoToTheFolder')}
      {folder}
      {t('jobs.afterChangesTheLastTenOfEach')}{' '}
      <span className={state === 'blocked' || state === 'failed' ? 'wrong' : 'soft'}>{words}</span>
      {state === 'blocked' ? (
        <Button size="xs" onClick={() => void actions.allow()}>
          {t('jobs.allowIt')}
        </Button>
      ) : null}
      {state === 'failed' ? (
        <Button size="xs" onClick={() => void actions.writeNow()}>
          {t('jobs.tryAgain')}
        </Button>
      ) : null}
      <Button size="xs" variant="outline" onClick={choose}>
        {t('jobs.chooseAnotherFolder')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => void actions.forget()}>
        {t('jobs.stopCopies')}
      </Button>
    </p>
  );
}
