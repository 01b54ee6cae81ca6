import { perText } from '../pricing/tellingWords.ts';

/** What a text says of sizes: `2x6`, and lengths in meters. */
export interface SizesInText {
  readonly nominal: readonly string[];
  readonly lengthsM: readonly number[];
}

const NOMINAL = /(\d+(?:[.,]\d+)?)\s*[x×]\s*(\d+(?:[.,]\d+)?)(?:\s*[x×]\s*(\d+(?:[.,]\d+)?))?/gi;
const LENGTH =
  /(\d+(?:[.,]\d+)?)?(?:[ -]?(\d+)\/(\d+))?\s*(in\b|inch(?:es)?\b|"|″|ft\b|feet\b|'|′|mm\b|cm\b|m\b)/gi;
const METERS: Readonly<Record<string, number>> = {
  in: 0.0254,
  inch: 0.0254,
  inches: 0.0254,
  '"': 0.0254,
  '″': 0.0254,
  ft: 0.3048,
  feet: 0.3048,
  "'": 0.3048,
  '′': 0.3048,
  mm: 0.001,
  cm: 0.01,
  m: 1,
};

const figure = (text: string | undefined): number => Number((text ?? '0').replace(',', '.'));

/** Sizes as people write them into names: `Stud 2x4, 92-5/8 in` says 2x4 and 2.353 m. */
export const sizesInText = perText((text: string): SizesInText => {
  // `12-0 x 10-0` is feet with no inches.
  const plain = text.replace(/(?<=\d)-0(?!\d|[ -]?\d\/)/g, '');
  const nominal = [...plain.matchAll(NOMINAL)].map(([, ...parts]) =>
    parts
      .filter((part): part is string => part !== undefined)
      .map((part) => part.replace(',', '.'))
      .join('x'),
  );
  const lengthsM = [...plain.replace(NOMINAL, ' ').matchAll(LENGTH)].flatMap(
    ([, whole, over, under, unit = '']) => {
      if (whole === undefined && over === undefined) return [];
      const value = figure(whole) + (over === undefined ? 0 : figure(over) / figure(under));
      const meters = value * (METERS[unit.toLowerCase()] ?? 0);
      return meters > 0 ? [meters] : [];
    },
  );
  return { nominal, lengthsM };
});

const LITTLE = 0.005;
export const isSameLength = (a: number, b: number): boolean =>
  Math.abs(a - b) <= LITTLE * Math.max(Math.abs(a), Math.abs(b));

/** The text with its sizes taken out: two that are left alike are the same thing in two sizes. */
export const withoutSizes = perText((text: string): string =>
  text
    .replace(NOMINAL, ' ')
    .replace(LENGTH, ' ')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim(),
);
