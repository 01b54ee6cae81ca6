import { Trash2 } from 'lucide-react';
import { formatNumber } from '@zest/core/units/numberFormat';
import { update } from '@zest/core/job/change';
import { removeQuote } from '@zest/core/job/commands/removeWith';
import type { Package, Quote } from '@zest/core/job/records/quote';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useFormats } from '../../stores/context.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { Radio } from '../../parts/Radio.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

export type ChangeQuote = (changed: Partial<Quote>) => string | undefined;

export function useChangeQuote(): (quote: Quote) => ChangeQuote {
  const settle = useSettle();
  return (quote) => (changed) =>
    settle(
      t('estimate.quoteOf2', { company: quote.company }),
      update(quote, (now) => ({ ...now, ...changed })),
    );
}

export function QuoteHead({ quote }: { readonly quote: Quote }) {
  const settle = useSettle();
  const change = useChangeQuote()(quote);
  return (
    <th scope="col">
      <div className={layout.alternateHead}>
        <CommitInput
          label={t('estimate.company2')}
          value={quote.company}
          onCommit={(company) => change({ company })}
        />
        <IconAction
          label={t('estimate.removeTheQuoteOf', { company: quote.company })}
          icon={Trash2}
          onClick={() => {
            const refused = settle(
              t('estimate.removeTheQuoteOf2', { company: quote.company }),
              removeQuote(quote.id),
            );
            if (refused !== undefined) tellProblem(refused);
          }}
        />
      </div>
    </th>
  );
}

interface TakenRowProps {
  readonly each: Package;
  readonly quotes: readonly Quote[];
  readonly change: (changed: Partial<Package>) => string | undefined;
  /** Columns between the name and the quotes. */
  readonly under?: number;
}

/** Which quote is in the bid. */
export function TakenRow({ each, quotes, change, under = 0 }: TakenRowProps) {
  return (
    <tr>
      <th scope="row">{t('estimate.taken')}</th>
      {under === 0 ? null : <td className="tight" colSpan={under} />}
      {quotes.map(({ id, company }) => (
        <td key={id} className="right">
          <Radio
            name={`taken ${each.id}`}
            aria-label={`${each.takenId === id ? t('estimate.chosen') : t('estimate.choose')}: ${company}`}
            checked={each.takenId === id}
            onChange={() => change({ takenId: id })}
          >
            {each.takenId === id ? t('estimate.chosen') : t('estimate.choose')}
          </Radio>
        </td>
      ))}
    </tr>
  );
}

export function MoneyInput({
  label,
  value,
  onCommit,
}: {
  readonly label: string;
  readonly value: string;
  readonly onCommit: (text: string) => string | undefined;
}) {
  const { numbers, money } = useFormats();
  return (
    <CommitInput
      label={label}
      align="end"
      value={value === '' ? '' : formatNumber(Number(value), 2, numbers)}
      onCommit={(text) => takeFigure(text, numbers, { as: 'amount', currency: money.currency }, onCommit)}
    />
  );
}

export function DateInput({
  label,
  value,
  onCommit,
}: {
  readonly label: string;
  readonly value: string;
  readonly onCommit: (text: string) => string | undefined;
}) {
  return (
    <TextInput
      type="date"
      aria-label={label}
      value={value}
      onChange={(event) => {
        const refused = onCommit(event.target.value);
        if (refused !== undefined) tellProblem(refused);
      }}
    />
  );
}
