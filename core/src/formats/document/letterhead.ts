import type { Strip } from '../../reports/pages/flow.ts';
import { type PageItem, type TextLook, wrapText } from '../../reports/pages/page.ts';
import { LOGO, type PrintedBlock, type PrintedDocument } from './printed.ts';
import type { DocumentFrame } from './strips.ts';

const LOGO_HEIGHT = 44;
const LOGO_WIDTH = 160;

/** Who writes, at the left; what it is and of which day, at the right; a line below both. */
export function letterheadStrip(
  frame: DocumentFrame,
  { pictures, page }: PrintedDocument,
  { company, address, title, dated }: Extract<PrintedBlock, { kind: 'letterhead' }>,
): Strip {
  const { margin, size, lineHeight, widthBetween, measure, widthPt } = frame;
  const big = size * 1.5;
  const half = widthBetween / 2 - 10;
  const wrap = (text: string, isBig: boolean): readonly string[] =>
    wrapText(text, half, isBig ? big : size, isBig, measure);
  const logo = page.logo === false ? undefined : pictures[LOGO];
  const left = column(frame, [
    ...wrap(company, true).map(bigText),
    ...address.flatMap((line) => wrap(line, false)).map(soft),
  ]);
  const right = column(frame, [...wrap(title, true).map(bigText), ...wrap(dated, false).map(soft)]);
  const ratio = logo === undefined ? 0 : logo.widthPx / logo.heightPx;
  const logoHeight = logo === undefined ? 0 : Math.min(LOGO_HEIGHT, LOGO_WIDTH / ratio) + 6;
  const height = Math.max(logoHeight + left.height, right.height) + lineHeight * 0.6;
  const draw = (top: number): readonly PageItem[] => [
    ...(logo === undefined
      ? []
      : [
          {
            kind: 'picture' as const,
            of: LOGO,
            x: margin,
            y: top,
            width: (logoHeight - 6) * ratio,
            height: logoHeight - 6,
          },
        ]),
    ...left.draw(top + logoHeight, () => margin),
    ...right.draw(top, (text, own, bold) => widthPt - margin - measure(text, bold) * own),
    { kind: 'rule', x: margin, y: top + height - 2, width: widthBetween, heavy: true },
  ];
  return { height, keepsNext: false, startsPage: false, draw };
}

interface Line {
  readonly text: string;
  readonly isBig: boolean;
}

const bigText = (text: string): Line => ({ text, isBig: true });
const soft = (text: string): Line => ({ text, isBig: false });

interface Column {
  readonly height: number;
  readonly draw: (
    top: number,
    left: (text: string, size: number, bold: boolean) => number,
  ) => readonly PageItem[];
}

/** Lines one below the other, the large ones bold. */
function column({ size, lineHeight }: DocumentFrame, lines: readonly Line[]): Column {
  const heights = lines.map(({ isBig }) => (isBig ? lineHeight * 1.5 : lineHeight));
  return {
    height: heights.reduce((sum, each) => sum + each, 0),
    draw: (top, left) => {
      let y = top;
      return lines.map(({ text, isBig }, at): PageItem => {
        y += heights[at] ?? 0;
        const own = isBig ? size * 1.5 : size;
        const look: TextLook = isBig ? 'bold' : 'soft';
        return { kind: 'text', x: left(text, own, isBig), y: y - lineHeight * 0.3, text, size: own, look };
      });
    },
  };
}
