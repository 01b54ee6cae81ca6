import { describe, expect, it } from '@jest/globals';
import { componentLine } from '../job/lineKey.ts';
import type { Component } from '../job/records/assembly.ts';
import type { RecordOf } from '../job/record.ts';
import { estimateReport } from '../reports/estimateReport.ts';
import { listUnpriced } from '../reports/unpriced.ts';
import { FOOT, makeMark, makeScope } from '../testing/job.ts';
import { type Desk, createPricedDesk } from '../testing/priced.ts';
import { bidNode, lineNode, measureNode, netNode, purchaseNode } from './graph/nodes.ts';
import { throughLine } from './explain/throughLine.ts';

interface Built {
  readonly desk: Desk;
  readonly key: string;
  readonly use: RecordOf<'use'>;
  readonly assembly: RecordOf<'assembly'>;
}

/** `count` things on the sheet with one component on them, priced 10.00 and half an hour at 40.00 each. */
function built(count: number, part: Partial<Component>, inputs: RecordOf<'assembly'>['inputs'] = []): Built {
  const desk = createPricedDesk();
  const scope = makeScope(desk.makeId, { key: 'things', kind: 'count' });
  const craft: RecordOf<'craft'> = { type: 'craft', id: desk.makeId('craft'), name: 'Fitter', wage: '40' };
  const item = desk.item({ code: 'THING', unit: 'ea', material: '10', laborHours: '0.5', craftId: craft.id });
  const assembly: RecordOf<'assembly'> = {
    type: 'assembly',
    id: desk.makeId('assembly'),
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
    id: desk.makeId('use'),
    scopeId: scope.id,
    assemblyId: assembly.id,
    order: 1,
    answers: {},
  };
  desk.change(craft, item, scope, assembly, use);
  desk.change(...Array.from({ length: count }, (_, i) => makeMark(desk.makeId, scope, desk.sheet, [[i, 0]])));
  return { desk, key: componentLine(use.id, 'thing'), use, assembly };
}

const steps = ({ desk, key }: Built) =>
  throughLine(desk.calculation.figures, { type: 'line', key }).map(({ label }) => label.of);

describe('waste', () => {
  it('is bought and not installed: 200 devices with 2 % are 204 bought and 100 hours', () => {
    const { desk, key } = built(200, { wastePercent: '2', roundUpTo: '1' });
    expect(desk.figure(key, 'quantity')).toBe(204);
    expect(desk.figure(key, 'worked')).toBe(200);
    expect(desk.figure(key, 'hours')).toBe(100);
    expect(desk.figure(key, 'material')).toBe(204_000);
    expect(desk.figure(key, 'labor')).toBe(400_000);
  });

  it('acts on labor too where the component says so', () => {
    const { desk, key } = built(200, { wastePercent: '2', wasteOn: ['material', 'labor'] });
    expect(desk.figure(key, 'hours')).toBe(102);
  });

  it('does nothing on a component that is no material, unless it says so', () => {
    expect(built(200, { kind: 'labor', wastePercent: '2' }).desk.known(bidNode('hours'))).toBe(100);
    const { desk, key } = built(200, { kind: 'subcontract', wastePercent: '2', wasteOn: ['subcontract'] });
    expect(desk.figure(key, 'quantity')).toBe(204);
  });

  it('of a typed line is of its material alone', () => {
    const { desk } = built(1, {});
    const line = desk.line({ quantity: '200', itemCode: 'THING', wastePercent: '2' });
    desk.change(line);
    expect(desk.figure(line.id, 'quantity')).toBe(204);
    expect(desk.figure(line.id, 'hours')).toBe(100);
  });

  it('comes out of the exported sheet as it went in: hours on the quantity before waste', () => {
    const { desk, key } = built(200, { wastePercent: '2' });
    const row = estimateReport(desk.calculation.figures).find((line) => line.row.key === key);
    expect(row).toMatchObject({ quantity: 204, worked: 200 });
    expect((row?.worked ?? 0) * (row?.perUnit?.hours ?? 0)).toBe(100);
  });
});

describe('what is bought at least', () => {
  it('takes a formula, checked for its unit, and is a step of its own', () => {
    const made = built(3, { minimum: 'least_boxes * 2' }, [
      { key: 'least_boxes', question: 'Boxes?', unit: '', value: '9', hint: '', choices: [] },
    ]);
    expect(made.desk.figure(made.key, 'quantity')).toBe(18);
    expect(made.desk.figure(made.key, 'worked')).toBe(3);
    expect(steps(made)).toEqual(expect.arrayContaining(['formula', 'minimum', 'hours', 'line']));
    const wrong = built(3, { minimum: '2 ft' });
    expect(wrong.desk.calculation.figure(lineNode(wrong.key, 'quantity')).failure).toMatchObject({
      kind: 'formula',
      problem: { kind: 'formula-dimension-result' },
    });
    // A line without a price is not in the bid in part either: its hours were known, and counted.
    expect(wrong.desk.known(bidNode('cost'))).toBe(0);
    expect(wrong.desk.known(bidNode('labor'))).toBe(0);
  });

  it('is nothing while nothing is measured', () => {
    const { desk, key } = built(0, { minimum: '5 + 5' });
    expect(desk.figure(key, 'quantity')).toBe(0);
  });

  it('over the whole job holds for all that is bought of the item', () => {
    const { desk } = built(3, { minimum: '4 * 5', roundUpTo: '1', roundAt: 'job' });
    expect(desk.known(purchaseNode('THING', 'bought'))).toBe(20);
  });
});

describe('hours', () => {
  it('are taken times a factor of the component, and its quantity stays what it is', () => {
    const made = built(130, { hoursFactor: 'hard' }, [
      { key: 'hard', question: 'How hard?', unit: '', value: '1.6', hint: '', choices: [] },
    ]);
    expect(made.desk.figure(made.key, 'quantity')).toBe(130);
    expect(made.desk.figure(made.key, 'hours')).toBeCloseTo(104, 9);
    expect(steps(made)).toContain('hours-factor');
  });

  it('are shown before and after the difficulty of the place', () => {
    const made = built(10, {});
    const hard: RecordOf<'difficulty'> = {
      type: 'difficulty',
      id: made.desk.makeId('difficulty'),
      name: 'High',
      factor: 1.2,
      order: 1,
    };
    made.desk.change(hard);
    made.desk.change({ ...made.use, difficulty: [hard.id] });
    expect(made.desk.figure(made.key, 'quantity')).toBe(10);
    expect(made.desk.figure(made.key, 'hours')).toBe(6);
    expect(steps(made)).toEqual(expect.arrayContaining(['hours', 'difficulty']));
  });

  it('without a wage leave the material in the bid, and only the labor unknown', () => {
    const { desk } = built(1, {});
    const line = desk.line({ quantity: '3', costs: { material: '10', hours: '2' } });
    desk.change(line);
    const before = desk.known(bidNode('material'));
    expect(desk.figure(line.id, 'material')).toBe(3000);
    expect(desk.figure(line.id, 'hours')).toBe(6);
    expect(desk.figure(line.id, 'extension')).toBe(3000);
    expect(before).toBe(1000 + 3000);
    expect(desk.calculation.figure(lineNode(line.id, 'labor')).failure).toEqual({
      kind: 'no-wage',
      craft: '',
    });
    expect(listUnpriced(desk.calculation.figures)).toEqual([
      { key: line.id, failure: { kind: 'no-wage', craft: '' }, onlyLabor: true },
    ]);
    const { id: craftId } = desk.craft('Fitter');
    desk.change({ ...line, craftId });
    expect(desk.figure(line.id, 'labor')).toBe(24_000);
    expect(desk.figure(line.id, 'extension')).toBe(27_000);
    expect(listUnpriced(desk.calculation.figures)).toEqual([]);
  });

  it('that are all there is of a line leave it without a price', () => {
    const { desk } = built(1, {});
    const line = desk.line({ quantity: '3', costs: { hours: '2' } });
    desk.change(line);
    expect(desk.calculation.figure(lineNode(line.id, 'extension')).failure).toEqual({
      kind: 'no-wage',
      craft: '',
    });
    expect(desk.figure(line.id, 'hours')).toBe(6);
  });

  it('of a component are worked by the craft that its line names', () => {
    const { desk, key } = built(10, {});
    const mate: RecordOf<'craft'> = { type: 'craft', id: desk.makeId('craft'), name: 'Mate', wage: '20' };
    desk.change(mate);
    desk.change({ type: 'override', id: desk.makeId('override'), line: key, craftId: mate.id });
    expect(desk.figure(key, 'labor')).toBe(10_000);
    desk.change({ ...mate, wage: '30' });
    expect(desk.figure(key, 'labor')).toBe(15_000);
  });
});

describe('a property that measures read', () => {
  it.each(['2 kg', '10 sq ft', '3 h'])('that is %s gives no wall area, and says why', (height) => {
    const desk = createPricedDesk();
    const wall = makeScope(desk.makeId, {
      key: 'wall',
      kind: 'run',
      properties: [{ key: 'height', name: 'Height', value: height, unit: 'ft' }],
    });
    desk.change(wall);
    desk.change(makeMark(desk.makeId, wall, desk.sheet, [[0, 0], [10, 0]])); // prettier-ignore
    const { failure } = desk.calculation.figure(measureNode(wall.id, 'wall_area'));
    expect(failure).toMatchObject({ kind: 'formula', problem: { kind: 'formula-dimension-result' } });
    desk.change({ ...wall, properties: [{ key: 'height', name: 'Height', value: '8', unit: 'kg' }] });
    expect(desk.known(measureNode(wall.id, 'wall_area'))).toBeUndefined();
    desk.change({ ...wall, properties: [{ key: 'height', name: 'Height', value: '8', unit: 'ft' }] });
    expect(desk.known(measureNode(wall.id, 'wall_area'))).toBeCloseTo(80 * FOOT ** 2, 9);
  });

  it('of another name may be of any dimension', () => {
    const desk = createPricedDesk();
    const wall = makeScope(desk.makeId, {
      key: 'wall',
      kind: 'run',
      properties: [{ key: 'weight', name: 'Weight', value: '2', unit: 'kg' }],
    });
    desk.change(wall);
    const line = desk.line({ quantity: 'total(wall, weight)', unit: 'kg' });
    desk.change(line);
    expect(desk.known(netNode(line.id, 'typed'))).toBe(2);
  });
});
