import type { Scale } from '../geometry/ground.ts';
import { type Point, distance } from '../geometry/point.ts';
import { type Result, accept, refuse } from '../problem/result.ts';
import { evaluateEntry } from '../formula/evaluateEntry.ts';
import { LENGTH } from '../units/dimension.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';

/** One PDF unit is 1/72 inch (ISO 32000). */
export const METERS_PER_POINT = 0.0254 / 72;

/** Real over drawn must stay in what drawings use: 10:1 details to 1:1,000,000 maps. */
const SMALLEST_RATIO = 0.1;
const LARGEST_RATIO = 1_000_000;

export type ScaleProblem =
  | { readonly kind: 'scale-not-read'; readonly text: string }
  | { readonly kind: 'scale-out-of-range'; readonly text: string }
  | { readonly kind: 'scale-points-coincide' }
  /** Both known distances run the same way. */
  | { readonly kind: 'scale-one-way' };

/** The scale of a ratio `real : drawn`. */
export const scaleOfRatio = (ratio: number): Scale => ({
  xMetersPerPoint: ratio * METERS_PER_POINT,
  yMetersPerPoint: ratio * METERS_PER_POINT,
});

/** How many times larger the real thing is than its drawing, along x. */
export const ratioOfScale = (scale: Scale): number => scale.xMetersPerPoint / METERS_PER_POINT;

const readLength = (text: string): number | undefined => {
  const entry = evaluateEntry(text, LENGTH, undefined, POINT_FORMAT);
  return entry.ok ? entry.value : undefined;
};

/** The marks for inches, feet and ratios as an American keyboard has them, whatever a program wrote. */
export const plainMarks = (text: string): string =>
  text
    .replace(/[\u2032\u2018\u2019\u00b4`]/g, "'")
    .replace(/[\u2033\u201c\u201d]|''/g, '"')
    .replace(/[\u2236\uff1a]/g, ':')
    .replace(/\u2044/g, '/')
    .replace(/\s+/g, ' ');

/** Without the word before and the paper behind: `SCALE 1:50 @ A1`. */
const bareScale = (text: string): string =>
  plainMarks(text)
    .replace(/^\s*(?:scale|m)\s*:?\s*(?=[\d.])/i, '')
    .replace(/\s*(?:@|\(|\bat\b|\bon\b)\s*A[0-4]\)?\s*$/i, '')
    .trim();

/** Reads a printed or typed scale: `1/8" = 1'-0"`, `1" = 20'`, `1:100`, `1:50 @ A1`. Returns real over drawn. */
export function parseScaleRatio(text: string): Result<number, ScaleProblem> {
  const cleaned = bareScale(text);
  const colon = /^(\d+(?:\.\d+)?)\s*:\s*(\d+(?:[.,]\d+)?)$/.exec(cleaned);
  const sides = cleaned.split('=');
  let ratio: number | undefined;
  if (colon !== null) ratio = Number((colon[2] ?? '').replace(',', '.')) / Number(colon[1]);
  else if (sides.length === 2) {
    const drawn = readLength(sides[0] ?? '');
    const real = readLength(sides[1] ?? '');
    ratio = drawn === undefined || real === undefined || drawn === 0 ? undefined : real / drawn;
  }
  if (ratio === undefined || !Number.isFinite(ratio)) return refuse({ kind: 'scale-not-read', text });
  if (ratio < SMALLEST_RATIO || ratio > LARGEST_RATIO) return refuse({ kind: 'scale-out-of-range', text });
  return accept(ratio);
}

/** The scale for which the distance between two sheet points is `lengthM`. */
export function scaleOfTwoPoints(a: Point, b: Point, lengthM: number): Result<Scale, ScaleProblem> {
  const drawn = distance(a, b);
  if (drawn < 1 || lengthM <= 0) return refuse({ kind: 'scale-points-coincide' });
  const metersPerPoint = lengthM / drawn;
  const ratio = metersPerPoint / METERS_PER_POINT;
  if (ratio < SMALLEST_RATIO || ratio > LARGEST_RATIO)
    return refuse({ kind: 'scale-out-of-range', text: `1:${Math.round(ratio)}` });
  return accept({ xMetersPerPoint: metersPerPoint, yMetersPerPoint: metersPerPoint });
}

/** A known distance on a sheet. */
export interface KnownDistance {
  readonly a: Point;
  readonly b: Point;
  readonly lengthM: number;
}

/** True when the way from a to b goes more across the sheet than up. */
export const runsAcross = (a: Point, b: Point): boolean => Math.abs(b.x - a.x) >= Math.abs(b.y - a.y);

/** Two distances closer to one direction than this (the sine of their angle) do not tell X from Y. */
const ONE_WAY = 0.2;

/**
 * The scale of a stretched sheet from two known distances, one mostly each way: the x and y for which
 * both come out right, (dx·sx)² + (dy·sy)² = L² for each.
 */
export function scaleOfTwoDistances(p: KnownDistance, q: KnownDistance): Result<Scale, ScaleProblem> {
  const squares = ({ a, b, lengthM }: KnownDistance): readonly [number, number, number] => [
    (b.x - a.x) ** 2,
    (b.y - a.y) ** 2,
    lengthM ** 2,
  ];
  const [[px, py, pl], [qx, qy, ql]] = [squares(p), squares(q)];
  const determinant = px * qy - py * qx;
  const size = (px + py) * (qx + qy);
  if (size === 0 || p.lengthM <= 0 || q.lengthM <= 0) return refuse({ kind: 'scale-points-coincide' });
  if (Math.abs(determinant) < ONE_WAY * size) return refuse({ kind: 'scale-one-way' });
  const [sx2, sy2] = [(pl * qy - ql * py) / determinant, (px * ql - qx * pl) / determinant];
  if (sx2 <= 0 || sy2 <= 0) return refuse({ kind: 'scale-one-way' });
  const scale = { xMetersPerPoint: Math.sqrt(sx2), yMetersPerPoint: Math.sqrt(sy2) };
  const ratio = ratioOfScale(scale);
  if (ratio < SMALLEST_RATIO || ratio > LARGEST_RATIO)
    return refuse({ kind: 'scale-out-of-range', text: `1:${Math.round(ratio)}` });
  return accept(scale);
}

/** Factors that a mistaken unit makes: cm for mm, inches for feet, mm for inches, m for cm, m for feet. */
export const SLIP_FACTORS = [10, 12, 25.4, 100, 1000, 1 / 0.3048] as const;
/** Measured over known, less one: +0.01 reads 1 % long. */
export const scaleError = (measuredM: number, knownM: number): number => measuredM / knownM - 1;
