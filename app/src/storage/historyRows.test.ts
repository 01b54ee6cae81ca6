import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  EMPTY_HISTORY,
  type History,
  type Step,
  planRedo,
  planUndo,
  receiveInto,
  recordStep,
} from '@zest/core/job/history';
import type { JobRecord } from '@zest/core/job/record';
import {
  type HistoryRow,
  type HistoryWrite,
  NOTHING_KEPT,
  STEPS_KEPT,
  STEP_BYTES,
  historyOf,
  planHistory,
} from './historyRows.ts';

let named = 0;
const step = (records = 0, text = ''): Step => ({
  label: `step ${(named += 1)}`,
  diff: {
    added: Array.from({ length: records }, (_, i) => ({ id: `line:${i}`, text }) as unknown as JobRecord),
    removed: [],
    updated: [],
  },
});

/** What the database does with a write. */
function store(rows: Map<number, HistoryRow>, { put, remove, doneTo }: HistoryWrite): void {
  for (const seq of remove) rows.delete(seq);
  for (const row of put) rows.set(row.seq, { jobId: 'a', ...row });
  rows.set(0, { jobId: 'a', seq: 0, doneTo });
}

const labels = ({ done, undone }: History) => [
  done.map((each) => each.label),
  undone.map((each) => each.label),
];

describe('the steps of a job that are kept with it', () => {
  it('are those that can be undone and redone, in any order of steps, undo and redo, read again at any time', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('do', 'undo', 'redo', 'receive', 'reload'), { maxLength: 60 }),
        (randomEdits) => {
          const rows = new Map<number, HistoryRow>();
          let [history, kept] = [EMPTY_HISTORY, NOTHING_KEPT];
          for (const edit of randomEdits) {
            if (edit === 'do') history = recordStep(history, step(1));
            else if (edit === 'receive') history = receiveInto(history, step(1));
            else if (edit === 'undo') history = planUndo(history)?.history ?? history;
            else if (edit === 'redo') history = planRedo(history)?.history ?? history;
            else ({ history, kept } = historyOf([...rows.values()]));
            const planned = planHistory(kept, history);
            store(rows, planned.write);
            kept = planned.kept;
            expect(labels(historyOf([...rows.values()].reverse()).history)).toEqual(labels(history));
          }
        },
      ),
    );
  });

  it('are written once, however often the job is saved', () => {
    const history = recordStep(recordStep(EMPTY_HISTORY, step()), step());
    const { write, kept } = planHistory(NOTHING_KEPT, history);
    expect(write.put).toHaveLength(2);
    expect(planHistory(kept, history).write).toEqual({ put: [], remove: [], doneTo: 2 });
  });

  it('are the last two hundred; the oldest go first', () => {
    let [history, kept] = [EMPTY_HISTORY, NOTHING_KEPT];
    const rows = new Map<number, HistoryRow>();
    for (let i = 0; i < STEPS_KEPT + 30; i += 1) {
      history = recordStep(history, step());
      const planned = planHistory(kept, history);
      store(rows, planned.write);
      kept = planned.kept;
    }
    const [done] = labels(historyOf([...rows.values()]).history);
    expect(done).toEqual(history.done.slice(-STEPS_KEPT).map(({ label }) => label));
    expect(rows.size).toBe(STEPS_KEPT + 1);
  });

  it('are bounded in bytes, and none is older than one that is too large', () => {
    const large = step(1, 'x'.repeat(STEP_BYTES));
    const [before, after] = [step(), step()];
    const history = { done: [before, large, after], undone: [] };
    const { write } = planHistory(NOTHING_KEPT, history);
    expect(write.put.map(({ label }) => label)).toEqual([after.label]);
    const import_ = { done: [before, step(6000)], undone: [] };
    expect(planHistory(NOTHING_KEPT, import_).write).toEqual({ put: [], remove: [], doneTo: 0 });
  });
});
