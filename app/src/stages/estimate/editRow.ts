import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import type { LineChange } from '@zest/core/job/commands/changeLines';
import { COST_KINDS, type CostKind } from '@zest/core/job/records/assembly';
import type { TypedCosts } from '@zest/core/job/records/pricing';
import { overrideOf } from '@zest/core/estimate/places';
import { type EstimateRow, isPriced } from '@zest/core/estimate/rows';
import type { Job } from '@zest/core/job/job';
import type { Line } from '@zest/core/job/records/line';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { NUMBER } from '@zest/core/units/dimension';
import { type NumberFormat, parseNumber, roundTo } from '@zest/core/units/numberFormat';
import { keepEntry } from '../../components/keepEntry.ts';
import type { AppProblem } from '../../messages/describeProblem.ts';

/** What a cell that was typed over asks of its line; of a typed line also its own fields. */
export interface RowEdit {
  readonly change?: LineChange;
  readonly line?: Partial<Pick<Line, 'quantity' | 'unit'>>;
}

type Edited = Result<RowEdit, AppProblem>;

/** Columns that a cost per unit is typed in: the totals of a kind, and its unit costs. */
const COST_COLUMNS: Readonly<Record<string, CostKind | 'hours'>> = {
  ...Object.fromEntries(COST_KINDS.map((kind) => [kind, kind])),
  hours: 'hours',
  'unit-material': 'material',
  'unit-hours': 'hours',
  'unit-labor': 'labor',
  'unit-equipment': 'equipment',
  'unit-subcontract': 'subcontract',
  'unit-other': 'other',
};

export const isCostColumn = (column: string): boolean => COST_COLUMNS[column] !== undefined;
export const costOfColumn = (column: string): CostKind | 'hours' | undefined => COST_COLUMNS[column];

/** A figure that is only a figure: typed over a flowing one, it pins it. */
export const isBareFigure = (text: string, numbers: NumberFormat): boolean =>
  parseNumber(text.trim(), numbers) !== undefined;

/** A quantity with a formula behind it, as against one that was typed. */
export const flowsByFormula = (line: Line): boolean => !/^-?[\d.\s]*$/.test(line.quantity);

/** What was typed on a line besides the price book, by kind. */
export function typedCostsOf(job: Job, row: EstimateRow): TypedCosts {
  if (row.type === 'line') {
    const { typedCost, costs = {} } = row.line;
    return typedCost === null ? costs : { ...costs, [typedCost.kind]: typedCost.amount };
  }
  return overrideOf(job, row.key)?.costs ?? {};
}

export const pinnedOfRow = (job: Job, row: EstimateRow): string | undefined =>
  row.type === 'line' ? row.line.pinned : overrideOf(job, row.key)?.pinned;

/** Emptied, the price book's cost comes back. */
function editCost(costs: TypedCosts, kind: CostKind | 'hours', text: string, numbers: NumberFormat): Edited {
  if (text.trim() === '') return accept({ change: { costs: { ...costs, [kind]: undefined } } });
  const entry = evaluateEntry(text.replace(/[^\d.,+\-*/() ]/g, ''), NUMBER, undefined, numbers);
  if (!entry.ok) return refuse({ kind: 'number-not-read', text });
  // Labor is hours or money: what is typed last takes the place of the other.
  const other = kind === 'hours' ? 'labor' : kind === 'labor' ? 'hours' : undefined;
  return accept({
    change: {
      costs: {
        ...costs,
        ...(other === undefined ? {} : { [other]: undefined }),
        [kind]: String(roundTo(entry.value, 4)),
      },
    },
  });
}

function percentOf(text: string, numbers: NumberFormat): string | undefined {
  const value = parseNumber(text.replace('%', '').trim(), numbers);
  return value === undefined || value < 0 || value > 1000 ? undefined : String(value);
}

function editQuantity(job: Job, row: EstimateRow, text: string, numbers: NumberFormat): RowEdit {
  const kept = keepEntry(text, numbers);
  if (row.type !== 'line') return { change: { pinned: kept === '' ? undefined : kept } };
  if (pinnedOfRow(job, row) !== undefined) return { change: { pinned: kept === '' ? undefined : kept } };
  if (flowsByFormula(row.line) && isBareFigure(text, numbers)) return { change: { pinned: kept } };
  return { line: { quantity: kept } };
}

/** What typing into a cell asks for; undefined where the cell takes nothing. */
export function editRow(
  job: Job,
  row: EstimateRow,
  column: string,
  text: string,
  numbers: NumberFormat,
  /** What is typed on the line by then: several of its cells may change at once. */
  costs: TypedCosts = typedCostsOf(job, row),
): Edited {
  const kind = COST_COLUMNS[column];
  if (kind !== undefined) return editCost(costs, kind, text, numbers);
  const words = text.trim();
  switch (column) {
    case 'code':
      return accept({ change: { itemCode: row.type === 'component' && words === '' ? undefined : words } });
    case 'description':
      return accept({ change: { description: row.type === 'component' && words === '' ? undefined : text } });
    case 'quantity':
      return accept(editQuantity(job, row, text, numbers));
    case 'unit':
      return accept({ line: { unit: unitOrLabel(words).symbol } });
    case 'waste':
    case 'tax': {
      const field = column === 'waste' ? 'wastePercent' : 'taxPercent';
      if (words === '') return accept({ change: { [field]: undefined } });
      const percent = percentOf(column === 'tax' && /^exempt$/i.test(words) ? '0' : words, numbers);
      return percent === undefined
        ? refuse({ kind: 'number-not-read', text })
        : accept({ change: { [field]: percent } });
    }
    case 'cost-code':
      return accept({ change: { costCode: words === '' ? undefined : words } });
    case 'note':
      return accept({ change: { note: words === '' ? undefined : words } });
    default:
      return accept({});
  }
}

/** Where something may be typed. */
export function isEditable(row: EstimateRow, column: string): boolean {
  if (row.type === 'section') return row.section !== null && (column === 'code' || column === 'description');
  if (row.type === 'text' || row.type === 'subtotal') return column === 'description';
  if (!isPriced(row)) return false;
  switch (column) {
    case 'unit':
      return row.type === 'line';
    case 'description':
    case 'cost-code':
      return row.type !== 'purchase';
    case 'quantity':
    case 'code':
    case 'waste':
    case 'note':
      return row.type === 'line' || row.type === 'component';
    case 'tax':
      return row.type !== 'quote';
    default:
      return isCostColumn(column) && (row.type === 'line' || row.type === 'component');
  }
}
