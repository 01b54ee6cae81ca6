import { Button } from '@chakra-ui/react';
import { useCallback, useEffect, useState } from 'react';
import { tellProblem } from '../../components/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { fileSize } from '../../messages/words.ts';
import { minuteOf } from '../../platform/days.ts';
import type { JobSummary } from '../../storage/database.ts';
import { useCopies, useCopyActions, useServices } from '../../stores/context.tsx';

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
    <section className="where-kept" aria-label="Where your jobs are kept">
      <h2>Where your jobs are kept</h2>
      <p>
        In this browser, on this computer.
        {room === undefined ? '' : ` ${fileSize(room.usedBytes)} used, ${fileSize(room.freeBytes)} free. `}
        {persistent === true ? 'The browser keeps them until you delete them.' : null}
      </p>
      {persistent === true ? null : (
        <p className="warn" role="status">
          {!refused
            ? 'If the disk runs low, the browser may clear them without asking.'
            : folder === undefined
              ? 'The browser would not promise to keep them. Choose a folder for copies, or export the jobs you can’t lose.'
              : 'The browser would not promise to keep them.'}
          {refused ? null : (
            <Button size="xs" variant="outline" onClick={ask}>
              Ask the browser to keep them
            </Button>
          )}
        </p>
      )}
      <CopyLine />
      {unexported.length === 0 ? null : (
        <p>
          Changed since the last export:{' '}
          {unexported
            .slice(0, NAMES)
            .map(({ name }) => name)
            .join(', ')}
          {unexported.length > NAMES ? ` and ${unexported.length - NAMES} more` : ''}.
        </p>
      )}
    </section>
  );
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
  if (!copyFolders.supported)
    return <p>This browser can’t write copies to a folder. Export the jobs you can’t lose.</p>;
  if (folder === undefined)
    return (
      <p>
        No copies outside the browser yet.
        <Button size="xs" variant="outline" onClick={choose}>
          Choose a folder for copies
        </Button>
      </p>
    );
  const words = {
    off: '',
    ready: writtenAt === undefined ? '' : `Last copy ${minuteOf(writtenAt)}.`,
    writing: 'Writing a copy…',
    blocked: 'The browser needs your permission again before it can write there.',
    failed: reason,
  }[state];
  return (
    <p role="status">
      Copies go to the folder ‘{folder}’ after changes; the last ten of each job are kept.{' '}
      <span className={state === 'blocked' || state === 'failed' ? 'wrong' : 'soft'}>{words}</span>
      {state === 'blocked' ? (
        <Button size="xs" onClick={() => void actions.allow()}>
          Allow it
        </Button>
      ) : null}
      {state === 'failed' ? (
        <Button size="xs" onClick={() => void actions.writeNow()}>
          Try again
        </Button>
      ) : null}
      <Button size="xs" variant="outline" onClick={choose}>
        Choose another folder
      </Button>
      <Button size="xs" variant="outline" onClick={() => void actions.forget()}>
        Stop copies
      </Button>
    </p>
  );
}
