import {
  type DerivedMeasure,
  JUNCTION_MEASURES,
  type MarkMeasure,
  type Measure,
  OPENING_MEASURES,
} from './measures.ts';

export const MARK_KINDS = ['run', 'area', 'count', 'slope'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** All that tells one kind of mark from another; beside it a kind has its pen and nothing else. */
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
