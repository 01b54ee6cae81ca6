import type { NodeId } from '../job/nodeId.ts';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { type LineFigure, lineNode } from '../calculate/graph/nodes.ts';
import type { Command } from '../job/change.ts';
import { put } from '../job/change.ts';
import { type Diff, type Job, applyDiff, invertDiff } from '../job/job.ts';
import type { JobProblem } from '../job/problem.ts';
import type { JobRecord, RecordOf } from '../job/record.ts';
import { BLANK_ITEM } from '../pricing/blankItem.ts';
import { createTestJob } from './job.ts';

/** A job whose lines are put in and figured as a person would, for tests about money. */
export interface Bench {
  readonly makeId: ReturnType<typeof createTestJob>['makeId'];
  readonly sectionId: ReturnType<typeof createTestJob>['sectionId'];
  readonly sheet: RecordOf<'sheet'>;
  readonly assembly: ReturnType<typeof createTestJob>['assembly'];
  readonly calculation: Calculation;
  readonly job: () => Job;
  /** Changes the job and its figures; throws where it is refused. */
  readonly change: (...commands: readonly (Command | JobRecord)[]) => void;
  /** The same, but what is refused changes nothing and is no error. */
  readonly attempt: (command: Command | JobRecord) => void;
  /** Takes back every change that was made, or makes them again. */
  readonly undoAll: () => void;
  readonly redoAll: () => void;
  readonly line: (content: Partial<RecordOf<'line'>>) => RecordOf<'line'>;
  readonly item: (content: Partial<RecordOf<'item'>> & { readonly code: string }) => RecordOf<'item'>;
  readonly craft: (name: string) => RecordOf<'craft'>;
  readonly figure: (line: string, figure: LineFigure) => number | undefined;
  readonly known: (node: NodeId) => number | undefined;
}

/** Without markups and tax, so that tests say what there is. */
export function createBench(): Bench {
  const { job: started, ...test } = createTestJob();
  let job: Job = { ...started, markup: new Map() };
  const calculation = new Calculation(job);
  const known: Bench['known'] = (node) => knownValue(calculation.figure(node));
  const done: Diff[] = [];
  const undone: Diff[] = [];
  const follow = (diff: Diff): void => {
    job = applyDiff(job, diff);
    calculation.apply(job, diff);
  };
  const attempt = (each: Command | JobRecord): JobProblem | undefined => {
    const diff = (typeof each === 'function' ? each : put(each))(job);
    if (!diff.ok) return diff.problem;
    done.push(diff.value);
    follow(diff.value);
    return undefined;
  };
  const undoAll = (): void => {
    for (let diff = done.pop(); diff !== undefined; diff = done.pop()) {
      undone.push(diff);
      follow(invertDiff(diff));
    }
  };
  const redoAll = (): void => {
    for (let diff = undone.pop(); diff !== undefined; diff = undone.pop()) {
      done.push(diff);
      follow(diff);
    }
  };
  let order = 0;
  return {
    undoAll,
    redoAll,
    ...test,
    calculation,
    job: () => job,
    change: (...commands) => {
      for (const each of commands) {
        const problem = attempt(each);
        if (problem !== undefined) throw new Error(`change: ${JSON.stringify(problem)}`);
      }
    },
    attempt: (each) => {
      attempt(each);
    },
    line: (content) => ({
      type: 'line',
      id: test.makeId('line'),
      sectionId: null,
      order: (order += 1),
      description: 'Line',
      quantity: '1',
      unit: 'ea',
      itemCode: '',
      typedCost: null,
      ...content,
    }),
    item: (content) => ({ ...BLANK_ITEM, id: test.makeId('item'), description: content.code, ...content }),
    craft: (name) => {
      const found = [...job.craft.values()].find((each) => each.name === name);
      if (found === undefined) throw new Error(`craft: no ${name}`);
      return found;
    },
    figure: (line, figure) => known(lineNode(line, figure)),
    known,
  };
}
