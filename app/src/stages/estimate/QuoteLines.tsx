import { own } from '@zest/core/job/own';
import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { update } from '@zest/core/job/change';
import type { Package, Quote } from '@zest/core/job/records/quote';
import { isPriced } from '@zest/core/estimate/rows';
import { type MoneyFormat, formatMoney, minorDigits } from '@zest/core/pricing/money';
import { sumPrices } from '@zest/core/estimate/quotes';
import type { Figures } from '@zest/core/calculate/figures';
import { sectionsAround } from '@zest/core/estimate/places';
import type { Id } from '@zest/core/job/id';
import { type ReportLine, listShownRows, reportLine } from '@zest/core/reports/estimateReport';
import { settingsOf } from '@zest/core/job/job';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { LinePicker } from './LinePicker.tsx';
import { describeAlone } from './cells.tsx';
import { type ChangeQuote, MoneyInput, QuoteHead, TakenRow, useChangeQuote } from './quoteFields.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';
import type { NumberFormat } from '@zest/core/units/numberFormat';

interface QuoteLinesProps {
  readonly each: Package;
  readonly quotes: readonly Quote[];
}

/** Unit prices line by line, a column for each quote. The one that is taken prices the lines. */
export function QuoteLines({ each, quotes }: QuoteLinesProps) {
  const { job, figures } = useOpenJob();
  const { money, numbers } = useFormats();
  const settle = useSettle();
  const changeQuote = useChangeQuote();
  const [choosing, setChoosing] = useState(false);
  const digits = minorDigits(settingsOf(job).currency);
  const keys = new Set(each.lines);
  const lines = listShownRows(figures)
    .filter(({ key }) => keys.has(key))
    .map((row) => reportLine(figures, row));
  const asked = lines.map(({ row, quantity }) => ({ key: row.key, quantity }));
  const sums = quotes.map((quote) => sumPrices(quote, asked, digits));
  const change = (changed: Partial<Package>): string | undefined =>
    settle(
      t('estimate.package', { name: each.name }),
      update(each, (now) => ({ ...now, ...changed })),
    );
  return (
    <>
      <table className={styles.leveling}>
        <QuoteLinesHead quotes={quotes} />
        <tbody>
          {lines.map((line) => (
            <PricedLine
              key={line.row.key}
              line={line}
              numbers={numbers}
              quotes={quotes}
              changeQuote={changeQuote}
            />
          ))}
        </tbody>
        <tfoot>
          <SumsRow sums={sums} quotes={quotes} money={money} />
          <TakenRow each={each} quotes={quotes} change={change} under={1} />
        </tfoot>
      </table>
      {lines.length > 0 ? null : (
        <p className="soft" style={{ margin: '0 0 8px' }}>
          {t('estimate.thisPackageDoesntPriceAnyLinesYet')}
        </p>
      )}
      <Button size="xs" variant="outline" onClick={() => setChoosing(true)}>
        {lines.length === 0 ? t('estimate.chooseTheLines') : t('estimate.chooseOtherLines')}
      </Button>
      {choosing ? (
        <ChooseLines
          chosen={keys}
          onClose={() => setChoosing(false)}
          onChoose={(chosen) => {
            change({ lines: chosen });
            setChoosing(false);
          }}
        />
      ) : null}
    </>
  );
}

interface SumsRowProps {
  readonly sums: { readonly total: number; readonly missing: number }[];
  readonly quotes: readonly Quote[];
  readonly money: MoneyFormat;
}

function SumsRow({ sums, quotes, money }: SumsRowProps) {
  return (
    <tr>
      <th scope="row">{t('estimate.together')}</th>
      <td className="tight" />
      {sums.map(({ total, missing }, at) => (
        <td key={quotes[at]?.id} className="right">
          <b>{formatMoney(total, money)}</b>
          <div className="soft">
            {missing === 0 ? '' : t('estimate.notQuoted', { lines: t('count.line', { count: missing }) })}
          </div>
        </td>
      ))}
    </tr>
  );
}

interface PricedLineProps {
  readonly line: ReportLine;
  readonly numbers: NumberFormat;
  readonly quotes: readonly Quote[];
  readonly changeQuote: (quote: Quote) => ChangeQuote;
}

function PricedLine({ line, numbers, quotes, changeQuote }: PricedLineProps) {
  return (
    <tr>
      <th scope="row">{describeAlone(line)}</th>
      <td className="right tight">
        {line.quantity === undefined ? '' : writeQuantity(line.quantity, line.unit, numbers)}{' '}
        <span className="unit">{line.unit}</span>
      </td>
      {quotes.map((quote) => (
        <td key={quote.id}>
          <MoneyInput
            label={t('estimate.oneBy', {
              line: describeAlone(line),
              unit: line.unit,
              company: quote.company,
            })}
            value={own(quote.prices, line.row.key) ?? ''}
            onCommit={(amount) => {
              const { [line.row.key]: _before, ...others } = quote.prices;
              return changeQuote(quote)({
                prices: amount === '' ? others : { ...others, [line.row.key]: amount },
              });
            }}
          />
        </td>
      ))}
    </tr>
  );
}

interface QuoteLinesHeadProps {
  readonly quotes: readonly Quote[];
}

function QuoteLinesHead({ quotes }: QuoteLinesHeadProps) {
  return (
    <thead>
      <tr>
        <th scope="col">{t('estimate.line')}</th>
        <th scope="col" className="right tight">
          {t('estimate.quantity')}
        </th>
        {quotes.map((quote) => (
          <QuoteHead key={quote.id} quote={quote} />
        ))}
      </tr>
    </thead>
  );
}

/** The keys of the lines that stand in a section or deeper. */
function inSection(
  figures: Figures,
  lines: readonly ReportLine[],
  sectionId: Id<'section'>,
): readonly string[] {
  const shown = new Set(lines.map(({ row }) => row.key));
  return [...figures.countedLines()]
    .filter((line) => shown.has(line.key) && sectionsAround(figures.job, line.sectionId).includes(sectionId))
    .map(({ key }) => key);
}

interface ChooseLinesProps {
  readonly chosen: ReadonlySet<string>;
  /** The section whose lines can be taken all at once. */
  readonly sectionId?: Id<'section'> | null;
  readonly onClose: () => void;
  readonly onChoose: (keys: readonly string[]) => void;
}

/** Lines to be asked for, or that a quote replaces; those of a section at one press. */
export function ChooseLines({ chosen, sectionId, onClose, onChoose }: ChooseLinesProps) {
  const { figures } = useOpenJob();
  const formats = useFormats();
  const [keys, setKeys] = useState(chosen);
  const [text, setText] = useState('');
  const section =
    sectionId === undefined || sectionId === null ? undefined : figures.job.section.get(sectionId);
  const lines = useMemo(
    () =>
      listShownRows(figures)
        .filter((row) => isPriced(row) && row.type !== 'quote')
        .map((row) => reportLine(figures, row)),
    [figures],
  );
  // What is chosen and what stands in the section first: the rest is seldom meant.
  const placed = useMemo(() => {
    const near = new Set(section === undefined ? [] : inSection(figures, lines, section.id));
    const rank = ({ row: { key } }: ReportLine): number => (chosen.has(key) ? 0 : near.has(key) ? 1 : 2);
    return [...lines].sort((a, b) => rank(a) - rank(b));
  }, [figures, lines, chosen, section]);
  return (
    <Modal
      title={t(sectionId === undefined ? 'estimate.linesOfThePackage' : 'estimate.linesThatTheQuoteReplaces')}
      size="xl"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={() => onChoose([...keys])}>
          {sectionId === undefined ? t('estimate.askFor') : t('estimate.replace')}{' '}
          {t('count.line', { count: keys.size })}
        </DialogButtons>
      }
    >
      <div className={layout.form}>
        <TextInput
          aria-label={t('estimate.searchTheLines')}
          placeholder={t('estimate.searchTheLines')}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        {section === undefined ? null : (
          <Button
            size="xs"
            variant="outline"
            onClick={() => setKeys(new Set([...keys, ...inSection(figures, lines, section.id)]))}
          >
            {t('estimate.allLinesIn', { value: `${section.code} ${section.name}`.trim() })}
          </Button>
        )}
        <LinePicker
          label={t('estimate.linesOfTheEstimate')}
          lines={placed}
          text={text}
          chosen={keys}
          onChoose={setKeys}
          formats={formats}
        />
      </div>
    </Modal>
  );
}
