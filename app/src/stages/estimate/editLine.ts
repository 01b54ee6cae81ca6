import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import { COST_KINDS, type CostKind } from '@zest/core/job/records/assembly';
import type { Line } from '@zest/core/job/records/line';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { NUMBER } from '@zest/core/units/dimension';
import { type NumberFormat, roundTo } from '@zest/core/units/numberFormat';
import { keepEntry } from '../../components/keepEntry.ts';

const isCostKind = (column: string): column is CostKind => (COST_KINDS as readonly string[]).includes(column);

/** A line with one cell typed over; undefined when what was typed is no figure. */
export function editLine(line: Line, column: string, text: string, numbers: NumberFormat): Line | undefined {
  if (isCostKind(column)) return editCost(line, column, text, numbers);
  switch (column) {
    case 'code':
      return { ...line, itemCode: text.trim() };
    case 'description':
      return { ...line, description: text };
    case 'quantity':
      return { ...line, quantity: keepEntry(text, numbers) };
    case 'unit':
      return { ...line, unit: unitOrLabel(text).symbol };
    default:
      return line;
  }
}

/** A cost typed over is a cost per unit of its own; emptied, the price book's comes back. */
function editCost(line: Line, kind: CostKind, text: string, numbers: NumberFormat): Line | undefined {
  if (text.trim() === '') return { ...line, typedCost: null };
  const entry = evaluateEntry(text.replace(/[^\d.,+\-*/() ]/g, ''), NUMBER, undefined, numbers);
  return entry.ok ? { ...line, typedCost: { kind, amount: String(roundTo(entry.value, 4)) } } : undefined;
}
