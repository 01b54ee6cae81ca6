import { AREA, type Dimension, LENGTH, NUMBER } from '../units/dimension.ts';

export type MarkKind = 'run' | 'area' | 'count';

/** Measures that add up over the marks of a scope. */
export type MarkMeasure = 'length' | 'area' | 'perimeter' | 'count';
/** Measures that only exist for the scope as a whole, from how its runs meet. */
export type JunctionMeasure = 'ends' | 'corners' | 'tees' | 'crossings';
export type Measure = MarkMeasure | JunctionMeasure;

export const MEASURE_DIMENSION: Readonly<Record<Measure, Dimension>> = {
  length: LENGTH,
  area: AREA,
  perimeter: LENGTH,
  count: NUMBER,
  ends: NUMBER,
  corners: NUMBER,
  tees: NUMBER,
  crossings: NUMBER,
};

export const JUNCTION_MEASURES: readonly JunctionMeasure[] = ['ends', 'corners', 'tees', 'crossings'];

export const MARK_MEASURES: Readonly<Record<MarkKind, readonly MarkMeasure[]>> = {
  run: ['length', 'count'],
  area: ['area', 'perimeter', 'count'],
  count: ['count'],
};

/** What a scope of the kind can be asked for, the leading figure first. */
export const measuresOf = (kind: MarkKind): readonly Measure[] =>
  kind === 'run' ? [...MARK_MEASURES.run, ...JUNCTION_MEASURES] : MARK_MEASURES[kind];

/** The figure a scope of the kind is known by. */
export const leadingMeasure = (kind: MarkKind): MarkMeasure =>
  kind === 'run' ? 'length' : kind === 'area' ? 'area' : 'count';

export const isMeasure = (name: string): name is Measure => name in MEASURE_DIMENSION;
