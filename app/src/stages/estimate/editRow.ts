import { decimalText, keepTyped, readFigure } from '@zest/core/formula/readTyped';
import type { LineChange } from '@zest/core/job/commands/changeLines';
import { COST_KINDS, type CostKind } from '@zest/core/job/records/assembly';
import type { TypedCosts } from '@zest/core/job/records/pricing';
import type { Figures } from '@zest/core/calculate/figures';
import { lineNode } from '@zest/core/calculate/graph/nodes';
import { overrideOf } from '@zest/core/job/overrides';
import { type EstimateRow, isPriced } from '@zest/core/estimate/rows';
import { type Job, settingsOf } from '@zest/core/job/job';
import type { Line } from '@zest/core/job/records/line';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { type Result, accept } from '@zest/core/problem/result';
import { type NumberFormat, POINT_FORMAT, parseNumber, roundTo } from '@zest/core/units/numberFormat';
import type { Problem } from '../../messages/describeProblem.ts';

/** What a cell that was typed over asks of its line; of a typed line also its own fields. */
export interface RowEdit {
  readonly change?: LineChange;
  readonly line?: Partial<Pick<Line, 'quantity' | 'unit'>>;
}

type Edited = Result<RowEdit, Problem>;

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
function editCost(
  costs: TypedCosts,
  kind: CostKind | 'hours',
  text: string,
  numbers: NumberFormat,
  currency: string,
): Edited {
  const entry = readFigure(text, numbers, kind === 'hours' ? { as: 'amount' } : { as: 'amount', currency });
  if (!entry.ok) return entry;
  if (entry.value === undefined) return accept({ change: { costs: { ...costs, [kind]: undefined } } });
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

function editQuantity(figures: Figures, row: EstimateRow, text: string, numbers: NumberFormat): Edited {
  const unit = row.type === 'line' ? row.line.unit : row.type === 'component' ? row.component.unit : '';
  const typed = keepTyped(text, numbers, unitOrLabel(unit).symbol);
  return typed.ok ? accept(quantityEdit(figures, row, typed.value)) : typed;
}

/** A formula that can’t be read: there is nothing in it to come back to, so that nothing is pinned over it. */
const isMistake = (figures: Figures, line: Line): boolean =>
  figures.figure(lineNode(line.id, 'quantity')).failure?.kind === 'formula';

function quantityEdit(figures: Figures, row: EstimateRow, kept: string): RowEdit {
  if (row.type !== 'line') return { change: { pinned: kept === '' ? undefined : kept } };
  if (pinnedOfRow(figures.job, row) !== undefined)
    return { change: { pinned: kept === '' ? undefined : kept } };
  if (flowsByFormula(row.line) && isBareFigure(kept, POINT_FORMAT) && !isMistake(figures, row.line))
    return { change: { pinned: kept } };
  return { line: { quantity: kept } };
}

/** What typing into a cell asks for; undefined where the cell takes nothing. */
export function editRow(
  figures: Figures,
  row: EstimateRow,
  column: string,
  text: string,
  numbers: NumberFormat,
  /** What is typed on the line by then: several of its cells may change at once. */
  costs: TypedCosts = typedCostsOf(figures.job, row),
): Edited {
  const kind = COST_COLUMNS[column];
  if (kind !== undefined) return editCost(costs, kind, text, numbers, settingsOf(figures.job).currency);
  const words = text.trim();
  switch (column) {
    case 'code':
      return accept({ change: { itemCode: row.type === 'component' && words === '' ? undefined : words } });
    case 'description':
      return accept({ change: { description: row.type === 'component' && words === '' ? undefined : text } });
    case 'quantity':
      return editQuantity(figures, row, text, numbers);
    case 'unit':
      return accept({ line: { unit: unitOrLabel(words).symbol } });
    case 'waste':
    case 'tax': {
      const field = column === 'waste' ? 'wastePercent' : 'taxPercent';
      const asked = column === 'tax' && /^exempt$/i.test(words) ? '0' : words;
      const percent = readFigure(asked, numbers, { as: 'percent', least: 0, most: 1000 });
      if (!percent.ok) return percent;
      const { value } = percent;
      return accept({ change: { [field]: value === undefined ? undefined : decimalText(value) } });
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
