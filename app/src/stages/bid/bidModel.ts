import { LANGUAGES_OF_DOCUMENTS, type LanguageOfDocuments } from '@zest/core/job/records/settings';
import type { Logo } from '@zest/core/job/records/logo';
import { type MoneyFormat, formatMoney } from '@zest/core/pricing/money';
import type { BidReport } from '@zest/core/reports/bidReport';
import { plainToLocal } from '@zest/core/formula/localize';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { longDay } from '../../messages/dates.ts';
import { language, messagesIn } from '../../messages/t.ts';

/** A row of the table of a document; an inner row belongs to the bold one above it. */
export interface PriceRow {
  readonly code: string;
  readonly name: string;
  /** How much of it there is; empty where the detail does not tell. */
  readonly quantity: string;
  readonly amount: string;
  readonly bold: boolean;
  readonly inner: boolean;
}

export interface OptionRow {
  readonly name: string;
  /** Whether it adds, deducts, or is in the total already. */
  readonly words: string;
  readonly amount: string;
}

/** What is known of a bid beside its figures. */
export interface BidState {
  /** Prices or wages in it are samples, and nobody has accepted that. */
  readonly hasSamples: boolean;
}

/** What a bid says, in the order it says it. Screen and PDF only differ in how they draw it. */
export interface BidModel {
  /** Of the file. */
  readonly title: string;
  readonly paper: 'letter' | 'a4';
  readonly company: string;
  readonly companyAddress: string;
  /** The picture at its head; undefined for none. */
  readonly logo: Pick<Logo, 'mediaType' | 'data'> | undefined;
  readonly heading: string;
  readonly dated: string;
  readonly for: string;
  readonly client: string;
  readonly clientAddress: string;
  readonly name: string;
  readonly location: string;
  readonly rows: readonly PriceRow[];
  readonly total: { readonly words: string; readonly amount: string };
  /** Tax below the total, and what is paid with it; empty where the bid has none. */
  readonly afterTotal: readonly { readonly words: string; readonly amount: string; readonly bold: boolean }[];
  /** Options of the client, each with what it changes. */
  readonly options: { readonly title: string; readonly rows: readonly OptionRow[] };
  /** Money set aside that is in the total. */
  readonly allowances: {
    readonly title: string;
    readonly rows: readonly { readonly name: string; readonly amount: string }[];
  };
  /** What must be settled before it goes out, in large letters; empty for nothing. */
  readonly warning: string;
  /** Headings with what stands under them; those with nothing are left out. */
  readonly lists: readonly { readonly title: string; readonly items: readonly string[] }[];
  readonly valid: string;
  readonly signatures: readonly string[];
  readonly footer: (page: number, pages: number) => string;
}

/** The language a job's documents are in: its own, else that of the interface. */
export const documentLanguage = (chosen: LanguageOfDocuments | undefined): LanguageOfDocuments =>
  chosen ?? LANGUAGES_OF_DOCUMENTS.find((each) => each === language) ?? 'en-US';

export function bidModel(report: BidReport, money: MoneyFormat, state: BidState = SETTLED): BidModel {
  const { settings } = report;
  const lng = documentLanguage(settings.documentLanguage);
  const t = messagesIn(lng);
  const { name, currency, validDays } = settings;
  return {
    title: t('bid.titleOfFile', { name }),
    paper: settings.paper ?? (settings.unitSystem === 'us' ? 'letter' : 'a4'),
    company: settings.company,
    companyAddress: [
      settings.companyAddress,
      ...(settings.taxNumber === undefined ? [] : [t('bid.taxNumber', { number: settings.taxNumber })]),
    ]
      .filter((each) => each !== '')
      .join('\n'),
    logo: report.logo,
    heading: headingOf(settings, t),
    dated: longDay(settings.bidDate, lng, settings.dateStyle),
    for: t('bid.for'),
    client: settings.client,
    clientAddress: settings.clientAddress,
    name,
    location: settings.location,
    rows: report.rows.flatMap((row) => priceRows(row, money)),
    total: { words: t('bid.totalIn', { currency }), amount: formatMoney(report.total, money) },
    afterTotal: taxRows(report, money, t),
    options: {
      title: t('bid.alternates'),
      rows: report.alternates.map((each) => optionRow(each, money, t)),
    },
    allowances: {
      title: t('bid.allowances'),
      rows: report.allowances.map(({ name: of, amount }) => ({
        name: of,
        amount: formatMoney(amount, money),
      })),
    },
    warning: state.hasSamples ? t('bid.containsSamplePrices') : '',
    lists: [
      { title: t('bid.included'), items: report.inclusions },
      { title: t('bid.notIncluded'), items: report.exclusions },
      { title: t('bid.howItWasCalculated'), items: report.notes },
    ].filter(({ items }) => items.length > 0),
    valid: validDays === 0 ? '' : t('bid.validForDays', { count: validDays }),
    signatures: [settings.company, settings.client],
    footer: (page, pages) => t('bid.of', { name, page, pages }),
  };
}

const SETTLED: BidState = { hasSamples: false };

type Say = ReturnType<typeof messagesIn>;

function headingOf({ bidNumber = '', bidRevision = 0 }: BidReport['settings'], t: Say): string {
  if (bidNumber === '') return bidRevision === 0 ? t('bid.bid') : t('bid.bidRevised', { bidRevision });
  return bidRevision === 0
    ? t('bid.bidNumbered', { bidNumber })
    : t('bid.bidNumberedRevised', { bidNumber, bidRevision });
}

/** Each rate of the tax on its share, and the sum to pay. */
function taxRows({ addedTax, settings }: BidReport, money: MoneyFormat, t: Say): BidModel['afterTotal'] {
  if (addedTax === undefined) return [];
  const { name, rows, gross } = addedTax;
  const one = rows.length === 1;
  return [
    ...rows.map(({ percent, base, amount }) => ({
      words: t(one ? 'bid.addedTax' : 'bid.addedTaxOn', {
        name,
        percent: plainToLocal(percent, money.numbers),
        base: formatMoney(base, money),
      }),
      amount: formatMoney(amount, money),
      bold: false,
    })),
    {
      words: t('bid.totalWithTax', { name, currency: settings.currency }),
      amount: formatMoney(gross, money),
      bold: true,
    },
  ];
}

function optionRow(
  { name, change, accepted }: BidReport['alternates'][number],
  money: MoneyFormat,
  t: Say,
): OptionRow {
  const words = accepted ? t('bid.inTheTotal') : change < 0 ? t('bid.deduct') : t('bid.add');
  return { name, words, amount: formatMoney(Math.abs(change), money) };
}

function priceRows(row: BidReport['rows'][number], money: MoneyFormat): readonly PriceRow[] {
  const inner = row.inner.map(({ name, quantity, amount }): PriceRow => ({
    code: '',
    name,
    quantity: quantity === undefined ? '' : quantityWords(quantity, money),
    amount: amount === undefined ? '' : formatMoney(amount, money),
    bold: false,
    inner: true,
  }));
  const own: PriceRow = {
    code: row.code,
    name: row.name,
    quantity: '',
    amount: formatMoney(row.amount, money),
    bold: inner.length > 0,
    inner: false,
  };
  return [own, ...inner];
}

const quantityWords = (
  { value, unit }: NonNullable<BidReport['rows'][number]['inner'][number]['quantity']>,
  { numbers }: MoneyFormat,
): string => `${writeQuantity(value, unit, numbers)} ${unit}`;
