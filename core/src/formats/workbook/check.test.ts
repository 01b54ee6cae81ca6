import { describe, expect, it } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { checkXlsx } from './check.ts';
import { LIMITS } from '../limits.ts';

const sheet = (inside: string): Uint8Array =>
  zipSync({
    '[Content_Types].xml': strToU8('<Types/>'),
    'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData/>${inside}</worksheet>`),
  });

describe('a workbook before it is read', () => {
  it('may have merges as people make them', () => {
    expect(
      checkXlsx(sheet('<mergeCells><mergeCell ref="A1:F1"/><mergeCell ref="B2:B40"/></mergeCells>')).ok,
    ).toBe(true);
  });

  it('with one merge over the whole sheet is refused: every cell of it would be made', () => {
    expect(checkXlsx(sheet('<mergeCells><mergeCell ref="A1:XFD1048576"/></mergeCells>'))).toMatchObject({
      problem: { kind: 'xlsx-merged', limit: LIMITS.workbook.mergedCells },
    });
  });

  it('with a row where no sheet has one, or cut off, is damaged', () => {
    expect(checkXlsx(sheet('<row r="99999999"/>'))).toMatchObject({ problem: { kind: 'xlsx-damaged' } });
    expect(checkXlsx(sheet('').slice(0, -5))).toMatchObject({ problem: { kind: 'xlsx-damaged' } });
  });
});
