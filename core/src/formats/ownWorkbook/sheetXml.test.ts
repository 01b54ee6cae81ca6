import { describe, expect, it } from '@jest/globals';
import { columnLetters, columnNumber } from '../workbook/columns.ts';
import { cellsOf, fillCells, textOfXml } from './sheetXml.ts';

const SHEET =
  '<worksheet><sheetData>' +
  '<row r="2" spans="1:4" ht="20"><c r="A2" t="s"><v>1</v></c><c r="C2" s="7"/><c r="D2"><f>C2*2</f><v>0</v></c></row>' +
  '<row r="5"><c r="B5" s="3" t="str"><v>old</v></c></row>' +
  '</sheetData><mergeCells/></worksheet>';
const filled = (cells: Readonly<Record<string, number | string>>): string =>
  fillCells(SHEET, new Map(Object.entries(cells)));

describe('the columns of a sheet', () => {
  it('are counted by letters, beyond Z and ZZ', () => {
    for (const [letters, number] of [
      ['A', 1],
      ['Z', 26],
      ['AA', 27],
      ['ZZ', 702],
      ['AAA', 703],
      // The last column a sheet can have (ECMA-376 part 1, 18.3.1.73: 16,384).
      ['XFD', 16_384],
    ] as const)
      expect([columnNumber(letters), columnLetters(number)]).toEqual([number, letters]);
  });
});

describe('the cells of a sheet', () => {
  const cells = cellsOf(SHEET, ['zero', 'shared']);

  it('say what stands in them, wherever their text is kept', () => {
    expect(['A2', 'B5', 'C2', 'Z9'].map(cells.textOf)).toEqual(['shared', 'old', '', '']);
    expect(
      cellsOf('<row r="1"><c r="A1" t="inlineStr"><is><t>a &amp; b</t></is></c></row>', []).textOf('A1'),
    ).toBe('a & b');
  });

  it('say whether they calculate', () => {
    expect(['D2', 'C2', 'A2'].map(cells.calculates)).toEqual([true, false, false]);
  });

  it('have their text without tags, marks for reading, and codes', () => {
    expect(
      textOfXml('<si><r><t>Stud </t></r><r><t>2&#215;4 &#x201C;dry&#x201D;</t></r><rPh><t>x</t></rPh></si>'),
    ).toBe('Stud 2×4 “dry”');
  });
});

describe('a sheet that is filled', () => {
  it('keeps the style of a cell, and everything beside it', () => {
    const xml = filled({ C2: 12.5 });
    expect(xml).toContain('<c r="C2" s="7"><v>12.5</v></c>');
    expect(xml).toContain('<row r="2" spans="1:4" ht="20"><c r="A2" t="s"><v>1</v></c>');
    expect(xml.replace('<c r="C2" s="7"><v>12.5</v></c>', '<c r="C2" s="7"/>')).toBe(SHEET);
  });

  it('puts cells that were not there between those that were, in their order', () => {
    const row = /<row r="2".*?<\/row>/.exec(filled({ B2: 1, E2: 2 }))?.[0] ?? '';
    expect([...row.matchAll(/r="([A-E])2"/g)].map(([, column]) => column)).toEqual(['A', 'B', 'C', 'D', 'E']);
  });

  it('puts rows that were not there between those that were', () => {
    const xml = filled({ A3: 1, A9: 2, A1: 3 });
    expect([...xml.matchAll(/<row r="(\d)"/g)].map(([, row]) => row)).toEqual(['1', '2', '3', '5', '9']);
  });

  it('writes a text as a text, whatever is in it', () => {
    expect(filled({ B5: '=1+1 & <b>' })).toContain(
      '<c r="B5" s="3" t="inlineStr"><is><t xml:space="preserve">=1+1 &amp; &lt;b&gt;</t></is></c>',
    );
  });

  it('fills a sheet that had nothing', () => {
    expect(fillCells('<worksheet><sheetData/></worksheet>', new Map([['B2', 4]]))).toBe(
      '<worksheet><sheetData><row r="2"><c r="B2"><v>4</v></c></row></sheetData></worksheet>',
    );
  });
});
