import type { Bounds } from '@zest/core/geometry/bounds';
import { orderAfter } from '@zest/core/job/job';
import type { Schedule } from '@zest/core/job/records/schedule';
import type { Sheet } from '@zest/core/job/records/sheet';
import { readSchedule } from '@zest/core/takeoff/readSchedule';
import { createSheetFiles } from '../platform/sheetFiles.ts';
import type { Stores } from '../stores/context.tsx';
import { t } from '../messages/t.ts';

/** Reads the text in a box of a sheet as a schedule and opens it to be corrected; nothing is kept yet. */
export async function openSchedule(
  { jobs, view, services }: Stores,
  sheet: Sheet,
  box: Bounds,
): Promise<void> {
  const open = jobs.getState().open;
  if (open === undefined) return;
  const texts = await createSheetFiles(services, open.jobId).texts(sheet);
  const { title, columns, rows } = readSchedule(texts, box);
  const schedule: Schedule = {
    type: 'schedule',
    id: services.makeId('schedule'),
    sheetId: sheet.id,
    title: title.slice(0, 200) || t('workspace.scheduleOn', { number: sheet.number || sheet.title }),
    columns,
    rows,
    order: orderAfter(open.job.schedule.values()),
  };
  view.setState({ schedule, tool: 'select' });
}
