// data: the columns of a price list, and the heads they go by
import type { Item } from '../../job/records/item.ts';

export type PriceField =
  | Exclude<keyof Item, 'type' | 'id' | 'craftId' | 'crewId' | 'sizes' | 'laborBy' | 'sample'>
  | 'craft'
  | 'crew'
  | 'sizes';

export interface PriceColumn {
  readonly field: PriceField;
  readonly title: string;
  /** Other heads that mean it, in small letters without marks. */
  readonly also: readonly string[];
  readonly kind: 'text' | 'money' | 'number' | 'count' | 'date';
}

export const PRICE_COLUMNS: readonly PriceColumn[] = [
  {
    field: 'code',
    title: 'Code',
    also: ['item', 'item code', 'item no', 'number', 'sku', 'part', 'part number', 'no'],
    kind: 'text',
  },
  {
    field: 'description',
    title: 'Description',
    also: ['name', 'desc', 'item description', 'text', 'product'],
    kind: 'text',
  },
  {
    field: 'unit',
    title: 'Unit',
    also: ['uom', 'u m', 'um', 'units', 'unit of measure', 'per unit'],
    kind: 'text',
  },
  {
    field: 'basis',
    title: 'Per',
    also: ['basis', 'price per', 'price basis', 'per quantity'],
    kind: 'count',
  },
  {
    field: 'material',
    title: 'Material',
    also: ['material cost', 'price', 'cost', 'unit price', 'unit cost', 'net price', 'mat'],
    kind: 'money',
  },
  {
    field: 'laborHours',
    title: 'Labor hours',
    also: ['hours', 'labor', 'labour hours', 'labour', 'man hours', 'hrs', 'labor hrs'],
    kind: 'number',
  },
  {
    field: 'laborBasis',
    title: 'Hours per',
    also: ['labor basis', 'labor per', 'hours basis'],
    kind: 'count',
  },
  { field: 'craft', title: 'Craft', also: ['trade', 'worker', 'labor class'], kind: 'text' },
  { field: 'crew', title: 'Crew', also: ['gang'], kind: 'text' },
  { field: 'equipment', title: 'Equipment', also: ['equipment cost', 'plant', 'equip'], kind: 'money' },
  {
    field: 'subcontract',
    title: 'Subcontract',
    also: ['sub', 'subcontract cost', 'subcontractor'],
    kind: 'money',
  },
  { field: 'other', title: 'Other', also: ['other cost'], kind: 'money' },
  { field: 'group', title: 'Group', also: ['category', 'section', 'class', 'type'], kind: 'text' },
  { field: 'supplier', title: 'Supplier', also: ['vendor', 'manufacturer', 'from'], kind: 'text' },
  { field: 'date', title: 'Date', also: ['price date', 'updated', 'as of', 'valid from'], kind: 'date' },
  { field: 'source', title: 'Source', also: ['price source', 'list'], kind: 'text' },
  { field: 'tags', title: 'Tags', also: ['keywords', 'words'], kind: 'text' },
  { field: 'family', title: 'Family', also: ['size family'], kind: 'text' },
  { field: 'sizes', title: 'Sizes', also: ['size', 'dimensions'], kind: 'text' },
  {
    field: 'wastePercent',
    title: 'Waste %',
    also: ['waste', 'waste percent', 'waste factor'],
    kind: 'number',
  },
  {
    field: 'packSize',
    title: 'Pack',
    also: ['pack size', 'pack quantity', 'pack qty', 'package quantity', 'units per pack', 'qty per pack'],
    kind: 'number',
  },
];

/** Which column of a file each field is read from. */
export type PriceMapping = Readonly<Partial<Record<PriceField, number>>>;

const plain = (head: string): string =>
  head
    .toLowerCase()
    .replace(/[^a-z0-9% ]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** The fields that the heads of a file name; each column is taken once, the plainest match first. */
export function guessMapping(heads: readonly string[]): PriceMapping {
  const names = heads.map(plain);
  const taken = new Set<number>();
  const mapping: Partial<Record<PriceField, number>> = {};
  const take = (field: PriceField, at: number): void => {
    if (at < 0 || taken.has(at) || mapping[field] !== undefined) return;
    mapping[field] = at;
    taken.add(at);
  };
  for (const { field, title } of PRICE_COLUMNS) take(field, names.indexOf(plain(title)));
  for (const { field, also } of PRICE_COLUMNS)
    for (const name of also)
      take(
        field,
        names.findIndex((each, at) => each === name && !taken.has(at)),
      );
  return mapping;
}

/** The row the heads stand in: the one among the first that names most fields. */
export function findHeadRow(rows: readonly (readonly string[])[]): number {
  let [best, most] = [0, 0];
  rows.slice(0, 20).forEach((row, at) => {
    const named = Object.keys(guessMapping(row)).length;
    if (named > most) [best, most] = [at, named];
  });
  return best;
}
