import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { type JobPurchase, listPurchases } from './purchases.ts';
import { type LineKey, NO_SECTION } from '../job/lineKey.ts';
import type { Id } from '../job/id.ts';
import { groupBy } from '../job/groupBy.ts';
import { type Job, inOrder } from '../job/job.ts';
import type { PlaceInAlternate } from '../job/records/alternate.ts';
import type { Component } from '../job/records/assembly.ts';
import type { Line } from '../job/records/line.ts';
import type { Package } from '../job/records/quote.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Section } from '../job/records/section.ts';
import type { Use } from '../job/records/use.ts';
import { isLumpSum } from './lineSources.ts';
import { overrideOf } from '../job/overrides.ts';
import { query } from '../job/query.ts';
import { linesByOf } from '../job/settings.ts';
import {
  innerSections,
  linesOfSection,
  packagesOfSection,
  recordsOf,
  scopesOfSection,
  usesOfScope,
} from '../job/belongs.ts';
import { alternateOf, standsInItsSection, sectionOf } from './places.ts';

export interface ComponentRow {
  readonly type: 'component';
  readonly key: LineKey;
  readonly placed: PlacedComponent;
  readonly component: Component;
  readonly use: Use;
  readonly scope: Scope;
  readonly depth: number;
  /** Stands in a section by itself, not under what was measured. */
  readonly spread?: boolean;
}

/** What an item is rounded up by at purchase, over the whole job. */
export interface PurchaseRow {
  readonly type: 'purchase';
  readonly key: LineKey;
  readonly purchase: JobPurchase;
  readonly depth: number;
}

/** One row of the estimate as it is read from top to bottom. */
export type EstimateRow =
  | {
      readonly type: 'section';
      readonly key: string;
      readonly section: Section | null;
      readonly depth: number;
    }
  | { readonly type: 'scope'; readonly key: string; readonly scope: Scope; readonly depth: number }
  | ComponentRow
  | PurchaseRow
  | { readonly type: 'quote'; readonly key: LineKey; readonly package: Package; readonly depth: number }
  | { readonly type: 'line'; readonly key: LineKey; readonly line: Line; readonly depth: number }
  | { readonly type: 'text'; readonly key: LineKey; readonly line: Line; readonly depth: number }
  | {
      readonly type: 'subtotal';
      readonly key: LineKey;
      readonly line: Line;
      readonly depth: number;
      /** The lines it sums: those above it in its section, up to the subtotal before. */
      readonly over: readonly LineKey[];
    };

/** Rows that money hangs on. */
export type PricedRow = Extract<EstimateRow, { type: 'component' | 'purchase' | 'quote' | 'line' }>;

export const isPriced = (row: EstimateRow): row is PricedRow =>
  row.type === 'component' || row.type === 'purchase' || row.type === 'quote' || row.type === 'line';

export const alternateOfRow = (job: Job, row: EstimateRow): PlaceInAlternate | undefined => {
  switch (row.type) {
    case 'component':
      return alternateOf(job, row.placed);
    case 'line':
      return row.line.alternate;
    case 'quote':
      return row.package.alternate;
    case 'scope':
      return row.scope.alternate;
    default:
      return undefined;
  }
};

/** The same row for the same component, so that what is drawn of it may stay. */
const knownRows = new WeakMap<PlacedComponent, ComponentRow>();

function rowOfComponent(placed: PlacedComponent, depth: number): ComponentRow {
  const had = knownRows.get(placed);
  if (had?.depth === depth) return had;
  const row: ComponentRow = {
    type: 'component',
    key: placed.key,
    placed,
    component: placed.component,
    use: placed.frame.use,
    scope: placed.frame.scope,
    depth,
  };
  knownRows.set(placed, row);
  return row;
}

/** The rows a scope brings: one for each component of each assembly on it. */
export function componentRowsOf(
  job: Job,
  _scope: Scope,
  uses: readonly Use[],
  depth: number,
): readonly ComponentRow[] {
  return inOrder(uses).flatMap((use) =>
    componentsOf(job, use).map((placed) => rowOfComponent(placed, depth)),
  );
}

/** Lines of assemblies that stand by themselves, by their section; those in none under the empty key. */
const spreadBySection = query((job): ReadonlyMap<string, readonly ComponentRow[]> => {
  const spread: ComponentRow[] = [];
  if (job.override.size === 0 && linesByOf(job) !== 'code') return new Map();
  for (const use of inOrder(job.use.values()))
    for (const placed of componentsOf(job, use))
      if (standsInItsSection(job, placed)) spread.push({ ...rowOfComponent(placed, 0), spread: true });
  return groupBy(spread, ({ placed }): string => sectionOf(job, placed) ?? '');
});

/** Where a row stands among those that stand in its section by themselves. */
export const orderOf = (job: Job, row: EstimateRow): number => {
  switch (row.type) {
    case 'component':
      return overrideOf(job, row.key)?.order ?? row.scope.order;
    case 'quote':
      return row.package.order;
    case 'line':
    case 'text':
    case 'subtotal':
      return row.line.order;
    default:
      return 0;
  }
};

const rowsOfLines = new WeakMap<Line, EstimateRow>();

function rowOfLine(line: Line, depth: number): EstimateRow {
  if (line.is === 'subtotal') return { type: 'subtotal', key: line.id, line, depth, over: [] };
  const had = rowsOfLines.get(line);
  if (had?.depth === depth) return had;
  const row: EstimateRow = { type: line.is === 'text' ? 'text' : 'line', key: line.id, line, depth };
  rowsOfLines.set(line, row);
  return row;
}

/** Each subtotal sums the priced lines above it, from the one before. */
function withSubtotals(rows: readonly EstimateRow[]): readonly EstimateRow[] {
  if (!rows.some(({ type }) => type === 'subtotal')) return rows;
  let over: LineKey[] = [];
  return rows.map((row) => {
    if (isPriced(row)) over.push(row.key);
    if (row.type !== 'subtotal') return row;
    const summed = over;
    over = [];
    return { ...row, over: summed };
  });
}

/** A scope with the components of its assemblies, where there are any. */
const rowsOfScope = query((job, scopeId, depthText): readonly EstimateRow[] => {
  const [scope] = recordsOf(job.scope, [scopeId as Id<'scope'>]);
  if (scope === undefined) return [];
  const depth = Number(depthText);
  const uses = recordsOf(job.use, usesOfScope(job, scope.id));
  const rows = componentRowsOf(job, scope, uses, depth + 1);
  const under =
    spreadBySection(job).size === 0 ? rows : rows.filter(({ placed }) => !standsInItsSection(job, placed));
  return under.length === 0 ? [] : [{ type: 'scope', key: scope.id, scope, depth }, ...under];
});

/** What stands in a section itself, its inner sections apart; in none under the empty key. */
const rowsInSection = query((job, section, depthText): readonly EstimateRow[] => {
  const sectionId = section as string;
  const depth = Number(depthText);
  const scopes = inOrder(recordsOf(job.scope, scopesOfSection(job, sectionId))).flatMap(({ id }) =>
    rowsOfScope(job, id, depthText as string),
  );
  const lines: EstimateRow[] = [
    ...recordsOf(job.line, linesOfSection(job, sectionId)).map((line) => rowOfLine(line, depth)),
    ...recordsOf(job.package, packagesOfSection(job, sectionId))
      .filter(isLumpSum)
      .map((each): EstimateRow => ({ type: 'quote', key: each.id, package: each, depth })),
    ...(spreadBySection(job).get(sectionId) ?? []).map((row) => ({ ...row, depth })),
  ];
  lines.sort((a, b) => orderOf(job, a) - orderOf(job, b) || (a.key < b.key ? -1 : 1));
  return withSubtotals([...scopes, ...lines]);
});

function* rowsOfSections(job: Job, parent: string, depth: number): Generator<EstimateRow> {
  for (const section of inOrder(recordsOf(job.section, innerSections(job, parent)))) {
    yield { type: 'section', key: section.id, section, depth };
    yield* rowsInSection(job, section.id, String(depth + 1));
    yield* rowsOfSections(job, section.id, depth + 1);
  }
}

/**
 * The whole estimate in order: sections with their scopes, the scopes' components, and typed lines. Only the section in
 * which something changed is put together anew.
 */
export const listRows: (job: Job) => readonly EstimateRow[] = query((job) => {
  const purchases = listPurchases(job).map((purchase): EstimateRow => ({
    type: 'purchase',
    key: purchase.key,
    purchase,
    depth: 1,
  }));
  const loose = [...rowsInSection(job, '', '1'), ...purchases];
  const placed = [...rowsOfSections(job, '', 0)];
  if (loose.length === 0) return placed;
  return [...placed, { type: 'section', key: NO_SECTION, section: null, depth: 0 }, ...loose];
});
