// data: further items of the demo's price book, invented; sizes in inches
import type { Item } from '@zest/core/job/records/item';

/** A size, its material and its labor hours, both for the basis of the list. */
type Row = readonly [size: string, material: string, hours: string];

export interface BookList {
  readonly prefix: string;
  readonly name: (size: string) => string;
  readonly group: string;
  readonly unit: string;
  readonly basis: number;
  readonly craft: string;
  readonly supplier: string;
  readonly date: string;
  readonly tags?: string;
  readonly waste?: string;
  /** The items are told apart by their sizes, the nearest big enough is taken. */
  readonly family?: { readonly name: string; readonly keys: readonly string[] };
  readonly rows: readonly Row[];
}

const steps = (sizes: string, materials: string, hours: string): readonly Row[] => {
  const [a, b, c] = [sizes, materials, hours].map((list) => list.split(' '));
  return (a ?? []).map((size, at) => [size, b?.[at] ?? '', c?.[at] ?? '']);
};

const PIPE = '1/2 3/4 1 1-1/4 1-1/2 2 2-1/2 3 4';
const plain = (what: string) => (size: string) => `${what} ${size} in`;

/** A hundred pieces, for each foot of their length: material and hours. */
const LUMBER = [
  ['2x4', 52, 0.9],
  ['2x6', 79, 1.1],
  ['2x8', 108, 1.4],
  ['2x10', 146, 1.7],
  ['2x12', 188, 2],
] as const;

export const BOOK_LISTS: readonly BookList[] = [
  {
    prefix: 'FT',
    name: (size) => `Strip footing ${size.replace('x', ' x ')}, formed and placed`,
    group: 'Concrete',
    unit: 'ft',
    basis: 1,
    craft: 'Carpenter',
    supplier: 'Mudlark Ready-Mix',
    date: '2026-10-05',
    family: { name: 'Strip footing', keys: ['width', 'depth'] },
    rows: steps(
      '16x8 18x10 20x10 20x12 24x12 24x16 30x12 30x16 36x12 36x18 20x30 24x36 30x36 36x42 42x48',
      '7.90 10.20 11.35 13.10 15.60 19.80 19.20 24.90 22.80 32.60 30.90 43.60 53.80 74.50 98.20',
      '0.12 0.13 0.14 0.15 0.16 0.19 0.18 0.21 0.2 0.25 0.3 0.34 0.38 0.46 0.55',
    ),
  },
  {
    prefix: 'PV-P',
    name: plain('PVC pipe'),
    group: 'Irrigation',
    unit: 'ft',
    basis: 100,
    craft: 'Pipe fitter',
    supplier: 'Sallow & Reed Irrigation',
    date: '2026-09-18',
    tags: 'solvent weld',
    waste: '5',
    rows: steps(PIPE, '38 47 66 92 108 146 231 298 421', '2.2 2.4 2.7 3.1 3.4 3.9 4.8 5.6 7.1'),
  },
  {
    prefix: 'PV-E',
    name: plain('PVC elbow'),
    group: 'Irrigation',
    unit: 'ea',
    basis: 10,
    craft: 'Pipe fitter',
    supplier: 'Sallow & Reed Irrigation',
    date: '2026-09-18',
    rows: steps(PIPE, '4.10 4.90 7.20 11.40 13.60 19.80 48 71 124', '1.1 1.2 1.4 1.6 1.8 2.1 2.8 3.2 4'),
  },
  {
    prefix: 'PV-T',
    name: plain('PVC tee'),
    group: 'Irrigation',
    unit: 'ea',
    basis: 10,
    craft: 'Pipe fitter',
    supplier: 'Sallow & Reed Irrigation',
    date: '2026-09-18',
    rows: steps(PIPE, '4.80 6.10 9.40 14.20 17.10 25.60 62 93 158', '1.6 1.8 2.1 2.4 2.7 3.2 4.2 4.8 6'),
  },
  {
    prefix: 'PV-C',
    name: plain('PVC coupling'),
    group: 'Irrigation',
    unit: 'ea',
    basis: 10,
    craft: 'Pipe fitter',
    supplier: 'Sallow & Reed Irrigation',
    date: '2026-09-18',
    rows: steps(PIPE, '2.90 3.40 5.20 7.60 9.10 12.80 29 41 66', '1 1.1 1.3 1.5 1.6 1.9 2.5 2.9 3.6'),
  },
  {
    prefix: 'HD-P',
    name: plain('Corrugated drain pipe'),
    group: 'Sitework',
    unit: 'ft',
    basis: 1,
    craft: 'Laborer',
    supplier: 'Siltwater Aggregates',
    date: '2026-10-12',
    waste: '3',
    rows: steps(
      '4 6 8 10 12 15 18 24 30 36',
      '1.95 3.40 5.85 8.60 10.90 15.40 21.80 36.50 58.20 81.40',
      '0.04 0.05 0.06 0.07 0.085 0.11 0.13 0.17 0.22 0.28',
    ),
  },
  {
    prefix: 'RC',
    name: plain('Rigid steel conduit'),
    group: 'Electrical',
    unit: 'ft',
    basis: 100,
    craft: 'Electrician',
    supplier: 'Ampersand Electric Supply',
    date: '2026-10-01',
    rows: steps(PIPE, '312 388 561 790 945 1280 2110 2720 3980', '5.2 6 7.4 9.1 10.4 12.8 16.2 19.5 25'),
  },
  {
    prefix: 'RC-E',
    name: plain('Rigid steel elbow'),
    group: 'Electrical',
    unit: 'ea',
    basis: 1,
    craft: 'Electrician',
    supplier: 'Ampersand Electric Supply',
    date: '2026-10-01',
    rows: steps(
      PIPE,
      '9.80 12.40 18.90 28.60 36.10 54 118 172 296',
      '0.3 0.35 0.42 0.5 0.58 0.7 0.95 1.2 1.6',
    ),
  },
  {
    prefix: 'CU',
    name: (size) => `Copper conductor, thermoplastic, No. ${size}`,
    group: 'Electrical',
    unit: 'ft',
    basis: 1000,
    craft: 'Electrician',
    supplier: 'Ampersand Electric Supply',
    date: '2026-04-20',
    tags: 'wire cable',
    rows: steps(
      '14 12 10 8 6 4 3 2 1 1/0 2/0 3/0 4/0',
      '128 186 292 512 796 1240 1560 1940 2480 3080 3860 4840 6090',
      '5.4 6.1 7.2 8.9 10.5 12.9 14.1 15.4 17.8 20 23.1 26 29.8',
    ),
  },
  {
    prefix: 'BR',
    name: (size) => `Circuit breaker, ${size} A`,
    group: 'Electrical',
    unit: 'ea',
    basis: 1,
    craft: 'Electrician',
    supplier: 'Ampersand Electric Supply',
    date: '2026-10-01',
    rows: steps(
      '15 20 30 40 50 60 100 200',
      '11.20 11.20 17.90 22.40 24.10 29.80 96 312',
      '0.3 0.3 0.4 0.45 0.5 0.6 0.9 1.6',
    ),
  },
  ...LUMBER.map(([section, each, hours]): BookList => ({
    prefix: `LB-${section}`,
    name: (size) => `Lumber ${section}, ${size} ft`,
    group: 'Framing',
    unit: 'ea',
    basis: 100,
    craft: 'Carpenter',
    supplier: 'Larch & Fetter Lumber',
    date: '2026-09-14',
    waste: '7',
    rows: ['8', '10', '12', '14', '16'].map((length) => [
      length,
      String(Math.round(Number(length) * each)),
      String(Math.round(Number(length) * hours * 10) / 10),
    ]),
  })),
  {
    prefix: 'LV',
    name: (size) => `Laminated beam 1-3/4 x ${size}`,
    group: 'Framing',
    unit: 'ft',
    basis: 1,
    craft: 'Carpenter',
    supplier: 'Larch & Fetter Lumber',
    date: '2026-09-14',
    rows: steps('7-1/4 9-1/2 11-7/8 14 16', '5.10 6.75 8.40 10.20 12.10', '0.06 0.07 0.08 0.09 0.1'),
  },
  {
    prefix: 'AB',
    name: (size) => `Anchor bolt ${size.replace('x', ' x ')}, galvanized`,
    group: 'Concrete',
    unit: 'ea',
    basis: 100,
    craft: 'Carpenter',
    supplier: 'Cobble Yard Supply',
    date: '2026-08-28',
    rows: steps(
      '1/2x6 1/2x8 1/2x10 5/8x8 5/8x10 5/8x12 3/4x10 3/4x12 3/4x16 1x16',
      '142 168 191 246 279 318 402 451 566 980',
      '4 4.2 4.5 5 5.2 5.6 6.2 6.6 7.4 9',
    ),
  },
  {
    prefix: 'CB',
    name: (size) => `Catch basin ${size} in square, with grate`,
    group: 'Sitework',
    unit: 'ea',
    basis: 1,
    craft: 'Laborer',
    supplier: 'Siltwater Aggregates',
    date: '2026-10-12',
    rows: steps('12 18 24 30 36', '186 318 492 735 1040', '1.5 2.2 3 4 5.2'),
  },
  {
    prefix: 'SH',
    name: (size) => `Sheathing panel ${size} in, 4x8`,
    group: 'Framing',
    unit: 'sheet',
    basis: 1,
    craft: 'Carpenter',
    supplier: 'Larch & Fetter Lumber',
    date: '2026-09-14',
    waste: '5',
    rows: steps('3/8 7/16 15/32 5/8 23/32', '13.20 14.60 19.80 25.40 31.20', '0.36 0.38 0.4 0.45 0.5'),
  },
];

/** The sizes of an item by name, where its list is a family: `20x30` is 20 in wide and 30 in deep. */
const sizesOf = ({ family }: BookList, size: string): Partial<Pick<Item, 'family' | 'sizes'>> => {
  if (family === undefined) return {};
  const figures = size.split('x');
  return {
    family: family.name,
    sizes: Object.fromEntries(family.keys.map((key, at) => [key, `${figures[at] ?? '0'} in`])),
  };
};

/** One item of a list. */
export function itemOfRow(
  list: BookList,
  [size, material, laborHours]: Row,
  id: Item['id'],
  craftId: Item['craftId'],
): Item {
  return {
    type: 'item',
    id,
    code: `${list.prefix}-${size.replaceAll('/', '-')}`,
    description: list.name(size),
    unit: list.unit,
    basis: list.basis,
    material,
    laborHours,
    craftId,
    equipment: '',
    subcontract: '',
    other: '',
    supplier: list.supplier,
    date: list.date,
    group: list.group,
    source: 'Price list, invented',
    ...(list.tags === undefined ? {} : { tags: list.tags }),
    ...(list.waste === undefined ? {} : { wastePercent: list.waste }),
    ...sizesOf(list, size),
  };
}
