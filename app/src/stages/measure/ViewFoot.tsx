import { Popover, Portal } from '@chakra-ui/react';
import { SlidersHorizontal } from 'lucide-react';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import { useSetView, useView } from '../../stores/context.tsx';
import { useRecord, useTables } from '../../stores/jobHooks.ts';
import {
  COLOR_MODES,
  type ColorMode,
  LABEL_MODES,
  type LabelMode,
  type ViewState,
  type WithinMode,
} from '../../stores/viewStore.ts';
import { ShownCheck } from './ShownCheck.tsx';
import { Zones } from './Zones.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

const WITHIN_WORDS: Readonly<Record<WithinMode, string>> = {
  job: t('measure.theWholeJob'),
  level: t('measure.thisLevel'),
  sheet: t('measure.thisSheet'),
};
const SHEET_WORDS: Readonly<Record<ViewState['sheetShown'], string>> = {
  full: t('measure.sheetShown'),
  dim: t('measure.sheetDimmed'),
  hidden: t('measure.sheetHidden'),
};

/** What the tally is of, and what of it is to be seen on the sheet. */
export function ViewFoot() {
  const hidden = useView((state) => state.hidden);
  const alone = useView((state) => state.alone);
  const within = useView((state) => state.within);
  const setView = useSetView();
  const lone = useRecord(alone as Id<'scope'> | undefined);
  return (
    <div className={styles.tallyFoot}>
      <label>
        {t('measure.figuresOf')}{' '}
        <Select
          small
          value={within}
          onChange={(event) => setView({ within: event.target.value as WithinMode })}
        >
          {Object.entries(WITHIN_WORDS).map(([mode, words]) => (
            <option key={mode} value={mode}>
              {words}
            </option>
          ))}
        </Select>
      </label>
      <span style={{ flex: 1 }} />
      {hidden.size > 0 || lone !== undefined ? (
        <TextButton
          title={
            lone === undefined
              ? t('measure.hidden', { things: t('count.thing', { count: hidden.size }) })
              : t('measure.onlyIsShown', { name: lone.name })
          }
          onClick={() => setView({ hidden: new Set(), alone: undefined })}
        >
          {t('measure.showAll')}
        </TextButton>
      ) : null}
      <Popover.Root lazyMount unmountOnExit positioning={{ placement: 'top-end' }}>
        <Popover.Trigger asChild>
          <TextButton className={styles.viewButton}>
            <SlidersHorizontal size={13} aria-hidden="true" /> {t('measure.view')}
          </TextButton>
        </Popover.Trigger>
        <Portal>
          <Popover.Positioner>
            <Popover.Content className={styles.viewBox} aria-label={t('measure.view')}>
              <Choices />
              <Sections />
              <Zones />
            </Popover.Content>
          </Popover.Positioner>
        </Portal>
      </Popover.Root>
    </div>
  );
}

function Choices() {
  const sheetShown = useView((state) => state.sheetShown);
  const labels = useView((state) => state.labels);
  const colorBy = useView((state) => state.colorBy);
  const junctionsShown = useView((state) => state.junctionsShown);
  const setView = useSetView();
  return (
    <>
      <label className={styles.property}>
        <span>{t('measure.sheet')}</span>
        <Select
          value={sheetShown}
          onChange={(event) => setView({ sheetShown: event.target.value as ViewState['sheetShown'] })}
        >
          {Object.entries(SHEET_WORDS).map(([mode, words]) => (
            <option key={mode} value={mode}>
              {words}
            </option>
          ))}
        </Select>
      </label>
      <label className={styles.property}>
        <span>{t('measure.labels')}</span>
        <Select value={labels} onChange={(event) => setView({ labels: event.target.value as LabelMode })}>
          {LABEL_MODES.map((mode) => (
            <option key={mode} value={mode}>
              {mode}
            </option>
          ))}
        </Select>
      </label>
      <label className={styles.property}>
        <span>{t('measure.colorsBy')}</span>
        <Select value={colorBy} onChange={(event) => setView({ colorBy: event.target.value as ColorMode })}>
          {COLOR_MODES.map((mode) => (
            <option key={mode} value={mode}>
              {mode}
            </option>
          ))}
        </Select>
      </label>
      <Checkbox checked={junctionsShown} onChange={(on) => setView({ junctionsShown: on })}>
        {t('measure.dotsWhereTheRunsOfTheOpen')}
      </Checkbox>
    </>
  );
}

/** Sections with something in them, each to be shown or not. */
function Sections() {
  const job = useTables('scope', 'section');
  const used = new Set([...job.scope.values()].map(({ sectionId }) => sectionId));
  const sections = inOrder(job.section.values()).filter(({ id }) => used.has(id));
  if (sections.length === 0) return null;
  return (
    <fieldset>
      <legend>{t('measure.sectionsShown')}</legend>
      {sections.map(({ id, code, name }) => (
        <ShownCheck key={id} id={id} name={`${code} ${name}`.trim()} />
      ))}
    </fieldset>
  );
}
