import { listWith } from '../messages/lists.ts';
import { quote } from '../messages/quote.ts';
import { t } from '../messages/t.ts';
import { parseTsv } from './cells.ts';

/** A block from the clipboard, each of its columns with the column of the table it goes into. */
export interface Pasted {
  /** By place in a row; undefined for what the table has no column for. */
  readonly columns: readonly (string | undefined)[];
  readonly rows: readonly (readonly string[])[];
  /** Headings that stood above the rows and that no column is called by. */
  readonly unknown: readonly string[];
}

export interface NamedColumn {
  readonly id: string;
  readonly title: string;
}

/** What columns are also called in other people's tables. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  code: ['item', 'item code', 'sku'],
  description: ['desc', 'name', 'item description'],
  quantity: ['qty', 'amount', 'count'],
  unit: ['uom', 'units'],
  'unit-material': ['material price', 'material cost', 'unit price', 'unit cost', 'price', 'rate'],
  material: ['material price', 'material cost', 'unit price', 'unit cost', 'price', 'rate'],
  note: ['notes', 'remark', 'remarks'],
};

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/\(.*?\)|\/ unit|[$€£¥:.*]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

function columnCalled(text: string, columns: readonly NamedColumn[]): string | undefined {
  const wanted = plain(text);
  if (wanted === '') return undefined;
  const named = columns.find(
    ({ id, title }) =>
      text.trim().toLowerCase() === title.toLowerCase() || plain(title) === wanted || id === wanted,
  );
  return named?.id ?? columns.find(({ id }) => ALSO[id]?.includes(wanted) === true)?.id;
}

/**
 * Reads a block from the clipboard. Where its first row names columns of the table, these are filled,
 * wherever they stand; else the block goes into the columns from `left` on.
 */
export function readPasted(text: string, columns: readonly NamedColumn[], left: number): Pasted {
  const cells = parseTsv(text).filter(
    (row, i, all) => i < all.length - 1 || row.some((cell) => cell.trim() !== ''),
  );
  const [head = [], ...body] = cells;
  const found = head.map((cell) => columnCalled(cell, columns));
  const named = found.filter((id) => id !== undefined);
  const isHeading =
    body.length > 0 &&
    named.length >= Math.min(2, head.length) &&
    new Set(named).size === named.length &&
    head.every((cell) => !/^[-\d.,]+$/.test(cell.trim()) || cell.trim() === '');
  if (isHeading)
    return {
      columns: found,
      rows: body,
      unknown: head.filter((cell, i) => found[i] === undefined && cell.trim() !== ''),
    };
  const width = cells.reduce((most, row) => Math.max(most, row.length), 0);
  const into = Array.from({ length: width }, (_, i) => columns[left + i]?.id);
  return { columns: into, rows: cells, unknown: [] };
}

/** What pasting did, in a sentence; undefined where there is nothing to say beyond what is seen. */
export function describePasted({
  changed,
  added,
  things,
  unknown,
  skipped,
}: {
  readonly changed: number;
  readonly added: number;
  readonly things: 'line' | 'item' | 'row';
  readonly unknown: readonly string[];
  /** Cells that nothing can be typed into. */
  readonly skipped: number;
}): string | undefined {
  if (added === 0 && skipped === 0 && unknown.length === 0 && changed === 1) return undefined;
  const count = (of: number): string => t(COUNTED[things], { count: of });
  const said = [
    changed > 0 ? t('table.pastedChanged', { things: count(changed) }) : '',
    added > 0 ? t('table.pastedAdded', { things: count(added) }) : '',
    skipped > 0 ? t('table.pastedSkipped', { count: skipped }) : '',
    unknown.length > 0 ? t('table.pastedUnknown', { names: listWith('and', unknown.map(quote)) }) : '',
  ].filter(Boolean);
  return said.length === 0 ? t('table.nothingPasted') : t('table.pasted', { what: said.join('; ') });
}

const COUNTED = { line: 'count.line', item: 'count.item', row: 'count.row' } as const;
