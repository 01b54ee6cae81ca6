/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import type { ClipboardEvent, KeyboardEvent } from 'react';
import type { GridEdit, GridProps } from './gridProps.ts';
import type { Cell, Range } from './cells.ts';
import { createHandlers } from './gridKeys.ts';

interface Row {
  readonly key: string;
  readonly name: string;
  readonly count: string;
  readonly sum: string;
}

const makeRow = (key: string, at: number): Row => ({
  key,
  name: `Row ${key}`,
  count: String(at + 1),
  sum: `$${at}`,
});
const ROWS = [makeRow('a', 0), makeRow('b', 1), makeRow('c', 2), makeRow('d', 3)] as const;

/** A grid with a cell or block selected, and what it was asked to do. */
function gridAt(anchor: Cell, focus: Cell = anchor, more: Partial<GridProps<Row>> = {}) {
  const edits: GridEdit<Row>[][] = [];
  const told = {
    goTo: jest.fn<(cell: Cell, extend: boolean) => void>(),
    edit: jest.fn<(first: string | undefined) => void>(),
    refusal: jest.fn<(text: string | undefined) => void>(),
    stopped: jest.fn<() => void>(),
    sort: jest.fn<(column: string, desc: boolean) => void>(),
    widen: jest.fn<(column: number, byPx: number) => void>(),
    onMove: jest.fn<NonNullable<GridProps<Row>['onMove']>>(),
    onRemove: jest.fn<NonNullable<GridProps<Row>['onRemove']>>(),
  };
  const column = (id: 'name' | 'count' | 'sum', editable: boolean) => ({
    id,
    title: id,
    width: '80px',
    show: (row: Row) => row[id],
    text: (row: Row) => row[id],
    editable: () => editable,
  });
  const props: GridProps<Row> = {
    label: 'Test',
    columns: [column('name', true), column('count', true), column('sum', false)],
    rows: ROWS,
    keyOf: ({ key }) => key,
    onEdit: (asked) => {
      edits.push([...asked]);
      return asked.some(({ text }) => text === 'wrong') ? 'This is wrong.' : undefined;
    },
    onMove: told.onMove,
    onRemove: told.onRemove,
    ...more,
  };
  const at: Range = { anchor, focus };
  const handlers = createHandlers({
    props,
    at,
    picked: new Set<string>(),
    goTo: told.goTo,
    edit: told.edit,
    setRefusal: told.refusal,
    sort: told.sort,
    widen: told.widen,
  });
  const press = (key: string, held: Partial<KeyboardEvent> = {}): boolean => {
    let taken = false;
    handlers.onKeyDown({
      key,
      altKey: false,
      ctrlKey: false,
      metaKey: false,
      shiftKey: false,
      preventDefault: () => {
        taken = true;
      },
      stopPropagation: told.stopped,
      ...held,
    } as KeyboardEvent);
    return taken;
  };
  return { edits, told, press, handlers };
}

const pasted = (text: string): ClipboardEvent =>
  ({
    target: null,
    clipboardData: { getData: () => text },
    preventDefault: () => undefined,
  }) as unknown as ClipboardEvent;

describe('keys in a table', () => {
  it('go to the next cell, and to the edge at most', () => {
    const { press, told } = gridAt({ row: 3, column: 1 });
    expect(press('ArrowUp')).toBe(true);
    expect(told.goTo).toHaveBeenLastCalledWith({ row: 2, column: 1 }, false);
    press('ArrowDown', { shiftKey: true });
    expect(told.goTo).toHaveBeenLastCalledWith({ row: 3, column: 1 }, true);
    press('Home');
    expect(told.goTo).toHaveBeenLastCalledWith({ row: 3, column: 0 }, false);
  });

  it('go to either end of all with Ctrl, and select as far as there with Shift', () => {
    const { press, told } = gridAt({ row: 3, column: 1 });
    expect(press('Home', { ctrlKey: true })).toBe(true);
    expect(told.goTo).toHaveBeenLastCalledWith({ row: 0, column: 0 }, false);
    press('End', { ctrlKey: true, shiftKey: true });
    expect(told.goTo).toHaveBeenLastCalledWith({ row: 3, column: 2 }, true);
  });

  it('leave the table by Tab at its last column', () => {
    const inside = gridAt({ row: 0, column: 0 });
    expect(inside.press('Tab')).toBe(true);
    expect(inside.told.goTo).toHaveBeenLastCalledWith({ row: 0, column: 1 }, false);
    const last = gridAt({ row: 0, column: 2 });
    expect(last.press('Tab')).toBe(false);
    expect(last.told.goTo).not.toHaveBeenCalled();
  });

  it('begin to edit where something may be typed, and only there', () => {
    const open = gridAt({ row: 1, column: 1 });
    open.press('7');
    expect(open.told.edit).toHaveBeenLastCalledWith('7');
    open.press('F2');
    expect(open.told.edit).toHaveBeenLastCalledWith(undefined);
    const closed = gridAt({ row: 1, column: 2 });
    expect(closed.press('7')).toBe(false);
    expect(closed.press('Enter')).toBe(false);
    expect(closed.told.edit).not.toHaveBeenCalled();
  });

  it('leave the question mark to the list of keys, also on a cell that may be typed into', () => {
    const { press, told } = gridAt({ row: 1, column: 1 });
    expect(press('?')).toBe(false);
    expect(told.stopped).not.toHaveBeenCalled();
    expect(told.edit).not.toHaveBeenCalled();
  });

  it('stay in the table where nothing may be typed, and it says so', () => {
    const { press, told } = gridAt({ row: 1, column: 2 });
    press('l');
    expect(told.stopped).toHaveBeenCalled();
    expect(told.edit).not.toHaveBeenCalled();
    expect(told.refusal).toHaveBeenLastCalledWith('Nothing can be typed here: this comes from elsewhere.');
  });

  it('with Ctrl belong to others, but for what the table does with it', () => {
    const { press, told } = gridAt({ row: 1, column: 1 });
    expect(press('z', { ctrlKey: true })).toBe(false);
    expect(press('ArrowDown', { ctrlKey: true })).toBe(false);
    expect(told.edit).not.toHaveBeenCalled();
    expect(told.goTo).not.toHaveBeenCalled();
  });

  it('fill the first row of a block down, where it may be typed', () => {
    const { press, edits } = gridAt({ row: 2, column: 2 }, { row: 0, column: 1 });
    press('d', { ctrlKey: true });
    expect(edits).toEqual([
      [
        { row: ROWS[1], column: 'count', text: '1' },
        { row: ROWS[2], column: 'count', text: '1' },
      ],
    ]);
  });

  it('move the whole block with Alt, and stop at the ends', () => {
    const { press, told } = gridAt({ row: 1, column: 0 }, { row: 2, column: 0 });
    press('ArrowUp', { altKey: true });
    expect(told.onMove).toHaveBeenLastCalledWith([ROWS[1], ROWS[2]], ROWS[0], 'before');
    press('ArrowDown', { altKey: true });
    expect(told.onMove).toHaveBeenLastCalledWith([ROWS[1], ROWS[2]], ROWS[3], 'after');
    const top = gridAt({ row: 0, column: 0 });
    expect(top.press('ArrowUp', { altKey: true })).toBe(false);
    expect(top.told.onMove).not.toHaveBeenCalled();
  });

  it('delete what stands in the cells, and the rows only with Ctrl', () => {
    const { press, told, edits } = gridAt({ row: 3, column: 1 }, { row: 2, column: 2 });
    press('Delete');
    expect(told.onRemove).not.toHaveBeenCalled();
    expect(edits).toEqual([
      [
        { row: ROWS[2], column: 'count', text: '' },
        { row: ROWS[3], column: 'count', text: '' },
      ],
    ]);
    press('Delete', { ctrlKey: true });
    expect(told.onRemove).toHaveBeenCalledWith([ROWS[2], ROWS[3]]);
  });
});

describe('the clipboard in a table', () => {
  it('copies a block as lines with tabs, as every spreadsheet reads them', () => {
    const { handlers } = gridAt({ row: 0, column: 0 }, { row: 1, column: 1 });
    const setData = jest.fn();
    handlers.onCopy({
      target: null,
      clipboardData: { setData },
      preventDefault: () => undefined,
    } as unknown as ClipboardEvent);
    expect(setData).toHaveBeenCalledWith('text/plain', 'Row a\t1\nRow b\t2');
  });

  it('pastes from the selected cell on as one step, past the edge and over sums not at all', () => {
    const { handlers, edits } = gridAt({ row: 2, column: 1 });
    handlers.onPaste(pasted('10\t$99\tbeyond\r\n20\t$98\r\n30\t$97\r\n'));
    expect(edits).toEqual([
      [
        { row: ROWS[2], column: 'count', text: '10' },
        { row: ROWS[3], column: 'count', text: '20' },
      ],
    ]);
  });

  it('says how many rows did not fit, where the table takes no more', () => {
    const { handlers, told } = gridAt({ row: 2, column: 1 });
    handlers.onPaste(pasted('10\n20\n30\n'));
    expect(told.refusal).toHaveBeenLastCalledWith(expect.stringContaining('2 of 3 rows were pasted'));
  });

  it('hands a block to whoever makes rows for it, by the headings above it', () => {
    const onPaste = jest.fn<NonNullable<GridProps<Row>['onPaste']>>();
    const { handlers } = gridAt({ row: 3, column: 0 }, { row: 3, column: 0 }, { onPaste });
    handlers.onPaste(pasted('Count\tName\tColor\n7\tDoor\tred\n8\tGate\tblue\n'));
    expect(onPaste).toHaveBeenCalledWith(
      {
        columns: ['count', 'name', undefined],
        rows: [
          ['7', 'Door', 'red'],
          ['8', 'Gate', 'blue'],
        ],
        unknown: ['Color'],
      },
      ROWS[3],
      ROWS,
    );
  });

  it('fills a block with the one cell that is pasted on it', () => {
    const { handlers, edits } = gridAt({ row: 0, column: 1 }, { row: 1, column: 1 });
    handlers.onPaste(pasted('5'));
    expect(edits[0]?.map(({ text }) => text)).toEqual(['5', '5']);
  });

  it('says what is wrong with what was pasted, and nothing where nothing can be taken', () => {
    const wrong = gridAt({ row: 0, column: 1 });
    wrong.handlers.onPaste(pasted('wrong'));
    expect(wrong.told.refusal).toHaveBeenLastCalledWith('This is wrong.');
    const closed = gridAt({ row: 0, column: 2 });
    closed.handlers.onPaste(pasted('12'));
    expect(closed.edits).toEqual([]);
  });
});
