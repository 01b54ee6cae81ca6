import type { NodeId } from '../job/nodeId.ts';
import { jobNames } from './queries/jobNames.ts';
import { describe, expect, it } from '@jest/globals';
import type { JobRecord, RecordOf } from '../job/record.ts';
import { FOOT, makeMark, makeScope } from '../testing/job.ts';
import { differences } from '../testing/differences.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { makePackage, makeQuote } from '../testing/records.ts';
import { Calculation } from './calculation.ts';
import { workOut } from './explain/evaluate.ts';
import { inputNode, measureNode, netNode, pinnedNode, typedNode } from './graph/nodes.ts';

const table = (bench: Bench, hours: string): RecordOf<'table'> => ({
  type: 'table',
  id: bench.makeId('table'),
  key: 'pipes',
  name: 'Pipes',
  order: 1,
  columns: [
    { key: 'size', name: 'Size', unit: 'in' },
    { key: 'deep', name: 'Depth', unit: 'ft' },
  ],
  rows: [
    ['4', hours],
    ['6', '5'],
  ],
});

const figure = (bench: Bench, formula: string): RecordOf<'quantity'> => ({
  type: 'quantity',
  id: bench.makeId('quantity'),
  key: 'extra',
  name: 'Extra',
  formula,
  unit: 'ft',
  order: 1,
});

const piece = (bench: Bench, scope: RecordOf<'scope'>, text: string): RecordOf<'piece'> => ({
  type: 'piece',
  id: bench.makeId('piece'),
  scopeId: scope.id,
  text,
  unit: 'ft',
  note: '',
  source: 'typed',
  order: 1,
});

/** A desk with a run and a wall of 20 ft on the sheet. */
function begin(): {
  readonly bench: Bench;
  readonly run: RecordOf<'scope'>;
  readonly wall: RecordOf<'scope'>;
} {
  const bench = createBench();
  const run = makeScope(bench.makeId, { key: 'pipe', kind: 'run' });
  const wall = makeScope(bench.makeId, { key: 'wall', kind: 'run', order: 2 });
  bench.change(run, wall);
  bench.change(makeMark(bench.makeId, wall, bench.sheet, [[0, 0], [20, 0]])); // prettier-ignore
  return { bench, run, wall };
}

const lengthOf = (bench: Bench, scope: RecordOf<'scope'>): number =>
  (bench.known(measureNode(scope.id, 'length')) ?? Number.NaN) / FOOT;

const noDifference = (bench: Bench): void =>
  expect(differences(bench.calculation, new Calculation(bench.job()))).toEqual([]);

describe('a typed piece', () => {
  it('follows the table it looks a figure up in, and the line priced by it too', () => {
    const { bench, run } = begin();
    const pipes = table(bench, '3');
    bench.change(pipes, piece(bench, run, 'lookup(pipes, deep, size, 4 in) * 2'));
    const line = bench.line({ quantity: 'total(pipe, length)', unit: 'ft', costs: { material: '10' } });
    bench.change(line);
    expect(lengthOf(bench, run)).toBeCloseTo(6, 9);
    expect(bench.figure(line.id, 'extension')).toBe(6000);
    bench.change({ ...pipes, rows: [['4', '4']] });
    expect(lengthOf(bench, run)).toBeCloseTo(8, 9);
    expect(bench.figure(line.id, 'extension')).toBe(8000);
    noDifference(bench);
  });

  it('follows a named figure, also when that goes and comes again', () => {
    const { bench, run } = begin();
    const extra = figure(bench, '7');
    bench.change(extra, piece(bench, run, 'extra + 1 ft'));
    expect(lengthOf(bench, run)).toBeCloseTo(8, 9);
    bench.change({ ...extra, formula: '9 ft' });
    expect(lengthOf(bench, run)).toBeCloseTo(10, 9);
    bench.change({ ...extra, formula: '2 kg' });
    expect(lengthOf(bench, run)).toBeNaN();
    noDifference(bench);
  });
});

describe('a filtered total that nothing else reads', () => {
  const formula = 'total(wall, length, level = "")';
  const places: readonly (readonly [
    string,
    (bench: Bench, run: RecordOf<'scope'>) => JobRecord,
    (r: JobRecord) => NodeId,
  ])[] = [
    ['a line', (bench) => bench.line({ quantity: formula, unit: 'ft' }), ({ id }) => typedNode(id)],
    [
      'a pinned quantity',
      (bench) => bench.line({ quantity: '1', unit: 'ft', pinned: formula }),
      ({ id }) => pinnedNode(id),
    ],
    [
      'a typed piece',
      (bench, run) => piece(bench, run, formula),
      ({ id }) => ({ owner: id, figure: 'value' }),
    ],
    ['a named figure', (bench) => figure(bench, formula), ({ id }) => ({ owner: id, figure: 'value' })],
  ];
  it.each(places)('is figured at once in %s', (_name, make, node) => {
    const { bench, run } = begin();
    const record = make(bench, run);
    bench.change(record);
    expect((bench.known(node(record)) ?? Number.NaN) / FOOT).toBeCloseTo(20, 9);
    noDifference(bench);
  });

  it('is figured at once in a component and in an answer', () => {
    const { bench, wall } = begin();
    const assembly = bench.assembly('Stud');
    const [input] = assembly.inputs.filter(({ unit }) => unit === 'ft' || unit === 'in');
    const [component, ...others] = assembly.components;
    if (input === undefined || component === undefined) throw new Error('the assembly has neither');
    bench.change({ ...assembly, components: [{ ...component, formula, unit: 'ft' }, ...others] });
    const use: RecordOf<'use'> = {
      type: 'use',
      id: bench.makeId('use'),
      scopeId: wall.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    };
    bench.change(use);
    expect((bench.known(netNode(use.id, component.key)) ?? Number.NaN) / FOOT).toBeCloseTo(20, 9);
    const other = 'total(wall, length, sheet = "A-101") / 20';
    bench.change({ ...use, answers: { [input.key]: other } });
    expect((bench.known(inputNode(use.id, input.key)) ?? Number.NaN) / FOOT).toBeCloseTo(1, 9);
    noDifference(bench);
  });

  it('is figured while it is still being typed', () => {
    const { bench } = begin();
    const names = jobNames(bench.job());
    expect(workOut(bench.calculation.figures, formula, names)).toMatchObject({
      kind: 'figure',
      value: expect.closeTo(20 * FOOT, 9),
    });
  });
});

describe('total(any, …)', () => {
  it('is over every scope that has the measure, without a filter too', () => {
    const { bench, run } = begin();
    bench.change(piece(bench, run, '5 ft'));
    const line = bench.line({ quantity: 'total(any, length)', unit: 'ft' });
    bench.change(line);
    expect(bench.figure(line.id, 'quantity')).toBeCloseTo(25, 9);
    noDifference(bench);
  });

  it('refuses a property that means a length here and a weight there', () => {
    const { bench, run, wall } = begin();
    const property = (unit: string) => [{ key: 'size', name: 'Size', value: '2', unit }];
    bench.change({ ...run, properties: property('kg') }, { ...wall, properties: property('ft') });
    expect(workOut(bench.calculation.figures, 'total(any, size)', jobNames(bench.job()))).toMatchObject({
      kind: 'problem',
      problem: { kind: 'formula-total-mixed' },
    });
  });
});

describe('another currency', () => {
  it('is followed by a package whose sum has a factor on it', () => {
    const { bench } = begin();
    const pack = makePackage(bench.makeId, {});
    const quote = makeQuote(bench.makeId, { packageId: pack.id, amount: '1000' });
    bench.change(pack, quote);
    bench.change({ ...pack, takenId: quote.id });
    expect(bench.figure(pack.id, 'extension')).toBe(100_000);
    const [settings] = [...bench.job().settings.values()];
    if (settings !== undefined) bench.change({ ...settings, currency: 'JPY' });
    expect(bench.figure(pack.id, 'extension')).toBe(1000);
    noDifference(bench);
  });
});
