import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode } from '../calculate/graph/nodes.ts';
import { put } from '../job/change.ts';
import { applyDiff, settingsOf } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createTestJob, makeScope } from '../testing/job.ts';
import { createPricedJob } from '../testing/pricedJob.ts';
import { BID_DETAILS } from '../job/records/document.ts';
import { bidReport } from './bidReport.ts';

describe('the bid', () => {
  const calculation = createPricedJob();
  const total = knownValue(calculation.figure(bidNode('total')));

  it.each(BID_DETAILS)('has the same total at detail %s, and its parts add up to it', (detail) => {
    const report = bidReport(calculation.figures, detail);
    expect(report.total).toBe(total);
    if (detail === 'total') return;
    expect(report.rows.reduce((sum, { amount }) => sum + amount, 0)).toBe(total);
    for (const row of report.rows) {
      if (row.inner.length === 0 || detail === 'lines') continue;
      expect(row.inner.reduce((sum, { amount }) => sum + (amount ?? 0), 0)).toBe(row.amount);
    }
  });

  it('shows an inner section in the one around it', () => {
    const concrete = bidReport(calculation.figures, 'scopes').rows.find(({ code }) => code === '03');
    expect(concrete?.inner.map(({ name }) => name)).toEqual(['Slab', 'Patch']);
  });
});

describe('how it was figured', () => {
  it('stands in the bid only where it is asked for, with figures that follow', () => {
    const { job, makeId, assembly } = createTestJob();
    const slab = makeScope(makeId, { key: 'slab', kind: 'area', name: 'Slab' });
    const noted = { ...assembly('Slab'), note: '{area} at {thickness}.' };
    const use: RecordOf<'use'> = {
      type: 'use',
      id: makeId('use'),
      scopeId: slab.id,
      assemblyId: noted.id,
      order: 1,
      answers: { thickness: '6' },
    };
    const piece: RecordOf<'piece'> = {
      type: 'piece',
      id: makeId('piece'),
      scopeId: slab.id,
      text: "24' * 30'",
      unit: 'ft²',
      note: '',
      source: 'typed',
      order: 1,
    };
    const notesOf = (text: string, notesInBid: boolean): readonly string[] => {
      const command = put(slab, noted, use, { ...piece, text }, { ...settingsOf(job), notesInBid });
      const diff = command(job);
      if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
      return bidReport(new Calculation(applyDiff(job, diff.value)).figures, 'total').notes;
    };
    expect(notesOf("24' * 30'", true)).toEqual(['Slab: 720.0 ft² at 0′-6″.']);
    expect(notesOf("20' * 30'", true)).toEqual(['Slab: 600.0 ft² at 0′-6″.']);
    expect(notesOf("24' * 30'", false)).toEqual([]);
  });
});
