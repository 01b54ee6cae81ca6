import { BOATHOUSE_SHEETS } from './boathouse/sheets.ts';
import type { SetContent } from './drawing/drawSet.ts';
import { SHEET_SIZE } from './drawing/titleBlock.ts';
import { A1, PAVILION_SHEETS } from './pavilion/sheets.ts';

export const BOATHOUSE_SET: SetContent = {
  title: 'Tern Island Boathouse, bid set',
  author: 'Odd & Evenson, Architects',
  size: SHEET_SIZE,
  sheets: BOATHOUSE_SHEETS,
};

export const PAVILION_SET: SetContent = {
  title: 'Orchard Row Pavilion, tender',
  author: 'Brandl Pahl, Architects and Engineers',
  size: A1,
  sheets: PAVILION_SHEETS,
};
