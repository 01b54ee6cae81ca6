import type { Item } from '../job/records/item.ts';

/** A price or wage as one's own: it says no more that it is a sample. */
export const ownPrice = <Priced extends { readonly sample?: true | undefined }>({
  sample: _shipped,
  ...own
}: Priced): Omit<Priced, 'sample'> => own;

/** Whether an item has a price that is a sample; what only waits for a price has none. */
export const hasSamplePrice = ({ sample, material, equipment, subcontract, other }: Item): boolean =>
  sample === true && [material, equipment, subcontract, other].some((cost) => cost !== '');
