import { describe, expect, it } from '@jest/globals';
import { disciplineOf, levelNameOf } from './discipline.ts';

describe('what a sheet says of where it belongs', () => {
  it.each([
    ['A-101', 'Architectural'],
    ['S-102', 'Structural'],
    ['e101', 'Electrical'],
    ['101', ''],
    ['', ''],
  ])('sheet %s is %s', (number, discipline) => expect(disciplineOf(number)).toBe(discipline));

  it.each([
    ['Ground floor plan', 'Ground floor'],
    ['UPPER FLOOR BEAM PLAN', 'Upper floor'],
    ['Level 3 lighting', 'Level 3'],
    ['Door schedule', ''],
  ])('‘%s’ is on %s', (title, level) => expect(levelNameOf(title)).toBe(level));
});
