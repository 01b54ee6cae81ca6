import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { Scope } from '../../job/records/scope.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION } from '../../job/measures.ts';
import type { Dimension } from '../../units/dimension.ts';
import type { Figures } from '../figures.ts';
import { addsOf, measuredThings, sheetOfThing } from '../sources/quantitySources.ts';
import { knownValue } from '../define.ts';

/** A scope's leading figure as far as it is drawn on some sheets. */
export interface SheetFigure {
  /** Undefined where a mark of it has no figure, as on a sheet without scale. */
  readonly value: number | undefined;
  readonly dimension: Dimension;
  readonly marks: number;
}

/** The figures that what is on the given sheets adds to a scope's leading one. */
function* nodesOnSheets(job: Job, scope: Scope, sheetIds: ReadonlySet<string>): Generator<NodeId> {
  const measure = leadingMeasure(scope.kind);
  for (const thing of measuredThings(job, scope.id)) {
    const sheetId = sheetOfThing(job, thing);
    const node = addsOf(job, thing)(scope.kind, measure);
    if (node !== undefined && sheetId !== undefined && sheetIds.has(sheetId)) yield node;
  }
}

/** What of a scope is on the given sheets, each mark with its times; openings count for their count. */
export function figureOnSheets(figures: Figures, scope: Scope, sheetIds: ReadonlySet<string>): SheetFigure {
  const values = [...nodesOnSheets(figures.job, scope, sheetIds)].map((node) =>
    knownValue(figures.figure(node)),
  );
  return {
    value: values.reduce<number | undefined>(
      (sum, value) => (sum === undefined || value === undefined ? undefined : sum + value),
      0,
    ),
    dimension: MEASURE_DIMENSION[leadingMeasure(scope.kind)],
    marks: values.length,
  };
}

/** The scopes that have something on the given sheets. */
export const scopesOnSheets = (job: Job, sheetIds: ReadonlySet<string>): readonly Id<'scope'>[] =>
  [...job.scope.values()]
    .filter((scope) => nodesOnSheets(job, scope, sheetIds).next().done !== true)
    .map(({ id }) => id);
