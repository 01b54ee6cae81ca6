import { useMemo } from 'react';
import { Calculation } from '@zest/core/calculate/calculation';
import { put } from '@zest/core/job/change';
import { applyDiff } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import { formatMoney } from '@zest/core/pricing/money';
import { bridgeOf } from '@zest/core/reports/bridge';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

interface EffectOnBidProps {
  readonly changes: readonly (readonly [from: Item, to: Item])[];
  readonly added: readonly Item[];
}

/** What new prices would do to the open job, line by line, before they are taken. */
export function EffectOnBid({ changes, added }: EffectOnBidProps) {
  const { job, figures } = useOpenJob();
  const { money } = useFormats();
  const effect = useMemo(() => {
    if (changes.length === 0 && added.length === 0) return undefined;
    const diff = put(...changes.map(([, to]) => to), ...added)(job);
    return diff.ok ? bridgeOf(figures, new Calculation(applyDiff(job, diff.value)).figures) : undefined;
  }, [job, figures, changes, added]);
  if (effect === undefined) return null;
  const change = effect.to - effect.from;
  return (
    <div className={layout.noteBox} role="status">
      <p style={{ margin: '0 0 4px' }}>
        {change === 0 && effect.lines.length === 0
          ? t('prices.noLineOfThisJobChanges')
          : t('prices.ofThisJobChangeTheBidGoes', {
              lines: t('count.line', { count: effect.lines.length }),
              money: formatMoney(effect.from, money),
            })}
        {change === 0 && effect.lines.length === 0 ? null : <b>{formatMoney(effect.to, money)}</b>}
      </p>
      <table className={layout.tape}>
        <tbody>
          {effect.lines.slice(0, 8).map((line) => (
            <tr key={line.key}>
              <td>{line.name}</td>
              <td className="right">{formatMoney(line.from, money)}</td>
              <td className="right">{formatMoney(line.to, money)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {effect.lines.length > 8 ? (
        <span className="soft">{t('prices.andMore', { number: effect.lines.length - 8 })}</span>
      ) : null}
    </div>
  );
}
