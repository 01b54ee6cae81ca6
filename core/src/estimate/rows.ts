import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { type JobPurchase, listPurchases } from '../assemblies/jobPurchases.ts';
import { type LineKey, NO_SECTION } from './lineKey.ts';
import type { Id } from '../job/id.ts';
import { groupBy } from '../job/groupBy.ts';
import { type Job, inOrder } from '../job/job.ts';
import type { Component } from '../job/records/assembly.ts';
import type { Line } from '../job/records/line.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Section } from '../job/records/section.ts';
import type { Use } from '../job/records/use.ts';

export interface ComponentRow {
  readonly type: 'component';
  readonly key: LineKey;
  readonly placed: PlacedComponent;
  readonly component: Component;
  readonly use: Use;
  readonly scope: Scope;
  readonly depth: number;
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
  | { readonly type: 'line'; readonly key: LineKey; readonly line: Line; readonly depth: number };

/** The rows a scope brings: one for each component of each assembly on it. */
export function componentRowsOf(
  job: Job,
  scope: Scope,
  uses: readonly Use[],
  depth: number,
): readonly ComponentRow[] {
  return inOrder(uses).flatMap((use) =>
    componentsOf(job, use).map((placed) => ({
      type: 'component' as const,
      key: placed.key,
      placed,
      component: placed.component,
      use,
      scope,
      depth,
    })),
  );
}

/** The whole estimate in order: sections with their scopes, the scopes' components, and typed lines. */
export function listRows(job: Job): readonly EstimateRow[] {
  const usesByScope = groupBy(job.use.values(), ({ scopeId }) => scopeId);
  const scopesBySection = groupBy(job.scope.values(), ({ sectionId }) => sectionId);
  const linesBySection = groupBy(job.line.values(), ({ sectionId }) => sectionId);
  const innerSections = groupBy(job.section.values(), ({ parentId }) => parentId);

  const own = (sectionId: Id<'section'> | null, depth: number): EstimateRow[] => {
    const scopes = inOrder(scopesBySection.get(sectionId) ?? []).flatMap((scope): EstimateRow[] => {
      const uses = usesByScope.get(scope.id) ?? [];
      if (uses.length === 0) return [];
      return [
        { type: 'scope', key: scope.id, scope, depth },
        ...componentRowsOf(job, scope, uses, depth + 1),
      ];
    });
    const lines = inOrder(linesBySection.get(sectionId) ?? []).map((line): EstimateRow => ({
      type: 'line',
      key: line.id,
      line,
      depth,
    }));
    return [...scopes, ...lines];
  };
  const sections = (parentId: Id<'section'> | null, depth: number): EstimateRow[] =>
    inOrder(innerSections.get(parentId) ?? []).flatMap((section): EstimateRow[] => [
      { type: 'section', key: section.id, section, depth },
      ...own(section.id, depth + 1),
      ...sections(section.id, depth + 1),
    ]);

  const purchases = listPurchases(job).map((purchase): EstimateRow => ({
    type: 'purchase',
    key: purchase.key,
    purchase,
    depth: 1,
  }));
  const loose = [...own(null, 1), ...purchases];
  const placed = sections(null, 0);
  if (loose.length === 0) return placed;
  return [...placed, { type: 'section', key: NO_SECTION, section: null, depth: 0 }, ...loose];
}
