import type { ReportSource } from '@zest/core/job/records/report';
import { t } from '../../messages/t.ts';

/** What the rows of a report are, in words. */
export const SOURCE_WORDS: Readonly<Record<ReportSource, string>> = {
  lines: t('report.rowsLines'),
  places: t('report.rowsPlaces'),
  components: t('report.rowsComponents'),
  purchases: t('report.rowsPurchases'),
  marks: t('report.rowsMarks'),
  openings: t('report.rowsOpenings'),
  scopes: t('report.rowsScopes'),
  sheets: t('report.rowsSheets'),
  items: t('report.rowsItems'),
  hours: t('report.rowsHours'),
  quotes: t('report.rowsQuotes'),
  alternates: t('report.rowsAlternates'),
  doubts: t('report.rowsDoubts'),
  changes: t('report.rowsChanges'),
};
