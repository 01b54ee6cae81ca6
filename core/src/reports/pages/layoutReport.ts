import type { Cell } from '../cell.ts';
import type { Report, ReportGroup } from '../report.ts';
import { edgeItems, titleItems } from './edges.ts';
import type { Frame, LayoutBy } from './frame.ts';
import { joinCellText, writeCell } from '../writeCell.ts';
import { type Flow, type Strip, paginate } from './flow.ts';
import { type LaidPages, type PageItem, type TextLook, type Tint, wrapText } from './page.ts';
import { paperOf } from './paper.ts';

const SIZE = { close: 7, usual: 8.5, wide: 10 } as const;
const CELL_GAP = 6;
const MOST_LINES = 8;

/** A report as pages: heading rows repeat, and no group's head stays alone at the foot of a page. */
export function layoutReport(report: Report, by: LayoutBy): LaidPages {
  const frame = frameOf(report, by);
  const title = titleItems(frame);
  const pages = paginate(frame, [flowOf(frame)], title.height);
  const items = pages.map((placed, at) => [
    ...(at === 0 ? title.items : []),
    ...edgeItems(frame, at + 1, pages.length),
    ...placed,
  ]);
  return { widthPt: frame.widthPt, heightPt: frame.heightPt, pages: items.map((each) => ({ items: each })) };
}

const flowOf = (frame: Frame): Flow => ({ heading: headingStrip(frame), strips: stripsOf(frame) });

/** The rows of a report as a part of something else, on its paper. */
export const reportFlow = (report: Report, by: LayoutBy): Flow => flowOf(frameOf(report, by));

function frameOf(report: Report, by: LayoutBy): Frame {
  const { page } = report;
  const { widthPt, heightPt, margin } = paperOf(page, by.paper);
  const size = SIZE[page.density ?? 'usual'];
  const asked = report.columns.reduce((sum, { width }) => sum + width, 0);
  const room = widthPt - 2 * margin;
  let x = margin;
  const columns = report.columns.map(({ width }) => {
    const own = (width / Math.max(1, asked)) * room;
    const column = { x, width: own - CELL_GAP };
    x += own;
    return column;
  });
  const lineHeight = size * 1.25;
  const tinted = page.tinted !== false;
  return { by, report, widthPt, heightPt, margin, size, lineHeight, rowGap: size * 0.45, tinted, columns };
}

/** Texts of one strip, column by column, in lines. */
interface CellLines {
  readonly column: number;
  readonly lines: readonly string[];
  readonly right: boolean;
  readonly size: number;
  readonly look: TextLook;
}

function cellLines(frame: Frame, at: number, cell: Cell, look: TextLook): CellLines {
  const { report, by, columns, size } = frame;
  const column = report.columns[at];
  const text = joinCellText(writeCell(cell, column?.places, by.writing));
  const right = column?.align === 'right';
  const width = columns[at]?.width ?? 0;
  const bold = look === 'bold';
  if (cell?.kind === 'text' || cell?.kind === 'mixed' || cell?.kind === 'failure' || cell?.kind === 'date')
    return {
      column: at,
      lines: wrapText(text, width, size, bold, by.measure).slice(0, MOST_LINES),
      right,
      size,
      look,
    };
  // A figure is never broken or cut: one that is too wide is written smaller.
  const needed = by.measure(text, bold) * size;
  const fitted = needed > width && needed > 0 ? (size * width) / needed : size;
  return { column: at, lines: text === '' ? [] : [text], right, size: fitted, look };
}

function drawLines(frame: Frame, cells: readonly CellLines[], top: number): readonly PageItem[] {
  const { columns, by, lineHeight, size } = frame;
  return cells.flatMap(({ column, lines, right, size: own, look }) => {
    const { x = 0, width = 0 } = columns[column] ?? {};
    return lines.map((text, line): PageItem => {
      const left = right ? x + width - by.measure(text, look === 'bold') * own : x;
      return { kind: 'text', x: left, y: top + line * lineHeight + size, text, size: own, look };
    });
  });
}

const heightOf = ({ lineHeight, rowGap }: Frame, cells: readonly CellLines[]): number =>
  Math.max(1, ...cells.map(({ lines }) => lines.length)) * lineHeight + rowGap;

const tintItem = (frame: Frame, top: number, height: number, tint: Tint): readonly PageItem[] =>
  frame.tinted
    ? [
        {
          kind: 'fill',
          x: frame.margin - 3,
          y: top - frame.rowGap / 2,
          width: frame.widthPt - 2 * frame.margin + 6,
          height,
          tint,
        },
      ]
    : [];

const ruleItem = ({ margin, widthPt }: Frame, y: number, heavy = false): PageItem => ({
  kind: 'rule',
  x: margin,
  y,
  width: widthPt - 2 * margin,
  heavy,
});

function headingStrip(frame: Frame): Strip {
  const { report, columns, size, by } = frame;
  const cells = report.columns.map(({ heading, align }, column): CellLines => ({
    column,
    lines: wrapText(heading, columns[column]?.width ?? 0, size, true, by.measure).slice(0, 3),
    right: align === 'right',
    size,
    look: 'bold',
  }));
  const height = heightOf(frame, cells) + 2;
  return {
    height,
    keepsNext: true,
    startsPage: false,
    draw: (top) => [
      ...tintItem(frame, top, height, 'heading'),
      ...drawLines(frame, cells, top),
      ruleItem(frame, top + height - frame.rowGap / 2 - 1, true),
    ],
  };
}

/** All strips of a report from top to bottom. */
function stripsOf(frame: Frame): readonly Strip[] {
  const { report } = frame;
  const strips: Strip[] = [];
  const hasTotals = report.columns.some(({ total }) => total !== undefined);
  const visit = (group: ReportGroup, isFirst: boolean): void => {
    if (group.depth > 0) {
      strips.push(groupStrip(frame, group, isFirst));
      if (group.collapsed) return;
    }
    if (group.groups.length > 0) group.groups.forEach((inner, at) => visit(inner, isFirst && at === 0));
    else for (let row = group.from; row < group.to; row += 1) strips.push(rowStrip(frame, row));
    if (group.depth > 0 && hasTotals) strips.push(totalStrip(frame, group));
  };
  visit(report.root, true);
  if (hasTotals) strips.push(totalStrip(frame, report.root));
  return strips;
}

function rowStrip(frame: Frame, at: number): Strip {
  const cells = (frame.report.rows[at]?.cells ?? []).map((cell, column) =>
    cellLines(frame, column, cell, 'plain'),
  );
  const height = heightOf(frame, cells);
  return {
    height,
    keepsNext: false,
    startsPage: false,
    draw: (top) => [...drawLines(frame, cells, top), ruleItem(frame, top + height - frame.rowGap / 2)],
  };
}

function nameOfGroup({ by }: Frame, { label, heading }: ReportGroup): string {
  const name = joinCellText(writeCell(label, undefined, by.writing));
  return name === '' ? by.words.without(heading) : name;
}

/** The head of a group; closed, it stands for all of it with its totals. */
function groupStrip(frame: Frame, group: ReportGroup, isFirst: boolean): Strip {
  const { margin, size, widthPt, by } = frame;
  const indent = (group.depth - 1) * size;
  const totals = group.collapsed ? totalCells(frame, group) : [];
  const free = freeWidth(frame, totals);
  const lines = wrapText(
    nameOfGroup(frame, group),
    Math.min(free, widthPt - 2 * margin) - indent,
    size,
    true,
    by.measure,
  );
  const height = Math.max(heightOf(frame, totals), lines.length * frame.lineHeight + frame.rowGap);
  return {
    height,
    keepsNext: !group.collapsed,
    startsPage: group.startsPage && !isFirst,
    draw: (top) => [
      ...tintItem(frame, top, height, 'group'),
      ...lines.map((text, line): PageItem => ({
        kind: 'text',
        x: margin + indent,
        y: top + line * frame.lineHeight + size,
        text,
        size,
        look: 'bold',
      })),
      ...drawLines(frame, totals, top),
    ],
  };
}

function totalCells(frame: Frame, { totals }: ReportGroup): readonly CellLines[] {
  return totals.flatMap((cell, column) =>
    cell === undefined ? [] : [cellLines(frame, column, cell, 'bold')],
  );
}

/** The room before the first column that has a total. */
function freeWidth({ columns, margin, widthPt }: Frame, cells: readonly CellLines[]): number {
  const [first] = cells;
  const x = first === undefined ? widthPt - margin : (columns[first.column]?.x ?? widthPt - margin);
  return Math.max(60, x - margin - CELL_GAP);
}

function totalStrip(frame: Frame, group: ReportGroup): Strip {
  const { by, margin, size } = frame;
  const words = group.depth === 0 ? by.words.total : by.words.totalOf(nameOfGroup(frame, group));
  const indent = Math.max(0, group.depth - 1) * size;
  const cells = totalCells(frame, group);
  const lines = wrapText(words, freeWidth(frame, cells) - indent, size, true, by.measure);
  const height = Math.max(heightOf(frame, cells), lines.length * frame.lineHeight + frame.rowGap) + 2;
  return {
    height,
    keepsNext: false,
    startsPage: false,
    draw: (top) => [
      ruleItem(frame, top - frame.rowGap / 2, group.depth === 0),
      ...lines.map((text, line): PageItem => ({
        kind: 'text',
        x: margin + indent,
        y: top + line * frame.lineHeight + size + 1,
        text,
        size,
        look: 'bold',
      })),
      ...drawLines(frame, cells, top + 1),
      ...(group.depth === 0 ? [] : [ruleItem(frame, top + height - frame.rowGap / 2)]),
    ],
  };
}
