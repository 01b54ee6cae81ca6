import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { put, update } from '@zest/core/job/change';
import { removeAlternate } from '@zest/core/job/commands/removeWith';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { type AlternateIds, bidWith, priceAlternates } from '@zest/core/reports/alternates';
import { type MoneyFormat, formatMoney } from '@zest/core/pricing/money';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import type { OpenJob } from '../../stores/jobStore.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import type { Alternate } from '@zest/core/job/records/alternate';

/** Each alternate as add or deduct, and what any choice of them comes to. */
export function Alternates() {
  const open = useOpenJob();
  const { job } = open;
  const services = useServices();
  const settle = useSettle();
  const { money } = useFormats();
  const priced = useMemo(() => pricedAt(open), [open]);
  const tell = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <section aria-label={t('estimate.alternates')}>
      {priced.length === 0 ? <p className="soft">{t('estimate.anAlternateIsAnotherWayToDo')}</p> : null}
      {priced.map(({ alternate, change, lines }) => (
        <AlternateBox
          key={alternate.id}
          alternate={alternate}
          settle={settle}
          tell={tell}
          lines={lines}
          change={change}
          money={money}
        />
      ))}
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          tell(
            settle(
              t('estimate.addAnAlternate2'),
              put({
                type: 'alternate',
                id: services.makeId('alternate'),
                name: t('estimate.alternate', { place: job.alternate.size + 1 }),
                note: '',
                accepted: false,
                order: orderAfter(job.alternate.values()),
              }),
            ),
          )
        }
      >
        {t('estimate.addAnAlternate')}
      </Button>
      {priced.length === 0 ? null : <Combination />}
    </section>
  );
}

interface AlternateBoxProps {
  readonly alternate: Alternate;
  readonly settle: ReturnType<typeof useSettle>;
  readonly tell: (refused: string | undefined) => void;
  readonly lines: number;
  readonly change: number;
  readonly money: MoneyFormat;
}

/** One alternate: its name, what it adds or deducts, and whether it is accepted. */
function AlternateBox({ alternate, settle, tell, lines, change, money }: AlternateBoxProps) {
  return (
    <div className={`${layout.box} ${styles.alternate}`}>
      <div className={layout.alternateHead}>
        <CommitInput
          label={t('estimate.nameOf', { name: alternate.name })}
          value={alternate.name}
          onCommit={(name) =>
            settle(
              t('estimate.renameAnAlternate'),
              update(alternate, (now) => ({ ...now, name })),
            )
          }
        />
        <IconAction
          label={t('estimate.remove', { name: alternate.name })}
          icon={Trash2}
          onClick={() =>
            tell(settle(t('estimate.remove2', { name: alternate.name }), removeAlternate(alternate.id)))
          }
        />
      </div>
      <div className={layout.alternateHead}>
        <Checkbox
          checked={alternate.accepted}
          onChange={(on) =>
            tell(
              settle(
                t(on ? 'estimate.acceptAlternate' : 'estimate.leaveOutAlternate', { name: alternate.name }),
                update(alternate, (now) => ({ ...now, accepted: on })),
              ),
            )
          }
        >
          {t('estimate.accepted')}
        </Checkbox>
        <span className="soft">{t('count.line', { count: lines })}</span>
        <b>
          {change === 0 ? '' : change > 0 ? t('estimate.add') : t('estimate.deduct')}
          {formatMoney(Math.abs(change), money)}
        </b>
      </div>
    </div>
  );
}

const pricedAt = ({ figures }: OpenJob) => priceAlternates(figures);

/** Any choice of alternates, priced without touching the bid. */
function Combination() {
  const open = useOpenJob();
  const { job } = open;
  const { money } = useFormats();
  const [chosen, setChosen] = useState<AlternateIds>(new Set());
  const sums = useMemo(() => sumsOf(open, chosen), [open, chosen]);
  return (
    <div className={styles.combination}>
      <h3>{t('estimate.whatIf')}</h3>
      {inOrder(job.alternate.values()).map(({ id, name }) => (
        <Checkbox
          key={id}
          checked={chosen.has(id)}
          onChange={() => {
            const next = new Set(chosen);
            if (!next.delete(id)) next.add(id);
            setChosen(next);
          }}
        >
          {name}
        </Checkbox>
      ))}
      <dl className={layout.facts}>
        <dt>{t('estimate.baseBid')}</dt>
        <dd>{formatMoney(sums.base, money)}</dd>
        <dt>{t('estimate.withTheTickedOnes')}</dt>
        <dd>
          <b>{formatMoney(sums.chosen, money)}</b>
        </dd>
      </dl>
    </div>
  );
}

const sumsOf = ({ figures }: OpenJob, chosen: AlternateIds) => ({
  base: bidWith(figures, new Set()),
  chosen: bidWith(figures, chosen),
});
