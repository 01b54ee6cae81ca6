import { X } from 'lucide-react';
import { put, update } from '@zest/core/job/change';
import { removeZone } from '@zest/core/job/commands/removeWith';
import { inOrder, orderAfter } from '@zest/core/job/job';
import { CommitInput } from '../../components/CommitInput.tsx';
import { TimesInput } from '../../components/TimesInput.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';
import { ShownCheck } from './ShownCheck.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';

/** Zones of the building or site: shown or not, built so many times, and the one new marks go to. */
export function Zones() {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const penZone = useView((state) => state.penZone);
  const setView = useSetView();
  const zones = inOrder(job.zone.values());
  const settle = useSettle();
  return (
    <fieldset>
      <legend>Zones</legend>
      {zones.map((zone) => (
        <div key={zone.id} className="zone-row">
          <ShownCheck id={zone.id} name={zone.name} />
          <span className="soft">times</span>
          <TimesInput
            name={zone.name}
            value={zone.repeat}
            onCommit={(repeat) =>
              settle(
                'times of a zone',
                update(zone, (now) => ({ ...now, repeat })),
              )
            }
          />
          <IconButton
            style={{ width: 20 }}
            aria-label={`Remove ${zone.name}`}
            onClick={() => void settle('remove a zone', removeZone(zone.id))}
          >
            <X size={13} />
          </IconButton>
        </div>
      ))}
      <CommitInput
        label="New zone"
        placeholder="+ zone, as East wing"
        value=""
        onCommit={(name) =>
          name.trim() === ''
            ? undefined
            : settle(
                'new zone',
                put({ type: 'zone', id: makeId('zone'), name, order: orderAfter(zones), repeat: 1 }),
              )
        }
      />
      {zones.length === 0 ? null : (
        <label className="property">
          <span>New marks go to</span>
          <Select
            value={penZone ?? ''}
            onChange={(event) =>
              setView({ penZone: event.target.value === '' ? undefined : event.target.value })
            }
          >
            <option value="">no zone</option>
            {zones.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </label>
      )}
    </fieldset>
  );
}
