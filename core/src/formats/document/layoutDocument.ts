import { type Flow, type Strip, paginate } from '../../reports/pages/flow.ts';
import { reportFlow } from '../../reports/pages/layoutReport.ts';
import type { LaidPages, MeasureText, PageItem } from '../../reports/pages/page.ts';
import { wrapText } from '../../reports/pages/page.ts';
import { paperOf } from '../../reports/pages/paper.ts';
import { paperWordsOf, writingOf } from '../report/printed.ts';
import { type DocumentFrame, centeredText, lineStrip, space, textStrips } from './strips.ts';
import { letterheadStrip } from './letterhead.ts';
import { pictureStrips } from './pictureStrips.ts';
import type { PrintedBlock, PrintedDocument } from './printed.ts';
import { signatureStrips } from './signatures.ts';
import { tableFlow } from './tableStrips.ts';

const SIZE = { close: 9, usual: 10, wide: 11 } as const;
/** A letter has more room around it than a table. */
const USUAL_MARGIN_MM = 20;

/** A document as pages: its parts one below the other, headings with what they are over. */
export function layoutDocument(document: PrintedDocument, measure: MeasureText): LaidPages {
  const frame = frameOf(document, measure);
  const flows = document.blocks.flatMap((block) => blockFlows(frame, document, block));
  const pages = paginate(frame, flows, 0);
  const { widthPt, heightPt } = frame;
  return {
    widthPt,
    heightPt,
    pages: pages.map((items, at) => ({ items: [...items, ...edges(frame, document, at + 1, pages.length)] })),
  };
}

function frameOf({ page, paper }: PrintedDocument, measure: MeasureText): DocumentFrame {
  const size = SIZE[page.density ?? 'usual'];
  const on = paperOf(page, paper, USUAL_MARGIN_MM);
  return { ...on, size, lineHeight: size * 1.35, widthBetween: on.widthPt - 2 * on.margin, measure };
}

const GAP_BEFORE = 10;

/** A part with its heading, and some room before it. */
function blockFlows(frame: DocumentFrame, document: PrintedDocument, block: PrintedBlock): readonly Flow[] {
  if (block.kind === 'break') return [{ strips: [{ ...space(0), startsPage: true }] }];
  const flow = contentFlow(frame, document, block);
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
