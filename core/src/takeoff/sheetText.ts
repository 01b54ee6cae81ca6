import type { Bounds } from '../geometry/bounds.ts';
import { NAME_LIMIT } from '../job/records/fields.ts';
import type { SheetText } from './pageText.ts';
import { paperOf } from './paper.ts';
import { awayFromLabel, inTitleBlock, readPrintedScales } from './printedScale.ts';
import { parseScaleRatio } from './scale.ts';

export interface SheetProposal {
  /** Empty where nothing on the page looks like it. */
  readonly number: string;
  readonly title: string;
  readonly printedScale: string;
}

const NUMBER = /^[A-Z]{1,3}[-. ]?\d{1,3}(?:\.\d{1,3})?[A-Z]?$/;
/** Beside its label a number may be written in any way an office likes. */
const ANY_NUMBER = /^(?=.*\d)[A-Z\d][A-Z\d._/-]{0,19}$/i;
const NUMBER_LABEL = /^(?:sheet|drawing|dwg|plan)?\.?\s*(?:no|nr|number|#)\.?\s*:?$/i;
const TITLE_LABEL =
  /^(?:(?:sheet|drawing|dwg|plan)\.?\s*(?:title|name|content|contents)|title|content|contents|drawing)\s*:?$/i;
/** Longer than a title, or ended like a sentence: a note. */
const TITLE_LENGTH = 60;
const isNote = (text: string): boolean =>
  text.length > TITLE_LENGTH || /[a-z]\.$/i.test(text) || /^\d+\.\s/.test(text);

/** Reads what a page says of itself: its number, its title and its scale. */
export function proposeSheet(texts: readonly SheetText[], widthPt: number, heightPt: number): SheetProposal {
  const block = texts.filter((text) => inTitleBlock(text, { widthPt, heightPt }));
  const number = findNumber(block);
  const page = { widthPt, heightPt, paper: paperOf(widthPt, heightPt) };
  return {
    number: number?.text.trim() ?? '',
    title: findTitle(block, number),
    printedScale: readPrintedScales(texts, page).sheet?.text ?? '',
  };
}

function findNumber(block: readonly SheetText[]): SheetText | undefined {
  const corner = (text: SheetText): number => text.x + text.y;
  const labeled = block
    .filter(({ text }) => NUMBER_LABEL.test(text.trim()))
    .sort((a, b) => corner(b) - corner(a))
    .flatMap((label) => valuesOf(label, block, ({ text }) => ANY_NUMBER.test(text.trim())).slice(0, 1));
  const shaped = block
    .filter(({ text }) => NUMBER.test(text.trim()))
    .sort((a, b) => b.height - a.height || corner(b) - corner(a));
  return shaped[0] ?? labeled[0];
}

/** Texts that may be the value of a label, the nearest first. */
const valuesOf = (
  label: SheetText,
  block: readonly SheetText[],
  isValue: (text: SheetText) => boolean,
): readonly SheetText[] =>
  block
    .filter((text) => text !== label && isValue(text))
    .map((text) => ({ text, away: awayFromLabel(label, text) }))
    .filter(({ away }) => away < Infinity)
    .sort((a, b) => a.away - b.away)
    .map(({ text }) => text);

/** Lines from the first on, in line with it and as tall, until the next label or a gap. */
function linesFrom(first: SheetText, block: readonly SheetText[]): readonly SheetText[] {
  const lines = [first];
  const below = block
    .filter((text) => text.y > first.y && Math.abs(text.x - first.x) < 24)
    .sort((a, b) => a.y - b.y);
  for (const text of below) {
    const last = lines.at(-1) as SheetText;
    if (text.y - last.y > Math.max(40, text.height * 2)) break;
    if (Math.abs(text.height - first.height) > first.height * 0.15) break;
    lines.push(text);
  }
  return lines;
}

const isWords = ({ text }: SheetText): boolean => /[A-Za-z]{3}/.test(text) && !isLabel(text);
const isLabel = (text: string): boolean =>
  TITLE_LABEL.test(text.trim()) ||
  NUMBER_LABEL.test(text.trim()) ||
  /:$/.test(text.trim()) ||
  /^(?:scale|date|drawn|checked|project|client|revision|rev)\b.{0,8}$/i.test(text.trim());

function findTitle(block: readonly SheetText[], number: SheetText | undefined): string {
  const label = block.find(({ text }) => TITLE_LABEL.test(text.trim()));
  const [first] =
    label === undefined ? [] : valuesOf(label, block, (text) => text !== number && isWords(text));
  if (first !== undefined)
    return linesFrom(first, block)
      .filter((text) => text !== number)
      .map(({ text }) => text.trim())
      .join(' ');
  const [largest] = block
    .filter((text) => text !== number && isWords(text) && !isNote(text.text.trim()))
    .sort((a, b) => b.height - a.height);
  return largest?.text.trim() ?? '';
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
