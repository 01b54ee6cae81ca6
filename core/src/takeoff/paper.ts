import { SLIP_FACTORS } from './scale.ts';

/** Points of a millimeter. */
const MM = 72 / 25.4;
const IN = 72;

/** Trimmed sheets, short side first: ISO 216 A series; ANSI/ASME Y14.1 engineering and architectural. */
const PAPERS: readonly (readonly [name: string, shortPt: number, longPt: number])[] = [
  ['A0', 841 * MM, 1189 * MM],
  ['A1', 594 * MM, 841 * MM],
  ['A2', 420 * MM, 594 * MM],
  ['A3', 297 * MM, 420 * MM],
  ['A4', 210 * MM, 297 * MM],
  ['ANSI B', 11 * IN, 17 * IN],
  ['ANSI C', 17 * IN, 22 * IN],
  ['ANSI D', 22 * IN, 34 * IN],
  ['ANSI E', 34 * IN, 44 * IN],
  ['ARCH B', 12 * IN, 18 * IN],
  ['ARCH C', 18 * IN, 24 * IN],
  ['ARCH D', 24 * IN, 36 * IN],
  ['ARCH E1', 30 * IN, 42 * IN],
  ['ARCH E', 36 * IN, 48 * IN],
];
/** Scanners cut a little; a mistaken unit is far more. */
const TOLERANCE = 0.01;

export interface PaperSlip {
  readonly paper: string;
  /** How many times larger the page is than that paper. */
  readonly factor: number;
}

const findPaper = (shortPt: number, longPt: number): string | undefined =>
  PAPERS.find(
    ([, short, long]) => Math.abs(shortPt / short - 1) < TOLERANCE && Math.abs(longPt / long - 1) < TOLERANCE,
  )?.[0];

/** The paper a page is the size of, either way up; undefined for none. */
export const paperOf = (widthPt: number, heightPt: number): string | undefined =>
  findPaper(Math.min(widthPt, heightPt), Math.max(widthPt, heightPt));

/**
 * A page that is a round factor off a paper: its size was written in another unit, as millimeters for
 * points, and a scale by ratio would be off by as much. Undefined for paper, and for what is neither.
 */
export function findPaperSlip(widthPt: number, heightPt: number): PaperSlip | undefined {
  const [short, long] = [Math.min(widthPt, heightPt), Math.max(widthPt, heightPt)];
  if (findPaper(short, long) !== undefined) return undefined;
  // 72 / 25.4: points that were written as if they were millimeters, or the other way.
  for (const factor of [...SLIP_FACTORS, MM].flatMap((each) => [each, 1 / each])) {
    const paper = findPaper(short / factor, long / factor);
    if (paper !== undefined) return { paper, factor };
  }
  return undefined;
}
