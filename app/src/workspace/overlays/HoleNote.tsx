import { Button } from '@chakra-ui/react';
import { t } from '../../messages/t.ts';
import { Kbd } from '../../parts/Kbd.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import type { Session } from '../session.ts';
import { useSessionState } from '../useSession.ts';
import { styles } from './styles.ts';

/** Offers to cut out an area that was just drawn inside another of its scope, until something else is drawn. */
export function HoleNote({ session }: { readonly session: Session }) {
  const { job } = useOpenJob();
  const inside = useSessionState(session, (state) => state.inside);
  const drawing = useSessionState(session, ({ draft }) => draft.strokes.length > 0);
  const host = inside === undefined ? undefined : job.mark.get(inside.hostId);
  if (host === undefined || inside === undefined || drawing || !job.mark.has(inside.holeId)) return null;
  return (
    <div className={styles.holeNote} role="status" onPointerDown={(event) => event.stopPropagation()}>
      {t('workspace.thatLiesInside', { name: job.scope.get(host.scopeId)?.name ?? '' })}
      <Button size="xs" onClick={() => session.cutOutInside()}>
        {t('workspace.cutItOut')} <Kbd>U</Kbd>
      </Button>
    </div>
  );
}
