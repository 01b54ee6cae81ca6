import { useState } from 'react';
import { changeMeasuring, countOwnMoney } from '@zest/core/library/changeMeasuring';
import { hasSamples } from '@zest/core/library/samples';
import type { Settings } from '@zest/core/job/records/settings';
import { formatMoney } from '@zest/core/pricing/money';
import { AREA, LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { sayLibrary } from '../../messages/libraryText.ts';
import { t } from '../../messages/t.ts';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Refusal } from '../../parts/Refusal.tsx';
import { Select } from '../../parts/fields.tsx';
import { CURRENCIES, NUMBER_STYLES, NUMBER_STYLE_NAMES } from '../../platform/numberStyles.ts';
import { inOrder } from '@zest/core/job/job';
import { useTable } from '../../stores/jobHooks.ts';
import { useFormats, useJobNow } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { DifficultyChoice } from '../measure/DifficultyChoice.tsx';
import { styles } from './styles.ts';
import { type ChangeSettings, useChangeSettings } from './useSettings.ts';

interface SettingsProps {
  readonly settings: Settings;
}

/** In what the job is measured and stated, with a figure as it reads then. */
export function MeasuringSettings({ settings }: SettingsProps) {
  const set = useChangeSettings(settings);
  const style = NUMBER_STYLE_NAMES.find(
    (name) =>
      NUMBER_STYLES[name].decimalMark === settings.decimalMark &&
      NUMBER_STYLES[name].groupMark === settings.groupMark,
  );
  return (
    <section className={styles.card} aria-label={t('settings.figures')}>
      <h2>{t('settings.figures')}</h2>
      <UnitsAndCurrency settings={settings} />
      <Labeled label={t('jobs.numbersAreWritten')}>
        {(control) => (
          <Select
            {...control}
            value={style ?? ''}
            onChange={({ target }) => {
              const chosen = NUMBER_STYLE_NAMES.find((name) => name === target.value);
              if (chosen === undefined) return;
              const { decimalMark, groupMark } = NUMBER_STYLES[chosen];
              set({ decimalMark, groupMark });
            }}
          >
            {style === undefined ? <option value="">{t('settings.asInTheFile')}</option> : null}
            {NUMBER_STYLE_NAMES.map((name) => (
              <option key={name} value={name}>
                {NUMBER_STYLES[name].label}
              </option>
            ))}
          </Select>
        )}
      </Labeled>
      <RegionField settings={settings} set={set} />
      {settings.ofCompany === true ? null : (
        <div>
          <span className="soft">{t('settings.difficultyOfTheJob')}</span>
          <DifficultyChoice
            label={t('measure.difficulty')}
            chosen={settings.difficulty ?? []}
            onChange={(difficulty) => set({ difficulty: difficulty.length === 0 ? undefined : difficulty })}
          />
        </div>
      )}
      <Example />
    </section>
  );
}

interface RegionFieldProps extends SettingsProps {
  readonly set: ChangeSettings;
}

/** Where the work is: prices and wages are those of the book times what the region says. */
function RegionField({ settings, set }: RegionFieldProps) {
  const regions = inOrder(useTable('region').values());
  if (regions.length === 0) return null;
  return (
    <Labeled label={t('settings.region')} hint={t('settings.regionsAreUnderPrices')}>
      {(control) => (
        <Select
          {...control}
          value={settings.regionId ?? ''}
          onChange={({ target }) => set({ regionId: regions.find(({ id }) => id === target.value)?.id })}
        >
          <option value="">{t('settings.noRegion')}</option>
          {regions.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      )}
    </Labeled>
  );
}

/** Units and currency together: the samples follow both, and figures that somebody set are never relabeled in silence. */
function UnitsAndCurrency({ settings }: SettingsProps) {
  const settle = useSettle();
  const jobNow = useJobNow();
  const [asked, setAsked] = useState<{ readonly currency: string; readonly figures: number } | undefined>();
  const [isMeant, setMeant] = useState(false);
  const [refusal, setRefusal] = useState<string | undefined>();
  const change = (next: Pick<Settings, 'unitSystem' | 'currency'>): void =>
    setRefusal(settle(t('settings.changeTheSettings'), changeMeasuring(next, sayLibrary())));
  const chooseCurrency = (currency: string): void => {
    const figures = countOwnMoney(jobNow());
    setMeant(false);
    if (figures > 0) return setAsked({ currency, figures });
    setAsked(undefined);
    change({ unitSystem: settings.unitSystem, currency });
  };
  return (
    <>
      <UnitsField settings={settings} change={change} />
      <Labeled
        label={t('jobs.currency')}
        hint={
          hasSamples(settings)
            ? t('settings.samplesAreIn')
            : t('settings.noSamplesIn', { currency: settings.currency })
        }
      >
        {(control) => (
          <Select
            {...control}
            value={asked?.currency ?? settings.currency}
            onChange={({ target }) => chooseCurrency(target.value)}
          >
            {[...new Set([settings.currency, ...CURRENCIES])].map((currency) => (
              <option key={currency}>{currency}</option>
            ))}
          </Select>
        )}
      </Labeled>
      {asked === undefined ? null : (
        <Checkbox
          checked={isMeant}
          onChange={(on) => {
            setMeant(on);
            if (!on) return;
            change({ unitSystem: settings.unitSystem, currency: asked.currency });
            setAsked(undefined);
          }}
        >
          {t('settings.figuresAreInAlready', { count: asked.figures, currency: asked.currency })}
        </Checkbox>
      )}
      <Refusal>{refusal}</Refusal>
    </>
  );
}

interface UnitsFieldProps extends SettingsProps {
  readonly change: (next: Pick<Settings, 'unitSystem' | 'currency'>) => void;
}

function UnitsField({ settings, change }: UnitsFieldProps) {
  return (
    <Labeled label={t('jobs.units')} hint={t('settings.whatIsDrawnStays')}>
      {(control) => (
        <Select
          {...control}
          value={settings.unitSystem}
          onChange={({ target }) =>
            change({ unitSystem: target.value === 'us' ? 'us' : 'metric', currency: settings.currency })
          }
        >
          <option value="us">{t('jobs.feetAndInches')}</option>
          <option value="metric">{t('jobs.metric')}</option>
        </Select>
      )}
    </Labeled>
  );
}

/** A length, an area and a price as they read with these settings. */
function Example() {
  const { display, money } = useFormats();
  return (
    <div className={styles.example}>
      <span className="soft">{t('settings.figuresReadAs')}</span>
      <b>
        {joinFigure(formatQuantity(12.8, LENGTH, display))} ·{' '}
        {joinFigure(formatQuantity(1234.56, AREA, display))} · {formatMoney(123_456, money)}
      </b>
    </div>
  );
}
