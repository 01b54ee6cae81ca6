import { type RefObject, startTransition, useLayoutEffect, useRef, useState } from 'react';
import type { Held } from './RowCells.tsx';
import { type Cell, moveCell } from './cells.ts';
import type { GridProps } from './gridProps.ts';
import type { Selection } from './useSelection.ts';

interface EditedCell {
  /** The key it was opened with, which takes the place of the text. */
  readonly first: string | undefined;
  readonly whole?: true;
}

export interface Editing {
  readonly editing: EditedCell | undefined;
  readonly refusal: string | undefined;
  readonly held: Held | undefined;
  readonly setRefusal: (text: string | undefined) => void;
  readonly edit: (first: string | undefined) => void;
  readonly stop: (step?: Cell, taken?: string) => void;
  readonly cancel: () => void;
  /** False when the text was refused and the editor stays. */
  readonly commit: (text: string, step: Cell) => boolean;
  /** Leaves the editor while `fill` puts its text into the whole block. */
  readonly leaveFilled: (fill: () => boolean) => void;
}

interface EditingContext {
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly showRow: (index: number) => void;
  readonly selection: Selection;
}

/** The one cell that is edited, what was refused, and what stands in a cell until its row follows. */
export function useEditing<Row>(
  props: GridProps<Row>,
  { scroller, showRow, selection }: EditingContext,
): Editing {
  const { rows, columns } = props;
  const { at, goTo } = selection;
  const { focus } = at;
  const [editing, setEditing] = useState<EditedCell | undefined>();
  const [refusal, setRefusal] = useState<string | undefined>();
  const [held, setHeld] = useState<Held | undefined>();
  useTyping(props, (cell) => {
    selection.setAt({ anchor: cell, focus: cell });
    showRow(cell.row);
    setEditing({ first: undefined, whole: true });
  });
  const stop = (step?: Cell, taken?: string): void => {
    setEditing(undefined);
    if (taken !== undefined) {
      // Rows that follow a moment later must not show what was there before in between.
      setHeld({ ...focus, text: taken });
      startTransition(() => setHeld(undefined));
    }
    scroller.current?.focus({ preventScroll: true });
    if (step !== undefined) goTo(moveCell(focus, step, rows.length, columns.length), false);
  };
  /** An editor that is left because its block was filled has nothing more to give. */
  const filling = useRef(false);
  const commit = (text: string, step: Cell): boolean => {
    if (filling.current) return true;
    const [row, column] = [rows[focus.row], columns[focus.column]];
    if (row === undefined || column === undefined) return true;
    const changed = text !== column.text(row);
    const refused = changed ? props.onEdit([{ row, column: column.id, text }]) : undefined;
    setRefusal(refused);
    if (refused !== undefined) return false;
    stop(undefined, changed ? text : undefined);
    goTo(moveCell(focus, step, rows.length, columns.length), false);
    return true;
  };
  return {
    editing,
    refusal,
    held,
    setRefusal,
    edit: (first) => setEditing({ first }),
    stop,
    cancel: () => {
      setRefusal(undefined);
      stop();
    },
    commit,
    leaveFilled: (fill) => {
      if (!fill()) return;
      filling.current = true;
      stop();
      filling.current = false;
    },
  };
}

/** Begins to type into a row that was just added, once it has come. */
function useTyping<Row>({ rows, columns, keyOf, typing }: GridProps<Row>, begin: (cell: Cell) => void): void {
  const row = typing === undefined ? -1 : rows.findIndex((each) => keyOf(each) === typing.key);
  const column = columns.findIndex(({ id }) => id === typing?.column);
  useLayoutEffect(() => {
    if (row >= 0 && column >= 0) begin({ row, column });
    // Once for each row that is added, when it has come; not again when rows above it come or go.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [typing, row < 0, column < 0]);
}
