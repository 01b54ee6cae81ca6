import { describe, expect, it } from '@jest/globals';
import { settingsOf } from '../job/job.ts';
import { reportSchema } from '../job/records/report.ts';
import { openReport } from '../reports/openReport.ts';
import { startBusyBench } from '../testing/randomEdits.ts';
import { contextOf } from '../testing/reportWords.ts';
import { PRESET_FOLDERS, REPORT_PRESETS, findPreset } from './reportPresets.ts';

describe('the reports that ship', () => {
  it('are at least two dozen, each with a name of its own, in folders that are known', () => {
    expect(REPORT_PRESETS.length).toBeGreaterThanOrEqual(24);
    expect(new Set(REPORT_PRESETS.map(({ id }) => id)).size).toBe(REPORT_PRESETS.length);
    for (const { id, folder } of REPORT_PRESETS) {
      expect(PRESET_FOLDERS).toContain(folder);
      expect(findPreset(id)?.id).toBe(id);
    }
    expect(findPreset('no-such-report')).toBeUndefined();
  });

  it.each(REPORT_PRESETS.map(({ id }) => id))(
    '%s is one that a job could keep, and opens without a problem',
    (id) => {
      const preset = findPreset(id);
      if (preset === undefined) throw new Error(id);
      const record = { ...preset.spec, type: 'report', id: 'report:x', order: 1, name: id, folder: '' };
      expect(reportSchema.safeParse(record).success).toBe(true);
      const bench = startBusyBench();
      for (const unitSystem of ['us', 'metric'] as const) {
        bench.change({ ...settingsOf(bench.job()), unitSystem });
        const { figures } = bench.calculation;
        const open = openReport({ ...preset.spec, name: id, folder: '' }, contextOf(figures, figures));
        expect(open.problems).toEqual([]);
      }
    },
  );
});
