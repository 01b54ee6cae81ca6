import { remove } from '../../job/change.ts';
import type { JobRecord, RecordOf } from '../../job/record.ts';
import { makeCrew } from '../records.ts';
import type { RandomEdit, Hand } from './hand.ts';

/** Texts with a length, some of which no other formula reads; several are refused or fail on purpose. */
const LENGTHS = [
  '12 ft',
  'total(wall, length)',
  'total(wall, length, level = "")',
  'total(wall, length, zone = "East")',
  'total(any, length, sheet = "A-101")',
  'total(any, length)',
  'lookup(pipes, deep, size, 4 in)',
  'lookup(pipes, deep, size, extra, nearest)',
  'extra + 2 ft',
  'total(wall, height) + extra',
  'total(any, height, height > 2 ft)',
  '2 kg',
];
export const lengthBy = ({ pick, amount }: Hand): string =>
  LENGTHS[(pick + amount) % LENGTHS.length] ?? '1 ft';

const named = (hand: Hand): RecordOf<'quantity'> | undefined =>
  [...hand.job.quantity.values()].find(({ key }) => key === 'extra');

const table = ({ bench, job, amount }: Hand): RecordOf<'table'> => ({
  ...([...job.table.values()].find(({ key }) => key === 'pipes') ?? {
    type: 'table',
    id: bench.makeId('table'),
    key: 'pipes',
    name: 'Pipes',
    order: 1,
  }),
  columns: [
    { key: 'size', name: 'Size', unit: 'in' },
    { key: 'deep', name: 'Depth', unit: amount % 5 === 0 ? 'm' : 'ft' },
  ],
  rows: [
    ['4', String(1 + (amount % 9))],
    ['6', String(amount % 17)],
  ],
});

/** A place of the job, or the one that is there with another number of times. */
const place = (type: 'level' | 'zone', { bench, job, at, amount }: Hand): JobRecord => {
  const known = at<RecordOf<'level'> | RecordOf<'zone'>>(job[type].values());
  const repeat = 1 + (amount % 3);
  if (known !== undefined && amount % 4 !== 0)
    return { ...known, repeat, name: amount % 5 === 0 ? 'East' : known.name };
  return type === 'level'
    ? { type, id: bench.makeId('level'), name: 'Upper', order: 1, repeat }
    : { type, id: bench.makeId('zone'), name: 'East', order: 1, repeat };
};

/** What is done to everything that has a formula, and to what formulas read. */
export const formulaEdits: readonly RandomEdit[] = [
  (hand) => {
    const known = named(hand);
    if (known !== undefined && hand.amount % 9 === 0) hand.bench.attempt(remove(known.id));
    else
      hand.bench.attempt({
        ...(known ?? {
          type: 'quantity',
          id: hand.bench.makeId('quantity'),
          key: 'extra',
          name: 'Extra',
          order: 1,
        }),
        formula: lengthBy(hand),
        unit: 'ft',
      });
  },
  (hand) => hand.bench.attempt(table(hand)),
  (hand) => {
    const scope = hand.at([...hand.job.scope.values()].filter(({ kind }) => kind === 'run'));
    if (scope === undefined) return;
    const known = hand.at(hand.job.piece.values());
    hand.bench.attempt({
      ...(known !== undefined && hand.amount % 3 > 0
        ? known
        : { type: 'piece', id: hand.bench.makeId('piece'), note: '', source: 'typed', order: 1 }),
      scopeId: scope.id,
      text: lengthBy(hand),
      unit: 'ft',
    });
  },
  (hand) => hand.bench.attempt(hand.bench.line({ quantity: lengthBy(hand), unit: 'ft', itemCode: '' })),
  (hand) => hand.onLine({ pinned: lengthBy(hand) }),
  (hand) => {
    const scope = hand.at(hand.job.scope.values());
    if (scope !== undefined)
      hand.bench.attempt({
        ...scope,
        properties: [{ key: 'height', name: 'Height', value: lengthBy(hand), unit: 'ft' }],
      });
  },
  (hand) => {
    const assembly = hand.at(hand.job.assembly.values());
    if (assembly === undefined) return;
    const component = hand.pick % Math.max(1, assembly.components.length);
    hand.bench.attempt({
      ...assembly,
      components: assembly.components.map((each, i) =>
        i === component ? { ...each, unit: 'ft', formula: lengthBy(hand) } : each,
      ),
    });
  },
  (hand) => {
    const use = hand.at(hand.job.use.values());
    const inputs = use === undefined ? [] : (hand.job.assembly.get(use.assemblyId)?.inputs ?? []);
    const input = inputs[hand.amount % Math.max(1, inputs.length)];
    if (use !== undefined && input !== undefined)
      hand.bench.attempt({ ...use, answers: { ...use.answers, [input.key]: lengthBy(hand) } });
  },
  (hand) => {
    const { bench, amount } = hand;
    bench.attempt({
      type: 'yardstick',
      id: bench.makeId('yardstick'),
      name: 'Per foot',
      of: 'cost',
      on:
        amount % 3 === 0 && hand.job.line.size > 0
          ? { what: 'lines', lines: [...hand.job.line.keys()].slice(0, 1 + (amount % 3)) }
          : { what: 'bid' },
      driver: lengthBy(hand),
      unit: 'ft',
      low: '',
      high: String(amount),
      order: 1,
    });
  },
  (hand) => hand.bench.attempt(place('level', hand)),
  (hand) => hand.bench.attempt(place('zone', hand)),
  ({ bench, job, at, amount }) => {
    const mark = at(job.mark.values());
    const zone = at(job.zone.values());
    if (mark !== undefined && zone !== undefined)
      bench.attempt({ ...mark, zoneId: zone.id, repeat: amount % 4 });
  },
  ({ bench, job, at, amount }) => {
    const sheet = at(job.sheet.values());
    const level = at(job.level.values());
    if (sheet === undefined) return;
    const { levelId: _level, ...rest } = sheet;
    bench.attempt({
      ...(level === undefined || amount % 3 === 0 ? rest : { ...sheet, levelId: level.id }),
      number: amount % 4 === 0 ? 'A-102' : 'A-101',
      scale: amount % 5 === 0 ? null : bench.sheet.scale,
    });
  },
  ({ bench, job, at, amount }) => {
    const mark = at([...job.mark.values()].filter(({ kind }) => kind === 'run'));
    if (mark !== undefined)
      bench.attempt({
        type: 'opening',
        id: bench.makeId('opening'),
        markId: mark.id,
        scopeId: null,
        tag: '',
        widthM: 0.5 + (amount % 5) / 10,
        heightM: 2,
        seat: { on: 'run', stroke: 0, along: 0.5 },
      });
  },
  ({ bench, settings, amount }) => {
    if (settings === undefined) return;
    const currency = (['USD', 'JPY', 'EUR', 'KWD'] as const)[amount % 4] ?? 'USD';
    bench.attempt({ ...settings, currency, unitSystem: amount % 3 === 0 ? 'metric' : 'us' });
  },
  ({ bench, job, at, amount }) => {
    const craft = at(job.craft.values());
    const known = at(job.crew.values());
    if (craft === undefined) return;
    const members = [{ craftId: craft.id, count: 1 + (amount % 3) }];
    const machines = amount % 2 === 0 ? [] : [{ name: 'Lift', hourly: String(amount), count: 1 }];
    bench.attempt({ ...(known ?? makeCrew(bench.makeId, { members })), members, machines });
  },
  ({ bench, job, at, amount }) => {
    const item = at(job.item.values());
    if (item !== undefined)
      bench.attempt({ ...item, family: 'Bars', sizes: { deep: `${1 + (amount % 20)} ft` } });
  },
  (hand) =>
    hand.bench.attempt(
      hand.bench.line({
        quantity: '3',
        unit: 'ea',
        sizing: { family: 'Bars', by: { deep: lengthBy(hand) } },
      }),
    ),
];
