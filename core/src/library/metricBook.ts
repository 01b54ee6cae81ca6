import { own } from '../job/own.ts';
import type { BookItem } from './priceBook.ts';

/** What a unit of the book is sold by where people measure in meters, and how many of that it is. */
const SOLD_BY: Readonly<Record<string, readonly [unit: string, factor: number]>> = {
  ft: ['m', 0.3048],
  in: ['mm', 25.4],
  'ft²': ['m²', 0.09290304],
  'yd²': ['m²', 0.83612736],
  'yd³': ['m³', 0.764554857984],
  'ft³': ['m³', 0.028316846592],
  lb: ['kg', 0.45359237],
  ton: ['t', 0.90718474],
  gal: ['L', 3.785411784],
};

/** Dimensions of sawn timber by their names in inches: what stands in the wall (American Softwood Lumber Standard, PS 20). */
const TIMBER: Readonly<Record<string, string>> = {
  '1x3': '19 x 64',
  '1x4': '19 x 89',
  '1x6': '19 x 140',
  '1x8': '19 x 184',
  '2x4': '38 x 89',
  '2x6': '38 x 140',
  '2x8': '38 x 184',
  '2x10': '38 x 235',
  '2x12': '38 x 286',
  '4x4': '89 x 89',
  '6x6': '140 x 140',
};
/** Bars by their number in eighths of an inch: designations of ASTM A615M (from memory). */
const BARS: Readonly<Record<string, string>> = {
  3: '10',
  4: '13',
  5: '16',
  6: '19',
  7: '22',
  8: '25',
  9: '29',
  10: '32',
  11: '36',
};
/** Nails by the penny: their length in millimeters (common nails, common practice). */
const NAILS: Readonly<Record<string, string>> = { '8d': '65 mm', '10d': '75 mm', '16d': '90 mm' };
/** Courses of block are named by the module: 200 mm for 8 in. */
const MODULES: Readonly<Record<string, string>> = { 4: '100', 6: '150', 8: '200', 12: '300', 16: '400' };

/** Building wire by its gauge: the area of its copper (ASTM B258, from memory). */
const WIRES: Readonly<Record<string, string>> = {
  12: '3.3 mm²',
  10: '5.3 mm²',
  8: '8.4 mm²',
  6: '13.3 mm²',
  3: '26.7 mm²',
  '3/0': '85 mm²',
};

/** `3-1/2`, `5/8`, `92-5/8` and `4` inches as a number. */
function inchesOf(text: string): number {
  const [, whole = '', over = '', under = '1'] =
    /^(?:(\d+)(?:-|\s|$))?(?:(\d+)\/(\d+))?$/.exec(text.trim()) ?? [];
  return Number(whole || 0) + (over === '' ? 0 : Number(over) / Number(under));
}

/** Whole inches are said in steps of 25, as the trade does; the rest to the millimeter. */
const mm = (inches: number): string =>
  String(Number.isInteger(inches) ? 25 * inches : Math.round(inches * 25.4));
/** A door or a sheet by its feet and inches, to the next 5 mm. */
const mmOfFeet = (feet: string, inches = '0'): string =>
  String(Math.round((12 * Number(feet) + Number(inches)) * 5.08) * 5);
const meters = (feet: string): string => String(Math.round(Number(feet) * 3.048) / 10);
const INCHES = String.raw`(\d+(?:-\d+\/\d+)?|\d+\/\d+)`;
const inInches = (pattern: string): RegExp => new RegExp(pattern.replaceAll('#', INCHES), 'g');

/** What a description says in inches, feet and pounds, said in millimeters, meters and kilograms. */
const SAID: readonly (readonly [RegExp, (...match: readonly string[]) => string])[] = [
  [/\b(\d+)-(\d+) x (\d+)-(\d+)\b/g, (_, a = '', b, c = '', d) => `${mmOfFeet(a, b)} x ${mmOfFeet(c, d)}`],
  [/\b6x6 W2\.9\b/g, () => '152 x 152 MW19'],
  [/\b4x4 W4\b/g, () => '102 x 102 MW26'],
  [
    /(?<=\bbar )No\. (\d+)\b/g,
    (text = '', number = '') => (own(BARS, number) === undefined ? text : `${own(BARS, number)} mm`),
  ],
  [/(?<=\bwire )(?:No\. )?(\d+(?:\/0)?)\b/g, (text = '', gauge = '') => own(WIRES, gauge) ?? text],
  [/\b(?:8d|10d|16d)\b/g, (text = '') => own(NAILS, text) ?? text],
  [
    /(?<=\b[Bb]lock )(\d+) x (\d+) x (\d+)\b/g,
    (_, ...sides) =>
      sides
        .slice(0, 3)
        .map((each) => own(MODULES, each) ?? each)
        .join(' x '),
  ],
  [/\b(\d+) in(?= block\b)|(?<=\bblock )(\d+) in\b/g, (_, a, b) => `${own(MODULES, a || b || '') ?? ''} mm`],
  [
    /\b(3|4)x(5|8|10|12)\b(?!.*(?:ply|treated))(?<=, \dx\d+)/g,
    (_, a = '', b = '') => `${mmOfFeet(a)} x ${mmOfFeet(b)}`,
  ],
  [/\b\d+x\d+\b/g, (text = '') => own(TIMBER, text) ?? text],
  [
    inInches('\\b# x # x #(?=,|$)'),
    (_, a = '', b = '', c = '') => `${mm(inchesOf(a))} x ${mm(inchesOf(b))} x ${mm(inchesOf(c))}`,
  ],
  [inInches('\\b# x # in\\b'), (_, a = '', b = '') => `${mm(inchesOf(a))} x ${mm(inchesOf(b))} mm`],
  [inInches('\\b# x #(?= with|,|$)'), (_, a = '', b = '') => `${mm(inchesOf(a))} x ${mm(inchesOf(b))}`],
  [
    inInches('\\b#[ -](?:in|inch)\\b(?! )|\\b#[ -](?:in|inch)\\b(?= )'),
    (_, a, b) => `${mm(inchesOf(a || b || ''))} mm`,
  ],
  [inInches('\\b#"'), (_, size = '') => `${mm(inchesOf(size))} mm`],
  [/\b(\d+(?:\.\d+)?)[ -](?:ft|feet|foot)\b/g, (_, feet = '') => `${meters(feet)} m`],
  [/\b(\d+) lb\b/g, (_, pounds) => `${Math.round(Number(pounds) * 0.45359237)} kg`],
  [/\b(\d+) oz\b/g, (_, ounces) => `${Math.round(Number(ounces) * 2.957353) * 10} mL`],
  [/\b(\d+) gal\b/g, (_, gallons) => `${Math.round(Number(gallons) * 3.785411784)} L`],
  [/\b(\d+) mil\b/g, (_, mils) => `${(Math.round(Number(mils) * 2.54) / 100).toFixed(2)} mm`],
  [/\b(\d+) psi\b/g, (_, psi) => `${Math.round(Number(psi) * 0.00689476)} MPa`],
  [/\bper foot\b/g, () => 'per meter'],
];

/** Stands for what is said already, so that no later rule reads it again. */
const HELD = 0xe000;

/** A description in metric units. */
export function sayInMetric(text: string): string {
  const said: string[] = [];
  const marked = SAID.reduce(
    (now, [pattern, say]) =>
      now.replace(pattern, (...match: unknown[]) => {
        const groups = match.slice(
          0,
          match.findIndex((each) => typeof each === 'number'),
        );
        said.push(say(...groups.map((each) => (typeof each === 'string' ? each : ''))));
        return String.fromCharCode(HELD + said.length - 1);
      }),
    text,
  );
  return [...marked].map((each) => said[(each.codePointAt(0) ?? 0) - HELD] ?? each).join('');
}

/** A decimal for so many of one unit as one for so many of another: cents are what a sample is worth, below one its hundredths. */
function converted(decimal: string, factor: number): string {
  if (decimal === '') return '';
  const value = Number(decimal) * factor;
  return value.toFixed(Math.abs(value) >= 1 ? 2 : 4);
}

/** `92.625 in`, `9 ft`, `0.376 lb/ft` in metric units, to the millimeter or the gram. */
function sizeInMetric(text: string): string {
  const [, figure = '', unit = ''] = /^([\d.]+)\s*(\S+)$/.exec(text) ?? [];
  const value = Number(figure);
  switch (unit) {
    case 'in':
      return `${Math.round(value * 254) / 10} mm`;
    case 'ft':
      return `${Math.round(value * 304.8) / 1000} m`;
    case 'in²':
      return `${Math.round(value * 64516) / 100} mm²`;
    case 'lb/ft':
      return `${Math.round(value * 1488.16394) / 1000} kg/m`;
    default:
      return text;
  }
}

/** A sample as it is sold where people measure in meters: its unit, its price for that, and its name. */
export function inMetric(item: BookItem): BookItem {
  const [unit, size] = own(SOLD_BY, item.unit) ?? [item.unit, 1];
  const per = (decimal: string): string => converted(decimal, 1 / size);
  const costs =
    size === 1
      ? {}
      : {
          material: per(item.material),
          laborHours: item.laborBy === undefined ? per(item.laborHours) : converted(item.laborHours, size),
          equipment: per(item.equipment),
          subcontract: per(item.subcontract),
          other: per(item.other),
        };
  return {
    ...item,
    ...costs,
    unit,
    description: sayInMetric(item.description),
    ...(item.sizes === undefined
      ? {}
      : {
          sizes: Object.fromEntries(
            Object.entries(item.sizes).map(([key, value]) => [key, sizeInMetric(value)]),
          ),
        }),
  };
}
