import { own } from '@zest/core/job/own';
import { findField } from '@zest/core/reports/fields/fields';
import type { OpenReport } from '@zest/core/reports/openReport';

/** So many rows are looked through, and so many values offered. */
const ROWS = 2_000;
const VALUES = 40;

/** Texts that rows have in a field, to choose from. */
export function knownValues(open: OpenReport, field: string): readonly string[] {
  const found = findField(field);
  const ownerOf = found === undefined ? undefined : own(open.source.owners, found.owner);
  if (found === undefined || ownerOf === undefined || found.field.kind !== 'text') return [];
  const values = new Set<string>();
  for (let at = 0; at < Math.min(open.rowCount, ROWS) && values.size < VALUES; at += 1) {
    const owner = ownerOf(open.rowOf(at), open.context);
    const cell = owner === undefined ? undefined : found.field.read(owner as never, open.context);
    if (cell?.kind === 'text') values.add(cell.text);
  }
  return [...values].sort();
}
