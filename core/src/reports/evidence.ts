import { boundsOf } from '../geometry/bounds.ts';
import type { Figures } from '../calculate/figures.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { lineWay } from '../calculate/explain/lineWays.ts';
import type { Step } from '../calculate/explain/step.ts';
import { measuresBehind, traceComponent, traceText } from '../calculate/explain/tape.ts';
import { type TapeRow, tapeRows } from '../calculate/explain/tapeRows.ts';
import { restsOnSamples } from '../calculate/samples.ts';
import { linePrices } from '../calculate/totals/linePrices.ts';
import { takeSecondLook } from '../doubts/secondLook.ts';
import { findLine } from '../estimate/lineSources.ts';
import { type PricedRow, isPriced } from '../estimate/rows.ts';
import type { Id } from '../job/id.ts';
import { inOrder } from '../job/job.ts';
import type { LineKey } from '../job/lineKey.ts';
import { leadingMeasure } from '../job/markKinds.ts';
import type { MarkMeasure } from '../job/measures.ts';
import { overrideOf } from '../job/overrides.ts';
import type { Acceptance } from '../job/records/acceptance.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Sheet } from '../job/records/sheet.ts';
import type { Trace } from '../formula/trace.ts';
import type { Display } from '../units/format.ts';
import { COST_KINDS, type CostKind } from '../job/records/assembly.ts';
import { jobNames } from '../calculate/queries/jobNames.ts';
import {
  countsInBid,
  dateOfRow,
  listShownRows,
  nameOfRow,
  reportLine,
  sourceOfRow,
} from './estimateReport.ts';

/** Which lines a book of evidence is for. */
export type EvidenceChoice =
  | { readonly of: 'all' }
  | { readonly of: 'sections'; readonly ids: ReadonlySet<string> }
  | { readonly of: 'lines'; readonly keys: ReadonlySet<LineKey> };

/** How one line came about. */
export interface EvidenceLine {
  /** From 1, over the whole book. */
  readonly number: number;
  readonly key: LineKey;
  readonly name: string;
  /** The scope it is an assembly's line of; empty for any other. */
  readonly under: string;
  readonly section: string;
  /** From what was measured to the cost; the section is left out. */
  readonly steps: readonly Step[];
  /** The formula of its quantity, as written and with its figures; undefined for a bare figure. */
  readonly formula: Trace | undefined;
  /** Whole minor units by kind; labor by its hours and the wage, major units. */
  readonly spent: readonly {
    readonly kind: CostKind;
    readonly amount: number;
    readonly hours?: number;
    readonly wage?: number;
  }[];
  readonly scopes: readonly Id<'scope'>[];
  /** Who gave the price, and the ISO day; empty where nothing says so. */
  readonly source: string;
  readonly date: string;
  readonly isSample: boolean;
  /** Whole minor units with tax and markups shared in; undefined where it has none. */
  readonly price: number | undefined;
  /** What a person typed over what flows, and why. */
  readonly typedOver: { readonly quantity: string; readonly costs: readonly string[] } | undefined;
  readonly note: string;
  readonly accepted: readonly Acceptance[];
}

/** What a scope was measured by, with its marks by sheet. */
export interface EvidenceScope {
  readonly scope: Scope;
  /** The leading measure, then others that lines rest on; without rows where they are of the scope as a whole. */
  readonly measures: readonly { readonly measure: MarkMeasure; readonly rows: readonly TapeRow[] }[];
  readonly parts: readonly SheetWithMarks[];
  /** The lines that rest on it, by their numbers. */
  readonly lines: readonly number[];
}

/** The marks of a scope on a sheet, and the part of it they lie in, in sheet points. */
export interface SheetWithMarks {
  readonly sheet: Sheet;
  /** With the number each has on the tape. */
  readonly marks: readonly { readonly mark: Mark; readonly number: number }[];
  readonly part: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

export interface Evidence {
  readonly lines: readonly EvidenceLine[];
  readonly scopes: readonly EvidenceScope[];
  readonly sheets: readonly Sheet[];
}

/** Everything that stands behind the lines chosen, in the order of the estimate. */
export function gatherEvidence(
  figures: Figures,
  choice: EvidenceChoice,
  display: Display,
  today: string,
): Evidence {
  const { job } = figures;
  const accepted = acceptedByLine(figures, today);
  const rows = listShownRows(figures)
    .filter(isPriced)
    .filter((row) => countsInBid(figures, row) && isChosen(figures, row, choice) && !isNothing(figures, row));
  const measured = new Map<Id<'scope'>, { readonly measures: Set<MarkMeasure>; readonly lines: number[] }>();
  const lines = rows.map((row, at) => {
    const number = at + 1;
    const scopes = new Set<Id<'scope'>>();
    for (const { scopeId, measure } of measuresBehind(figures, lineNode(row.key, 'quantity'))) {
      const known = measured.get(scopeId) ?? { measures: new Set(), lines: [] };
      measured.set(scopeId, known);
      known.measures.add(measure);
      if (!scopes.has(scopeId)) known.lines.push(number);
      scopes.add(scopeId);
    }
    return evidenceOfLine(figures, row, number, [...scopes], display, accepted);
  });
  const scopes = inOrder(job.scope.values()).flatMap((scope): readonly EvidenceScope[] => {
    const known = measured.get(scope.id);
    return known === undefined ? [] : [evidenceOfScope(figures, scope, [...known.measures], known.lines)];
  });
  const shown = new Set(scopes.flatMap(({ parts }) => parts.map(({ sheet }) => sheet.id)));
  return { lines, scopes, sheets: inOrder(job.sheet.values()).filter(({ id }) => shown.has(id)) };
}

/** Nothing of something stands on no bid either. */
function isNothing(figures: Figures, { key }: PricedRow): boolean {
  const quantity = figures.figure(lineNode(key, 'quantity'));
  const cost = figures.figure(lineNode(key, 'extension'));
  return (
    quantity.failure === undefined && quantity.value === 0 && cost.failure === undefined && cost.value === 0
  );
}

/** The section of a line with all around it. */
function sectionPath({ job }: Figures, row: PricedRow): readonly string[] {
  const path: string[] = [];
  let at = findLine(job, row.key)?.sectionId ?? null;
  while (at !== null) {
    path.push(at);
    at = job.section.get(at)?.parentId ?? null;
  }
  return path;
}

function isChosen(figures: Figures, row: PricedRow, choice: EvidenceChoice): boolean {
  if (choice.of === 'all') return true;
  if (choice.of === 'lines') return choice.keys.has(row.key);
  return sectionPath(figures, row).some((id) => choice.ids.has(id));
}

function evidenceOfLine(
  figures: Figures,
  row: PricedRow,
  number: number,
  scopes: readonly Id<'scope'>[],
  display: Display,
  accepted: ReadonlyMap<string, readonly Acceptance[]>,
): EvidenceLine {
  const { job } = figures;
  const { key } = row;
  const [sectionId] = sectionPath(figures, row);
  const changed = row.type === 'line' ? row.line : overrideOf(job, key);
  const costs = Object.entries(changed?.costs ?? {}).flatMap(([kind, cost]) => (cost === '' ? [] : [kind]));
  const pinned = changed?.pinned ?? '';
  const isTypedOver = pinned !== '' || (row.type !== 'line' && costs.length > 0);
  return {
    number,
    key,
    name: nameOfRow(job, row),
    under: row.type === 'component' ? row.scope.name : '',
    section: sectionId === undefined ? '' : (job.section.get(sectionId as Id<'section'>)?.name ?? ''),
    steps: lineWay(figures, key).filter(({ label }) => label.of !== 'section'),
    formula: formulaOf(figures, row, display),
    spent: spentOn(figures, row),
    scopes,
    source: sourceOfRow(figures, row),
    date: dateOfRow(figures, row),
    isSample: restsOnSamples(figures, key),
    price: linePrices(figures).ofLine(key),
    typedOver: isTypedOver ? { quantity: pinned, costs } : undefined,
    note: changed?.note ?? '',
    accepted: [key, ...scopes].flatMap((id) => accepted.get(id) ?? []),
  };
}

/** The formula of its quantity, of an assembly or typed; undefined for a bare figure. */
function formulaOf(figures: Figures, row: PricedRow, display: Display): Trace | undefined {
  if (row.type === 'component') return traceComponent(figures, row.placed, display);
  if (row.type !== 'line') return undefined;
  return traceText(figures, row.line.quantity, jobNames(figures.job), row.line.unit, display);
}

/** What a line's cost is spent on, by kind; nothing for one sum. */
function spentOn(figures: Figures, row: PricedRow): EvidenceLine['spent'] {
  const { amounts, perUnit } = reportLine(figures, row);
  return COST_KINDS.flatMap((kind) => {
    const amount = amounts[kind] ?? 0;
    if (amount === 0) return [];
    const { hours = 0 } = amounts;
    const wage = perUnit?.wage ?? 0;
    return [{ kind, amount, ...(kind === 'labor' && hours > 0 && wage > 0 ? { hours, wage } : {}) }];
  });
}

/** Doubts that were looked at and are fine, by the line or the scope they are about. */
function acceptedByLine(figures: Figures, today: string): ReadonlyMap<string, readonly Acceptance[]> {
  const found = new Map<string, Acceptance[]>();
  for (const { doubt, acceptance } of takeSecondLook(figures, today).accepted) {
    const { place } = doubt;
    const id = place.at === 'line' ? place.key : place.at === 'scope' ? place.id : undefined;
    if (id !== undefined) found.set(id, [...(found.get(id) ?? []), acceptance]);
  }
  return found;
}

function evidenceOfScope(
  figures: Figures,
  scope: Scope,
  behind: readonly MarkMeasure[],
  lines: readonly number[],
): EvidenceScope {
  const leading = leadingMeasure(scope.kind);
  const measures = [leading, ...behind.filter((measure) => measure !== leading)];
  const tapes = measures.map((measure) => {
    const rows = tapeRows(figures, scope, measure);
    // Corners where marks meet are of the scope, and of none of its marks.
    const isOfMarks = measure === leading || rows.some(({ figure }) => figure.failure === undefined);
    return { measure, rows: isOfMarks ? rows : [] };
  });
  return { scope, measures: tapes, parts: partsOf(figures, tapes[0]?.rows ?? []), lines };
}

/** Room around marks, so that one sees where on the sheet they are; sheet points. */
const ROOM_PT = 60;
const LEAST_PT = 260;

function partsOf({ job }: Figures, rows: readonly TapeRow[]): readonly SheetWithMarks[] {
  const bySheet = new Map<Id<'sheet'>, { mark: Mark; number: number }[]>();
  for (const row of rows) {
    if (row.by !== 'mark') continue;
    const list = bySheet.get(row.mark.sheetId) ?? [];
    list.push({ mark: row.mark, number: row.number });
    bySheet.set(row.mark.sheetId, list);
  }
  return [...bySheet].flatMap(([sheetId, marks]) => {
    const sheet = job.sheet.get(sheetId);
    return sheet === undefined ? [] : [{ sheet, marks, part: partAround(sheet, marks) }];
  });
}

/** The part of a sheet that marks lie in, with room around them, and never higher than wide by much. */
function partAround({ widthPt, heightPt }: Sheet, marks: SheetWithMarks['marks']): SheetWithMarks['part'] {
  const box = boundsOf(marks.flatMap(({ mark }) => mark.strokes.flat()));
  const along = (from: number, to: number, limit: number, least: number): readonly [number, number] => {
    const size = Math.min(limit, Math.max(least, to - from + 2 * ROOM_PT));
    const start = Math.min(Math.max(0, (from + to - size) / 2), limit - size);
    return [start, size];
  };
  const [y, height] = along(box.minY, box.maxY, heightPt, LEAST_PT / 2);
  // As wide as it is high at least: a tall part would leave half of the page empty.
  const [x, width] = along(box.minX, box.maxX, widthPt, Math.max(LEAST_PT, height));
  return { x, y, width, height };
}
