import type { BridgeCause } from '@zest/core/reports/bridge';

/** Why a line's money changed, as the bridge names it. */
export const CAUSE_WORDS: Readonly<Record<BridgeCause, string>> = {
  quantity: 'Quantity',
  price: 'Price',
  added: 'Added',
  removed: 'Removed',
};
