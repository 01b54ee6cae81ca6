import { useCallback } from 'react';
import type { Command } from '@zest/core/job/change';
import { describeProblem } from '../messages/describeProblem.ts';
import { useJobActions } from './context.tsx';

/** Carries out a change; gives what is wrong with it in words, for the field that asked for it. */
export function useSettle(): (label: string, command: Command) => string | undefined {
  const actions = useJobActions();
  return useCallback(
    (label, command) => {
      const done = actions.transact(label, command);
      return done.ok ? undefined : describeProblem(done.problem);
    },
    [actions],
  );
}
