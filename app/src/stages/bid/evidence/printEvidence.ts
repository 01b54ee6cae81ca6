import type { Step } from '@zest/core/calculate/explain/step';
import {
  type PrintedBlock,
  type PrintedDocument,
  type PrintedRow,
  type PrintedTable,
} from '@zest/core/formats/document/printed';
import { groupBy } from '@zest/core/job/groupBy';
import { settingsOf } from '@zest/core/job/job';
import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import type { EvidenceLine } from '@zest/core/reports/evidence';
import { formatNumber } from '@zest/core/units/numberFormat';
import { failureOfStep, labelOfStep, writeStep } from '../../../figures/stepWords.ts';
import { longDay } from '../../../messages/dates.ts';
import { shortFailure } from '../../../messages/describeFailure.ts';
import { language, t } from '../../../messages/t.ts';
import { COST_WORDS } from '../../../messages/words.ts';
import type { Formats } from '../../../stores/context.tsx';
import { type EvidenceSource, SHEETS_KEY, boldRow, lineKey, row, scopeKey, words } from './evidenceSource.ts';
import { letterheadOf, paperOfJob } from '../paper.ts';
import { scopeBlocks, sheetBlock } from './printMeasured.ts';

/** The through-line on paper: lines, what was measured for them, and the sheets with their scales, each leading to the next. */
export function printEvidence(source: EvidenceSource): PrintedDocument {
  const { figures, evidence, pictures, today, formats } = source;
  const settings = settingsOf(figures.job);
  const lng = language === 'en-XA' ? 'en-US' : language;
  const paper = paperOfJob(figures.job, { lng, money: formats.money });
  const title = t('bid.evidenceBook');
  return {
    title: t('bid.titleOfFile', { title, name: settings.name }),
    ...paper,
    page: { density: 'close' },
    header: '',
    footer: t('bid.evidenceFooter', { name: settings.name }),
    blocks: [
      {
        key: 'letterhead',
        heading: '',
        ...letterheadOf({ settings, t }, title, longDay(today, language, settings.dateStyle)),
      },
      introduction(source),
      contents(source),
      ...lineBlocks(source),
      ...chapter('measured_chapter', t('bid.whatWasMeasured'), evidence.scopes.length),
      ...evidence.scopes.flatMap((scope, at) => scopeBlocks(source, scope, at)),
      ...chapter('sheets_chapter', t('bid.sheetsAndScales'), evidence.sheets.length),
      ...sheetBlock(source),
    ],
    pictures: { ...pictures, ...paper.pictures },
  };
}

const fullName = ({ name, under }: EvidenceLine): string => [name, under].filter(Boolean).join(', ');

function introduction({ figures, about }: EvidenceSource): PrintedBlock {
  const { name, client, location } = settingsOf(figures.job);
  return {
    kind: 'paragraphs',
    key: 'introduction',
    heading: '',
    paragraphs: [
      { text: name, look: 'title' },
      { text: [client, location].filter(Boolean).join(', '), look: 'soft' },
      { text: about, look: 'plain' },
      { text: t('bid.evidenceHow'), look: 'plain' },
    ],
  };
}

/** Every line by its section, every scope, and the sheets, with the pages they are on. */
function contents({ evidence, formats }: EvidenceSource): PrintedBlock {
  const amount = ({ price }: EvidenceLine): string =>
    price === undefined ? t('bid.noPriceYet') : formatMoney(price, formats.money);
  const rows: PrintedRow[] = [];
  for (const [section, lines] of groupBy(evidence.lines, ({ section: name }) => name)) {
    rows.push(boldRow(words(''), words(section === '' ? t('bid.otherWork') : section), words(''), words('')));
    for (const line of lines) {
      const to = lineKey(line.number);
      rows.push({
        ...row(words(String(line.number)), { text: fullName(line), link: to }, words(amount(line)), {
          text: '',
          pageOf: to,
          link: to,
        }),
        indent: 1,
      });
    }
  }
  if (evidence.scopes.length > 0)
    rows.push(boldRow(words(''), words(t('bid.whatWasMeasured')), words(''), words('')));
  evidence.scopes.forEach(({ scope }, at) => {
    const to = scopeKey(at);
    rows.push({
      ...row(words(''), { text: scope.name, link: to }, words(''), { text: '', pageOf: to, link: to }),
      indent: 1,
    });
  });
  if (evidence.sheets.length > 0)
    rows.push(
      boldRow(words(''), { text: t('bid.sheetsAndScales'), link: SHEETS_KEY }, words(''), {
        text: '',
        pageOf: SHEETS_KEY,
        link: SHEETS_KEY,
      }),
    );
  return {
    kind: 'table',
    key: 'contents',
    heading: t('bid.contents'),
    table: {
      hasHead: true,
      columns: [
        { heading: '', align: 'left', isWide: false },
        { heading: t('bid.description'), align: 'left', isWide: true },
        { heading: t('bid.priceWithMarkups'), align: 'right', isWide: false },
        { heading: t('bid.page'), align: 'right', isWide: false },
      ],
      rows,
    },
  };
}

/** A title on a page of its own; nothing over nothing. */
function chapter(key: string, title: string, count: number): readonly PrintedBlock[] {
  if (count === 0) return [];
  return [
    { kind: 'break', key: `${key}_page`, heading: '' },
    { kind: 'paragraphs', key, heading: '', paragraphs: [{ text: title, look: 'title' }] },
  ];
}

function lineBlocks(source: EvidenceSource): readonly PrintedBlock[] {
  const places = new Map(source.evidence.scopes.map(({ scope }, at) => [scope.id as string, scopeKey(at)]));
  const blocks: PrintedBlock[] = [];
  for (const [section, lines] of groupBy(source.evidence.lines, ({ section: name }) => name)) {
    const name = section === '' ? t('bid.otherWork') : section;
    blocks.push(...chapter(`section_${blocks.length}`, name, lines.length));
    for (const line of lines)
      blocks.push({
        kind: 'table',
        key: lineKey(line.number),
        heading: `${line.number}  ${fullName(line)}`,
        table: { ...twoColumns(lineRows(source, line, places)), staysTogether: true },
      });
  }
  return blocks;
}

/** What is said at the left, its figure at the right. */
const twoColumns = (rows: readonly PrintedRow[]): PrintedTable => ({
  hasHead: false,
  columns: [
    { heading: '', align: 'left', isWide: true },
    { heading: '', align: 'right', isWide: false },
  ],
  rows,
});

function lineRows(
  { formats, figures }: EvidenceSource,
  line: EvidenceLine,
  places: ReadonlyMap<string, string>,
): readonly PrintedRow[] {
  const { steps, formula, source, date, isSample, typedOver, note, accepted, price } = line;
  const settings = settingsOf(figures.job);
  const said = (text: string): PrintedRow => ({ ...row(words(text), words('')), indent: 1 });
  const rows = steps.flatMap((step) => {
    const own = stepRow(step, formats, places);
    if (formula === undefined) return [own];
    // The formula with its figures stands under the formula; one name is its figure already.
    const figured = isOneName(formula.source)
      ? []
      : [said(t('bid.thatIs', { formula: formula.substituted }))];
    if (step.label.of === 'formula') return [own, ...figured];
    return step.label.of === 'typed' ? [own, said(formula.source), ...figured] : [own];
  });
  // What several measures lie behind has no one step for them.
  const stepped = new Set(steps.flatMap(({ target }) => (target.type === 'scope' ? [target.id] : [])));
  const measured = line.scopes
    .filter((id) => !stepped.has(id))
    .map((id) => {
      const link = places.get(id);
      const name = figures.job.scope.get(id)?.name ?? '';
      return row({ text: t('bid.measuredBy', { name }), ...(link === undefined ? {} : { link }) }, words(''));
    });
  const day = longDay(date, language, settings.dateStyle);
  const from =
    source === ''
      ? day === ''
        ? ''
        : t('bid.priceOf', { date: day })
      : t('bid.priceFrom', { from: [source, day].filter(Boolean).join(', ') });
  return [
    ...measured,
    ...rows,
    ...(from === '' ? [] : [said(from)]),
    ...(isSample ? [said(t('bid.priceIsSample'))] : []),
    ...(typedOver === undefined ? [] : [said(typedWords(typedOver))]),
    ...(note === '' ? [] : [said(t('bid.noteSays', { note }))]),
    ...accepted.map(({ subject, reason, date: on }) =>
      said(t('bid.lookedAt', { subject, reason, date: longDay(on, language, settings.dateStyle) })),
    ),
    ...spentRows(line, formats),
    boldRow(
      words(t('bid.priceWithMarkups')),
      words(price === undefined ? t('bid.noPriceYet') : formatMoney(price, formats.money)),
    ),
  ];
}

const isOneName = (formula: string): boolean => /^\w+$/.test(formula);

/** What the cost is spent on, where that is more than its one price. */
function spentRows({ spent }: EvidenceLine, { money, numbers }: Formats): readonly PrintedRow[] {
  const [first] = spent;
  if (spent.length < 2 && first?.hours === undefined) return [];
  return spent.map(({ kind, amount, hours, wage }) => {
    const name = COST_WORDS[kind];
    const said =
      hours === undefined || wage === undefined
        ? name
        : t('bid.hoursAtWage', {
            name,
            hours: formatNumber(hours, 2, numbers),
            wage: formatUnitCost(wage, money),
          });
    return { ...row(words(said), words(formatMoney(amount, money))), indent: 1 };
  });
}

const typedWords = ({ quantity, costs }: NonNullable<EvidenceLine['typedOver']>): string =>
  quantity === '' ? t('bid.costsTypedOver', { count: costs.length }) : t('bid.typedOver', { quantity });

/** A step of the through-line; what was measured leads to its tape. */
function stepRow(step: Step, formats: Formats, places: ReadonlyMap<string, string>): PrintedRow {
  const failure = failureOfStep(step.figure);
  const { target } = step;
  const link = target.type === 'scope' ? places.get(target.id) : undefined;
  const label = { text: labelOfStep(step.label, formats), ...(link === undefined ? {} : { link }) };
  const figure = failure === undefined ? writeStep(step.figure, formats) : shortFailure(failure);
  return row(label, words(figure));
}
