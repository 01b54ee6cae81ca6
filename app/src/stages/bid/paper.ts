import { LOGO, type PrintedBlock, type PrintedDocument } from '@zest/core/formats/document/printed';
import { type Job, settingsOf } from '@zest/core/job/job';
import type { DocumentWords } from './documentWords.ts';

type Sheet = Pick<PrintedDocument, 'author' | 'language' | 'currency' | 'numbers' | 'paper' | 'pictures'>;

/** What every paper of a job has in common, whatever is on it. */
export function paperOfJob(job: Job, { lng, money }: Pick<DocumentWords, 'lng' | 'money'>): Sheet {
  const { company, currency, unitSystem, paper } = settingsOf(job);
  const [logo] = job.logo.values();
  return {
    author: company,
    language: lng,
    currency,
    numbers: money.numbers,
    paper: paper ?? (unitSystem === 'us' ? 'letter' : 'a4'),
    pictures: logo === undefined ? {} : { [LOGO]: logo },
  };
}

type Letterhead = Extract<PrintedBlock, { kind: 'letterhead' }>;

/** The company with its address and tax number, beside what the paper is and of which day. */
export const letterheadOf = (
  { settings: { company, companyAddress, taxNumber }, t }: Pick<DocumentWords, 'settings' | 't'>,
  title: string,
  dated: string,
): Omit<Letterhead, 'key' | 'heading'> => ({
  kind: 'letterhead',
  company,
  address: [
    ...companyAddress.split('\n').filter((line) => line.trim() !== ''),
    ...(taxNumber === undefined ? [] : [t('bid.taxNumber', { number: taxNumber })]),
  ],
  title,
  dated,
});
