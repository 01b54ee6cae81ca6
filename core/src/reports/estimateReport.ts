import { priceFactorsOnComponent } from '../calculate/lines/useLines.ts';
import type { NodeId } from '../job/nodeId.ts';
import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { priceFactorsOn, purchaseOfComponent, wasteOfLine } from '../calculate/lines/line.ts';
import { ALL_BOUGHT, MATERIAL_BOUGHT, kindsBought } from '../assemblies/purchase.ts';
import { type PriceFactors, amountsOf, hourlyWage, machinesOf } from '../calculate/lines/price.ts';
import { type SumFigure, lineNode, scopeCostNode, sectionNode } from '../calculate/graph/nodes.ts';
import {
  type Pricing,
  findPrice,
  pricingOfComponent,
  pricingOfLine,
  pricingOfPurchase,
} from '../calculate/lines/pricing.ts';
import { sizedItems } from '../calculate/lines/sizes.ts';
import { listLines } from '../estimate/lines.ts';
import type { Job } from '../job/job.ts';
import { query } from '../job/query.ts';
import { remember } from '../job/remember.ts';
import {
  type ComponentRow,
  type EstimateRow,
  type PricedRow,
  alternateOfRow,
  isPriced,
  listRows,
} from '../estimate/rows.ts';
import { overrideOf } from '../job/overrides.ts';
import { costCodeOf, countedIn, sectionOf } from '../estimate/places.ts';
import { quotedLine, takenQuote } from '../estimate/quotes.ts';
import type { Id } from '../job/id.ts';
import type { Failure } from '../job/failure.ts';
import type { CostKind } from '../job/records/assembly.ts';
import type { Item } from '../job/records/item.ts';
import type { UnitPrice } from '../pricing/price.ts';

/** Cost of one unit of a line, in major units; what the exported sheet multiplies. */
export interface PerUnit {
  readonly material: number;
  readonly equipment: number;
  readonly subcontract: number;
  readonly other: number;
  /** Labor that was given as money; what has hours has none of it. */
  readonly labor: number;
  readonly hours: number;
  readonly wage: number;
}

export interface ReportLine {
  readonly row: EstimateRow;
  readonly code: string;
  readonly description: string;
  /** The supplier's number of a component; empty for none. */
  readonly partNumber: string;
  /** In the line's unit; undefined for groups and where it is not known. */
  readonly quantity: number | undefined;
  readonly unit: string;
  /** What hours and whatever is not bought are for: the quantity before waste, spares and rounding. */
  readonly worked: number | undefined;
  /** The kinds of cost that are for what is bought; all others are for what is worked. */
  readonly bought: ReadonlySet<CostKind>;
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

/** The lines that count in the bid as a table: what every export writes. */
export function estimateReport(figures: Figures): readonly ReportLine[] {
  return listShownRows(figures)
    .filter((row) => countsInBid(figures, row))
    .map((row) => reportLine(figures, row));
}

/** False for what stands in an alternate that is not accepted, or is dropped by one that is. */
export const countsInBid = ({ job }: Figures, row: EstimateRow): boolean =>
  countedIn(job)({ key: row.key, alternate: alternateOfRow(job, row) });

/** The rows that a rule may leave out: few of many, so that the others need not be asked. */
const rowsWithRule = query((job): readonly ComponentRow[] =>
  listRows(job).filter(
    (row): row is ComponentRow =>
      row.type === 'component' && (row.component.when !== undefined || row.placed.frame.within !== undefined),
  ),
);

/** The rows with something to show: components whose rule says that they do not apply are left out. */
export function listShownRows(figures: Figures): readonly EstimateRow[] {
  const rows = listRows(figures.job);
  const out = new Set<EstimateRow>(rowsWithRule(figures.job).filter(({ placed }) => !figures.isDue(placed)));
  return out.size === 0 ? rows : rows.filter((row) => !out.has(row));
}

/** One row of the estimate with its figures of the moment. */
export function reportLine(figures: Figures, row: EstimateRow): ReportLine {
  const { job } = figures;
  switch (row.type) {
    case 'section':
      return groupLine(figures, row, row.section?.code ?? '', row.section?.name ?? '', (kind) =>
        sectionNode(row.key, kind),
      );
    case 'scope':
      return groupLine(figures, row, '', row.scope.name, (kind) =>
        kind === 'cost' ? scopeCostNode(row.scope.id) : undefined,
      );
    case 'text':
      return { ...EMPTY_LINE, row, description: row.line.description };
    case 'subtotal':
      return subtotalLine(figures, row);
    case 'quote':
      return quoteLine(figures, row);
    default:
      return pricedLine(figures, row, nameOfRow(job, row));
  }
}

type PlainRow = Extract<EstimateRow, { type: 'component' | 'purchase' | 'line' }>;

/** What a priced row is called, by whoever changed its name last. */
export function nameOfRow(job: Job, row: PricedRow): string {
  if (row.type === 'line') return row.line.description;
  if (row.type === 'quote') return row.package.name;
  const changed = overrideOf(job, row.key)?.description;
  return changed ?? (row.type === 'component' ? row.component.name : row.purchase.name);
}

const EMPTY_LINE = {
  code: '',
  partNumber: '',
  quantity: undefined,
  worked: undefined,
  bought: ALL_BOUGHT,
  unit: '',
  perUnit: undefined,
  amounts: {},
  extension: undefined,
  failure: undefined,
} as const;

type Amounts = Partial<Record<CostKind | 'hours', number>>;

function gatherAmounts(figures: Figures, nodeOf: (kind: CostKind | 'hours') => NodeId | undefined): Amounts {
  const amounts: Amounts = {};
  for (const kind of KINDS) {
    const node = nodeOf(kind);
    if (node === undefined || !figures.has(node)) continue;
    const value = knownValue(figures.figure(node));
    if (value !== undefined) amounts[kind] = value;
  }
  return amounts;
}

function groupLine(
  figures: Figures,
  row: EstimateRow,
  code: string,
  description: string,
  nodeOf: (kind: SumFigure) => NodeId | undefined,
): ReportLine {
  const cost = nodeOf('cost');
  return {
    ...EMPTY_LINE,
    row,
    code,
    description,
    amounts: gatherAmounts(figures, nodeOf),
    extension: cost === undefined ? undefined : knownValue(figures.figure(cost)),
  };
}

/** Keys of the lines that count, gathered once for a job however many subtotals it has. */
const countedKeys = remember((job: Job): ReadonlySet<string> => {
  const keys = new Set<string>();
  const isCounted = countedIn(job);
  for (const line of listLines(job)) if (isCounted(line)) keys.add(line.key);
  return keys;
});

/** A subtotal sums what counts; a line that has no price yet is left out of it, as of every sum. */
function subtotalLine(figures: Figures, row: Extract<EstimateRow, { type: 'subtotal' }>): ReportLine {
  const counted = countedKeys(figures.job);
  const amounts: Amounts = {};
  let extension = 0;
  for (const key of row.over) {
    if (!counted.has(key)) continue;
    const own = gatherAmounts(figures, (kind) => lineNode(key, kind));
    for (const kind of KINDS) if (own[kind] !== undefined) amounts[kind] = (amounts[kind] ?? 0) + own[kind];
    extension += knownValue(figures.figure(lineNode(key, 'extension'))) ?? 0;
  }
  return { ...EMPTY_LINE, row, description: row.line.description, amounts, extension };
}

function quoteLine(figures: Figures, row: Extract<EstimateRow, { type: 'quote' }>): ReportLine {
  const extension = figures.figure(lineNode(row.key, 'extension'));
  const { kind, name } = row.package;
  const amounts = gatherAmounts(figures, (each) => lineNode(row.key, each));
  const none = { material: 0, labor: 0, equipment: 0, subcontract: 0, other: 0, hours: 0, wage: 0 };
  return {
    ...EMPTY_LINE,
    row,
    code: '',
    description: name,
    quantity: 1,
    worked: 1,
    bought: ALL_BOUGHT,
    unit: 'sum',
    perUnit:
      extension.failure === undefined ? { ...none, [kind]: figures.toMajor(extension.value) } : undefined,
    amounts,
    extension: knownValue(extension),
    failure: extension.failure,
  };
}

/** What prices a row: its own choices, an item, a quote. */
export function pricingOfRow(figures: Figures, row: PlainRow): Pricing {
  const { job } = figures;
  if (row.type === 'component') return pricingOfComponent(job, row.placed);
  return row.type === 'line' ? pricingOfLine(job, row.line) : pricingOfPurchase(row.purchase);
}

export function priceFactorsOnRow(figures: Figures, row: PlainRow): PriceFactors {
  if (row.type === 'component') return priceFactorsOnComponent(figures.job, row.placed);
  const sectionId = row.type === 'line' ? row.line.sectionId : null;
  return priceFactorsOn(figures.job, { key: row.key, sectionId }, pricingOfRow(figures, row));
}

/** The item a row is priced by; of a sized one, the item its sizes lead to. */
export function itemOfRow(figures: Figures, row: PlainRow): Item | undefined {
  const pricing = pricingOfRow(figures, row);
  if (pricing.sizing === undefined) return figures.findItem(pricing.itemCode);
  const at = knownValue(figures.figure(lineNode(row.key, 'pick')));
  return at === undefined ? undefined : sizedItems(figures.job, pricing.sizing)[at]?.item;
}

export function priceOfRow(figures: Figures, row: PlainRow): ReturnType<typeof findPrice> {
  const pricing = pricingOfRow(figures, row);
  const sized = pricing.sizing === undefined ? undefined : itemOfRow(figures, row);
  return findPrice(pricing, figures.job, sized);
}

function pricedLine(figures: Figures, row: PlainRow, description: string): ReportLine {
  const pricing = pricingOfRow(figures, row);
  const price = priceOfRow(figures, row);
  const quantity = figures.figure(lineNode(row.key, 'quantity'));
  const extension = figures.figure(lineNode(row.key, 'extension'));
  return {
    row,
    code: pricing.sizing === undefined ? pricing.itemCode : (itemOfRow(figures, row)?.code ?? ''),
    description,
    partNumber: row.type === 'component' ? (row.component.partNumber ?? '') : '',
    quantity: knownValue(quantity),
    worked: workedOf(figures, row),
    bought: boughtOf(row),
    unit: pricing.unit,
    perUnit: price.ok
      ? perUnitOf(price.value, priceFactorsOnRow(figures, row), hoursFactorOf(figures, row))
      : undefined,
    amounts: gatherAmounts(figures, (kind) => lineNode(row.key, kind)),
    extension: knownValue(extension),
    failure: quantity.failure ?? extension.failure,
  };
}

/** The quantity that hours are for; what is bought, where nothing is added to it. */
export function workedOf(figures: Figures, row: PlainRow): number | undefined {
  const own = lineNode(row.key, 'worked');
  return knownValue(figures.figure(figures.has(own) ? own : lineNode(row.key, 'quantity')));
}

export function boughtOf(row: PlainRow): ReadonlySet<CostKind> {
  if (row.type === 'purchase') return ALL_BOUGHT;
  return row.type === 'component' ? kindsBought(row.component) : MATERIAL_BOUGHT;
}

/** What a component takes its hours times itself; 1 where it says nothing. */
export function hoursFactorOf(figures: Figures, { key }: PlainRow): number {
  const node = lineNode(key, 'hours-factor');
  return figures.has(node) ? (knownValue(figures.figure(node)) ?? 1) : 1;
}

/** One unit of a line with all that acts on its price: difficulty, region, adjustments. */
export function perUnitOf(price: UnitPrice, priceFactors: PriceFactors, hoursFactor = 1): PerUnit {
  const amounts = amountsOf(price, priceFactors);
  const of = (kind: CostKind): number => amounts.get(kind)?.(1) ?? 0;
  return {
    material: of('material'),
    equipment: of('equipment') + machinesOf(price, priceFactors) * hoursFactor,
    subcontract: of('subcontract'),
    other: of('other'),
    labor: of('labor'),
    hours: price.hours * priceFactors.difficulty * hoursFactor,
    wage: hourlyWage(price, priceFactors),
  };
}

/** Where else a line's figures come from, for the columns that are asked for. */
export interface LineFacts {
  /** The quantity that flows under a pinned one. */
  readonly flowing: number | undefined;
  readonly wastePercent: number;
  readonly costCode: string;
  /** Who it is from: a quote's company, an item's supplier, another job. */
  readonly source: string;
  /** ISO date of the price; empty where it has none. */
  readonly date: string;
}

export function factsOf(figures: Figures, row: EstimateRow): LineFacts | undefined {
  if (!isPriced(row)) return undefined;
  const node = lineNode(row.key, 'flowing');
  return {
    flowing: figures.has(node) ? knownValue(figures.figure(node)) : undefined,
    wastePercent: wasteOfRow(figures, row),
    costCode: codeOfRow(figures, row),
    source: sourceOfRow(figures, row),
    date: dateOfRow(figures, row),
  };
}

/** Percent of waste that is bought with it. */
export function wasteOfRow({ job }: Figures, row: PricedRow): number {
  if (row.type === 'line') return wasteOfLine(job, row.line);
  return row.type === 'component' ? purchaseOfComponent(job, row.placed).wastePercent : 0;
}

/** Who its price is from: a quote's company, another job, an item's supplier. */
export function sourceOfRow(figures: Figures, row: PricedRow): string {
  const { job } = figures;
  if (row.type === 'quote') return takenQuote(job, row.package)?.company ?? '';
  const quoted = job.package.size === 0 ? undefined : quotedLine(job, row.key)?.company;
  if (quoted !== undefined) return quoted;
  const own = row.type === 'line' ? row.line.source : undefined;
  return own ?? itemOfRow(figures, row)?.supplier ?? '';
}

/** ISO date on which its price was given; empty for none. */
export const dateOfRow = (figures: Figures, row: PricedRow): string =>
  (row.type === 'quote' ? takenQuote(figures.job, row.package) : itemOfRow(figures, row))?.date ?? '';

/** Its own cost code, else that of the section it stands in. */
export function codeOfRow({ job }: Figures, row: PricedRow): string {
  const [own, sectionId] = ownCodeOf(job, row);
  if (own !== '' || sectionId === null) return own;
  return job.section.get(sectionId)?.code ?? '';
}

function ownCodeOf(job: Job, row: PricedRow): readonly [code: string, sectionId: Id<'section'> | null] {
  switch (row.type) {
    case 'line':
      return [row.line.costCode ?? '', row.line.sectionId];
    case 'component':
      return [costCodeOf(job, row.placed), sectionOf(job, row.placed)];
    case 'quote':
      return [row.package.costCode ?? '', row.package.sectionId];
    case 'purchase':
      return [overrideOf(job, row.key)?.costCode ?? '', null];
  }
}
