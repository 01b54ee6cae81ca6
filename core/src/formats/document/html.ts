import { escapeXml } from '../report/escape.ts';
import { htmlPage, reportTable } from '../report/html.ts';
import {
  LOGO,
  type PrintedBlock,
  type PrintedColumn,
  type PrintedDocument,
  type PrintedRow,
  type PrintedTable,
} from './printed.ts';

const STYLE = `
main { max-width: 760px; margin: 0 auto; }
section { margin-top: 18px; }
h2 { font-size: 14px; margin: 0 0 4px; }
p { color: inherit; white-space: pre-line; }
.soft { color: #56615a; }
.bold { font-weight: 600; }
.title { font-size: 18px; font-weight: 600; margin-top: 10px; }
.warn { color: #a3203f; font-weight: 600; }
.head { display: flex; justify-content: space-between; gap: 24px; border-bottom: 2px solid #18211c; padding-bottom: 8px; }
.head .right { text-align: right; white-space: normal; }
.head h1, .head .company { font-size: 18px; font-weight: 600; margin: 0; }
.head img { max-height: 60px; max-width: 220px; display: block; margin-bottom: 6px; }
.inner td:nth-child(2) { padding-left: 24px; }
.sum td { font-weight: 600; font-size: 15px; border-top: 2px solid #18211c; }
figure { margin: 0; }
figcaption { color: #56615a; font-size: 12px; }
.signatures { display: grid; grid-template-columns: 1fr 1fr; gap: 48px 30px; margin-top: 56px; }
.signatures p { border-top: 1px solid #18211c; color: #56615a; font-size: 12px; padding-top: 2px; }
.break { break-before: page; }
`;

/** A document as one page that any browser shows and prints, pictures and all. */
export const documentHtml = (document: PrintedDocument): string =>
  htmlPage(
    document.language,
    document.title,
    document.blocks.flatMap((block) => blockHtml(document, block)),
    STYLE,
  );

function blockHtml(document: PrintedDocument, block: PrintedBlock): readonly string[] {
  if (block.kind === 'break') return [`<div class="break"></div>`];
  const content = contentHtml(document, block);
  if (content.length === 0) return [];
  const heading = block.heading === '' ? [] : [`<h2>${escapeXml(block.heading)}</h2>`];
  return [`<section>`, ...heading, ...content, `</section>`];
}

function contentHtml(document: PrintedDocument, block: PrintedBlock): readonly string[] {
  switch (block.kind) {
    case 'letterhead':
      return letterheadHtml(document, block);
    case 'paragraphs':
      return block.paragraphs.map(({ text, look }) => `<p class="${look}">${escapeXml(text)}</p>`);
    case 'list':
      return block.items.length === 0
        ? []
        : [`<ul>`, ...block.items.map((item) => `<li>${escapeXml(item)}</li>`), `</ul>`];
    case 'table':
      return tableHtml(block.table);
    case 'signatures':
      return [
        `<div class="signatures">`,
        ...block.names.map((name) => `<p>${escapeXml(name)}</p>`),
        `</div>`,
      ];
    case 'picture':
      return pictureHtml(document, block);
    case 'report':
      return reportTable(block.printed);
    case 'break':
      return [];
  }
}

const addressOf = ({ pictures }: PrintedDocument, name: string): string | undefined => {
  const picture = pictures[name];
  return picture === undefined ? undefined : `data:${picture.mediaType};base64,${picture.data}`;
};

function letterheadHtml(
  document: PrintedDocument,
  { company, address, title, dated }: Extract<PrintedBlock, { kind: 'letterhead' }>,
): readonly string[] {
  const logo = document.page.logo === false ? undefined : addressOf(document, LOGO);
  return [
    `<div class="head"><div>`,
    ...(logo === undefined ? [] : [`<img src="${logo}" alt="">`]),
    `<p class="company">${escapeXml(company)}</p>`,
    ...address.map((line) => `<p class="soft">${escapeXml(line)}</p>`),
    `</div><div class="right"><h1>${escapeXml(title)}</h1><p class="soft">${escapeXml(dated)}</p></div></div>`,
  ];
}

function pictureHtml(
  document: PrintedDocument,
  { picture, caption, words, widthPercent }: Extract<PrintedBlock, { kind: 'picture' }>,
): readonly string[] {
  const address = addressOf(document, picture);
  if (address === undefined) return [`<p class="warn">${escapeXml(words)}</p>`];
  return [
    `<figure><img src="${address}" alt="${escapeXml(words)}" style="width:${widthPercent}%">`,
    ...(caption === '' ? [] : [`<figcaption>${escapeXml(caption)}</figcaption>`]),
    `</figure>`,
  ];
}

function tableHtml({ columns, hasHead, rows }: PrintedTable): readonly string[] {
  if (rows.length === 0) return [];
  const heads = columns
    .map(({ heading, align }) => `<th scope="col"${classOf(align)}>${escapeXml(heading)}</th>`)
    .join('');
  return [
    `<table>`,
    ...(hasHead ? [`<thead><tr>${heads}</tr></thead>`] : []),
    `<tbody>`,
    ...rows.map((row) => rowHtml(columns, row)),
    `</tbody>`,
    `</table>`,
  ];
}

const classOf = (align: PrintedColumn['align']): string => (align === 'right' ? ' class="right"' : '');

function rowHtml(columns: readonly PrintedColumn[], { cells, look, indent }: PrintedRow): string {
  const name = [look === 'total' ? 'sum' : look, indent > 0 ? 'inner' : ''].filter(Boolean).join(' ');
  const inner = cells
    .map(({ text }, at) => `<td${classOf(columns[at]?.align ?? 'left')}>${escapeXml(text)}</td>`)
    .join('');
  return `<tr class="${name}">${inner}</tr>`;
}
