import {
  LANGUAGES_OF_DOCUMENTS,
  type LanguageOfDocuments,
  type Settings,
} from '@zest/core/job/records/settings';
import type { MoneyFormat } from '@zest/core/pricing/money';
import { formatsOf } from '../../stores/context.tsx';
import { language, messagesIn } from '../../messages/t.ts';

/** The language a job's documents are in: its own, else that of the interface. */
export const documentLanguage = (chosen: LanguageOfDocuments | undefined): LanguageOfDocuments =>
  chosen ?? LANGUAGES_OF_DOCUMENTS.find((each) => each === language) ?? 'en-US';

/** What words and figures of a document are written by. */
export interface DocumentWords {
  readonly t: ReturnType<typeof messagesIn>;
  readonly lng: LanguageOfDocuments;
  readonly settings: Settings;
  readonly money: MoneyFormat;
}

export function documentWords(settings: Settings): DocumentWords {
  const lng = documentLanguage(settings.documentLanguage);
  return { t: messagesIn(lng), lng, settings, money: formatsOf(settings).money };
}

/** What the document is, with its number and revision. */
export function titleOf(
  name: string,
  { bidNumber = '', bidRevision = 0 }: Settings,
  t: DocumentWords['t'],
): string {
  if (bidNumber === '') return bidRevision === 0 ? name : t('bid.bidRevised', { name, bidRevision });
  return bidRevision === 0
    ? t('bid.bidNumbered', { name, bidNumber })
    : t('bid.bidNumberedRevised', { name, bidNumber, bidRevision });
}
