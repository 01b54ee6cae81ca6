import { AREA, type Dimension, LENGTH, MASS, NUMBER, TIME, VOLUME, divideDimensions } from './dimension.ts';

/**
 * A unit is a label with a dimension and the number of SI base units it stands for.
 * Factors are exact products of the exact definitions in NIST SP 811 (2008), App. B.
 */
export interface Unit {
  /** How the unit is written after a figure: `ft²`. */
  readonly symbol: string;
  readonly dimension: Dimension;
  /** SI base units (m, kg, s) in one of this unit. */
  readonly factor: number;
  /** Other spellings that are understood when typed. */
  readonly spellings: readonly string[];
  /** One of them in words, for lists and help. */
  readonly label: string;
}

const INCH = 0.0254;
const FOOT = 0.3048;
const YARD = 0.9144;
const POUND = 0.45359237;
const GALLON = 231 * INCH ** 3;
const HOUR = 3600;

const unit = (
  symbol: string,
  dimension: Dimension,
  factor: number,
  label: string,
  ...spellings: readonly string[]
): Unit => ({ symbol, dimension, factor, label, spellings });

export const UNITS: readonly Unit[] = [
  unit('ft', LENGTH, FOOT, 'feet', 'foot', 'feet', "'", '′', 'lf', 'lin ft'),
  unit('in', LENGTH, INCH, 'inches', 'inch', 'inches', '"', '″'),
  unit('yd', LENGTH, YARD, 'yards', 'yard', 'yards'),
  unit('mi', LENGTH, 5280 * FOOT, 'miles', 'mile', 'miles'),
  unit('m', LENGTH, 1, 'meters', 'meter', 'meters', 'metre', 'metres'),
  unit('mm', LENGTH, 0.001, 'millimeters', 'millimeter', 'millimeters'),
  unit('cm', LENGTH, 0.01, 'centimeters', 'centimeter', 'centimeters'),
  unit('km', LENGTH, 1000, 'kilometers', 'kilometer', 'kilometers'),
  unit('ft²', AREA, FOOT ** 2, 'square feet', 'sq ft', 'sf', 'ft2', 'ft^2', 'sqft'),
  unit('in²', AREA, INCH ** 2, 'square inches', 'sq in', 'in2', 'in^2'),
  unit('yd²', AREA, YARD ** 2, 'square yards', 'sq yd', 'sy', 'yd2', 'yd^2'),
  unit('square', AREA, 100 * FOOT ** 2, 'roofing squares, 100 ft²', 'squares', 'sq'),
  unit('acre', AREA, 43560 * FOOT ** 2, 'acres', 'acres', 'ac'),
  unit('m²', AREA, 1, 'square meters', 'sq m', 'm2', 'm^2', 'sqm'),
  unit('mm²', AREA, 1e-6, 'square millimeters', 'sq mm', 'mm2', 'mm^2'),
  unit('cm²', AREA, 1e-4, 'square centimeters', 'sq cm', 'cm2', 'cm^2'),
  unit('ha', AREA, 10000, 'hectares', 'hectare', 'hectares'),
  unit('ft³', VOLUME, FOOT ** 3, 'cubic feet', 'cu ft', 'cf', 'ft3', 'ft^3'),
  unit('yd³', VOLUME, YARD ** 3, 'cubic yards', 'cu yd', 'cy', 'yd3', 'yd^3'),
  unit('in³', VOLUME, INCH ** 3, 'cubic inches', 'cu in', 'in3', 'in^3'),
  unit('m³', VOLUME, 1, 'cubic meters', 'cu m', 'm3', 'm^3'),
  unit('L', VOLUME, 0.001, 'liters', 'l', 'liter', 'liters', 'litre', 'litres'),
  unit('gal', VOLUME, GALLON, 'US gallons', 'gallon', 'gallons'),
  unit('lb', MASS, POUND, 'pounds', 'lbs', 'pound', 'pounds'),
  unit('oz', MASS, POUND / 16, 'ounces', 'ounce', 'ounces'),
  unit('ton', MASS, 2000 * POUND, 'short tons, 2000 lb', 'tons'),
  unit('kg', MASS, 1, 'kilograms', 'kilogram', 'kilograms'),
  unit('g', MASS, 0.001, 'grams', 'gram', 'grams'),
  unit('t', MASS, 1000, 'metric tons', 'tonne', 'tonnes'),
  unit('h', TIME, HOUR, 'hours', 'hr', 'hrs', 'hour', 'hours'),
  unit('min', TIME, 60, 'minutes', 'minute', 'minutes'),
  unit('s', TIME, 1, 'seconds', 'second', 'seconds'),
  unit('%', NUMBER, 0.01, 'percent', 'percent'),
  unit('deg', NUMBER, Math.PI / 180, 'degrees', '°', 'degree', 'degrees'),
];

/** Labels for things that are bought by the piece. They are counts: one is one. */
export const COUNT_LABELS = [
  'ea',
  'sheet',
  'bag',
  'stick',
  'box',
  'roll',
  'pail',
  'tube',
  'load',
  'set',
  'pair',
  'sum',
] as const;

const countUnits: readonly Unit[] = COUNT_LABELS.map((label) => unit(label, NUMBER, 1, label));

const bySpelling = new Map<string, Unit>();
for (const each of [...UNITS, ...countUnits]) {
  for (const spelling of [each.symbol, ...each.spellings]) bySpelling.set(spelling, each);
}

const findSimple = (text: string): Unit | undefined =>
  bySpelling.get(text) ?? bySpelling.get(text.toLowerCase());

/** Finds a unit by any spelling, also one divided by another (`lb/ft`, `h/ft²`). */
export function findUnit(text: string): Unit | undefined {
  const trimmed = text.trim().replace(/\s+/g, ' ');
  const simple = findSimple(trimmed);
  if (simple !== undefined) return simple;
  const [over, under, ...rest] = trimmed.split('/').map((part) => findSimple(part.trim()));
  if (over === undefined || under === undefined || rest.length > 0) return undefined;
  return {
    symbol: `${over.symbol}/${under.symbol}`,
    dimension: divideDimensions(over.dimension, under.dimension),
    factor: over.factor / under.factor,
    label: `${over.label} per ${under.label}`,
    spellings: [],
  };
}

/** The unit known under this name; throws for one that is not, since callers pass checked data. */
export function getUnit(text: string): Unit {
  const found = findUnit(text);
  if (found === undefined) throw new Error(`getUnit: no unit is called ${JSON.stringify(text)}`);
  return found;
}

/** True when figures in the unit are whole things bought by the piece. */
export const isCountLabel = (symbol: string): boolean => (COUNT_LABELS as readonly string[]).includes(symbol);

/** Every spelling, longest first, so that a tokenizer takes `sq ft` before `sq`. */
export const UNIT_SPELLINGS: readonly string[] = [...bySpelling.keys()].sort(
  (a, b) => b.length - a.length || (a < b ? -1 : 1),
);
