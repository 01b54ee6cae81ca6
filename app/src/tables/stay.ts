import type { GridColumn } from './gridProps.ts';

type Placed = Pick<GridColumn<unknown>, 'id' | 'width'> & { readonly stays?: boolean | undefined };

/** The width of a column where it is fixed, px. */
export const pixelsOf = (width: string): number | undefined => {
  const px = /^(\d+)px$/.exec(width)?.[1];
  return px === undefined ? undefined : Number(px);
};

/** The first columns stay in sight for as long as each of them is to, and where it stands is known. */
export function pinnedColumns(
  columns: readonly Placed[],
  sizes: Readonly<Record<string, number>> = {},
): readonly string[] {
  const staying: string[] = [];
  for (const { id, width, stays } of columns) {
    if (stays !== true) break;
    staying.push(id);
    if (sizes[id] === undefined && pixelsOf(width) === undefined) break;
  }
  return staying;
}

interface Staying {
  readonly left: number | undefined;
  readonly edge: boolean;
}

export const stayClass = ({ left, edge }: Staying): string =>
  left === undefined ? '' : edge ? 'stays edge' : 'stays';

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
