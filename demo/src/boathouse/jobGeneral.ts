import type { RecordOf } from '@zest/core/job/record';
import type { Derived } from '../derive.ts';
import { ROOMS, type Room } from './building.ts';
import { type Draft, type Sheets, addMark, addScope } from './jobScopes.ts';
import { UPPER_FLOOR, UPPER_ROOMS } from './upperFloor.ts';

type Costs = NonNullable<RecordOf<'line'>['costs']>;
type Row = readonly [section: string, description: string, quantity: string, unit: string, costs: Costs];

/** What a superintendent, the office and the site cost, and what no drawing of the set shows. */
const ROWS: readonly Row[] = [
  ['01', 'Superintendent', '30', 'week', { other: '2650' }],
  ['01', 'Project manager, a quarter of the time', '30', 'week', { other: '720' }],
  ['01', 'Site office, telephone, power and water', '7', 'month', { other: '865' }],
  ['01', 'Toilets, two', '7', 'month', { equipment: '290' }],
  ['01', 'Lift and hoisting', '4', 'month', { equipment: '3150' }],
  ['01', 'Fence and gates around the site', '620', 'ft', { equipment: '3.4', hours: '0.02' }],
  ['01', 'Dumpsters, with fees', '14', 'ea', { other: '585' }],
  ['01', 'Clean-up as the work goes', '30', 'week', { hours: '10' }],
  ['01', 'Final cleaning', 'total(any, area, section = "Concrete") / 2', 'ft²', { subcontract: '0.42' }],
  ['01', 'Building permit and inspections', '1', 'sum', { other: '14200' }],
  ['01', 'Surveyor, lines and grades', '1', 'sum', { subcontract: '6800' }],
  ['01', 'Testing of soil, concrete and bolts', '1', 'sum', { subcontract: '7900' }],
  ['05', 'Steel stair with pans and rails, hall to landing', '1', 'ea', { subcontract: '16850' }],
  ['05', 'Guard rail of the terrace', '62 ft + 2 * 26 ft', 'ft', { subcontract: '148' }],
  ['05', 'Guard around the stair opening', '2 * 13 ft + 7 ft', 'ft', { subcontract: '148' }],
  ['08', 'Doors, upper floor, single', String(single(UPPER_FLOOR.doors)), 'ea', {}],
  ['08', 'Windows W1, upper floor', String(windowsOf('W1')), 'ea', {}],
  ['08', 'Windows W2, upper floor', String(windowsOf('W2')), 'ea', {}],
  ['14', 'Lift, two stops', '1', 'ea', { subcontract: '58500' }],
  ['21', 'Sprinklers against fire, both floors', 'total(any, area, section = "Concrete")', 'ft²', { subcontract: '4.1' }],
  ['22', 'Toilets, with carriers and flush valves', '8', 'ea', { subcontract: '3150' }],
  ['22', 'Wash basins', '8', 'ea', { subcontract: '2240' }],
  ['22', 'Showers, four', '4', 'ea', { subcontract: '3980' }],
  ['22', 'Kitchen sink and dishwasher', '1', 'sum', { subcontract: '4350' }],
  ['22', 'Floor drains', '9', 'ea', { subcontract: '1120' }],
  ['22', 'Water heaters, with mains in the building', '1', 'sum', { subcontract: '31400' }],
  ['23', 'Heating and air, changing rooms and upper floor', '(62 * 56 + 62 * 54) * 1 sq ft', 'ft²', { subcontract: '24.5' }],
  ['23', 'Exhaust of showers and drying room', '4', 'ea', { subcontract: '2650' }],
  ['26', 'Service, main board and grounding', '1', 'sum', { subcontract: '27600' }],
  ['26', 'Branch wiring beyond what is counted', '1', 'sum', { subcontract: '18400' }],
  ['26', 'Fire alarm', '1', 'sum', { subcontract: '16900' }],
]; // prettier-ignore

/** Priced from the book instead. */
const FROM_BOOK: Readonly<Record<string, string>> = {
  'Doors, upper floor, single': 'OP-DR-3W',
  'Windows W1, upper floor': 'OP-WN-6',
  'Windows W2, upper floor': 'OP-WN-4',
};

function single(doors: readonly { readonly type: string }[]): number {
  return doors.filter(({ type }) => type === 'single').length;
}

function windowsOf(tag: string): number {
  return UPPER_FLOOR.windows.filter((each) => each.tag === tag).length;
}

const LABORER_ROWS = /Clean-up|Fence/;

/** The sections that every building has beside its trades, with what they cost. */
export function addGeneral({ makeId, records, sectionId }: Draft): void {
  const laborer = records.find((record) => record.type === 'craft' && record.name === 'Laborer');
  if (laborer?.type !== 'craft') throw new Error('addGeneral: no laborer');
  ROWS.forEach(([section, description, quantity, unit, costs], at) => {
    records.push({
      type: 'line',
      id: makeId('line'),
      sectionId: sectionId(section),
      order: 60 + at,
      description,
      quantity,
      unit,
      itemCode: FROM_BOOK[description] ?? '',
      typedCost: null,
      ...(Object.keys(costs).length === 0 ? {} : { costs }),
      ...(LABORER_ROWS.test(description) ? { craftId: laborer.id } : {}),
    });
  });
}

/** Rooms with a ceiling of board, and the upper floor's finishes. */
export function addCeilings(draft: Draft, sheets: Sheets): void {
  const put = (
    key: string,
    name: string,
    color: number,
    sheet: string,
    rooms: readonly Room[],
    section = '09',
  ): void => {
    const scope = addScope(draft, { key, name, kind: 'area', color, section });
    for (const room of rooms) addMark(draft, scope, sheets[sheet], room.corners);
  };
  const boarded = ({ ceiling }: Room): boolean => ceiling.startsWith('Board');
  put('ceilings', 'Ceilings of board, ground floor', 2, 'A-101', ROOMS.filter(boarded));
  put('ceilings_up', 'Ceilings of board, upper floor', 2, 'A-102', UPPER_ROOMS.filter(boarded));
  const floors = (of: string): readonly Room[] => UPPER_ROOMS.filter(({ floor }) => floor === of);
  put('carpet', 'Carpet, office', 8, 'A-102', floors('Carpet'));
  put('kitchen_tile', 'Ceramic tile, kitchen', 3, 'A-102', floors('Ceramic tile'));
  const landing = UPPER_ROOMS.filter(({ number }) => number === '204');
  put('landing_floor', 'Wood floor, landing', 5, 'A-102', landing);
}

export const CEILINGS: readonly Derived[] = [
  ['ceilings', 'Board on ceilings'],
  ['ceilings_up', 'Board on ceilings'],
  ['carpet', 'Sheet floor'],
  ['kitchen_tile', 'Floor tile'],
  ['landing_floor', 'Wood strip floor'],
  ['upper_partitions', 'Paint on walls'],
  ['upper_walls', 'Insulation in walls'],
];
