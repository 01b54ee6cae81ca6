import type { GridColumn } from './gridProps.ts';

/** A column that may stay while the table is scrolled sideways. */
export type PlacedColumn<Row> = GridColumn<Row> & {
  /** Where it stays, px from the left; undefined for one that goes. */
  readonly left?: number;
  /** True for the last that stays: what goes, goes under it. */
  readonly edge?: boolean;
};

/** The first columns stay in sight for as long as each of them is to, and where it stands is known. */
export function placeColumns<Row>(columns: readonly GridColumn<Row>[]): readonly PlacedColumn<Row>[] {
  const staying: PlacedColumn<Row>[] = [];
  let left: number | undefined = 0;
  for (const column of columns) {
    if (left === undefined || column.stays !== true) break;
    staying.push({ ...column, left });
    const width = /^(\d+)px$/.exec(column.width)?.[1];
    left = width === undefined ? undefined : left + Number(width);
  }
  const last = staying.pop();
  return last === undefined
    ? columns
    : [...staying, { ...last, edge: true }, ...columns.slice(staying.length + 1)];
}

interface Staying {
  readonly left?: number | undefined;
  readonly edge?: boolean | undefined;
}

export const stayClass = ({ left, edge }: Staying): string =>
  left === undefined ? '' : edge === true ? 'stays edge' : 'stays';

/** Scrolls sideways by no more than brings a column into sight, beside the columns that stay. */
export function showColumn(scroller: HTMLElement, index: number): void {
  const heads = [...(scroller.querySelector('.grid-head')?.children ?? [])] as HTMLElement[];
  const staying = heads.filter((head) => getComputedStyle(head).position === 'sticky');
  const head = heads[index];
  if (head === undefined || staying.includes(head)) return;
  const covered = staying.reduce((sum, { offsetWidth }) => sum + offsetWidth, 0);
  const [from, to] = [head.offsetLeft - covered, head.offsetLeft + head.offsetWidth - scroller.clientWidth];
  if (scroller.scrollLeft > from) scroller.scrollLeft = from;
  else if (scroller.scrollLeft < to) scroller.scrollLeft = to;
}
