import { put } from '@zest/core/job/change';
import { changeLines } from '@zest/core/job/commands/changeLines';
import type { Id, MakeId } from '@zest/core/job/id';
import { type Job, settingsOf } from '@zest/core/job/job';
import type { JobRecord, RecordOf } from '@zest/core/job/record';
import { componentsOf } from '@zest/core/assemblies/frames';
import { change } from '../derive.ts';
import { BOOK_LISTS, itemOfRow } from './bookItems.ts';

/** Wages of the demo, before burden: with it they are what the price book was made with. */
export const BURDEN = '35';

const craftNamed = (job: Job, name: string): Id<'craft'> => {
  const craft = [...job.craft.values()].find((each) => each.name === name);
  if (craft === undefined) throw new Error(`craftNamed: no ${name}`);
  return craft.id;
};

/** Items in lists by size, crews of several crafts with machines, and three invented regions. */
export function addPriceBook(job: Job, makeId: MakeId): Job {
  const items = BOOK_LISTS.flatMap((list) =>
    list.rows.map((row) => itemOfRow(list, row, makeId('item'), craftNamed(job, list.craft))),
  );
  const crew = (
    order: number,
    name: string,
    members: readonly (readonly [craft: string, count: number])[],
    machines: readonly (readonly [name: string, hourly: string])[],
  ): RecordOf<'crew'> => ({
    type: 'crew',
    id: makeId('crew'),
    name,
    members: members.map(([craft, count]) => ({ craftId: craftNamed(job, craft), count })),
    machines: machines.map(([machine, hourly]) => ({ name: machine, count: 1, hourly })),
    order,
  });
  const region = (
    order: number,
    name: string,
    material: number,
    labor: number,
    equipment: number,
  ): RecordOf<'region'> => ({
    type: 'region',
    id: makeId('region'),
    name,
    material,
    labor,
    equipment,
    order,
  });
  return change(
    job,
    put(
      ...items,
      crew(
        1,
        'Form crew',
        [
          ['Carpenter', 3],
          ['Laborer', 2],
        ],
        [['Boom truck', '94.00']],
      ),
      crew(
        2,
        'Pour crew',
        [
          ['Cement finisher', 2],
          ['Laborer', 3],
        ],
        [['Vibrator', '6.50']],
      ),
      crew(
        3,
        'Trench crew',
        [
          ['Equipment operator', 1],
          ['Laborer', 2],
        ],
        [
          ['Excavator', '118.00'],
          ['Plate compactor', '9.00'],
        ],
      ),
      crew(
        4,
        'Layout crew',
        [
          ['Carpenter', 1],
          ['Laborer', 1],
        ],
        [],
      ),
      region(1, 'Saltmere and the creek', 1.02, 1.04, 1),
      region(2, 'Fell valleys', 0.97, 0.91, 1.03),
      region(3, 'Harbor city', 1.06, 1.18, 1.05),
    ),
  );
}

const sectionOf = (job: Job, code: string): Id<'section'> => {
  const section = [...job.section.values()].find((each) => each.code === code);
  if (section === undefined) throw new Error(`sectionOf: no ${code}`);
  return section.id;
};

/** Invented prices of the fixtures that E-101 schedules. */
const FIXTURE_PRICES: readonly (readonly [tag: string, name: string, material: string, hours: string])[] = [
  ['F1', 'High bay, round, 120 W', '286', '1.6'],
  ['F2', 'Strip, 4 ft, open', '74', '0.8'],
  ['F3', 'Strip, 4 ft, sealed', '128', '0.95'],
  ['F4', 'Panel, 2 x 2 ft', '92', '0.75'],
  ['F5', 'Wall light', '61', '0.7'],
  ['F6', 'Downlight, 6 in', '48', '0.65'],
  ['F7', 'Exit sign', '83', '0.6'],
];

const fixtureItems = (job: Job, makeId: MakeId): readonly RecordOf<'item'>[] =>
  FIXTURE_PRICES.map(([tag, name, material, laborHours]) => ({
    type: 'item',
    id: makeId('item'),
    code: `EL-${tag}`,
    description: `${tag} ${name}`,
    unit: 'ea',
    basis: 1,
    material,
    laborHours,
    craftId: craftNamed(job, 'Electrician'),
    equipment: '',
    subcontract: '',
    other: '',
    supplier: 'Brightling Supply',
    date: '2026-10-01',
    group: 'Electrical',
    source: 'Price list, invented',
  }));

/** A package that several priced. The lowest leaves the dewatering out. */
function quotesFor(job: Job, makeId: MakeId): readonly JobRecord[] {
  const ownRamp = [...job.line.values()].find(({ description }) => description.startsWith('Break out'));
  if (ownRamp === undefined) throw new Error('quotesFor: no line for the ramp');
  const packageId = makeId('package');
  const quote = (
    order: number,
    company: string,
    amount: string,
    content: Partial<RecordOf<'quote'>> = {},
  ): RecordOf<'quote'> => ({
    type: 'quote',
    id: makeId('quote'),
    packageId,
    company,
    amount,
    date: '2026-11-02',
    validUntil: '2027-01-15',
    note: '',
    leftOut: {},
    adjustments: [],
    prices: {},
    order,
    ...content,
  });
  const dunlin = quote(1, 'Dunlin Excavating', '5480', {
    leftOut: { dewatering: '640' },
    adjustments: [{ text: 'Our hoist, two days', amount: '-312.95' }],
  });
  return [
    dunlin,
    quote(2, 'Peatfield Brothers', '6150', { validUntil: '2026-11-20' }),
    quote(3, 'Long Reach Demolition', '7240', {
      leftOut: { disposal: '880' },
      note: 'Can start in March only.',
    }),
    {
      type: 'package',
      id: packageId,
      name: 'Break out old ramp',
      sectionId: sectionOf(job, '02'),
      order: 2,
      kind: 'subcontract',
      by: 'sum',
      asks: [
        { key: 'disposal', text: 'Disposal of the rubble, fees' },
        { key: 'dewatering', text: 'Dewatering at low tide' },
        { key: 'insurance', text: 'Insurance over water' },
      ],
      // Our own figure stays for comparison, and is out of the bid while the quote is taken.
      lines: [ownRamp.id],
      takenId: dunlin.id,
    },
  ];
}

/** Prices as they would stand on a Tuesday afternoon: a quote in, an alternate, a pinned quantity. */
export function priceJob(job: Job, makeId: MakeId): Job {
  const priced = addPriceBook(job, makeId);
  const line = (description: string): RecordOf<'line'> => {
    const found = [...priced.line.values()].find((each) => each.description === description);
    if (found === undefined) throw new Error(`priceJob: no ${description}`);
    return found;
  };
  const tile = makeId('alternate');
  const locker = makeId('alternate');
  const rubber = line('Rubber floor 3/8 in');
  const own = (
    content: Partial<RecordOf<'line'>> & Pick<RecordOf<'line'>, 'description' | 'quantity' | 'unit'>,
  ): RecordOf<'line'> => ({
    type: 'line',
    id: makeId('line'),
    sectionId: null,
    order: 40,
    itemCode: '',
    typedCost: null,
    ...content,
  });
  const [crew] = [...priced.crew.values()].filter(({ name }) => name === 'Layout crew');
  const yardstick = (
    order: number,
    content: Omit<RecordOf<'yardstick'>, 'type' | 'id' | 'order'>,
  ): RecordOf<'yardstick'> => ({
    type: 'yardstick',
    id: makeId('yardstick'),
    order,
    ...content,
  });
  const concrete = sectionOf(priced, '03');
  const bond: RecordOf<'markup'> = {
    type: 'markup',
    id: makeId('markup'),
    name: 'Bond',
    percent: '',
    base: 'running',
    order: 10,
    as: 'graded',
    grades: [
      { upTo: '100000', percent: '2.5' },
      { upTo: '500000', percent: '1.5' },
      { upTo: '', percent: '1' },
    ],
  };
  const further = change(
    priced,
    put(
      ...fixtureItems(priced, makeId),
      ...quotesFor(priced, makeId),
      { type: 'alternate', id: tile, name: 'Tile instead of rubber', note: '', accepted: false, order: 1 },
      { type: 'alternate', id: locker, name: 'Rack rails by us', note: '', accepted: false, order: 2 },
      { ...rubber, alternate: { id: tile, as: 'drops' } },
      own({
        description: 'Porcelain tile in place of rubber',
        quantity: 'total(rubber_floor, area)',
        unit: 'ft²',
        sectionId: sectionOf(priced, '09'),
        itemCode: 'BD-CER',
        alternate: { id: tile, as: 'adds' },
      }),
      own({
        description: 'Boat rack rails, galvanized',
        quantity: '24',
        unit: 'ea',
        sectionId: sectionOf(priced, '06'),
        costs: { material: '118.5', hours: '1.25' },
        craftId: craftNamed(priced, 'Carpenter'),
        alternate: { id: locker, as: 'adds' },
      }),
      own({
        description: 'Layout and batter boards',
        quantity: '2',
        unit: 'day',
        sectionId: concrete,
        ...(crew === undefined ? {} : { crewId: crew.id }),
      }),
      own({
        description: 'Strip footing at the slipway wall',
        quantity: '46',
        unit: 'ft',
        sectionId: concrete,
        order: 41,
        sizing: { family: 'Strip footing', by: { width: '22 in', depth: '28 in' } },
      }),
      own({
        description: 'Slabs and footings',
        quantity: '0',
        unit: 'ea',
        sectionId: concrete,
        order: 42,
        is: 'subtotal',
      }),
      own({
        description: 'Allowances, to be settled with the client',
        quantity: '0',
        unit: 'ea',
        sectionId: sectionOf(priced, '09'),
        order: 50,
        is: 'text',
      }),
      yardstick(1, {
        name: 'Bid per square foot',
        of: 'price',
        on: { what: 'bid' },
        driver: 'floor_area',
        unit: 'ft²',
        low: '90',
        high: '160',
      }),
      yardstick(2, {
        name: 'Labor on concrete',
        of: 'hours',
        on: { what: 'section', sectionId: concrete },
        driver: 'total(slab_bay, area) * 6 in + total(slab_house, area) * 6 in',
        unit: 'yd³',
        low: '3',
        high: '9',
      }),
      yardstick(3, {
        name: 'Irrigation and planting per sprinkler',
        of: 'cost',
        on: { what: 'section', sectionId: sectionOf(priced, '32') },
        driver: 'count(sprinklers)',
        unit: 'sprinkler',
        low: '250',
        high: '420',
      }),
      {
        type: 'adjustment',
        id: makeId('adjustment'),
        name: 'Steel and bars up since the list',
        kinds: ['material'],
        percent: '4',
        on: {
          what: 'lines',
          lines: [
            line('Thickened edge at doors, bars').id,
            line('Vertical bars No. 5 at 4 ft').id,
            ...steelLines(priced),
          ],
        },
        order: 1,
      },
      bond,
      {
        ...settingsOf(priced),
        bidStep: '10',
        bidRounding: 'nearest',
        regionId: regionAt(priced, 'Saltmere'),
      },
    ),
  );
  return change(
    further,
    changeLines([[pinnedLine(further), { pinned: '5600' }], ...fixtureLines(further)], makeId),
  );
}

const regionAt = (job: Job, place: string): Id<'region'> => {
  const region = [...job.region.values()].find(({ name }) => name.startsWith(place));
  if (region === undefined) throw new Error(`regionAt: no ${place}`);
  return region.id;
};

/** Every component of bars or mesh, wherever it is placed. */
const steelLines = (job: Job): readonly string[] =>
  [...job.use.values()].flatMap((use) =>
    componentsOf(job, use).flatMap(({ key, component }) =>
      component.sizing?.family === 'Reinforcing bars' || component.itemCode.startsWith('CN-WWM') ? [key] : [],
    ),
  );

/** Each kind of fixture at its own price, by the tag of its scope. */
const fixtureLines = (job: Job): readonly (readonly [line: string, change: { itemCode: string }])[] =>
  [...job.use.values()].flatMap((use) =>
    componentsOf(job, use).flatMap(({ key, component, frame }) => {
      const [, tag] = /^light_(f\d)$/.exec(frame.scope.key) ?? [];
      return tag === undefined || component.key !== 'fixture'
        ? []
        : [[key, { itemCode: `EL-${tag.toUpperCase()}` }] as const];
    }),
  );

/** A barrier that comes in rolls was pinned by hand. */
function pinnedLine(job: Job): string {
  for (const use of job.use.values())
    for (const { key, component, frame } of componentsOf(job, use))
      if (component.name === 'Vapor barrier' && frame.scope.key === 'slab_bay') return key;
  throw new Error('pinnedLine: no vapor barrier');
}
