import { strFromU8 } from 'fflate';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { readZipDirectory, unpackEntry } from '../zip/readZip.ts';
import { LIMITS } from '../limits.ts';
import { columnNumber } from './columns.ts';

export type XlsxProblem =
  | { readonly kind: 'xlsx-damaged' }
  | { readonly kind: 'xlsx-too-large'; readonly limit: number }
  | { readonly kind: 'xlsx-merged'; readonly cells: number; readonly limit: number };

const MERGE = /<mergeCell[^>]*\bref="([A-Z]{1,3})(\d{1,7}):([A-Z]{1,3})(\d{1,7})"/g;
const ROW = /<row\b[^>]*\br="(\d{1,9})"/g;
/** The last row a sheet can have. */
const ROW_LIMIT = 1_048_576;

/** Cells that the merges of a sheet cover; -1 where a row lies where no sheet has one. */
function mergedCells(xml: string): number {
  let cells = 0;
  for (const [, left = '', top = '', right = '', bottom = ''] of xml.matchAll(MERGE))
    cells +=
      (Math.abs(columnNumber(right) - columnNumber(left)) + 1) * (Math.abs(Number(bottom) - Number(top)) + 1);
  for (const [, row = ''] of xml.matchAll(ROW)) if (Number(row) > ROW_LIMIT) return -1;
  return cells;
}

/** Whether a workbook can be handed to a reader: whole, not too large once unpacked, not one merge over all. */
export function checkXlsx(bytes: Uint8Array): Result<undefined, XlsxProblem> {
  const directory = readZipDirectory(bytes, LIMITS.workbook);
  if (!directory.ok)
    return refuse(
      directory.problem.kind === 'zip-too-large'
        ? { kind: 'xlsx-too-large', limit: LIMITS.workbook.bytes }
        : { kind: 'xlsx-damaged' },
    );
  let merged = 0;
  for (const entry of directory.value.entries) {
    if (!/^xl\/worksheets\/[^/]+\.xml$/i.test(entry.name)) continue;
    const content = unpackEntry(bytes, entry);
    if (!content.ok) return refuse({ kind: 'xlsx-damaged' });
    const cells = mergedCells(strFromU8(content.value, true));
    if (cells < 0) return refuse({ kind: 'xlsx-damaged' });
    merged += cells;
    if (merged > LIMITS.workbook.mergedCells)
      return refuse({ kind: 'xlsx-merged', cells: merged, limit: LIMITS.workbook.mergedCells });
  }
  return accept(undefined);
}
