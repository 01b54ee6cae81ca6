import type { MakeId } from '@zest/core/job/id';
import { type Job, orderAfter } from '@zest/core/job/job';
import type { Yardstick } from '@zest/core/job/records/yardstick';
import { t } from '../../messages/t.ts';

/** A rule of thumb on something, with no range yet. */
export const newYardstick = (job: Job, on: Yardstick['on'], makeId: MakeId): Yardstick => ({
  type: 'yardstick',
  id: makeId('yardstick'),
  name: t('estimate.newYardstick'),
  of: on.what === 'bid' ? 'price' : 'cost',
  on,
  driver: '1',
  unit: '',
  low: '',
  high: '',
  order: orderAfter(job.yardstick.values()),
});
