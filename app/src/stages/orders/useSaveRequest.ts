import { requestSheet } from '@zest/core/formats/request/sheet';
import { settingsOf } from '@zest/core/job/job';
import type { PriceRequest } from '@zest/core/job/records/request';
import { longDay } from '../../messages/dates.ts';
import { t } from '../../messages/t.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { useWriting } from '../reports/useWriter.ts';

const HEADS = {
  line: t('orders.columnLine'),
  partNumber: t('orders.columnPart'),
  description: t('orders.columnDescription'),
  quantity: t('orders.columnQuantity'),
  unit: t('orders.columnUnit'),
  price: t('orders.columnPrice'),
  priceUnit: t('orders.columnPriceUnit'),
  leadDays: t('orders.columnDays'),
  substitute: t('orders.columnInstead'),
  note: t('orders.columnNote'),
} as const;

/** A request as a workbook for suppliers who would rather fill in a file. */
export function useSaveRequest(request: PriceRequest): () => Promise<void> {
  const { job } = useOpenJob();
  const { download } = useServices();
  const { run } = useWriting();
  return async () => {
    const { company, currency, dateStyle } = settingsOf(job);
    const lines = [
      request.name,
      company === ''
        ? t('orders.pricesAskedIn', { currency })
        : t('orders.companyAsks', { company, currency }),
      ...(request.due === ''
        ? []
        : [t('orders.pleaseAnswerBy', { date: longDay(request.due, undefined, dateStyle) })]),
      ...(request.note === '' ? [] : [request.note]),
      t('orders.fillInHow'),
    ];
    const sheet = requestSheet(request, { heads: HEADS, lines });
    const blob = await run('xlsx', (remote) => remote.writePlain([sheet]));
    if (blob !== undefined) download(fileName(request.name, '.xlsx'), blob);
  };
}
