import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { put, update } from '@zest/core/job/change';
import { removeAlternate } from '@zest/core/job/commands/removeWith';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { type AlternateIds, bidWith, priceAlternates } from '@zest/core/reports/alternates';
import { formatMoney } from '@zest/core/pricing/money';
import { CommitInput } from '../../components/CommitInput.tsx';
import { IconAction } from '../../components/IconAction.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import type { OpenJob } from '../../stores/jobStore.ts';
import { plural } from '../../messages/words.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';

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
    <section aria-label="Alternates">
      {priced.length === 0 ? (
        <p className="soft">
          An alternate is another way to do part of the work, priced next to the base bid. Add one, then mark
          the lines or scopes it adds or removes.
        </p>
      ) : null}
      {priced.map(({ alternate, change, lines }) => (
        <div key={alternate.id} className="box alternate">
          <div className="alternate-head">
            <CommitInput
              label={`Name of ${alternate.name}`}
              value={alternate.name}
              onCommit={(name) =>
                settle(
                  'rename an alternate',
                  update(alternate, (now) => ({ ...now, name })),
                )
              }
            />
            <IconAction
              label={`Remove ${alternate.name}`}
              icon={Trash2}
              onClick={() => tell(settle(`remove ${alternate.name}`, removeAlternate(alternate.id)))}
            />
          </div>
          <div className="alternate-head">
            <Checkbox
              checked={alternate.accepted}
              onChange={(on) =>
                tell(
                  settle(
                    `${on ? 'accept' : 'leave out'} ${alternate.name}`,
                    update(alternate, (now) => ({ ...now, accepted: on })),
                  ),
                )
              }
            >
              accepted
            </Checkbox>
            <span className="soft">{plural(lines, 'line')}</span>
            <b>
              {change === 0 ? '' : change > 0 ? 'add ' : 'deduct '}
              {formatMoney(Math.abs(change), money)}
            </b>
          </div>
        </div>
      ))}
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          tell(
            settle(
              'add an alternate',
              put({
                type: 'alternate',
                id: services.makeId('alternate'),
                name: `Alternate ${job.alternate.size + 1}`,
                note: '',
                accepted: false,
                order: orderAfter(job.alternate.values()),
              }),
            ),
          )
        }
      >
        Add an alternate
      </Button>
      {priced.length === 0 ? null : <Combination />}
    </section>
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
    <div className="combination">
      <h3>What if</h3>
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
      <dl className="facts">
        <dt>Base bid</dt>
        <dd>{formatMoney(sums.base, money)}</dd>
        <dt>With the ticked ones</dt>
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
