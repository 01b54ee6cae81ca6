import type { Point } from './point.ts';

/** x' = a·x + c·y + e, y' = b·x + d·y + f: the order of ISO 32000, 8.3.3. */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Affine = [1, 0, 0, 1, 0, 0];

export const applyAffine = ([a, b, c, d, e, f]: Affine, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});

/** The inner one first, then the outer. */
export function composeAffine(outer: Affine, inner: Affine): Affine {
  const [a, b, c, d, e, f] = inner;
  const [oa, ob, oc, od, oe, of] = outer;
  // Adding zero makes a negative zero a plain one, as it comes back from a file.
  return [
    oa * a + oc * b + 0,
    ob * a + od * b + 0,
    oa * c + oc * d + 0,
    ob * c + od * d + 0,
    oa * e + oc * f + oe + 0,
    ob * e + od * f + of + 0,
  ];
}

/** The way back. Throws on one that flattens the plane, which no sheet is placed by. */
export function invertAffine([a, b, c, d, e, f]: Affine): Affine {
  const determinant = a * d - b * c;
  if (determinant === 0) throw new Error('invertAffine: the matrix flattens the plane');
  const [ia, ib, ic, id] = [d / determinant, -b / determinant, -c / determinant, a / determinant];
  return [ia, ib, ic, id, -(ia * e + ic * f), -(ib * e + id * f)];
}

export const translation = (x: number, y: number): Affine => [1, 0, 0, 1, x, y];

/** Turned about the origin, clockwise as seen on a sheet, whose y runs down. */
export function turning(angleDeg: number): Affine {
  // Quarter turns are exact, so that four of them change nothing.
  const quarter = angleDeg % 90 === 0;
  const angle = (angleDeg * Math.PI) / 180;
  const [cosine, sine] = [Math.cos(angle), Math.sin(angle)].map((each) =>
    quarter ? Math.round(each) : each,
  ) as [number, number];
  return [cosine + 0, sine + 0, -sine + 0, cosine + 0, 0, 0];
}

/** A similarity as what it does: turned so far (degrees, clockwise as seen) and enlarged. */
export const readSimilarity = ([a, b]: Affine): { readonly turnDeg: number; readonly factor: number } => ({
  turnDeg: (Math.atan2(b, a) * 180) / Math.PI,
  factor: Math.hypot(a, b),
});

/**
 * The similarity (moved, turned, enlarged, never mirrored) that brings the first point of every pair
 * nearest to the second, by least squares; exact for two pairs. Undefined when the first points lie
 * in one place. Closed form in the plane, as complex numbers: q ≈ z·p + w.
 */
export function fitSimilarity(pairs: readonly (readonly [from: Point, to: Point])[]): Affine | undefined {
  const count = pairs.length;
  const mean = (pick: (pair: readonly [Point, Point]) => number): number =>
    pairs.reduce((sum, pair) => sum + pick(pair), 0) / count;
  const from = { x: mean(([p]) => p.x), y: mean(([p]) => p.y) };
  const to = { x: mean(([, q]) => q.x), y: mean(([, q]) => q.y) };
  let [real, imaginary, size] = [0, 0, 0];
  for (const [p, q] of pairs) {
    const [px, py, qx, qy] = [p.x - from.x, p.y - from.y, q.x - to.x, q.y - to.y];
    real += px * qx + py * qy;
    imaginary += px * qy - py * qx;
    size += px * px + py * py;
  }
  if (count < 2 || size === 0 || (real === 0 && imaginary === 0)) return undefined;
  const [a, b] = [real / size, imaginary / size];
  return [a, b, -b, a, to.x - (a * from.x - b * from.y), to.y - (b * from.x + a * from.y)];
}
