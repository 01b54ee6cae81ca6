import { remove } from '../../job/change.ts';
import type { RecordOf } from '../../job/record.ts';
import { FACES } from '../../job/records/scope.ts';
import { makeMark, makeScope } from '../job.ts';
import type { RandomEdit, Hand } from './hand.ts';

/** The scope of a key, or a new one of that kind. */
function scopeOf({ bench, job }: Hand, key: string, kind: RecordOf<'scope'>['kind']): RecordOf<'scope'> {
  const known = [...job.scope.values()].find((each) => each.key === key);
  if (known !== undefined) return known;
  bench.attempt(makeScope(bench.makeId, { key, kind, order: 7 }));
  return (
    [...bench.job().scope.values()].find((each) => each.key === key) ?? makeScope(bench.makeId, { key, kind })
  );
}

/** Lengths that read how runs meet, counts with their openings, and roofs. */
const MEASURED = [
  'total(wall, bends) * 1 ft',
  'total(wall, corners) * 2 ft + total(wall, center_length)',
  'total(doors, width)',
  'count(doors) * 3 ft',
  'total(doors, width, sheet = "A-101")',
  'total(any, count, zone = "East") * 1 ft',
  'total(roof, ridge) + total(roof, hip)',
  'total(wall, net_length) + total(wall, openings_width)',
  'total(wall, left_length)',
  'total(pipe_run, ends) * 1 ft',
];
export const measuredBy = ({ pick, amount }: Hand): string =>
  MEASURED[(pick * 3 + amount) % MEASURED.length] ?? '1 ft';

const square = (feet: number) =>
  [
    [0, 0],
    [feet, 0],
    [feet, feet],
    [0, feet],
  ] as const;

/** What is done to things that are measured in other ways than by length and area. */
export const measureEdits: readonly RandomEdit[] = [
  (hand) => {
    const { bench, amount } = hand;
    const doors = scopeOf(hand, 'doors', 'count');
    const points = Array.from({ length: 1 + (amount % 4) }, (_, at) => [at * 3, amount % 40] as const);
    bench.attempt(makeMark(bench.makeId, doors, bench.sheet, points));
  },
  (hand) => {
    const { bench, amount } = hand;
    const doors = scopeOf(hand, 'doors', 'count');
    const width = {
      key: 'width',
      name: 'Width',
      value: amount % 3 === 0 ? 'extra' : `${1 + (amount % 4)}`,
      unit: 'ft',
    };
    bench.attempt({ ...doors, properties: amount % 5 === 0 ? [] : [width] });
  },
  (hand) => {
    const { bench, job, at, amount } = hand;
    const doors = scopeOf(hand, 'doors', 'count');
    const host = at([...job.mark.values()].filter(({ kind }) => kind === 'run'));
    const known = at(job.opening.values());
    if (known !== undefined && amount % 3 === 0) {
      bench.attempt(amount % 2 === 0 ? remove(known.id) : { ...known, widthM: 0.4 + (amount % 9) / 10 });
      return;
    }
    if (host !== undefined)
      bench.attempt({
        type: 'opening',
        id: bench.makeId('opening'),
        markId: host.id,
        scopeId: doors.id,
        tag: '',
        widthM: 0.6,
        heightM: 2,
        seat: { on: 'run', stroke: 0, along: 0.4 },
      });
  },
  (hand) => {
    const { bench, amount } = hand;
    const roof = scopeOf(hand, 'roof', 'slope');
    const slope = {
      pitch: amount % 4 === 0 ? 'steep' : `${3 + (amount % 6)}:12`,
      edges: ['eave', 'rake', 'ridge', 'hip'] as const,
    };
    bench.attempt({ ...makeMark(bench.makeId, roof, bench.sheet, square(6 + (amount % 20))), slope });
  },
  (hand) => {
    const { bench, job, at, amount } = hand;
    const run = at([...job.scope.values()].filter(({ kind }) => kind === 'run'));
    const other = scopeOf(hand, 'pipe_run', 'run');
    if (run === undefined) return;
    const deducts = [{ rule: 'all' }, { rule: 'none' }, { rule: 'above', areaM2: 1 }] as const;
    const deduct = deducts[amount % 3] ?? { rule: 'all' };
    const face = FACES[amount % 3] ?? 'center';
    const meets = amount % 2 === 0 && run.id !== other.id ? [other.id] : [];
    const thickness = { key: 'thickness', name: 'Thickness', value: `${amount % 12}`, unit: 'in' };
    const properties = [...run.properties.filter(({ key }) => key !== 'thickness'), thickness];
    bench.attempt({
      ...run,
      deduct,
      expected: amount % 40,
      face,
      meets,
      properties: amount % 4 === 0 ? run.properties : properties,
    });
  },
  (hand) => {
    const { bench, amount } = hand;
    const other = scopeOf(hand, 'pipe_run', 'run');
    const far = 2 + (amount % 30);
    const bent = [[0, 0], [far, 0], [far, amount % 7]] as const; // prettier-ignore
    const mark = makeMark(bench.makeId, other, bench.sheet, bent);
    const risen = {
      ...mark,
      strokes: mark.strokes.map((stroke) => stroke.map((each) => ({ ...each, riseM: 0.5 }))),
    };
    bench.attempt(amount % 3 === 0 ? risen : mark);
  },
  ({ bench, job, at, amount }) => {
    const mark = at(job.mark.values());
    if (mark === undefined) return;
    const by = (amount % 90) - 45;
    const strokes = mark.strokes.map((stroke) =>
      stroke.map(({ x, y, ...rest }, index) => ({ ...rest, x: index === 0 ? x + by : x, y })),
    );
    bench.attempt({ ...mark, strokes });
  },
  ({ bench, job, at, amount }) => {
    const sheet = at(job.sheet.values());
    if (sheet === undefined || bench.sheet.scale === null) return;
    const { scale } = bench.sheet;
    const twice = {
      ...scale,
      xMetersPerPoint: scale.xMetersPerPoint * 2,
      yMetersPerPoint: scale.yMetersPerPoint * 2,
    };
    const area = {
      id: 'one',
      name: 'Detail',
      x: 0,
      y: 0,
      width: 100,
      height: 100,
      scale: twice,
      check: null,
    };
    bench.attempt({ ...sheet, title: `Plan ${amount}`, scaleAreas: amount % 2 === 0 ? [area] : [] });
  },
  (hand) =>
    hand.bench.attempt(hand.bench.line({ quantity: measuredBy(hand), unit: 'ft', costs: { other: '3' } })),
  (hand) => {
    const piece = hand.at(hand.job.piece.values());
    if (piece === undefined) return;
    hand.bench.attempt(
      hand.amount % 4 === 0
        ? remove(piece.id)
        : { ...piece, text: measuredBy(hand), also: { count: hand.amount % 5, openings: 1 } },
    );
  },
  ({ bench, job, at, amount }) => {
    const scope = at(job.scope.values());
    const free = ![...job.scope.values()].some(({ key }) => key === 'renamed');
    if (scope !== undefined && free && amount % 4 === 0) bench.attempt({ ...scope, key: 'renamed' });
    else if (scope !== undefined) bench.attempt({ ...scope, name: `Name ${amount}`, color: amount % 12 });
  },
  ({ bench, job, at, settings, amount }) => {
    const region = at(job.region.values());
    if (settings === undefined) return;
    const { regionId: _was, ...rest } = settings;
    bench.attempt({
      ...rest,
      name: `Job ${amount}`,
      ...(region === undefined ? {} : { regionId: region.id }),
    });
    if (region !== undefined && amount % 3 === 0) bench.attempt({ ...region, labor: 1 + (amount % 7) / 10 });
  },
];
