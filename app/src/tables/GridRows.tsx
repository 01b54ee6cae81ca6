import type { VirtualItem } from '@tanstack/react-virtual';
import { type ReactNode, useState } from 'react';
import { GridRow } from './GridRow.tsx';
import type { Held, RowCellsProps } from './RowCells.tsx';
import type { Block } from './cells.ts';
import { keepContents } from './contents.ts';
import type { GridProps } from './gridProps.ts';
import type { ColumnFrame } from './useGridTable.ts';
import type { Selection } from './useSelection.ts';

interface GridRowsProps<Row> extends Pick<RowCellsProps<Row>, 'onDown' | 'onOpen'> {
  readonly props: GridProps<Row>;
  readonly shown: readonly VirtualItem[];
  readonly frame: readonly ColumnFrame[];
  readonly template: string;
  readonly selection: Selection;
  readonly editing: boolean;
  readonly held: Held | undefined;
  readonly editorOf: (row: Row) => ReactNode;
}

/** The rows that are in sight. */
export function GridRows<Row>(given: GridRowsProps<Row>) {
  const { props, shown, frame, template, selection, editing, held, editorOf, onDown, onOpen } = given;
  const { rows, columns, keyOf, classOf } = props;
  const { block } = selection;
  const { focus } = selection.at;
  const [keep] = useState(keepContents);
  return shown.map(({ index, start }) => {
    const row = rows[index];
    if (row === undefined) return null;
    const isFocus = index === focus.row;
    const inBlock = isIn(block, index);
    return (
      <GridRow
        key={keyOf(row)}
        id={keyOf(row)}
        className={`${classOf?.(row) ?? ''} ${isFocus ? (editing ? 'on editing' : 'on') : ''} ${selection.picked.has(keyOf(row)) ? 'picked' : ''}`}
        movable={props.onMove !== undefined && props.isMovable?.(row) === true}
        template={template}
        start={start}
        row={row}
        index={index}
        frame={frame}
        contents={keep(
          keyOf(row),
          columns.map((column) => column.show(row)),
        )}
        label={props.label}
        at={isFocus ? focus.column : -1}
        from={inBlock ? block.left : -1}
        to={inBlock ? block.right : -2}
        editor={isFocus && editing ? editorOf(row) : undefined}
        held={held !== undefined && held.row === index ? held : undefined}
        onDown={onDown}
        onOpen={onOpen}
      />
    );
  });
}

const isIn = ({ top, bottom }: Block, row: number): boolean => row >= top && row <= bottom;
