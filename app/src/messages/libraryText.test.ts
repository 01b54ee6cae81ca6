import { describe, expect, it } from '@jest/globals';
import { tradeLibrary } from '@zest/core/library/tradeLibrary';
import { sayLibrary } from './libraryText.ts';

const uk = sayLibrary('en-GB');

describe('the library in UK English', () => {
  it('uses the words of the trade there', () => {
    expect(uk('Depth of the header?')).toBe('Depth of the lintel?');
    expect(uk('Rubber base 4 in')).toBe('Rubber skirting 4 in');
    expect(uk('A ground wire with them?')).toBe('An earth wire with them?');
    expect(uk('Sod lawn')).toBe('Turf lawn');
    expect(uk('Laborer, by the hour')).toBe('Labourer, by the hour');
    expect(uk('Drip edge at eaves and rakes')).toBe('Drip edge at eaves and verges');
  });

  it('leaves what is the same alone', () => {
    for (const text of [
      'Keyway form',
      'Board on how many faces?',
      'Base course',
      'foundation ground beam gb',
    ])
      expect(uk(text)).toBe(text);
  });

  it('leaves no US spelling in what is read', () => {
    const texts = tradeLibrary('us', uk).flatMap((assembly) => [
      assembly.name,
      assembly.description,
      ...assembly.inputs.flatMap(({ question, hint, choices }) => [
        question,
        hint,
        ...choices.map(({ label }) => label),
      ]),
      ...assembly.components.map(({ name }) => name),
      ...assembly.items.map(({ description }) => description),
    ]);
    const left = texts.filter((text) =>
      /\b(labor|color|center|fiber|lumber|gray|mold|sidewalk|curb)/i.test(text),
    );
    expect(left).toEqual([]);
  });
});
