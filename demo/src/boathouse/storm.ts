import type { Feet, Place } from './building.ts';

/** A manhole or the outfall of the storm drain, with what stands in the profile. */
export interface Structure {
  readonly tag: string;
  readonly at: Place;
  /** Elevations, feet. */
  readonly rim: number;
  readonly invert: number;
}

export const STRUCTURES: readonly Structure[] = [
  { tag: 'MH-1', at: [90, 40], rim: 13.4, invert: 8.1 },
  { tag: 'MH-2', at: [230, 50], rim: 12.1, invert: 6.9 },
  { tag: 'MH-3', at: [330, 120], rim: 10.6, invert: 5.4 },
  { tag: 'OUT-1', at: [470, 150], rim: 5.2, invert: 4.2 },
];

export interface StormRun {
  readonly name: string;
  readonly from: Structure;
  readonly to: Structure;
  readonly insideIn: number;
}

const structure = (index: number): Structure => {
  const found = STRUCTURES[index];
  if (found === undefined) throw new Error(`structure: there is no structure ${index}`);
  return found;
};

/** Three runs of pipe, one after the other; the last is larger. */
export const STORM_RUNS: readonly StormRun[] = [15, 15, 18].map((insideIn, i) => ({
  name: `P-${i + 1}`,
  from: structure(i),
  to: structure(i + 1),
  insideIn,
}));

export const planLength = ({ from, to }: StormRun): Feet =>
  Math.hypot(to.at[0] - from.at[0], to.at[1] - from.at[1]);

/** Length down the slope of the inverts. */
export const slopeLength = (run: StormRun): Feet =>
  Math.hypot(planLength(run), run.from.invert - run.to.invert);
