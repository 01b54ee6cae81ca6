/** What stands on a page, in points from its top left corner. Whoever draws it knows nothing of what it means. */
export type PageItem =
  | {
      readonly kind: 'text';
      readonly x: number;
      /** The base line. */
      readonly y: number;
      readonly text: string;
      readonly size: number;
      readonly look: TextLook;
      /** In its place comes the number of the page that this anchor is on; it keeps its right edge. */
      readonly pageOf?: string;
    }
  | {
      /** A place that links lead to. */
      readonly kind: 'anchor';
      readonly y: number;
      readonly name: string;
    }
  | {
      readonly kind: 'link';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      /** The name of an anchor. */
      readonly to: string;
    }
  | {
      readonly kind: 'fill';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly tint: Tint;
    }
  | {
      readonly kind: 'rule';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly heavy: boolean;
    }
  | {
      readonly kind: 'picture';
      /** Its name among the pictures that go with the pages. */
      readonly of: string;
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    };

export type TextLook = 'plain' | 'bold' | 'soft' | 'warn';
/** Whether it is written in bold letters, which are wider. */
export const isBoldLook = (look: TextLook): boolean => look === 'bold' || look === 'warn';

export type Tint = 'heading' | 'group';

export interface LaidPage {
  readonly items: readonly PageItem[];
}

export interface LaidPages {
  readonly widthPt: number;
  readonly heightPt: number;
  readonly pages: readonly LaidPage[];
}

/** How wide a text is at one point of size. */
export type MeasureText = (text: string, bold: boolean) => number;

/** A text in lines that are no wider than that; a word that is wider is broken. */
export function wrapText(
  text: string,
  widthPt: number,
  size: number,
  bold: boolean,
  measure: MeasureText,
): readonly string[] {
  if (text === '') return [];
  if (measure(text, bold) * size <= widthPt) return [text];
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/(?<=[\s\-/])/)) {
    if (measure((line + word).trimEnd(), bold) * size <= widthPt) {
      line += word;
      continue;
    }
    if (line !== '') lines.push(line.trimEnd());
    line = '';
    for (const part of breakWord(word, widthPt, size, bold, measure)) {
      if (line !== '') lines.push(line);
      line = part;
    }
  }
  if (line.trim() !== '') lines.push(line.trimEnd());
  return lines;
}

/** The pieces of a word that is wider than a line. */
function breakWord(
  word: string,
  widthPt: number,
  size: number,
  bold: boolean,
  measure: MeasureText,
): readonly string[] {
  if (measure(word.trimEnd(), bold) * size <= widthPt) return [word];
  const pieces: string[] = [];
  let piece = '';
  for (const letter of word) {
    if (piece !== '' && measure(piece + letter, bold) * size > widthPt) {
      pieces.push(piece);
      piece = '';
    }
    piece += letter;
  }
  return [...pieces, piece];
}
