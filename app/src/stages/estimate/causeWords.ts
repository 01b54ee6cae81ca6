import type { BridgeCause } from '@zest/core/reports/bridge';
import { t } from '../../messages/t.ts';

/** Why a line's money changed, as the bridge names it. */
export const CAUSE_WORDS: Readonly<Record<BridgeCause, string>> = {
  quantity: t('estimate.quantity'),
  price: t('estimate.price'),
  added: t('estimate.added'),
  removed: t('estimate.removed'),
};
