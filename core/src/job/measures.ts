import { AREA, type Dimension, LENGTH, NUMBER } from '../units/dimension.ts';

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

/** Properties that measures and pens read: what they are is known, whoever gives them. */
const PROPERTY_DIMENSION: ReadonlyMap<string, Dimension> = new Map([
  ['height', LENGTH],
  ['depth', LENGTH],
  ['thickness', LENGTH],
  ['width', LENGTH],
]);

/** What a property of this key must be; undefined where it may be anything. */
export const propertyDimension = (key: string): Dimension | undefined => PROPERTY_DIMENSION.get(key);

export const isMeasure = (name: string): name is Measure => Object.hasOwn(MEASURE_DIMENSION, name);
