import type { Calculation } from '../calculate/calculation.ts';
import { findPrice, knownValue } from '../calculate/define.ts';
import { type SumFigure, lineNode, scopeCostNode, sectionNode } from '../calculate/nodes.ts';
import { type EstimateRow, listRows } from '../estimate/rows.ts';
import type { Failure } from '../graph/failure.ts';
import type { CostKind } from '../job/records/assembly.ts';
import type { UnitPrice } from '../pricing/price.ts';

/** Cost of one unit of a line, in major units; what the exported sheet multiplies. */
export interface PerUnit {
  readonly material: number;
  readonly equipment: number;
  readonly subcontract: number;
  readonly other: number;
  readonly hours: number;
  readonly wage: number;
}

export interface ReportLine {
  readonly row: EstimateRow;
  readonly code: string;
  readonly description: string;
  /** In the line's unit; undefined for groups and where it is not known. */
  readonly quantity: number | undefined;
  readonly unit: string;
  readonly perUnit: PerUnit | undefined;
  /** Whole minor units by kind; hours as hours. Undefined where the line has none of the kind. */
  readonly amounts: Readonly<Partial<Record<CostKind | 'hours', number>>>;
  readonly extension: number | undefined;
  readonly failure: Failure | undefined;
}

const KINDS: readonly (CostKind | 'hours')[] = [
  'material',
  'hours',
  'labor',
  'equipment',
  'subcontract',
  'other',
];

/** The estimate as a table: what the grid shows and every export writes. */
export function estimateReport(calculation: Calculation): readonly ReportLine[] {
  return listShownRows(calculation).map((row) => reportLine(calculation, row));
}

/** The rows with something to show: components whose rule says that they do not apply are left out. */
export const listShownRows = (calculation: Calculation): readonly EstimateRow[] =>
  listRows(calculation.job).filter((row) => row.type !== 'component' || calculation.isDue(row.placed));

/** One row of the estimate with its figures of the moment. */
export function reportLine(calculation: Calculation, row: EstimateRow): ReportLine {
  switch (row.type) {
    case 'section':
      return groupLine(calculation, row, row.section?.code ?? '', row.section?.name ?? '', (kind) =>
        sectionNode(row.key, kind),
      );
    case 'scope':
      return groupLine(calculation, row, '', row.scope.name, (kind) =>
        kind === 'cost' ? scopeCostNode(row.scope.id) : undefined,
      );
    case 'component':
      return pricedLine(
        calculation,
        row,
        row.component.name,
        { ...row.component, typedCost: null },
        calculation.difficultyOf(row.use),
      );
    case 'purchase':
      return pricedLine(calculation, row, row.purchase.name, {
        unit: row.purchase.unit,
        itemCode: row.purchase.code,
        typedCost: null,
        onlyCosts: true,
      });
    case 'line':
      return pricedLine(calculation, row, row.line.description, row.line);
  }
}

type Amounts = Partial<Record<CostKind | 'hours', number>>;

function gatherAmounts(
  calculation: Calculation,
  nodeOf: (kind: CostKind | 'hours') => string | undefined,
): Amounts {
  const amounts: Amounts = {};
  for (const kind of KINDS) {
    const node = nodeOf(kind);
    if (node === undefined || !calculation.graph.has(node)) continue;
    const value = knownValue(calculation.figure(node));
    if (value !== undefined) amounts[kind] = value;
  }
  return amounts;
}

function groupLine(
  calculation: Calculation,
  row: EstimateRow,
  code: string,
  description: string,
  nodeOf: (kind: SumFigure) => string | undefined,
): ReportLine {
  const cost = nodeOf('cost');
  return {
    row,
    code,
    description,
    quantity: undefined,
    unit: '',
    perUnit: undefined,
    amounts: gatherAmounts(calculation, nodeOf),
    extension: cost === undefined ? undefined : knownValue(calculation.figure(cost)),
    failure: undefined,
  };
}

function pricedLine(
  calculation: Calculation,
  row: EstimateRow,
  description: string,
  pricing: Parameters<typeof findPrice>[0],
  difficulty = 1,
): ReportLine {
  const price = findPrice(pricing, (code) => calculation.findItem(code), calculation.job);
  const quantity = calculation.figure(lineNode(row.key, 'quantity'));
  const extension = calculation.figure(lineNode(row.key, 'extension'));
  return {
    row,
    code: pricing.itemCode,
    description,
    quantity: knownValue(quantity),
    unit: pricing.unit,
    perUnit: price.ok ? perUnitOf(price.value, difficulty) : undefined,
    amounts: gatherAmounts(calculation, (kind) => lineNode(row.key, kind)),
    extension: knownValue(extension),
    failure: quantity.failure ?? extension.failure,
  };
}

function perUnitOf(price: UnitPrice, difficulty: number): PerUnit {
  const share = price.factor / price.basis;
  const of = (kind: CostKind): number =>
    price.costs.filter((cost) => cost.kind === kind).reduce((sum, { amount }) => sum + amount * share, 0);
  return {
    material: of('material'),
    equipment: of('equipment'),
    subcontract: of('subcontract'),
    other: of('other') + of('labor'),
    hours: price.hours * share * difficulty,
    wage: price.wage,
  };
}
