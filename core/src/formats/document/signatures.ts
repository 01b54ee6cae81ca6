import type { Strip } from '../../reports/pages/flow.ts';
import { wrapText } from '../../reports/pages/page.ts';
import type { DocumentFrame } from './strips.ts';

const A_ROW = 2;
const ROOM_ABOVE = 44;

/** Lines to sign on, two beside each other, each over a name. */
export function signatureStrips(frame: DocumentFrame, names: readonly string[]): readonly Strip[] {
  const { margin, widthBetween, size, lineHeight, measure } = frame;
  const width = (widthBetween - 30 * (A_ROW - 1)) / A_ROW;
  const rows = Math.ceil(names.length / A_ROW);
  return Array.from({ length: rows }, (_, row): Strip => {
    const inRow = names
      .slice(row * A_ROW, (row + 1) * A_ROW)
      .map((name) => wrapText(name, width, size - 1, false, measure));
    const tallest = Math.max(1, ...inRow.map(({ length }) => length));
    return {
      height: ROOM_ABOVE + tallest * lineHeight,
      keepsNext: false,
      startsPage: false,
      draw: (top) =>
        inRow.flatMap((lines, at) => {
          const x = margin + at * (width + 30);
          return [
            { kind: 'rule' as const, x, y: top + ROOM_ABOVE - 4, width, heavy: true },
            ...lines.map((text, line) => ({
              kind: 'text' as const,
              x,
              y: top + ROOM_ABOVE + size + line * lineHeight,
              text,
              size: size - 1,
              look: 'soft' as const,
            })),
          ];
        }),
    };
  });
}
