// data: electrical work of the trade library
import type { UnitSystem } from '../../units/format.ts';
import {
  type Maker,
  type TableContent,
  SIZES,
  YES_NO,
  assemblyOf,
  choice,
  fittingsFor,
  inSteps,
  input,
  part,
  pick,
  sized,
  withMore,
} from '../build.ts';

/**
 * Area of a conductor with thermoplastic insulation, in²: NFPA 70 chapter 9 table 5 (from memory; the
 * sizes of checks.md).
 */
const WIRE_AREAS = [
  ['No. 12', '3.3 mm²', '0.0133'],
  ['No. 10', '5.3 mm²', '0.0211'],
  ['No. 8', '8.4 mm²', '0.0366'],
  ['No. 6', '13.3 mm²', '0.0507'],
  ['No. 3', '26.7 mm²', '0.0973'],
  ['3/0', '85 mm²', '0.2679'],
] as const;

/** A figure in inches or square inches as one in millimeters, as the metric samples have it. */
const inMm = (inches: string): string => String(Math.round(Number(inches) * 254) / 10);
const inMm2 = (squareInches: string): string => String(Math.round(Number(squareInches) * 64516) / 100);

/** Wires by their gauge, or by the area of their copper; what is reckoned with is their area with insulation. */
const wires = (system: UnitSystem) =>
  choice(
    ...WIRE_AREAS.map(
      ([gauge, copper, area]) => [pick(system, gauge, copper), pick(system, area, inMm2(area))] as const,
    ),
  );

/** Inside area of thin-wall conduit: NFPA 70 chapter 9 table 4 (from memory). */
const CONDUIT_ROWS = [
  ['0.5', '0.304'],
  ['0.75', '0.533'],
  ['1', '0.864'],
  ['1.25', '1.496'],
  ['1.5', '2.036'],
  ['2', '3.356'],
] as const;

const conduitTable = (system: UnitSystem): TableContent => ({
  key: 'conduits',
  name: 'Conduits, inside',
  columns: [
    { key: 'trade_size', name: 'Trade size', unit: pick(system, 'in', 'mm') },
    { key: 'inside', name: 'Inside area', unit: pick(system, 'in²', 'mm²') },
  ],
  rows: CONDUIT_ROWS.map(([size, inside]) => pick(system, [size, inside], [inMm(size), inMm2(inside)])),
});

const WIRES_INSIDE = '(conductors * wire_area + ground * ground_area)';
/** Share that may be filled: NFPA 70 chapter 9 table 1 (from memory): 53, 31 and 40 % for 1, 2 and more. */
const ALLOWED = 'if(conductors + ground = 1, 53 %, if(conductors + ground = 2, 31 %, 40 %))';
/** Trade sizes are asked for in inches, or by their metric designators (NFPA 70, 300.1(C), from memory). */
const SIZE_LABELS = [
  ['1/2"', '16', '0.5'],
  ['3/4"', '21', '0.75'],
  ['1"', '27', '1'],
  ['1 1/4"', '35', '1.25'],
  ['1 1/2"', '41', '1.5'],
  ['2"', '53', '2'],
] as const;
const conduits = (system: UnitSystem) =>
  choice(
    ...SIZE_LABELS.map(
      ([inches, metric, size]) => [pick(system, inches, metric), pick(system, size, inMm(size))] as const,
    ),
  );
const sizeOf = (system: UnitSystem): string => `size * 1 ${pick(system, 'in', 'mm')}`;

const TRADE_SIZES = [
  ['050', '1/2 in', '0.5 in'],
  ['075', '3/4 in', '0.75 in'],
  ['100', '1 in', '1 in'],
  ['125', '1-1/4 in', '1.25 in'],
  ['150', '1-1/2 in', '1.5 in'],
  ['200', '2 in', '2 in'],
] as const;
const bySizeOf = (system: UnitSystem) => (family: string) => ({ family, by: { trade_size: sizeOf(system) } });

/** Fittings for each trade size, at invented prices. */
const FITTINGS = fittingsFor('trade_size', TRADE_SIZES);

/** Thin-wall conduit for 100 ft, invented. */
const CONDUIT_ITEMS = inSteps(
  'EL-CON',
  'Thin-wall conduit',
  'ft',
  'trade_size',
  TRADE_SIZES.map(([suffix, label, size], i) => [
    suffix,
    label,
    size,
    { material: ['78.00', '128.00', '205.00', '318.00', '402.00', '545.00'][i] ?? '', basis: 100 },
  ]),
);

/** Building wire for 1000 ft by the area of it with its insulation, invented prices. */
const WIRE_ITEMS = inSteps('EL-WIR', 'Building wire', 'ft', 'area', [
  ['12', 'No. 12', '0.0133 in²', { material: '198.00', basis: 1000 }],
  ['10', 'No. 10', '0.0211 in²', { material: '302.00', basis: 1000 }],
  ['8', 'No. 8', '0.0366 in²', { material: '495.00', basis: 1000 }],
  ['6', 'No. 6', '0.0507 in²', { material: '762.00', basis: 1000 }],
  ['3', 'No. 3', '0.0973 in²', { material: '1480.00', basis: 1000 }],
  ['3-0', '3/0', '0.2679 in²', { material: '4260.00', basis: 1000 }],
]);

/**
 * Conduit comes in sticks of 10 ft and is fastened every 10 ft and within 3 ft of each box (NFPA 70,
 * 358.30, from memory): two straps more a run than its tens of feet. The tail to allow is the mean of the
 * tails at the two ends; each conductor has one at either end (common practice).
 */
const conduitRun: Maker = (system) => {
  const { length } = SIZES[system];
  const stick = pick(system, '10 ft', '3 m');
  const bySize = bySizeOf(system);
  const wireUnit = pick(system, 'in²', 'mm²');
  const usualWire = pick(system, '0.0133', inMm2('0.0133'));
  const conduitInside = `lookup(conduits, inside, trade_size, ${sizeOf(system)}, exact)`;
  return assemblyOf({
    trade: 'Electrical',
    name: 'Conduit run',
    description:
      'Conduit in sticks with couplings, connectors, straps and elbows; conductors with their tails, and the pull.',
    tags: 'emt thin wall pipe wire feeder circuit pull',
    measures: 'run',
    version: 2,
    tables: [conduitTable(system)],
    checks: [
      {
        when: `${WIRES_INSIDE} > ${ALLOWED} * ${conduitInside}`,
        text: `Overfilled: the wires take {${WIRES_INSIDE} / ${conduitInside}, %} of the conduit, {${ALLOWED}, %} are allowed. A conduit of {lookup(conduits, trade_size, inside, ${WIRES_INSIDE} / (${ALLOWED})), ${pick(system, 'in', 'mm')}} is large enough.`,
      },
    ],
    note: '{length} of conduit in {count} runs, {conductors} conductors each.',
    inputs: [
      input(
        'size',
        'Size of the conduit?',
        '',
        pick(system, '0.75', inMm('0.75')),
        'trade size',
        conduits(system),
      ),
      input('conductors', 'How many conductors?', '', '3', '', [], { min: '1', max: '60' }),
      input(
        'wire_area',
        'Size of the conductors?',
        wireUnit,
        usualWire,
        'its area with insulation',
        wires(system),
      ),
      input('ground', 'A ground wire with them?', '', '1', '', YES_NO),
      input('ground_area', 'Size of the ground wire?', wireUnit, usualWire, '', wires(system), {
        when: 'ground = 1',
      }),
      input(
        'tail',
        'Tail of each conductor at an end?',
        length,
        pick(system, '5', '1.5'),
        'the mean of the tails at the two ends',
      ),
      input('spare_elbows', 'Further elbows, such as at risers?', '', '0'),
      input(
        'difficulty',
        'How hard is it to work there?',
        '',
        '1',
        'factor on the hours',
        choice(
          [pick(system, 'Open, to 10 ft', 'Open, to 3 m'), '1'],
          [pick(system, 'High, to 20 ft', 'High, to 6 m'), '1.15'],
          ['Above finished ceiling', '1.3'],
          ['In slab', '0.85'],
        ),
      ),
    ],
    parts: [
      sized('conduit', ['Conduit', length], 'length', bySize('Conduit'), CONDUIT_ITEMS, [
        '0',
        pick(system, '10', '3'),
      ]),
      sized(
        'couplings',
        ['Couplings', 'ea'],
        `max(0, ceil(length / ${stick}) - count)`,
        bySize('Conduit couplings'),
        FITTINGS('EL-CPL', 'Coupling', [0.62, 0.96, 1.45, 2.3, 3.1, 4.6]),
      ),
      sized(
        'connectors',
        ['Connectors, two a run', 'ea'],
        '2 * count',
        bySize('Conduit connectors'),
        FITTINGS('EL-CNR', 'Connector', [0.55, 0.88, 1.35, 2.1, 2.9, 4.2]),
      ),
      sized(
        'straps',
        ['Straps', 'ea'],
        `ceil(length / ${stick}) + count`,
        bySize('Conduit straps'),
        FITTINGS('EL-STR', 'Strap', [0.32, 0.41, 0.55, 0.78, 0.95, 1.3]),
      ),
      sized(
        'elbows',
        ['Elbows', 'ea'],
        'bends + spare_elbows',
        bySize('Conduit elbows'),
        FITTINGS('EL-ELB', 'Elbow', [2.6, 3.85, 5.9, 9.4, 12.8, 18.5]),
      ),
      sized(
        'wire',
        ['Conductors', length],
        'conductors * (length + 2 * tail * count)',
        { family: 'Building wire', by: { area: 'wire_area' } },
        WIRE_ITEMS,
        ['5', ''],
      ),
      sized(
        'ground_wire',
        ['Ground wire', length],
        'ground * (length + 2 * tail * count)',
        { family: 'Building wire', by: { area: 'ground_area' } },
        WIRE_ITEMS,
        ['5', ''],
      ),
      withMore(
        { hoursFactor: 'difficulty * (0.6 + 0.4 * size)' },
        part('run_labor', ['LB-CON', 'Run conduit', length], 'length', {
          hours: '4.2',
          craft: 'electrician',
          basis: 100,
        }),
      ),
      withMore(
        { hoursFactor: 'difficulty' },
        part(
          'pull',
          ['LB-PULL', 'Pull conductors', length],
          '(conductors + ground) * (length + 2 * tail * count)',
          { hours: '0.7', craft: 'electrician', basis: 100 },
        ),
      ),
    ],
  });
};

const fixtures: Maker = (system) =>
  assemblyOf({
    trade: 'Electrical',
    name: 'Light fixture',
    description: 'Fixture with box, ring, whip and lamp, hung and connected.',
    tags: 'lighting luminaire box whip lamp',
    measures: 'count',
    inputs: [
      input('whip', 'Length of the whip?', SIZES[system].length, pick(system, '6', '1.8')),
      input('lamps', 'Lamps in a fixture?', '', '0', '0 where the light is built in'),
    ],
    parts: [
      part('fixture', ['EL-FIX', 'Light fixture', 'ea'], 'count', {
        material: '94.00',
        hours: '0.85',
        craft: 'electrician',
      }),
      part(
        'box',
        ['EL-BOX-4', pick(system, 'Box, 4 in', 'Box, 100 mm'), 'ea'],
        'count',
        { material: '2.95', hours: '0.16', craft: 'electrician' },
        ['0', '1'],
      ),
      part('ring', ['EL-RNG', 'Ring', 'ea'], 'count', { material: '1.35' }, ['0', '1']),
      part('whip', ['EL-WHP', 'Flexible whip', SIZES[system].length], 'count * whip', { material: '1.42' }, [
        '5',
        '',
      ]),
      part(
        'whip_connectors',
        ['EL-FLX', 'Whip connectors, two each', 'ea'],
        '2 * count',
        { material: '0.79' },
        ['0', '1'],
      ),
      part('lamp', ['EL-LMP', 'Lamps', 'ea'], 'count * lamps', { material: '6.20' }, ['0', '1']),
    ],
  });

const DEVICES = [
  ['Switches', 'switch', 'EL-SWT', 'Switch', '3.40', '0.2'],
  ['Receptacles', 'duplex outlet socket', 'EL-RCP', 'Receptacle', '2.85', '0.2'],
] as const;

/** A box, ring, plate and device by gangs, and the wire to the next one. */
const devices: readonly Maker[] = DEVICES.map(
  ([name, tags, code, device, price, hours]): Maker =>
    (system) => {
      const { length } = SIZES[system];
      return assemblyOf({
        trade: 'Electrical',
        name,
        description: 'Box, ring, plate, devices by gang, screws and the wire to the next one.',
        tags: `${tags} device plate gang`,
        measures: 'count',
        inputs: [
          input('gangs', 'Gangs in a box?', '', '1', '', choice(['One', '1'], ['Two', '2'], ['Three', '3'])),
          input(
            'apart',
            'Distance to the next one?',
            length,
            pick(system, '12', '3.6'),
            'along the way the cable goes',
          ),
          input('tail', 'Tail of cable in a box?', length, pick(system, '1', '0.3')),
        ],
        parts: [
          part(
            'device',
            [code, device, 'ea'],
            'count * gangs',
            { material: price, hours, craft: 'electrician' },
            ['0', '1'],
          ),
          part(
            'box',
            ['EL-BOX-D', 'Device box', 'ea'],
            'count',
            { material: '2.10', hours: '0.14', craft: 'electrician' },
            ['0', '1'],
          ),
          part('ring', ['EL-RNG-D', 'Device ring', 'ea'], 'count', { material: '1.20' }, ['0', '1']),
          part(
            'plate',
            ['EL-PLT', 'Cover plate', 'ea'],
            'count',
            { material: '0.68', hours: '0.03', craft: 'electrician' },
            ['0', '1'],
          ),
          part(
            'screws',
            ['EL-SCW', 'Device screws', 'ea'],
            '2 * count * gangs',
            { material: '3.60', basis: 100 },
            ['0', '100'],
          ),
          part(
            'cable',
            ['EL-CBL', 'Cable', length],
            'count * (apart + 2 * tail)',
            { material: '520.00', basis: 1000, hours: '12', craft: 'electrician' },
            ['5', ''],
          ),
        ],
      });
    },
);

const panel: Maker = () =>
  assemblyOf({
    trade: 'Electrical',
    name: 'Panelboard',
    description: 'Panel with its breakers, set and terminated.',
    tags: 'distribution board breaker load center',
    measures: 'count',
    inputs: [input('circuits', 'Circuits in a panel?', '', '24')],
    parts: [
      part('panel', ['EL-PNL', 'Panelboard', 'ea'], 'count', {
        material: '640.00',
        hours: '5',
        craft: 'electrician',
      }),
      part('breakers', ['EL-BRK', 'Breakers', 'ea'], 'count * circuits', {
        material: '13.50',
        hours: '0.25',
        craft: 'electrician',
      }),
    ],
  });

export const ELECTRICAL_ASSEMBLIES: readonly Maker[] = [conduitRun, fixtures, ...devices, panel];
