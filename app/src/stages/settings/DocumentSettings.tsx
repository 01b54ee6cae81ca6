import { DATE_STYLES, type Settings } from '@zest/core/job/records/settings';
import { t } from '../../messages/t.ts';
import { DocumentLanguage } from '../../figures/DocumentLanguage.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Select } from '../../parts/fields.tsx';
import { styles } from './styles.ts';
import { type ChangeSettings, useChangeSettings } from './useSettings.ts';

const WHOLE = /^\d{1,3}$/;

/** What the bid is called and counted as, its paper and its language. */
export function DocumentSettings({ settings }: { readonly settings: Settings }) {
  const set = useChangeSettings(settings);
  const usual = settings.unitSystem === 'us' ? 'letter' : 'a4';
  return (
    <section className={styles.card} aria-label={t('settings.documents')}>
      <h2>{t('settings.documents')}</h2>
      {settings.ofCompany === true ? null : <NumberOfBid settings={settings} set={set} />}
      <Labeled label={t('settings.paper')}>
        {(control) => (
          <Select
            {...control}
            value={settings.paper ?? usual}
            onChange={({ target }) => set({ paper: target.value === 'letter' ? 'letter' : 'a4' })}
          >
            <option value="letter">{t('settings.letter')}</option>
            <option value="a4">A4</option>
          </Select>
        )}
      </Labeled>
      <Labeled label={t('settings.dates')}>
        {(control) => (
          <Select
            {...control}
            value={settings.dateStyle ?? ''}
            onChange={({ target }) => set({ dateStyle: DATE_STYLES.find((each) => each === target.value) })}
          >
            <option value="">{t('settings.datesAsLanguage')}</option>
            <option value="numbers">{t('settings.datesInNumbers')}</option>
            <option value="iso">{t('settings.datesIso')}</option>
          </Select>
        )}
      </Labeled>
      <DocumentLanguage settings={settings} set={set} />
    </section>
  );
}

interface NumberOfBidProps {
  readonly settings: Settings;
  readonly set: ChangeSettings;
}

/** The number the bid has in the office, and how often it went out changed. */
const NumberOfBid = ({ settings, set }: NumberOfBidProps) => (
  <>
    <label>
      <span className="soft">{t('settings.bidNumber')}</span>
      <CommitInput
        label={t('settings.bidNumber')}
        value={settings.bidNumber ?? ''}
        onCommit={(text) => set({ bidNumber: text.trim() === '' ? undefined : text.trim() })}
      />
    </label>
    <label>
      <span className="soft">{t('settings.revision')}</span>
      <CommitInput
        label={t('settings.revision')}
        value={String(settings.bidRevision ?? 0)}
        onCommit={(text) =>
          WHOLE.test(text.trim())
            ? set({ bidRevision: Number(text.trim()) === 0 ? undefined : Number(text.trim()) })
            : t('settings.typeAWholeNumber')
        }
      />
    </label>
  </>
);
