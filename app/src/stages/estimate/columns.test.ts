import { bidNode } from '@zest/core/calculate/graph/nodes';
import { describe, expect, it } from '@jest/globals';
import { Calculation } from '@zest/core/calculate/calculation';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { put } from '@zest/core/job/change';
import { applyDiff, settingsOf } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { listShownRows } from '@zest/core/reports/estimateReport';
import { createPricedJob } from '@zest/core/testing/pricedJob';
import { formatsOf } from '../../stores/context.tsx';
import { USUAL_COLUMNS, createSource, listColumns, makeColumn } from './columns.tsx';

/** The priced job with other settings, and what its cells say. */
function createTable(settings: Partial<Settings> = {}) {
  const started = createPricedJob();
  const diff = put({ ...settingsOf(started.job), ...settings })(started.job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const figures = new Calculation(applyDiff(started.job, diff.value)).figures;
  const source = createSource(figures, formatsOf(settingsOf(figures.job)));
  const rows = listShownRows(figures);
  const rowOf = (name: string): EstimateRow => {
    const row = rows.find((each) => source.read(each).description === name);
    if (row === undefined) throw new Error(`no row ${name}`);
    return row;
  };
  const text = (name: string, column: string): string =>
    makeColumn(column, source)?.text(rowOf(name)) ?? `no column ${column}`;
  return { figures, source, rows, rowOf, text };
}

describe('the columns of the estimate', () => {
  it('are all there, each with a title, and each once', () => {
    const { figures, source } = createTable();
    const choices = listColumns(figures.job.scope);
    expect(new Set(choices.map(({ id }) => id)).size).toBe(choices.length);
    for (const { id } of choices) expect(makeColumn(id, source)?.title).toMatch(/\w/);
    const ids = choices.map(({ id }) => id);
    for (const id of USUAL_COLUMNS) expect(ids).toContain(id);
    expect(makeColumn('gone', source)).toBeUndefined();
  });

  it('say a line by hand: three at 333.33 are 999.99', () => {
    const { text } = createTable();
    expect(text('Patch', 'quantity')).toBe('3');
    expect(text('Patch', 'unit')).toBe('ea');
    expect(text('Patch', 'unit-subcontract')).toBe('333.33');
    expect(text('Patch', 'extension')).toBe('$999.99');
    expect(text('Patch', 'cost-code')).toBe('03.1');
    // Nothing of a kind is an empty cell, not a zero.
    expect(text('Patch', 'material')).toBe('');
    expect(text('Patch', 'equipment')).toBe('');
  });

  it('begin to edit a cost with what was typed, and show what it comes to', () => {
    const { text, source, rowOf } = createTable();
    expect(text('Patch', 'subcontract')).toBe('333.33');
    expect(source.read(rowOf('Patch')).amounts.subcontract).toBe(999_99);
  });

  it('say what the client pays: cost, and its share of what comes on top', () => {
    const { text, figures, source, rows } = createTable();
    const amount = (name: string, column: string): number =>
      Number(text(name, column).replace(/[^\d.-]/g, ''));
    expect(amount('Patch', 'extension') + amount('Patch', 'markup')).toBeCloseTo(amount('Patch', 'price'), 2);
    expect(amount('Patch', 'unit-price') * 3).toBeCloseTo(amount('Patch', 'price'), 1);
    // The sections' prices are the bid.
    const price = makeColumn('price', source);
    const sections = rows.filter((row) => row.type === 'section' && row.depth === 0);
    const sum = sections.reduce((all, row) => all + Number(price?.text(row).replace(/[^\d.-]/g, '')), 0);
    const total = figures.figure(bidNode('total'));
    expect(total.failure === undefined ? total.value / 100 : undefined).toBeCloseTo(sum, 2);
  });

  it('leave what is not known empty, and no price on it', () => {
    const { text } = createTable();
    for (const column of ['extension', 'price', 'unit-price', 'markup', 'unit-material'])
      expect(text('Not priced', column)).toBe('');
  });

  it('write as the job writes', () => {
    const { text } = createTable({ currency: 'EUR', decimalMark: ',', groupMark: '.' });
    expect(text('Permit', 'extension')).toMatch(/1\.234,56/);
    expect(text('Patch', 'unit-subcontract')).toBe('333,33');
  });

  it('only show what cannot be typed', () => {
    const { source, rowOf } = createTable();
    const editable = (id: string, name: string): boolean =>
      makeColumn(id, source)?.editable?.(rowOf(name)) ?? false;
    expect(['quantity', 'unit', 'material', 'waste'].map((id) => editable(id, 'Patch'))).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect(
      ['extension', 'price', 'markup', 'unit-price', 'source'].map((id) => editable(id, 'Patch')),
    ).toEqual([false, false, false, false, false]);
  });

  it('read each row once, however many of them ask', () => {
    const { source, rowOf } = createTable();
    const row = rowOf('Patch');
    expect(source.read(row)).toBe(source.read(row));
    expect(source.facts(row)).toBe(source.facts(row));
  });
});
