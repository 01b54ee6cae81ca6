import type { NodeId } from './nodeId.ts';
import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { inputNode, netNode, propertyNode, quantityNode } from '../calculate/graph/nodes.ts';
import { createJob, listRecords } from './job.ts';
import type { RecordOf } from './record.ts';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { FOOT } from '../testing/job.ts';
import { input, component } from '../library/build.ts';
import { checkAnyRecord } from './checkRecord.ts';

describe('a name that every JavaScript object knows', () => {
  const NAME = 'constructor';

  it('is a name like any other: of a question, a component, a property, a table, a column and a figure', () => {
    const test = createTestJob();
    const scope = makeScope(test.makeId, {
      key: NAME,
      kind: 'run',
      properties: [{ key: NAME, name: 'Constructor', value: '3', unit: 'ft' }],
    });
    const mark = makeMark(test.makeId, scope, test.sheet, [
      [0, 0],
      [20, 0],
    ]);
    const assembly: RecordOf<'assembly'> = {
      type: 'assembly',
      id: test.makeId('assembly'),
      name: NAME,
      description: '',
      measures: 'run',
      order: 9,
      inputs: [input('tostring', 'How many?', '', '4'), input(NAME, 'How high?', 'ft', '7')],
      components: [component(NAME, 'Sheets', 'material', 'ft²', `length * ${NAME} * tostring`, NAME)],
    };
    const use: RecordOf<'use'> = {
      type: 'use',
      id: test.makeId('use'),
      scopeId: scope.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    };
    const table: RecordOf<'table'> = {
      type: 'table',
      id: test.makeId('table'),
      key: NAME,
      name: NAME,
      order: 1,
      columns: [
        { key: NAME, name: NAME, unit: '' },
        { key: 'valueof', name: 'Value', unit: '' },
      ],
      rows: [['1', '11']],
    };
    const quantity: RecordOf<'quantity'> = {
      type: 'quantity',
      id: test.makeId('quantity'),
      key: NAME,
      name: NAME,
      formula: `lookup(${NAME}, valueof, ${NAME}, 1)`,
      unit: '',
      order: 1,
    };
    const records = [scope, mark, assembly, use, table, quantity];
    expect(records.filter((record) => !checkAnyRecord(record).ok)).toEqual([]);
    const calculation = new Calculation(createJob([...listRecords(test.job), ...records]));
    const known = (node: NodeId): number => knownValue(calculation.figure(node)) ?? Number.NaN;
    // The answer was not given: it flows from the property of that name, 3 ft.
    expect(known(propertyNode(scope.id, NAME))).toBeCloseTo(3 * FOOT, 9);
    expect(known(inputNode(use.id, NAME))).toBeCloseTo(3 * FOOT, 9);
    expect(known(netNode(use.id, NAME))).toBeCloseTo(20 * 3 * 4 * FOOT ** 2, 9);
    expect(known(quantityNode(quantity.id))).toBe(11);
  });

  it('is refused where it would change what an object is', () => {
    const { makeId } = createTestJob();
    expect(checkAnyRecord(makeScope(makeId, { key: '__proto__', kind: 'run' })).ok).toBe(false);
  });
});
