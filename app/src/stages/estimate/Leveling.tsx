import { own } from '@zest/core/job/own';
import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { knownValue } from '@zest/core/calculate/define';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { levelQuote } from '@zest/core/estimate/quotes';
import { settingsOf } from '@zest/core/job/job';
import { keyFor } from '@zest/core/job/keyFor';
import type { Package, Quote } from '@zest/core/job/records/quote';
import { formatMoney, minorDigits } from '@zest/core/pricing/money';
import { CommitInput } from '../../components/CommitInput.tsx';
import { IconAction } from '../../components/IconAction.tsx';
import { plural } from '../../messages/words.ts';
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
    <table className="leveling">
      <thead>
        <tr>
          <th scope="col">{quotes.length === 0 ? 'No quote yet' : ''}</th>
          {quotes.map((quote) => (
            <QuoteHead key={quote.id} quote={quote} />
          ))}
        </tr>
      </thead>
      <tbody>
        <QuoteRow name="Quoted" quotes={quotes}>
          {(quote, change_) => (
            <MoneyInput
              label={`Quoted by ${quote.company}`}
              value={quote.amount}
              onCommit={(amount) => change_({ amount })}
            />
          )}
        </QuoteRow>
        <QuoteRow name="Dated" quotes={quotes}>
          {(quote, change_) => (
            <DateInput
              label={`Date of ${quote.company}`}
              value={quote.date}
              onCommit={(date) => change_({ date })}
            />
          )}
        </QuoteRow>
        <QuoteRow name="Valid until" quotes={quotes}>
          {(quote, change_) => (
            <DateInput
              label={`${quote.company} valid until`}
              value={quote.validUntil}
              onCommit={(validUntil) => change_({ validUntil })}
            />
          )}
        </QuoteRow>
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
        <QuoteRow name="Adjusted by" quotes={quotes}>
          {(quote, change_) => <AdjustmentsOf quote={quote} change={change_} />}
        </QuoteRow>
        <QuoteRow name="Note" quotes={quotes}>
          {(quote, change_) => (
            <CommitInput
              label={`Note on ${quote.company}`}
              value={quote.note}
              onCommit={(note) => change_({ note })}
            />
          )}
        </QuoteRow>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">Leveled</th>
          {leveled.map(({ total, open }, at) => (
            <td
              key={quotes[at]?.id}
              className={`right ${open === 0 && total === lowest && quotes.length > 1 ? 'lowest' : ''}`}
            >
              <b>{formatMoney(total, money)}</b>
              {open > 0 ? (
                <div className="warn">
                  {plural(open, 'exclusion')} without an allowance: not comparable yet
                </div>
              ) : total === lowest ? null : (
                <div className="soft">{formatMoney(total - lowest, money)} above the lowest</div>
              )}
            </td>
          ))}
        </tr>
        <TakenRow each={each} quotes={quotes} change={change} />
        <OwnRow each={each} span={quotes.length} change={change} />
      </tfoot>
    </table>
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
      <th scope="row">Your own lines</th>
      <td colSpan={Math.max(1, span)}>
        {each.lines.length === 0 ? (
          <span className="soft">No lines are replaced: the quote is added to the estimate. </span>
        ) : (
          <span>
            {plural(each.lines.length, 'line')}, <b>{formatMoney(own, money)}</b>
            <span className="soft">
              {each.takenId === null ? ', replaced once a quote is taken. ' : ', out of the bid. '}
            </span>
          </span>
        )}
        <Button size="xs" variant="outline" onClick={() => setChoosing(true)}>
          Choose lines it replaces
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
        <div className="alternate-head">
          <CommitInput
            label={`Must include: ${text}`}
            value={text}
            onCommit={(next) =>
              change({ asks: each.asks.map((one) => (one.key === ask ? { ...one, text: next } : one)) })
            }
          />
          <IconAction
            label={`Do not ask for ${text}`}
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
            <div className="ask">
              <Checkbox
                checked={out === undefined}
                aria-label={`${text} is in the quote of ${quote.company}`}
                onChange={(on) => changeQuote(quote)({ leftOut: on ? others : { ...others, [ask]: '' } })}
              >
                {out === undefined ? 'in' : 'out, allow'}
              </Checkbox>
              {out === undefined ? null : (
                <MoneyInput
                  label={`${text}, allowed for ${quote.company}`}
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
      label="Must include"
      placeholder="Must include"
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
        <div key={at} className="ask">
          <CommitInput
            label={`Adjustment ${at + 1} of ${quote.company}`}
            value={text}
            onCommit={(next) =>
              next.trim() === ''
                ? change({ adjustments: adjustments.filter((_, index) => index !== at) })
                : replace(at, { text: next })
            }
          />
          <MoneyInput
            label={`${text} of ${quote.company}`}
            value={amount}
            onCommit={(next) => replace(at, { amount: next })}
          />
        </div>
      ))}
      <TextButton
        onClick={() => change({ adjustments: [...adjustments, { text: 'Adjustment', amount: '0' }] })}
      >
        Adjust
      </TextButton>
    </>
  );
}
