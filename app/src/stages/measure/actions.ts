import { put } from '@zest/core/job/change';
import type { Job } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Action, ActionContext, ListActions } from '../../actions/action.ts';
import { t } from '../../messages/t.ts';
import type { Stores } from '../../stores/context.tsx';
import type { Tool } from '../../stores/viewStore.ts';
import { TOOLBOX } from '../../workspace/tools/toolbox.ts';
import { exportMarks, exportSheet } from './sheetFiles.ts';

/** The tools, what is seen of the sheet, and what is done with the sheet on the desk. */
export const listMeasureActions: ListActions = (context) => [
  ...listToolActions(context),
  ...listViewActions(context),
  ...listSheetActions(context),
  ...listSelectActions(context),
  ...listExportActions(context),
];

const listToolActions: ListActions = ({ stores: { view }, goTo }) =>
  Object.values(TOOLBOX).flatMap(({ id, action }): Action[] => {
    if (action === undefined) return [];
    const run = (): void => {
      if (!location.pathname.includes('/measure')) goTo('measure');
      view.setState({ tool: id });
    };
    return [{ id: `tool-${id}`, ...action, ...MENU_WORDS[`tool-${id}`], run }];
  });

const NEXT_SHOWN = { full: 'dim', dim: 'hidden', hidden: 'full' } as const;

const listViewActions: ListActions = ({ stores: { view } }) => [
  {
    id: 'sheet-shown',
    label: t('frame.showDimOrHideTheSheet'),
    key: 'H',
    run: () => view.setState(({ sheetShown }) => ({ sheetShown: NEXT_SHOWN[sheetShown] })),
  },
  {
    id: 'show-all',
    label: t('frame.showAllScopes'),
    key: 'Shift+H',
    run: () => view.setState({ hidden: new Set(), alone: undefined }),
  },
  {
    id: 'junctions',
    label: t('frame.showOrHideDotsWhereTheRuns'),
    run: () => view.setState(({ junctionsShown }) => ({ junctionsShown: !junctionsShown })),
  },
];

interface AtHand {
  readonly job: Job;
  readonly sheet: Sheet;
}

/** The job and the sheet on the desk. */
function sheetAtHand({ jobs }: Stores): AtHand | undefined {
  const job = jobs.getState().open?.job;
  const id = decodeURIComponent(/\/measure\/([^/]+)/.exec(location.pathname)?.[1] ?? '');
  const sheet = job?.sheet.get(id as Sheet['id']);
  return job === undefined || sheet === undefined ? undefined : { job, sheet };
}

/** Makes an action of what is done with the sheet on the desk; without one it says what to do first. */
const withSheet =
  (stores: Stores) =>
  (
    id: string,
    label: string,
    run: (at: AtHand) => void,
    hindrance?: (at: AtHand) => string | undefined,
  ): Action => ({
    id,
    label,
    ...MENU_WORDS[id],
    when: () => {
      const at = sheetAtHand(stores);
      return at === undefined ? t('frame.openASheetUnderMeasureFirst') : hindrance?.(at);
    },
    run: () => {
      const at = sheetAtHand(stores);
      if (at !== undefined) run(at);
    },
  });

const listSheetActions = ({ stores, goTo }: ActionContext): readonly Action[] => {
  const make = withSheet(stores);
  const take = (tool: Tool) => (): void => stores.view.setState({ tool, part: undefined });
  return [
    make('straighten', t('frame.straightenCropOrLightenThisSheet'), take('straighten')),
    make('scale-part', t('frame.setTheScaleOfAPartOf'), take('part')),
    make('join', t('frame.joinThisSheetWithAnotherAlongA'), ({ sheet }) =>
      goTo(`join/${encodeURIComponent(sheet.id)}`),
    ),
    make('legend', t('frame.legendOfTheMarksOnThisSheet'), ({ sheet }) => {
      const { legend, ...plain } = sheet;
      // In the upper left, inside the frame that sheets have.
      const place = { x: sheet.widthPt * 0.03, y: sheet.heightPt * 0.04 };
      stores.jobs.actions.transact(
        legend === undefined ? t('frame.placeTheLegend') : t('frame.takeTheLegendOff'),
        put(legend === undefined ? { ...plain, legend: place } : plain),
      );
    }),
  ];
};

const listSelectActions = ({ stores }: ActionContext): readonly Action[] => {
  const make = withSheet(stores);
  const selectWhere = ({ job }: AtHand, wanted: (mark: Mark) => boolean): void => {
    const found = [...job.mark.values()].filter(wanted).map(({ id }) => id);
    stores.view.setState({ selectedMarks: new Set(found), tool: 'select' });
  };
  return [
    make('select-sheet', t('frame.selectAllMarksOnThisSheet'), (at) =>
      selectWhere(at, ({ sheetId }) => sheetId === at.sheet.id),
    ),
    make(
      'select-level',
      t('frame.selectAllMarksOnTheLevelOf'),
      (at) => selectWhere(at, ({ sheetId }) => at.job.sheet.get(sheetId)?.levelId === at.sheet.levelId),
      ({ sheet }) =>
        sheet.levelId === undefined ? t('frame.isOnNoLevelYetGiveIt', { number: sheet.number }) : undefined,
    ),
  ];
};

const hasScale = ({ scale, scaleAreas }: Sheet): boolean => scale !== null || (scaleAreas ?? []).length > 0;

const listExportActions = ({ stores }: ActionContext): readonly Action[] => {
  const make = withSheet(stores);
  const marks = (id: string, label: string, format: 'dxf' | 'geojson'): Action =>
    make(
      id,
      label,
      ({ job, sheet }) => exportMarks(stores, job, sheet, format),
      ({ sheet }) =>
        hasScale(sheet) ? undefined : t('frame.hasNoScaleSoItsMarksHave', { number: sheet.number }),
    );
  return [
    make(
      'sheet-pdf',
      t('frame.exportThisSheetWithItsMarksAs'),
      ({ sheet }) => void exportSheet(stores, sheet, 'pdf'),
    ),
    make(
      'sheet-png',
      t('frame.exportThisSheetWithItsMarksAs2'),
      ({ sheet }) => void exportSheet(stores, sheet, 'png'),
    ),
    marks('marks-dxf', t('frame.exportTheMarksOfThisSheetAs'), 'dxf'),
    marks('marks-geojson', t('frame.exportTheMarksOfThisSheetAs2'), 'geojson'),
  ];
};

const inSheetMenu = (words: string): Pick<Action, 'inMenu'> => ({ inMenu: { menu: 'sheet', words } });

/** What stands in the menu of the sheet, in fewer words than the finder needs. */
const MENU_WORDS: Readonly<Record<string, Pick<Action, 'inMenu'>>> = {
  straighten: inSheetMenu(t('workspace.straightenCropLighten')),
  'scale-part': inSheetMenu(t('workspace.scaleOfAPart3')),
  'tool-schedule': inSheetMenu(t('workspace.readASchedule2')),
  join: inSheetMenu(t('workspace.joinWithAnotherSheet')),
  legend: inSheetMenu(t('workspace.legendOnOrOff')),
  'sheet-pdf': inSheetMenu(t('workspace.sheetWithMarksAsPdf')),
  'sheet-png': inSheetMenu(t('workspace.sheetWithMarksAsPng')),
  'marks-dxf': inSheetMenu(t('workspace.marksAsDxf')),
  'marks-geojson': inSheetMenu(t('workspace.marksAsGeojson')),
};
