import { own } from '@zest/core/job/own';
import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { knownValue } from '@zest/core/calculate/define';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { type Leveled, levelQuote } from '@zest/core/estimate/quotes';
import { settingsOf } from '@zest/core/job/job';
import { keyFor } from '@zest/core/job/keyFor';
import type { Package, Quote } from '@zest/core/job/records/quote';
import { type MoneyFormat, formatMoney, minorDigits } from '@zest/core/pricing/money';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { ChooseLines } from './QuoteLines.tsx';
import {
  type ChangeQuote,
  DateInput,
  MoneyInput,
  QuoteHead,
  TakenRow,
  useChangeQuote,
} from './quoteFields.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';

interface LevelingProps {
  readonly each: Package;
  readonly quotes: readonly Quote[];
  readonly change: (changed: Partial<Package>) => string | undefined;
}

/** A column for each quote, a row for each thing that it must hold. */
export function Leveling({ each, quotes, change }: LevelingProps) {
  const { job } = useOpenJob();
  const { money } = useFormats();
  const digits = minorDigits(settingsOf(job).currency);
  const leveled = quotes.map((quote) => levelQuote(quote, digits));
  // A quote that leaves something open does not compare: it is not the lowest of anything.
  const lowest = Math.min(...leveled.filter(({ open }) => open === 0).map(({ total }) => total));
  return (
    <table className={styles.leveling}>
      <LevelingHead quotes={quotes} />
      <tbody>
        <QuotedRows quotes={quotes} />
        {each.asks.map(({ key, text }) => (
          <AskRow key={key} each={each} ask={key} text={text} quotes={quotes} change={change} />
        ))}
        <tr>
          <td>
            <AddAsk each={each} change={change} />
          </td>
          {quotes.map((quote) => (
            <td key={quote.id} />
          ))}
        </tr>
        <QuoteRow name={t('estimate.adjustedBy')} quotes={quotes}>
          {(quote, change_) => <AdjustmentsOf quote={quote} change={change_} />}
        </QuoteRow>
        <QuoteRow name={t('estimate.note')} quotes={quotes}>
          {(quote, change_) => (
            <CommitInput
              label={t('estimate.noteOn', { company: quote.company })}
              value={quote.note}
              onCommit={(note) => change_({ note })}
            />
          )}
        </QuoteRow>
      </tbody>
      <tfoot>
        <LeveledRow leveled={leveled} quotes={quotes} lowest={lowest} money={money} />
        <TakenRow each={each} quotes={quotes} change={change} />
        <OwnRow each={each} span={quotes.length} change={change} />
      </tfoot>
    </table>
  );
}

interface LeveledRowProps {
  readonly leveled: Leveled[];
  readonly quotes: readonly Quote[];
  readonly lowest: number;
  readonly money: MoneyFormat;
}

/** What each quote comes to once what it leaves out is added. */
function LeveledRow({ leveled, quotes, lowest, money }: LeveledRowProps) {
  return (
    <tr>
      <th scope="row">{t('estimate.leveled')}</th>
      {leveled.map(({ total, open }, at) => (
        <td
          key={quotes[at]?.id}
          className={`right ${open === 0 && total === lowest && quotes.length > 1 ? 'lowest' : ''}`}
        >
          <b>{formatMoney(total, money)}</b>
          {open > 0 ? (
            <div className="warn">
              {t('estimate.withoutAnAllowanceNotComparableYet', {
                exclusions: t('count.exclusion', { count: open }),
              })}
            </div>
          ) : total === lowest ? null : (
            <div className="soft">
              {t('estimate.aboveTheLowest', { money: formatMoney(total - lowest, money) })}
            </div>
          )}
        </td>
      ))}
    </tr>
  );
}

interface QuotedRowsProps {
  readonly quotes: readonly Quote[];
}

function QuotedRows({ quotes }: QuotedRowsProps) {
  return (
    <>
      <QuoteRow name={t('estimate.quoted')} quotes={quotes}>
        {(quote, change_) => (
          <MoneyInput
            label={t('estimate.quotedBy', { company: quote.company })}
            value={quote.amount}
            onCommit={(amount) => change_({ amount })}
          />
        )}
      </QuoteRow>
      <QuoteRow name={t('estimate.dated')} quotes={quotes}>
        {(quote, change_) => (
          <DateInput
            label={t('estimate.dateOf', { company: quote.company })}
            value={quote.date}
            onCommit={(date) => change_({ date })}
          />
        )}
      </QuoteRow>
      <QuoteRow name={t('estimate.validUntilRow')} quotes={quotes}>
        {(quote, change_) => (
          <DateInput
            label={t('estimate.validUntil', { company: quote.company })}
            value={quote.validUntil}
            onCommit={(validUntil) => change_({ validUntil })}
          />
        )}
      </QuoteRow>
    </>
  );
}

interface LevelingHeadProps {
  readonly quotes: readonly Quote[];
}

function LevelingHead({ quotes }: LevelingHeadProps) {
  return (
    <thead>
      <tr>
        <th scope="col">{quotes.length === 0 ? t('estimate.noQuoteYet') : ''}</th>
        {quotes.map((quote) => (
          <QuoteHead key={quote.id} quote={quote} />
        ))}
      </tr>
    </thead>
  );
}

/** Your own lines that the taken quote stands for: to compare with, and out of the bid while one is taken. */
function OwnRow({ each, span, change }: Pick<LevelingProps, 'each' | 'change'> & { readonly span: number }) {
  const { figures } = useOpenJob();
  const { money } = useFormats();
  const [choosing, setChoosing] = useState(false);
  const own = each.lines.reduce(
    (sum, key) => sum + (knownValue(figures.figure(lineNode(key, 'extension'))) ?? 0),
    0,
  );
  return (
    <tr>
      <th scope="row">{t('estimate.yourOwnLines')}</th>
      <td colSpan={Math.max(1, span)}>
        {each.lines.length === 0 ? (
          <span className="soft">{t('estimate.noLinesAreReplacedTheQuoteIs')} </span>
        ) : (
          <span>
            {t('count.line', { count: each.lines.length })}, <b>{formatMoney(own, money)}</b>
            <span className="soft">
              {each.takenId === null ? t('estimate.replacedOnceAQuoteIsTaken') : t('estimate.outOfTheBid')}
            </span>
          </span>
        )}
        <Button size="xs" variant="outline" onClick={() => setChoosing(true)}>
          {t('estimate.chooseLinesItReplaces')}
        </Button>
        {choosing ? (
          <ChooseLines
            chosen={new Set(each.lines)}
            sectionId={each.sectionId}
            onClose={() => setChoosing(false)}
            onChoose={(lines) => {
              change({ lines });
              setChoosing(false);
            }}
          />
        ) : null}
      </td>
    </tr>
  );
}

interface QuoteRowProps {
  readonly name: string;
  readonly quotes: readonly Quote[];
  readonly children: (quote: Quote, change: ChangeQuote) => React.ReactNode;
}

function QuoteRow({ name, quotes, children }: QuoteRowProps) {
  const change = useChangeQuote();
  return (
    <tr>
      <th scope="row">{name}</th>
      {quotes.map((quote) => (
        <td key={quote.id}>{children(quote, change(quote))}</td>
      ))}
    </tr>
  );
}

interface AskRowProps extends LevelingProps {
  readonly ask: string;
  readonly text: string;
}

/** In the quote, or left out with what it would cost besides. */
function AskRow({ each, ask, text, quotes, change }: AskRowProps) {
  const changeQuote = useChangeQuote();
  return (
    <tr>
      <th scope="row">
        <div className={layout.alternateHead}>
          <CommitInput
            label={t('estimate.mustInclude', { text })}
            value={text}
            onCommit={(next) =>
              change({ asks: each.asks.map((one) => (one.key === ask ? { ...one, text: next } : one)) })
            }
          />
          <IconAction
            label={t('estimate.doNotAskFor', { text })}
            icon={Trash2}
            onClick={() => change({ asks: each.asks.filter(({ key }) => key !== ask) })}
          />
        </div>
      </th>
      {quotes.map((quote) => {
        const out = own(quote.leftOut, ask);
        const { [ask]: _out, ...others } = quote.leftOut;
        return (
          <td key={quote.id}>
            <div className={styles.ask}>
              <Checkbox
                checked={out === undefined}
                aria-label={t('estimate.isInTheQuoteOf', { text, company: quote.company })}
                onChange={(on) => changeQuote(quote)({ leftOut: on ? others : { ...others, [ask]: '' } })}
              >
                {out === undefined ? t('estimate.in') : t('estimate.outAllow')}
              </Checkbox>
              {out === undefined ? null : (
                <MoneyInput
                  label={t('estimate.allowedFor', { text, company: quote.company })}
                  value={out}
                  onCommit={(amount) => changeQuote(quote)({ leftOut: { ...others, [ask]: amount } })}
                />
              )}
            </div>
          </td>
        );
      })}
    </tr>
  );
}

function AddAsk({ each, change }: Pick<LevelingProps, 'each' | 'change'>) {
  return (
    <CommitInput
      label={t('estimate.mustInclude2')}
      placeholder={t('estimate.mustInclude2')}
      value=""
      onCommit={(text) => {
        if (text.trim() === '') return undefined;
        const taken = new Set(each.asks.map(({ key }) => key));
        return change({ asks: [...each.asks, { key: keyFor(text, taken, 'ask'), text: text.trim() }] });
      }}
    />
  );
}

/** Anything else that makes it comparable: a discount, a hoist of ours. */
function AdjustmentsOf({ quote, change }: { readonly quote: Quote; readonly change: ChangeQuote }) {
  const { adjustments } = quote;
  const replace = (at: number, changed: Partial<Quote['adjustments'][number]>): string | undefined =>
    change({
      adjustments: adjustments.map((each, index) => (index === at ? { ...each, ...changed } : each)),
    });
  return (
    <>
      {adjustments.map(({ text, amount }, at) => (
        <div key={at} className={styles.ask}>
          <CommitInput
            label={t('estimate.adjustmentOf', { place: at + 1, company: quote.company })}
            value={text}
            onCommit={(next) =>
              next.trim() === ''
                ? change({ adjustments: adjustments.filter((_, index) => index !== at) })
                : replace(at, { text: next })
            }
          />
          <MoneyInput
            label={t('estimate.of', { text, company: quote.company })}
            value={amount}
            onCommit={(next) => replace(at, { amount: next })}
          />
        </div>
      ))}
      <TextButton
        onClick={() =>
          change({ adjustments: [...adjustments, { text: t('estimate.adjustment'), amount: '0' }] })
        }
      >
        {t('estimate.adjust')}
      </TextButton>
    </>
  );
}
