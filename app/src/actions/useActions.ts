import { tellRefused } from '../components/tellRefused.ts';
import type { Action } from './action.ts';
import { isBesideField, watchPointer } from './besideField.ts';
import { useEffect, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { STAGES } from '../frame/stages.ts';
import { type Stores, useStores } from '../stores/context.tsx';
import { TOOLBOX } from '../workspace/tools/toolbox.ts';
import { listSheetActions } from './sheetActions.ts';
import { t } from '../messages/t.ts';

/** Pages beside the stages. */
const PAGES = [
  ['look', t('frame.goToTheSecondLook')],
  ['quotes', t('frame.goToQuotes')],
  ['compare', t('frame.goToSnapshotsAndTheBridge')],
  ['charts', t('frame.goToTheCharts')],
  ['wages', t('frame.goToCrewsWagesAndRegions')],
  ['figures', t('frame.goToFiguresAndTables')],
  ['library', t('frame.goToTheLibraryOfAssemblies')],
] as const;

/** Keys that only mean something while drawing; listed for the help, handled by the workspace. */
export const DRAWING_KEYS: readonly (readonly [keys: string, what: string])[] = [
  ['Shift', t('frame.rightAnglesWhileHeld')],
  [t('frame.n09Enter'), t('frame.typeTheLengthOfThePieceAlso')],
  [t('frame.n8Enter'), t('frame.aRiseFromTheLastPointOr')],
  ['K  G', t('frame.theNextPieceAsAnArcOr')],
  ['E  W  Q', t('frame.anAreaAsABoxATurned')],
  ['Tab', t('frame.theNextPlaceThePointCouldBe')],
  ['N', t('frame.snappingOnOrOff')],
  ['.', t('frame.liftThePenGoOnElsewhereIn')],
  ['Backspace', t('frame.takeBackTheLastPoint')],
  ['Enter', t('frame.endTheMark')],
  ['Esc', t('frame.leaveThePenWhatIsDrawnStays')],
  ['Delete', t('frame.deleteTheSelectedVertexOrMarks')],
  ['X', t('frame.holdTheKindOfPlaceThePoint')],
  [t('frame.shiftDrag'), t('frame.catchMarksInABox')],
  ['Ctrl drag', t('frame.catchMarksInALoopDrawnBy')],
  ['Ctrl+A', t('frame.allMarksOfTheSelectedScopeOn')],
  ['Ctrl+C  X  V', t('frame.copyCutPasteMarksAlsoOntoAnother')],
  [t('frame.arrowKeys'), t('frame.panOrNudgeTheSelectedMarksFarther')],
  ['+  −  0', t('frame.zoomInOutWholeSheet')],
  ['[  ]', t('frame.previousAndNextSheet')],
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
    label: t('frame.goTo', { name }),
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
    {
      id: 'find',
      label: t('frame.findAnything'),
      key: 'Ctrl+K',
      run: () => view.setState({ finderOpen: true }),
    },
    { id: 'undo', label: t('frame.undo'), key: 'Ctrl+Z', run: () => tellRefused(jobs.actions.undo()) },
    { id: 'redo', label: t('frame.redo'), key: 'Ctrl+Shift+Z', run: () => tellRefused(jobs.actions.redo()) },
    ...stages,
    ...tools,
    {
      id: 'sheet-shown',
      label: t('frame.showDimOrHideTheSheet'),
      key: 'H',
      run: () => view.setState(({ sheetShown }) => ({ sheetShown: shown[sheetShown] })),
    },
    {
      id: 'show-all',
      label: t('frame.showAllScopes'),
      key: 'Shift+H',
      run: () => view.setState({ hidden: new Set(), alone: undefined }),
    },
    {
      id: 'theme',
      label: t('frame.switchBetweenLightAndDark'),
      run: () => view.setState(({ theme }) => ({ theme: theme === 'dark' ? 'light' : 'dark' })),
    },
    ...listSheetActions(stores, navigate),
    ...PAGES.map(([path, label]): Action => ({
      id: `go-${path}`,
      label,
      run: () => navigate(jobPath(path)),
    })),
    { id: 'keys', label: t('frame.showTheKeys'), key: '?', run: () => view.setState({ keysOpen: true }) },
    { id: 'jobs', label: t('frame.allJobs'), run: () => navigate('/jobs') },
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
