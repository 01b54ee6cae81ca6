import type { Strip } from '../../reports/pages/flow.ts';
import type { PrintedBlock } from './printed.ts';
import { type DocumentFrame, textStrips } from './strips.ts';

/** A picture at its width, smaller where the page is not high enough, with its caption below; or why it is not there. */
export function pictureStrips(
  frame: DocumentFrame,
  { picture, ratio, widthPercent, caption, words }: Extract<PrintedBlock, { kind: 'picture' }>,
): readonly Strip[] {
  if (picture === '') return textStrips(frame, words, 'warn');
  const { margin, heightPt, widthBetween, lineHeight } = frame;
  const below = caption === '' ? [] : textStrips(frame, caption, 'soft', frame.size - 1);
  const room = heightPt - 2 * margin - below.length * lineHeight - 2 * lineHeight;
  const asked = (widthBetween * widthPercent) / 100;
  const height = Math.min(asked / ratio, room);
  const width = height * ratio;
  const strip: Strip = {
    height: height + 4,
    keepsNext: below.length > 0,
    startsPage: false,
    draw: (top) => [{ kind: 'picture', of: picture, x: margin, y: top, width, height }],
  };
  return [strip, ...below];
}
