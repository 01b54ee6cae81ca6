import { describe, expect, it } from '@jest/globals';
import type { ReportColumnSpec, ReportSpec } from '../../job/records/report.ts';
import { type Bench, createBench } from '../../testing/priced.ts';
import { contextOf } from '../../testing/reportWords.ts';
import { POINT_FORMAT } from '../../units/numberFormat.ts';
import { makeReport } from '../../reports/report.ts';
import { reportRows } from './csv.ts';
import { escapeXml } from './escape.ts';
import { reportHtml } from './html.ts';
import { readPreset, writePreset } from './preset.ts';
import type { PrintedReport } from './printed.ts';
import { type SheetCell, reportSheet, withOwnNames } from './sheet.ts';
import { reportXml } from './xml.ts';

const field = (name: string): ReportColumnSpec['of'] => ({ field: name });

const SPEC: ReportSpec = {
  name: 'Costs & hours',
  folder: '',
  source: 'lines',
  columns: [
    { key: 'code', of: field('line.cost_code'), hidden: true },
    { key: 'what', of: field('line.description'), heading: 'What' },
    { key: 'quantity', of: field('line.quantity'), heading: 'Quantity', total: { by: 'sum' } },
    { key: 'cost', of: field('line.cost'), heading: 'Cost', total: { by: 'sum' } },
    { key: 'waste', of: field('line.waste'), heading: 'Waste', total: { by: 'weighted', weight: 'cost' } },
    { key: 'each', of: { formula: 'cost / quantity' }, heading: 'Each' },
  ],
  groups: [{ column: 'code' }],
  sorts: [],
  page: {},
};

function benchOf(): Bench {
  const bench = createBench();
  const line = (description: string, quantity: string, unit: string, material: string, costCode: string) =>
    bench.line({ description, quantity, unit, costs: { material }, costCode, wastePercent: '10' });
  bench.change(
    line('Slab', '10', 'yd³', '100', '03'),
    line('Beam', '5', 'yd³', '200', '03'),
    line('Studs', '100', 'ft', '0.5', '06'),
    line('Bags', '4', 'bag', '12.25', '06'),
    bench.line({ description: 'No price yet', quantity: '1', unit: 'ea', costCode: '06' }),
  );
  return bench;
}

function printed(spec: Partial<ReportSpec> = {}): PrintedReport {
  const { figures } = benchOf().calculation;
  return {
    report: makeReport({ ...SPEC, ...spec }, contextOf(figures), (name) => name),
    numbers: POINT_FORMAT,
    language: 'en-US',
    words: {
      job: 'Boathouse',
      client: 'Rowing <club>',
      company: '',
      date: 'today',
      total: 'Total',
      totalOf: 'Total {name}',
      without: 'No {field}',
      footer: '',
      leftOut: '',
      mixed: 'several: {units}',
    },
    dates: {},
    failures: { 'no-price': 'no price' },
    paper: 'letter',
  };
}

describe('a report as CSV', () => {
  const rows = reportRows(printed());

  it('has what it is grouped by before each row, and units in columns of their own', () => {
    expect(rows[0]).toEqual([
      'line.cost_code',
      'What',
      'Quantity',
      'Quantity (unit)',
      'Cost',
      'Waste',
      'Each',
    ]);
    // 10 % of waste is bought: 11 yd³ at 100.
    expect(rows[1]).toEqual(['03', 'Slab', '11', 'yd³', '1100.00', '10', '100']);
    expect(rows).toHaveLength(6);
  });

  it('says what has no figure in the place of the figure', () => {
    expect(rows.find(([, what]) => what === 'No price yet')?.slice(4)).toEqual(['no price', '', 'no price']);
  });

  it('does not say twice what is a column as well', () => {
    const columns = SPEC.columns.map(({ hidden: _hidden, ...column }) => column);
    expect(reportRows(printed({ columns }))[0]?.[0]).toBe('line.cost_code');
    expect(reportRows(printed({ columns }))[0]).toHaveLength(7);
  });

  it('names a group that says nothing', () => {
    const made = printed({
      columns: [...SPEC.columns, { key: 'note', of: field('line.note'), hidden: true }],
      groups: [{ column: 'note' }],
    });
    expect(reportRows(made)[1]?.[0]).toBe('No line.note');
  });
});

describe('a report as HTML', () => {
  const html = reportHtml(printed());

  it('is one table with headings, groups and totals that readers can follow', () => {
    expect(html).toContain('<html lang="en-US">');
    expect(html).toContain('<th scope="col" class="right">Cost</th>');
    expect(html).toContain('<th scope="rowgroup" colspan="5">03</th>');
    expect(html).toContain('<th scope="row" colspan="1">Total 03</th>');
    expect(html).toContain('<td class="right">$2,200.00</td>');
  });

  it('escapes what people typed', () => {
    expect(html).toContain('<title>Costs &amp; hours</title>');
    expect(html).toContain('Rowing &lt;club&gt;');
  });

  it('shows only the totals of a closed group', () => {
    const closed = reportHtml(printed({ groups: [{ column: 'code', collapsed: true }] }));
    expect(closed).not.toContain('Slab');
    expect(closed).toContain('<th scope="row" colspan="1">03</th>');
  });
});

describe('a report as XML', () => {
  const xml = reportXml(printed());

  it('has typed values in groups, plain decimals and their units', () => {
    expect(xml).toContain('xmlns="urn:zest-line:report:1"');
    expect(xml).toContain('<column key="each" heading="Each" kind="number" formula="cost / quantity"/>');
    expect(xml).toContain('<group by="line.cost_code" label="03">');
    expect(xml).toContain(
      '<quantity column="quantity" unit="yd³">11</quantity><money column="cost">1100.00</money>',
    );
    expect(xml).toContain('<rate column="each" per="yd³">100</rate>');
    expect(xml).toContain('<missing column="cost">no price</missing>');
    expect(xml).toContain('<missing column="quantity">several: ft, bag, ea</missing>');
  });

  it('leaves out what XML has no place for', () => {
    expect(escapeXml('a\u0000b\ud800c<"\'')).toBe('abc&lt;&quot;&#39;');
    expect(escapeXml('😀')).toBe('😀');
  });
});

describe('a report as a sheet', () => {
  const sheet = reportSheet(printed());
  const rowOf = (first: string) => sheet.rows.findIndex(({ cells }) => cells[0]?.value === first);
  const cellsOf = (first: string): readonly SheetCell[] => sheet.rows[rowOf(first)]?.cells ?? [];

  it('has numbers as numbers, with their units in the format', () => {
    expect(cellsOf('Slab')[1]).toEqual({ value: 11, format: '#,##0.00##" yd³"' });
    expect(cellsOf('Slab')[2]).toEqual({ value: 1100, format: '#,##0.00' });
    expect(cellsOf('Slab')[3]).toEqual({ value: 0.1, format: '0.00%' });
  });

  it('totals groups by formulas over their rows, and all by one over the groups', () => {
    const [first, last] = [rowOf('Slab') + 1, rowOf('Beam') + 1];
    expect(cellsOf('Total 03')[2]).toMatchObject({ value: 2200, formula: `SUBTOTAL(9,C${first}:C${last})` });
    expect(cellsOf('Total')[2]?.formula).toBe(`SUBTOTAL(9,C${sheet.headRow + 1}:C${sheet.rows.length - 1})`);
  });

  it('does not add up in a sheet what cannot be added', () => {
    expect(cellsOf('Total 06')[1]).toMatchObject({ value: 'several: ft, bag, ea' });
    expect(cellsOf('Total 06')[1]?.formula).toBeUndefined();
  });

  it('counts figures and not the words of those that are missing, and texts as texts', () => {
    const counted = reportSheet(
      printed({
        columns: SPEC.columns.map((column) =>
          column.key === 'cost' || column.key === 'waste' ? { ...column, total: { by: 'count' } } : column,
        ),
      }),
    );
    const total = counted.rows.find(({ cells }) => cells[0]?.value === 'Total 06')?.cells ?? [];
    // Studs and bags; what has no price yet has no cost.
    expect(total[2]).toMatchObject({ value: 2, formula: expect.stringMatching(/^SUBTOTAL\(2,C/) });
    const named = reportSheet(
      printed({
        columns: [
          { key: 'code', of: field('line.cost_code'), hidden: true },
          { key: 'quantity', of: field('line.quantity'), heading: 'Quantity' },
          { key: 'what', of: field('line.description'), heading: 'What', total: { by: 'count' } },
        ],
      }),
    );
    const all = named.rows.at(-1)?.cells ?? [];
    expect(all[1]).toMatchObject({ value: 5, formula: expect.stringMatching(/^SUBTOTAL\(3,B/) });
  });

  it('calculates its columns from the cells beside them, in their units', () => {
    const row = rowOf('Slab') + 1;
    // 1 yd³ is 0.764554857984 m³ (NIST SP 811): there and back it cancels out.
    const [formula = ''] = [cellsOf('Slab')[4]?.formula];
    expect(formula).toContain(`C${row}/(B${row}*0.764554857984)`);
    expect(cellsOf('No price yet')[4]?.formula).toBeUndefined();
  });

  it('weighs means by two hidden columns, which hold nothing where there is no figure', () => {
    expect(sheet.hiddenColumns).toEqual([6, 7]);
    expect(
      cellsOf('Slab')
        .slice(5)
        .map(({ value }) => value),
    ).toEqual([110, 1100]);
    const [first, last] = [rowOf('Slab') + 1, rowOf('Beam') + 1];
    expect(cellsOf('Total 03')[3]?.formula).toBe(
      `SUBTOTAL(9,F${first}:F${last})/SUBTOTAL(9,G${first}:G${last})`,
    );
  });

  it('hides the rows of a closed group, and keeps its totals live', () => {
    const closed = reportSheet(printed({ groups: [{ column: 'code', collapsed: true }] }));
    const slab = closed.rows.find(({ cells }) => cells[0]?.value === 'Slab');
    expect(slab).toMatchObject({ hidden: true, level: 1 });
    const total = closed.rows.find(({ cells }) => cells[0]?.value === '03');
    expect(total?.cells[2]?.formula).toMatch(/^SUBTOTAL\(9,/);
  });

  it('has a name a workbook takes, which no other sheet has', () => {
    const long = reportSheet(printed({ name: 'Costs: [all] of it / by code, in the order of their codes' }));
    expect(long.name).not.toMatch(/[\\/*?:[\]]/);
    expect(long.name.length).toBeLessThanOrEqual(31);
    const names = withOwnNames([long, long, { ...long, name: long.name.toUpperCase() }]).map(
      ({ name }) => name,
    );
    expect(new Set(names.map((name) => name.toLowerCase())).size).toBe(3);
    for (const name of names) expect(name.length).toBeLessThanOrEqual(31);
  });
});

describe('a report that is shared', () => {
  it('comes back as it was', () => {
    expect(readPreset(writePreset(SPEC))).toEqual({ ok: true, value: SPEC });
  });

  it('is refused by what is wrong with it', () => {
    const problemOf = (text: string) => {
      const read = readPreset(text);
      return read.ok ? undefined : read.problem;
    };
    expect(problemOf('{"format":')).toEqual({ kind: 'preset-not-json' });
    expect(problemOf('[1, 2]')).toEqual({ kind: 'preset-other-format' });
    expect(problemOf('{"format": "zest-report", "version": 99}')).toEqual({
      kind: 'preset-newer',
      version: 99,
    });
    const text = writePreset({ ...SPEC, columns: [{ key: 'Not a key', of: field('line.cost') }] });
    expect(problemOf(text)).toEqual({ kind: 'preset-wrong', field: 'columns.0.key' });
    expect(problemOf(writePreset(SPEC).replace('"folder"', '"script"'))?.kind).toBe('preset-wrong');
  });
});
