import { AREA, type Dimension, LENGTH, NUMBER } from '../units/dimension.ts';

export const MARK_KINDS = ['run', 'area', 'count', 'slope'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** Measures that add up over the marks of a scope. `turning` is what moves a length to another face. */
export type MarkMeasure =
  | 'length'
  | 'plan_length'
  | 'rises'
  | 'turning'
  | 'area'
  | 'perimeter'
  | 'count'
  | 'slope_area'
  | 'eave'
  | 'rake'
  | 'ridge'
  | 'hip'
  | 'valley'
  | 'wall'
  | 'openings'
  | 'openings_width'
  | 'openings_area'
  | 'deducted_width'
  | 'deducted_area';
/** Measures that only exist for the scope as a whole: from how its runs meet, or from its other measures. */
export type JunctionMeasure = 'ends' | 'corners' | 'tees' | 'crossings' | 'bends';
export type DerivedMeasure =
  | 'net_length'
  | 'center_length'
  | 'left_length'
  | 'right_length'
  | 'wall_area'
  | 'net_wall_area'
  | 'net_area'
  | 'volume';
export type Measure = MarkMeasure | JunctionMeasure | DerivedMeasure;

const VOLUME_DIMENSION: Dimension = { ...AREA, length: 3 };

export const MEASURE_DIMENSION: Readonly<Record<Measure, Dimension>> = {
  length: LENGTH,
  plan_length: LENGTH,
  rises: LENGTH,
  turning: NUMBER,
  area: AREA,
  perimeter: LENGTH,
  count: NUMBER,
  slope_area: AREA,
  eave: LENGTH,
  rake: LENGTH,
  ridge: LENGTH,
  hip: LENGTH,
  valley: LENGTH,
  wall: LENGTH,
  openings: NUMBER,
  openings_width: LENGTH,
  openings_area: AREA,
  deducted_width: LENGTH,
  deducted_area: AREA,
  ends: NUMBER,
  corners: NUMBER,
  tees: NUMBER,
  crossings: NUMBER,
  bends: NUMBER,
  net_length: LENGTH,
  center_length: LENGTH,
  left_length: LENGTH,
  right_length: LENGTH,
  wall_area: AREA,
  net_wall_area: AREA,
  net_area: AREA,
  volume: VOLUME_DIMENSION,
};

export const JUNCTION_MEASURES: readonly JunctionMeasure[] = [
  'ends',
  'corners',
  'tees',
  'crossings',
  'bends',
];
const JUNCTIONS = new Set<string>(JUNCTION_MEASURES);

/** Measures of how all runs of a scope meet: no part of it has one of its own. */
export const isJunction = (measure: string): boolean => JUNCTIONS.has(measure);
export const OPENING_MEASURES = [
  'openings',
  'openings_width',
  'openings_area',
  'deducted_width',
  'deducted_area',
] as const satisfies readonly MarkMeasure[];

export const MARK_MEASURES: Readonly<Record<MarkKind, readonly MarkMeasure[]>> = {
  run: ['length', 'plan_length', 'rises', 'turning', 'count'],
  area: ['area', 'perimeter', 'count'],
  count: ['count'],
  slope: ['slope_area', 'area', 'perimeter', 'eave', 'rake', 'ridge', 'hip', 'valley', 'wall', 'count'],
};

/** Measures worked out from a scope's other measures; those that need a property name it. */
export const DERIVED_MEASURES: Readonly<
  Record<MarkKind, readonly (readonly [measure: DerivedMeasure, property: string | undefined])[]>
> = {
  run: [
    ['net_length', undefined],
    ['center_length', undefined],
    ['left_length', undefined],
    ['right_length', undefined],
    ['wall_area', 'height'],
    ['net_wall_area', 'height'],
  ],
  area: [
    ['net_area', undefined],
    ['volume', 'depth'],
  ],
  count: [],
  slope: [['net_area', undefined]],
};

/** What a scope of the kind can be asked for, the leading figure first. */
export function measuresOf(kind: MarkKind): readonly Measure[] {
  const shown = MARK_MEASURES[kind].filter((measure) => measure !== 'turning');
  const derived = DERIVED_MEASURES[kind].map(([measure]) => measure);
  if (kind === 'count') return shown;
  return [...shown, ...(kind === 'run' ? JUNCTION_MEASURES : []), ...OPENING_MEASURES, ...derived];
}

/** Properties that measures and pens read: what they are is known, whoever gives them. */
const PROPERTY_DIMENSION: ReadonlyMap<string, Dimension> = new Map([
  ['height', LENGTH],
  ['depth', LENGTH],
  ['thickness', LENGTH],
  ['width', LENGTH],
]);

/** What a property of this key must be; undefined where it may be anything. */
export const propertyDimension = (key: string): Dimension | undefined => PROPERTY_DIMENSION.get(key);

const LEADING: Readonly<Record<MarkKind, MarkMeasure>> = {
  run: 'length',
  area: 'area',
  count: 'count',
  slope: 'slope_area',
};

/** The figure a scope of the kind is known by. */
export const leadingMeasure = (kind: MarkKind): MarkMeasure => LEADING[kind];

export const isMeasure = (name: string): name is Measure => Object.hasOwn(MEASURE_DIMENSION, name);
