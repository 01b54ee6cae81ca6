import type { NodeId } from '../job/nodeId.ts';
import { jobNames } from './queries/jobNames.ts';
import { describe, expect, it } from '@jest/globals';
import type { JobRecord, RecordOf } from '../job/record.ts';
import { FOOT, makeMark, makeScope } from '../testing/job.ts';
import { differences } from '../testing/differences.ts';
import { type Desk, createPricedDesk } from '../testing/priced.ts';
import { makePackage, makeQuote } from '../testing/records.ts';
import { Calculation } from './calculation.ts';
import { workOut } from './explain/evaluate.ts';
import { inputNode, measureNode, netNode, pinnedNode, typedNode } from './graph/nodes.ts';

const table = (desk: Desk, hours: string): RecordOf<'table'> => ({
  type: 'table',
  id: desk.makeId('table'),
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

const figure = (desk: Desk, formula: string): RecordOf<'quantity'> => ({
  type: 'quantity',
  id: desk.makeId('quantity'),
  key: 'extra',
  name: 'Extra',
  formula,
  unit: 'ft',
  order: 1,
});

const piece = (desk: Desk, scope: RecordOf<'scope'>, text: string): RecordOf<'piece'> => ({
  type: 'piece',
  id: desk.makeId('piece'),
  scopeId: scope.id,
  text,
  unit: 'ft',
  note: '',
  source: 'typed',
  order: 1,
});

/** A desk with a run and a wall of 20 ft on the sheet. */
function begin(): { readonly desk: Desk; readonly run: RecordOf<'scope'>; readonly wall: RecordOf<'scope'> } {
  const desk = createPricedDesk();
  const run = makeScope(desk.makeId, { key: 'pipe', kind: 'run' });
  const wall = makeScope(desk.makeId, { key: 'wall', kind: 'run', order: 2 });
  desk.change(run, wall);
  desk.change(makeMark(desk.makeId, wall, desk.sheet, [[0, 0], [20, 0]])); // prettier-ignore
  return { desk, run, wall };
}

const lengthOf = (desk: Desk, scope: RecordOf<'scope'>): number =>
  (desk.known(measureNode(scope.id, 'length')) ?? Number.NaN) / FOOT;

const noDifference = (desk: Desk): void =>
  expect(differences(desk.calculation, new Calculation(desk.job()))).toEqual([]);

describe('a typed piece', () => {
  it('follows the table it looks a figure up in, and the line priced by it too', () => {
    const { desk, run } = begin();
    const pipes = table(desk, '3');
    desk.change(pipes, piece(desk, run, 'lookup(pipes, deep, size, 4 in) * 2'));
    const line = desk.line({ quantity: 'total(pipe, length)', unit: 'ft', costs: { material: '10' } });
    desk.change(line);
    expect(lengthOf(desk, run)).toBeCloseTo(6, 9);
    expect(desk.figure(line.id, 'extension')).toBe(6000);
    desk.change({ ...pipes, rows: [['4', '4']] });
    expect(lengthOf(desk, run)).toBeCloseTo(8, 9);
    expect(desk.figure(line.id, 'extension')).toBe(8000);
    noDifference(desk);
  });

  it('follows a named figure, also when that goes and comes again', () => {
    const { desk, run } = begin();
    const extra = figure(desk, '7');
    desk.change(extra, piece(desk, run, 'extra + 1 ft'));
    expect(lengthOf(desk, run)).toBeCloseTo(8, 9);
    desk.change({ ...extra, formula: '9 ft' });
    expect(lengthOf(desk, run)).toBeCloseTo(10, 9);
    desk.change({ ...extra, formula: '2 kg' });
    expect(lengthOf(desk, run)).toBeNaN();
    noDifference(desk);
  });
});

describe('a filtered total that nothing else reads', () => {
  const formula = 'total(wall, length, level = "")';
  const places: readonly (readonly [
    string,
    (desk: Desk, run: RecordOf<'scope'>) => JobRecord,
    (r: JobRecord) => NodeId,
  ])[] = [
    ['a line', (desk) => desk.line({ quantity: formula, unit: 'ft' }), ({ id }) => typedNode(id)],
    [
      'a pinned quantity',
      (desk) => desk.line({ quantity: '1', unit: 'ft', pinned: formula }),
      ({ id }) => pinnedNode(id),
    ],
    ['a typed piece', (desk, run) => piece(desk, run, formula), ({ id }) => ({ owner: id, figure: 'value' })],
    ['a named figure', (desk) => figure(desk, formula), ({ id }) => ({ owner: id, figure: 'value' })],
  ];
  it.each(places)('is figured at once in %s', (_name, make, node) => {
    const { desk, run } = begin();
    const record = make(desk, run);
    desk.change(record);
    expect((desk.known(node(record)) ?? Number.NaN) / FOOT).toBeCloseTo(20, 9);
    noDifference(desk);
  });

  it('is figured at once in a component and in an answer', () => {
    const { desk, wall } = begin();
    const assembly = desk.assembly('Stud');
    const [input] = assembly.inputs.filter(({ unit }) => unit === 'ft' || unit === 'in');
    const [component, ...others] = assembly.components;
    if (input === undefined || component === undefined) throw new Error('the assembly has neither');
    desk.change({ ...assembly, components: [{ ...component, formula, unit: 'ft' }, ...others] });
    const use: RecordOf<'use'> = {
      type: 'use',
      id: desk.makeId('use'),
      scopeId: wall.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    };
    desk.change(use);
    expect((desk.known(netNode(use.id, component.key)) ?? Number.NaN) / FOOT).toBeCloseTo(20, 9);
    const other = 'total(wall, length, sheet = "A-101") / 20';
    desk.change({ ...use, answers: { [input.key]: other } });
    expect((desk.known(inputNode(use.id, input.key)) ?? Number.NaN) / FOOT).toBeCloseTo(1, 9);
    noDifference(desk);
  });

  it('is figured while it is still being typed', () => {
    const { desk } = begin();
    const names = jobNames(desk.job());
    expect(workOut(desk.calculation.figures, formula, names)).toMatchObject({
      kind: 'figure',
      value: expect.closeTo(20 * FOOT, 9),
    });
  });
});

describe('total(any, …)', () => {
  it('is over every scope that has the measure, without a filter too', () => {
    const { desk, run } = begin();
    desk.change(piece(desk, run, '5 ft'));
    const line = desk.line({ quantity: 'total(any, length)', unit: 'ft' });
    desk.change(line);
    expect(desk.figure(line.id, 'quantity')).toBeCloseTo(25, 9);
    noDifference(desk);
  });

  it('refuses a property that means a length here and a weight there', () => {
    const { desk, run, wall } = begin();
    const property = (unit: string) => [{ key: 'size', name: 'Size', value: '2', unit }];
    desk.change({ ...run, properties: property('kg') }, { ...wall, properties: property('ft') });
    expect(workOut(desk.calculation.figures, 'total(any, size)', jobNames(desk.job()))).toMatchObject({
      kind: 'problem',
      problem: { kind: 'formula-total-mixed' },
    });
  });
});

describe('another currency', () => {
  it('is followed by a package whose sum has a factor on it', () => {
    const { desk } = begin();
    const pack = makePackage(desk.makeId, {});
    const quote = makeQuote(desk.makeId, { packageId: pack.id, amount: '1000' });
    desk.change(pack, quote);
    desk.change({ ...pack, takenId: quote.id });
    expect(desk.figure(pack.id, 'extension')).toBe(100_000);
    const [settings] = [...desk.job().settings.values()];
    if (settings !== undefined) desk.change({ ...settings, currency: 'JPY' });
    expect(desk.figure(pack.id, 'extension')).toBe(1000);
    noDifference(desk);
  });
});
