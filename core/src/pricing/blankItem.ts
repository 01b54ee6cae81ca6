import type { Item } from '../job/records/item.ts';

/** An item that says nothing yet but that it is counted by the piece. */
export const BLANK_ITEM: Omit<Item, 'id' | 'code' | 'description'> = {
  type: 'item',
  unit: 'ea',
  basis: 1,
  material: '',
  laborHours: '',
  craftId: null,
  equipment: '',
  subcontract: '',
  other: '',
  supplier: '',
  date: '',
  group: '',
};
