import type { NodeId } from '../job/nodeId.ts';
import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode, netNode } from '../calculate/graph/nodes.ts';
import { componentLine } from '../job/lineKey.ts';
import { put } from '../job/change.ts';
import { applyDiff } from '../job/job.ts';
import type { Line } from '../job/records/line.ts';
import { FOOT, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { assemblyFromLines } from './fromLines.ts';
import { readTableCsv } from '../formats/table/read.ts';
import { roundToPurchase } from './purchase.ts';

describe('an assembly from lines', () => {
  const test = createTestJob();
  const { makeId, sheet, job } = test;
  const wall = makeScope(makeId, { key: 'wall', kind: 'run' });
  const line = (description: string, quantity: string, unit: string, more: Partial<Line> = {}): Line => ({
    type: 'line',
    id: makeId('line'),
    sectionId: null,
    order: 1,
    description,
    quantity,
    unit,
    itemCode: '',
    typedCost: null,
    ...more,
  });
  const lines = [
    line('Anchors', '30', 'ea', { itemCode: 'FR-ANC-12' }),
    line('Steel', '240', 'lb', { typedCost: { kind: 'material', amount: '0.90' } }),
    line('Cap', 'total(wall, length) * 2', 'ft'),
    line('Set out', '2', 'h', { itemCode: 'LB-LAB' }),
  ];
  const driver = { scope: wall, measure: 'length', figure: '120 ft' } as const;
  const id = makeId('assembly');
  const made = assemblyFromLines(lines, driver, 'Cap of a wall', id, 9, job.item.values(), makeId);

  it('says what the quantities were for, and a formula over the scope reads its own measures', () => {
    expect(made.assembly.components.map(({ formula }) => formula)).toEqual([
      'length / 120 ft * 30',
      'length / 120 ft * 240 lb',
      'length * 2',
      'length / 120 ft * 2 h',
    ]);
    expect(made.assembly.components.map(({ kind }) => kind)).toEqual([
      'material',
      'material',
      'material',
      'labor',
    ]);
  });

  it('gives the same again for the next wall: 60 ft take half of it', () => {
    const mark = makeMark(makeId, wall, sheet, [
      [0, 0],
      [60, 0],
    ]);
    const use = {
      type: 'use',
      id: makeId('use'),
      scopeId: wall.id,
      assemblyId: id,
      order: 1,
      answers: {},
    } as const;
    const diff = put(...made.items, made.assembly, wall, mark, use)(job);
    if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
    const calculation = new Calculation(applyDiff(job, diff.value));
    const value = (node: NodeId): number | undefined => knownValue(calculation.figure(node));
    expect(value(netNode(use.id, 'anchors'))).toBeCloseTo(15, 9);
    expect(value(netNode(use.id, 'cap'))).toBeCloseTo(120 * FOOT, 9);
    // 120 lb at the $0.90 that was typed on the line.
    expect(value(lineNode(componentLine(use.id, 'steel'), 'extension'))).toBe(10_800);
  });
});

describe('a table from CSV', () => {
  it('names its columns with their units by the first row, in whatever way they are written', () => {
    const table = readTableCsv([
      ['Width (in)', 'Bars', 'Depth, ft', 'Mark'],
      ['16', '2', '1', 'F-1'],
      ['20', '3', '1.5', 'F-2'],
    ]);
    if (!table.ok) throw new Error(table.problem.kind);
    expect(table.value.columns).toEqual([
      { key: 'width', name: 'Width', unit: 'in' },
      { key: 'bars', name: 'Bars', unit: '' },
      { key: 'depth', name: 'Depth', unit: 'ft' },
      { key: 'mark', name: 'Mark', unit: '' },
    ]);
    expect(table.value.notes).toEqual([]);
  });

  it('tells of a word among figures, with its row, and keeps it', () => {
    const table = readTableCsv([['Width'], ['16'], ['wide'], ['24'], ['28']]);
    expect(table.ok && table.value.notes).toEqual([{ row: 3, column: 'Width', text: 'wide' }]);
    expect(table.ok && table.value.rows[1]).toEqual(['wide']);
  });

  it('tells keys of the same name apart, and fills short rows', () => {
    const table = readTableCsv([['Size', 'Size', '1/2'], ['1']]);
    expect(table.ok && table.value.columns.map(({ key }) => key)).toEqual(['size', 'size_2', 'column_1_2']);
    expect(table.ok && table.value.rows).toEqual([['1', '', '']]);
  });

  it.each([
    [[], 'table-empty'],
    [[['a', 'b']], 'table-empty'],
    [[Array.from({ length: 200 }, (_, i) => `c${i}`), ['1']], 'table-too-large'],
    [[['a'], ...Array.from({ length: 5001 }, () => ['1'])], 'table-too-large'],
  ])('refuses what is no table', (cells, kind) => {
    expect(readTableCsv(cells)).toMatchObject({ ok: false, problem: { kind } });
  });
});

describe('rounding to what is sold', () => {
  it.each([
    [14.6, 1, 0, 15],
    [15, 1, 0, 15],
    [3, 0, 10, 10],
    [0, 12, 10, 0],
    [26, 25, 10, 50],
  ])('%d in steps of %d, at least %d, is %d', (quantity, multiple, minimum, expected) => {
    expect(roundToPurchase(quantity, multiple, minimum)).toBe(expected);
  });
});
