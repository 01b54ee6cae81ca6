import { addressOfLogo } from '../settings/readLogo.ts';
import type { BidModel, PriceRow } from './bidModel.ts';

const INK_SOFT = '#56615a';
const RIND = '#1e4b39';
const BERRY = '#a3203f';
const PITH = '#d9d3c2';
/** Between the margins, in points. */
const TEXT_WIDTH = { letter: 500, a4: 483 } as const;

type Content = string | Readonly<Record<string, unknown>> | readonly Content[];

/** A bid as the PDF writer takes it: plain data, so that it can be tested. */
export function bidDocument(model: BidModel): Readonly<Record<string, unknown>> {
  return {
    pageSize: model.paper === 'letter' ? 'LETTER' : 'A4',
    pageMargins: [56, 56, 56, 64],
    info: {
      title: model.title,
      author: model.company,
      creationDate: new Date(0),
      modDate: new Date(0),
    },
    defaultStyle: { fontSize: 10, lineHeight: 1.25, color: '#18211c' },
    footer: (page: number, pages: number) => ({
      text: model.footer(page, pages),
      alignment: 'center',
      fontSize: 8,
      color: INK_SOFT,
      margin: [0, 20, 0, 0],
    }),
    content: [
      ...(model.warning === ''
        ? []
        : [{ text: model.warning, color: BERRY, bold: true, margin: [0, 0, 0, 10] }]),
      ...letterhead(model),
      { text: model.for, color: INK_SOFT, margin: [0, 14, 0, 0] },
      { text: model.client, bold: true },
      { text: model.clientAddress },
      { text: model.name, fontSize: 13, bold: true, margin: [0, 14, 0, 0] },
      { text: model.location, color: INK_SOFT },
      priceTable(model),
      ...allowanceTable(model),
      ...optionTable(model),
      ...model.lists.flatMap(({ title, items }) => [
        { text: title, bold: true, margin: [0, 10, 0, 2] },
        { ul: [...items] },
      ]),
      { text: model.valid, margin: [0, 16, 0, 30] },
      { columns: model.signatures.map(signature), columnGap: 30, unbreakable: true },
    ] satisfies readonly Content[],
  };
}

function letterhead({ logo, company, companyAddress, heading, dated, paper }: BidModel): readonly Content[] {
  const rule = { type: 'line', x1: 0, y1: 6, x2: TEXT_WIDTH[paper], y2: 6, lineWidth: 1.5, lineColor: RIND };
  return [
    {
      columns: [
        [
          ...(logo === undefined
            ? []
            : [{ image: addressOfLogo(logo), fit: [150, 48], margin: [0, 0, 0, 6] }]),
          { text: company, fontSize: 15, bold: true },
          { text: companyAddress, color: INK_SOFT },
        ],
        [
          { text: heading, fontSize: 15, bold: true, alignment: 'right' },
          { text: dated, color: INK_SOFT, alignment: 'right' },
        ],
      ],
    },
    { canvas: [rule] },
  ];
}

const signature = (name: string): Content => ({
  stack: [
    { canvas: [{ type: 'line', x1: 0, y1: 20, x2: 220, y2: 20, lineWidth: 0.5, lineColor: INK_SOFT }] },
    { text: name, color: INK_SOFT, fontSize: 8 },
  ],
});

const afterCells = ({ words, amount, bold }: BidModel['afterTotal'][number]): readonly Content[] => [
  { text: words, colSpan: 3, bold },
  '',
  '',
  { text: amount, alignment: 'right', bold },
];

/** Options of the client: what each adds or takes off. */
function optionTable({ options: { title, rows } }: BidModel): readonly Content[] {
  if (rows.length === 0) return [];
  const body = rows.map(({ name, words, amount }) => [
    name,
    { text: words, color: INK_SOFT, alignment: 'right' },
    { text: amount, alignment: 'right' },
  ]);
  const table = { widths: ['*', 'auto', 'auto'], body, dontBreakRows: true };
  return [
    { text: title, bold: true, margin: [0, 10, 0, 2] },
    { table, layout: RULED },
  ];
}

/** Money set aside that is in the total. */
function allowanceTable({ allowances: { title, rows } }: BidModel): readonly Content[] {
  if (rows.length === 0) return [];
  const body = rows.map(({ name, amount }) => [name, { text: amount, alignment: 'right' }]);
  const table = { widths: ['*', 'auto'], body, dontBreakRows: true };
  return [
    { text: title, bold: true, margin: [0, 10, 0, 2] },
    { table, layout: RULED },
  ];
}

const RULED = {
  hLineWidth: (line: number) => (line === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => PITH,
};

const cellsOf = ({ code, name, quantity, amount, bold, inner }: PriceRow): readonly Content[] => [
  { text: code, color: INK_SOFT },
  { text: name, bold, ...(inner ? { margin: [12, 0, 0, 0] } : {}) },
  { text: quantity, alignment: 'right', color: INK_SOFT },
  { text: amount, alignment: 'right', bold },
];

function priceTable({ rows, total, afterTotal }: BidModel): Content {
  const foot = [
    { text: total.words, colSpan: 3, bold: true, fontSize: 12 },
    '',
    '',
    { text: total.amount, alignment: 'right', bold: true, fontSize: 12 },
  ];
  return {
    margin: [0, 16, 0, 8],
    table: {
      widths: [30, '*', 'auto', 'auto'],
      body: [...rows.map(cellsOf), foot, ...afterTotal.map(afterCells)],
      dontBreakRows: true,
    },
    layout: {
      hLineWidth: (line: number) => (line === 0 ? 0 : line >= rows.length ? 1 : 0.5),
      vLineWidth: () => 0,
      hLineColor: () => PITH,
    },
  };
}
