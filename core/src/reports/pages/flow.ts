import type { PageItem } from './page.ts';

/** One strip across a page: a row, a line of a text, a head or a foot of a group. */
export interface Strip {
  readonly height: number;
  readonly draw: (top: number) => readonly PageItem[];
  /** It may not be the last on its page. */
  readonly keepsNext: boolean;
  readonly startsPage: boolean;
}

/** Strips one below the other. The heading stands above them on every page they reach. */
export interface Flow {
  readonly heading?: Strip;
  readonly strips: readonly Strip[];
}

export interface PageRoom {
  readonly margin: number;
  readonly heightPt: number;
}

/** A strip, and the heading that is repeated where it begins a page; none for a heading itself. */
interface Entry {
  readonly strip: Strip;
  readonly heading: Strip | undefined;
  readonly isHeading: boolean;
}

const entriesOf = (flows: readonly Flow[]): readonly Entry[] =>
  flows.flatMap(({ heading, strips }) => [
    ...(heading === undefined ? [] : [{ strip: heading, heading: undefined, isHeading: true }]),
    ...strips.map((strip) => ({ strip, heading, isHeading: false })),
  ]);

/** Strips on pages, the first beginning `titleHeight` below its margin: what keeps what comes next goes over with it. */
export function paginate(
  { margin, heightPt }: PageRoom,
  flows: readonly Flow[],
  titleHeight: number,
): readonly PageItem[][] {
  const entries = entriesOf(flows);
  const bottom = heightPt - margin;
  let items: PageItem[] = [];
  const pages: PageItem[][] = [items];
  let top = margin + titleHeight;
  // Nothing but headings stands on the page yet.
  let isFresh = true;
  const draw = (strip: Strip): void => {
    for (const item of strip.draw(top)) items.push(item);
    top += strip.height;
  };
  const begin = (heading: Strip | undefined): void => {
    items = [];
    pages.push(items);
    top = margin;
    isFresh = true;
    if (heading !== undefined) draw(heading);
  };
  entries.forEach(({ strip, heading, isHeading }, at) => {
    const needed = heightKept(entries, at);
    const room = bottom - margin - (heading?.height ?? 0);
    const isOver = (top + needed > bottom && needed <= room) || top + strip.height > bottom;
    if (!isFresh && (strip.startsPage || isOver)) begin(heading);
    draw(strip);
    if (!isHeading) isFresh = false;
  });
  return pages;
}

/** A strip with all that has to stand on its page: heads one inside the other, and the first row below them. */
function heightKept(entries: readonly Entry[], from: number): number {
  let height = 0;
  for (let at = from; at < entries.length; at += 1) {
    const entry = entries[at];
    if (entry === undefined) break;
    height += entry.strip.height;
    if (!entry.strip.keepsNext) break;
  }
  return height;
}
