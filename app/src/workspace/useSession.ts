import { useLayoutEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { Sheet } from '@zest/core/job/records/sheet';
import { useStores } from '../stores/context.tsx';
import type { Viewport } from './viewport.ts';
import { type Session, createSession } from './session.ts';
import type { Snapper } from './snapper.ts';
import type { HitIndex } from './tools/hitIndex.ts';
import type { SessionState } from './tools/tool.ts';

/** The session at the sheet that is shown; undefined until the desk stands. */
export function useSession(
  sheetId: Sheet['id'],
  viewport: Viewport | undefined,
  hits: HitIndex,
  snapper: Snapper,
): Session | undefined {
  const stores = useStores();
  const [session, setSession] = useState<Session | undefined>();
  // Before the job is closed by those around it: what is being drawn is still put into it.
  useLayoutEffect(() => {
    if (viewport === undefined) return undefined;
    const made = createSession({ stores, viewport, hits, snapper }, sheetId);
    setSession(made);
    return () => made.end();
    // Another sheet is shown to the same session.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stores, viewport, hits, snapper]);
  useLayoutEffect(() => session?.show(sheetId), [session, sheetId]);
  return session;
}

export const useSessionState = <Value>(session: Session, select: (state: SessionState) => Value): Value =>
  useStore(session.store, select);
