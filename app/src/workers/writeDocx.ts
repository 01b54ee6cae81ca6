import {
  AlignmentType,
  BorderStyle,
  Document,
  type FileChild,
  Footer,
  Header,
  ImageRun,
  Packer,
  PageBreak,
  PageNumber,
  PageOrientation,
  Paragraph,
  type ParagraphChild,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from 'docx';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import {
  LOGO,
  type Picture,
  type PrintedBlock,
  type PrintedDocument,
  type PrintedParagraph,
  type PrintedTable,
} from '@zest/core/formats/document/printed';
import { sheetOfDocument } from '@zest/core/formats/document/layoutDocument';
import { paperWordsOf } from '@zest/core/formats/report/printed';
import { reportCells } from './reportCells.ts';

/** Lengths of this format are twentieths of a point, sizes of letters half points. */
const TWIPS = 20;
const HALF_POINTS = 2;
const PX_A_POINT = 96 / 72;
const INK = '18211C';
const SOFT = '56615A';
const WARN = 'A3203F';
const PITH = 'D9D3C2';

interface Writing {
  readonly document: PrintedDocument;
  readonly size: number;
  /** Between the margins, points. */
  readonly widthPt: number;
}

/** A document for word processors: texts are texts, tables are tables. It has no clock: equal documents are equal files. */
export async function writeDocx(document: PrintedDocument): Promise<Uint8Array<ArrayBuffer>> {
  const { page, title, author } = document;
  const on = sheetOfDocument(document);
  const writing: Writing = {
    document,
    size: on.size,
    widthPt: on.widthPt - 2 * on.margin,
  };
  const isWide = page.landscape === true;
  const margin = Math.round(on.margin * TWIPS);
  const [width, height] = [on.widthPt, on.heightPt].map((each) => Math.round(each * TWIPS)) as [
    number,
    number,
  ];
  const file = new Document({
    title,
    creator: author,
    lastModifiedBy: author,
    styles: {
      default: { document: { run: { font: 'Arial', size: writing.size * HALF_POINTS, color: INK } } },
    },
    sections: [
      {
        properties: {
          page: {
            margin: { top: margin, bottom: margin, left: margin, right: margin },
            // The library turns the sides itself.
            size: isWide
              ? { width: height, height: width, orientation: PageOrientation.LANDSCAPE }
              : { width, height },
          },
        },
        ...(document.header === ''
          ? {}
          : { headers: { default: new Header({ children: [edge(document.header)] }) } }),
        ...(document.footer === ''
          ? {}
          : { footers: { default: new Footer({ children: [edge(document.footer)] }) } }),
        children: document.blocks.flatMap((block) => blockOf(writing, block)),
      },
    ],
  });
  return withoutClock(new Uint8Array(await Packer.toArrayBuffer(file)));
}

const DATE = /(<dcterms:(?:created|modified)[^>]*>)[^<]*/g;
/** The first day a zip can hold. */
const FIRST_DAY = new Date(1980, 0, 1);

/** The same file without the moment it was written. */
function withoutClock(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
  const entries = unzipSync(bytes);
  const core = entries['docProps/core.xml'];
  if (core !== undefined)
    entries['docProps/core.xml'] = strToU8(strFromU8(core).replace(DATE, '$11980-01-01T00:00:00Z'));
  const sorted = Object.fromEntries(
    Object.keys(entries)
      .sort()
      .map((name) => [name, entries[name] as Uint8Array]),
  );
  return zipSync(sorted, { mtime: FIRST_DAY }) as Uint8Array<ArrayBuffer>;
}

/** A head or a foot of a page, its numbers filled in by the word processor. */
const edge = (text: string): Paragraph =>
  new Paragraph({
    alignment: AlignmentType.CENTER,
    children: text
      .split(/(\{pages?\})/)
      .filter((part) => part !== '')
      .map(
        (part) =>
          new TextRun({
            size: 16,
            color: SOFT,
            ...(part === '{page}'
              ? { children: [PageNumber.CURRENT] }
              : part === '{pages}'
                ? { children: [PageNumber.TOTAL_PAGES] }
                : { text: part }),
          }),
      ),
  });

function blockOf(writing: Writing, block: PrintedBlock): readonly FileChild[] {
  if (block.kind === 'break') return [new Paragraph({ children: [new PageBreak()] })];
  const content = contentOf(writing, block);
  if (content.length === 0) return [];
  const heading =
    block.heading === ''
      ? []
      : [
          new Paragraph({
            keepNext: true,
            spacing: { before: 200, after: 60 },
            children: [
              new TextRun({ text: block.heading, bold: true, size: (writing.size + 1) * HALF_POINTS }),
            ],
          }),
        ];
  return [...heading, ...content, ...(block.kind === 'table' ? [spacer()] : [])];
}

const spacer = (): Paragraph => new Paragraph({ spacing: { before: 0, after: 0 }, children: [] });

function contentOf(writing: Writing, block: PrintedBlock): readonly FileChild[] {
  switch (block.kind) {
    case 'letterhead':
      return letterhead(writing, block);
    case 'paragraphs':
      return block.paragraphs.flatMap((paragraph) => paragraphOf(writing, paragraph));
    case 'list':
      return block.items.map(
        (text) => new Paragraph({ bullet: { level: 0 }, children: [new TextRun(text)] }),
      );
    case 'table':
      return block.table.rows.length === 0 ? [] : [tableOf(writing, block.table)];
    case 'signatures':
      return signatures(writing, block.names);
    case 'picture':
      return pictureOf(writing, block);
    case 'report':
      return [
        tableOf(writing, reportCells(block.printed)),
        spacer(),
        ...noteOf(paperWordsOf(block.printed).leftOut),
      ];
    case 'break':
      return [];
  }
}

const noteOf = (text: string): readonly Paragraph[] =>
  text === '' ? [] : [new Paragraph({ children: [new TextRun({ text, color: SOFT })] })];

function paragraphOf({ size }: Writing, { text, look }: PrintedParagraph): readonly Paragraph[] {
  const run = {
    bold: look === 'bold' || look === 'title' || look === 'warn',
    color: look === 'soft' ? SOFT : look === 'warn' ? WARN : INK,
    size: (look === 'title' ? size * 1.3 : size) * HALF_POINTS,
  };
  return text.split('\n').map(
    (line) =>
      new Paragraph({
        spacing: { before: look === 'title' ? 160 : 0, after: 20 },
        children: [new TextRun({ text: line, ...run })],
      }),
  );
}

const NO_BORDER = { style: BorderStyle.NONE, size: 0, color: 'auto' } as const;
const NO_BORDERS = { top: NO_BORDER, bottom: NO_BORDER, left: NO_BORDER, right: NO_BORDER } as const;
const THIN = { style: BorderStyle.SINGLE, size: 4, color: PITH } as const;
const HEAVY = { style: BorderStyle.SINGLE, size: 10, color: INK } as const;

/** Who writes, and what it is, beside each other over a line. */
function letterhead(
  { document, size, widthPt }: Writing,
  { company, address, title, dated }: Extract<PrintedBlock, { kind: 'letterhead' }>,
): readonly FileChild[] {
  const logo = document.page.logo === false ? undefined : document.pictures[LOGO];
  const big = size * 1.5 * HALF_POINTS;
  const left = [
    ...(logo === undefined
      ? []
      : [new Paragraph({ children: [imageOf(logo, Math.min(160, 44 * ratioOf(logo)), '')] })]),
    new Paragraph({ children: [new TextRun({ text: company, bold: true, size: big })] }),
    ...address.map((text) => new Paragraph({ children: [new TextRun({ text, color: SOFT })] })),
  ];
  const right = [
    new Paragraph({
      alignment: AlignmentType.RIGHT,
      children: [new TextRun({ text: title, bold: true, size: big })],
    }),
    new Paragraph({ alignment: AlignmentType.RIGHT, children: [new TextRun({ text: dated, color: SOFT })] }),
  ];
  const cell = (children: readonly Paragraph[]): TableCell =>
    new TableCell({ children: [...children], borders: { ...NO_BORDERS, bottom: HEAVY } });
  const half = Math.round((widthPt * TWIPS) / 2);
  return [
    new Table({
      width: { size: 100, type: WidthType.PERCENTAGE },
      columnWidths: [half, half],
      borders: { ...NO_BORDERS, insideHorizontal: NO_BORDER, insideVertical: NO_BORDER },
      rows: [new TableRow({ children: [cell(left), cell(right)] })],
    }),
    spacer(),
  ];
}

function tableOf({ widthPt }: Writing, { columns, hasHead, rows }: PrintedTable): Table {
  const letters = columns.map(({ heading }, at) =>
    Math.max(
      4,
      hasHead ? heading.length : 0,
      ...rows.map(({ cells }) => Math.min(40, (cells[at]?.text ?? '').length)),
    ),
  );
  const all = letters.reduce((sum, each) => sum + each, 0);
  const widths = letters.map((each) => Math.round((each / all) * widthPt * TWIPS));
  const cell = (
    text: string,
    at: number,
    isBold: boolean,
    indent: number,
    top: typeof HEAVY | typeof NO_BORDER,
  ): TableCell =>
    new TableCell({
      width: { size: widths[at] ?? 0, type: WidthType.DXA },
      borders: { ...NO_BORDERS, top, bottom: THIN },
      margins: { top: 30, bottom: 30, left: 40, right: 40 },
      children: [
        new Paragraph({
          alignment: columns[at]?.align === 'right' ? AlignmentType.RIGHT : AlignmentType.LEFT,
          indent: { left: columns[at]?.isWide === true ? indent * 240 : 0 },
          children: [new TextRun({ text, bold: isBold })],
        }),
      ],
    });
  const head = hasHead
    ? [
        new TableRow({
          tableHeader: true,
          cantSplit: true,
          children: columns.map(({ heading }, at) => cell(heading, at, true, 0, NO_BORDER)),
        }),
      ]
    : [];
  const body = rows.map(({ cells, look, indent }) => {
    const isBold = look === 'bold' || look === 'total';
    return new TableRow({
      cantSplit: true,
      children: columns.map((_, at) =>
        cell(cells[at]?.text ?? '', at, isBold, indent, look === 'total' ? HEAVY : NO_BORDER),
      ),
    });
  });
  return new Table({
    width: { size: Math.round(widthPt * TWIPS), type: WidthType.DXA },
    columnWidths: widths,
    borders: { ...NO_BORDERS, insideHorizontal: NO_BORDER, insideVertical: NO_BORDER },
    rows: [...head, ...body],
  });
}

/** Lines to sign on, two beside each other. */
function signatures({ size }: Writing, names: readonly string[]): readonly FileChild[] {
  const rows = Array.from({ length: Math.ceil(names.length / 2) }, (_, row) =>
    names.slice(row * 2, row * 2 + 2),
  );
  const cell = (name: string | undefined): TableCell =>
    new TableCell({
      borders: { ...NO_BORDERS, ...(name === undefined ? {} : { top: HEAVY }) },
      children: [
        new Paragraph({
          children: [new TextRun({ text: name ?? '', color: SOFT, size: (size - 1) * HALF_POINTS })],
        }),
      ],
    });
  const gap = (): TableCell => new TableCell({ borders: NO_BORDERS, children: [spacer()] });
  return rows.flatMap((pair) => [
    new Paragraph({ spacing: { before: 700 }, children: [] }),
    new Table({
      width: { size: 100, type: WidthType.PERCENTAGE },
      columnWidths: [4400, 500, 4400],
      borders: { ...NO_BORDERS, insideHorizontal: NO_BORDER, insideVertical: NO_BORDER },
      rows: [new TableRow({ cantSplit: true, children: [cell(pair[0]), gap(), cell(pair[1])] })],
    }),
  ]);
}

const ratioOf = ({ widthPx, heightPx }: Picture): number => widthPx / heightPx;

/** A picture so many points wide. */
function imageOf(picture: Picture, widthPt: number, words: string): ParagraphChild {
  const width = Math.round(widthPt * PX_A_POINT);
  return new ImageRun({
    type: picture.mediaType === 'image/png' ? 'png' : 'jpg',
    data: Uint8Array.from(atob(picture.data), (letter) => letter.charCodeAt(0)),
    transformation: { width, height: Math.round(width / ratioOf(picture)) },
    altText: { name: words, description: words, title: words },
  });
}

function pictureOf(
  { document, widthPt }: Writing,
  { picture, caption, words, widthPercent }: Extract<PrintedBlock, { kind: 'picture' }>,
): readonly FileChild[] {
  const found = document.pictures[picture];
  if (found === undefined)
    return [new Paragraph({ children: [new TextRun({ text: words, color: WARN, bold: true })] })];
  return [
    new Paragraph({
      keepNext: caption !== '',
      children: [imageOf(found, (widthPt * widthPercent) / 100, words)],
    }),
    ...noteOf(caption),
  ];
}
