import { X } from 'lucide-react';
import { put, update } from '@zest/core/job/change';
import { removeZone } from '@zest/core/job/commands/removeWith';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { TimesInput } from '../../parts/TimesInput.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';
import { DifficultyChoice } from './DifficultyChoice.tsx';
import { ShownCheck } from './ShownCheck.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { Zone } from '@zest/core/job/records/zone';

/** Zones of the building or site: shown or not, built so many times, and the one new marks go to. */
export function Zones() {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const penZone = useView((state) => state.penZone);
  const zones = inOrder(job.zone.values());
  const settle = useSettle();
  return (
    <fieldset>
      <legend>{t('measure.zones')}</legend>
      {zones.map((zone) => (
        <ZoneRow key={zone.id} zone={zone} />
      ))}
      <CommitInput
        label={t('measure.newZone')}
        placeholder={t('measure.zoneAsEastWing')}
        value=""
        onCommit={(name) =>
          name.trim() === ''
            ? undefined
            : settle(
                t('measure.newZone2'),
                put({ type: 'zone', id: makeId('zone'), name, order: orderAfter(zones), repeat: 1 }),
              )
        }
      />
      {zones.length === 0 ? null : <ZoneOfNew penZone={penZone} zones={zones} />}
    </fieldset>
  );
}

interface ZoneOfNewProps {
  readonly penZone: string | undefined;
  readonly zones: readonly Zone[];
}

function ZoneOfNew({ penZone, zones }: ZoneOfNewProps) {
  const setView = useSetView();
  return (
    <label className={styles.property}>
      <span>{t('measure.newMarksGoTo')}</span>
      <Select
        value={penZone ?? ''}
        onChange={(event) => setView({ penZone: event.target.value === '' ? undefined : event.target.value })}
      >
        <option value="">{t('measure.noZone')}</option>
        {zones.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
    </label>
  );
}

interface ZoneRowProps {
  readonly zone: Zone;
}

function ZoneRow({ zone }: ZoneRowProps) {
  const settle = useSettle();
  return (
    <div className={styles.zoneRow}>
      <ShownCheck id={zone.id} name={zone.name} />
      <span className="soft">{t('measure.times')}</span>
      <TimesInput
        name={zone.name}
        value={zone.repeat}
        onCommit={(repeat) =>
          settle(
            t('measure.timesOfAZone'),
            update(zone, (now) => ({ ...now, repeat })),
          )
        }
      />
      <IconButton
        style={{ width: 20 }}
        aria-label={t('measure.remove', { name: zone.name })}
        onClick={() => void settle(t('measure.removeAZone'), removeZone(zone.id))}
      >
        <X size={13} />
      </IconButton>
      <div style={{ gridColumn: '1 / -1' }}>
        <DifficultyChoice
          label={t('measure.difficultyIn', { name: zone.name })}
          chosen={zone.difficulty ?? []}
          onChange={(difficulty) =>
            settle(
              t('measure.difficultyOfAZone'),
              update(zone, (now) => ({ ...now, difficulty })),
            )
          }
        />
      </div>
    </div>
  );
}
