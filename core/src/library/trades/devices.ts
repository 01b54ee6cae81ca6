// data: further electrical and irrigation work of the trade library
import { type Maker, SIZES, assemblyOf, input, part, pick } from '../build.ts';

const cable: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Electrical',
    name: 'Cable run',
    description: 'Sheathed cable stapled along framing, with its tails in the boxes.',
    tags: 'branch circuit home run wire',
    measures: 'run',
    inputs: [
      input('tail', 'Tail at an end?', length, pick(system, '1', '0.3')),
      input('staples', 'Distance of the staples?', length, pick(system, '4.5', '1.4'), 'and one at each box'),
    ],
    parts: [
      part(
        'cable',
        ['EL-NMC', 'Sheathed cable', length],
        'length + 2 * tail * count',
        { material: '74.00', hours: '1.6', craft: 'electrician', basis: 100 },
        ['5', ''],
      ),
      part(
        'fasteners',
        ['EL-STP', 'Cable staples', 'ea'],
        'ceil(length / staples) + 2 * count',
        { material: '6.20', basis: 100 },
        ['5', '100'],
      ),
    ],
  });
};

const dataOutlet: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Electrical',
    name: 'Data outlet',
    description: 'Box, ring, jacks and plate with a cable from the panel to each jack.',
    tags: 'network low voltage communications jack',
    measures: 'count',
    inputs: [
      input('jacks', 'Jacks in an outlet?', '', '2', '', [], { min: '1', max: '6' }),
      input('run', 'Cable to a jack, on the mean?', length, pick(system, '90', '27')),
    ],
    parts: [
      part('boxes', ['EL-DBX', 'Box with ring', 'ea'], 'count', {
        material: '4.10',
        hours: '0.25',
        craft: 'electrician',
      }),
      part('jacks_in', ['EL-JCK', 'Jacks', 'ea'], 'count * jacks', {
        material: '5.80',
        hours: '0.15',
        craft: 'electrician',
      }),
      part('plates', ['EL-DPL', 'Plates', 'ea'], 'count', {
        material: '1.90',
        hours: '0.05',
        craft: 'electrician',
      }),
      part(
        'cable',
        ['EL-DCB', 'Data cable', length],
        'count * jacks * run',
        { material: '31.00', hours: '0.9', craft: 'electrician', basis: 100 },
        ['10', ''],
      ),
    ],
  });
};

const detectors: Maker = (_system) =>
  assemblyOf({
    trade: 'Electrical',
    name: 'Smoke detector',
    description: 'Detectors on a box, wired and tested.',
    tags: 'alarm fire life safety',
    measures: 'count',
    inputs: [],
    parts: [
      part('detectors', ['EL-SMK', 'Detectors', 'ea'], 'count', {
        material: '42.00',
        hours: '0.4',
        craft: 'electrician',
      }),
      part('boxes', ['EL-OBX', 'Ceiling boxes', 'ea'], 'count', {
        material: '2.60',
        hours: '0.2',
        craft: 'electrician',
      }),
    ],
  });

const groundRods: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Electrical',
    name: 'Ground rods',
    description: 'Rods driven in the ground with clamps and the wire between them.',
    tags: 'grounding electrode earth',
    measures: 'count',
    inputs: [input('apart', 'Distance between rods?', length, pick(system, '10', '3'))],
    parts: [
      part('rods', ['EL-ROD', 'Ground rods', 'ea'], 'count', {
        material: '18.40',
        hours: '0.8',
        craft: 'electrician',
      }),
      part('clamps', ['EL-CLM', 'Clamps', 'ea'], 'count', {
        material: '3.10',
        hours: '0.1',
        craft: 'electrician',
      }),
      part(
        'wire',
        ['EL-BCW', 'Bare copper wire', length],
        'max(0, count - 1) * apart',
        { material: '168.00', hours: '1.8', craft: 'electrician', basis: 100 },
        ['10', ''],
      ),
    ],
  });
};

const controller: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Irrigation',
    name: 'Irrigation controller',
    description: 'Controller with its rain sensor, and the wire from it to the valves.',
    tags: 'timer clock station wire',
    measures: 'count',
    inputs: [
      input('valves', 'How many valves?', '', '6', 'a figure, or count(valves)'),
      input('run', 'Wire to a valve, on the mean?', length, pick(system, '120', '36')),
    ],
    parts: [
      part('controllers', ['IR-CTL', 'Controller', 'ea'], 'count', {
        material: '245.00',
        hours: '2.5',
        craft: 'fitter',
      }),
      part('sensors', ['IR-RAIN', 'Rain sensor', 'ea'], 'count', {
        material: '38.00',
        hours: '0.4',
        craft: 'fitter',
      }),
      part(
        'wire',
        ['IR-VWR', 'Valve wire', length],
        '(valves + 1) * run',
        { material: '19.00', hours: '0.5', craft: 'fitter', basis: 100 },
        ['5', ''],
      ),
    ],
  });
};

const backflow: Maker = (_system) =>
  assemblyOf({
    trade: 'Irrigation',
    name: 'Backflow preventer',
    description: 'Preventer with its valves, box and test.',
    tags: 'water supply point of connection',
    measures: 'count',
    inputs: [],
    parts: [
      part('preventers', ['IR-BFP', 'Backflow preventer', 'ea'], 'count', {
        material: '286.00',
        hours: '3',
        craft: 'fitter',
      }),
      part('boxes', ['IR-BXL', 'Valve box, large', 'ea'], 'count', {
        material: '44.00',
        hours: '0.5',
        craft: 'fitter',
      }),
      part('test', ['IR-TST', 'Test and certificate', 'ea'], 'count', { subcontract: '120.00' }),
    ],
  });

export const DEVICE_ASSEMBLIES: readonly Maker[] = [
  cable,
  dataOutlet,
  detectors,
  groundRods,
  controller,
  backflow,
];
