import type { Figures } from '@zest/core/calculate/figures';
import { NOTHING_APART } from '@zest/core/calculate/totals/linePrices';
import { jobNames } from '@zest/core/calculate/queries/jobNames';
import { joinNote, readText } from '@zest/core/calculate/explain/notes';
import {
  type Picture,
  type PrintedBlock,
  type PrintedDocument,
  type PrintedTable,
} from '@zest/core/formats/document/printed';
import type { PrintedReport } from '@zest/core/formats/report/printed';
import { settingsOf } from '@zest/core/job/job';
import { paragraphs } from '@zest/core/job/paragraphs';
import type { BlockOf, DocumentBlock, DocumentSpec } from '@zest/core/job/records/document';
import { formatMoney, minorDigits } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { type BidReport, bidReport } from '@zest/core/reports/bidReport';
import { bidPrices } from '@zest/core/reports/bidRows';
import { unitPriceList } from '@zest/core/reports/unitPriceList';
import { longDay } from '../../messages/dates.ts';
import { formatsOf } from '../../stores/context.tsx';
import { type DocumentWords, documentWords, titleOf } from './documentWords.ts';
import { letterheadOf, paperOfJob } from './paper.ts';
import { moneyCell, priceTable, rateCell, words } from './priceTable.ts';

/** What a document is printed from. */
export interface DocumentSource {
  readonly figures: Figures;
  /** Prices or wages in it are samples, and nobody has accepted that. */
  readonly hasSamples: boolean;
  /** Of picture and sheet blocks by their key; those that are not loaded yet are left out. */
  readonly pictures: Readonly<Record<string, Picture>>;
  /** No picture is still to come: one that is not there is missing. */
  readonly isComplete: boolean;
  /** A report by its id, ready to be written; undefined for one that is gone. */
  readonly reportOf: (id: string) => PrintedReport | undefined;
}

/** A formula in a text that has no figure. */
export interface TextProblem {
  readonly block: string;
  readonly formula: string;
}

export interface Printed {
  readonly document: PrintedDocument;
  /** As it is, it can go out: no picture is still being drawn. */
  readonly isComplete: boolean;
  readonly problems: readonly TextProblem[];
}

interface Printing extends DocumentSource {
  readonly spec: DocumentSpec;
  readonly by: DocumentWords;
  /** The same for every block: alternates and lists do not hang on the detail. */
  readonly report: BidReport;
  readonly problems: TextProblem[];
}

/** A document with all its words and figures of the moment, as every format writes it. */
export function printDocument(spec: DocumentSpec, source: DocumentSource): Printed {
  const { figures } = source;
  const settings = settingsOf(figures.job);
  const by = documentWords(settings);
  const report = bidReport(figures, 'total');
  const problems: TextProblem[] = [];
  const printing: Printing = { ...source, spec, by, report, problems };
  const { t } = by;
  const blocks = spec.blocks.map((block) => printBlock(printing, block));
  const title = titleOf(spec.name, settings, t);
  const fill = (text: string): string => fillNames(text, printing);
  const paper = paperOfJob(figures.job, by);
  return {
    problems,
    isComplete: source.isComplete,
    document: {
      title: t('bid.titleOfFile', { title, name: settings.name }),
      ...paper,
      page: spec.page,
      header: fill(spec.page.header ?? ''),
      footer: fill(spec.page.footer ?? t('bid.usualFooter')),
      blocks: source.hasSamples ? [sampleWarning(by), ...blocks] : blocks,
      pictures: { ...source.pictures, ...paper.pictures },
    },
  };
}

const sampleWarning = ({ t }: DocumentWords): PrintedBlock => ({
  kind: 'paragraphs',
  key: 'samples',
  heading: '',
  paragraphs: [{ text: t('bid.containsSamplePrices'), look: 'warn' }],
});

/** Words that texts, heads and feet may name in braces. */
function knownNames({ by: { settings, lng, money }, report, spec }: Printing): ReadonlyMap<string, string> {
  return new Map([
    ['job', settings.name],
    ['client', settings.client],
    ['company', settings.company],
    ['location', settings.location],
    ['document', spec.name],
    ['number', settings.bidNumber ?? ''],
    ['date', longDay(settings.bidDate, lng, settings.dateStyle)],
    ['total', formatMoney(report.total, money)],
  ]);
}

/** Names in braces as words; pages are filled in page by page. */
function fillNames(text: string, printing: Printing): string {
  const known = knownNames(printing);
  return text.replace(/\{(\w+)\}/g, (whole, name: string) => known.get(name.toLowerCase()) ?? whole);
}

/** A text with its figures; formulas that have none stay in their braces, and are told. */
function liveText(printing: Printing, block: string, text: string): string {
  const { figures, by } = printing;
  const { display } = formatsOf(by.settings);
  const parts = readText(figures, jobNames(figures.job), text, display, knownNames(printing));
  for (const part of parts)
    if (part.type === 'unknown') printing.problems.push({ block, formula: part.formula });
  return joinNote(parts);
}

const HEADINGS = {
  alternates: 'bid.alternates',
  allowances: 'bid.allowances',
  inclusions: 'bid.included',
  exclusions: 'bid.notIncluded',
  notes: 'bid.howItWasCalculated',
  'unit-prices': 'bid.unitPrices',
  values: 'bid.scheduleOfValues',
} as const;

const isHeaded = (kind: DocumentBlock['kind']): kind is keyof typeof HEADINGS => kind in HEADINGS;

/** The heading that a block has by itself. */
export const usualHeading = (kind: DocumentBlock['kind'], t: DocumentWords['t']): string =>
  isHeaded(kind) ? t(HEADINGS[kind]) : '';

type Content = PrintedBlock extends infer Each
  ? Each extends PrintedBlock
    ? Omit<Each, 'key' | 'heading'>
    : never
  : never;

function printBlock(printing: Printing, block: DocumentBlock): PrintedBlock {
  const { t } = printing.by;
  const heading = block.heading ?? usualHeading(block.kind, t);
  return { key: block.key, heading, ...contentOf(printing, block) } as PrintedBlock;
}

function contentOf(printing: Printing, block: DocumentBlock): Content {
  const { by, report, figures } = printing;
  const { settings, t, lng } = by;
  switch (block.kind) {
    case 'letterhead':
      return letterheadOf(
        by,
        titleOf(printing.spec.name, settings, t),
        longDay(settings.bidDate, lng, settings.dateStyle),
      );
    case 'client':
      return clientParagraphs(by);
    case 'text':
      return textOf(liveText(printing, block.key, block.text));
    case 'terms':
      return textOf([liveText(printing, block.key, block.text), validWords(by)].filter(Boolean).join('\n'));
    case 'prices': {
      const apart = { tax: block.tax === 'shown', markups: block.markups === 'shown' };
      const { detail } = block;
      const prices = bidPrices(figures, { detail, apart });
      return { kind: 'table', table: priceTable(prices, report.addedTax, detail, by) };
    }
    case 'alternates':
      return { kind: 'table', table: alternateTable(report, by) };
    case 'allowances':
      return { kind: 'table', table: amountTable(report.allowances, by) };
    case 'inclusions':
    case 'exclusions':
      return { kind: 'list', items: report[block.kind].map((item) => liveText(printing, block.key, item)) };
    case 'notes':
      return { kind: 'list', items: report.notes };
    case 'unit-prices':
      return { kind: 'table', table: unitPriceTable(printing, block) };
    case 'values':
      return { kind: 'table', table: valuesTable(figures, by) };
    case 'signatures':
      return {
        kind: 'signatures',
        names: block.names.length > 0 ? block.names : [settings.company, settings.client].filter(Boolean),
      };
    case 'picture':
    case 'sheet':
      return pictureOf(printing, block);
    case 'report': {
      const printed = printing.reportOf(block.report);
      return printed === undefined
        ? { kind: 'paragraphs', paragraphs: [{ text: t('bid.reportIsGone'), look: 'warn' }] }
        : { kind: 'report', printed };
    }
    case 'break':
      return { kind: 'break' };
  }
}

const textOf = (text: string): Content => ({
  kind: 'paragraphs',
  paragraphs: text.trim() === '' ? [] : [{ text, look: 'plain' }],
});

function clientParagraphs({ settings, t }: DocumentWords): Content {
  const { client, clientAddress, name, location } = settings;
  const lines = [
    ...(client === ''
      ? []
      : [{ text: t('bid.for'), look: 'soft' } as const, { text: client, look: 'bold' } as const]),
    ...paragraphs(clientAddress).map((text) => ({ text, look: 'plain' }) as const),
    { text: name, look: 'title' } as const,
    ...(location === '' ? [] : [{ text: location, look: 'soft' } as const]),
  ];
  return { kind: 'paragraphs', paragraphs: lines };
}

const validWords = ({ settings: { validDays }, t }: DocumentWords): string =>
  validDays === 0 ? '' : t('bid.validForDays', { count: validDays });

/** Words, a soft word beside them, and an amount: as much as options and allowances need. */
function alternateTable({ alternates }: BidReport, by: DocumentWords): PrintedTable {
  const { t } = by;
  return {
    hasHead: false,
    columns: [
      { heading: '', align: 'left', isWide: true },
      { heading: '', align: 'right', isWide: false },
      { heading: t('bid.amount'), align: 'right', isWide: false },
    ],
    rows: alternates.map(({ name, change, accepted }) => {
      const said = accepted ? t('bid.inTheTotal') : change < 0 ? t('bid.deduct') : t('bid.add');
      const cell = {
        ...moneyCell(by, Math.abs(change)),
        value: change / 10 ** minorDigits(by.money.currency),
      };
      return { look: 'plain', indent: 0, cells: [words(name), words(said), cell] };
    }),
  };
}

const amountTable = (
  rows: readonly { readonly name: string; readonly amount: number }[],
  by: DocumentWords,
): PrintedTable => ({
  hasHead: false,
  columns: [
    { heading: '', align: 'left', isWide: true },
    { heading: by.t('bid.amount'), align: 'right', isWide: false },
  ],
  rows: rows.map(({ name, amount }) => ({
    look: 'plain',
    indent: 0,
    cells: [words(name), moneyCell(by, amount)],
  })),
});

function unitPriceTable({ figures, by }: Printing, { lines }: BlockOf<'unit-prices'>): PrintedTable {
  const { t, money } = by;
  const { rows } = unitPriceList(figures, lines, 10 ** minorDigits(money.currency));
  return {
    hasHead: true,
    columns: [
      { heading: t('bid.description'), align: 'left', isWide: true },
      { heading: t('bid.unit'), align: 'left', isWide: false },
      { heading: t('bid.unitPrice'), align: 'right', isWide: false },
    ],
    rows: rows.map(({ name, unit, unitPrice }) => ({
      look: 'plain',
      indent: 0,
      cells: [words(name), words(unitOrLabel(unit).symbol), rateCell(by, unitPrice)],
    })),
  };
}

/** What is billed against later: every section with its value, which come to the total. */
function valuesTable(figures: Figures, by: DocumentWords): PrintedTable {
  const { t } = by;
  const { rows, total } = bidPrices(figures, { detail: 'sections', apart: NOTHING_APART });
  const values = rows.flatMap(({ code, name, inner, amount }) =>
    inner.length === 0
      ? [{ code, name: name === '' ? t('bid.otherWork') : name, amount }]
      : inner.map((each) => ({
          code,
          name: each.name === '' ? t('bid.otherWork') : each.name,
          amount: each.amount ?? 0,
        })),
  );
  const all = values.map((_, at) => at);
  return {
    hasHead: true,
    columns: [
      { heading: t('bid.item'), align: 'left', isWide: false },
      { heading: t('bid.description'), align: 'left', isWide: true },
      { heading: t('bid.code'), align: 'left', isWide: false },
      { heading: t('bid.scheduledValue'), align: 'right', isWide: false },
    ],
    rows: [
      ...values.map(({ code, name, amount }, at) => ({
        look: 'plain' as const,
        indent: 0,
        cells: [words(String(at + 1)), words(name), words(code), moneyCell(by, amount)],
      })),
      {
        look: 'total',
        indent: 0,
        cells: [
          words(''),
          words(t('bid.totalIn', { currency: by.money.currency })),
          words(''),
          { ...moneyCell(by, total), ...(all.length === 0 ? {} : { formula: { kind: 'sum', rows: all } }) },
        ],
      },
    ],
  };
}

function pictureOf(
  { pictures, isComplete, by, figures }: Printing,
  block: BlockOf<'picture'> | BlockOf<'sheet'>,
): Content {
  const picture = pictures[block.key];
  const { t } = by;
  const name =
    block.kind === 'picture'
      ? (figures.job.file.get(block.fileId)?.name ?? '')
      : (figures.job.sheet.get(block.sheetId)?.number ?? '');
  const isGone = block.kind === 'sheet' && !figures.job.sheet.has(block.sheetId);
  return {
    kind: 'picture',
    picture: picture === undefined ? '' : block.key,
    ratio: picture === undefined ? 1 : picture.widthPx / picture.heightPx,
    widthPercent: block.kind === 'picture' ? block.widthPercent : 100,
    caption: block.caption,
    words:
      picture !== undefined
        ? block.caption || name
        : isGone
          ? t('bid.sheetIsGone')
          : isComplete
            ? t('bid.pictureIsNotThere', { name })
            : t('bid.pictureIsComing', { name }),
  };
}
