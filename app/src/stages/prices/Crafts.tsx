import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, update } from '@zest/core/job/change';
import { removeCraft } from '@zest/core/job/commands/removeWith';
import type { Craft } from '@zest/core/job/records/craft';
import { burdenedWage } from '@zest/core/pricing/labor';
import { formatUnitCost } from '@zest/core/pricing/money';
import { CommitInput } from '../../components/CommitInput.tsx';
import { IconAction } from '../../components/IconAction.tsx';
import { takeFigure } from '../../components/typed.ts';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';

/** Wages in one place: a change reaches every line of the craft. */
export function Crafts() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const { money, numbers } = useFormats();
  const change = (craft: Craft, changed: Partial<Craft>): string | undefined =>
    settle(
      `wage of ${craft.name}`,
      update(craft, (now) => ({ ...now, ...changed })),
    );
  return (
    <section aria-label="Wages">
      <h2>Wages, per hour</h2>
      <p className="soft">A change here updates every line the craft works on, alone or in a crew.</p>
      <table className="lines wage-table">
        <thead>
          <tr>
            <th>Craft</th>
            <th className="right">Wage, {money.currency}</th>
            <th className="right">Burden, %</th>
            <th className="right">With burden</th>
            <th aria-label="What to do" />
          </tr>
        </thead>
        <tbody>
          {[...job.craft.values()].map((craft) => (
            <tr key={craft.id}>
              <td>
                <CommitInput label="Craft" value={craft.name} onCommit={(name) => change(craft, { name })} />
              </td>
              <td>
                <CommitInput
                  label={`Wage of ${craft.name}`}
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
                  label={`Burden of ${craft.name}, percent`}
                  align="end"
                  placeholder="0"
                  value={plainToLocal(craft.burden ?? '', numbers)}
                  onCommit={(text) =>
                    takeFigure(text, numbers, { as: 'percent' }, (kept) => change(craft, { burden: kept }))
                  }
                />
              </td>
              <td className="right">
                {craft.wage === '' ? 'no wage' : formatUnitCost(burdenedWage(craft), money)}
              </td>
              <td>
                <IconAction
                  label={`Remove ${craft.name}`}
                  icon={Trash2}
                  onClick={() => {
                    const refused = settle(`remove ${craft.name}`, removeCraft(craft.id));
                    if (refused !== undefined) tellProblem(refused);
                  }}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          settle(
            'add a craft',
            put({
              type: 'craft',
              id: services.makeId('craft'),
              name: `Craft ${job.craft.size + 1}`,
              wage: '',
            }),
          )
        }
      >
        Add a craft
      </Button>
    </section>
  );
}
