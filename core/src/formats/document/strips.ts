import type { Strip } from '../../reports/pages/flow.ts';
import {
  type MeasureText,
  type PageItem,
  type TextLook,
  isBoldLook,
  wrapText,
} from '../../reports/pages/page.ts';
import type { PaperSize } from '../../reports/pages/paper.ts';

/** What the strips of a document are laid out in; points. */
export interface DocumentFrame extends PaperSize {
  readonly size: number;
  readonly lineHeight: number;
  readonly widthBetween: number;
  readonly measure: MeasureText;
}

/** Room between two things. It never stands alone at the end of a page. */
export const space = (height: number): Strip => ({
  height,
  keepsNext: true,
  startsPage: false,
  draw: () => [],
});

export interface PlacedText {
  readonly x: number;
  readonly text: string;
  readonly look?: TextLook;
  readonly size?: number;
}

/** Texts beside one another on one line. */
export function lineStrip(
  frame: DocumentFrame,
  texts: readonly PlacedText[],
  height = frame.lineHeight,
): Strip {
  return {
    height,
    keepsNext: false,
    startsPage: false,
    draw: (top) =>
      texts.map(({ x, text, look = 'plain', size = frame.size }) => ({
        kind: 'text',
        x,
        y: top + height - frame.lineHeight * 0.3,
        text,
        size,
        look,
      })),
  };
}

/** A text over the whole width, line by line. A line never stands alone at the end of a page or the head of the next. */
export function textStrips(
  frame: DocumentFrame,
  text: string,
  look: TextLook = 'plain',
  size = frame.size,
): readonly Strip[] {
  const height = size * 1.35;
  return text.split('\n').flatMap((paragraph) => {
    if (paragraph.trim() === '') return [{ ...space(height * 0.6), keepsNext: false }];
    const lines = wrapText(paragraph, frame.widthBetween, size, isBoldLook(look), frame.measure);
    return lines.map((line, at) => ({
      ...lineStrip(frame, [{ x: frame.margin, text: line, look, size }], height),
      keepsNext: lines.length > 1 && (at === 0 || at === lines.length - 2),
    }));
  });
}

/** A small text in the middle of the width; nothing where there is none. */
export const centeredText = (
  { widthPt, measure }: DocumentFrame,
  text: string,
  y: number,
  size: number,
): readonly PageItem[] =>
  text === ''
    ? []
    : [{ kind: 'text', x: (widthPt - measure(text, false) * size) / 2, y, text, size, look: 'soft' }];
