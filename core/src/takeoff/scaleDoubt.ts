import { METERS_PER_POINT, parseScaleRatio } from './scale.ts';
import { paperIn } from './printedScale.ts';

/** Why a scale is asked about before it is taken. */
export type ScaleDoubt =
  /** It is a round factor off what the sheet prints; above one the sheet would read too large. */
  | { readonly kind: 'off-printed'; readonly factor: number; readonly printed: string }
  /** Nothing is printed; it is a mistaken unit off a scale that plans are drawn at. */
  | { readonly kind: 'off-usual'; readonly factor: number; readonly usual: number }
  /** The sheet would show more ground than any plan, or less than any detail. */
  | { readonly kind: 'extent'; readonly widthM: number; readonly heightM: number };

/** Factors of a mistaken unit (cm for mm, inches for feet, mm for inches, m for feet …), and of a print at another size. */
const ROUND_FACTORS = [2, 4, 5, 8, 10, 12, 20, 25.4, 50, 100, 304.8, 1000, 1 / 0.3048, 2.54, 30.48] as const;
const UNIT_FACTORS = [10, 12, 25.4, 100, 304.8, 1000, 1 / 0.3048] as const;
/** Scans are stretched and dimensions rounded; a slip is far larger than this. */
const TOLERANCE = 0.03;
/** What nobody prints is compared more closely: usual scales stand close together. */
const CLOSE = 0.01;

/** Scales of plans and site plans: ISO 5455, and inches to the foot in common practice. */
const PLAN_RATIOS = [
  20, 25, 50, 75, 100, 125, 150, 200, 250, 500, 1000, 48, 64, 96, 128, 192, 240, 360, 480, 600,
];
/** Every scale a sheet is likely at, details with it. */
const LIKELY_RATIOS = [...PLAN_RATIOS, 1, 2, 5, 10, 2000, 2500, 5000, 4, 8, 12, 16, 24, 32, 720, 1200];

/** More ground than this on one sheet is a map; less than this in either way is hardly a drawing. */
const LARGEST_M2 = 10e6;
const SMALLEST_M = 0.5;

const isNear = (a: number, b: number, tolerance: number): boolean => Math.abs(a / b - 1) < tolerance;
const both = (factors: readonly number[]): readonly number[] => [
  ...factors,
  ...factors.map((each) => 1 / each),
];

/** The round factor by which `ratio` is off `printed`; undefined when it agrees, or is off by no round factor. */
export function findSlip(ratio: number, printed: number): number | undefined {
  const off = ratio / printed;
  if (isNear(off, 1, TOLERANCE)) return undefined;
  return both(ROUND_FACTORS).find((factor) => isNear(off, factor, TOLERANCE));
}

interface Calibrated {
  /** Real over drawn, as the two points gave it. */
  readonly ratio: number;
  /** Every scale the sheet prints. */
  readonly printed: readonly string[];
  readonly widthPt: number;
  readonly heightPt: number;
}

/** What speaks against a scale that two points gave; undefined for nothing. */
export function findScaleDoubt({ ratio, printed, widthPt, heightPt }: Calibrated): ScaleDoubt | undefined {
  const said = printed.flatMap((text) => {
    const read = parseScaleRatio(text);
    return read.ok ? [{ text, ratio: read.value }] : [];
  });
  if (!said.some((each) => isNear(ratio, each.ratio, TOLERANCE)))
    for (const each of said) {
      const factor = findSlip(ratio, each.ratio);
      if (factor !== undefined) return { kind: 'off-printed', factor, printed: each.text };
    }
  const [widthM, heightM] = [widthPt * METERS_PER_POINT * ratio, heightPt * METERS_PER_POINT * ratio];
  if (widthM * heightM > LARGEST_M2 || Math.min(widthM, heightM) < SMALLEST_M)
    return { kind: 'extent', widthM, heightM };
  return said.length > 0 ? undefined : offUsual(ratio);
}

function offUsual(ratio: number): ScaleDoubt | undefined {
  if (LIKELY_RATIOS.some((usual) => isNear(ratio, usual, TOLERANCE))) return undefined;
  const [best] = both(UNIT_FACTORS)
    .flatMap((factor) =>
      PLAN_RATIOS.map((usual) => ({ factor, usual, off: Math.abs(ratio / factor / usual - 1) })),
    )
    .filter(({ off }) => off < CLOSE)
    .sort((a, b) => a.off - b.off);
  return best === undefined ? undefined : { kind: 'off-usual', factor: best.factor, usual: best.usual };
}

/** A printed scale that is for another paper than the page is: what it comes to on this page. */
export interface OtherPaper {
  readonly said: string;
  readonly is: string;
  readonly ratio: number;
}

/** The A series halves from one size to the next (ISO 216): a side goes by the root of two. */
export function findOtherPaper(printed: string, paper: string | undefined): OtherPaper | undefined {
  const said = paperIn(printed);
  const read = parseScaleRatio(printed);
  if (said === undefined || paper === undefined || said === paper || !/^A\d$/.test(paper) || !read.ok)
    return undefined;
  const steps = Number(paper.slice(1)) - Number(said.slice(1));
  return { said, is: paper, ratio: Math.round(read.value * Math.SQRT2 ** steps * 100) / 100 };
}
