import type { BidReport } from '@zest/core/reports/bidReport';
import { type MoneyFormat, formatMoney } from '@zest/core/pricing/money';
import { bidWords } from './bidWords.ts';

const INK_SOFT = '#56615a';
const RIND = '#1e4b39';
const PITH = '#d9d3c2';

type Content = string | Readonly<Record<string, unknown>> | readonly Content[];

/** The bid as a document description for the PDF writer: plain data, so that it can be tested. */
export function bidDocument(report: BidReport, money: MoneyFormat): Readonly<Record<string, unknown>> {
  const { settings } = report;
  const words = bidWords(report);
  return {
    pageSize: settings.unitSystem === 'us' ? 'LETTER' : 'A4',
    pageMargins: [56, 56, 56, 64],
    info: {
      title: `Bid, ${settings.name}`,
      author: settings.company,
      creationDate: new Date(0),
      modDate: new Date(0),
    },
    defaultStyle: { fontSize: 10, lineHeight: 1.25, color: '#18211c' },
    footer: (page: number, pages: number) => ({
      text: `${settings.name} · ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      color: INK_SOFT,
      margin: [0, 20, 0, 0],
    }),
    content: [
      {
        columns: [
          [
            { text: settings.company, fontSize: 15, bold: true },
            { text: settings.companyAddress, color: INK_SOFT },
          ],
          [
            { text: 'Bid', fontSize: 15, bold: true, alignment: 'right' },
            { text: words.dated, color: INK_SOFT, alignment: 'right' },
          ],
        ],
      },
      {
        canvas: [
          {
            type: 'line',
            x1: 0,
            y1: 6,
            x2: settings.unitSystem === 'us' ? 500 : 483,
            y2: 6,
            lineWidth: 1.5,
            lineColor: RIND,
          },
        ],
      },
      { text: 'For', color: INK_SOFT, margin: [0, 14, 0, 0] },
      { text: settings.client, bold: true },
      { text: settings.clientAddress },
      { text: settings.name, fontSize: 13, bold: true, margin: [0, 14, 0, 0] },
      { text: settings.location, color: INK_SOFT },
      tableOf(report, money, words.total),
      ...listOf('Included', report.inclusions),
      ...listOf('Not included', report.exclusions),
      ...listOf('How it was calculated', report.notes),
      { text: words.valid, margin: [0, 16, 0, 30] },
      {
        columns: [signature(settings.company), signature(settings.client)],
        columnGap: 30,
        unbreakable: true,
      },
    ] satisfies readonly Content[],
  };
}

const signature = (name: string): Content => ({
  stack: [
    { canvas: [{ type: 'line', x1: 0, y1: 20, x2: 220, y2: 20, lineWidth: 0.5, lineColor: INK_SOFT }] },
    { text: name, color: INK_SOFT, fontSize: 8 },
  ],
});

function tableOf(report: BidReport, money: MoneyFormat, totalWords: string): Content {
  const rows = report.rows.flatMap(({ code, name, amount, inner }) => {
    const bold = inner.length > 0;
    return [
      [
        { text: code, color: INK_SOFT },
        { text: name, bold },
        { text: formatMoney(amount, money), alignment: 'right', bold },
      ],
      ...inner.map((each) => [
        '',
        { text: each.name, margin: [12, 0, 0, 0] },
        { text: formatMoney(each.amount, money), alignment: 'right' },
      ]),
    ];
  });
  const total = [
    { text: totalWords, colSpan: 2, bold: true, fontSize: 12 },
    '',
    { text: formatMoney(report.total, money), alignment: 'right', bold: true, fontSize: 12 },
  ];
  return {
    margin: [0, 16, 0, 8],
    table: { widths: [30, '*', 'auto'], body: [...rows, total], dontBreakRows: true },
    layout: {
      hLineWidth: (line: number) => (line === 0 ? 0 : line >= rows.length ? 1 : 0.5),
      vLineWidth: () => 0,
      hLineColor: () => PITH,
    },
  };
}

const listOf = (title: string, lines: readonly string[]): readonly Content[] =>
  lines.length === 0 ? [] : [{ text: title, bold: true, margin: [0, 10, 0, 2] }, { ul: [...lines] }];
