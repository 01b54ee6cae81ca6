import type { CostKind } from '../job/records/assembly.ts';
import type { Item } from '../job/records/item.ts';

/** The kind of cost an item is known by: what it costs first in this order, labor where it has hours only. */
export function itemKind({
  material,
  subcontract,
  equipment,
}: Pick<Item, 'material' | 'subcontract' | 'equipment'>): CostKind {
  if (material !== '') return 'material';
  if (subcontract !== '') return 'subcontract';
  return equipment !== '' ? 'equipment' : 'labor';
}
