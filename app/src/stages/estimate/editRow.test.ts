import { describe, expect, it } from '@jest/globals';
import { listShownRows } from '@zest/core/reports/estimateReport';
import type { EstimateRow } from '@zest/core/estimate/rows';
import type { RecordOf } from '@zest/core/job/record';
import { createBench } from '@zest/core/testing/priced';
import { createPricedJob } from '@zest/core/testing/pricedJob';
import { COMMA_FORMAT, POINT_FORMAT } from '@zest/core/units/numberFormat';
import { costOfColumn, editRow, isEditable, pinnedOfRow, typedCostsOf } from './editRow.ts';

const figures = createPricedJob();
const rows = listShownRows(figures.figures);
const find = <Type extends EstimateRow['type']>(type: Type): Extract<EstimateRow, { type: Type }> => {
  const row = rows.find((each) => each.type === type);
  if (row === undefined) throw new Error(`no ${type}`);
  return row as Extract<EstimateRow, { type: Type }>;
};
const lineRow = (content: Partial<RecordOf<'line'>>): EstimateRow => {
  const line = createBench().line(content);
  return { type: 'line', key: line.id, line, depth: 1 };
};
const edit = (row: EstimateRow, column: string, text: string, numbers = POINT_FORMAT) => {
  const edited = editRow(figures.figures, row, column, text, numbers);
  return edited.ok ? edited.value : edited.problem;
};

describe('what typing into a quantity asks for', () => {
  it('of a typed line is another quantity, a formula too', () => {
    const row = lineRow({ quantity: '12' });
    expect(edit(row, 'quantity', '14')).toEqual({ line: { quantity: '14' } });
    expect(edit(row, 'quantity', '1,250.5')).toEqual({ line: { quantity: '1250.5' } });
    expect(edit(row, 'quantity', 'total(slab, area) / 4 ft')).toEqual({
      line: { quantity: 'total(slab, area) / 4 ft' },
    });
  });

  it('is read with the marks of the job', () => {
    expect(edit(lineRow({ quantity: '1' }), 'quantity', '1.250,5', COMMA_FORMAT)).toEqual({
      line: { quantity: '1250.5' },
    });
  });

  it('pins a figure over a formula, and changes the formula by another one', () => {
    const flowing = lineRow({ quantity: 'total(slab, area)' });
    expect(edit(flowing, 'quantity', '500')).toEqual({ change: { pinned: '500' } });
    expect(edit(flowing, 'quantity', 'total(slab, area) * 2')).toEqual({
      line: { quantity: 'total(slab, area) * 2' },
    });
  });

  it('takes the place of a formula that can’t be read: nothing is pinned over a mistake', () => {
    const bench = createBench();
    const line = bench.line({ quantity: '12 banana' });
    bench.change(line);
    const row: EstimateRow = { type: 'line', key: line.id, line, depth: 1 };
    expect(editRow(bench.calculation.figures, row, 'quantity', '12', POINT_FORMAT)).toEqual({
      ok: true,
      value: { line: { quantity: '12' } },
    });
  });

  it('goes on pinning once it is pinned, and lets go when it is emptied', () => {
    const pinned = lineRow({ quantity: 'total(slab, area)', pinned: '500' });
    expect(pinnedOfRow(figures.job, pinned)).toBe('500');
    expect(edit(pinned, 'quantity', '520')).toEqual({ change: { pinned: '520' } });
    expect(edit(pinned, 'quantity', '')).toEqual({ change: { pinned: undefined } });
  });

  it('of a line that an assembly made always pins', () => {
    expect(edit(find('component'), 'quantity', '40')).toEqual({ change: { pinned: '40' } });
    expect(edit(find('component'), 'quantity', ' ')).toEqual({ change: { pinned: undefined } });
  });
});

describe('what typing a cost asks for', () => {
  const row = lineRow({ costs: { material: '10', labor: '20' } });

  it('is a cost for one unit, reckoned where it is a sum, beside the others', () => {
    expect(edit(row, 'material', '12.50')).toEqual({ change: { costs: { material: '12.5', labor: '20' } } });
    expect(edit(row, 'unit-material', '12 + 3 * 2')).toEqual({
      change: { costs: { material: '18', labor: '20' } },
    });
    expect(edit(row, 'equipment', '$1,200.00')).toEqual({
      change: { costs: { material: '10', labor: '20', equipment: '1200' } },
    });
  });

  it('of labor is money or hours: what is typed last', () => {
    expect(edit(row, 'hours', '0.5')).toEqual({
      change: { costs: { material: '10', labor: undefined, hours: '0.5' } },
    });
    expect(edit(lineRow({ costs: { hours: '2' } }), 'unit-labor', '90')).toEqual({
      change: { costs: { hours: undefined, labor: '90' } },
    });
  });

  it('gives the price book’s back when it is emptied', () => {
    expect(edit(row, 'material', '  ')).toEqual({ change: { costs: { material: undefined, labor: '20' } } });
  });

  it('is refused where it is no figure', () => {
    expect(edit(row, 'material', 'ask the yard')).toMatchObject({
      kind: 'typed-not-a-number',
      text: 'ask the yard',
    });
    for (const text of ['12 /', '5k', '12 ft', '1,25'])
      expect(edit(row, 'material', text)).not.toHaveProperty('change');
    expect(edit(row, 'material', '10%')).toMatchObject({ kind: 'typed-percent' });
    expect(edit(row, 'material', '1e3')).toMatchObject({ change: { costs: { material: '1000' } } });
    expect(edit(row, 'material', '(5)')).toMatchObject({ change: { costs: { material: '-5' } } });
  });

  it('reads a cost that was the whole price of a line as one of its kinds', () => {
    const old = lineRow({ typedCost: { kind: 'subcontract', amount: '333.33' } });
    expect(typedCostsOf(figures.job, old)).toEqual({ subcontract: '333.33' });
    expect(edit(old, 'material', '5')).toEqual({
      change: { costs: { subcontract: '333.33', material: '5' } },
    });
  });
});

describe('what typing anywhere else asks for', () => {
  const row = lineRow({});

  it('is a percentage for waste and tax; exempt is none at all', () => {
    expect(edit(row, 'waste', '7.5 %')).toEqual({ change: { wastePercent: '7.5' } });
    expect(edit(row, 'tax', 'exempt')).toEqual({ change: { taxPercent: '0' } });
    expect(edit(row, 'tax', '')).toEqual({ change: { taxPercent: undefined } });
    expect(edit(row, 'waste', '-3')).toMatchObject({ kind: 'typed-range' });
    expect(edit(row, 'tax', '5000')).toMatchObject({ kind: 'typed-range' });
  });

  it('is the unit as units are written, whatever was typed for it', () => {
    expect(edit(row, 'unit', 'sf')).toEqual({ line: { unit: 'ft²' } });
    expect(edit(row, 'unit', ' bundle ')).toEqual({ line: { unit: 'bundle' } });
  });

  it('gives what an assembly says back when its line is emptied, and keeps an emptied typed line empty', () => {
    expect(edit(find('component'), 'description', '')).toEqual({ change: { description: undefined } });
    expect(edit(find('component'), 'code', ' ')).toEqual({ change: { itemCode: undefined } });
    expect(edit(row, 'code', '')).toEqual({ change: { itemCode: '' } });
    expect(edit(row, 'note', ' see A-201 ')).toEqual({ change: { note: 'see A-201' } });
    expect(edit(row, 'cost-code', '')).toEqual({ change: { costCode: undefined } });
  });

  it('is nothing in a cell that only shows', () => {
    expect(edit(row, 'extension', '12')).toEqual({});
    expect(costOfColumn('extension')).toBeUndefined();
  });
});

describe('where something may be typed', () => {
  const columns = ['code', 'description', 'quantity', 'unit', 'material', 'waste', 'tax', 'extension'];
  const open = (row: EstimateRow): readonly string[] => columns.filter((column) => isEditable(row, column));

  it('is all of a typed line but its sums', () => {
    expect(open(lineRow({}))).toEqual(columns.slice(0, -1));
  });

  it('is not the unit of what an assembly made: it is the assembly’s', () => {
    expect(open(find('component'))).toEqual(
      columns.filter((each) => each !== 'unit' && each !== 'extension'),
    );
  });

  it('is the name and code of a section, and nothing of what was measured', () => {
    expect(open(find('section'))).toEqual(['code', 'description']);
    expect(open(find('scope'))).toEqual([]);
  });

  it('is the text of words and subtotals', () => {
    const line = createBench().line({ is: 'text', description: 'By others' });
    expect(open({ type: 'text', key: line.id, line, depth: 1 })).toEqual(['description']);
    expect(open({ type: 'subtotal', key: line.id, line, depth: 1, over: [] })).toEqual(['description']);
  });
});
