import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, update } from '@zest/core/job/change';
import { removeRegion } from '@zest/core/job/commands/removeWith';
import { inOrder, orderAfter, settingsOf } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import type { Region } from '@zest/core/job/records/region';
import { takeFigure } from '../../components/typed.ts';
import { CommitInput } from '../../components/CommitInput.tsx';
import { IconAction } from '../../components/IconAction.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';

const KINDS = ['material', 'labor', 'equipment'] as const;

/** Local adjustment: prices of the book are taken times these where the job is built. */
export function Regions() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const { numbers } = useFormats();
  const settings = settingsOf(job);
  const regions = inOrder(job.region.values());
  const change = (region: Region, changed: Partial<Region>): string | undefined =>
    settle(
      `region ${region.name}`,
      update(region, (now) => ({ ...now, ...changed })),
    );
  const stand = (id: string): void => {
    const { regionId: _before, ...rest } = settings;
    const refused = settle(
      'region of the job',
      put(id === '' ? rest : { ...rest, regionId: id as Id<'region'> }),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <section aria-label="Regions">
      <h2>Local adjustment</h2>
      <p className="soft">
        Factors on wages and on material and equipment prices from the price book. Typed costs and quotes
        don’t change. Each line shows the factors that apply.
      </p>
      <label>
        Prices in this job are for{' '}
        <Select
          style={{ width: 'auto' }}
          value={settings.regionId ?? ''}
          onChange={(event) => stand(event.target.value)}
        >
          <option value="">the price book, unadjusted</option>
          {regions.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      </label>
      {regions.length === 0 ? null : (
        <table className="lines wage-table">
          <thead>
            <tr>
              <th>Region</th>
              <th className="right">Material ×</th>
              <th className="right">Labor ×</th>
              <th className="right">Equipment ×</th>
              <th aria-label="What to do" />
            </tr>
          </thead>
          <tbody>
            {regions.map((region) => (
              <tr key={region.id}>
                <td>
                  <CommitInput
                    label="Region"
                    value={region.name}
                    onCommit={(name) => change(region, { name })}
                  />
                </td>
                {KINDS.map((kind) => (
                  <td key={kind}>
                    <CommitInput
                      label={`Factor on ${kind} in ${region.name}`}
                      align="end"
                      value={plainToLocal(String(region[kind]), numbers)}
                      onCommit={(text) =>
                        takeFigure(text, numbers, { as: 'amount', least: 0.1, most: 10 }, (kept) =>
                          change(region, { [kind]: Number(kept) }),
                        )
                      }
                    />
                  </td>
                ))}
                <td>
                  <IconAction
                    label={`Remove region ${region.name}`}
                    icon={Trash2}
                    onClick={() => {
                      const refused = settle(`remove ${region.name}`, removeRegion(region.id));
                      if (refused !== undefined) tellProblem(refused);
                    }}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          settle(
            'add a region',
            put({
              type: 'region',
              id: services.makeId('region'),
              name: `Region ${regions.length + 1}`,
              material: 1,
              labor: 1,
              equipment: 1,
              order: orderAfter(regions),
            }),
          )
        }
      >
        Add a region
      </Button>
    </section>
  );
}
