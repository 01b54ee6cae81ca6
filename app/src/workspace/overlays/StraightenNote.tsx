import { Button } from '@chakra-ui/react';
import type { Sheet } from '@zest/core/job/records/sheet';
import { useSetView, useStores, useView } from '../../stores/context.tsx';
import { setTone, turnBy } from '../straighten.ts';
import { Select } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';

const PLAIN = { ink: 1, invert: false } as const;

/** Turning, leveling, cropping and toning a sheet; marks go along with it. */
export function StraightenNote({ sheet }: { readonly sheet: Sheet }) {
  const stores = useStores();
  const setView = useSetView();
  const tool = useView((state) => state.tool);
  const tone = sheet.tone ?? PLAIN;
  if (tool === 'level')
    return (
      <div className="desk-note" role="note">
        <b>Level the sheet.</b> Click two points, far apart, on a line that should be level or plumb.
        <div className="row">
          <Button size="xs" variant="outline" onClick={() => setView({ tool: 'straighten' })}>
            Back
          </Button>
        </div>
      </div>
    );
  if (tool === 'crop')
    return (
      <div className="desk-note" role="note">
        <b>Crop the sheet.</b> Drag a box around the part to keep.
        <div className="row">
          <Button size="xs" variant="outline" onClick={() => setView({ tool: 'straighten' })}>
            Back
          </Button>
        </div>
      </div>
    );
  return (
    <div className="desk-note" role="note">
      <b>Straighten {sheet.number || 'the sheet'}.</b> Marks, scale and legend move with it. Each step can be
      undone.
      <div className="row">
        <Button size="xs" variant="outline" onClick={() => turnBy(stores, sheet, -90)}>
          Turn left
        </Button>
        <Button size="xs" variant="outline" onClick={() => turnBy(stores, sheet, 90)}>
          Turn right
        </Button>
        <Button size="xs" variant="outline" onClick={() => setView({ tool: 'level' })}>
          Level by a line
        </Button>
        <Button size="xs" variant="outline" onClick={() => setView({ tool: 'crop' })}>
          Crop
        </Button>
      </div>
      <div className="row">
        <label>
          Ink{' '}
          <Select
            style={{ width: 110 }}
            value={String(tone.ink)}
            onChange={(event) => setTone(stores, sheet, { ...tone, ink: Number(event.target.value) })}
          >
            {INKS.map(([ink, name]) => (
              <option key={ink} value={String(ink)}>
                {name}
              </option>
            ))}
          </Select>
        </label>
        <Checkbox checked={tone.invert} onChange={(on) => setTone(stores, sheet, { ...tone, invert: on })}>
          invert
        </Checkbox>
        <span style={{ flex: 1 }} />
        <Button size="xs" onClick={() => setView({ tool: 'select' })}>
          Done
        </Button>
      </div>
    </div>
  );
}

const INKS: readonly (readonly [number, string])[] = [
  [0.4, 'much lighter'],
  [0.65, 'lighter'],
  [1, 'unchanged'],
  [1.8, 'darker'],
  [3, 'much darker'],
];
