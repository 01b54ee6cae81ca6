import type { SheetText } from './pageText.ts';
import { parseScaleRatio, plainMarks } from './scale.ts';

/** A scale as it is printed on a sheet, with where it stands. */
export interface PrintedScale {
  /** As it is written, cut down to the scale: `1:50`, `1/4" = 1'-0"`. */
  readonly text: string;
  readonly ratio: number;
  readonly at: SheetText;
}

/** What a sheet's texts say of scales. */
export interface PrintedScales {
  /** The one for the whole sheet; undefined where the sheet says that there is none, or several. */
  readonly sheet: PrintedScale | undefined;
  /** Every scale that is printed, each once, the most frequent first. */
  readonly all: readonly PrintedScale[];
}

const INCHES = String.raw`(?:\d+(?:\s+|-))?\d+\s*\/\s*\d+|\d*\.\d+|\d+`;
/** Drawn inches for real feet, with any of the marks programs write for inches and feet; or `1:50`, for a paper. */
const ANY_SCALE = new RegExp(
  [
    String.raw`(?:${INCHES})\s*(?:"|in\.?)\s*=\s*\d+\s*(?:'|ft\.?)(?:\s*-?\s*\d+\s*(?:"|in\.?))?`,
    String.raw`(?<![\d:.,/])1\s*:\s*\d{1,6}(?![\d:])(?:\s*(?:@|\(|at|on)\s*A[0-4]\b\)?)?`,
  ].join('|'),
  'gi',
);
/** How a sheet says that nothing on it is to scale, and that each view has a scale of its own. */
const NO_SCALE = /^\W*(?:n\.?\s?t\.?\s?s\.?|(?:drawing\s+)?not\s+to\s+scale|none)\W*$/i;
const EACH_ITS_OWN = /\b(?:as\s+(?:shown|noted|indicated|stated)|var(?:ies|ious))\b/i;
const LABEL = /^(?:drawing|plot|print|view|plan)?\s*scales?(?:\s*[(@]?\s*A[0-4]\)?)?\s*[:=]?$/i;
const LABELED =
  /^(?:drawing|plot|print|view|plan)?\s*scales?\b\s*(?:\(?@?\s*A[0-4]\b\)?)?\s*[:=]?\s*(\S.*)$/i;
/** A ratio that is a slope, a mix or a gear, not a scale. */
const NOT_A_SCALE =
  /\b(?:slope|fall|ramp|gradient|grade|pitch|batter|mix|mortar|screed|cement|ratio|min|max)\b/i;
/** What drawings are plotted at (ISO 5455 and common practice); beside a label any ratio counts. */
const USUAL = new Set([
  1, 2, 5, 10, 20, 25, 50, 75, 100, 125, 150, 200, 250, 300, 400, 500, 750, 1000, 1250, 1500, 2000, 2500,
  5000, 10_000,
]);

/** Reads every scale a page prints, and which of them holds for the sheet as a whole. */
export function readPrintedScales(given: readonly SheetText[], page: PageSize): PrintedScales {
  const texts = joinLines(given).map((text) => ({ ...text, text: plainMarks(text.text).trim() }));
  const said = texts.flatMap((text) => sayingOf(text, texts, page.paper) ?? []);
  const all = distinct([
    ...said.flatMap(scaleOf),
    ...texts.flatMap((text) => scaleIn(text, text.text, page.paper, false) ?? []),
  ]);
  return { sheet: forTheSheet(said, all, page), all };
}

export interface PageSize {
  readonly widthPt: number;
  readonly heightPt: number;
  /** The paper the page is the size of, as `A1`; undefined for none. */
  readonly paper: string | undefined;
}

/** What stands beside the word scale: a scale, that each view has its own, or that nothing is to scale. */
type Saying =
  | { readonly kind: 'scale'; readonly scale: PrintedScale }
  | { readonly kind: 'shown' | 'none'; readonly at: SheetText };

const scaleOf = (saying: Saying): readonly PrintedScale[] => (saying.kind === 'scale' ? [saying.scale] : []);
const placeOf = (saying: Saying): SheetText => (saying.kind === 'scale' ? saying.scale.at : saying.at);

/** Title blocks stand along the right side or the bottom. */
export const inTitleBlock = ({ x, y }: SheetText, { widthPt, heightPt }: Omit<PageSize, 'paper'>): boolean =>
  x > widthPt * 0.72 || y > heightPt * 0.8;

/** The title block decides; where it is silent or says that views have their own, one scale in all does. */
function forTheSheet(
  said: readonly Saying[],
  all: readonly PrintedScale[],
  page: PageSize,
): PrintedScale | undefined {
  const block = said.filter((each) => inTitleBlock(placeOf(each), page));
  const [only, another] = distinct(block.flatMap(scaleOf));
  if (block.some(({ kind }) => kind === 'shown')) return all.length === 1 ? all[0] : undefined;
  if (only !== undefined && another === undefined) return only;
  if (only === undefined && block.some(({ kind }) => kind === 'none')) return undefined;
  const labeled = distinct(said.flatMap(scaleOf));
  if (labeled.length === 1) return labeled[0];
  return labeled.length === 0 && all.length === 1 ? all[0] : undefined;
}

/** Each ratio once, the most frequent first. */
function distinct(scales: readonly PrintedScale[]): readonly PrintedScale[] {
  const counts = new Map<number, { first: PrintedScale; count: number }>();
  for (const scale of scales) {
    const key = Math.round(scale.ratio * 100);
    const known = counts.get(key);
    counts.set(key, { first: known?.first ?? scale, count: (known?.count ?? 0) + 1 });
  }
  return [...counts.values()].sort((a, b) => b.count - a.count).map(({ first }) => first);
}

/** What a text says of the scale, when it is a label or holds one; undefined for any other text. */
function sayingOf(
  label: SheetText,
  texts: readonly SheetText[],
  paper: string | undefined,
): Saying | undefined {
  const within = LABELED.exec(label.text)?.[1];
  if (within !== undefined) return readSaying(label, within, paper);
  if (!LABEL.test(label.text)) return NO_SCALE.test(label.text) ? { kind: 'none', at: label } : undefined;
  return texts
    .filter((text) => text !== label)
    .map((text) => ({ text, away: awayFromLabel(label, text) }))
    .filter(({ away }) => away < Infinity)
    .sort((a, b) => a.away - b.away)
    .map(({ text }) => readSaying(text, text.text, paper))
    .find((each) => each !== undefined);
}

function readSaying(at: SheetText, words: string, paper: string | undefined): Saying | undefined {
  const scale = scaleIn(at, words, paper, true);
  if (scale !== undefined) return { kind: 'scale', scale };
  if (NO_SCALE.test(words)) return { kind: 'none', at };
  return EACH_ITS_OWN.test(words) ? { kind: 'shown', at } : undefined;
}

/** How far a value may stand beside its label, and below or above it. */
const BESIDE_PT = 160;
const UNDER_PT = 44;

/** How far a text stands off a label whose value it may be: beside it on its line, below it, or above. */
export function awayFromLabel(label: SheetText, text: SheetText): number {
  const tall = Math.max(label.height, text.height);
  const right = text.x - (label.x + label.width);
  if (Math.abs(text.y - label.y) < 0.7 * tall && right > -2 && right < BESIDE_PT) return Math.max(0, right);
  const inColumn =
    Math.abs(text.x - label.x) < 24 || (text.x < label.x + label.width && text.x + text.width > label.x);
  if (!inColumn) return Infinity;
  const down = text.y - label.y;
  const most = Math.max(UNDER_PT, 2.5 * tall);
  // Most blocks put the value below: of two that stand alike, that one is meant.
  if (down > 0 && down < most) return down;
  return down < 0 && -down < most ? -down * 1.5 : Infinity;
}

/** The scale in a text. Where it names papers, the one of this page counts. */
function scaleIn(
  at: SheetText,
  words: string,
  paper: string | undefined,
  isLabeled: boolean,
): PrintedScale | undefined {
  if (!isLabeled && NOT_A_SCALE.test(words)) return undefined;
  const found = [...words.matchAll(ANY_SCALE)].map(([text]) => tidied(text));
  const text = found.find((each) => paper !== undefined && paperIn(each) === paper) ?? found[0];
  const ratio = text === undefined ? undefined : parseScaleRatio(text);
  if (text === undefined || ratio?.ok !== true) return undefined;
  const isColon = !text.includes('=');
  if (isColon && !isLabeled && !USUAL.has(ratio.value)) return undefined;
  // A ratio in a sentence is about something else.
  if (isColon && !isLabeled && words.length > text.length + 24) return undefined;
  return { text, ratio: ratio.value, at };
}

/** As an office would write it, where its pieces stood apart. */
const tidied = (text: string): string =>
  text
    .replace(/\s*(["'/:-])\s*/g, '$1')
    .replace(/\s*=\s*/g, ' = ')
    .trim();

/** The paper a printed scale is for: `A1` of `1:50 @ A1`. */
export const paperIn = (text: string): string | undefined => /\bA[0-4]\b/i.exec(text)?.[0]?.toUpperCase();

/** Pieces of one line are often written apart: joined, as a person reads them. */
function joinLines(texts: readonly SheetText[]): readonly SheetText[] {
  const sorted = [...texts].sort((a, b) => a.y - b.y || a.x - b.x);
  const lines: SheetText[] = [];
  for (const text of sorted) {
    const last = lines.findLast((line) => followsOn(line, text));
    if (last === undefined) lines.push(text);
    else {
      const gap = text.x - (last.x + last.width);
      lines[lines.indexOf(last)] = {
        ...last,
        text: `${last.text}${gap > 0.12 * last.height ? ' ' : ''}${text.text}`,
        width: text.x + text.width - last.x,
      };
    }
  }
  return lines;
}

const followsOn = (line: SheetText, text: SheetText): boolean => {
  const gap = text.x - (line.x + line.width);
  return (
    Math.abs(text.y - line.y) < 0.25 * line.height &&
    Math.abs(text.height - line.height) < 0.3 * line.height &&
    gap > -0.4 * line.height &&
    gap < 0.75 * line.height
  );
};
