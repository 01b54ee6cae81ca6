import type { NodeId } from '../job/nodeId.ts';
import { describe, expect, it } from '@jest/globals';
import { listRows } from '../estimate/rows.ts';
import { componentLine, purchaseLine } from '../job/lineKey.ts';
import { type Command, put, remove } from '../job/change.ts';
import {
  removeDifficulty,
  removeNamed,
  removeProperty,
  renameKey,
  renameProperty,
} from '../job/commands/names.ts';
import { removeAssembly, removeScope } from '../job/commands/removeWith.ts';
import { applyDiff } from '../job/job.ts';
import type { JobRecord, RecordOf } from '../job/record.ts';
import type { Assembly, Component, InnerAssembly } from '../job/records/assembly.ts';
import { listShownRows } from '../reports/estimateReport.ts';
import { differences } from '../testing/differences.ts';
import { FOOT, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { Calculation } from './calculation.ts';
import { knownValue } from './define.ts';
import {
  bidNode,
  inputNode,
  lineNode,
  netNode,
  propertyNode,
  purchaseNode,
  quantityNode,
} from './graph/nodes.ts';

const part = (key: string, content: Partial<Component>): Component => ({
  key,
  name: key,
  kind: 'material',
  unit: 'ea',
  formula: '1',
  wastePercent: '0',
  roundUpTo: '',
  itemCode: '',
  ...content,
});

/** A job with a run of 25 ft and one of 33 ft, and what tests put on it. */
function walls() {
  const test = createTestJob();
  const { makeId, sheet } = test;
  const wall = makeScope(makeId, {
    key: 'wall',
    kind: 'run',
    properties: [{ key: 'height', name: 'Height', value: '9', unit: 'ft' }],
  });
  const runs = [25, 33].map((length, i) =>
    makeMark(makeId, wall, sheet, [
      [0, i * 10],
      [length, i * 10],
    ]),
  );
  const calculation = new Calculation(test.job);
  const change = (command: Command): void => {
    const diff = command(calculation.job);
    if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
    calculation.apply(applyDiff(calculation.job, diff.value), diff.value);
  };
  const refusal = (command: Command): unknown => {
    const diff = command(calculation.job);
    return diff.ok ? undefined : diff.problem;
  };
  const assemble = (content: Partial<Assembly>): Assembly => ({
    type: 'assembly',
    id: makeId('assembly'),
    name: 'Test assembly',
    description: '',
    measures: 'run',
    order: 1,
    inputs: [],
    components: [],
    ...content,
  });
  const apply = (assembly: Assembly, scope = wall, more: Partial<RecordOf<'use'>> = {}): RecordOf<'use'> => {
    const use: RecordOf<'use'> = {
      type: 'use',
      id: makeId('use'),
      scopeId: scope.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
      ...more,
    };
    change(put(assembly, use));
    return use;
  };
  const value = (node: NodeId): number | undefined => knownValue(calculation.figure(node));
  const failure = (node: NodeId): unknown => calculation.figure(node).failure;
  change(put(wall, ...runs));
  return { ...test, wall, runs, calculation, change, refusal, assemble, apply, value, failure };
}

const quantity = (makeId: ReturnType<typeof walls>['makeId'], key: string, formula: string, unit = '') =>
  ({ type: 'quantity', id: makeId('quantity'), key, name: key, formula, unit, order: 1 }) as const;

describe('named quantities', () => {
  it('are read by their name in properties, components and lines, and follow what they rest on', () => {
    const { makeId, wall, runs, change, assemble, apply, value } = walls();
    const rate = quantity(makeId, 'lap', 'total(wall, length) * 10 %', 'ft');
    change(put(rate));
    expect(value(quantityNode(rate.id))).toBeCloseTo(5.8 * FOOT, 9);
    const use = apply(assemble({ components: [part('bar', { unit: 'ft', formula: 'length + lap' })] }));
    expect(value(netNode(use.id, 'bar'))).toBeCloseTo(63.8 * FOOT, 9);
    change(remove(runs[0]!.id));
    expect(value(netNode(use.id, 'bar'))).toBeCloseTo(36.3 * FOOT, 9);
    change(put({ ...wall, properties: [{ key: 'height', name: 'Height', value: 'lap * 2', unit: 'ft' }] }));
    expect(value(propertyNode(wall.id, 'height'))).toBeCloseTo(6.6 * FOOT, 9);
  });

  it('are followed by every formula when they are renamed, save where an input hides the name', () => {
    const { makeId, calculation, change, assemble, apply } = walls();
    const lap = quantity(makeId, 'lap', '2', 'ft');
    const hidden = assemble({
      name: 'With its own',
      inputs: [{ key: 'lap', question: 'Lap?', unit: 'ft', value: '1', hint: '', choices: [] }],
      components: [part('bar', { unit: 'ft', formula: 'length + lap' })],
    });
    const open = assemble({ components: [part('bar', { unit: 'ft', formula: 'length + lap' })] });
    change(put(lap));
    apply(hidden);
    const use = apply(open);
    change(renameKey(lap.id, 'overlap'));
    expect(calculation.job.assembly.get(open.id)?.components[0]?.formula).toBe('length + overlap');
    expect(calculation.job.assembly.get(hidden.id)?.components[0]?.formula).toBe('length + lap');
    expect(knownValue(calculation.figure(netNode(use.id, 'bar')))).toBeCloseTo(60 * FOOT, 9);
  });

  it('stay while something uses them, and the refusal says what', () => {
    const { makeId, change, refusal, assemble, apply } = walls();
    const lap = quantity(makeId, 'lap', '2', 'ft');
    change(put(lap));
    apply(assemble({ name: 'Bars', components: [part('bar', { unit: 'ft', formula: 'length + lap' })] }));
    expect(refusal(removeNamed(lap.id))).toEqual({ kind: 'name-in-use', name: 'lap', users: ['Bars'] });
  });

  it('name all members of a loop', () => {
    const { makeId, change, failure } = walls();
    const [one, two] = [quantity(makeId, 'one', 'two * 2'), quantity(makeId, 'two', 'one + 1')];
    change(put(one, two));
    const loop = failure(quantityNode(one.id)) as { kind: string; members: NodeId[] };
    expect(loop.kind).toBe('loop');
    expect(loop.members.map(({ owner }) => owner).sort()).toEqual([one.id, two.id].sort());
    change(put({ ...two, formula: '5' }));
    expect(failure(quantityNode(one.id))).toBeUndefined();
  });

  it('can be removed when they read only themselves', () => {
    const { makeId, change, calculation } = walls();
    const own = quantity(makeId, 'own', 'own + 1');
    change(put(own));
    change(removeNamed(own.id));
    expect(calculation.job.quantity.size).toBe(0);
  });

  it('may not take a name that formulas know already', () => {
    const { makeId, change, refusal } = walls();
    change(put(makeScope(makeId, { key: 'fence', kind: 'run' })));
    expect(refusal(put(quantity(makeId, 'fence', '1')))).toEqual({ kind: 'key-taken', key: 'fence' });
    expect(refusal(put(quantity(makeId, 'length', '1')))).toEqual({ kind: 'key-reserved', key: 'length' });
    expect(refusal(put(quantity(makeId, 'lookup', '1')))).toEqual({ kind: 'key-reserved', key: 'lookup' });
  });
});

describe('names of scopes', () => {
  it('are followed when a scope or a property is renamed', () => {
    const { makeId, wall, calculation, change } = walls();
    const sum = quantity(
      makeId,
      'sum',
      'total(wall, length) + total(wall, height) + count(wall) * 1 ft',
      'ft',
    );
    change(put(sum));
    change(renameKey(wall.id, 'partition'));
    change(renameProperty(wall.id, 'height', 'tall'));
    expect(calculation.job.quantity.get(sum.id)?.formula).toBe(
      'total(partition, length) + total(partition, tall) + count(partition) * 1 ft',
    );
    expect(knownValue(calculation.figure(quantityNode(sum.id)))).toBeCloseTo(69 * FOOT, 9);
  });

  it('hold a property while a formula elsewhere reads it', () => {
    const { makeId, wall, calculation, change, refusal } = walls();
    const sum = quantity(makeId, 'sum', 'total(wall, height)', 'ft');
    change(put(sum));
    expect(refusal(removeProperty(wall.id, 'height', 'Height'))).toEqual({
      kind: 'name-in-use',
      name: 'Height',
      users: ['sum'],
    });
    change(remove(sum.id));
    change(removeProperty(wall.id, 'height', 'Height'));
    expect(calculation.job.scope.get(wall.id)?.properties).toEqual([]);
  });

  it('hold a scope while a formula elsewhere reads it', () => {
    const { makeId, wall, change, refusal } = walls();
    change(put(quantity(makeId, 'sum', 'total(wall, length)', 'ft')));
    expect(refusal(removeScope(wall.id))).toEqual({ kind: 'name-in-use', name: 'wall', users: ['sum'] });
  });
});

describe('totals with a filter', () => {
  function doors() {
    const test = walls();
    const { makeId, sheet, change } = test;
    const upper: RecordOf<'level'> = {
      type: 'level',
      id: makeId('level'),
      name: 'Upper floor',
      order: 2,
      repeat: 1,
    };
    const above: RecordOf<'sheet'> = { ...sheet, id: makeId('sheet'), number: 'A-102', levelId: upper.id };
    const kinds = [
      ['d1', '3', '60'],
      ['d2', '2.5', '20'],
    ] as const;
    const scopes = kinds.map(([key, width, minutes]) =>
      makeScope(makeId, {
        key,
        kind: 'count',
        properties: [
          { key: 'width', name: 'Width', value: width, unit: 'ft' },
          { key: 'fire_rating', name: 'Fire rating', value: minutes, unit: 'min' },
        ],
      }),
    );
    const points = (count: number) => Array.from({ length: count }, (_, i) => [i, 1] as const);
    const [one, two] = scopes as [RecordOf<'scope'>, RecordOf<'scope'>];
    change(
      put(
        upper,
        above,
        ...scopes,
        makeMark(makeId, one, sheet, points(4)),
        makeMark(makeId, one, above, points(2)),
        makeMark(makeId, two, above, points(5)),
      ),
    );
    const figure = (formula: string, unit = ''): number | undefined => {
      const record = quantity(makeId, `q${test.calculation.job.quantity.size}`, formula, unit);
      change(put(record));
      return test.value(quantityNode(record.id));
    };
    return { ...test, figure, one, two, above, upper };
  }

  it('count and add up by property and by level', () => {
    const { figure } = doors();
    expect(figure('count(d1)')).toBe(6);
    expect(figure('count(d1, level = "Upper floor")')).toBe(2);
    expect(figure('count(any, fire_rating >= 60 min)')).toBe(6);
    expect(figure('count(any, level = "upper floor" and fire_rating < 30 min)')).toBe(5);
    expect(figure('total(any, length, level != "Upper floor")', 'ft')).toBeCloseTo(58 * FOOT, 9);
    expect(figure('count(any, sheet = "A-102")')).toBe(7);
  });

  it('take the width of a door so often as it is there', () => {
    const { figure } = doors();
    expect(figure('total(d1, width)', 'ft')).toBeCloseTo(18 * FOOT, 9);
    expect(figure('total(d1, width, level = "Upper floor")', 'ft')).toBeCloseTo(6 * FOOT, 9);
    expect(figure('total(any, width, fire_rating < 30 min)', 'ft')).toBeCloseTo(12.5 * FOOT, 9);
  });

  it('follow a mark that is drawn, a property that changes and a level that is renamed', () => {
    const { makeId, figure, calculation, change, value, one, two, above, upper } = doors();
    expect(figure('count(any, level = "Upper floor" and fire_rating >= 60 min)')).toBe(2);
    const node = quantityNode([...calculation.job.quantity.keys()][0]!);
    change(put(makeMark(makeId, one, above, [[9, 9]])));
    expect(value(node)).toBe(3);
    const properties = two.properties.map((each) =>
      each.key === 'fire_rating' ? { ...each, value: '90' } : each,
    );
    change(put({ ...two, properties }));
    expect(value(node)).toBe(8);
    change(put({ ...upper, name: 'First floor' }));
    expect(value(node)).toBe(0);
  });

  it.each([
    ['count(d1, level = 2)', 'formula-name-unknown'],
    ['count(d1, color = "red")', 'formula-filter-text'],
    ['count(d1, thickness > 2 in)', 'formula-name-unknown'],
    ['count(d1, width > 2)', 'formula-dimension-add'],
    ['count(d1, width)', 'formula-dimension-argument'],
    ['count(nothing, width > 2 ft)', 'formula-name-unknown'],
    ['total(wall, corners, level = "Upper floor")', 'formula-filter-measure'],
  ])('refuse %s as %s', (formula, kind) => {
    const { makeId, change, failure } = doors();
    const record = quantity(makeId, 'q', formula);
    change(put(record));
    expect(failure(quantityNode(record.id))).toMatchObject({ kind: 'formula', problem: { kind } });
  });
});

describe('components', () => {
  it('are figured on the total or for each mark: 58 ft in 10 ft sticks is 6, run by run 3 and 4', () => {
    const { makeId, wall, runs, sheet, change, assemble, apply, value } = walls();
    const use = apply(
      assemble({
        components: [
          part('on_total', { formula: 'ceil(length / 10 ft)' }),
          part('each', { formula: 'ceil(length / 10 ft)', per: 'mark' }),
        ],
      }),
    );
    expect(value(netNode(use.id, 'on_total'))).toBe(6);
    expect(value(netNode(use.id, 'each'))).toBe(7);
    change(put({ ...runs[0]!, repeat: 3 }));
    expect(value(netNode(use.id, 'each'))).toBe(13);
    change(
      put(
        makeMark(makeId, wall, sheet, [
          [0, 30],
          [11, 30],
        ]),
        {
          type: 'piece',
          id: makeId('piece'),
          scopeId: wall.id,
          text: '21',
          unit: 'ft',
          note: '',
          source: 'typed',
          order: 1,
        },
      ),
    );
    expect(value(netNode(use.id, 'each'))).toBe(18);
    change(remove(runs[1]!.id));
    expect(value(netNode(use.id, 'each'))).toBe(14);
  });

  it('count a typed piece as one run: two connectors for each of two drawn ones and one typed', () => {
    const { makeId, wall, change, assemble, apply, value } = walls();
    const use = apply(
      assemble({
        components: [part('ends_of', { formula: '2 * count' }), part('each', { formula: '2', per: 'mark' })],
      }),
    );
    change(
      put({
        type: 'piece',
        id: makeId('piece'),
        scopeId: wall.id,
        text: '12',
        unit: 'ft',
        note: '',
        source: 'typed',
        order: 1,
      }),
    );
    expect(value(netNode(use.id, 'ends_of'))).toBe(6);
    expect(value(netNode(use.id, 'each'))).toBe(6);
  });

  it('sum over marks to the total where the formula is linear', () => {
    const { assemble, apply, value } = walls();
    const formula = 'net_wall_area * 2 + length * 1 ft';
    const use = apply(
      assemble({
        components: [part('a', { unit: 'ft²', formula }), part('b', { unit: 'ft²', formula, per: 'mark' })],
      }),
    );
    expect(value(netNode(use.id, 'b'))).toBeCloseTo(value(netNode(use.id, 'a'))!, 9);
  });

  it('cannot be figured for each mark by what only all runs together have', () => {
    const { assemble, apply, failure } = walls();
    const use = apply(assemble({ components: [part('studs', { formula: 'corners', per: 'mark' })] }));
    expect(failure(netNode(use.id, 'studs'))).toMatchObject({
      kind: 'formula',
      problem: { name: 'corners' },
    });
  });

  it('go from net through waste and spares to what is sold: 58 and 10 % and 2, by the 25, at least 100', () => {
    const { assemble, apply, value } = walls();
    const use = apply(
      assemble({
        components: [
          part('a', { formula: 'length / 1 ft', wastePercent: '10', spares: '2' }),
          part('b', { formula: 'length / 1 ft', wastePercent: '10', spares: '2', roundUpTo: '25' }),
          part('c', { formula: 'length / 1 ft', roundUpTo: '25', minimum: '100' }),
          part('none', { formula: '0', spares: '2', minimum: '100' }),
        ],
      }),
    );
    const bought = (key: string): number | undefined =>
      value(lineNode(componentLine(use.id, key), 'quantity'));
    expect(bought('a')).toBe(65.8);
    expect(bought('b')).toBe(75);
    expect(bought('c')).toBe(100);
    expect(bought('none')).toBe(0);
  });

  it('apply only while their rule holds, and then do not show', () => {
    const { wall, calculation, change, assemble, apply, value } = walls();
    const use = apply(
      assemble({ components: [part('brace', { formula: '4', when: 'height > 10 ft' }), part('plate', {})] }),
    );
    const shown = () =>
      listShownRows(calculation.figures).flatMap((row) =>
        row.type === 'component' ? [row.component.key] : [],
      );
    expect(value(lineNode(componentLine(use.id, 'brace'), 'quantity'))).toBe(0);
    expect(shown()).toEqual(['plate']);
    change(put({ ...wall, properties: [{ key: 'height', name: 'Height', value: '12', unit: 'ft' }] }));
    expect(value(lineNode(componentLine(use.id, 'brace'), 'quantity'))).toBe(4);
    expect(shown()).toEqual(['brace', 'plate']);
  });

  it('make no line where they are off, while others still read their figure', () => {
    const { calculation, change, assemble, apply, value } = walls();
    const assembly = assemble({
      components: [
        part('studs', { formula: '44', itemCode: 'none' }),
        part('nails', { formula: 'studs * 6' }),
      ],
    });
    const use = apply(assembly, undefined, { off: ['studs'] });
    expect(listRows(calculation.job).map(({ key }) => key)).not.toContain(componentLine(use.id, 'studs'));
    expect(value(lineNode(componentLine(use.id, 'nails'), 'quantity'))).toBe(264);
    change(put({ ...use, off: [] }));
    expect(value(lineNode(componentLine(use.id, 'studs'), 'quantity'))).toBe(44);
  });

  it('say so when they come out below zero', () => {
    const { assemble, apply, failure } = walls();
    const use = apply(
      assemble({
        components: [part('a', { unit: 'ft', formula: 'length - 100 ft' }), part('b', { formula: '0 - 1' })],
      }),
    );
    for (const key of ['a', 'b'])
      expect(failure(lineNode(componentLine(use.id, key), 'quantity'))).toEqual({
        kind: 'negative',
        component: key,
      });
  });
});

describe('answers', () => {
  const inputs: Assembly['inputs'] = [
    {
      key: 'spacing',
      question: 'Spacing?',
      unit: 'in',
      value: '16',
      hint: '',
      choices: [],
      min: '8',
      max: '24',
    },
  ];

  it.each([
    ['24', undefined],
    ['2 ft', undefined],
    ['25', 'out-of-range'],
    ['4 in', 'out-of-range'],
    ['0', 'out-of-range'],
    ['height', 'out-of-range'],
    ['-16', 'out-of-range'],
  ])('are held to the range of their question: %s', (answer, kind) => {
    const { assemble, apply, calculation } = walls();
    const assembly = assemble({ inputs, components: [part('studs', { formula: 'ceil(length / spacing)' })] });
    const use = apply(assembly, undefined, { answers: { spacing: answer } });
    expect(calculation.figure(inputNode(use.id, 'spacing')).failure?.kind).toBe(kind);
    expect(calculation.figure(netNode(use.id, 'studs')).failure?.kind).toBe(kind);
  });
});

describe('an assembly inside another', () => {
  function boarded() {
    const test = walls();
    const board = test.assemble({
      name: 'Board',
      measures: 'area',
      inputs: [{ key: 'layers', question: 'Layers?', unit: '', value: '1', hint: '', choices: [] }],
      components: [
        part('sheets', { formula: 'ceil(area * layers / 32 sq ft)' }),
        part('screws', { formula: 'sheets * 40' }),
      ],
    });
    const inner: InnerAssembly = {
      key: 'faces',
      name: 'Both faces',
      assemblyId: board.id,
      formula: 'net_wall_area * 2',
      answers: { layers: 'plies' },
    };
    const wallAssembly = test.assemble({
      name: 'Boarded wall',
      inputs: [{ key: 'plies', question: 'Plies?', unit: '', value: '2', hint: '', choices: [] }],
      components: [part('plate', { unit: 'ft', formula: 'length * 3' })],
      inner: [inner],
    });
    test.change(put(board, wallAssembly));
    return { ...test, board, wallAssembly, inner };
  }

  it('is figured on the amount it is given, with its answers from the one around it', () => {
    const { apply, wallAssembly, value, calculation } = boarded();
    const use = apply(wallAssembly);
    // 58 ft by 9 ft, two faces, two layers: 2,088 ft² in sheets of 32 ft².
    expect(value(netNode(use.id, 'faces.sheets'))).toBe(66);
    expect(value(lineNode(componentLine(use.id, 'faces.screws'), 'quantity'))).toBe(2640);
    expect(listRows(calculation.job).filter(({ type }) => type === 'component')).toHaveLength(3);
  });

  it('follows a change of the inner assembly and of the outer answer', () => {
    const { apply, wallAssembly, board, value, change } = boarded();
    const use = apply(wallAssembly);
    change(put({ ...use, answers: { plies: '1' } }));
    expect(value(netNode(use.id, 'faces.sheets'))).toBe(33);
    change(put({ ...board, components: [part('sheets', { formula: 'ceil(area / 48 sq ft)' })] }));
    expect(value(netNode(use.id, 'faces.sheets'))).toBe(22);
  });

  it('knows no measures of a scope of another kind but its amount', () => {
    const { apply, wallAssembly, board, change, failure } = boarded();
    const use = apply(wallAssembly);
    change(put({ ...board, components: [part('sheets', { formula: 'corners' })] }));
    expect(failure(netNode(use.id, 'faces.sheets'))).toMatchObject({
      problem: { kind: 'formula-name-unknown' },
    });
  });

  it('is left out as a whole by its rule', () => {
    const { apply, wallAssembly, inner, value, change } = boarded();
    const use = apply(wallAssembly);
    change(put({ ...wallAssembly, inner: [{ ...inner, when: 'height > 20 ft' }] }));
    expect(value(netNode(use.id, 'faces.screws'))).toBe(0);
    expect(value(netNode(use.id, 'plate'))).toBeCloseTo(174 * FOOT, 9);
  });

  it('cannot stand inside itself, and stays while another holds it', () => {
    const { board, wallAssembly, inner, refusal } = boarded();
    const circle = { ...board, inner: [{ ...inner, assemblyId: wallAssembly.id }] };
    expect(refusal(put(circle))).toEqual({ kind: 'assembly-inside-itself', name: 'Board' });
    expect(refusal(removeAssembly(board.id))).toEqual({
      kind: 'name-in-use',
      name: 'Board',
      users: ['Boarded wall'],
    });
  });
});

describe('rounding at purchase over the job', () => {
  it('rounds the same item of many assemblies once: 14.6 and 9.7 sheets are 25, not 15 and 10', () => {
    const { makeId, change, assemble, apply, value, calculation } = walls();
    const item: RecordOf<'item'> = {
      type: 'item',
      id: makeId('item'),
      code: 'BOARD',
      description: 'Board',
      unit: 'sheet',
      basis: 1,
      material: '20',
      laborHours: '',
      craftId: null,
      equipment: '',
      subcontract: '',
      other: '',
      supplier: '',
      date: '',
      group: '',
    };
    change(put(item));
    const sheets = (formula: string): Assembly =>
      assemble({
        components: [
          part('board', { unit: 'sheet', formula, itemCode: 'BOARD', roundUpTo: '1', roundAt: 'job' }),
        ],
      });
    const one = apply(sheets('14.6'));
    apply(sheets('9.7'));
    expect(value(lineNode(componentLine(one.id, 'board'), 'quantity'))).toBe(14.6);
    expect(value(purchaseNode('BOARD', 'need'))).toBeCloseTo(24.3, 9);
    expect(value(purchaseNode('BOARD', 'bought'))).toBe(25);
    expect(value(lineNode(purchaseLine('BOARD'), 'quantity'))).toBeCloseTo(0.7, 9);
    expect(value(bidNode('cost'))).toBe(50_000);
    expect(listRows(calculation.job).some(({ key }) => key === purchaseLine('BOARD'))).toBe(true);
    change(remove(one.id));
    expect(value(bidNode('cost'))).toBe(20_000);
  });
});

describe('labor', () => {
  it.each([
    ['hours', '0.5', 29],
    ['hourly', '4', 14.5],
    ['daily', '80', 5.8],
  ] as const)('by %s of %s for 58 pieces', (by, figure, hours) => {
    const { job, assemble, apply, value } = walls();
    const craft = [...job.craft.values()][0]!;
    const use = apply(
      assemble({ components: [part('a', { formula: '58', labor: { by, figure, craftId: craft.id } })] }),
    );
    const line = componentLine(use.id, 'a');
    expect(value(lineNode(line, 'hours'))).toBeCloseTo(hours, 9);
    expect(value(lineNode(line, 'labor'))).toBe(Math.round(hours * Number(craft.wage) * 100));
  });

  it('is harder by the difficulties of the scope and of the use, multiplied, and each once', () => {
    const { makeId, job, wall, change, assemble, apply, value, refusal, calculation } = walls();
    const craft = [...job.craft.values()][0]!;
    const difficulty = (name: string, factor: number) =>
      ({ type: 'difficulty', id: makeId('difficulty'), name, factor, order: 1 }) as const;
    const [high, trench] = [difficulty('Above 10 ft', 1.5), difficulty('In trench', 1.2)];
    change(put(high, trench));
    const labor = { by: 'hours', figure: '1', craftId: craft.id } as const;
    const use = apply(assemble({ components: [part('a', { formula: '10', labor })] }), wall, {
      difficulty: [trench.id],
    });
    const hours = lineNode(componentLine(use.id, 'a'), 'hours');
    expect(value(hours)).toBe(12);
    change(put({ ...calculation.job.scope.get(wall.id)!, difficulty: [high.id, trench.id] } as JobRecord));
    expect(value(hours)).toBe(18);
    change(put({ ...high, factor: 2 }));
    expect(value(hours)).toBe(24);
    expect(refusal(removeDifficulty(trench.id))).toEqual({
      kind: 'difficulty-in-use',
      name: 'In trench',
      count: 2,
    });
  });

  it('follows the wage of its craft', () => {
    const { job, change, assemble, apply, value } = walls();
    const craft = [...job.craft.values()][0]!;
    const labor = { by: 'hours', figure: '1', craftId: craft.id } as const;
    const use = apply(assemble({ components: [part('a', { formula: '10', labor })] }));
    change(put({ ...craft, wage: '60' }));
    expect(value(lineNode(componentLine(use.id, 'a'), 'labor'))).toBe(60_000);
  });
});

describe('tables of the job', () => {
  it('are looked up by components, and a changed cell changes the figure', () => {
    const { makeId, change, assemble, apply, value, failure, refusal } = walls();
    const table: RecordOf<'table'> = {
      type: 'table',
      id: makeId('table'),
      key: 'footings',
      name: 'Footings',
      order: 1,
      columns: [
        { key: 'wide', name: 'Width', unit: 'in' },
        { key: 'bars', name: 'Bars', unit: '' },
      ],
      rows: [
        ['16', '2'],
        ['20', '3'],
        ["2'", '4'],
      ],
    };
    change(put(table));
    const use = apply(
      assemble({ components: [part('bars', { formula: 'lookup(footings, bars, wide, 18 in)' })] }),
    );
    expect(value(netNode(use.id, 'bars'))).toBe(3);
    change(put({ ...table, rows: [['18', '7'], ...table.rows] }));
    expect(value(netNode(use.id, 'bars'))).toBe(7);
    change(put({ ...table, rows: [] }));
    expect(failure(netNode(use.id, 'bars'))).toMatchObject({
      kind: 'arithmetic',
      failure: { kind: 'lookup-empty' },
    });
    expect(refusal(removeNamed(table.id))).toMatchObject({ kind: 'name-in-use', name: 'Footings' });
  });
});

describe('all of it together', () => {
  it('is the same figured step by step as figured anew', () => {
    const test = walls();
    const { makeId, wall, runs, change, assemble, apply, calculation } = test;
    const lap = quantity(makeId, 'lap', 'total(any, length, sheet = "A-101") * 2 %', 'ft');
    change(put(lap));
    const use = apply(
      assemble({
        components: [
          part('a', {
            unit: 'ft',
            formula: 'length + lap',
            per: 'mark',
            itemCode: 'FR-2X4',
            roundUpTo: '16',
            roundAt: 'job',
          }),
          part('b', { formula: 'ceil(a / 3 ft)', when: 'count > 1' }),
        ],
      }),
    );
    const steps: readonly Command[] = [
      put({ ...runs[0]!, repeat: 2 }),
      remove(runs[1]!.id),
      put({ ...wall, properties: [] }),
      put({ ...use, off: ['b'] }),
      put({ ...lap, formula: '3' }),
      remove(use.id),
    ];
    for (const step of steps) {
      change(step);
      expect(differences(calculation, new Calculation(calculation.job))).toEqual([]);
    }
  });
});
