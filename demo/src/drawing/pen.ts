import { type PDFFont, type PDFPage, LineCapStyle, degrees, rgb } from '@cantoo/pdf-lib';

/** Sheet points, 1/72 in from the top left corner, y downward, as the product counts them. */
export type Spot = readonly [x: number, y: number];

export interface Fonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
}

export type Weight = 'hair' | 'thin' | 'medium' | 'bold' | 'heavy';
const WIDTHS: Readonly<Record<Weight, number>> = {
  hair: 0.25,
  thin: 0.5,
  medium: 0.9,
  bold: 1.5,
  heavy: 2.4,
};

export interface LineLook {
  readonly weight?: Weight;
  readonly gray?: number;
  readonly dash?: readonly number[];
}

export type Align = 'left' | 'center' | 'right';

export interface TextLook {
  readonly size?: number;
  readonly align?: Align;
  readonly bold?: boolean;
  readonly gray?: number;
  /** Quarter turns counterclockwise. */
  readonly turn?: 0 | 1;
}

const shade = (gray: number) => rgb(gray, gray, gray);

/** Draws on one page in sheet points; keeps what every sheet of the set has in common in one place. */
export interface Pen {
  readonly width: number;
  readonly height: number;
  readonly line: (from: Spot, to: Spot, look?: LineLook) => void;
  readonly path: (
    spots: readonly Spot[],
    look?: LineLook & { readonly closed?: boolean; readonly fill?: number },
  ) => void;
  readonly circle: (center: Spot, radius: number, look?: LineLook & { readonly fill?: number }) => void;
  readonly arc: (center: Spot, radius: number, fromDeg: number, toDeg: number, look?: LineLook) => void;
  /** Paper again, over what was drawn. */
  readonly blank: (corner: Spot, width: number, height: number) => void;
  readonly text: (at: Spot, text: string, look?: TextLook) => void;
  readonly textWidth: (text: string, size: number, bold?: boolean) => number;
}

export function createPen(page: PDFPage, fonts: Fonts): Pen {
  const { width, height } = page.getSize();
  const flip = ([x, y]: Spot) => ({ x, y: height - y });
  const fontOf = (bold?: boolean): PDFFont => (bold === true ? fonts.bold : fonts.plain);

  const path: Pen['path'] = (spots, { weight = 'thin', gray = 0, dash, closed = false, fill } = {}) => {
    const data = spots.map(([x, y], i) => `${i === 0 ? 'M' : 'L'} ${x.toFixed(3)} ${y.toFixed(3)}`).join(' ');
    page.drawSvgPath(closed ? `${data} Z` : data, {
      x: 0,
      y: height,
      borderColor: shade(gray),
      borderWidth: WIDTHS[weight],
      borderLineCap: LineCapStyle.Projecting,
      ...(dash === undefined ? {} : { borderDashArray: [...dash] }),
      ...(fill === undefined ? {} : { color: shade(fill) }),
    });
  };

  return {
    width,
    height,
    path,
    line: (from, to, { weight = 'thin', gray = 0, dash } = {}) => {
      page.drawLine({
        start: flip(from),
        end: flip(to),
        thickness: WIDTHS[weight],
        color: shade(gray),
        ...(dash === undefined ? {} : { dashArray: [...dash] }),
      });
    },
    circle: (center, radius, { weight = 'thin', gray = 0, fill } = {}) => {
      page.drawCircle({
        ...flip(center),
        size: radius,
        borderColor: shade(gray),
        borderWidth: WIDTHS[weight],
        ...(fill === undefined ? {} : { color: shade(fill) }),
      });
    },
    arc: ([x, y], radius, fromDeg, toDeg, look) => {
      const steps = 16;
      const spots = Array.from({ length: steps + 1 }, (_, i): Spot => {
        const angle = ((fromDeg + ((toDeg - fromDeg) * i) / steps) * Math.PI) / 180;
        return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
      });
      path(spots, look);
    },
    blank: ([x, y], wide, high) => {
      page.drawRectangle({ x, y: height - y - high, width: wide, height: high, color: shade(1) });
    },
    text: ([x, y], text, { size = 8, align = 'left', bold, gray = 0, turn = 0 } = {}) => {
      const font = fontOf(bold);
      const wide = font.widthOfTextAtSize(text, size);
      const shift = align === 'left' ? 0 : align === 'center' ? wide / 2 : wide;
      const at = turn === 0 ? flip([x - shift, y]) : flip([x, y + shift]);
      page.drawText(text, { ...at, size, font, color: shade(gray), rotate: degrees(turn * 90) });
    },
    textWidth: (text, size, bold) => fontOf(bold).widthOfTextAtSize(text, size),
  };
}
