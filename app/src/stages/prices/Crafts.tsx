import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, update } from '@zest/core/job/change';
import { removeCraft } from '@zest/core/job/commands/removeWith';
import type { Craft } from '@zest/core/job/records/craft';
import { ownPrice } from '@zest/core/pricing/ownPrice';
import { burdenedWage } from '@zest/core/pricing/labor';
import { formatUnitCost } from '@zest/core/pricing/money';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** Wages in one place: a change reaches every line of the craft. */
export function Crafts() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const { money } = useFormats();
  const change = (craft: Craft, changed: Partial<Craft>): string | undefined =>
    settle(
      t('prices.wageOf', { name: craft.name }),
      update(craft, (now) => {
        const next = { ...now, ...changed };
        return changed.wage === undefined ? next : ownPrice(next);
      }),
    );
  return (
    <section aria-label={t('prices.wages')}>
      <h2>{t('prices.wagesPerHour')}</h2>
      <p className="soft">{t('prices.aChangeHereUpdatesEveryLineThe')}</p>
      <table className={`${layout.lines} ${styles.wageTable}`}>
        <thead>
          <tr>
            <th>{t('prices.craft')}</th>
            <th className="right">{t('prices.wage', { currency: money.currency })}</th>
            <th className="right">{t('prices.burden')}</th>
            <th className="right">{t('prices.withBurden')}</th>
            <th aria-label={t('prices.whatToDo')} />
          </tr>
        </thead>
        <tbody>
          {[...job.craft.values()].map((craft) => (
            <CraftRow key={craft.id} craft={craft} change={change} />
          ))}
        </tbody>
      </table>
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          settle(
            t('prices.addACraft2'),
            put({
              type: 'craft',
              id: services.makeId('craft'),
              name: t('prices.craft2', { place: job.craft.size + 1 }),
              wage: '',
            }),
          )
        }
      >
        {t('prices.addACraft')}
      </Button>
    </section>
  );
}

interface CraftRowProps {
  readonly craft: Craft;
  readonly change: (craft: Craft, changed: Partial<Craft>) => string | undefined;
}

function CraftRow({ craft, change }: CraftRowProps) {
  const { numbers, money } = useFormats();
  const settle = useSettle();
  return (
    <tr>
      <td>
        <CommitInput
          label={t('prices.craft')}
          value={craft.name}
          onCommit={(name) => change(craft, { name })}
        />
      </td>
      <td>
        <CommitInput
          label={t('prices.wageOf2', { name: craft.name })}
          align="end"
          value={plainToLocal(craft.wage, numbers)}
          onCommit={(text) =>
            takeFigure(text, numbers, { as: 'amount', currency: money.currency }, (kept) =>
              change(craft, { wage: kept }),
            )
          }
        />
      </td>
      <td>
        <CommitInput
          label={t('prices.burdenOfPercent', { name: craft.name })}
          align="end"
          placeholder="0"
          value={plainToLocal(craft.burden ?? '', numbers)}
          onCommit={(text) =>
            takeFigure(text, numbers, { as: 'percent' }, (kept) => change(craft, { burden: kept }))
          }
        />
      </td>
      <td className="right">
        {craft.wage === '' ? t('prices.noWage') : formatUnitCost(burdenedWage(craft), money)}
      </td>
      <td>
        <IconAction
          label={t('prices.remove', { name: craft.name })}
          icon={Trash2}
          onClick={() => {
            const refused = settle(t('prices.remove2', { name: craft.name }), removeCraft(craft.id));
            if (refused !== undefined) tellProblem(refused);
          }}
        />
      </td>
    </tr>
  );
}
