import type { Feet, Place } from './building.ts';

/**
 * The site in feet, x to the east from its west corner, y to the south. The two grading plans share
 * the match line; the east one was drawn turned a little.
 */
export const SITE_WIDTH: Feet = 900;
export const SITE_DEPTH: Feet = 360;
export const MATCH_X: Feet = 450;
/** The east sheet's drawing is turned by this, clockwise as seen. */
export const EAST_TURN_DEG = 1.3;

/** Center line of the creek road, across the match line. */
export const ROAD: readonly Place[] = [
  [20, 190],
  [190, 150],
  [380, 178],
  [560, 232],
  [720, 214],
  [880, 246],
];
export const ROAD_WIDTH: Feet = 24;

/** A footpath from the road to the creek, and along it. */
export const PATH: readonly Place[] = [
  [300, 166],
  [320, 250],
  [450, 300],
  [640, 312],
];

export interface PadSite {
  readonly number: string;
  readonly name: string;
  readonly corner: Place;
  readonly width: Feet;
  readonly depth: Feet;
  /** Finish elevation, feet. */
  readonly elevation: number;
}

export const PAD_SITES: readonly PadSite[] = [
  { number: '1', name: 'Boathouse', corner: [350, 24], width: 62, depth: 82, elevation: 9.5 },
  { number: '2', name: 'Trailer court', corner: [90, 40], width: 120, depth: 60, elevation: 11 },
  { number: '3', name: 'Car park', corner: [560, 60], width: 150, depth: 90, elevation: 10.2 },
  { number: '4', name: 'Workshop yard', corner: [760, 110], width: 80, depth: 60, elevation: 12.4 },
];

/** A contour as a chain of places, by its elevation; design contours run smoother. */
export function contour(elevation: number, design: boolean): readonly Place[] {
  const base = 345 - (elevation - 3) * 21;
  const amplitude = design ? 5 : 13;
  return Array.from({ length: SITE_WIDTH / 10 + 1 }, (_, i): Place => {
    const x = i * 10;
    const wave = Math.sin(x / 75 + elevation * 0.8) + 0.4 * Math.sin(x / 31 + elevation);
    return [x, base + amplitude * wave + (design ? 6 : 0)];
  });
}

export const ELEVATIONS: readonly number[] = Array.from({ length: 16 }, (_, i) => i + 3);

export const roadLength = ROAD.reduce((sum, [x, y], i) => {
  const before = ROAD[i - 1];
  return before === undefined ? 0 : sum + Math.hypot(x - before[0], y - before[1]);
}, 0);
