import type { Id } from '../../job/id.ts';
import { inOrder } from '../../job/job.ts';
import { NO_SECTION } from '../../job/lineKey.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION, type Measure } from '../../job/measures.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { Scope } from '../../job/records/scope.ts';
import { componentsOf } from '../../assemblies/frames.ts';
import type { Figures } from '../figures.ts';
import { measureNode, scopeCostNode, sectionNode } from '../graph/nodes.ts';
import type { Figure } from '../graph/rule.ts';
import { measuredThings, sheetOfThing } from '../sources/quantitySources.ts';
import type { Step, StepFigure, StepLabel } from './step.ts';
import { findMeasureBehind } from './tape.ts';

export const money = (figure: Figure): StepFigure => ({ kind: 'money', figure });

/** All that a scope is measured by: marks, pieces that were typed, and openings in walls that it counts. */
export function marksStep(figures: Figures, scope: Scope, here: boolean): Step {
  const { job } = figures;
  const things = measuredThings(job, scope.id);
  const on = things.map((thing) => sheetOfThing(job, thing));
  const sheets = new Set(on.flatMap((id) => (id === undefined ? [] : [job.sheet.get(id)?.number ?? ''])));
  return {
    figure: { kind: 'pieces', count: things.length },
    label: {
      of: 'marks',
      scope: scope.name,
      sheets: [...sheets].sort(),
      typed: on.includes(undefined),
    },
    target: { type: 'scope', id: scope.id },
    here,
  };
}

function measureStep(figures: Figures, scope: Scope, measure: Measure, here: boolean): Step {
  const figure = figures.figure(measureNode(scope.id, measure));
  return {
    figure: { kind: 'quantity', figure, dimension: MEASURE_DIMENSION[measure] },
    label: { of: 'measure', measure, scope: scope.name },
    target: { type: 'scope', id: scope.id },
    here,
  };
}

export function scopeSteps(figures: Figures, scope: Scope, here: boolean): readonly Step[] {
  const { job } = figures;
  const target = { type: 'scope', id: scope.id } as const;
  const uses = inOrder(job.use.values()).filter((use) => use.scopeId === scope.id);
  const measured = measureStep(figures, scope, leadingMeasure(scope.kind), here);
  if (uses.length === 0) return [measured];
  const count = uses.reduce((sum, use) => sum + componentsOf(job, use).length, 0);
  const cost = figures.figure(scopeCostNode(scope.id));
  return [
    measured,
    { figure: { kind: 'lines', count }, label: { of: 'lines' }, target, here: false },
    { figure: money(cost), label: { of: 'scope-cost', scope: scope.name }, target, here: false },
    ...sectionSteps(figures, scope.sectionId ?? NO_SECTION, false),
  ];
}

export function sectionSteps(figures: Figures, sectionId: string, here: boolean): readonly Step[] {
  const section = figures.job.section.get(sectionId as Id<'section'>);
  // One that was selected and is gone, as by undo, has no figure to miss.
  if (section === undefined && sectionId !== NO_SECTION) return [];
  const figure = figures.figure(sectionNode(sectionId, 'cost'));
  const label: StepLabel = { of: 'section', section: section?.name ?? '' };
  return [{ figure: money(figure), label, target: { type: 'section', id: sectionId }, here }];
}

/** The marks and the measure that a figure of one measure comes from; nothing for one of several. */
export function behindSteps(figures: Figures, node: NodeId): readonly Step[] {
  const behind = findMeasureBehind(figures, node);
  const scope = behind === undefined ? undefined : figures.job.scope.get(behind.scopeId);
  if (behind === undefined || scope === undefined) return [];
  return [marksStep(figures, scope, false), measureStep(figures, scope, behind.measure, false)];
}
