import { LANGUAGES_OF_DOCUMENTS, type Settings } from '@zest/core/job/records/settings';
import { nameOfLanguage, t } from '../messages/t.ts';
import { Labeled } from '../parts/Labeled.tsx';
import { Select } from '../parts/fields.tsx';

interface DocumentLanguageProps {
  readonly settings: Settings;
  readonly set: (changed: Partial<Settings>) => string | undefined;
  readonly hint?: string;
}

/** The language that what goes to the client is written in. */
export function DocumentLanguage({ settings, set, hint = '' }: DocumentLanguageProps) {
  return (
    <Labeled label={t('bid.languageOfTheBid')} hint={hint}>
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
  );
}
