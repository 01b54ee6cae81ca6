import { useEffect, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { tellProblem } from '../parts/toaster.tsx';
import { useStages } from '../stages/stage.ts';
import { useStores, useView } from '../stores/context.tsx';
import type { Action } from './action.ts';
import { isBesideField, watchPointer } from './besideField.ts';
import { withKey, writeKey } from './keys.ts';
import { listActions } from './listActions.ts';
import { isInDialog, isTyping } from './typing.ts';

/** The one list of actions of the open job, each with the key it has now. */
export function useActions(): readonly Action[] {
  const stores = useStores();
  const stages = useStages();
  const navigate = useNavigate();
  const chosen = useView((state) => state.keys);
  const actions = useMemo(() => {
    const jobPath = (): string => `/job/${stores.jobs.getState().open?.jobId ?? ''}`;
    return listActions(stages, {
      stores,
      goTo: (page) => void navigate(`${jobPath()}/${page}`),
      leaveTo: (path) => void navigate(path),
    });
  }, [stages, stores, navigate]);
  return useMemo(() => actions.map((action) => withKey(action, chosen)), [actions, chosen]);
}

/** Does what is asked for, or says why it cannot be done now. */
export function runAction({ when, run }: Pick<Action, 'when' | 'run'>): void {
  const hindrance = when?.();
  if (hindrance === undefined) run();
  else tellProblem(hindrance);
}

/** The key of an action as it is now. */
export function useKeyOf(id: string, usual: string): string {
  return useView((state) => state.keys[id]) ?? usual;
}

/** Another key for redo, as long as nothing else has it. */
const REDO_TOO = 'Ctrl+Y';

/** Runs actions by their keys wherever nobody is typing. */
export function useActionKeys(): void {
  const actions = useActions();
  useEffect(() => {
    const byKey = new Map(actions.map((action) => [action.key, action]));
    const redo = actions.find(({ id }) => id === 'redo');
    if (redo !== undefined) byKey.set(REDO_TOO, redo);
    const onKeyDown = (event: KeyboardEvent): void => {
      const action = byKey.get(writeKey(event));
      if (action === undefined || event.defaultPrevented || isInDialog()) return;
      if (isTyping(event.target) && action.id !== 'find') return;
      if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && isBesideField()) return;
      event.preventDefault();
      runAction(action);
    };
    window.addEventListener('keydown', onKeyDown);
    const unwatch = watchPointer();
    return () => {
      unwatch();
      window.removeEventListener('keydown', onKeyDown);
    };
  }, [actions]);
}
