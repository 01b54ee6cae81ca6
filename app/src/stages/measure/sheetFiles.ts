import { writeDxf, writeGeoJson } from '@zest/core/formats/marks/write';
import type { Job } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { t } from '../../messages/t.ts';
import { fileName } from '../../storage/jobFiles.ts';
import type { Stores } from '../../stores/context.tsx';

/** Marks of a sheet, in meters, for any program that reads an open drawing. */
export function exportMarks(stores: Stores, job: Job, sheet: Sheet, format: 'dxf' | 'geojson'): void {
  const text = format === 'dxf' ? writeDxf(job, sheet) : writeGeoJson(job, sheet);
  const name = fileName(t('frame.marks', { number: sheet.number, title: sheet.title }), `.${format}`);
  const type = format === 'dxf' ? 'image/vnd.dxf' : 'application/geo+json';
  stores.services.download(name, new Blob([text], { type }));
}

/** The sheet with its marks as a file; the writer comes in only when it is asked for. */
export async function exportSheet(stores: Stores, sheet: Sheet, format: 'pdf' | 'png'): Promise<void> {
  const { number, title } = sheet;
  tell(t('frame.writing', { number: number || title }));
  try {
    const blob =
      format === 'pdf'
        ? await (await import('./writeSheetPdf.ts')).writeSheetPdf(stores, sheet)
        : await (await import('./writeSheetPng.ts')).writeSheetPng(stores, sheet);
    stores.services.download(fileName(t('frame.measured', { number, title }), `.${format}`), blob);
  } catch {
    tellProblem(t('frame.couldNotBeWrittenItsFileMay', { number: number || title }));
  }
}
