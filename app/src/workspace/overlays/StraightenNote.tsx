import { Button } from '@chakra-ui/react';
import type { Sheet } from '@zest/core/job/records/sheet';
import { type Stores, useSetView, useStores, useView } from '../../stores/context.tsx';
import { setTone, turnBy } from '../straighten.ts';
import { Select } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

const PLAIN = { ink: 1, invert: false } as const;

/** Turning, leveling, cropping and toning a sheet; marks go along with it. */
export function StraightenNote({ sheet }: { readonly sheet: Sheet }) {
  const stores = useStores();
  const setView = useSetView();
  const tool = useView((state) => state.tool);
  const tone = sheet.tone ?? PLAIN;
  if (tool === 'level')
    return (
      <div className={styles.deskNote} role="note">
        <b>{t('workspace.levelTheSheet')}</b> {t('workspace.clickTwoPointsFarApartOnA')}
        <div className="row">
          <Button size="xs" variant="outline" onClick={() => setView({ tool: 'straighten' })}>
            {t('workspace.back')}
          </Button>
        </div>
      </div>
    );
  if (tool === 'crop')
    return (
      <div className={styles.deskNote} role="note">
        <b>{t('workspace.cropTheSheet')}</b> {t('workspace.dragABoxAroundThePartTo')}
        <div className="row">
          <Button size="xs" variant="outline" onClick={() => setView({ tool: 'straighten' })}>
            {t('workspace.back')}
          </Button>
        </div>
      </div>
    );
  return (
    <div className={styles.deskNote} role="note">
      <b>{t('workspace.straighten', { number: sheet.number || t('workspace.theSheet') })}</b>{' '}
      {t('workspace.marksScaleAndLegendMoveWithIt')}
      <TurnButtons stores={stores} sheet={sheet} />
      <ToneRow tone={tone} stores={stores} sheet={sheet} />
    </div>
  );
}

interface ToneRowProps {
  readonly tone: Readonly<{ ink: number; invert: boolean }>;
  readonly stores: Stores;
  readonly sheet: Sheet;
}

function ToneRow({ tone, stores, sheet }: ToneRowProps) {
  const setView = useSetView();
  return (
    <div className="row">
      <label>
        {t('workspace.ink')}{' '}
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
        {t('workspace.invert')}
      </Checkbox>
      <span style={{ flex: 1 }} />
      <Button size="xs" onClick={() => setView({ tool: 'select' })}>
        {t('workspace.done')}
      </Button>
    </div>
  );
}

interface TurnButtonsProps {
  readonly stores: Stores;
  readonly sheet: Sheet;
}

function TurnButtons({ stores, sheet }: TurnButtonsProps) {
  const setView = useSetView();
  return (
    <div className="row">
      <Button size="xs" variant="outline" onClick={() => turnBy(stores, sheet, -90)}>
        {t('workspace.turnLeft')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => turnBy(stores, sheet, 90)}>
        {t('workspace.turnRight')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => setView({ tool: 'level' })}>
        {t('workspace.levelByALine')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => setView({ tool: 'crop' })}>
        {t('workspace.crop')}
      </Button>
    </div>
  );
}

const INKS: readonly (readonly [number, string])[] = [
  [0.4, t('workspace.muchLighter')],
  [0.65, 'lighter'],
  [1, 'unchanged'],
  [1.8, 'darker'],
  [3, t('workspace.muchDarker')],
];
