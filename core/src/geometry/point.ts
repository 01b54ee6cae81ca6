/** A place on a plane. On a sheet: 1/72 in from the top left corner of the page as shown, y downward. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export const point = (x: number, y: number): Point => ({ x, y });

export const subtract = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });

export const translate = (a: Point, by: Point): Point => ({ x: a.x + by.x, y: a.y + by.y });

export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

export const interpolate = (a: Point, b: Point, t: number): Point => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});

/** The place on the segment a–b nearest to p, with its parameter from 0 at a to 1 at b. */
export function nearestOnSegment(p: Point, a: Point, b: Point): { readonly at: Point; readonly t: number } {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const squared = dx * dx + dy * dy;
  if (squared === 0) return { at: a, t: 0 };
  const t = Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / squared));
  return { at: interpolate(a, b, t), t };
}
