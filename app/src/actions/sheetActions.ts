import { writeDxf, writeGeoJson } from '@zest/core/formats/marks/writeMarks';
import { put } from '@zest/core/job/change';
import type { Job } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import { tell, tellProblem } from '../components/toaster.tsx';
import { fileName } from '../storage/jobFiles.ts';
import type { Stores } from '../stores/context.tsx';
import type { Tool } from '../stores/viewStore.ts';
import type { Action } from './action.ts';
import { t } from '../messages/t.ts';

/** The job and the sheet on the desk; tells what to do where there is none. */
function sheetAtHand({ jobs }: Stores): { readonly job: Job; readonly sheet: Sheet } | undefined {
  const job = jobs.getState().open?.job;
  const id = decodeURIComponent(/\/measure\/([^/]+)/.exec(location.pathname)?.[1] ?? '');
  const sheet = job?.sheet.get(id as Sheet['id']);
  if (job !== undefined && sheet !== undefined) return { job, sheet };
  tellProblem(t('frame.openASheetUnderMeasureFirst'));
  return undefined;
}

/** Marks of the sheet at hand, in meters, for any program that reads an open drawing. */
function exportMarks(stores: Stores, format: 'dxf' | 'geojson'): void {
  const at = sheetAtHand(stores);
  if (at === undefined) return;
  const { job, sheet } = at;
  if (sheet.scale === null && (sheet.scaleAreas ?? []).length === 0)
    return tellProblem(t('frame.hasNoScaleSoItsMarksHave', { number: sheet.number }));
  const text = format === 'dxf' ? writeDxf(job, sheet) : writeGeoJson(job, sheet);
  const name = fileName(t('frame.marks', { number: sheet.number, title: sheet.title }), `.${format}`);
  stores.services.download(
    name,
    new Blob([text], { type: format === 'dxf' ? 'image/vnd.dxf' : 'application/geo+json' }),
  );
}

/** The sheet with its marks as a file; the writer comes in only when it is asked for. */
async function exportSheet(stores: Stores, format: 'pdf' | 'png'): Promise<void> {
  const at = sheetAtHand(stores);
  if (at === undefined) return;
  const { number, title } = at.sheet;
  tell(t('frame.writing', { number: number || title }));
  try {
    const blob =
      format === 'pdf'
        ? await (await import('../stages/measure/writeSheetPdf.ts')).writeSheetPdf(stores, at.sheet)
        : await (await import('../stages/measure/writeSheetPng.ts')).writeSheetPng(stores, at.sheet);
    stores.services.download(fileName(t('frame.measured', { number, title }), `.${format}`), blob);
  } catch {
    tellProblem(t('frame.couldNotBeWrittenItsFileMay', { number: number || title }));
  }
}

const selectWhere = ({ jobs, view }: Stores, wanted: (mark: Mark, job: Job) => boolean): void => {
  const job = jobs.getState().open?.job;
  if (job === undefined) return;
  const found = [...job.mark.values()].filter((mark) => wanted(mark, job)).map(({ id }) => id);
  view.setState({ selectedMarks: new Set(found), tool: 'select' });
};

/** What can be done with the sheet on the desk. */
export function listSheetActions(stores: Stores, navigate: (path: string) => void): readonly Action[] {
  const { jobs, view } = stores;
  const tool = (id: string, label: string, to: Tool): Action => ({
    id,
    label,
    run: () => {
      if (sheetAtHand(stores) !== undefined) view.setState({ tool: to, part: undefined });
    },
  });
  return [
    tool('straighten', t('frame.straightenCropOrLightenThisSheet'), 'straighten'),
    tool('scale-part', t('frame.setTheScaleOfAPartOf'), 'part'),
    {
      id: 'join',
      label: t('frame.joinThisSheetWithAnotherAlongA'),
      run: () => {
        const at = sheetAtHand(stores);
        if (at !== undefined)
          navigate(`/job/${jobs.getState().open?.jobId ?? ''}/join/${encodeURIComponent(at.sheet.id)}`);
      },
    },
    {
      id: 'legend',
      label: t('frame.legendOfTheMarksOnThisSheet'),
      run: () => {
        const at = sheetAtHand(stores);
        if (at === undefined) return;
        const { legend, ...plain } = at.sheet;
        // In the upper left, inside the frame that sheets have.
        const place = { x: at.sheet.widthPt * 0.03, y: at.sheet.heightPt * 0.04 };
        jobs.actions.transact(
          legend === undefined ? t('frame.placeTheLegend') : t('frame.takeTheLegendOff'),
          put(legend === undefined ? { ...plain, legend: place } : plain),
        );
      },
    },
    {
      id: 'junctions',
      label: t('frame.showOrHideDotsWhereTheRuns'),
      run: () => view.setState(({ junctionsShown }) => ({ junctionsShown: !junctionsShown })),
    },
    {
      id: 'select-sheet',
      label: t('frame.selectAllMarksOnThisSheet'),
      run: () => {
        const at = sheetAtHand(stores);
        if (at !== undefined) selectWhere(stores, (mark) => mark.sheetId === at.sheet.id);
      },
    },
    {
      id: 'select-level',
      label: t('frame.selectAllMarksOnTheLevelOf'),
      run: () => {
        const at = sheetAtHand(stores);
        if (at === undefined) return;
        const { levelId, number } = at.sheet;
        if (levelId === undefined) return tellProblem(t('frame.isOnNoLevelYetGiveIt', { number }));
        selectWhere(stores, (mark, job) => job.sheet.get(mark.sheetId)?.levelId === levelId);
      },
    },
    {
      id: 'sheet-pdf',
      label: t('frame.exportThisSheetWithItsMarksAs'),
      run: () => void exportSheet(stores, 'pdf'),
    },
    {
      id: 'sheet-png',
      label: t('frame.exportThisSheetWithItsMarksAs2'),
      run: () => void exportSheet(stores, 'png'),
    },
    {
      id: 'marks-dxf',
      label: t('frame.exportTheMarksOfThisSheetAs'),
      run: () => exportMarks(stores, 'dxf'),
    },
    {
      id: 'marks-geojson',
      label: t('frame.exportTheMarksOfThisSheetAs2'),
      run: () => exportMarks(stores, 'geojson'),
    },
  ];
}
