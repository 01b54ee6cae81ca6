import type { KeyboardEvent } from 'react';
import { type Cell, blockOf, moveCell } from './cells.ts';
import { createClipboard } from './gridClipboard.ts';
import { selectedRows } from './useSelection.ts';
import type { HandlerContext, SelectedCells } from './selectedCells.ts';
import { t } from '../messages/t.ts';

/** What the keys of a table do, for those who look them up. */
export const TABLE_KEYS: readonly (readonly [keys: string, what: string])[] = [
  [t('common.enterF2'), t('common.editTheCellTypingReplacesWhatIs')],
  ['Tab', t('common.takeTheTextAndGoToThe')],
  ['Ctrl+Enter', t('common.putWhatIsTypedIntoEverySelected')],
  [t('common.shift'), t('common.selectABlockOfCells')],
  [t('common.ctrlClick'), t('common.addARowToTheSelection')],
  ['Ctrl+C V', t('common.copyAndPasteTheBlockFromAnd')],
  ['Ctrl+D', t('common.fillTheFirstRowOfTheBlock')],
  ['Ctrl+Home End', t('common.goToTheFirstOrLastCell')],
  [t('common.alt'), t('common.moveTheLinesOfTheBlockAlso')],
  [t('common.altSideways'), t('common.collapseOrExpand')],
  [t('common.altShiftSideways'), t('common.makeTheColumnNarrowerOrWider')],
  [t('common.altShiftUpDown'), t('common.sortByTheColumn')],
  ['Delete', t('common.emptyTheSelectedCells')],
  ['Ctrl+Delete', t('common.removeTheRowsOfTheBlock')],
];

/** How much wider or narrower a column becomes with a key. */
const WIDEN_PX = 16;

/** What keys and the clipboard do to the cells that are selected. */
export function createHandlers<Row>(context: HandlerContext<Row>) {
  const { props, at, setRefusal } = context;
  const block = blockOf(at);
  const cells: SelectedCells<Row> = {
    ...context,
    block,
    selectedRows: selectedRows(props.rows, props.keyOf, block, context.picked),
    take: (edits) => {
      const allowed = edits.filter(
        ({ row, column }) => props.columns.find(({ id }) => id === column)?.editable?.(row) === true,
      );
      if (allowed.length > 0) setRefusal(props.onEdit(allowed));
    },
  };
  return {
    onKeyDown: (event: KeyboardEvent): void => {
      const taken = arrange(cells, event) || move(cells, event) || change(cells, event) || type(cells, event);
      if (!taken) return;
      event.preventDefault();
      event.stopPropagation();
    },
    ...createClipboard(cells),
    /** Puts a text into the column of the current cell in all rows of the block; true where it was taken. */
    fillBlock: (text: string): boolean => fillBlock(cells, text),
  };
}

/** Alt with arrows: rows are moved; with Shift, the table is arranged by the current column. */
function arrange<Row>(cells: SelectedCells<Row>, { altKey, shiftKey, key }: KeyboardEvent): boolean {
  if (!altKey || !key.startsWith('Arrow')) return false;
  const { props, at, block, selectedRows } = cells;
  const column = props.columns[at.focus.column];
  const isUp = key === 'ArrowUp';
  if (shiftKey && column !== undefined) {
    if (key === 'ArrowLeft' || key === 'ArrowRight')
      cells.widen(at.focus.column, key === 'ArrowRight' ? WIDEN_PX : -WIDEN_PX);
    else if (column.sortBy !== undefined) cells.sort(column.id, !isUp);
    return true;
  }
  if (key === 'ArrowLeft' || key === 'ArrowRight') {
    const row = props.rows[at.focus.row];
    return row !== undefined && props.onFold?.(row, key === 'ArrowLeft') === true;
  }
  const next = props.rows[isUp ? block.top - 1 : block.bottom + 1];
  if (props.onMove === undefined || next === undefined) return false;
  props.onMove(selectedRows, next, isUp ? 'before' : 'after');
  return true;
}

/** Goes to another cell. */
function move<Row>({ props, at, goTo }: SelectedCells<Row>, event: KeyboardEvent): boolean {
  const { rows, columns } = props;
  const step = (event.ctrlKey || event.metaKey ? FAR_STEPS : STEPS)[event.key];
  if (step !== undefined && !event.altKey) {
    goTo(moveCell(at.focus, step, rows.length, columns.length), event.shiftKey);
    return true;
  }
  if (event.key !== 'Tab') return false;
  // At the last column the focus leaves the table, as it does everywhere else.
  const next = moveCell(at.focus, { row: 0, column: event.shiftKey ? -1 : 1 }, rows.length, columns.length);
  if (next.column === at.focus.column) return false;
  goTo(next, false);
  return true;
}

/** Empties, removes and fills what is selected. */
function change<Row>(cells: SelectedCells<Row>, { key, ctrlKey, metaKey }: KeyboardEvent): boolean {
  const { props, block, selectedRows, take } = cells;
  const across = props.columns.slice(block.left, block.right + 1);
  const withCtrl = ctrlKey || metaKey;
  if (key === 'Delete' && withCtrl) {
    if (props.onRemove === undefined) return false;
    props.onRemove(selectedRows);
    return true;
  }
  // The rows stay; what is empty already is no edit.
  if (key === 'Delete') {
    const full = selectedRows.flatMap((row) =>
      across.flatMap((column) => (column.text(row) === '' ? [] : [{ row, column: column.id, text: '' }])),
    );
    take(full);
    return true;
  }
  if (!withCtrl || key.toLowerCase() !== 'd') return false;
  const [source, ...below] = selectedRows;
  if (source !== undefined)
    take(
      below.flatMap((row) => across.map((column) => ({ row, column: column.id, text: column.text(source) }))),
    );
  return true;
}

/** Opens the current cell; a sign that is typed replaces what is there. */
function type<Row>({ props, at, edit, setRefusal }: SelectedCells<Row>, event: KeyboardEvent): boolean {
  const row = props.rows[at.focus.row];
  const editable = row !== undefined && props.columns[at.focus.column]?.editable?.(row) === true;
  if ((event.key === 'Enter' || event.key === 'F2') && editable) {
    edit(undefined);
    return true;
  }
  if (event.key.length !== 1 || event.ctrlKey || event.metaKey || event.altKey) return false;
  // The question mark shows the keys, here as everywhere; no cell begins with it.
  if (event.key === '?') return false;
  if (editable) {
    edit(event.key);
    return true;
  }
  // Meant for the cell all the same: it must not reach the tools, and leave the table.
  event.stopPropagation();
  if (event.key !== ' ') setRefusal(t('common.nothingCanBeTypedHereThisComes'));
  return false;
}

function fillBlock<Row>({ props, at, selectedRows, setRefusal }: SelectedCells<Row>, text: string): boolean {
  const column = props.columns[at.focus.column];
  if (column === undefined) return false;
  const edits = selectedRows
    .filter((row) => column.editable?.(row) === true)
    .map((row) => ({ row, column: column.id, text }));
  const refused = edits.length === 0 ? undefined : props.onEdit(edits);
  setRefusal(refused);
  return refused === undefined;
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
