import type { ClipboardEvent, KeyboardEvent } from 'react';
import type { GridEdit, GridProps } from './gridProps.ts';
import { type Cell, type Range, blockOf, moveCell, writeTsv } from './cells.ts';
import { readPasted } from './paste.ts';
import { t } from '../messages/t.ts';

/** What the keys of a table do, for those who look them up. */
export const TABLE_KEYS: readonly (readonly [keys: string, what: string])[] = [
  [t('common.enterF2'), t('common.editTheCellTypingReplacesWhatIs')],
  ['Tab', t('common.takeTheTextAndGoToThe')],
  ['Ctrl+Enter', t('common.putWhatIsTypedIntoEverySelected')],
  [t('common.shift'), t('common.selectABlockOfCells')],
  ['Ctrl+C V', t('common.copyAndPasteTheBlockFromAnd')],
  ['Ctrl+D', t('common.fillTheFirstRowOfTheBlock')],
  ['Ctrl+Home End', t('common.goToTheFirstOrLastCell')],
  [t('common.alt'), t('common.moveTheLinesOfTheBlockAlso')],
  ['Delete', t('common.emptyTheSelectedCells')],
  ['Ctrl+Delete', t('common.removeTheRowsOfTheBlock')],
];

interface HandlerContext<Row> {
  readonly props: GridProps<Row>;
  readonly at: Range;
  readonly setRefusal: (text: string | undefined) => void;
  readonly goTo: (cell: Cell, extend: boolean) => void;
  readonly edit: (first: string | undefined) => void;
}

/** What keys and the clipboard do to the cells that are selected. */
export function createHandlers<Row>({ props, at, setRefusal, goTo, edit }: HandlerContext<Row>) {
  const { rows, columns } = props;
  const { focus } = at;
  const block = blockOf(at);
  const selectedRows = rows.slice(block.top, block.bottom + 1);
  const take = (edits: readonly GridEdit<Row>[]): void => {
    const allowed = edits.filter(
      ({ row, column }) => columns.find(({ id }) => id === column)?.editable?.(row) === true,
    );
    if (allowed.length > 0) setRefusal(props.onEdit(allowed));
  };
  const fillDown = (): void => {
    const source = rows[block.top];
    if (source === undefined) return;
    const across = columns.slice(block.left, block.right + 1);
    take(
      selectedRows
        .slice(1)
        .flatMap((row) => across.map((column) => ({ row, column: column.id, text: column.text(source) }))),
    );
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = (event.ctrlKey || event.metaKey ? FAR_STEPS : STEPS)[event.key];
    const column = columns[focus.column];
    const row = rows[focus.row];
    const editable = row !== undefined && column?.editable?.(row) === true;
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      const up = event.key === 'ArrowUp';
      const next = rows[up ? block.top - 1 : block.bottom + 1];
      if (props.onMove === undefined || next === undefined) return;
      props.onMove(selectedRows, next, up ? 'before' : 'after');
    } else if (step !== undefined && !event.altKey)
      goTo(moveCell(focus, step, rows.length, columns.length), event.shiftKey);
    else if (event.key === 'Tab') {
      // At the last column the focus leaves the table, as it does everywhere else.
      const next = moveCell(focus, { row: 0, column: event.shiftKey ? -1 : 1 }, rows.length, columns.length);
      if (next.column === focus.column) return;
      goTo(next, false);
    } else if ((event.key === 'Enter' || event.key === 'F2') && editable) edit(undefined);
    else if (event.key === 'Delete' && (event.ctrlKey || event.metaKey)) {
      if (props.onRemove === undefined) return;
      props.onRemove(selectedRows);
    } else if (event.key === 'Delete') clear();
    else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'd') fillDown();
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
      // The question mark shows the keys, here as everywhere; no cell begins with it.
      if (event.key === '?') return;
      if (editable) edit(event.key);
      else {
        // Meant for the cell all the same: it must not reach the pens, and leave the table.
        event.stopPropagation();
        if (event.key !== ' ') setRefusal(t('common.nothingCanBeTypedHereThisComes'));
        return;
      }
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onCopy = (event: ClipboardEvent): void => {
    if (event.target instanceof HTMLInputElement) return;
    const across = columns.slice(block.left, block.right + 1);
    event.clipboardData.setData(
      'text/plain',
      writeTsv(selectedRows.map((row) => across.map((column) => column.text(row)))),
    );
    event.preventDefault();
  };
  const onPaste = (event: ClipboardEvent): void => {
    if (event.target instanceof HTMLInputElement) return;
    event.preventDefault();
    const text = event.clipboardData.getData('text/plain');
    if (text === '') return;
    const pasted = readPasted(text, columns, block.left);
    // One cell into a block fills it, as in a spreadsheet.
    const [only] = pasted.rows;
    if (
      pasted.rows.length === 1 &&
      only?.length === 1 &&
      (selectedRows.length > 1 || block.left < block.right)
    ) {
      const across = columns.slice(block.left, block.right + 1);
      take(selectedRows.flatMap((row) => across.map(({ id }) => ({ row, column: id, text: only[0] ?? '' }))));
      return;
    }
    if (props.onPaste !== undefined) {
      setRefusal(props.onPaste(pasted, rows[block.top]));
      return;
    }
    const fitting = pasted.rows.slice(0, rows.length - block.top);
    take(
      fitting.flatMap((texts, down) =>
        texts.flatMap((cell, along) => {
          const [row, column] = [rows[block.top + down], pasted.columns[along]];
          return row === undefined || column === undefined ? [] : [{ row, column, text: cell }];
        }),
      ),
    );
    if (fitting.length < pasted.rows.length)
      setRefusal(
        t('common.ofRowsWerePastedTheTableEnds', { number: fitting.length, number2: pasted.rows.length }),
      );
  };
  /** Empties the cells of the block that can be typed into; the rows stay. */
  const clear = (): void => {
    const across = columns.slice(block.left, block.right + 1);
    take(
      selectedRows.flatMap((row) =>
        across.flatMap((column) => (column.text(row) === '' ? [] : [{ row, column: column.id, text: '' }])),
      ),
    );
  };
  /** Puts a text into the column of the current cell in all rows of the block; true where it was taken. */
  const fillBlock = (text: string): boolean => {
    const column = columns[focus.column];
    if (column === undefined) return false;
    const edits = selectedRows
      .filter((row) => column.editable?.(row) === true)
      .map((row) => ({ row, column: column.id, text }));
    const refused = edits.length === 0 ? undefined : props.onEdit(edits);
    setRefusal(refused);
    return refused === undefined;
  };
  return { onKeyDown, onCopy, onPaste, fillBlock };
}

const STEPS: Readonly<Record<string, Cell>> = {
  ArrowUp: { row: -1, column: 0 },
  ArrowDown: { row: 1, column: 0 },
  ArrowLeft: { row: 0, column: -1 },
  ArrowRight: { row: 0, column: 1 },
  PageUp: { row: -20, column: 0 },
  PageDown: { row: 20, column: 0 },
  Home: { row: 0, column: -1000 },
  End: { row: 0, column: 1000 },
};

const FAR_STEPS: Readonly<Record<string, Cell>> = {
  Home: { row: -1e9, column: -1000 },
  End: { row: 1e9, column: 1000 },
};
