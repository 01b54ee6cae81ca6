import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { plainToLocal } from '@zest/core/formula/localize';
import { put, update } from '@zest/core/job/change';
import { removeRegion } from '@zest/core/job/commands/removeWith';
import { inOrder, orderAfter, settingsOf } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import type { Region } from '@zest/core/job/records/region';
import { takeFigure } from '../../figures/typed.ts';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconAction } from '../../parts/IconAction.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

const KINDS = ['material', 'labor', 'equipment'] as const;

/** Local adjustment: prices of the book are taken times these where the job is built. */
export function Regions() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const regions = inOrder(job.region.values());
  const change = (region: Region, changed: Partial<Region>): string | undefined =>
    settle(
      t('prices.region', { name: region.name }),
      update(region, (now) => ({ ...now, ...changed })),
    );
  return (
    <section aria-label={t('prices.regions')}>
      <h2>{t('prices.localAdjustment')}</h2>
      <p className="soft">{t('prices.factorsOnWagesAndOnMaterialAnd')}</p>
      <RegionOfTheJob />
      {regions.length === 0 ? null : (
        <table className={`${layout.lines} ${styles.wageTable}`}>
          <RegionHead />
          <tbody>
            {regions.map((region) => (
              <RegionRow key={region.id} region={region} change={change} />
            ))}
          </tbody>
        </table>
      )}
      <Button
        size="xs"
        variant="outline"
        onClick={() =>
          settle(
            t('prices.addARegion2'),
            put({
              type: 'region',
              id: services.makeId('region'),
              name: t('prices.region3', { place: regions.length + 1 }),
              material: 1,
              labor: 1,
              equipment: 1,
              order: orderAfter(regions),
            }),
          )
        }
      >
        {t('prices.addARegion')}
      </Button>
    </section>
  );
}

interface RegionRowProps {
  readonly region: Region;
  readonly change: (region: Region, changed: Partial<Region>) => string | undefined;
}

function RegionRow({ region, change }: RegionRowProps) {
  const { numbers } = useFormats();
  const settle = useSettle();
  return (
    <tr>
      <td>
        <CommitInput
          label={t('prices.region2')}
          value={region.name}
          onCommit={(name) => change(region, { name })}
        />
      </td>
      {KINDS.map((kind) => (
        <td key={kind}>
          <CommitInput
            label={t('prices.factorOnIn', { kind, name: region.name })}
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
          label={t('prices.removeRegion', { name: region.name })}
          icon={Trash2}
          onClick={() => {
            const refused = settle(t('prices.remove2', { name: region.name }), removeRegion(region.id));
            if (refused !== undefined) tellProblem(refused);
          }}
        />
      </td>
    </tr>
  );
}

function RegionHead() {
  return (
    <thead>
      <tr>
        <th>{t('prices.region2')}</th>
        <th className="right">{t('prices.material')}</th>
        <th className="right">{t('prices.labor')}</th>
        <th className="right">{t('prices.equipment')}</th>
        <th aria-label={t('prices.whatToDo')} />
      </tr>
    </thead>
  );
}

/** For which region the job is priced. */
function RegionOfTheJob() {
  const { job } = useOpenJob();
  const settle = useSettle();
  const settings = settingsOf(job);
  const regions = inOrder(job.region.values());
  const stand = (id: string): void => {
    const { regionId: _before, ...rest } = settings;
    const refused = settle(
      t('prices.regionOfTheJob'),
      put(id === '' ? rest : { ...rest, regionId: id as Id<'region'> }),
    );
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <label style={{ display: 'block', marginBottom: 10 }}>
      {t('prices.pricesInThisJobAreFor')}{' '}
      <Select
        style={{ width: 'auto' }}
        value={settings.regionId ?? ''}
        onChange={(event) => stand(event.target.value)}
      >
        <option value="">{t('prices.thePriceBookUnadjusted')}</option>
        {regions.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
    </label>
  );
}
