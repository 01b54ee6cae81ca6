import { describe, expect, it } from '@jest/globals';
import { type Cell, cellKey, compareCells, dateCell, figureOf, textCell } from './cell.ts';
import { type CellWriting, joinCellText, writeCell } from './writeCell.ts';

const sorted = (cells: readonly Cell[]): readonly Cell[] => [...cells].sort(compareCells);

describe('cells in order', () => {
  it('go by their place where they have one, else by their words as people count', () => {
    const section = (text: string, order: number): Cell => textCell(text, order);
    expect(sorted([section('A', 2), section('B', 1)])).toEqual([section('B', 1), section('A', 2)]);
    const words = ['Beam 10', 'beam 2', 'Ash'].map((text) => textCell(text));
    expect(sorted(words)).toEqual(['Ash', 'beam 2', 'Beam 10'].map((text) => textCell(text)));
  });

  it('compare lengths by how long they are, whatever the unit', () => {
    const cells: readonly Cell[] = [
      { kind: 'quantity', value: 2, unit: 'm' },
      { kind: 'quantity', value: 5, unit: 'ft' },
    ];
    expect(sorted(cells)[0]).toEqual({ kind: 'quantity', value: 5, unit: 'ft' });
  });

  it('put what is empty last, and dates by the calendar', () => {
    expect(sorted([undefined, dateCell('2026-02-01'), dateCell('2025-12-31')])).toEqual([
      dateCell('2025-12-31'),
      dateCell('2026-02-01'),
      undefined,
    ]);
  });
});

describe('equal cells', () => {
  it('have one key, in whatever unit they are written', () => {
    expect(cellKey({ kind: 'quantity', value: 1, unit: 'yd' })).toBe(
      cellKey({ kind: 'quantity', value: 3, unit: 'ft' }),
    );
    expect(cellKey({ kind: 'quantity', value: 1, unit: 'bag' })).not.toBe(
      cellKey({ kind: 'quantity', value: 1, unit: 'box' }),
    );
    expect(cellKey(textCell('A'))).not.toBe(cellKey(textCell('A', 1)));
    expect(cellKey(undefined)).toBe('');
  });

  it('are no figure where they are words', () => {
    expect(figureOf(textCell('12'))).toBeUndefined();
    expect(figureOf({ kind: 'mixed', units: ['m'] })).toBeUndefined();
  });

  it('are empty where a text or a date is', () => {
    expect([textCell(''), dateCell('')]).toEqual([undefined, undefined]);
  });
});

describe('a cell as it is read', () => {
  const us: CellWriting = {
    numbers: { decimal: '.', group: ',' },
    currency: 'USD',
    date: (day) => `on ${day}`,
    failure: () => 'no price',
    mixed: (units) => `several: ${units.join(' ')}`,
  };
  const euro: CellWriting = { ...us, numbers: { decimal: ',', group: '.' }, currency: 'EUR' };
  const text = (cell: Cell, places?: number, by = us): string => joinCellText(writeCell(cell, places, by));

  it('has the decimals of its kind, or those that were asked for', () => {
    expect(text({ kind: 'quantity', value: 1234.5, unit: 'ft²' })).toBe('1,234.50 ft²');
    expect(text({ kind: 'quantity', value: 12, unit: 'sheet' })).toBe('12 sheet');
    expect(text({ kind: 'quantity', value: 12.26, unit: 'h' })).toBe('12.3 h');
    expect(text({ kind: 'quantity', value: 12.26, unit: 'h' }, 0)).toBe('12 h');
    expect(text({ kind: 'percent', value: 23.3906 })).toBe('23.39 %');
    expect(text({ kind: 'number', value: 3 })).toBe('3');
  });

  it('writes money and prices for one the way the job does', () => {
    expect(text({ kind: 'money', minor: -123456 })).toBe('−$1,234.56');
    expect(text({ kind: 'money', minor: 123456 }, undefined, euro)).toBe('1.234,56\u00a0€');
    expect(text({ kind: 'rate', amount: 167.2803, per: 'yd³' })).toBe('$167.2803 / yd³');
    expect(text({ kind: 'rate', amount: 4.9, per: '' }, undefined, euro)).toBe('4,90\u00a0€');
  });

  it('says why there is no figure, and of which units there are several', () => {
    expect(text({ kind: 'failure', failure: 'does-not-fit' })).toBe('no price');
    expect(text({ kind: 'mixed', units: ['ft', 'ea'] })).toBe('several: ft ea');
    expect(text({ kind: 'date', date: '2026-01-02' })).toBe('on 2026-01-02');
    expect(text(undefined)).toBe('');
  });
});
