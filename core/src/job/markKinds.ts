import {
  type DerivedMeasure,
  JUNCTION_MEASURES,
  type MarkMeasure,
  type Measure,
  OPENING_MEASURES,
} from './measures.ts';

export const MARK_KINDS = ['run', 'area', 'count', 'slope'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** All that tells one kind of mark from another; beside it a kind has its tool and its words. */
export interface MarkKindOf {
  /** What its strokes are: chains with two ends, rings, or points by themselves. */
  readonly shape: 'chain' | 'ring' | 'points';
  /** The least points of a stroke that is something. */
  readonly leastPoints: number;
  /** The figure it is known by. */
  readonly leading: MarkMeasure;
  /** Measures that add up over the marks of a scope. */
  readonly measures: readonly MarkMeasure[];
  /** Measures worked out from a scope's other measures; those that need a property name it. */
  readonly derived: readonly (readonly [measure: DerivedMeasure, property: string | undefined])[];
  /** Measures that an assembly inside another reads as the amount it is given. */
  readonly amounts: readonly Measure[];
  /** Marks of a scope meet each other: in corners and tees, or along edges that two of them share. */
  readonly meets: 'junctions' | 'edges' | undefined;
  /** Openings may sit in it. */
  readonly holdsOpenings: boolean;
  /** What lies over what on a sheet, from below: counts are not to vanish under areas. */
  readonly layer: 0 | 1 | 2;
  /** What several are called in files that people fill in. */
  readonly inFiles: string;
}

/** The kinds of marks there are. A new one stands here, and has a pen in the app. */
export const MARK_KIND: Readonly<Record<MarkKind, MarkKindOf>> = {
  run: {
    shape: 'chain',
    leastPoints: 2,
    leading: 'length',
    measures: ['length', 'plan_length', 'rises', 'turning', 'count'],
    derived: [
      ['net_length', undefined],
      ['center_length', undefined],
      ['left_length', undefined],
      ['right_length', undefined],
      ['wall_area', 'height'],
      ['net_wall_area', 'height'],
    ],
    amounts: ['length', 'plan_length', 'net_length', 'center_length'],
    meets: 'junctions',
    holdsOpenings: true,
    layer: 1,
    inFiles: 'runs',
  },
  area: {
    shape: 'ring',
    leastPoints: 3,
    leading: 'area',
    measures: ['area', 'perimeter', 'count'],
    derived: [
      ['net_area', undefined],
      ['volume', 'depth'],
    ],
    amounts: ['area', 'net_area'],
    meets: undefined,
    holdsOpenings: true,
    layer: 0,
    inFiles: 'areas',
  },
  count: {
    shape: 'points',
    leastPoints: 1,
    leading: 'count',
    measures: ['count'],
    derived: [],
    amounts: ['count'],
    meets: undefined,
    holdsOpenings: false,
    layer: 2,
    inFiles: 'counts',
  },
  slope: {
    shape: 'ring',
    leastPoints: 3,
    leading: 'slope_area',
    measures: ['slope_area', 'area', 'perimeter', 'eave', 'rake', 'ridge', 'hip', 'valley', 'wall', 'count'],
    derived: [['net_area', undefined]],
    amounts: ['slope_area', 'net_area'],
    meets: 'edges',
    holdsOpenings: true,
    layer: 0,
    inFiles: 'roof slopes',
  },
};

/** A ring comes back to where it began. */
export const isRing = (kind: MarkKind): boolean => MARK_KIND[kind].shape === 'ring';
/** Points stand by themselves: nothing is drawn between them. */
export const isPoints = (kind: MarkKind): boolean => MARK_KIND[kind].shape === 'points';

/** The figure a scope of the kind is known by. */
export const leadingMeasure = (kind: MarkKind): MarkMeasure => MARK_KIND[kind].leading;

/** What a scope of the kind can be asked for, the leading figure first. */
export function measuresOf(kind: MarkKind): readonly Measure[] {
  const { measures, derived, meets, holdsOpenings } = MARK_KIND[kind];
  return [
    ...measures.filter((measure) => measure !== 'turning'),
    ...(meets === 'junctions' ? JUNCTION_MEASURES : []),
    ...(holdsOpenings ? OPENING_MEASURES : []),
    ...derived.map(([measure]) => measure),
  ];
}
