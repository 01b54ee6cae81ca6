import { findNotMeasured } from '../../takeoff/notMeasured.ts';
import { defineRule } from '../rule.ts';

/** Rows of schedules on the sheets that nothing was measured or counted for. */
export const printedNotMeasured = defineRule('printed-not-measured', 'schedules', ({ job }) =>
  findNotMeasured(job).rows.map(({ schedule, tags }) => ({
    of: schedule.id,
    name: schedule.title,
    place:
      schedule.sheetId === null
        ? ({ at: 'measure' } as const)
        : ({ at: 'marks', ids: [], sheetId: schedule.sheetId } as const),
    facts: { tags },
  })),
);
