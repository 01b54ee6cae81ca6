import { describe, expect, it } from '@jest/globals';
import { componentLine } from '../job/lineKey.ts';
import type { Component } from '../job/records/assembly.ts';
import type { RecordOf } from '../job/record.ts';
import { estimateReport } from '../reports/estimateReport.ts';
import { listUnpriced } from '../reports/unpriced.ts';
import { FOOT, makeMark, makeScope } from '../testing/job.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { bidNode, lineNode, measureNode, netNode, purchaseNode } from './graph/nodes.ts';
import { throughLine } from './explain/throughLine.ts';

interface Built {
  readonly bench: Bench;
  readonly key: string;
  readonly use: RecordOf<'use'>;
  readonly assembly: RecordOf<'assembly'>;
}

/** `count` things on the sheet with one component on them, priced 10.00 and half an hour at 40.00 each. */
function built(count: number, part: Partial<Component>, inputs: RecordOf<'assembly'>['inputs'] = []): Built {
  const bench = createBench();
  const scope = makeScope(bench.makeId, { key: 'things', kind: 'count' });
  const craft: RecordOf<'craft'> = { type: 'craft', id: bench.makeId('craft'), name: 'Fitter', wage: '40' };
  const item = bench.item({
    code: 'THING',
    unit: 'ea',
    material: '10',
    laborHours: '0.5',
    craftId: craft.id,
  });
  const assembly: RecordOf<'assembly'> = {
    type: 'assembly',
    id: bench.makeId('assembly'),
    name: 'Things',
    description: '',
    measures: 'count',
    order: 1,
    inputs,
    components: [
      {
        key: 'thing',
        name: 'Thing',
        kind: 'material',
        unit: 'ea',
        formula: 'count',
        wastePercent: '0',
        roundUpTo: '',
        itemCode: 'THING',
        ...part,
      },
    ],
  };
  const use: RecordOf<'use'> = {
    type: 'use',
    id: bench.makeId('use'),
    scopeId: scope.id,
    assemblyId: assembly.id,
    order: 1,
    answers: {},
  };
  bench.change(craft, item, scope, assembly, use);
  bench.change(
    ...Array.from({ length: count }, (_, i) => makeMark(bench.makeId, scope, bench.sheet, [[i, 0]])),
  );
  return { bench, key: componentLine(use.id, 'thing'), use, assembly };
}

const steps = ({ bench, key }: Built) =>
  throughLine(bench.calculation.figures, { type: 'line', key }).map(({ label }) => label.of);

describe('waste', () => {
  it('is bought and not installed: 200 devices with 2 % are 204 bought and 100 hours', () => {
    const { bench, key } = built(200, { wastePercent: '2', roundUpTo: '1' });
    expect(bench.figure(key, 'quantity')).toBe(204);
    expect(bench.figure(key, 'worked')).toBe(200);
    expect(bench.figure(key, 'hours')).toBe(100);
    expect(bench.figure(key, 'material')).toBe(204_000);
    expect(bench.figure(key, 'labor')).toBe(400_000);
  });

  it('acts on labor too where the component says so', () => {
    const { bench, key } = built(200, { wastePercent: '2', wasteOn: ['material', 'labor'] });
    expect(bench.figure(key, 'hours')).toBe(102);
  });

  it('does nothing on a component that is no material, unless it says so', () => {
    expect(built(200, { kind: 'labor', wastePercent: '2' }).bench.known(bidNode('hours'))).toBe(100);
    const { bench, key } = built(200, { kind: 'subcontract', wastePercent: '2', wasteOn: ['subcontract'] });
    expect(bench.figure(key, 'quantity')).toBe(204);
  });

  it('of a typed line is of its material alone', () => {
    const { bench } = built(1, {});
    const line = bench.line({ quantity: '200', itemCode: 'THING', wastePercent: '2' });
    bench.change(line);
    expect(bench.figure(line.id, 'quantity')).toBe(204);
    expect(bench.figure(line.id, 'hours')).toBe(100);
  });

  it('comes out of the exported sheet as it went in: hours on the quantity before waste', () => {
    const { bench, key } = built(200, { wastePercent: '2' });
    const row = estimateReport(bench.calculation.figures).find((line) => line.row.key === key);
    expect(row).toMatchObject({ quantity: 204, worked: 200 });
    expect((row?.worked ?? 0) * (row?.perUnit?.hours ?? 0)).toBe(100);
  });
});

describe('what is bought at least', () => {
  it('takes a formula, checked for its unit, and is a step of its own', () => {
    const made = built(3, { minimum: 'least_boxes * 2' }, [
      { key: 'least_boxes', question: 'Boxes?', unit: '', value: '9', hint: '', choices: [] },
    ]);
    expect(made.bench.figure(made.key, 'quantity')).toBe(18);
    expect(made.bench.figure(made.key, 'worked')).toBe(3);
    expect(steps(made)).toEqual(expect.arrayContaining(['formula', 'minimum', 'hours', 'line']));
    const wrong = built(3, { minimum: '2 ft' });
    expect(wrong.bench.calculation.figure(lineNode(wrong.key, 'quantity')).failure).toMatchObject({
      kind: 'formula',
      problem: { kind: 'formula-dimension-result' },
    });
    // A line without a price is not in the bid in part either: its hours were known, and counted.
    expect(wrong.bench.known(bidNode('cost'))).toBe(0);
    expect(wrong.bench.known(bidNode('labor'))).toBe(0);
  });

  it('is nothing while nothing is measured', () => {
    const { bench, key } = built(0, { minimum: '5 + 5' });
    expect(bench.figure(key, 'quantity')).toBe(0);
  });

  it('over the whole job holds for all that is bought of the item', () => {
    const { bench } = built(3, { minimum: '4 * 5', roundUpTo: '1', roundAt: 'job' });
    expect(bench.known(purchaseNode('THING', 'bought'))).toBe(20);
  });
});

describe('hours', () => {
  it('are taken times a factor of the component, and its quantity stays what it is', () => {
    const made = built(130, { hoursFactor: 'hard' }, [
      { key: 'hard', question: 'How hard?', unit: '', value: '1.6', hint: '', choices: [] },
    ]);
    expect(made.bench.figure(made.key, 'quantity')).toBe(130);
    expect(made.bench.figure(made.key, 'hours')).toBeCloseTo(104, 9);
    expect(steps(made)).toContain('hours-factor');
  });

  it('are shown before and after the difficulty of the place', () => {
    const made = built(10, {});
    const hard: RecordOf<'difficulty'> = {
      type: 'difficulty',
      id: made.bench.makeId('difficulty'),
      name: 'High',
      factor: 1.2,
      order: 1,
    };
    made.bench.change(hard);
    made.bench.change({ ...made.use, difficulty: [hard.id] });
    expect(made.bench.figure(made.key, 'quantity')).toBe(10);
    expect(made.bench.figure(made.key, 'hours')).toBe(6);
    expect(steps(made)).toEqual(expect.arrayContaining(['hours', 'difficulty']));
  });

  it('without a wage leave the material in the bid, and only the labor unknown', () => {
    const { bench } = built(1, {});
    const line = bench.line({ quantity: '3', costs: { material: '10', hours: '2' } });
    bench.change(line);
    const before = bench.known(bidNode('material'));
    expect(bench.figure(line.id, 'material')).toBe(3000);
    expect(bench.figure(line.id, 'hours')).toBe(6);
    expect(bench.figure(line.id, 'extension')).toBe(3000);
    expect(before).toBe(1000 + 3000);
    expect(bench.calculation.figure(lineNode(line.id, 'labor')).failure).toEqual({
      kind: 'no-wage',
      craft: '',
    });
    expect(listUnpriced(bench.calculation.figures)).toEqual([
      { key: line.id, failure: { kind: 'no-wage', craft: '' }, onlyLabor: true },
    ]);
    const { id: craftId } = bench.craft('Fitter');
    bench.change({ ...line, craftId });
    expect(bench.figure(line.id, 'labor')).toBe(24_000);
    expect(bench.figure(line.id, 'extension')).toBe(27_000);
    expect(listUnpriced(bench.calculation.figures)).toEqual([]);
  });

  it('that are all there is of a line leave it without a price', () => {
    const { bench } = built(1, {});
    const line = bench.line({ quantity: '3', costs: { hours: '2' } });
    bench.change(line);
    expect(bench.calculation.figure(lineNode(line.id, 'extension')).failure).toEqual({
      kind: 'no-wage',
      craft: '',
    });
    expect(bench.figure(line.id, 'hours')).toBe(6);
  });

  it('of a component are worked by the craft that its line names', () => {
    const { bench, key } = built(10, {});
    const mate: RecordOf<'craft'> = { type: 'craft', id: bench.makeId('craft'), name: 'Mate', wage: '20' };
    bench.change(mate);
    bench.change({ type: 'override', id: bench.makeId('override'), line: key, craftId: mate.id });
    expect(bench.figure(key, 'labor')).toBe(10_000);
    bench.change({ ...mate, wage: '30' });
    expect(bench.figure(key, 'labor')).toBe(15_000);
  });
});

describe('a property that measures read', () => {
  it.each(['2 kg', '10 sq ft', '3 h'])('that is %s gives no wall area, and says why', (height) => {
    const bench = createBench();
    const wall = makeScope(bench.makeId, {
      key: 'wall',
      kind: 'run',
      properties: [{ key: 'height', name: 'Height', value: height, unit: 'ft' }],
    });
    bench.change(wall);
    bench.change(makeMark(bench.makeId, wall, bench.sheet, [[0, 0], [10, 0]])); // prettier-ignore
    const { failure } = bench.calculation.figure(measureNode(wall.id, 'wall_area'));
    expect(failure).toMatchObject({ kind: 'formula', problem: { kind: 'formula-dimension-result' } });
    bench.change({ ...wall, properties: [{ key: 'height', name: 'Height', value: '8', unit: 'kg' }] });
    expect(bench.known(measureNode(wall.id, 'wall_area'))).toBeUndefined();
    bench.change({ ...wall, properties: [{ key: 'height', name: 'Height', value: '8', unit: 'ft' }] });
    expect(bench.known(measureNode(wall.id, 'wall_area'))).toBeCloseTo(80 * FOOT ** 2, 9);
  });

  it('of another name may be of any dimension', () => {
    const bench = createBench();
    const wall = makeScope(bench.makeId, {
      key: 'wall',
      kind: 'run',
      properties: [{ key: 'weight', name: 'Weight', value: '2', unit: 'kg' }],
    });
    bench.change(wall);
    const line = bench.line({ quantity: 'total(wall, weight)', unit: 'kg' });
    bench.change(line);
    expect(bench.known(netNode(line.id, 'typed'))).toBe(2);
  });
});
