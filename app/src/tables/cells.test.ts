import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { leavesSight, blockOf, moveCell, parseTsv, writeTsv } from './cells.ts';

describe('cells of a table', () => {
  it('come back from the clipboard as they went out, whatever they hold', () => {
    const cell = fc.string().filter((text) => !/[\r\n]/.test(text));
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 5 })
          .chain((width) =>
            fc.array(fc.array(cell, { minLength: width, maxLength: width }), { minLength: 1, maxLength: 6 }),
          ),
        (cells) => {
          // One empty cell is nothing on a clipboard.
          fc.pre(cells.some((row) => row.some((text) => text !== '')));
          fc.pre(cells.at(-1)?.some((text) => text !== '') === true);
          expect(parseTsv(writeTsv(cells))).toEqual(cells);
        },
      ),
    );
  });

  it('takes what a spreadsheet puts on the clipboard', () => {
    expect(parseTsv('Slab\t13.33\tyd³\r\nMesh\t720\tft²\r\n')).toEqual([
      ['Slab', '13.33', 'yd³'],
      ['Mesh', '720', 'ft²'],
    ]);
    expect(parseTsv('"two\nlines"\tx')).toEqual([['two\nlines', 'x']]);
  });

  it('stays within the table, and knows a block from either corner', () => {
    expect(moveCell({ row: 0, column: 2 }, { row: -1, column: 5 }, 10, 4)).toEqual({ row: 0, column: 3 });
    expect(blockOf({ anchor: { row: 5, column: 1 }, focus: { row: 2, column: 3 } })).toEqual({
      top: 2,
      bottom: 5,
      left: 1,
      right: 3,
    });
  });
});

describe('what was in sight', () => {
  // The room is 300 px high and shows 1000 to 1300.
  const leaves = (start: number, end: number, height: number): boolean =>
    leavesSight({ start, end }, 1000, 300, height);

  it('leaves it when the room shrinks over it, and not when it stays, grows or was not seen', () => {
    expect(leaves(1273, 1300, 259)).toBe(true);
    expect(leaves(1200, 1227, 259)).toBe(false);
    expect(leaves(1273, 1300, 300)).toBe(false);
    expect(leaves(1273, 1300, 400)).toBe(false);
    // Half of it was cut off before, or it was above: nobody was looking at it.
    expect(leaves(1290, 1317, 259)).toBe(false);
    expect(leaves(900, 927, 259)).toBe(false);
  });
});
