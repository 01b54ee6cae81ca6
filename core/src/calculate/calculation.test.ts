import { type NodeId, printNode } from '../job/nodeId.ts';
import { componentsOf } from '../assemblies/frames.ts';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { put, remove, type Command } from '../job/change.ts';
import { removeScope, removeSheet } from '../job/commands/removeWith.ts';
import { componentLine } from '../job/lineKey.ts';
import { listRows } from '../estimate/rows.ts';
import type { Id } from '../job/id.ts';
import { type Job, applyDiff, invertDiff, settingsOf } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { differences } from '../testing/differences.ts';
import { FOOT, type TestJob, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { listUnpriced } from '../reports/unpriced.ts';
import { Calculation } from './calculation.ts';
import { shapeCrossesItself } from '../takeoff/measureMark.ts';
import { knownValue } from './define.ts';
import { tapeOf, traceComponent } from './explain/tape.ts';
import { bidNode, lineNode, measureNode, netNode, propertyNode, sectionNode } from './graph/nodes.ts';
import { throughLine } from './explain/throughLine.ts';

interface Slab extends TestJob {
  readonly scope: RecordOf<'scope'>;
  readonly mark: RecordOf<'mark'>;
  readonly use: RecordOf<'use'>;
}

/** A job with a 24 x 30 ft slab that is priced from the shipped price book. */
function slabJob(): Slab {
  const test = createTestJob();
  const scope = makeScope(test.makeId, { key: 'slab', kind: 'area', sectionId: test.sectionId('03') });
  const mark = makeMark(test.makeId, scope, test.sheet, [
    [0, 0],
    [24, 0],
    [24, 30],
    [0, 30],
  ]);
  const use: RecordOf<'use'> = {
    type: 'use',
    id: test.makeId('use'),
    scopeId: scope.id,
    assemblyId: test.assembly('Slab').id,
    order: 1,
    answers: {},
  };
  return { ...test, job: after(test.job, put(scope, mark, use)), scope, mark, use };
}

function after(job: Job, command: Command): Job {
  const diff = command(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  return applyDiff(job, diff.value);
}

/** Applies a command to a job and its calculation alike. */
function change(calculation: Calculation, command: Command): void {
  const diff = command(calculation.job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  calculation.apply(applyDiff(calculation.job, diff.value), diff.value);
}

const valueAt = (calculation: Calculation, node: NodeId): number | undefined =>
  knownValue(calculation.figure(node));

describe('from a mark to the bid', () => {
  it('prices 14.75 yd³ of ready-mix at $164.00 as $2,419.00', () => {
    const { job, use } = slabJob();
    const calculation = new Calculation(job);
    const line = componentLine(use.id, 'concrete');
    expect(valueAt(calculation, lineNode(line, 'quantity'))).toBe(14.75);
    expect(valueAt(calculation, lineNode(line, 'extension'))).toBe(241_900);
  });

  it('takes hours times the wage: 13.33 yd³ at 0.25 h is 3.33 h, at $41.50 $138.20', () => {
    const { job, use } = slabJob();
    const calculation = new Calculation(job);
    const line = componentLine(use.id, 'place');
    expect(valueAt(calculation, lineNode(line, 'hours'))).toBe(3.33);
    expect(valueAt(calculation, lineNode(line, 'labor'))).toBe(13_820);
  });

  it('takes the price basis: 792 ft² of vapor barrier at $160 per 1000 is $126.72', () => {
    const { job, use } = slabJob();
    const calculation = new Calculation(job);
    expect(valueAt(calculation, lineNode(componentLine(use.id, 'barrier'), 'material'))).toBe(12_672);
  });

  it('converts the price unit: grout measured in ft³ is priced per yd³', () => {
    const test = createTestJob();
    const line: RecordOf<'line'> = {
      type: 'line',
      id: test.makeId('line'),
      sectionId: null,
      order: 1,
      description: 'Sand',
      quantity: '54',
      unit: 'ft³',
      itemCode: 'MS-SAND',
      typedCost: null,
    };
    const calculation = new Calculation(after(test.job, put(line)));
    expect(valueAt(calculation, lineNode(line.id, 'extension'))).toBe(8_400);
  });

  it('adds tax on materials, then overhead and contingency on cost, then profit on all above', () => {
    const { job } = slabJob();
    const taxed = after(job, put({ ...settingsOf(job), taxOnMaterials: '7.5' }));
    const calculation = new Calculation(taxed);
    const at = (node: NodeId): number => valueAt(calculation, node) ?? Number.NaN;
    const cost = at(bidNode('cost'));
    const tax = Math.round(at(bidNode('material')) * 0.075);
    const overhead = Math.round(cost * 0.12);
    const contingency = Math.round(cost * 0.03);
    const profit = Math.round((cost + tax + overhead + contingency) * 0.06);
    expect(at(bidNode('tax'))).toBe(tax);
    expect(at(bidNode('total'))).toBe(cost + tax + overhead + contingency + profit);
    expect(cost).toBeGreaterThan(0);
  });

  it('adds up to the cent: sections are the sum of their lines, the cost of its sections', () => {
    const { job, sectionId } = slabJob();
    const calculation = new Calculation(job);
    const lines = listRows(job).filter((row) => row.type === 'component');
    const sum = lines.reduce(
      (total, row) => total + (valueAt(calculation, lineNode(row.key, 'extension')) ?? 0),
      0,
    );
    expect(valueAt(calculation, sectionNode(sectionId('03'), 'cost'))).toBe(sum);
    expect(valueAt(calculation, bidNode('cost'))).toBe(sum);
  });
});

describe('what is not known', () => {
  it('shows no scale in place of a figure, all the way down, and still prices the rest', () => {
    const { job, sheet, use, scope } = slabJob();
    const line: RecordOf<'line'> = {
      type: 'line',
      id: 'line:lump',
      sectionId: null,
      order: 1,
      description: 'Permit',
      quantity: '1',
      unit: 'sum',
      itemCode: '',
      typedCost: { kind: 'other', amount: '250' },
    };
    const calculation = new Calculation(after(job, put({ ...sheet, scale: null }, line)));
    const failure = { kind: 'no-scale', sheetId: sheet.id };
    expect(calculation.figure(measureNode(scope.id, 'area')).failure).toEqual(failure);
    expect(calculation.figure(lineNode(componentLine(use.id, 'concrete'), 'extension')).failure).toEqual(
      failure,
    );
    expect(valueAt(calculation, bidNode('cost'))).toBe(25_000);
    expect(listUnpriced(calculation.figures).length).toBe(9);
  });

  it('names the item a line asks for when the price book has none of that code', () => {
    const { job, use } = slabJob();
    const item = [...job.item.values()].find(({ code }) => code === 'CN-RM-40') as RecordOf<'item'>;
    const calculation = new Calculation(after(job, remove(item.id)));
    const figure = calculation.figure(lineNode(componentLine(use.id, 'concrete'), 'extension'));
    expect(figure.failure).toEqual({ kind: 'item-unknown', code: 'CN-RM-40' });
  });

  it('refuses to price a volume by the square foot', () => {
    const { job, use } = slabJob();
    const item = [...job.item.values()].find(({ code }) => code === 'CN-RM-40') as RecordOf<'item'>;
    const calculation = new Calculation(after(job, put({ ...item, unit: 'ft²' })));
    const figure = calculation.figure(lineNode(componentLine(use.id, 'concrete'), 'extension'));
    expect(figure.failure).toMatchObject({
      kind: 'units-do-not-convert',
      measuredUnit: 'yd³',
      priced: 'ft²',
    });
  });

  it('does not take a box for a sheet', () => {
    const { job, use, makeId } = slabJob();
    const line: RecordOf<'line'> = {
      type: 'line',
      id: makeId('line'),
      sectionId: null,
      order: 1,
      description: 'Board',
      quantity: '3',
      unit: 'box',
      itemCode: 'BD-58-8',
      typedCost: null,
    };
    const calculation = new Calculation(after(job, put(line)));
    expect(use).toBeDefined();
    expect(calculation.figure(lineNode(line.id, 'extension')).failure?.kind).toBe('units-do-not-convert');
  });

  it('says where a formula divides by zero, and names every member of a loop', () => {
    const test = createTestJob();
    const property = (value: string) => [{ key: 'height', name: 'Height', value, unit: 'ft' }];
    const one = makeScope(test.makeId, {
      key: 'one',
      kind: 'run',
      properties: property('total(two, height)'),
    });
    const two = makeScope(test.makeId, {
      key: 'two',
      kind: 'run',
      properties: property('total(one, height)'),
    });
    const bad = makeScope(test.makeId, {
      key: 'bad',
      kind: 'run',
      properties: [{ key: 'share', name: 'Share', value: '1 / count', unit: '' }],
    });
    const calculation = new Calculation(after(test.job, put(one, two, bad)));
    const loop = calculation.figure(propertyNode(one.id, 'height')).failure;
    if (loop?.kind !== 'loop') throw new Error(`expected a loop, got ${JSON.stringify(loop)}`);
    expect(loop.members.map(printNode).sort()).toEqual(
      [`${one.id}/property/height`, `${two.id}/property/height`].sort(),
    );
    expect(calculation.figure(propertyNode(bad.id, 'share')).failure).toMatchObject({
      kind: 'arithmetic',
      failure: { kind: 'divide-by-zero', text: 'count' },
    });
  });

  it('figures a ring that crosses itself by the even-odd rule', () => {
    const { job, mark, scope } = slabJob();
    const bow = [
      [
        { x: 0, y: 0 },
        { x: 90, y: 90 },
        { x: 90, y: 0 },
        { x: 0, y: 90 },
      ],
    ];
    const calculation = new Calculation(after(job, put({ ...mark, strokes: bow })));
    // Two triangles of 10 ft by 5 ft.
    expect(knownValue(calculation.figure(measureNode(scope.id, 'area')))).toBeCloseTo(50 * FOOT ** 2, 9);
    expect(shapeCrossesItself({ ...mark, strokes: bow })).toBe(true);
  });
});

describe('names in formulas', () => {
  it("lets an input read the scope's property of the same name, in whatever unit it was typed", () => {
    const test = createTestJob();
    const scope = makeScope(test.makeId, {
      key: 'wall',
      kind: 'run',
      properties: [{ key: 'height', name: 'Height', value: '2.4384 m', unit: 'ft' }],
    });
    const use: RecordOf<'use'> = {
      type: 'use',
      id: test.makeId('use'),
      scopeId: scope.id,
      assemblyId: test.assembly('Block').id,
      order: 1,
      answers: {},
    };
    const calculation = new Calculation(
      after(
        test.job,
        put(
          scope,
          makeMark(test.makeId, scope, test.sheet, [
            [0, 0],
            [100, 0],
          ]),
          use,
        ),
      ),
    );
    expect(valueAt(calculation, netNode(use.id, 'blocks'))).toBe(900);
    const [blocks] = componentsOf(calculation.job, use);
    const trace = traceComponent(calculation.figures, blocks!, {
      system: 'us',
      numbers: { decimal: '.', group: ',' },
    });
    expect(trace?.substituted).toBe('ceil((100′-0″ * 8′-0″ - 0.0 ft²) / (8 in * 16 in))');
  });

  it('carries a figure of one scope into a line: total(wall, length) follows the pen', () => {
    const test = createTestJob();
    const scope = makeScope(test.makeId, { key: 'wall', kind: 'run' });
    const mark = makeMark(test.makeId, scope, test.sheet, [
      [0, 0],
      [30, 0],
    ]);
    const line: RecordOf<'line'> = {
      type: 'line',
      id: test.makeId('line'),
      sectionId: null,
      order: 1,
      description: 'Base',
      quantity: 'total(wall, length)',
      unit: 'ft',
      itemCode: 'BD-BASE',
      typedCost: null,
    };
    const calculation = new Calculation(after(test.job, put(scope, mark, line)));
    expect(valueAt(calculation, lineNode(line.id, 'quantity'))).toBe(30);
    change(
      calculation,
      put(
        makeMark(test.makeId, scope, test.sheet, [
          [0, 5],
          [12, 5],
        ]),
      ),
    );
    expect(valueAt(calculation, lineNode(line.id, 'quantity'))).toBe(42);
  });

  it('recompiles when a key changes: the old name fails by name, the new one works', () => {
    const test = createTestJob();
    const scope = makeScope(test.makeId, { key: 'wall', kind: 'run' });
    const line: RecordOf<'line'> = {
      type: 'line',
      id: test.makeId('line'),
      sectionId: null,
      order: 1,
      description: 'Base',
      quantity: 'total(fence, length)',
      unit: 'ft',
      itemCode: 'BD-BASE',
      typedCost: null,
    };
    const calculation = new Calculation(
      after(
        test.job,
        put(
          scope,
          makeMark(test.makeId, scope, test.sheet, [
            [0, 0],
            [30, 0],
          ]),
          line,
        ),
      ),
    );
    expect(calculation.figure(lineNode(line.id, 'quantity')).failure?.kind).toBe('formula');
    change(calculation, put({ ...scope, key: 'fence' }));
    expect(valueAt(calculation, lineNode(line.id, 'quantity'))).toBe(30);
  });
});

describe('explanations', () => {
  it('shows the whole way of a line, from the pieces on the sheet to the bid', () => {
    const { job, use } = slabJob();
    const calculation = new Calculation(job);
    const steps = throughLine(calculation.figures, { type: 'line', key: componentLine(use.id, 'concrete') });
    expect(steps.map(({ label }) => label.of)).toEqual([
      'marks',
      'measure',
      'formula',
      'waste',
      'round-up',
      'price',
      'line',
      'section',
      'bid',
    ]);
    expect(steps.filter(({ here }) => here).map(({ label }) => label.of)).toEqual(['line']);
    const figures = steps
      .slice(2, 5)
      .map(({ figure }) => (figure.kind === 'in-unit' ? knownValue(figure.figure) : undefined));
    expect(figures).toEqual([expect.closeTo(13.333, 3), expect.closeTo(14.667, 3), 14.75]);
  });

  it('lists the pieces of a figure on the tape, and they add up to it', () => {
    const { job, scope, sheet, makeId } = slabJob();
    const calculation = new Calculation(
      after(
        job,
        put(
          makeMark(makeId, scope, sheet, [
            [40, 0],
            [50, 0],
            [50, 10],
          ]),
        ),
      ),
    );
    const tape = tapeOf(calculation.figures, scope.id, 'perimeter');
    expect(tape).toHaveLength(2);
    const sum = tape.flatMap(({ pieces }) => pieces).reduce((total, { lengthM }) => total + lengthM, 0);
    expect(sum).toBeCloseTo(valueAt(calculation, measureNode(scope.id, 'perimeter')) ?? 0, 9);
  });

  it('begins with what was typed where nothing is drawn: that is measured too', () => {
    const { job, makeId } = createTestJob();
    const scope = makeScope(makeId, { key: 'feeder', kind: 'run' });
    const piece: RecordOf<'piece'> = {
      type: 'piece',
      id: makeId('piece'),
      scopeId: scope.id,
      text: '29 ft + 57 ft',
      unit: 'ft',
      note: '',
      source: 'typed',
      order: 1,
    };
    const calculation = new Calculation(after(job, put(scope, piece)));
    const [first] = throughLine(calculation.figures, { type: 'scope', id: scope.id });
    expect(first?.figure).toEqual({ kind: 'pieces', count: 1 });
    expect(first?.label).toEqual({ of: 'marks', scope: 'feeder', sheets: [], typed: true });
  });

  it('is empty for what is gone', () => {
    const { job, scope } = slabJob();
    const calculation = new Calculation(after(job, removeScope(scope.id)));
    expect(throughLine(calculation.figures, { type: 'scope', id: scope.id })).toEqual([]);
    expect(
      throughLine(calculation.figures, { type: 'section', id: 'section:gone00000a' as Id<'section'> }),
    ).toEqual([]);
  });
});

/** Edits of every kind, as indexes into whatever the job holds at the time. */
const edits = fc.array(
  fc.record({
    kind: fc.integer({ min: 0, max: 15 }),
    pick: fc.nat(50),
    amount: fc.integer({ min: 1, max: 60 }),
  }),
  { minLength: 1, maxLength: 14 },
);

function commandFor(
  test: Slab,
  job: Job,
  { kind, pick, amount }: { kind: number; pick: number; amount: number },
): Command | undefined {
  const choose = <Item>(items: Iterable<Item>): Item | undefined => {
    const all = [...items];
    return all[pick % Math.max(1, all.length)];
  };
  const scope = choose(job.scope.values());
  const mark = choose(job.mark.values());
  const use = choose(job.use.values());
  const sheet = choose(job.sheet.values());
  const priced = ['CN-RM-40', 'MS-BLK-8', 'CN-VB-15'];
  const item = [...job.item.values()].find(({ code }) => code === priced[pick % 3]);
  switch (kind) {
    case 0:
      return (
        scope &&
        sheet &&
        put(
          makeMark(test.makeId, scope, sheet, [
            [0, 0],
            [amount, 0],
            [amount, pick + 1],
          ]),
        )
      );
    case 1:
      return (
        mark &&
        put({
          ...mark,
          strokes: [
            [
              { x: 0, y: 0 },
              { x: amount * 9, y: 9 },
              { x: 9, y: amount * 9 },
            ],
          ],
        })
      );
    case 2:
      return mark && remove(mark.id);
    case 3:
      return put(
        makeScope(test.makeId, {
          key: `s${pick}_${amount}_${job.scope.size}`,
          kind: pick % 2 === 0 ? 'run' : 'area',
        }),
      );
    case 4:
      return scope && removeScope(scope.id);
    case 5: {
      const wanted = scope?.kind;
      const assembly = [...job.assembly.values()].find(({ measures }) => measures === wanted);
      return (
        scope &&
        assembly &&
        put({
          type: 'use',
          id: test.makeId('use'),
          scopeId: scope.id,
          assemblyId: assembly.id,
          order: amount,
          answers: {},
        })
      );
    }
    case 6:
      return (
        use && put({ ...use, answers: { ...use.answers, height: String(amount), thickness: String(amount) } })
      );
    case 7:
      return item && put({ ...item, material: String(amount) });
    case 8:
      return scope && put({ ...scope, sectionId: choose(job.section.keys()) ?? null });
    case 9:
      return (
        sheet &&
        put({
          ...sheet,
          scale: pick % 4 === 0 ? null : { ...test.sheet.scale!, xMetersPerPoint: amount / 1000 },
        })
      );
    case 10: {
      const line: RecordOf<'line'> = {
        type: 'line',
        id: `line:t${pick % 5}` as Id<'line'>,
        sectionId: choose(job.section.keys()) ?? null,
        order: 1,
        description: 'Typed',
        quantity: pick % 2 === 0 ? String(amount) : `count(${scope?.key ?? 'nothing'}) * ${amount}`,
        unit: 'ea',
        itemCode: 'MS-BLK-8',
        typedCost: null,
      };
      return put(line);
    }
    case 11: {
      const quantity: RecordOf<'quantity'> = {
        type: 'quantity',
        id: `quantity:q${pick % 3}` as Id<'quantity'>,
        key: `q${pick % 3}`,
        name: 'Named',
        formula:
          [`${amount}`, 'total(any, area, sheet = "A-101") / 1 m²', `q${amount % 3} + 1`][pick % 3] ?? '1',
        unit: '',
        order: 1,
      };
      const line: RecordOf<'line'> = {
        type: 'line',
        id: 'line:named' as Id<'line'>,
        sectionId: null,
        order: 1,
        description: 'By name',
        quantity: 'q0 + q1 + q2',
        unit: 'ea',
        itemCode: 'MS-BLK-8',
        typedCost: null,
      };
      return put(quantity, line);
    }
    case 12: {
      const components = use === undefined ? [] : (job.assembly.get(use.assemblyId)?.components ?? []);
      return use && put({ ...use, off: components.slice(0, pick % 3).map(({ key }) => key) });
    }
    case 13: {
      const assembly = choose(job.assembly.values());
      const [first, ...rest] = assembly?.components ?? [];
      if (assembly === undefined || first === undefined) return undefined;
      const { per: _per, roundAt: _at, when: _when, ...plain } = first;
      const more = [
        { per: 'mark' as const },
        { roundAt: 'job' as const, roundUpTo: String(amount) },
        { when: `count > ${pick % 4}` },
        { spares: String(amount) },
      ];
      return put({ ...assembly, components: [{ ...plain, ...more[pick % 4] }, ...rest] });
    }
    case 14: {
      const difficulty: RecordOf<'difficulty'> = {
        type: 'difficulty',
        id: 'difficulty:hard' as Id<'difficulty'>,
        name: 'Hard',
        factor: 1 + amount / 50,
        order: 1,
      };
      return scope && put(difficulty, { ...scope, difficulty: pick % 2 === 0 ? [difficulty.id] : [] });
    }
    default: {
      const markup = choose(job.markup.values());
      return markup && put({ ...markup, percent: String(amount) });
    }
  }
}

describe('incremental recalculation', () => {
  it('is after any edits what a full one would be; undo brings every figure back', () => {
    fc.assert(
      fc.property(edits, (list) => {
        const test = slabJob();
        const calculation = new Calculation(test.job);
        const diffs = [];
        for (const edit of list) {
          const command = commandFor(test, calculation.job, edit);
          const diff = command?.(calculation.job);
          if (diff === undefined || !diff.ok) continue;
          diffs.push(diff.value);
          calculation.apply(applyDiff(calculation.job, diff.value), diff.value);
        }
        expect(differences(calculation, new Calculation(calculation.job))).toEqual([]);
        for (const diff of diffs.reverse()) {
          const inverse = invertDiff(diff);
          calculation.apply(applyDiff(calculation.job, inverse), inverse);
        }
        expect(differences(calculation, new Calculation(test.job))).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });

  it('drops a sheet with its marks and its file', () => {
    const { job, sheet, scope } = slabJob();
    const calculation = new Calculation(job);
    change(calculation, removeSheet(sheet.id));
    expect(calculation.job.file.size).toBe(0);
    expect(valueAt(calculation, measureNode(scope.id, 'area'))).toBe(0);
  });
});
