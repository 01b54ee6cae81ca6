import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode, sectionNode } from '../calculate/nodes.ts';
import { type Cell, estimateWorkbook } from '../formats/workbook/estimateWorkbook.ts';
import { put } from '../job/change.ts';
import { applyDiff, settingsOf } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { BID_DETAILS, bidReport } from './bidReport.ts';

function priced(): Calculation {
  const { job, makeId, sheet, sectionId, assembly } = createTestJob();
  const slab = makeScope(makeId, { key: 'slab', kind: 'area', sectionId: sectionId('03'), name: 'Slab' });
  const wall = makeScope(makeId, {
    key: 'wall',
    kind: 'run',
    sectionId: sectionId('04'),
    name: 'Wall',
    order: 2,
  });
  const use = (scope: RecordOf<'scope'>, name: string): RecordOf<'use'> => ({
    type: 'use',
    id: makeId('use'),
    scopeId: scope.id,
    assemblyId: assembly(name).id,
    order: 1,
    answers: {},
  });
  const line = (content: Partial<RecordOf<'line'>>): RecordOf<'line'> => ({
    type: 'line',
    id: makeId('line'),
    sectionId: null,
    order: 1,
    description: 'Line',
    quantity: '1',
    unit: 'sum',
    itemCode: '',
    typedCost: null,
    ...content,
  });
  const inner: RecordOf<'section'> = {
    type: 'section',
    id: makeId('section'),
    code: '03.1',
    name: 'Repairs',
    parentId: sectionId('03'),
    order: 1,
  };
  const command = put(
    slab,
    wall,
    inner,
    makeMark(makeId, slab, sheet, [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ]),
    makeMark(makeId, wall, sheet, [
      [0, 0],
      [33.3, 0],
    ]),
    use(slab, 'Slab'),
    use(wall, 'Block'),
    line({ description: 'Permit', typedCost: { kind: 'other', amount: '1234.56' } }),
    line({
      description: 'Patch',
      sectionId: inner.id,
      typedCost: { kind: 'subcontract', amount: '333.33' },
      quantity: '3',
      unit: 'ea',
    }),
    line({ description: 'Not priced', sectionId: sectionId('03'), order: 9 }),
    { ...settingsOf(job), taxOnMaterials: '7.25' },
  );
  const diff = command(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  return new Calculation(applyDiff(job, diff.value));
}

describe('the bid', () => {
  const calculation = priced();
  const total = knownValue(calculation.figure(bidNode('total')));

  it.each(BID_DETAILS)('has the same total at detail %s, and its parts add up to it', (detail) => {
    const report = bidReport(calculation, detail);
    expect(report.total).toBe(total);
    if (detail === 'total') return;
    expect(report.rows.reduce((sum, { amount }) => sum + amount, 0)).toBe(total);
    for (const row of report.rows) {
      if (row.inner.length === 0) continue;
      expect(row.inner.reduce((sum, { amount }) => sum + amount, 0)).toBe(row.amount);
    }
  });

  it('shows an inner section in the one around it', () => {
    const concrete = bidReport(calculation, 'scopes').rows.find(({ code }) => code === '03');
    expect(concrete?.inner.map(({ name }) => name)).toEqual(['Slab', 'Further work in this section']);
  });
});

describe('how it was figured', () => {
  it('stands in the bid only where it is asked for, with figures that follow', () => {
    const { job, makeId, assembly } = createTestJob();
    const slab = makeScope(makeId, { key: 'slab', kind: 'area', name: 'Slab' });
    const noted = { ...assembly('Slab'), note: '{area} at {thickness}.' };
    const use: RecordOf<'use'> = {
      type: 'use',
      id: makeId('use'),
      scopeId: slab.id,
      assemblyId: noted.id,
      order: 1,
      answers: { thickness: '6' },
    };
    const piece: RecordOf<'piece'> = {
      type: 'piece',
      id: makeId('piece'),
      scopeId: slab.id,
      text: "24' * 30'",
      unit: 'ft²',
      note: '',
      source: 'typed',
      order: 1,
    };
    const notesOf = (text: string, notesInBid: boolean): readonly string[] => {
      const command = put(slab, noted, use, { ...piece, text }, { ...settingsOf(job), notesInBid });
      const diff = command(job);
      if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
      return bidReport(new Calculation(applyDiff(job, diff.value)), 'total').notes;
    };
    expect(notesOf("24' * 30'", true)).toEqual(['Slab: 720.0 ft² at 0′-6″.']);
    expect(notesOf("20' * 30'", true)).toEqual(['Slab: 600.0 ft² at 0′-6″.']);
    expect(notesOf("24' * 30'", false)).toEqual([]);
  });
});

/** A small spreadsheet: enough to hold the formulas of the export against their cached values. */
function evaluateSheet(rows: readonly (readonly Cell[])[]): (column: string, row: number) => number {
  const cellAt = (name: string): Cell => {
    const [, column = '', row = ''] = /^([A-Z])(\d+)$/.exec(name) ?? [];
    return rows[Number(row) - 1]?.[column.charCodeAt(0) - 65];
  };
  const span = (from: string, to: string): string[] => {
    const [a, b] = [from.charCodeAt(0), to.charCodeAt(0)];
    const [top, bottom] = [Number(from.slice(1)), Number(to.slice(1))];
    const names: string[] = [];
    for (let column = a; column <= b; column += 1)
      for (let row = top; row <= bottom; row += 1) names.push(`${String.fromCharCode(column)}${row}`);
    return names;
  };
  const value = (name: string): number => {
    const cell = cellAt(name);
    if (cell === undefined || cell.kind === 'text') return 0;
    return cell.kind === 'number' ? cell.value : formula(cell.formula);
  };
  const isSubtotal = (name: string): boolean => {
    const cell = cellAt(name);
    return cell?.kind === 'formula' && cell.formula.startsWith('SUBTOTAL');
  };
  const formula = (text: string): number => {
    const subtotals = text.replace(/SUBTOTAL\(9,([A-Z]\d+):([A-Z]\d+)\)/g, (_, from: string, to: string) =>
      String(
        span(from, to)
          .filter((name) => !isSubtotal(name))
          .reduce((sum, name) => sum + value(name), 0),
      ),
    );
    const sums = subtotals.replace(/SUM\(([A-Z]\d+):([A-Z]\d+)\)/g, (_, from: string, to: string) =>
      String(span(from, to).reduce((sum, name) => sum + value(name), 0)),
    );
    const plain = sums.replace(/[A-Z]\d+/g, (name) => String(value(name)));
    const rounded = /^ROUND\((.+),(\d)\)$/.exec(plain);
    const product = (expression: string): number =>
      expression
        .split('+')
        .reduce(
          (sum, term) => sum + term.split('*').reduce((result, factor) => result * Number(factor), 1),
          0,
        );
    if (rounded === null) return product(plain);
    const power = 10 ** Number(rounded[2]);
    return Math.floor(product(rounded[1]!) * power + 0.5 + 1e-6) / power;
  };
  return (column, row) => value(`${column}${row}`);
}

describe('the exported workbook', () => {
  const calculation = priced();
  const [sheet] = estimateWorkbook(calculation);
  const rows = sheet!.rows;
  const read = evaluateSheet(rows);

  it('has formulas that come to the values they carry, cell by cell', () => {
    let formulas = 0;
    rows.forEach((cells, row) =>
      cells.forEach((cell, column) => {
        if (cell?.kind !== 'formula') return;
        formulas += 1;
        expect([row + 1, column, read(String.fromCharCode(65 + column), row + 1)]).toEqual([
          row + 1,
          column,
          expect.closeTo(cell.value, 6),
        ]);
      }),
    );
    expect(formulas).toBeGreaterThan(80);
  });

  it('comes to the same bid, and its section to the same cost', () => {
    const bid = rows.findIndex((cells) => cells[1]?.kind === 'text' && cells[1].text === 'Bid') + 1;
    expect(read('Q', bid) * 100).toBeCloseTo(knownValue(calculation.figure(bidNode('total'))) ?? 0, 4);
    const concrete = rows.findIndex((cells) => cells[0]?.kind === 'text' && cells[0].text === '03') + 1;
    const section = [...calculation.job.section.values()].find(({ code }) => code === '03');
    expect(read('Q', concrete) * 100).toBeCloseTo(
      knownValue(calculation.figure(sectionNode(section!.id, 'cost'))) ?? 0,
      4,
    );
  });

  it('follows a changed quantity through to the bid', () => {
    const at = rows.findIndex((cells) => cells[1]?.kind === 'text' && cells[1].text === 'Permit');
    const doubled = rows.map((cells, row) =>
      row === at
        ? cells.map((cell, column) =>
            column === 2 && cell?.kind === 'number' ? { ...cell, value: 2 } : cell,
          )
        : cells,
    );
    const bid = rows.findIndex((cells) => cells[1]?.kind === 'text' && cells[1].text === 'Bid') + 1;
    const before = read('Q', bid);
    // 1234.56 more cost carries 12 % and 3 % on cost and 6 % on all above.
    expect(evaluateSheet(doubled)('Q', bid) - before).toBeCloseTo(1234.56 * 1.15 * 1.06, 1);
  });
});
