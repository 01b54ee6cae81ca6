import { tellRefused } from '../components/tellRefused.ts';
import type { Action } from './action.ts';
import { STAGES } from '../frame/stages.ts';
import type { Stores } from '../stores/context.tsx';
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

/** Everything a person can have done in the open job, each with its usual key. */
export function listActions(stores: Stores, navigate: (path: string) => void): readonly Action[] {
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
