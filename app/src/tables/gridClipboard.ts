import type { ClipboardEvent } from 'react';
import { writeTsv } from './cells.ts';
import type { SelectedCells } from './selectedCells.ts';
import { type Pasted, readPasted } from './paste.ts';
import { typedIn } from './typedIn.ts';
import { t } from '../messages/t.ts';

/** Blocks of cells to and from the clipboard, as TSV. An editor that is open has the clipboard to itself. */
export function createClipboard<Row>(cells: SelectedCells<Row>) {
  const { props, block, selectedRows } = cells;
  const across = props.columns.slice(block.left, block.right + 1);
  return {
    onCopy: (event: ClipboardEvent): void => {
      if (typedIn(event.target) !== undefined) return;
      const text = writeTsv(selectedRows.map((row) => across.map((column) => column.text(row))));
      event.clipboardData.setData('text/plain', text);
      event.preventDefault();
    },
    onPaste: (event: ClipboardEvent): void => {
      if (typedIn(event.target) !== undefined) return;
      event.preventDefault();
      const text = event.clipboardData.getData('text/plain');
      if (text !== '') paste(cells, readPasted(text, props.columns, block.left));
    },
  };
}

function paste<Row>(cells: SelectedCells<Row>, pasted: Pasted): void {
  const { props, block, selectedRows, take, setRefusal } = cells;
  const [only] = pasted.rows;
  const isOne = pasted.rows.length === 1 && only?.length === 1;
  // One cell into a block fills it, as in a spreadsheet.
  if (isOne && (selectedRows.length > 1 || block.left < block.right)) {
    const across = props.columns.slice(block.left, block.right + 1);
    take(selectedRows.flatMap((row) => across.map(({ id }) => ({ row, column: id, text: only[0] ?? '' }))));
    return;
  }
  if (props.onPaste !== undefined) {
    setRefusal(props.onPaste(pasted, props.rows[block.top], props.rows));
    return;
  }
  const fitting = pasted.rows.slice(0, props.rows.length - block.top);
  take(
    fitting.flatMap((texts, down) =>
      texts.flatMap((cell, along) => {
        const [row, column] = [props.rows[block.top + down], pasted.columns[along]];
        return row === undefined || column === undefined ? [] : [{ row, column, text: cell }];
      }),
    ),
  );
  if (fitting.length < pasted.rows.length)
    setRefusal(
      t('common.ofRowsWerePastedTheTableEnds', { number: fitting.length, number2: pasted.rows.length }),
    );
}
