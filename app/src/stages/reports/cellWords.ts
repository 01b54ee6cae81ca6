import type { Job } from '@zest/core/job/job';
import { settingsOf } from '@zest/core/job/job';
import type { Cell } from '@zest/core/reports/cell';
import type { CellWriting } from '@zest/core/reports/writeCell';
import { longDay } from '../../messages/dates.ts';
import { shortFailure } from '../../messages/describeFailure.ts';
import { t } from '../../messages/t.ts';
import type { Formats } from '../../stores/context.tsx';

type Failed = Extract<Cell, { readonly kind: 'failure' }>['failure'];

export const failureWords = (failure: Failed): string =>
  failure === 'does-not-fit' ? t('report.unitsDoNotFit') : shortFailure(failure);

/** How cells of reports are written on the screen, in the formats of a job. */
export function cellWritingOf(job: Job, { numbers, money }: Formats): CellWriting {
  const { dateStyle } = settingsOf(job);
  return {
    numbers,
    currency: money.currency,
    date: (day) => longDay(day, undefined, dateStyle),
    failure: failureWords,
    mixed: (units) => t('report.severalUnits', { units: units.filter((unit) => unit !== '').join(', ') }),
  };
}
