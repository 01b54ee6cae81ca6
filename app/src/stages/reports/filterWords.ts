import type { Comparison, ReportCondition, ReportFilter } from '@zest/core/job/records/report';
import type { Job } from '@zest/core/job/job';
import { isCondition } from '@zest/core/reports/filter';
import { partsOf } from '@zest/core/reports/fields/fields';
import { headingOfField } from '../../messages/reportWords.ts';
import { listWith } from '../../messages/lists.ts';
import { t } from '../../messages/t.ts';

/** How a value is held against what is typed, as the middle of a sentence. */
export const COMPARISON_WORDS: Readonly<Record<Comparison, string>> = {
  is: t('report.is'),
  'is-not': t('report.isNot'),
  contains: t('report.contains'),
  lacks: t('report.doesNotContain'),
  more: t('report.isMoreThan'),
  less: t('report.isLessThan'),
  empty: t('report.isEmpty'),
  filled: t('report.isNotEmpty'),
};

export const needsValue = (is: Comparison): boolean => is !== 'empty' && is !== 'filled';

/** A field, or a calculated column by its key. */
export function nameOfConditionField(field: string, job: Job, columnName: (key: string) => string): string {
  const [owner, key] = partsOf(field);
  return owner === 'column' ? columnName(key) : headingOfField(field, job);
}

/** A filter as a sentence: 'Kind of cost is labor, and Supplier is empty'. */
export function filterSentence(filter: ReportFilter, job: Job, columnName: (key: string) => string): string {
  const parts = filter.of.map((part) => {
    if (isCondition(part)) return conditionWords(part, job, columnName);
    const inner = filterSentence(part as ReportFilter, job, columnName);
    return part.of.length > 1 ? `(${inner})` : inner;
  });
  return listWith(filter.join === 'all' ? 'and' : 'or', parts);
}

function conditionWords(
  { field, is, value }: ReportCondition,
  job: Job,
  columnName: (key: string) => string,
): string {
  const name = nameOfConditionField(field, job, columnName);
  return needsValue(is) ? `${name} ${COMPARISON_WORDS[is]} ${value}` : `${name} ${COMPARISON_WORDS[is]}`;
}
