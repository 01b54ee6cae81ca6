// data: the samples a new job may start with; nobody's prices
import { own } from '../job/own.ts';
import type { Item } from '../job/records/item.ts';

export type CraftKey =
  | 'carpenter'
  | 'laborer'
  | 'mason'
  | 'finisher'
  | 'operator'
  | 'boarder'
  | 'ironworker'
  | 'roofer'
  | 'electrician'
  | 'fitter';

/** Crafts that come into a job with the first assembly that needs them. */
export const FURTHER_CRAFTS: readonly (readonly [key: CraftKey, name: string, wage: string])[] = [
  ['roofer', 'Roofer', '47.60'],
  ['electrician', 'Electrician', '62.30'],
  ['fitter', 'Pipe fitter', '56.20'],
];

/** Hourly wages with burden, invented. */
export const CRAFTS: readonly (readonly [key: CraftKey, name: string, wage: string])[] = [
  ['carpenter', 'Carpenter', '54.00'],
  ['laborer', 'Laborer', '41.50'],
  ['mason', 'Mason', '58.25'],
  ['finisher', 'Cement finisher', '52.75'],
  ['operator', 'Equipment operator', '61.40'],
  ['boarder', 'Board hanger', '49.80'],
  ['ironworker', 'Ironworker', '60.10'],
];

export type BookItem = Omit<Item, 'id' | 'type' | 'craftId'> & { readonly craft: CraftKey | null };

interface Extra {
  readonly hours?: string;
  readonly craft?: CraftKey;
  readonly equipment?: string;
  readonly subcontract?: string;
}

const item = (
  group: string,
  code: string,
  description: string,
  unit: string,
  basis: number,
  material: string,
  { hours = '', craft, equipment = '', subcontract = '' }: Extra = {},
): BookItem => {
  const [family, sizes] = own(SIZES, code) ?? [];
  const costs = { material, laborHours: hours, equipment, subcontract, other: '' };
  const bySize = family === undefined || sizes === undefined ? {} : { family, sizes };
  return {
    group,
    code,
    description,
    unit,
    basis,
    ...costs,
    craft: craft ?? null,
    supplier: '',
    date: '',
    ...bySize,
  };
};

type Row = readonly [
  code: string,
  description: string,
  unit: string,
  basis: number,
  material: string,
  extra?: Extra,
];
const group = (name: string, rows: readonly Row[]): readonly BookItem[] =>
  rows.map(([code, description, unit, basis, material, extra]) =>
    item(name, code, description, unit, basis, material, extra),
  );

const carpenter = (hours: string): Extra => ({ hours, craft: 'carpenter' });
const laborer = (hours: string): Extra => ({ hours, craft: 'laborer' });
const mason = (hours: string): Extra => ({ hours, craft: 'mason' });
const dug = (hours: string, equipment: string): Extra => ({ hours, craft: 'operator', equipment });

/** Items of the book that differ in their sizes: the smallest that is big enough is taken. */
const SIZES: Readonly<Record<string, readonly [family: string, sizes: Readonly<Record<string, string>>]>> = {
  ...Object.fromEntries(
    (
      [
        ['FR-STD-4', '3.5', '92.625 in'],
        ['FR-STD-4-9', '3.5', '9 ft'],
        ['FR-STD-4L', '3.5', '10 ft'],
        ['FR-STD-4-12', '3.5', '12 ft'],
        ['FR-STD-4-14', '3.5', '14 ft'],
        ['FR-STD-4-16', '3.5', '16 ft'],
        ['FR-STD-6-8', '5.5', '92.625 in'],
        ['FR-STD-6', '5.5', '9 ft'],
        ['FR-STD-6-10', '5.5', '10 ft'],
        ['FR-STD-6L', '5.5', '12 ft'],
        ['FR-STD-6-14', '5.5', '14 ft'],
        ['FR-STD-6-16', '5.5', '16 ft'],
        ['FR-STD-6-20', '5.5', '20 ft'],
      ] as const
    ).map(([code, depth, length]) => [code, ['Studs', { depth: `${depth} in`, length }]]),
  ),
  'FR-HDR-6': ['Header stock, two ply', { depth: '5.5 in' }],
  'FR-HDR-8': ['Header stock, two ply', { depth: '7.25 in' }],
  'FR-HDR-10': ['Header stock, two ply', { depth: '9.25 in' }],
  'FR-HDR-12': ['Header stock, two ply', { depth: '11.25 in' }],
  // Nominal weights: ASTM A615, table 1 (from memory).
  'CN-BAR-3': ['Reinforcing bars', { weight: '0.376 lb/ft' }],
  'CN-BAR-4': ['Reinforcing bars', { weight: '0.668 lb/ft' }],
  'CN-BAR-5': ['Reinforcing bars', { weight: '1.043 lb/ft' }],
  'CN-BAR-6': ['Reinforcing bars', { weight: '1.502 lb/ft' }],
  'CN-BAR-7': ['Reinforcing bars', { weight: '2.044 lb/ft' }],
  'CN-BAR-8': ['Reinforcing bars', { weight: '2.67 lb/ft' }],
  'CN-BAR-9': ['Reinforcing bars', { weight: '3.4 lb/ft' }],
  'CN-BAR-10': ['Reinforcing bars', { weight: '4.303 lb/ft' }],
  'CN-BAR-11': ['Reinforcing bars', { weight: '5.313 lb/ft' }],
  'BD-58-8': ['Board 5/8 in', { length: '8 ft' }],
  'BD-58-10': ['Board 5/8 in', { length: '10 ft' }],
  'BD-58-12': ['Board 5/8 in', { length: '12 ft' }],
};

export const PRICE_BOOK: readonly BookItem[] = [
  ...group('Framing', [
    ['FR-PLT-4', 'Plate 2x4, per foot', 'ft', 1000, '468.00'],
    ['FR-PLT-4T', 'Plate 2x4 treated, per foot', 'ft', 1000, '612.00'],
    ['FR-PLT-6', 'Plate 2x6, per foot', 'ft', 1000, '705.00'],
    ['FR-PLT-6T', 'Plate 2x6 treated, per foot', 'ft', 1000, '935.00'],
    ['FR-STD-4', 'Stud 2x4, precut 92-5/8 in', 'ea', 1, '3.68'],
    ['FR-STD-4L', 'Stud 2x4, 10 ft', 'ea', 1, '5.12'],
    ['FR-STD-6', 'Stud 2x6, 9 ft', 'ea', 1, '6.94'],
    ['FR-STD-6L', 'Stud 2x6, 12 ft', 'ea', 1, '9.85'],
    ['FR-STD-4-9', 'Stud 2x4, 9 ft', 'ea', 1, '4.55'],
    ['FR-STD-4-12', 'Stud 2x4, 12 ft', 'ea', 1, '6.70'],
    ['FR-STD-4-14', 'Stud 2x4, 14 ft', 'ea', 1, '8.35'],
    ['FR-STD-4-16', 'Stud 2x4, 16 ft', 'ea', 1, '10.20'],
    ['FR-STD-6-8', 'Stud 2x6, precut 92-5/8 in', 'ea', 1, '5.88'],
    ['FR-STD-6-10', 'Stud 2x6, 10 ft', 'ea', 1, '7.95'],
    ['FR-STD-6-14', 'Stud 2x6, 14 ft', 'ea', 1, '12.10'],
    ['FR-STD-6-16', 'Stud 2x6, 16 ft', 'ea', 1, '14.60'],
    ['FR-STD-6-20', 'Stud 2x6, 20 ft', 'ea', 1, '21.80'],
    ['FR-STD-8', 'Stud 2x8, 12 ft', 'ea', 1, '13.40'],
    ['FR-HDR-12', 'Header stock 2x12, two ply, per foot', 'ft', 1, '4.52'],
    ['FR-HDR-6', 'Header stock 2x6, two ply, per foot', 'ft', 1, '1.92'],
    ['FR-HDR-8', 'Header stock 2x8, two ply, per foot', 'ft', 1, '2.76'],
    ['FR-HDR-10', 'Header stock 2x10, two ply, per foot', 'ft', 1, '3.58'],
    ['FR-LVL-9', 'Laminated beam 1-3/4 x 9-1/2, per foot', 'ft', 1, '7.45'],
    ['FR-LVL-11', 'Laminated beam 1-3/4 x 11-7/8, per foot', 'ft', 1, '9.30'],
    ['FR-JST-8', 'Joist 2x8, per foot', 'ft', 1000, '1120.00', carpenter('14')],
    ['FR-JST-10', 'Joist 2x10, per foot', 'ft', 1000, '1480.00', carpenter('16')],
    ['FR-JST-12', 'Joist 2x12, per foot', 'ft', 1000, '1895.00', carpenter('18')],
    ['FR-RIM-10', 'Rim board 2x10, per foot', 'ft', 1, '1.62', carpenter('0.02')],
    ['FR-HNG-10', 'Joist hanger for 2x10', 'ea', 100, '248.00', carpenter('5')],
    ['FR-HNG-12', 'Joist hanger for 2x12', 'ea', 100, '296.00', carpenter('5')],
    ['FR-SHT-12', 'Wall sheathing 1/2 in, 4x8', 'sheet', 1, '19.80', carpenter('0.45')],
    ['FR-SHT-58', 'Roof sheathing 5/8 in, 4x8', 'sheet', 1, '26.40', carpenter('0.55')],
    ['FR-SUB-34', 'Subfloor 3/4 in tongue and groove, 4x8', 'sheet', 1, '38.90', carpenter('0.60')],
    ['FR-ADH', 'Subfloor adhesive, 28 oz', 'tube', 1, '7.20'],
    ['FR-BLK', 'Blocking 2x6, per foot', 'ft', 1, '0.82', carpenter('0.03')],
    ['FR-NAIL-16', 'Framing nails 16d', 'lb', 1, '2.15'],
    ['FR-NAIL-8', 'Nails 8d', 'lb', 1, '2.40'],
    ['FR-ANC-12', 'Anchor bolt 1/2 x 10 with washer', 'ea', 100, '285.00', carpenter('8')],
    ['FR-STRAP', 'Steel strap tie', 'ea', 100, '172.00', carpenter('6')],
    ['FR-POST-6', 'Post 6x6 treated, per foot', 'ft', 1, '6.85', carpenter('0.06')],
    ['FR-FURR', 'Furring 1x3, per foot', 'ft', 1000, '298.00', carpenter('12')],
  ]),
  ...group('Concrete', [
    ['CN-RM-30', 'Ready-mix 3000 psi', 'yd³', 1, '152.00'],
    ['CN-RM-40', 'Ready-mix 4000 psi', 'yd³', 1, '164.00'],
    ['CN-RM-45', 'Ready-mix 4500 psi, air entrained', 'yd³', 1, '173.50'],
    ['CN-RM-50', 'Ready-mix 5000 psi', 'yd³', 1, '181.00'],
    ['CN-SHORT', 'Short load charge', 'load', 1, '145.00'],
    ['CN-FIB', 'Fiber dosage', 'yd³', 1, '9.80'],
    ['CN-PUMP', 'Pump, trailer', 'yd³', 1, '', { equipment: '14.00' }],
    ['CN-PUMP-S', 'Pump set-up', 'ea', 1, '', { equipment: '385.00' }],
    ['CN-VB-10', 'Vapor barrier 10 mil', 'ft²', 1000, '118.00', laborer('2.5')],
    ['CN-VB-15', 'Vapor barrier 15 mil', 'ft²', 1000, '160.00', laborer('3')],
    ['CN-WWM-6', 'Welded wire mesh 6x6 W2.9', 'ft²', 100, '38.50', { hours: '0.6', craft: 'ironworker' }],
    ['CN-WWM-4', 'Welded wire mesh 4x4 W4', 'ft²', 100, '57.20', { hours: '0.7', craft: 'ironworker' }],
    ['CN-BAR-3', 'Reinforcing bar No. 3', 'lb', 1, '0.82', { hours: '0.0078', craft: 'ironworker' }],
    ['CN-BAR-7', 'Reinforcing bar No. 7', 'lb', 1, '0.79', { hours: '0.0050', craft: 'ironworker' }],
    ['CN-BAR-8', 'Reinforcing bar No. 8', 'lb', 1, '0.80', { hours: '0.0048', craft: 'ironworker' }],
    ['CN-BAR-9', 'Reinforcing bar No. 9', 'lb', 1, '0.81', { hours: '0.0047', craft: 'ironworker' }],
    ['CN-BAR-10', 'Reinforcing bar No. 10', 'lb', 1, '0.82', { hours: '0.0046', craft: 'ironworker' }],
    ['CN-BAR-11', 'Reinforcing bar No. 11', 'lb', 1, '0.84', { hours: '0.0045', craft: 'ironworker' }],
    ['CN-BAR-4', 'Reinforcing bar No. 4', 'lb', 1, '0.79', { hours: '0.0062', craft: 'ironworker' }],
    ['CN-BAR-5', 'Reinforcing bar No. 5', 'lb', 1, '0.78', { hours: '0.0058', craft: 'ironworker' }],
    ['CN-BAR-6', 'Reinforcing bar No. 6', 'lb', 1, '0.78', { hours: '0.0054', craft: 'ironworker' }],
    ['CN-CHAIR', 'Bar chairs', 'ea', 100, '64.00'],
    ['CN-TIE', 'Tie wire', 'lb', 1, '2.05'],
    ['CN-EF-6', 'Edge form 2x6, set and strip', 'ft', 1, '0.63', carpenter('0.08')],
    ['CN-EF-12', 'Edge form 2x12, set and strip', 'ft', 1, '1.24', carpenter('0.11')],
    ['CN-FF', 'Footing form, set and strip', 'ft²', 1, '1.20', carpenter('0.09')],
    ['CN-WF', 'Wall form, set and strip', 'ft²', 1, '1.75', carpenter('0.12')],
    ['CN-FOIL', 'Form oil', 'gal', 1, '13.50'],
    ['CN-KEY', 'Keyway form', 'ft', 1, '0.48', carpenter('0.03')],
    ['CN-WS', 'Waterstop', 'ft', 1, '3.90', laborer('0.05')],
    ['CN-JF', 'Isolation joint filler 1/2 in', 'ft', 1, '0.86', laborer('0.02')],
    ['CN-SAW', 'Saw-cut control joint', 'ft', 1, '', { subcontract: '1.35' }],
    ['CN-CURE', 'Curing compound', 'ft²', 1000, '46.00', laborer('1.2')],
    ['CN-SEAL', 'Penetrating sealer', 'ft²', 100, '29.00', laborer('0.5')],
    ['CN-GRT-NS', 'Non-shrink grout', 'bag', 1, '27.40', mason('0.4')],
    ['CN-EPX', 'Epoxy anchor, 1/2 in', 'ea', 1, '8.60', carpenter('0.2')],
    ['CN-DMP', 'Damp-proofing, brushed', 'ft²', 100, '41.00', laborer('1.1')],
  ]),
  ...group('Masonry', [
    ['MS-BLK-4', 'Block 4 x 8 x 16', 'ea', 1000, '1780.00'],
    ['MS-BLK-6', 'Block 6 x 8 x 16', 'ea', 1000, '2010.00'],
    ['MS-BLK-8', 'Block 8 x 8 x 16', 'ea', 1000, '2250.00'],
    ['MS-BLK-12', 'Block 12 x 8 x 16', 'ea', 1000, '3120.00'],
    ['MS-BLK-8H', 'Half block 8 x 8 x 8', 'ea', 1000, '1690.00'],
    ['MS-BLK-8B', 'Bond beam block 8 in', 'ea', 1000, '2680.00'],
    ['MS-BLK-8L', 'Lintel block 8 in', 'ea', 1000, '2740.00'],
    ['MS-CAP', 'Cap block 8 in', 'ea', 1, '2.95'],
    ['MS-MRT', 'Mortar, 80 lb bag', 'bag', 1, '13.80'],
    ['MS-MRT-S', 'Mortar type S, 94 lb bag', 'bag', 1, '16.20'],
    ['MS-SAND', 'Masonry sand', 'yd³', 1, '42.00'],
    ['MS-GRT', 'Grout, fine', 'yd³', 1, '158.00', mason('0.9')],
    ['MS-LAD', 'Joint reinforcement, ladder 8 in', 'ft', 1000, '310.00'],
    ['MS-BAR-5', 'Vertical bar No. 5, set', 'ft', 1, '0.82', mason('0.012')],
    ['MS-LNT-4', 'Precast lintel, per foot', 'ft', 1, '18.50', mason('0.15')],
    ['MS-LNT-A', 'Steel angle lintel 4 x 4 x 5/16, per foot', 'ft', 1, '11.90', mason('0.12')],
    ['MS-FLSH', 'Through-wall flashing', 'ft', 1, '2.40', mason('0.04')],
    ['MS-WEEP', 'Weep vent', 'ea', 100, '62.00', mason('2')],
    ['MS-CJ', 'Control joint, gasket and sealant', 'ft', 1, '3.10', mason('0.06')],
    [
      'MS-SCF',
      'Scaffold, erect and rent',
      'ft²',
      100,
      '',
      { equipment: '68.00', hours: '0.9', craft: 'laborer' },
    ],
    ['MS-CLN', 'Clean down block', 'ft²', 100, '7.00', laborer('1.4')],
    ['MS-BRK', 'Face brick', 'ea', 1000, '780.00', mason('26')],
    ['MS-TIE', 'Wall tie', 'ea', 100, '31.00'],
    ['MS-SILL', 'Precast sill, per foot', 'ft', 1, '21.40', mason('0.2')],
  ]),
  ...group('Board', [
    ['BD-12-8', 'Board 1/2 in, 4x8', 'sheet', 1, '14.60'],
    ['BD-12-12', 'Board 1/2 in, 4x12', 'sheet', 1, '21.70'],
    ['BD-58-8', 'Board 5/8 in, 4x8', 'sheet', 1, '17.90'],
    ['BD-58-10', 'Board 5/8 in, 4x10', 'sheet', 1, '22.20'],
    ['BD-58-12', 'Board 5/8 in, 4x12', 'sheet', 1, '26.60'],
    ['BD-58-MR', 'Board 5/8 in moisture resistant, 4x8', 'sheet', 1, '23.40'],
    ['BD-CEM', 'Cement board 1/2 in, 3x5', 'sheet', 1, '18.20', { hours: '0.55', craft: 'boarder' }],
    ['BD-SCR', 'Board screws 1-1/4 in', 'ea', 1000, '11.40'],
    ['BD-SCR-2', 'Board screws 2 in', 'ea', 1000, '15.80'],
    ['BD-NAIL', 'Board nails', 'lb', 1, '2.90'],
    ['BD-RMX', 'Ready-mix joint cement', 'lb', 100, '34.00'],
    ['BD-CMP', 'Joint compound, setting', 'lb', 100, '62.00'],
    ['BD-TAPE', 'Joint tape', 'ft', 1000, '16.50'],
    ['BD-CRN', 'Corner bead', 'ft', 1, '0.38', { hours: '0.02', craft: 'boarder' }],
    ['BD-TRM', 'Casing bead', 'ft', 1, '0.42', { hours: '0.02', craft: 'boarder' }],
    ['BD-ADH', 'Board adhesive, 28 oz', 'tube', 1, '6.10'],
    ['BD-INS-4', 'Mineral wool 3-1/2 in', 'ft²', 100, '84.00', { hours: '0.9', craft: 'boarder' }],
    ['BD-INS-6', 'Mineral wool 5-1/2 in', 'ft²', 100, '119.00', { hours: '1.0', craft: 'boarder' }],
    ['BD-RES', 'Resilient channel', 'ft', 1000, '540.00', { hours: '14', craft: 'boarder' }],
    ['BD-ACO', 'Acoustic sealant, 28 oz', 'tube', 1, '9.30'],
    ['BD-PRM', 'Prime coat', 'ft²', 100, '5.20', { hours: '0.45', craft: 'boarder' }],
    ['BD-PNT', 'Finish paint, two coats', 'ft²', 100, '13.60', { hours: '1.1', craft: 'boarder' }],
    ['BD-RUB', 'Rubber sheet floor 3/8 in', 'ft²', 1, '6.85', { hours: '0.035', craft: 'finisher' }],
    ['BD-CER', 'Ceramic floor tile, thin set', 'ft²', 1, '5.40', { hours: '0.11', craft: 'mason' }],
    ['BD-BASE', 'Rubber base 4 in', 'ft', 1, '1.15', { hours: '0.03', craft: 'finisher' }],
  ]),
  ...group('Openings', [
    ['OP-DR-3', 'Hollow metal door 3-0 x 7-0 with frame', 'ea', 1, '685.00', carpenter('3.2')],
    ['OP-DR-3W', 'Wood door 3-0 x 7-0 with frame', 'ea', 1, '412.00', carpenter('2.8')],
    ['OP-DR-6', 'Pair of doors 6-0 x 7-0 with frame', 'ea', 1, '1290.00', carpenter('5.6')],
    ['OP-OH-12', 'Overhead door 12-0 x 10-0', 'ea', 1, '3850.00', { subcontract: '940.00' }],
    ['OP-HDW', 'Door hardware set', 'set', 1, '286.00', carpenter('1.4')],
    ['OP-WN-4', 'Window 4-0 x 4-0, fixed', 'ea', 1, '468.00', carpenter('1.9')],
    ['OP-WN-6', 'Window 6-0 x 4-0, sliding', 'ea', 1, '742.00', carpenter('2.4')],
  ]),
  ...group('Sitework', [
    ['SW-STRIP', 'Strip topsoil and stockpile', 'yd³', 1, '', dug('0.022', '3.10')],
    ['SW-EXC', 'Machine excavation', 'yd³', 1, '', dug('0.045', '5.40')],
    ['SW-EXC-T', 'Trench excavation', 'yd³', 1, '', dug('0.075', '7.20')],
    ['SW-HAND', 'Hand excavation', 'yd³', 1, '', laborer('1.3')],
    ['SW-BKF', 'Backfill and compact', 'yd³', 1, '', dug('0.06', '4.80')],
    ['SW-HAUL', 'Haul off and dispose', 'yd³', 1, '', { equipment: '18.60' }],
    ['SW-CB-34', 'Crushed base 3/4 in', 'yd³', 1, '38.00', dug('0.05', '4.20')],
    ['SW-CB-2', 'Crushed stone 2 in', 'yd³', 1, '36.50', dug('0.05', '4.20')],
    ['SW-BED', 'Pipe bedding stone', 'ton', 1, '27.00', laborer('0.12')],
    ['SW-GEO', 'Geotextile', 'yd²', 1, '1.35', laborer('0.01')],
    ['SW-PVC-4', 'Drain pipe 4 in', 'ft', 1, '2.20', laborer('0.05')],
    ['SW-PVC-6', 'Drain pipe 6 in', 'ft', 1, '4.10', laborer('0.06')],
    ['SW-RCP-12', 'Concrete pipe 12 in', 'ft', 1, '26.80', dug('0.14', '6.10')],
    ['SW-MH-4', 'Manhole 4 ft, to 6 ft deep', 'ea', 1, '2480.00', dug('9', '420.00')],
    ['SW-AC-2', 'Asphalt 2 in', 'yd²', 1, '', { subcontract: '16.40' }],
    ['SW-CURB', 'Concrete curb 6 x 18', 'ft', 1, '', { subcontract: '31.50' }],
    ['SW-WALK', 'Sidewalk 4 in', 'ft²', 1, '3.20', { hours: '0.045', craft: 'finisher' }],
    ['SW-SEED', 'Seed and mulch', 'yd²', 1, '0.62', laborer('0.012')],
    ['SW-TOP', 'Spread topsoil', 'yd³', 1, '', dug('0.08', '4.60')],
    ['SW-SILT', 'Silt fence', 'ft', 1, '1.10', laborer('0.03')],
  ]),
  ...group('Labor', [
    ['LB-FRAME', 'Frame stud wall', 'ft²', 100, '', carpenter('2.4')],
    ['LB-BOARD', 'Hang and finish board', 'ft²', 100, '', { hours: '2.1', craft: 'boarder' }],
    [
      'LB-GRADE',
      'Fine grade and roll',
      'ft²',
      100,
      '',
      { hours: '0.5', craft: 'laborer', equipment: '3.40' },
    ],
    ['LB-PLACE', 'Place concrete', 'yd³', 1, '', laborer('0.25')],
    ['LB-TROWEL', 'Steel trowel finish', 'ft²', 100, '', { hours: '1.5', craft: 'finisher' }],
    ['LB-BLOCK', 'Lay 8 in block', 'ea', 100, '', mason('6.2')],
    ['LB-CARP', 'Carpenter, by the hour', 'h', 1, '', carpenter('1')],
    ['LB-LAB', 'Laborer, by the hour', 'h', 1, '', laborer('1')],
    ['LB-CLEAN', 'Clean-up, by the hour', 'h', 1, '', laborer('1')],
  ]),
];
