import { describe, expect, it } from '@jest/globals';
import { libraryAssemblies } from './assemblies.ts';
import { inMetric, sayInMetric } from './metricBook.ts';
import { PRICE_BOOK } from './priceBook.ts';
import { tradeLibrary } from './tradeLibrary.ts';

const itemOf = (code: string) => {
  const found = PRICE_BOOK.find((item) => item.code === code);
  if (found === undefined) throw new Error(`itemOf: no ${code}`);
  return inMetric(found);
};

describe('a sample where people measure in meters', () => {
  it('is sold by the meter, its price and its hours for that', () => {
    // 468 for 1,000 ft of plate; 1,000 m are 3,280.84 ft.
    expect(itemOf('FR-PLT-4')).toMatchObject({ unit: 'm', basis: 1000, material: '1535.43' });
    // 152 a cubic yard, which is 0.764555 m³.
    expect(itemOf('CN-RM-30')).toMatchObject({ unit: 'm³', material: '198.81' });
    // 0.82 a pound, which is 0.453592 kg; 0.0078 hours a pound.
    expect(itemOf('CN-BAR-3')).toMatchObject({ unit: 'kg', material: '1.81', laborHours: '0.0172' });
    expect(itemOf('FR-STD-4')).toMatchObject({ unit: 'ea', material: '3.68' });
  });

  it.each([
    ['Stud 2x4, precut 92-5/8 in', 'Stud 38 x 89, precut 2353 mm'],
    ['Wall sheathing 1/2 in, 4x8', 'Wall sheathing 13 mm, 1220 x 2440'],
    ['Reinforcing bar No. 5', 'Reinforcing bar 16 mm'],
    ['Block 8 x 8 x 16', 'Block 200 x 200 x 400'],
    ['Anchor bolt 1/2 x 10 with washer', 'Anchor bolt 13 x 250 with washer'],
    ['Hollow metal door 3-0 x 7-0 with frame', 'Hollow metal door 915 x 2135 with frame'],
    ['Mortar type S, 94 lb bag', 'Mortar type S, 43 kg bag'],
    ['Ready-mix 4000 psi', 'Ready-mix 28 MPa'],
    ['Building wire No. 12', 'Building wire 3.3 mm²'],
    ['Manhole 4 ft, to 6 ft deep', 'Manhole 1.2 m, to 1.8 m deep'],
    ['Door hardware set', 'Door hardware set'],
  ])('%s is called %s', (said, inMeters) => {
    expect(sayInMetric(said)).toBe(inMeters);
  });

  it('and nothing else of the library speaks of feet, inches, pounds or gallons', () => {
    const unit =
      /\d[ -]?(?:in|ft|feet|foot|inch|inches|lb|lbs|oz|gal|psi|mil|yd)\b|\d['"]|ft²|yd[²³]|\b\dx\d|\d+-\d+\/\d+/;
    const units = new Set(['in', 'ft', 'ft²', 'yd²', 'yd³', 'in²', 'lb', 'ton', 'gal']);
    const found: string[] = [];
    const look = (where: string, ...texts: readonly string[]): void => {
      for (const text of texts) if (unit.test(text) || units.has(text)) found.push(`${where}: ${text}`);
    };
    for (const { code, unit: by, description, sizes } of PRICE_BOOK.map(inMetric))
      look(code, by, description, ...Object.values(sizes ?? {}));
    for (const { name, items, inputs, components, description, note } of tradeLibrary('metric')) {
      look(name, name, description, note ?? '');
      for (const item of items)
        look(`${name} ${item.code}`, item.unit, item.description, ...Object.values(item.sizes ?? {}));
      for (const each of components) look(`${name} ${each.key}`, each.name, each.unit, each.formula);
      for (const each of inputs)
        look(
          `${name} ${each.key}`,
          each.question,
          each.unit,
          each.hint,
          ...each.choices.map(({ label }) => label),
        );
    }
    for (const { name, components } of libraryAssemblies('metric'))
      for (const each of components) look(`${name} ${each.key}`, each.name, each.unit, each.formula);
    expect(found).toEqual([]);
  });
});
