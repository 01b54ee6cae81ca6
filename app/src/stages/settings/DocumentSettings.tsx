import type { Settings } from '@zest/core/job/records/settings';
import { LANGUAGES_OF_DOCUMENTS } from '@zest/core/job/records/settings';
import { nameOfLanguage, t } from '../../messages/t.ts';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Select } from '../../parts/fields.tsx';
import { styles } from './styles.ts';
import { useChangeSettings } from './useSettings.ts';

const WHOLE = /^\d{1,3}$/;

/** What the bid is called and counted as, its paper and its language. */
export function DocumentSettings({ settings }: { readonly settings: Settings }) {
  const set = useChangeSettings(settings);
  const usual = settings.unitSystem === 'us' ? 'letter' : 'a4';
  return (
    <section className={styles.card} aria-label={t('settings.documents')}>
      <h2>{t('settings.documents')}</h2>
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
      <Labeled label={t('bid.languageOfTheBid')} hint={t('settings.datesFollowTheLanguage')}>
        {(control) => (
          <Select
            {...control}
            value={settings.documentLanguage ?? ''}
            onChange={({ target }) =>
              set({ documentLanguage: LANGUAGES_OF_DOCUMENTS.find((each) => each === target.value) })
            }
          >
            <option value="">{t('bid.asTheInterface')}</option>
            {LANGUAGES_OF_DOCUMENTS.map((each) => (
              <option key={each} value={each}>
                {nameOfLanguage(each)}
              </option>
            ))}
          </Select>
        )}
      </Labeled>
    </section>
  );
}
