import { type Flow, type Strip, paginate } from '../../reports/pages/flow.ts';
import { reportFlow } from '../../reports/pages/layoutReport.ts';
import {
  type LaidPages,
  type MeasureText,
  type PageItem,
  isBoldLook,
  wrapText,
} from '../../reports/pages/page.ts';
import { type PaperSize, paperOf } from '../../reports/pages/paper.ts';
import { paperWordsOf, writingOf } from '../report/printed.ts';
import { type DocumentFrame, centeredText, lineStrip, space, textStrips } from './strips.ts';
import { letterheadStrip } from './letterhead.ts';
import { pictureStrips } from './pictureStrips.ts';
import type { PrintedBlock, PrintedDocument } from './printed.ts';
import { signatureStrips } from './signatures.ts';
import { tableFlow } from './tableStrips.ts';

/** Points of the letters by density. */
const SIZE = { close: 9, usual: 10, wide: 11 } as const;
/** A letter has more room around it than a table. */
const USUAL_MARGIN_MM = 20;

/** A document as pages: its parts one below the other, headings with what they are over. */
export function layoutDocument(document: PrintedDocument, measure: MeasureText): LaidPages {
  const frame = frameOf(document, measure);
  const linked = linkedBlocks(document);
  const flows = document.blocks.flatMap((block) => {
    const made = blockFlows(frame, document, block);
    return linked.has(block.key) ? anchored(made, block.key) : made;
  });
  const pages = numberPages(paginate(frame, flows, 0), measure);
  const { widthPt, heightPt } = frame;
  return {
    widthPt,
    heightPt,
    pages: pages.map((items, at) => ({ items: [...items, ...edges(frame, document, at + 1, pages.length)] })),
  };
}

/** Puts in the numbers of pages that could only be known once everything had its place. */
function numberPages(
  pages: readonly (readonly PageItem[])[],
  measure: MeasureText,
): readonly (readonly PageItem[])[] {
  const numbers = new Map<string, number>();
  pages.forEach((items, at) => {
    for (const item of items) if (item.kind === 'anchor') numbers.set(item.name, at + 1);
  });
  if (numbers.size === 0) return pages;
  return pages.map((items) =>
    items.map((item) => {
      if (item.kind !== 'text' || item.pageOf === undefined) return item;
      const { pageOf, ...rest } = item;
      const number = numbers.get(pageOf);
      const text = number === undefined ? '' : String(number);
      const right = item.x + measure(item.text, isBoldLook(item.look)) * item.size;
      return { ...rest, text, x: right - measure(text, isBoldLook(item.look)) * item.size };
    }),
  );
}

/** The blocks that something leads to. */
function linkedBlocks({ blocks }: PrintedDocument): ReadonlySet<string> {
  const linked = new Set<string>();
  for (const block of blocks)
    if (block.kind === 'table')
      for (const { cells } of block.table.rows)
        for (const { link, pageOf } of cells)
          for (const key of [link, pageOf]) if (key !== undefined) linked.add(key);
  return linked;
}

/** Flows whose first strip is a place to lead to. */
function anchored(flows: readonly Flow[], name: string): readonly Flow[] {
  const at = flows.findIndex(({ strips }) => strips.length > 0);
  return flows.map((flow, index) =>
    index === at
      ? {
          ...flow,
          strips: flow.strips.map((strip, place) => (place === 0 ? withAnchor(strip, name) : strip)),
        }
      : flow,
  );
}

/** A strip that says where it is. */
const withAnchor = (strip: Strip, name: string): Strip => ({
  ...strip,
  draw: (top) => [{ kind: 'anchor', y: top, name }, ...strip.draw(top)],
});

/** The paper of a document and the size of its letters, for every format that has pages. */
export const sheetOfDocument = ({
  page,
  paper,
}: Pick<PrintedDocument, 'page' | 'paper'>): PaperSize & { readonly size: number } => ({
  ...paperOf(page, paper, USUAL_MARGIN_MM),
  size: SIZE[page.density ?? 'usual'],
});

function frameOf(document: PrintedDocument, measure: MeasureText): DocumentFrame {
  const on = sheetOfDocument(document);
  const { size } = on;
  return { ...on, lineHeight: size * 1.35, widthBetween: on.widthPt - 2 * on.margin, measure };
}

const GAP_BEFORE = 10;

/** A part with its heading, and some room before it. */
function blockFlows(frame: DocumentFrame, document: PrintedDocument, block: PrintedBlock): readonly Flow[] {
  if (block.kind === 'break') return [{ strips: [{ ...space(0), startsPage: true }] }];
  const flow = kept(contentFlow(frame, document, block), block);
  if (flow.strips.length === 0) return [];
  const isFirst = document.blocks[0]?.key === block.key;
  const before = isFirst ? [] : [space(GAP_BEFORE)];
  const heading =
    block.heading === ''
      ? []
      : textStrips(frame, block.heading, 'bold', frame.size * 1.1).map((strip) => ({
          ...strip,
          keepsNext: true,
        }));
  return [{ strips: [...before, ...heading] }, flow];
}

/** What stays with the next block: its last strip may not be the last on a page. */
const kept = (flow: Flow, { keepsNext }: PrintedBlock): Flow =>
  keepsNext === true
    ? {
        ...flow,
        strips: flow.strips.map((strip, at) =>
          at === flow.strips.length - 1 ? { ...strip, keepsNext: true } : strip,
        ),
      }
    : flow;

function contentFlow(frame: DocumentFrame, document: PrintedDocument, block: PrintedBlock): Flow {
  switch (block.kind) {
    case 'letterhead':
      return { strips: [letterheadStrip(frame, document, block)] };
    case 'paragraphs':
      return {
        strips: block.paragraphs.flatMap(({ text, look }) =>
          look === 'title'
            ? [space(6), ...textStrips(frame, text, 'bold', frame.size * 1.3)]
            : textStrips(frame, text, look),
        ),
      };
    case 'list':
      return { strips: block.items.flatMap((item) => listStrips(frame, item)) };
    case 'table':
      return tableFlow(frame, block.table);
    case 'signatures':
      return { strips: signatureStrips(frame, block.names) };
    case 'picture':
      return { strips: pictureStrips(frame, block) };
    case 'report': {
      const { report, paper } = block.printed;
      const writing = writingOf(block.printed);
      const page = { ...report.page, ...sheetOf(document) };
      return reportFlow(
        { ...report, page },
        { measure: frame.measure, writing, words: paperWordsOf(block.printed), paper },
      );
    }
    case 'break':
      return { strips: [] };
  }
}

/** A report in a document lies on its paper. */
const sheetOf = ({ page, paper }: PrintedDocument): PrintedDocument['page'] => ({
  paper: page.paper ?? paper,
  landscape: page.landscape === true,
  marginMm: page.marginMm ?? USUAL_MARGIN_MM,
});

const LIST_INDENT = 12;

/** An item of a list, its lines beside the mark. */
function listStrips(frame: DocumentFrame, item: string): readonly Strip[] {
  const { margin, size, widthBetween, measure } = frame;
  const lines = wrapText(item, widthBetween - LIST_INDENT, size, false, measure);
  return lines.map((text, line) => ({
    ...lineStrip(frame, [
      ...(line === 0 ? [{ x: margin + 2, text: '•' }] : []),
      { x: margin + LIST_INDENT, text },
    ]),
    keepsNext: line < lines.length - 1,
  }));
}

/** The head and the foot of a page. */
function edges(
  frame: DocumentFrame,
  { header, footer }: PrintedDocument,
  page: number,
  pages: number,
): readonly PageItem[] {
  const fill = (text: string): string =>
    text.replaceAll('{page}', String(page)).replaceAll('{pages}', String(pages));
  const small = Math.max(7, frame.size - 2);
  return [
    ...centeredText(frame, fill(header), frame.margin - small * 0.9, small),
    ...centeredText(frame, fill(footer), frame.heightPt - frame.margin + small * 2, small),
  ];
}
