import { type Place, box } from './building.ts';

/** A beam under the upper floor along its center line, and the slabs that rest on it (inches). */
export interface Beam {
  readonly tag: string;
  readonly from: Place;
  readonly to: Place;
  readonly widthIn: number;
  readonly depthIn: number;
  /** Slab thickness on either side; 0 where there is none. */
  readonly slabLeftIn: number;
  readonly slabRightIn: number;
  readonly bars: string;
}

const beam = (
  tag: string,
  from: Place,
  to: Place,
  [widthIn, depthIn]: readonly [number, number],
  [slabLeftIn, slabRightIn]: readonly [number, number],
  bars: string,
): Beam => ({ tag, from, to, widthIn, depthIn, slabLeftIn, slabRightIn, bars });

export const BEAMS: readonly Beam[] = [
  beam('B-1', [62, 28], [124, 28], [14, 24], [6, 6], '3 No.7 bottom, 2 No.6 top'),
  beam('B-2', [88, 0], [88, 28], [12, 20], [6, 8], '2 No.7 bottom, 2 No.5 top'),
  beam('B-3', [88, 28], [88, 56], [12, 20], [6, 8], '2 No.7 bottom, 2 No.5 top'),
  beam('B-4', [62, 56], [124, 56], [14, 28], [6, 6], '4 No.7 bottom, 2 No.6 top'),
  beam('B-5', [104, 28], [104, 56], [10, 18], [8, 8], '2 No.6 bottom, 2 No.5 top'),
  beam('B-6', [62, 0], [124, 0], [12, 24], [0, 6], '3 No.6 bottom, 2 No.5 top'),
];

/** Suspended slabs: 6 in west of grid 4, 8 in east of it, with the stair left out. */
export const SUSPENDED = [
  { name: 'S-6', thicknessIn: 6, ring: box(62, 0, 88, 56) },
  { name: 'S-8', thicknessIn: 8, ring: box(88, 0, 124, 56) },
] as const;

/** The slab with the stair opening. */
export const STAIR_IN = 'S-8';
