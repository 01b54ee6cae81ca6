import type { Bounds } from '../geometry/bounds.ts';
import { NAME_LIMIT } from '../job/records/fields.ts';
import { parseScaleRatio } from './scale.ts';

/** A piece of text on a page; sheet points, the start of its baseline. */
export interface SheetText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface SheetProposal {
  /** Empty where nothing on the page looks like it. */
  readonly number: string;
  readonly title: string;
  readonly printedScale: string;
}

const NUMBER = /^[A-Z]{1,3}[-. ]?\d{1,3}(?:\.\d{1,3})?[A-Z]?$/;
const SCALE =
  /(?:\d+(?:\s+\d+)?(?:\/\d+)?\s*["″]\s*=\s*\d+\s*['′](?:\s*-?\s*\d+\s*["″])?|\b1\s*:\s*\d{1,6}\b)/;
const TITLE_LABEL = /^(sheet|drawing)\s*(title|name)$|^title$/i;
const SCALE_LABEL = /^scale$/i;

/** Title blocks stand along the right side or the bottom. */
const inTitleBlock = (text: SheetText, widthPt: number, heightPt: number): boolean =>
  text.x > widthPt * 0.72 || text.y > heightPt * 0.8;

/** Reads what a page says of itself: its number, its title and the scale in its title block. */
export function proposeSheet(texts: readonly SheetText[], widthPt: number, heightPt: number): SheetProposal {
  const block = texts.filter((text) => inTitleBlock(text, widthPt, heightPt));
  const number = findNumber(block);
  return {
    number: number?.text.trim() ?? '',
    title: findTitle(block, number),
    printedScale: findScale(block, texts),
  };
}

function findNumber(block: readonly SheetText[]): SheetText | undefined {
  const corner = (text: SheetText): number => text.x + text.y;
  return block
    .filter(({ text }) => NUMBER.test(text.trim()))
    .sort((a, b) => b.height - a.height || corner(b) - corner(a))[0];
}

/** Lines under a label and in line with it, until the next label or a gap. */
function linesUnder(label: SheetText, block: readonly SheetText[]): readonly SheetText[] {
  const below = block
    .filter((text) => text.y > label.y && Math.abs(text.x - label.x) < 24)
    .sort((a, b) => a.y - b.y);
  const lines: SheetText[] = [];
  let last = label;
  for (const text of below) {
    const [first] = lines;
    if (text.y - last.y > Math.max(40, text.height * 2)) break;
    if (first !== undefined && Math.abs(text.height - first.height) > first.height * 0.15) break;
    lines.push(text);
    last = text;
  }
  return lines;
}

function findTitle(block: readonly SheetText[], number: SheetText | undefined): string {
  const label = block.find(({ text }) => TITLE_LABEL.test(text.trim()));
  const lines = label === undefined ? [] : linesUnder(label, block);
  if (lines.length > 0) return lines.map(({ text }) => text.trim()).join(' ');
  const [largest] = block
    .filter((text) => text !== number && /[A-Za-z]{3}/.test(text.text))
    .sort((a, b) => b.height - a.height);
  return largest?.text.trim() ?? '';
}

function findScale(block: readonly SheetText[], texts: readonly SheetText[]): string {
  const label = block.find(({ text }) => SCALE_LABEL.test(text.trim()));
  const labeled = label === undefined ? undefined : linesUnder(label, block)[0];
  // What the title block says stands, also when it says that there is no scale.
  if (labeled !== undefined) return readScale(labeled.text) ?? '';
  const found = texts.map(({ text }) => readScale(text)).filter((each) => each !== undefined);
  const distinct = new Set(found);
  return distinct.size === 1 ? (found[0] ?? '') : '';
}

function readScale(text: string): string | undefined {
  const found = SCALE.exec(text)?.[0];
  return found !== undefined && parseScaleRatio(found).ok ? found : undefined;
}

/** A drawing's title stands in its box or this far under it, its scale on the next line or beside it. */
const UNDER_PT = 40;
const TITLE_LINES_PT = 30;

/** The name and the scale that are printed for a part of a sheet, such as a detail; empty where none are. */
export function titleOfPart(
  texts: readonly SheetText[],
  { minX, minY, maxX, maxY }: Bounds,
): { readonly name: string; readonly scale: string } {
  const near = texts.filter(({ x, y }) => x >= minX && x <= maxX && y >= minY && y <= maxY + UNDER_PT);
  const scale = near.find(({ text }) => parseScaleRatio(text).ok);
  if (scale === undefined) return { name: '', scale: '' };
  const [title] = near
    .filter((each) => each !== scale && Math.abs(each.y - scale.y) < TITLE_LINES_PT && each.text.length > 2)
    .sort((a, b) => b.height - a.height);
  return { name: title?.text.slice(0, NAME_LIMIT) ?? '', scale: scale.text };
}
