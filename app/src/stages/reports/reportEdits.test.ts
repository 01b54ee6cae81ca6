import { describe, expect, it } from '@jest/globals';
import { knownValue } from '@zest/core/calculate/define';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import { settingsOf } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import type { ReportSource } from '@zest/core/job/records/report';
import { openReport } from '@zest/core/reports/openReport';
import { makeScope } from '@zest/core/testing/job';
import { type Bench, createBench } from '@zest/core/testing/priced';
import { contextOf } from '@zest/core/testing/reportWords';
import { formatsOf } from '../../stores/context.tsx';
import type { OpenJob } from '../../stores/jobStore.ts';
import { type ReportEdit, canEdit, readReportEdits } from './reportEdits.ts';

const open = (bench: Bench, source: ReportSource, fields: readonly string[] = []) =>
  openReport(
    {
      name: 'Any',
      folder: '',
      source,
      columns: fields.map((field, at) => ({ key: `c${at}`, of: { field } })),
      groups: [],
      sorts: [],
      page: {},
    },
    contextOf(bench.calculation.figures),
  );

/** Types into cells, and carries out what comes of it; gives what was wrong. */
function type(bench: Bench, source: ReportSource, ...edits: readonly ReportEdit[]): unknown {
  const job = bench.job();
  const read = readReportEdits(open(bench, source), edits, {
    open: { job, figures: bench.calculation.figures } as unknown as OpenJob,
    formats: formatsOf(settingsOf(job)),
    makeId: bench.makeId,
  });
  if (!read.ok) return read.problem;
  bench.change(read.value);
  return undefined;
}

const edit = (at: number, field: string, text: string): ReportEdit => ({ at, field, text });

function benchWithLines() {
  const bench = createBench();
  const item = bench.item({
    code: 'BLK',
    description: 'Block',
    unit: 'ea',
    material: '2',
    supplier: 'Cobble Yard',
  });
  const hundred = bench.item({ code: 'TIE', description: 'Tie', unit: 'ea', basis: 100, material: '30' });
  const typed = bench.line({ description: 'Curb', quantity: '40', unit: 'ft', costs: { material: '12.50' } });
  const booked = bench.line({ description: 'Wall', quantity: '100', unit: 'ea', itemCode: 'BLK' });
  const tied = bench.line({ description: 'Ties', quantity: '50', unit: 'ea', itemCode: 'TIE' });
  bench.change(item, hundred, typed, booked, tied);
  const lineNow = ({ id }: RecordOf<'line'>) => bench.job().line.get(id);
  const itemNow = ({ id }: RecordOf<'item'>) => bench.job().item.get(id);
  return { bench, item, typed, booked, lineNow, itemNow };
}

describe('what is typed into a report of lines', () => {
  it('changes the line as typing into the estimate does, and the bid with it', () => {
    const { bench, typed, lineNow } = benchWithLines();
    expect(
      type(
        bench,
        'lines',
        edit(0, 'line.quantity', '50'),
        edit(0, 'line.unit_material', '10'),
        edit(0, 'line.description', 'Curb, cast'),
        edit(0, 'line.cost_code', '32-100'),
      ),
    ).toBeUndefined();
    expect(lineNow(typed)).toMatchObject({ quantity: '50', description: 'Curb, cast', costCode: '32-100' });
    // 50 at 10.00; 100 at 2.00; 50 at 0.30.
    expect(knownValue(bench.calculation.figure(bidNode('total')))).toBe(715_00);
  });

  it('is many rows at once, or none where one of them is wrong', () => {
    const { bench, typed, booked, lineNow } = benchWithLines();
    const problem = type(bench, 'lines', edit(0, 'line.quantity', '7'), edit(1, 'line.waste', 'a lot'));
    expect(problem).toBeDefined();
    expect(lineNow(typed)?.quantity).toBe('40');
    expect(type(bench, 'lines', edit(0, 'line.waste', '5'), edit(1, 'line.waste', '10'))).toBeUndefined();
    expect([lineNow(typed)?.wastePercent, lineNow(booked)?.wastePercent]).toEqual(['5', '10']);
  });

  it('is the line’s own choice of an item, and the price book’s where it is of the item', () => {
    const { bench, item, booked, lineNow, itemNow } = benchWithLines();
    expect(type(bench, 'lines', edit(1, 'item.code', 'TIE'))).toBeUndefined();
    expect(lineNow(booked)?.itemCode).toBe('TIE');
    expect(itemNow(item)?.code).toBe('BLK');
    const other = benchWithLines();
    expect(
      type(other.bench, 'lines', edit(1, 'item.supplier', 'Tidewrack'), edit(1, 'item.material', '2.25')),
    ).toBeUndefined();
    expect(other.itemNow(other.item)).toMatchObject({ supplier: 'Tidewrack', material: '2.25' });
  });
});

describe('what can be typed into', () => {
  const { bench } = benchWithLines();
  const lines = open(bench, 'lines');

  it('is what somebody typed, and nothing that follows from others', () => {
    for (const field of ['line.description', 'line.quantity', 'line.waste', 'line.note', 'line.unit_labor'])
      expect([field, canEdit(lines, 0, field)]).toEqual([field, true]);
    for (const field of [
      'line.price',
      'line.cost',
      'line.on_top',
      'line.made_by',
      'section.name',
      'nobody.x',
    ])
      expect([field, canEdit(lines, 0, field)]).toEqual([field, false]);
  });

  it('is no price of an item by the hundred, which is shown for one', () => {
    expect(canEdit(lines, 1, 'item.material')).toBe(true);
    expect(canEdit(lines, 2, 'item.material')).toBe(false);
    // A line without an item has no supplier to change.
    expect(canEdit(lines, 0, 'item.supplier')).toBe(false);
  });
});

describe('what is typed into reports of what is measured', () => {
  const bench = createBench();
  const wall = {
    ...makeScope(bench.makeId, { key: 'wall', kind: 'run', name: 'Wall' }),
    properties: [{ key: 'height', name: 'Height', value: '9', unit: 'ft' }],
  };
  bench.change(wall, makeScope(bench.makeId, { key: 'slab', kind: 'area', name: 'Slab', order: 2 }));
  const scopeNow = () => bench.job().scope.get(wall.id);

  it('changes names, places and properties', () => {
    expect(
      type(
        bench,
        'scopes',
        edit(0, 'scope.name', ' Party wall '),
        edit(0, 'scope.location', 'north'),
        edit(0, 'property.height', '10'),
      ),
    ).toBeUndefined();
    expect(scopeNow()).toMatchObject({
      name: 'Party wall',
      location: 'north',
      properties: [{ key: 'height', value: '10', unit: 'ft' }],
    });
  });

  it('is nothing for a property that the row does not have', () => {
    const report = open(bench, 'scopes', ['property.height']);
    expect(canEdit(report, 0, 'property.height')).toBe(true);
    expect(canEdit(report, 1, 'property.height')).toBe(false);
    expect(canEdit(report, 0, 'scope.leading')).toBe(false);
  });

  it('refuses a name that is empty, and leaves the scope as it is', () => {
    const read = readReportEdits(open(bench, 'scopes'), [edit(0, 'scope.name', '  ')], {
      open: { job: bench.job(), figures: bench.calculation.figures } as unknown as OpenJob,
      formats: formatsOf(settingsOf(bench.job())),
      makeId: bench.makeId,
    });
    const done = read.ok ? read.value(bench.job()) : read;
    expect(done.ok).toBe(false);
    expect(scopeNow()?.name).toBe('Party wall');
  });

  it('gives a sheet its number, title and discipline', () => {
    expect(
      type(bench, 'sheets', edit(0, 'sheet.number', 'A-1'), edit(0, 'sheet.title', 'Ground floor')),
    ).toBeUndefined();
    expect(bench.job().sheet.get(bench.sheet.id)).toMatchObject({ number: 'A-1', title: 'Ground floor' });
    expect(canEdit(open(bench, 'sheets'), 0, 'sheet.scale')).toBe(false);
  });
});

describe('what is typed into reports of the price book and of parts', () => {
  it('changes the item, once for all that is typed of it', () => {
    const { bench, item, itemNow } = benchWithLines();
    const items = open(bench, 'items');
    const at = items.order.find((row) => items.keyOf(row) === item.id) ?? -1;
    expect(
      type(
        bench,
        'items',
        edit(at, 'item.material', '3'),
        edit(at, 'item.group', 'Masonry'),
        edit(at, 'item.hours', '0.1'),
      ),
    ).toBeUndefined();
    expect(itemNow(item)).toMatchObject({ material: '3', group: 'Masonry', laborHours: '0.1' });
    expect(type(bench, 'items', edit(at, 'item.material', 'cheap'))).toBeDefined();
    expect(itemNow(item)?.material).toBe('3');
  });

  it('gives a part its supplier, where the price book knows it', () => {
    const { bench, item, itemNow } = benchWithLines();
    const parts = open(bench, 'purchases');
    const at = parts.order.find((row) => parts.keyOf(row).includes('BLK')) ?? -1;
    const without = parts.order.find((row) => parts.keyOf(row).includes('Curb')) ?? -1;
    expect(canEdit(parts, at, 'part.supplier')).toBe(true);
    expect(canEdit(parts, without, 'part.supplier')).toBe(false);
    expect(type(bench, 'purchases', edit(at, 'part.supplier', 'Tidewrack'))).toBeUndefined();
    expect(itemNow(item)?.supplier).toBe('Tidewrack');
  });
});
