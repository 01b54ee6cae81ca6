import { createChance } from '@zest/core/testing/job';
import type { SnapIndex } from '@zest/core/geometry/snap';
import { MM } from './plan.ts';
import type { StrangerSheet } from './sheets.ts';

export interface SnapRate {
  readonly asked: number;
  /** Drawn to within 0.2 mm of the corner. */
  readonly found: number;
  /** Drawn to something farther than 1 mm from it. */
  readonly astray: number;
  /** Places on bare floor that were drawn to something. */
  readonly caught: number;
  readonly floor: number;
}

const FOUND_PT = 0.2 * MM;
const ASTRAY_PT = 1 * MM;
/** How far off a corner a hand clicks at most: two pixels where a room fills the screen. */
const HAND_PT = 0.45 * MM;
const REACH_PT = 6;
const TRIES = 3;

/** Asks for every corner of a sheet from a little off it, and for every bare place where it is. */
export function snapRate(index: SnapIndex, { corners, floor }: StrangerSheet): SnapRate {
  const chance = createChance(77);
  let [asked, found, astray] = [0, 0, 0];
  for (const [x, y] of corners)
    for (let i = 0; i < TRIES; i += 1) {
      const [turn, off] = [2 * Math.PI * chance(), HAND_PT * chance()];
      const at = { x: x + off * Math.cos(turn), y: y + off * Math.sin(turn) };
      const [snap] = index.find(at, REACH_PT, undefined);
      const away = snap === undefined ? Infinity : Math.hypot(snap.at.x - x, snap.at.y - y);
      asked += 1;
      if (away <= FOUND_PT) found += 1;
      else if (away < Infinity && away > ASTRAY_PT) astray += 1;
    }
  const caught = floor.filter(([x, y]) => index.find({ x, y }, REACH_PT, undefined).length > 0).length;
  return { asked, found, astray, caught, floor: floor.length };
}

export const addRates = (rates: readonly SnapRate[]): SnapRate =>
  rates.reduce((sum, each) => ({
    asked: sum.asked + each.asked,
    found: sum.found + each.found,
    astray: sum.astray + each.astray,
    caught: sum.caught + each.caught,
    floor: sum.floor + each.floor,
  }));
