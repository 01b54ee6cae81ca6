/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { act } from 'react';
import { type Root, createRoot } from 'react-dom/client';
import { createStore } from 'zustand/vanilla';
import { Calculation } from '@zest/core/calculate/calculation';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { type Command, put, remove } from '@zest/core/job/change';
import { applyDiff } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { createTestJob } from '@zest/core/testing/job';
import { type Stores, StoresProvider, useOpenJobLater } from './context.tsx';
import { useFigure, useFigures, useOfJob, useRecord, useTable, useTables } from './jobHooks.ts';
import type { JobState, JobStore } from './jobStore.ts';

const { job: started, makeId } = createTestJob();
const lineOf = (quantity: string): RecordOf<'line'> => ({
  type: 'line',
  id: makeId('line'),
  sectionId: null,
  order: 1,
  description: 'Line',
  quantity,
  unit: 'ea',
  itemCode: '',
  typedCost: { kind: 'other', amount: '10' },
});
const [one, two] = [lineOf('2'), lineOf('3')];
const drawn: Record<string, number> = {};
const count = (name: string): void => {
  drawn[name] = (drawn[name] ?? 0) + 1;
};

function OneFigure() {
  const figure = useFigure(lineNode(one.id, 'extension'));
  count('figure');
  return <i data-testid="figure">{figure.failure === undefined ? figure.value : figure.failure.kind}</i>;
}
function BothFigures() {
  const figures = useFigures([lineNode(one.id, 'quantity'), lineNode(two.id, 'quantity')]);
  count('figures');
  return (
    <i data-testid="figures">
      {figures.map(({ failure, ...known }) => ('value' in known ? known.value : failure?.kind)).join(' ')}
    </i>
  );
}
function OneRecord() {
  const line = useRecord(one.id);
  count('record');
  return <i data-testid="record">{line?.description ?? 'gone'}</i>;
}
function OneTable() {
  const lines = useTable('line');
  count('table');
  return <i data-testid="table">{lines.size}</i>;
}

function TwoTables() {
  const { line, scope } = useTables('line', 'scope');
  count('tables');
  return (
    <i data-testid="tables">
      {line.size} {scope.size}
    </i>
  );
}
let asked = 0;
function LongestName() {
  const name = useOfJob(({ job }) => {
    asked += 1;
    return [...job.line.values()].map(({ description }) => description).sort()[0];
  });
  count('name');
  return <i data-testid="name">{name}</i>;
}
/** What both show, in the order in which it is drawn. */
const order: string[] = [];
function Now() {
  order.push(`now ${useTable('line').get(one.id)?.description}`);
  return null;
}
function AfterIt() {
  const shown = useOpenJobLater().job.line.get(one.id)?.description ?? 'gone';
  order.push(`later ${shown}`);
  return <i data-testid="later">{shown}</i>;
}

let root: Root;
let host: HTMLElement;
let change: (command: Command) => void;
let save: () => void;
const read = (name: string): string => host.querySelector(`[data-testid=${name}]`)?.textContent ?? '';

beforeEach(() => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  const first = put(one, two)(started);
  if (!first.ok) throw new Error(first.problem.kind);
  let job = applyDiff(started, first.value);
  const calculation = new Calculation(job);
  const open = () => ({ jobId: 'a', job, figures: calculation.figures, history: { done: [], undone: [] } });
  const jobs = createStore<JobState>(() => ({ open: open() }) as unknown as JobState) as unknown as JobStore;
  change = (command) => {
    const diff = command(job);
    if (!diff.ok) throw new Error(diff.problem.kind);
    job = applyDiff(job, diff.value);
    calculation.apply(job, diff.value);
    act(() => jobs.setState({ open: open() }));
  };
  save = () => act(() => jobs.setState({ save: { state: 'saving' } }));
  for (const name of Object.keys(drawn)) drawn[name] = 0;
  host = document.body.appendChild(document.createElement('div'));
  root = createRoot(host);
  act(() =>
    root.render(
      <StoresProvider value={{ jobs } as unknown as Stores}>
        <OneFigure />
        <BothFigures />
        <OneRecord />
        <OneTable />
        <TwoTables />
        <LongestName />
        <Now />
        <AfterIt />
      </StoresProvider>,
    ),
  );
});

afterEach(() => {
  act(() => root.unmount());
  host.remove();
});

describe('what is read of the open job', () => {
  it('is drawn anew only where that very thing is another', () => {
    expect(['figure', 'figures', 'record', 'table'].map(read)).toEqual(['2000', '2 3', 'Line', '2']);
    change(put({ ...one, description: 'Renamed' }));
    expect([read('record'), drawn]).toMatchObject([
      'Renamed',
      { figure: 1, figures: 1, record: 2, table: 2, tables: 2, name: 1 },
    ]);
    change(put({ ...two, quantity: '5' }));
    expect([read('figures'), drawn]).toMatchObject(['2 5', { figure: 1, figures: 2, record: 2, table: 3 }]);
    change(put({ ...one, quantity: '4' }));
    expect([read('figure'), read('figures')]).toEqual(['4000', '4 5']);
  });

  it('says of a record and its figures that they are gone', () => {
    change(remove(one.id));
    expect(['figure', 'figures', 'record', 'table'].map(read)).toEqual(['missing', 'missing 3', 'gone', '1']);
  });

  it('is not asked again when only the saving goes on', () => {
    const before = asked;
    save();
    expect(asked).toBe(before);
    change(put({ ...one, description: 'A name' }));
    expect(read('name')).toBe('A name');
  });

  it('comes after the rest where it is only read, and comes to the same', () => {
    order.length = 0;
    change(put({ ...one, description: 'Renamed' }));
    expect(order.indexOf('now Renamed')).toBeLessThan(order.indexOf('later Renamed'));
    expect(order).toContain('later Line');
    expect(read('later')).toBe('Renamed');
  });
});
