import { describe, expect, it } from '@jest/globals';
import type { RecordOf } from '../../job/record.ts';
import type { ReportSource } from '../../job/records/report.ts';
import { makeMark, makeScope } from '../../testing/job.ts';
import { type Bench, createBench } from '../../testing/priced.ts';
import {
  makeAlternate,
  makeCrew,
  makeMarkup,
  makeOpening,
  makePackage,
  makeQuote,
} from '../../testing/records.ts';
import { PLAIN_WORDS, contextOf } from '../../testing/reportWords.ts';
import type { Cell } from '../cell.ts';
import { openReport } from '../openReport.ts';
import type { ReportContext } from './field.ts';
import { FIELDS, findField, listProperties } from './fields.ts';

/** A cell as a person reads it: figures to eight digits, so that what they rest on may be in meters. */
function said(cell: Cell): string {
  const figure = (value: number): string => String(Number(value.toPrecision(8)));
  switch (cell?.kind) {
    case undefined:
      return '';
    case 'text':
      return cell.text;
    case 'number':
      return figure(cell.value);
    case 'quantity':
      return `${figure(cell.value)} ${cell.unit}`;
    case 'money':
      return `$${(cell.minor / 100).toFixed(2)}`;
    case 'rate':
      return `$${figure(cell.amount)} per ${cell.per}`;
    case 'percent':
      return `${figure(cell.value)} %`;
    case 'date':
      return cell.date;
    case 'failure':
      return `? ${cell.failure === 'does-not-fit' ? cell.failure : cell.failure.kind}`;
    case 'mixed':
      return cell.units.join('/');
  }
}

/** What the fields say of every row of a source, in the order of the rows. */
function rowsOf(
  bench: Bench,
  source: ReportSource,
  fields: readonly string[],
  more: Partial<ReportContext> = {},
): readonly (readonly string[])[] {
  const open = openReport(
    {
      name: 'Any',
      folder: '',
      source,
      columns: fields.map((field, at) => ({ key: `c${at}`, of: { field } })),
      groups: [],
      sorts: [],
      page: {},
    },
    { ...contextOf(bench.calculation.figures), ...more },
  );
  expect(open.problems).toEqual([]);
  return open.order.map((row) => fields.map((_, column) => said(open.cellOf(row, column))));
}

const only = (rows: readonly (readonly string[])[]): readonly string[] => {
  expect(rows).toHaveLength(1);
  return rows[0] ?? [];
};

describe('what can be known of a line', () => {
  const bench = createBench();
  const mason = bench.craft('Mason');
  const typed = bench.line({
    description: 'Footing',
    sectionId: bench.sectionId('03'),
    quantity: '10',
    unit: 'yd³',
    costs: { material: '120', labor: '30' },
    wastePercent: '5',
    costCode: '03-100',
    note: 'as drawn',
    allowance: 'with-markup',
  });
  const booked = bench.line({
    description: 'Block',
    sectionId: bench.sectionId('04'),
    quantity: '200',
    unit: 'ea',
    itemCode: 'BLK',
  });
  const bare = bench.line({ description: 'Unknown', quantity: '3', unit: 'ea' });
  bench.change(
    makeMarkup(bench.makeId, { percent: '20' }),
    { ...mason, wage: '40', burden: '25' },
    bench.item({
      code: 'BLK',
      unit: 'ea',
      basis: 100,
      material: '180',
      laborHours: '8',
      craftId: mason.id,
      supplier: 'Cobble Yard',
      source: 'List 4',
      date: '2026-09-01',
    }),
    typed,
    booked,
    bare,
  );
  const of = (fields: readonly string[]): readonly (readonly string[])[] =>
    rowsOf(
      bench,
      'lines',
      fields.map((field) => `line.${field}`),
    );

  it('is how much, what of it is bought and what of it is worked', () => {
    // Waste of 5 % is bought; 10 is worked.
    expect(of(['description', 'quantity', 'needed', 'unit', 'waste'])).toEqual([
      ['Footing', '10.5 yd³', '10 yd³', 'yd³', '5 %'],
      ['Block', '200 ea', '200 ea', 'ea', ''],
      ['Unknown', '3 ea', '3 ea', 'ea', ''],
    ]);
  });

  it('is what it costs by kind, and in all', () => {
    // 10.5 at 120 and 10 at 30; 200 at 1.80, and 16 hours at 40 and a quarter.
    expect(of(['material', 'labor', 'hours', 'cost'])).toEqual([
      ['$1260.00', '$300.00', '', '$1560.00'],
      ['$360.00', '$800.00', '16 h', '$1160.00'],
      ['', '', '', '? no-price'],
    ]);
    expect(of(['unit_material', 'unit_labor', 'unit_hours', 'kind'])).toEqual([
      ['$120 per yd³', '$30 per yd³', '', 'material'],
      ['$1.8 per ea', '$4 per ea', '0.08', 'labor'],
      ['', '', '', ''],
    ]);
  });

  it('is what the client pays, and what of that is on top', () => {
    expect(of(['price', 'on_top', 'on_top_percent', 'unit_price'])).toEqual([
      // 1872.00 for 10.5 yd³.
      ['$1872.00', '$312.00', '20 %', '$178.28571 per yd³'],
      ['$1392.00', '$232.00', '20 %', '$6.96 per ea'],
      ['', '', '', ''],
    ]);
  });

  it('is where it comes from, what a person said of it, and what it lacks', () => {
    expect(of(['made_by', 'cost_code', 'note', 'allowance', 'from', 'price_date', 'lacks'])).toEqual([
      ['typed', '03-100', 'as drawn', 'allowance-with-markup', expect.anything(), '', ''],
      ['typed', '04', '', '', expect.stringContaining('Cobble Yard'), '2026-09-01', ''],
      ['typed', '', '', '', expect.anything(), '', 'no-price'],
    ]);
    expect(of(['typed_over']).flat()).toEqual(['typed-cost', '', '']);
  });

  it('says of its section, its item and their craft', () => {
    expect(rowsOf(bench, 'lines', ['section.code', 'item.code', 'item.supplier'])).toEqual([
      ['03', '', ''],
      ['04', 'BLK', 'Cobble Yard'],
      ['', '', ''],
    ]);
    expect(
      rowsOf(bench, 'hours', ['line.description', 'craft.name', 'craft.wage', 'hours.hours', 'hours.wages']),
    ).toEqual([['Block', 'Mason', '$50 per h', '16 h', '$800 per ']]);
    expect(only(rowsOf(bench, 'hours', ['hours.days', 'crew.name']))).toEqual(['2 day', '']);
  });
});

describe('what can be known of the price book', () => {
  const bench = createBench();
  for (const { id } of bench.job().item.values()) bench.change({ ...itemOf(bench, id), tags: 'other' });
  bench.change(
    bench.item({
      code: 'ZZ-1',
      description: 'Clip',
      unit: 'ea',
      basis: 50,
      material: '12.5',
      equipment: '5',
      date: '2026-11-08',
      group: 'Fixings',
      tags: 'steel',
      family: 'Clips',
      sample: true,
    }),
    bench.line({ description: 'Clips', quantity: '4', unit: 'ea', itemCode: 'ZZ-1' }),
  );

  it('is for one of the unit, however many the price is for', () => {
    const rows = rowsOf(bench, 'items', [
      'item.code',
      'item.material',
      'item.equipment',
      'item.other',
      'item.hours',
      'item.group',
      'item.family',
      'item.sample',
      'item.used',
      'item.price_date',
      'item.days_old',
    ]).filter(([code]) => code === 'ZZ-1');
    // The reports are of November 28.
    expect(only(rows)).toEqual([
      'ZZ-1',
      '$0.25 per ea',
      '$0.1 per ea',
      '',
      '',
      'Fixings',
      'Clips',
      'yes',
      'yes',
      '2026-11-08',
      '20',
    ]);
  });
});

function itemOf(bench: Bench, id: string): RecordOf<'item'> {
  const item = [...bench.job().item.values()].find((each) => each.id === id);
  if (item === undefined) throw new Error('no item');
  return item;
}

describe('what can be known of what is measured', () => {
  const bench = createBench();
  const level: RecordOf<'level'> = {
    type: 'level',
    id: bench.makeId('level'),
    name: 'Loft',
    repeat: 3,
    order: 1,
  };
  const zone: RecordOf<'zone'> = {
    type: 'zone',
    id: bench.makeId('zone'),
    name: 'West',
    repeat: 2,
    order: 1,
  };
  const wall = {
    ...makeScope(bench.makeId, { key: 'wall', kind: 'run', name: 'Wall' }),
    properties: [
      { key: 'height', name: 'Height', value: '9', unit: 'ft' },
      { key: 'rating', name: 'Rating', value: 'EI 60', unit: '' },
    ],
    expected: 4,
    location: 'north',
    deduct: { rule: 'above', areaM2: 1 } as const,
    sectionId: bench.sectionId('09'),
  };
  const doors = makeScope(bench.makeId, { key: 'doors', kind: 'count', name: 'Doors', order: 2 });
  const run = {
    ...makeMark(bench.makeId, wall, bench.sheet, [
      [0, 0],
      [30, 0],
      [30, 10],
    ]),
    zoneId: zone.id,
  };
  const piece: RecordOf<'piece'> = {
    type: 'piece',
    id: bench.makeId('piece'),
    scopeId: wall.id,
    text: '12 ft 6 in',
    unit: '',
    source: 'typed',
    note: 'by hand',
    order: 1,
  };
  const door = makeOpening(bench.makeId, {
    markId: run.id,
    scopeId: doors.id,
    tag: 'D1',
    widthM: 0.9144,
    heightM: 2.1336,
  });
  bench.change(level, zone, { ...bench.sheet, levelId: level.id }, wall, doors, run, piece, door);

  it('is its measures in the units of the job, its properties, and where it was drawn', () => {
    const [first] = rowsOf(bench, 'scopes', [
      'scope.name',
      'scope.kind',
      'scope.leading_is',
      'scope.levels',
      'scope.zones',
      'scope.sheets',
      'scope.expected',
      'scope.location',
      'scope.deduct',
      'property.height',
      'property.rating',
      'section.code',
    ]);
    expect(first).toEqual([
      'Wall',
      'run',
      'length',
      'Loft',
      'West',
      'A-101',
      '4',
      'north',
      'deducts-above',
      '9 ft',
      'EI 60',
      '09',
    ]);
  });

  it('counts a zone that is built twice on a level that is there three times six times', () => {
    const [first] = rowsOf(bench, 'scopes', ['scope.leading']);
    // 40 ft six times, and 12.5 ft typed.
    expect(first).toEqual(['252.5 ft']);
  });

  it('is every mark, typed piece and opening on the tape', () => {
    expect(
      rowsOf(bench, 'marks', [
        'scope.name',
        'mark.kind',
        'mark.figure',
        'mark.times',
        'mark.typed',
        'mark.note',
        'sheet.number',
        'level.name',
        'zone.name',
      ]),
    ).toEqual([
      ['Wall', 'run', '240 ft', '6', '', '', 'A-101', 'Loft', 'West'],
      ['Wall', 'typed', '12.5 ft', '1', '12 ft 6 in', 'by hand', '', '', ''],
      ['Doors', 'count', '6', '1', '', 'D1', 'A-101', 'Loft', 'West'],
    ]);
  });

  it('is the size of an opening, what it is counted by, and what it sits in', () => {
    expect(
      only(
        rowsOf(bench, 'openings', [
          'opening.tag',
          'opening.width',
          'opening.height',
          'opening.area',
          'opening.count',
          'opening.counted_by',
          'scope.name',
          'level.name',
        ]),
      ),
      // 3 ft by 7 ft, six times.
    ).toEqual(['D1', '3 ft', '7 ft', '126 ft²', '6', 'Doors', 'Wall', 'Loft']);
  });

  it('is of a sheet its paper, its scale and how that was found and checked', () => {
    const [first] = rowsOf(bench, 'sheets', [
      'sheet.number',
      'sheet.title',
      'sheet.file',
      'sheet.page',
      'sheet.scale',
      'sheet.checked',
      'sheet.check_error',
      'sheet.marks',
      'level.repeat',
    ]);
    expect(first).toEqual(['A-101', 'Plan', 'plans.pdf', '1', '1:96', 'not-checked', '', '1', '3']);
  });

  it('knows the properties there are', () => {
    expect([...listProperties(bench.job().scope)]).toEqual([
      ['height', 'Height'],
      ['rating', 'Rating'],
    ]);
    expect(findField('property.height')).toMatchObject({ owner: 'scope' });
  });
});

describe('what can be known of what was asked', () => {
  const bench = createBench();
  const glazing = makePackage(bench.makeId, {
    name: 'Glazing',
    sectionId: bench.sectionId('08'),
    costCode: '08-800',
    asks: [{ key: 'film', text: 'Film' }],
  });
  const taken = makeQuote(bench.makeId, {
    packageId: glazing.id,
    company: 'Clear & Co',
    amount: '5000',
    date: '2026-10-02',
    validUntil: '2026-12-31',
    note: 'without film',
    leftOut: { film: '300' },
    adjustments: [{ text: 'Lift', amount: '-50' }],
  });
  const other = makeQuote(bench.makeId, { packageId: glazing.id, company: 'Pane Works', order: 2 });
  bench.change(glazing, taken, other, { ...glazing, takenId: taken.id });

  it('is each quote, leveled, and which is taken', () => {
    expect(
      rowsOf(bench, 'quotes', [
        'package.name',
        'package.cost_code',
        'quote.company',
        'quote.quoted',
        'quote.total',
        'quote.left_out',
        'quote.date',
        'quote.valid_until',
        'quote.taken',
        'section.code',
      ]),
    ).toEqual([
      // 5000 and 300 for the film, less 50.
      [
        'Glazing',
        '08-800',
        'Clear & Co',
        '$5000.00',
        '$5250.00',
        '1',
        '2026-10-02',
        '2026-12-31',
        'taken',
        '08',
      ],
      ['Glazing', '08-800', 'Pane Works', '', '$0.00', '0', '', '', '', '08'],
    ]);
  });

  it('is a line of the bid of its own', () => {
    expect(only(rowsOf(bench, 'lines', ['line.made_by', 'line.quantity', 'line.cost', 'line.kind']))).toEqual(
      ['quote', '1 sum', '$5250.00', 'subcontract'],
    );
  });
});

describe('what can be known of options and changes', () => {
  const bench = createBench();
  const tiles = makeAlternate(bench.makeId, { name: 'Tiles', note: 'glazed' });
  const carpet = bench.line({
    description: 'Carpet',
    quantity: '10',
    unit: 'yd²',
    costs: { material: '30' },
  });
  bench.change(
    tiles,
    carpet,
    bench.line({
      description: 'Tile',
      quantity: '10',
      unit: 'yd²',
      costs: { material: '80' },
      alternate: { id: tiles.id, as: 'adds' },
    }),
  );

  it('is what an option does to the bid, and the bid with and without it', () => {
    expect(
      only(
        rowsOf(bench, 'alternates', [
          'alternate.name',
          'alternate.state',
          'alternate.change',
          'alternate.with',
          'alternate.without',
          'alternate.lines',
          'alternate.note',
        ]),
      ),
    ).toEqual(['Tiles', 'open', '$800.00', '$1100.00', '$300.00', '1', 'glazed']);
    bench.change({ ...tiles, accepted: true });
    expect(rowsOf(bench, 'lines', ['line.description', 'line.alternate'])).toEqual([
      ['Carpet', ''],
      ['Tile', 'adds Tiles'],
    ]);
    bench.change(tiles);
  });

  it('is what a change did to a line, by its cause', () => {
    const then = createBench();
    then.change(carpet);
    // Twice as much, and a third dearer.
    bench.change({ ...carpet, quantity: '20', costs: { material: '40' } });
    const rows = rowsOf(
      bench,
      'changes',
      [
        'change.name',
        'change.before',
        'change.now',
        'change.change',
        'change.by_quantity',
        'change.by_price',
      ],
      { earlier: then.calculation.figures },
    );
    expect(rows.filter(([name]) => name === 'Carpet')).toEqual([
      ['Carpet', '$300.00', '$800.00', '$500.00', '$300.00', '$200.00'],
    ]);
    expect(rowsOf(bench, 'changes', ['change.name'])).toEqual([]);
  });
});

describe('what can be known of what is bought', () => {
  it('is each part once, however many lines need it', () => {
    const bench = createBench();
    bench.change(
      bench.item({
        code: 'BLK',
        description: 'Block',
        unit: 'ea',
        basis: 100,
        material: '180',
        supplier: 'Cobble Yard',
      }),
      bench.line({ description: 'Wall', quantity: '200', unit: 'ea', itemCode: 'BLK', wastePercent: '5' }),
      bench.line({ description: 'Pier', quantity: '40', unit: 'ea', itemCode: 'BLK' }),
    );
    // 210 and 40 bought, 200 and 40 needed, each 1.80.
    expect(
      only(
        rowsOf(bench, 'purchases', [
          'part.code',
          'part.description',
          'part.supplier',
          'part.quantity',
          'part.needed',
          'part.more',
          'part.material',
          'part.unit_price',
          'part.lines',
        ]),
      ),
    ).toEqual([
      'BLK',
      'Block',
      'Cobble Yard',
      '250 ea',
      '240 ea',
      '4.1666667 %',
      '$450.00',
      '$1.8 per ea',
      '2',
    ]);
  });
});

describe('what can be known of crews and places', () => {
  it('is how many work in a crew, and its days', () => {
    const bench = createBench();
    const [mason, helper] = [bench.craft('Mason'), bench.craft('Laborer')];
    const crew = makeCrew(bench.makeId, {
      name: 'Walls',
      members: [
        { craftId: mason.id, count: 2 },
        { craftId: helper.id, count: 0.5 },
      ],
      dayHours: '10',
    });
    bench.change(
      { ...mason, wage: '40' },
      { ...helper, wage: '20' },
      crew,
      bench.item({ code: 'BLK', unit: 'ea', laborHours: '1', crewId: crew.id }),
      bench.line({ description: 'Wall', quantity: '50', unit: 'ea', itemCode: 'BLK' }),
    );
    const rows = rowsOf(bench, 'hours', [
      'crew.name',
      'crew.people',
      'craft.name',
      'hours.hours',
      'hours.days',
    ]);
    // 50 hours of people: four of five by the masons.
    expect(rows).toEqual([
      ['Walls', '2.5', 'Mason', '40 h', '4 day'],
      ['Walls', '2.5', 'Laborer', '10 h', '1 day'],
    ]);
  });
});

describe('fields', () => {
  it('are found by owner and name, and nothing else is', () => {
    for (const [owner, fields] of Object.entries(FIELDS))
      for (const name of Object.keys(fields)) expect(findField(`${owner}.${name}`)).toMatchObject({ owner });
    for (const wrong of [
      '',
      'line',
      'line.',
      '.cost',
      'line.toString',
      'toString.x',
      'nobody.cost',
      'constructor.name',
    ])
      expect(findField(wrong)).toBeUndefined();
  });

  it('say what is nobody’s name in the words they are given', () => {
    const bench = createBench();
    bench.change(bench.line({ description: 'A', quantity: '1', unit: 'ea', costs: { material: '1' } }));
    const loud = { ...PLAIN_WORDS, say: (word: string) => word.toUpperCase() };
    expect(only(rowsOf(bench, 'lines', ['line.made_by'], { words: loud }))).toEqual(['TYPED']);
  });
});
