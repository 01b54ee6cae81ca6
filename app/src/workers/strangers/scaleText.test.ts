import { describe, expect, it } from '@jest/globals';
import { A1 } from '@zest/demo/strangers/sheets';
import { titledSheets } from '@zest/demo/strangers/titleBlocks';
import { writeStranger } from '@zest/demo/strangers/write';
import { readPrintedScales } from '@zest/core/takeoff/printedScale';
import { readFirstPage } from './readPage.ts';

describe("the scale that a stranger's sheet prints", () => {
  it.each(titledSheets())('is read as a person reads it: $name', async ({ content, ratio, ratios }) => {
    const { texts, ...page } = await readFirstPage(await writeStranger({ ...A1, content, hidden: '' }));
    const { sheet, all } = readPrintedScales(texts, { ...page, paper: 'A1' });
    expect(sheet && Math.round(sheet.ratio)).toBe(ratio);
    expect(all.map((each) => Math.round(each.ratio))).toEqual(expect.arrayContaining([...ratios]));
  });
});
