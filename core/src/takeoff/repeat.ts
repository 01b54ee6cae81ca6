import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import { query } from '../job/query.ts';
import type { Mark } from '../job/records/mark.ts';

const timesOfSheet = query((job, sheetId): number => {
  const levelId = job.sheet.get(sheetId as Id<'sheet'>)?.levelId;
  return (levelId === undefined ? undefined : job.level.get(levelId)?.repeat) ?? 1;
});
const timesOfZone = query((job, zoneId): number => job.zone.get(zoneId as Id<'zone'>)?.repeat ?? 1);

/** How often a mark counts: its own times, those of the level it is on, and those of its zone. */
export const repeatOf = (job: Job, { repeat = 1, sheetId, zoneId }: Mark): number =>
  repeat * timesOfSheet(job, sheetId) * (zoneId === undefined ? 1 : timesOfZone(job, zoneId));
