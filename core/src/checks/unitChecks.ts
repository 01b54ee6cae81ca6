import { parseScaleRatio } from '../takeoff/scale.ts';
import { findPaperSlip } from '../takeoff/paper.ts';
import { minorDigits } from '../pricing/money.ts';
import { type Check, type Checks, formula } from './check.ts';

const NIST = 'NIST SP 811 (2008), appendix B';

const unit = (text: string, expected: number, into: string, within?: number, source = NIST): Check => ({
  figure: text,
  expected,
  unit: into,
  source,
  ...(within === undefined ? {} : { within }),
  got: () => formula(text, into),
});

export const UNIT_CHECKS: Checks = {
  subject: 'Units',
  checks: [
    unit('1 in', 25.4, 'mm'),
    unit('1 ft', 0.3048, 'm'),
    unit('1 yd', 0.9144, 'm'),
    unit('1 mi', 1609.344, 'm'),
    unit('1 lb', 0.45359237, 'kg'),
    unit('1 oz', 28.34952, 'g', 5e-6),
    unit('1 ton', 907.18474, 'kg'),
    unit('1 ft²', 0.09290304, 'm²'),
    unit('1 in²', 6.4516, 'cm²'),
    unit('1 yd²', 0.83612736, 'm²'),
    unit('1 ft³', 0.02831685, 'm³', 5e-9),
    unit('1 yd³', 0.7645549, 'm³', 5e-8),
    unit('1 gal', 3.785412, 'L', 5e-7),
    unit(
      '1 acre',
      4046.873,
      'm²',
      0.05,
      `${NIST} (survey foot; from memory, to the tenth of a square meter)`,
    ),
  ],
};

const ratio = (text: string, expected: number, source: string): Check => ({
  figure: `Scale ${text}`,
  expected,
  unit: 'to 1',
  source,
  got: () => {
    const read = parseScaleRatio(text);
    return read.ok ? read.value : Number.NaN;
  },
});

/** A paper whose sizes were written in millimeters as if they were points is told by how far it is off. */
const paper = (name: string, short: number, long: number, source: string): Check => ({
  figure: `${name} of ${short} x ${long} mm, its size written as points`,
  expected: 25.4 / 72,
  unit: 'of its size',
  source,
  got: () => findPaperSlip(short, long)?.factor ?? Number.NaN,
});

const digits = (currency: string, expected: number): Check => ({
  figure: `Decimals of ${currency}`,
  expected,
  unit: '',
  source: 'ISO 4217 (from memory)',
  got: () => minorDigits(currency),
});

export const SHEET_CHECKS: Checks = {
  subject: 'Sheets, scales and currencies',
  checks: [
    ratio('1:50', 50, 'ISO 5455'),
    ratio('1:100', 100, 'ISO 5455'),
    ratio('1:200', 200, 'ISO 5455'),
    ratio(`1/8" = 1'-0"`, 96, 'computed: 12 in over 1/8 in'),
    ratio(`1/4" = 1'-0"`, 48, 'computed: 12 in over 1/4 in'),
    ratio(`1" = 20'`, 240, 'computed: 20 ft over 1 in'),
    paper('A2', 420, 594, 'ISO 216'),
    paper('A3', 297, 420, 'ISO 216'),
    paper('ARCH D', 609.6, 914.4, 'ASME Y14.1'),
    digits('JPY', 0),
    digits('USD', 2),
    digits('KWD', 3),
  ],
};
