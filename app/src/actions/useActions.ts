import { tellRefused } from '../components/tellRefused.ts';
import type { Action } from './action.ts';
import { isBesideField, watchPointer } from './besideField.ts';
import { useEffect, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { STAGES } from '../frame/stages.ts';
import { type Stores, useStores } from '../stores/context.tsx';
import { TOOLBOX } from '../workspace/tools/toolbox.ts';
import { listSheetActions } from './sheetActions.ts';

/** Pages beside the stages. */
const PAGES = [
  ['look', 'Go to the second look'],
  ['quotes', 'Go to quotes'],
  ['compare', 'Go to snapshots and the bridge'],
  ['charts', 'Go to the charts'],
  ['wages', 'Go to crews, wages and regions'],
  ['figures', 'Go to figures and tables'],
  ['library', 'Go to the library of assemblies'],
] as const;

/** Keys that only mean something while drawing; listed for the help, handled by the workspace. */
export const DRAWING_KEYS: readonly (readonly [keys: string, what: string])[] = [
  ['Shift', 'right angles while held'],
  ['0–9 … Enter', 'type the length of the piece, also with an angle: 12 @ 30'],
  ['+8 … Enter', 'a rise from the last point, or − for a drop'],
  ['K  G', 'the next piece as an arc, or at right angles'],
  ['E  W  Q', 'an area as a box, a turned box, a circle'],
  ['Tab', 'the next place the point could be drawn to'],
  ['N', 'snapping on or off'],
  ['.', 'lift the pen, go on elsewhere in the same mark'],
  ['Backspace', 'take back the last point'],
  ['Enter', 'end the mark'],
  ['Esc', 'leave the pen; what is drawn stays'],
  ['Delete', 'delete the selected vertex or marks'],
  ['X', 'hold the kind of place the point is drawn to, and let it go'],
  ['Shift drag', 'catch marks in a box'],
  ['Ctrl drag', 'catch marks in a loop drawn by hand'],
  ['Ctrl+A', 'all marks of the selected scope on this sheet'],
  ['Ctrl+C  X  V', 'copy, cut, paste marks, also onto another sheet or job'],
  ['Arrow keys', 'pan, or nudge the selected marks; farther with Shift'],
  ['+  −  0', 'zoom in, out, whole sheet'],
  ['[  ]', 'previous and next sheet'],
];

/** The one list of actions of the open job. */
export function useActions(): readonly Action[] {
  const stores = useStores();
  const navigate = useNavigate();
  return useMemo(() => listActions(stores, (path) => void navigate(path)), [stores, navigate]);
}

function listActions(stores: Stores, navigate: (path: string) => void): readonly Action[] {
  const { jobs, view } = stores;
  const jobPath = (path: string): string => `/job/${jobs.getState().open?.jobId ?? ''}/${path}`;
  const stages = STAGES.map(({ path, name }, index): Action => ({
    id: `go-${path}`,
    label: `Go to ${name}`,
    key: `Alt+${index + 1}`,
    run: () => navigate(jobPath(path)),
  }));
  const tools = Object.values(TOOLBOX).flatMap(({ id, action }): Action[] => {
    if (action === undefined) return [];
    const run = (): void => {
      if (!location.pathname.includes('/measure')) navigate(jobPath('measure'));
      view.setState({ tool: id });
    };
    return [{ id: `tool-${id}`, ...action, run }];
  });
  const shown = { full: 'dim', dim: 'hidden', hidden: 'full' } as const;
  return [
    { id: 'find', label: 'Find anything', key: 'Ctrl+K', run: () => view.setState({ finderOpen: true }) },
    { id: 'undo', label: 'Undo', key: 'Ctrl+Z', run: () => tellRefused(jobs.actions.undo()) },
    { id: 'redo', label: 'Redo', key: 'Ctrl+Shift+Z', run: () => tellRefused(jobs.actions.redo()) },
    ...stages,
    ...tools,
    {
      id: 'sheet-shown',
      label: 'Show, dim or hide the sheet',
      key: 'H',
      run: () => view.setState(({ sheetShown }) => ({ sheetShown: shown[sheetShown] })),
    },
    {
      id: 'show-all',
      label: 'Show all scopes',
      key: 'Shift+H',
      run: () => view.setState({ hidden: new Set(), alone: undefined }),
    },
    {
      id: 'theme',
      label: 'Switch between light and dark',
      run: () => view.setState(({ theme }) => ({ theme: theme === 'dark' ? 'light' : 'dark' })),
    },
    ...listSheetActions(stores, navigate),
    ...PAGES.map(([path, label]): Action => ({
      id: `go-${path}`,
      label,
      run: () => navigate(jobPath(path)),
    })),
    { id: 'keys', label: 'Show the keys', key: '?', run: () => view.setState({ keysOpen: true }) },
    { id: 'jobs', label: 'All jobs', run: () => navigate('/jobs') },
  ];
}

/** How a key press is written in the list. */
export function writeKey(event: KeyboardEvent): string {
  const key = event.key.length === 1 ? event.key.toUpperCase() : event.key;
  const shifted = event.shiftKey && /^[A-Z]$|^.{2,}$/.test(key);
  const parts = [
    event.ctrlKey || event.metaKey ? 'Ctrl' : '',
    event.altKey ? 'Alt' : '',
    shifted ? 'Shift' : '',
    key,
  ];
  return parts.filter(Boolean).join('+');
}

/** Typing belongs to the field that has the focus; a box that is ticked takes no text. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
  !(target instanceof HTMLInputElement && target.type === 'checkbox');

export const isInDialog = (): boolean =>
  document.querySelector('[role="dialog"],[role="alertdialog"]') !== null;

/** Runs actions by their keys wherever nobody is typing. */
export function useActionKeys(): void {
  const actions = useActions();
  useEffect(() => {
    const byKey = new Map(
      actions.filter(({ key }) => key !== undefined).map((action) => [action.key, action]),
    );
    byKey.set('Ctrl+Y', byKey.get('Ctrl+Shift+Z') as Action);
    const onKeyDown = (event: KeyboardEvent): void => {
      const action = byKey.get(writeKey(event));
      if (action === undefined || event.defaultPrevented || isInDialog()) return;
      if (isTyping(event.target) && action.id !== 'find') return;
      if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && isBesideField()) return;
      event.preventDefault();
      action.run();
    };
    window.addEventListener('keydown', onKeyDown);
    const unwatch = watchPointer();
    return () => {
      unwatch();
      window.removeEventListener('keydown', onKeyDown);
    };
  }, [actions]);
}
