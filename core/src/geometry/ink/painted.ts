import { type Bounds } from '../bounds.ts';

/** 0xrrggbb. */
export type Color = number;
export const PAPER: Color = 0xffffff;

/** Part of a path, drawn without lifting the pen: x, y … in sheet points. */
export interface Subpath {
  readonly at: readonly number[];
  /** Vertices within a curve, by their number: nobody turned there. */
  readonly bends: ReadonlySet<number>;
  readonly closed: boolean;
}

/** A region that what is painted is cut to. */
export interface Clip {
  readonly rings: readonly (readonly number[])[];
  readonly evenOdd: boolean;
  readonly bounds: Bounds;
}

export interface Stroke {
  readonly widthPt: number;
  readonly color: Color;
  /** How far a stroke goes beyond its ends. */
  readonly capPt: number;
  readonly dashed: boolean;
}

export interface Fill {
  readonly color: Color;
  readonly evenOdd: boolean;
  /** What shines through hides nothing. */
  readonly opaque: boolean;
}

/** One path as it was painted; later ones lie over earlier ones. */
export interface PaintedPath {
  readonly subpaths: readonly Subpath[];
  readonly stroke: Stroke | undefined;
  readonly fill: Fill | undefined;
  readonly clips: readonly Clip[];
}

export const EVERYWHERE: Bounds = { minX: -Infinity, minY: -Infinity, maxX: Infinity, maxY: Infinity };

/** The box of points given as x, y … */
export function boundsOfFlat(at: readonly number[]): Bounds {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i + 1 < at.length; i += 2) {
    const [x, y] = [at[i] as number, at[i + 1] as number];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return { minX, minY, maxX, maxY };
}

export const boundsOfPath = ({ subpaths }: PaintedPath): Bounds => {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { at } of subpaths) {
    const box = boundsOfFlat(at);
    minX = Math.min(minX, box.minX);
    minY = Math.min(minY, box.minY);
    maxX = Math.max(maxX, box.maxX);
    maxY = Math.max(maxY, box.maxY);
  }
  return { minX, minY, maxX, maxY };
};

/** What both boxes hold; its least may lie beyond its most where they do not meet. */
export const commonBounds = (a: Bounds, b: Bounds): Bounds => ({
  minX: Math.max(a.minX, b.minX),
  minY: Math.max(a.minY, b.minY),
  maxX: Math.min(a.maxX, b.maxX),
  maxY: Math.min(a.maxY, b.maxY),
});

/** A channel that differs by no more than this is the same ink to the eye. */
const SAME_CHANNEL = 10;

export const looksAlike = (a: Color, b: Color): boolean =>
  Math.abs((a >> 16) - (b >> 16)) <= SAME_CHANNEL &&
  Math.abs(((a >> 8) & 255) - ((b >> 8) & 255)) <= SAME_CHANNEL &&
  Math.abs((a & 255) - (b & 255)) <= SAME_CHANNEL;

export const brightness = (color: Color): number => (color >> 16) + ((color >> 8) & 255) + (color & 255);

/** Whether a place lies within closed rings given as x, y …, by either rule of filling. */
export function ringsHold(
  rings: readonly (readonly number[])[],
  evenOdd: boolean,
  x: number,
  y: number,
): boolean {
  let winding = 0;
  let crossings = 0;
  for (const ring of rings) {
    const count = ring.length;
    let ax = ring[count - 2] as number;
    let ay = ring[count - 1] as number;
    for (let i = 0; i < count; i += 2) {
      const bx = ring[i] as number;
      const by = ring[i + 1] as number;
      if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) {
        crossings += 1;
        winding += by > ay ? 1 : -1;
      }
      ax = bx;
      ay = by;
    }
  }
  return evenOdd ? crossings % 2 === 1 : winding !== 0;
}

export const boxHolds = ({ minX, minY, maxX, maxY }: Bounds, x: number, y: number): boolean =>
  x >= minX && x <= maxX && y >= minY && y <= maxY;

export const clipsHold = (clips: readonly Clip[], x: number, y: number): boolean =>
  clips.every(({ rings, evenOdd, bounds }) => boxHolds(bounds, x, y) && ringsHold(rings, evenOdd, x, y));
