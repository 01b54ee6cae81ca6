import type { Failure } from '../graph/failure.ts';
import { type Compute, type Rule, sumOf } from '../graph/graph.ts';
import { type Chain, type Junctions, findJunctions } from '../geometry/junctions.ts';
import type { Point } from '../geometry/point.ts';
import { remember } from '../job/remember.ts';
import type { Job } from '../job/job.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Opening } from '../job/records/opening.ts';
import type { PieceRecord } from '../job/records/piece.ts';
import type { DeductRule, Scope } from '../job/records/scope.ts';
import { measurerOf } from '../takeoff/measureMark.ts';
import { parsePitch } from '../takeoff/roof.ts';
import { scaleOfMark } from '../takeoff/scaleAt.ts';
import { SHARED_EDGES, sharedLengths } from '../takeoff/sharedEdges.ts';
import {
  JUNCTION_MEASURES,
  type JunctionMeasure,
  MARK_MEASURES,
  MEASURE_DIMENSION,
  type MarkKind,
  type MarkMeasure,
  OPENING_MEASURES,
  leadingMeasure,
} from '../takeoff/measures.ts';
import type { Definitions } from './define.ts';
import { defineDerived } from './defineDerived.ts';
import { compileValue, ruleOf } from './names.ts';
import { OPENING_SIZES, type ScopeNames } from './scopeNames.ts';
import { hasOwnNode, nodeOfMark } from './nodeOfMark.ts';
import {
  markNode,
  measuredNode,
  measureNode,
  openingNode,
  pieceNode,
  propertyNode,
  sharedNode,
  totalNode,
} from './nodes.ts';

const failed = (failure: Failure): Rule => ({ kind: 'value', value: 0, failure });
const valued = (value: number): Rule => ({ kind: 'value', value });

/** A run or an area is one mark: only points have a count of their own to add up. */
const ownMeasures = (kind: MarkKind): readonly MarkMeasure[] =>
  MARK_MEASURES[kind].filter((measure) => measure !== 'count' || kind === 'count');

/** How often a mark counts: its own times, those of the level it is on, and those of its zone. */
export function repeatOf(job: Job, mark: Mark): number {
  const levelId = job.sheet.get(mark.sheetId)?.levelId;
  const level = levelId === undefined ? undefined : job.level.get(levelId);
  const zone = mark.zoneId === undefined ? undefined : job.zone.get(mark.zoneId);
  return (mark.repeat ?? 1) * (level?.repeat ?? 1) * (zone?.repeat ?? 1);
}

/** A mark's own figures, times what it counts. Without a scale they are unknown, save the count. */
export function defineMark(job: Job, mark: Mark, openings: readonly Opening[]): Definitions {
  const scale = scaleOfMark(job, mark);
  const times = repeatOf(job, mark);
  const measured = measurerOf(mark, scale);
  const kept = ownMeasures(mark.kind).filter((measure) => hasOwnNode(mark, measure));
  const own: Definitions = kept.map((measure) => {
    const value = measured(measure);
    const node = markNode(mark.id, measure);
    if (value !== undefined) return [node, valued(value * times)];
    const pitch = mark.slope?.pitch ?? '';
    const unread = scale !== undefined && mark.kind === 'slope' && parsePitch(pitch) === undefined;
    return [node, failed(unread ? { kind: 'no-pitch', pitch } : { kind: 'no-scale', sheetId: mark.sheetId })];
  });
  return openings.length === 0 ? own : [...own, ...defineOpenings(job, mark, openings, times)];
}

const deducts = (rule: DeductRule, { widthM, heightM }: Opening): boolean =>
  rule.rule === 'all' || (rule.rule === 'above' && widthM * heightM > rule.areaM2);

/** Gross and deducted openings of a mark are kept apart: the rule is the scope's. */
function defineOpenings(job: Job, mark: Mark, openings: readonly Opening[], times: number): Definitions {
  const rule = job.scope.get(mark.scopeId)?.deduct ?? { rule: 'all' };
  const sum = (figure: (opening: Opening) => number, of = openings): number =>
    of.reduce((total, opening) => total + figure(opening), 0) * times;
  const deducted = openings.filter((opening) => deducts(rule, opening));
  const width = ({ widthM }: Opening): number => widthM;
  const area = ({ widthM, heightM }: Opening): number => widthM * heightM;
  const figures: Readonly<Record<(typeof OPENING_MEASURES)[number], number>> = {
    openings: openings.length * times,
    openings_width: sum(width),
    openings_area: sum(area),
    deducted_width: sum(width, deducted),
    deducted_area: sum(area, deducted),
  };
  return OPENING_MEASURES.map((measure) => [markNode(mark.id, measure), valued(figures[measure])]);
}

/** What a scope's measures are added up from. */
export interface Measured {
  readonly marks: readonly Mark[];
  /** Marks of the scope that hold openings. */
  readonly opened: ReadonlySet<string>;
  /** Openings anywhere that are counted by this scope. */
  readonly counted: readonly Opening[];
  readonly pieces: readonly PieceRecord[];
  /** Marks of the scopes its runs meet. */
  readonly met: Met;
}

/** A scope's measures: sums over its marks and typed pieces, how its runs meet, and what follows. */
export function defineMeasures(job: Job, scope: Scope, measured: Measured, names: ScopeNames): Definitions {
  const shared = scope.kind === 'slope' ? defineShared(job, scope, measured.marks) : [];
  const { marks: drawn, counted, pieces } = measured;
  const own = [
    [measuredNode(scope.id), valued(drawn.length + counted.length + pieces.length > 0 ? 1 : 0)] as const,
    ...shared,
    ...defineSums(scope, measured, new Set(shared.map(([node]) => node))),
    ...definePieces(scope, measured.pieces, names),
    ...defineHosted(job, measured.counted),
  ];
  if (scope.kind === 'count') return [...own, ...defineCountTotals(job, scope, measured)];
  const { marks } = measured;
  const opened = marks.filter(({ id }) => measured.opened.has(id));
  const openings: Definitions = OPENING_MEASURES.map((measure) => [
    measureNode(scope.id, measure),
    withBrought(
      opened.map(({ id }) => markNode(id, measure)),
      broughtBy(measured.pieces, measure),
    ),
  ]);
  // A typed piece is one run or one area, as a drawn mark is: a conduit typed in has its two ends too.
  const typed = measured.pieces.reduce((sum, { also }) => sum + (also?.['count'] ?? 1), 0);
  const count = marks.reduce((sum, mark) => sum + repeatOf(job, mark), typed);
  return [
    ...own,
    [measureNode(scope.id, 'count'), valued(count)],
    ...openings,
    ...defineDerived(scope),
    ...(scope.kind === 'run' ? defineJunctions(scope, measured, names) : []),
  ];
}

/**
 * A property over all of a count: so often as it is drawn or typed. Openings in walls bring a width and
 * a height of their own.
 */
function defineCountTotals(job: Job, scope: Scope, { marks, counted, pieces }: Measured): Definitions {
  const keys = new Set([...scope.properties.map(({ key }) => key), ...OPENING_SIZES]);
  const drawn = [...marks.map(({ id }) => markNode(id, 'count')), ...pieces.map(({ id }) => pieceNode(id))];
  const times = counted.map((opening) => {
    const host = job.mark.get(opening.markId);
    return { opening, times: host === undefined ? 1 : repeatOf(job, host) };
  });
  return [...keys].map((key) => {
    const sized = key === 'width' || key === 'height';
    const sizes = sized
      ? times.reduce(
          (sum, each) => sum + each.times * (key === 'width' ? each.opening.widthM : each.opening.heightM),
          0,
        )
      : 0;
    const hosted = sized ? 0 : times.reduce((sum, each) => sum + each.times, 0);
    const node = totalNode(scope.id, key);
    if (scope.properties.every((property) => property.key !== key)) return [node, valued(sizes)];
    const inputs = [propertyNode(scope.id, key), ...drawn];
    return [
      node,
      {
        kind: 'compute',
        inputs,
        run: (values, at) => {
          let count = hosted;
          for (let slot = 1; slot < at.length; slot += 1) count += values[at[slot] as number] as number;
          return (values[at[0] as number] as number) * count + sizes;
        },
      },
    ];
  });
}

/** What ridges, hips and valleys are counted twice by, where two slopes of the roof meet. */
function defineShared(job: Job, scope: Scope, marks: readonly Mark[]): Definitions {
  const parts = marks.map((mark) => ({ mark, scale: scaleOfMark(job, mark), times: repeatOf(job, mark) }));
  const lengths = sharedLengths(parts);
  return SHARED_EDGES.map((edge) => [sharedNode(scope.id, edge), valued(-lengths[edge])]);
}

function defineSums(
  scope: Scope,
  { marks, counted, pieces }: Measured,
  shared: ReadonlySet<string>,
): Definitions {
  const leading = leadingMeasure(scope.kind);
  const typed = pieces.map(({ id }) => pieceNode(id));
  return ownMeasures(scope.kind).map((measure) => {
    const drawn = marks.map((mark) => nodeOfMark(mark, measure)).filter((node) => node !== undefined);
    const hosted = measure === 'count' ? counted.map(({ id }) => openingNode(id)) : [];
    const also = measure === leading || measure === 'plan_length' ? typed : [];
    const once = sharedNode(scope.id, measure);
    const inputs = [...drawn, ...hosted, ...also, ...(shared.has(once) ? [once] : [])];
    const brought = also.length > 0 || measure === 'count' ? 0 : broughtBy(pieces, measure);
    return [measureNode(scope.id, measure), withBrought(inputs, brought)];
  });
}

/** What typed pieces say of a measure besides the figure they are typed with, in SI. */
const broughtBy = (pieces: readonly PieceRecord[], measure: string): number =>
  pieces.reduce((sum, { also }) => sum + (also?.[measure] ?? 0), 0);

const withBrought = (inputs: readonly string[], brought: number): Rule => {
  const run: Compute = brought === 0 ? sumOf : (values, at) => sumOf(values, at) + brought;
  return { kind: 'compute', inputs, run };
};

/** An opening counts as often as its host does. */
function defineHosted(job: Job, counted: readonly Opening[]): Definitions {
  return counted.map((opening) => {
    const host = job.mark.get(opening.markId);
    return [openingNode(opening.id), valued(host === undefined ? 1 : repeatOf(job, host))];
  });
}

function definePieces(scope: Scope, pieces: readonly PieceRecord[], scopeNames: ScopeNames): Definitions {
  const wanted = MEASURE_DIMENSION[leadingMeasure(scope.kind)];
  const names = scopeNames.jobNames();
  return pieces.map(({ id, text, unit }) => {
    const node = pieceNode(id);
    return [node, ruleOf(node, compileValue(text, unit, names, wanted), names)];
  });
}

/** Runs on one sheet that count equally often meet each other; others do not. */
interface Together {
  readonly times: number;
  readonly sheetId: string;
  readonly chains: Chain[];
}

/** How thick what a scope measures is, in meters; 0 where it says nothing, or says it by a formula. */
function thicknessOf(scope: Scope | undefined, names: ScopeNames): number {
  if (scope === undefined || !scope.properties.some(({ key }) => key === 'thickness')) return 0;
  const value = names.property(scope, 'thickness');
  return value.kind === 'constant' ? Math.max(0, value.value) : 0;
}

/** The strokes of a mark with how thick they are at its scale. */
function chainsOf(job: Job, mark: Mark, thicknessM: number): readonly Chain[] {
  const scale = thicknessM === 0 ? undefined : scaleOfMark(job, mark);
  const widthPt =
    scale === undefined ? 0 : thicknessM / Math.min(scale.xMetersPerPoint, scale.yMetersPerPoint);
  return mark.strokes.map((path) => ({ path, widthPt }));
}

function groupChains(job: Job, marks: readonly Mark[], thicknessM: number): Iterable<Together> {
  const groups = new Map<string, Together>();
  for (const mark of marks) {
    const times = repeatOf(job, mark);
    const key = `${mark.sheetId} ${times}`;
    const group = groups.get(key) ?? { times, sheetId: mark.sheetId, chains: [] };
    group.chains.push(...chainsOf(job, mark, thicknessM));
    groups.set(key, group);
  }
  return groups.values();
}

/** Marks of other scopes that a scope's runs meet, by sheet. */
export type Met = ReadonlyMap<string, readonly Mark[]>;

/** Points of all counts by sheet: boxes and fixtures, into which a run goes without a bend. */
const stopsBySheet = remember((marks: Job['mark']): ReadonlyMap<string, readonly Point[]> => {
  const stops = new Map<string, Point[]>();
  for (const { kind, sheetId, strokes } of marks.values()) {
    if (kind !== 'count') continue;
    const there = stops.get(sheetId) ?? [];
    for (const stroke of strokes) there.push(...stroke);
    stops.set(sheetId, there);
  }
  return stops;
});

/** Where the runs of a scope end and meet, in sheet points: a group for each sheet and times. */
function junctionsOf(
  names: ScopeNames,
  scope: Scope,
  marks: readonly Mark[],
  met: Met,
): readonly { readonly times: number; readonly found: Junctions }[] {
  const { job } = names;
  return [...groupChains(job, marks, thicknessOf(scope, names))].map(({ times, sheetId, chains }) => {
    const others = (met.get(sheetId) ?? []).flatMap((mark) =>
      chainsOf(job, mark, thicknessOf(job.scope.get(mark.scopeId), names)),
    );
    return { times, found: findJunctions(chains, others, stopsBySheet(job.mark).get(sheetId)) };
  });
}

/** The same on one sheet. */
export const junctionsOnSheet = (
  names: ScopeNames,
  scope: Scope,
  marks: readonly Mark[],
  met: Met,
  sheetId: string,
): readonly Junctions[] =>
  junctionsOf(
    names,
    scope,
    marks.filter((mark) => mark.sheetId === sheetId),
    met,
  ).map(({ found }) => found);

function defineJunctions(scope: Scope, { marks, pieces, met }: Measured, names: ScopeNames): Definitions {
  let found: Readonly<Record<JunctionMeasure, number>> | undefined;
  const find = (): Readonly<Record<JunctionMeasure, number>> => {
    const totals = { ends: 0, corners: 0, tees: 0, crossings: 0, bends: 0 };
    for (const { times, found: junctions } of junctionsOf(names, scope, marks, met))
      for (const measure of JUNCTION_MEASURES) totals[measure] += junctions[measure].length * times;
    return totals;
  };
  return JUNCTION_MEASURES.map((measure) => [
    measureNode(scope.id, measure),
    { kind: 'when-asked', value: () => (found ??= find())[measure] + broughtBy(pieces, measure) },
  ]);
}
