import { describe, expect, it } from '@jest/globals';
import type { ReportColumnSpec, ReportSpec } from '../job/records/report.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { contextOf } from '../testing/reportWords.ts';
import type { Cell } from './cell.ts';
import { type Report, makeReport } from './report.ts';
import { listUnpriced } from './unpriced.ts';

/** Three lines in two sections, priced by hand: what they come to is told by a pocket calculator. */
function benchWithLines(): Bench {
  const bench = createBench();
  bench.change(
    bench.line({
      description: 'Footing',
      sectionId: bench.sectionId('03'),
      quantity: '10',
      unit: 'yd³',
      costs: { material: '120', labor: '30' },
      wastePercent: '5',
      costCode: '03-100',
    }),
    bench.line({
      description: 'Slab',
      sectionId: bench.sectionId('03'),
      quantity: '4',
      unit: 'yd³',
      costs: { material: '110' },
      wastePercent: '10',
    }),
    bench.line({
      description: 'Studs',
      sectionId: bench.sectionId('06'),
      quantity: '200',
      unit: 'ft',
      costs: { material: '0.5' },
    }),
    bench.line({ description: 'Not priced', sectionId: bench.sectionId('06'), quantity: '3', unit: 'ea' }),
  );
  return bench;
}

const of = (field: string): ReportColumnSpec['of'] => ({ field });

const SPEC: ReportSpec = {
  name: 'Lines',
  folder: '',
  source: 'lines',
  columns: [
    { key: 'section', of: of('section.title'), hidden: true },
    { key: 'description', of: of('line.description') },
    { key: 'quantity', of: of('line.quantity'), total: { by: 'sum' } },
    { key: 'cost', of: of('line.cost'), total: { by: 'sum' } },
    { key: 'waste', of: of('line.waste'), total: { by: 'weighted', weight: 'cost' } },
  ],
  groups: [{ column: 'section' }],
  sorts: [],
  page: {},
};

const report = (spec: Partial<ReportSpec> = {}, bench = benchWithLines()): Report =>
  makeReport({ ...SPEC, ...spec }, contextOf(bench.calculation.figures), (field) => field);

const texts = ({ rows }: Report, column = 0): readonly Cell[] => rows.map(({ cells }) => cells[column]);
const words = (made: Report): readonly string[] =>
  texts(made).map((cell) => (cell?.kind === 'text' ? cell.text : ''));

describe('a report', () => {
  it('has its rows in groups, in the order of the sections, each with its totals', () => {
    const { root, rows } = report();
    expect(rows).toHaveLength(4);
    expect(root.groups.map(({ label }) => (label?.kind === 'text' ? label.text : ''))).toEqual([
      '03 Concrete',
      expect.stringMatching(/^06 /),
    ]);
    // 10.5 yd³ at 120 and 10 yd³ at 30 (hours and wages are for what is worked), 4.4 yd³ at 110.
    expect(root.groups[0]?.totals[2]).toEqual({ kind: 'money', minor: 126_000 + 30_000 + 48_400 });
  });

  it('adds up figures of one unit, and says of which units it could not add any', () => {
    const { root } = report();
    expect(root.groups[0]?.totals[1]).toEqual({ kind: 'quantity', value: 14.9, unit: 'yd³' });
    expect(root.totals[1]).toEqual({ kind: 'mixed', units: ['yd³', 'ft', 'ea'] });
  });

  it('brings lengths in different units together in the first one', () => {
    const bench = createBench();
    bench.change(
      bench.line({ description: 'A', quantity: '10', unit: 'ft', costs: { material: '1' } }),
      bench.line({ description: 'B', quantity: '2', unit: 'yd', costs: { material: '1' } }),
    );
    expect(report({ groups: [] }, bench).root.totals[1]).toEqual({ kind: 'quantity', value: 16, unit: 'ft' });
  });

  it('weighs a mean by another column', () => {
    // 5 % of 1560.00 and 10 % of 484.00: (5 × 1560 + 10 × 484) / 2044 = 6.184 %.
    const cell = report().root.groups[0]?.totals[3];
    expect(cell?.kind === 'percent' ? cell.value : 0).toBeCloseTo(12_640 / 2044, 9);
  });

  it('counts what a sum has to leave out because it has no figure', () => {
    const { root } = report({ groups: [] });
    expect(root.without[2]).toBe(1);
  });

  it('calculates columns from others, with their units', () => {
    const made = report({
      groups: [],
      columns: [
        ...SPEC.columns,
        { key: 'each', of: { formula: 'cost / quantity' } },
        { key: 'twice', of: { formula: 'cost * 2' } },
      ],
    });
    // Footing: 1560.00 for 10.5 yd³.
    const each = texts(made, 4)[0];
    expect(each).toMatchObject({ kind: 'rate', per: 'yd³' });
    expect(each?.kind === 'rate' ? each.amount : 0).toBeCloseTo(1560 / 10.5, 9);
    expect(texts(made, 5)[0]).toEqual({ kind: 'money', minor: 312_000 });
    expect(made.problems).toEqual([]);
  });

  it('tells a formula that does not fit its columns, and goes on without it', () => {
    const made = report({
      groups: [],
      columns: [...SPEC.columns, { key: 'wrong', heading: 'Wrong', of: { formula: 'cost + quantity' } }],
    });
    expect(made.problems).toMatchObject([
      { kind: 'report-formula', column: 'Wrong', problem: { kind: 'formula-dimension-add' } },
    ]);
    expect(texts(made, 4)[0]).toEqual({ kind: 'failure', failure: 'does-not-fit' });
    expect(made.rows).toHaveLength(4);
  });

  it('tells columns that are figured from each other', () => {
    const made = report({
      columns: [
        ...SPEC.columns,
        { key: 'one', of: { formula: 'two * 2' } },
        { key: 'two', of: { formula: 'one * 2' } },
      ],
    });
    expect(made.problems.map(({ kind }) => kind)).toContain('report-loop');
  });

  it('tells a column, a group, a sort and a weight that are not there', () => {
    const made = report({
      columns: [
        { key: 'gone', heading: 'Gone', of: of('line.no_such_thing') },
        { key: 'cost', of: of('line.cost'), total: { by: 'weighted', weight: 'absent' } },
        { key: 'rating', of: of('property.fire_rating') },
      ],
      groups: [{ column: 'nothing' }],
      sorts: [{ column: 'nowhere' }],
    });
    expect(made.problems).toEqual([
      { kind: 'report-field', column: 'Gone', field: 'line.no_such_thing' },
      { kind: 'report-property', column: 'rating', property: 'fire_rating' },
      { kind: 'report-column', column: 'absent', use: 'weight' },
      { kind: 'report-column', column: 'nothing', use: 'group' },
      { kind: 'report-column', column: 'nowhere', use: 'sort' },
    ]);
    expect(made.rows).toHaveLength(4);
  });

  it('adds up nothing that several rows have in common, and says so', () => {
    const made = report({
      source: 'places',
      columns: [{ key: 'cost', of: of('line.cost'), total: { by: 'sum' } }],
      groups: [],
    });
    expect(made.problems).toEqual([{ kind: 'report-total', column: 'cost' }]);
    expect(made.root.totals[0]).toBeUndefined();
  });
});

describe('the filter of a report', () => {
  const filtered = (filter: NonNullable<ReportSpec['filter']>): Report => report({ filter, groups: [] });

  it('lets rows through by words, figures and what is empty, and counts the others', () => {
    const made = filtered({ join: 'all', of: [{ field: 'line.description', is: 'contains', value: 'sl' }] });
    expect(words(made)).toEqual(['Slab']);
    expect(made.leftOut).toBe(3);
    expect(words(filtered({ join: 'all', of: [{ field: 'line.lacks', is: 'filled', value: '' }] }))).toEqual([
      'Not priced',
    ]);
    expect(words(filtered({ join: 'all', of: [{ field: 'line.cost', is: 'more', value: '1000' }] }))).toEqual(
      ['Footing'],
    );
  });

  it('finds the lines that the bid does not hold, and none of which there is nothing', () => {
    const bench = benchWithLines();
    bench.change(
      bench.line({ description: 'None of it', quantity: '0', unit: 'ea', costs: { material: '4' } }),
    );
    const filter = { join: 'all', of: [{ field: 'line.lacks', is: 'filled', value: '' }] } as const;
    const made = report({ filter, groups: [] }, bench);
    expect(words(made)).toEqual(['Not priced']);
    expect(made.rows).toHaveLength(listUnpriced(bench.calculation.figures).length);
  });

  it('joins conditions by all and any, one inside the other', () => {
    const made = filtered({
      join: 'all',
      of: [
        { field: 'line.cost', is: 'filled', value: '' },
        {
          join: 'any',
          of: [
            { field: 'line.description', is: 'is', value: 'studs' },
            { field: 'line.cost_code', is: 'is', value: '03-100' },
          ],
        },
      ],
    });
    expect(words(made)).toEqual(['Footing', 'Studs']);
  });

  it('holds quantities against a length in another unit', () => {
    const made = filtered({ join: 'all', of: [{ field: 'line.quantity', is: 'more', value: '60 yd' }] });
    expect(words(made)).toEqual(['Studs']);
  });

  it('tells a condition on what is gone, or against what is no figure, and lets everything through', () => {
    const made = filtered({
      join: 'all',
      of: [
        { field: 'property.fire_rating', is: 'is', value: '2 h' },
        { field: 'line.cost', is: 'more', value: 'a lot' },
      ],
    });
    expect(made.problems).toEqual([
      { kind: 'report-condition', field: 'property.fire_rating' },
      { kind: 'report-value', field: 'line.cost', value: 'a lot' },
    ]);
    expect(made.rows).toHaveLength(4);
  });

  it('narrows by a column that is calculated', () => {
    const made = report({
      groups: [],
      columns: [...SPEC.columns, { key: 'each', of: { formula: 'cost / quantity' } }],
      filter: { join: 'all', of: [{ field: 'column.each', is: 'more', value: '120' }] },
    });
    expect(words(made)).toEqual(['Footing']);
  });
});

describe('rows of other sources', () => {
  it('are what was measured, with its measures and properties', () => {
    const bench = createBench();
    const wall = makeScope(bench.makeId, {
      key: 'wall',
      kind: 'run',
      name: 'Wall',
      properties: [{ key: 'height', name: 'Height', value: '9', unit: 'ft' }],
    });
    bench.change(
      wall,
      makeMark(bench.makeId, wall, bench.sheet, [
        [0, 0],
        [40, 0],
      ]),
    );
    const made = report(
      {
        source: 'scopes',
        columns: [
          { key: 'name', of: of('scope.name') },
          { key: 'length', of: of('scope.length') },
          { key: 'area', of: of('scope.wall_area') },
          { key: 'height', of: of('property.height') },
        ],
        groups: [],
      },
      bench,
    );
    expect(made.rows[0]?.cells).toMatchObject([
      { text: 'Wall' },
      { kind: 'quantity', unit: 'ft', value: expect.closeTo(40, 6) },
      { kind: 'quantity', unit: 'ft²', value: expect.closeTo(360, 6) },
      { kind: 'quantity', unit: 'ft', value: expect.closeTo(9, 9) },
    ]);
  });

  it('are the parts to buy, the same part of the whole job once', () => {
    const bench = createBench();
    bench.change(
      bench.item({ code: 'NAIL', description: 'Nails', unit: 'box', material: '20', supplier: 'Larch' }),
    );
    bench.change(
      bench.line({ description: 'Nails for decks', quantity: '2', unit: 'box', itemCode: 'NAIL' }),
      bench.line({ description: 'Nails for walls', quantity: '3', unit: 'box', itemCode: 'NAIL' }),
    );
    const made = report(
      {
        source: 'purchases',
        columns: [
          { key: 'what', of: of('part.description') },
          { key: 'quantity', of: of('part.quantity') },
          { key: 'material', of: of('part.material'), total: { by: 'sum' } },
          { key: 'supplier', of: of('part.supplier') },
        ],
        groups: [],
      },
      bench,
    );
    expect(made.rows.map(({ cells }) => cells)).toEqual([
      [
        { kind: 'text', text: 'Nails' },
        { kind: 'quantity', value: 5, unit: 'box' },
        { kind: 'money', minor: 10_000 },
        { kind: 'text', text: 'Larch' },
      ],
    ]);
  });
});
