import { type Job, settingsOf } from '@zest/core/job/job';
import type { PrintedReport } from '@zest/core/formats/report/printed';
import type { OpenReport } from '@zest/core/reports/openReport';
import { type Report, reportOf } from '@zest/core/reports/report';
import { longDay } from '../../messages/dates.ts';
import { headingOfField } from '../../messages/reportWords.ts';
import { language, messagesIn } from '../../messages/t.ts';
import { formatsOf } from '../../stores/context.tsx';
import { failureWords } from './cellWords.ts';

/** A report with all its words, ready to be written beside the page; in a document its days and totals are in the document's language. */
export function printReport(open: OpenReport, lng = language): PrintedReport {
  const t = messagesIn(lng);
  const { figures, today } = open.context;
  const { job } = figures;
  const settings = settingsOf(job);
  const report = reportOf(open, (field) => headingOfField(field, job));
  const { unitSystem, paper = unitSystem === 'us' ? 'letter' : 'a4' } = settings;
  const day = (iso: string): string => longDay(iso, lng, settings.dateStyle);
  return {
    report,
    numbers: formatsOf(settings).numbers,
    language: lng,
    words: {
      job: settings.name,
      client: settings.client,
      company: settings.company,
      date: day(today),
      total: t('report.total'),
      totalOf: t('report.totalOf', { name: '{name}' }),
      without: t('report.without', { field: '{field}' }),
      footer: t('report.usualFooter'),
      leftOut:
        report.leftOut === 0
          ? ''
          : t('report.rowsLeftOut', { rows: t('count.row', { count: report.leftOut }) }),
      mixed: t('report.severalUnits', { units: '{units}' }),
    },
    ...saidCells(report, day),
    paper,
    ...logoOf(job),
  };
}

function logoOf(job: Job): Pick<PrintedReport, 'logo'> {
  const [logo] = job.logo.values();
  if (logo === undefined) return {};
  const { mediaType, data, widthPx, heightPx } = logo;
  return { logo: { mediaType, data, ratio: widthPx / heightPx } };
}

/** Dates and reasons that stand in the cells, each in words. */
function saidCells(
  { rows, root }: Report,
  day: (iso: string) => string,
): Pick<PrintedReport, 'dates' | 'failures'> {
  const dates: Record<string, string> = {};
  const failures: Record<string, string> = {};
  const say = (cell: Report['rows'][number]['cells'][number]): void => {
    if (cell?.kind === 'date') dates[cell.date] ??= day(cell.date);
    if (cell?.kind === 'failure')
      failures[typeof cell.failure === 'string' ? cell.failure : cell.failure.kind] ??= failureWords(
        cell.failure,
      );
  };
  for (const { cells } of rows) cells.forEach(say);
  const visit = (group: Report['root']): void => {
    say(group.label);
    group.totals.forEach(say);
    group.groups.forEach(visit);
  };
  visit(root);
  return { dates, failures };
}
