import fontkit from '@cantoo/fontkit';
import boldUrl from '@fontsource/ibm-plex-sans/files/ibm-plex-sans-latin-600-normal.woff?url';
import boldExtUrl from '@fontsource/ibm-plex-sans/files/ibm-plex-sans-latin-ext-600-normal.woff?url';
import regularUrl from '@fontsource/ibm-plex-sans/files/ibm-plex-sans-latin-400-normal.woff?url';
import regularExtUrl from '@fontsource/ibm-plex-sans/files/ibm-plex-sans-latin-ext-400-normal.woff?url';
import type { MeasureText } from '@zest/core/reports/pages/page';

/** One file of the font: its bytes, and how wide its letters are at one point. */
export interface FontPart {
  readonly bytes: Uint8Array;
  /** Undefined for a letter it does not have. */
  readonly advanceOf: (codePoint: number) => number | undefined;
}

/** The font of documents, plain and bold, each as parts that share the letters among them. */
export interface DocumentFonts {
  readonly plain: readonly FontPart[];
  readonly bold: readonly FontPart[];
}

interface ReadFont {
  readonly unitsPerEm: number;
  readonly hasGlyphForCodePoint: (codePoint: number) => boolean;
  readonly glyphForCodePoint: (codePoint: number) => { readonly advanceWidth: number };
}

let loaded: Promise<DocumentFonts> | undefined;

/** The font that ships with the program, read once. */
export function loadFonts(): Promise<DocumentFonts> {
  loaded ??= Promise.all([regularUrl, regularExtUrl, boldUrl, boldExtUrl].map(loadPart)).then(
    ([plain, plainExt, bold, boldExt]) => ({
      plain: [plain, plainExt] as readonly FontPart[],
      bold: [bold, boldExt] as readonly FontPart[],
    }),
  );
  return loaded;
}

const loadPart = async (url: string): Promise<FontPart> =>
  readFontPart(new Uint8Array(await (await fetch(url)).arrayBuffer()));

/** A file of the font; each letter is measured once. */
export function readFontPart(bytes: Uint8Array): FontPart {
  const font = fontkit.create(bytes) as unknown as ReadFont;
  const known = new Map<number, number | undefined>();
  const advanceOf = (codePoint: number): number | undefined => {
    if (known.has(codePoint)) return known.get(codePoint);
    const advance = font.hasGlyphForCodePoint(codePoint)
      ? font.glyphForCodePoint(codePoint).advanceWidth / font.unitsPerEm
      : undefined;
    known.set(codePoint, advance);
    return advance;
  };
  return { bytes, advanceOf };
}

/** What stands for a letter that the font does not have. */
export const UNKNOWN_LETTER = '?';

/** A letter of the font for each of a text's; the narrow space is a space. */
export const inFont = (letter: string): string => (letter === '\u202f' ? '\u00a0' : letter);

/** The part of the font that has a letter; undefined where none has. */
export const partOf = (parts: readonly FontPart[], letter: string): FontPart | undefined =>
  parts.find(({ advanceOf }) => advanceOf(letter.codePointAt(0) ?? 0) !== undefined);

/** How wide texts are in the fonts; each letter is measured once. */
export function createMeasure({ plain, bold }: DocumentFonts): MeasureText {
  const widths = { plain: new Map<string, number>(), bold: new Map<string, number>() };
  return (text, isBold) => {
    const [parts, known] = isBold ? [bold, widths.bold] : [plain, widths.plain];
    let width = 0;
    for (const letter of text) {
      let own = known.get(letter);
      if (own === undefined) {
        const shown = inFont(letter);
        own =
          partOf(parts, shown)?.advanceOf(shown.codePointAt(0) ?? 0) ??
          parts[0]?.advanceOf(UNKNOWN_LETTER.charCodeAt(0)) ??
          0.5;
        known.set(letter, own);
      }
      width += own;
    }
    return width;
  };
}
