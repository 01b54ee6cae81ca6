import { describe, expect, it } from '@jest/globals';
import { snapRate } from '@zest/demo/strangers/rates';
import { strangerSheets } from '@zest/demo/strangers/sheets';
import { writeStranger } from '@zest/demo/strangers/write';
import { createSnapIndex, packLines } from '@zest/core/geometry/snap';
import { readLineWork } from './readPage.ts';

// Goals of the design: 98 % of inner corners within 0.2 mm of paper, nothing drawn farther than 1 mm off,
// and no bare floor that draws the pen to what nobody sees.
describe("corners of rooms on strangers' sheets", () => {
  it.each(strangerSheets())('are found, and bare floor is free: $name', async (sheet) => {
    const index = createSnapIndex(packLines(await readLineWork(await writeStranger(sheet))));
    const { asked, found, astray, caught } = snapRate(index, sheet);
    expect({ astray, caught }).toEqual({ astray: 0, caught: 0 });
    expect(found / asked).toBeGreaterThanOrEqual(sheet.name.includes('two lines, 1 mm') ? 0.9 : 0.98);
  });
});
