import { actingOnComponent } from '../lines/useLines.ts';
import { measuredThings, sheetOfThing } from '../sources/quantitySources.ts';
import type { NodeId } from '../../job/nodeId.ts';
import { type PlacedComponent, componentsOf } from '../../assemblies/frames.ts';
import { type JobPurchase, listPurchases } from '../../estimate/purchases.ts';
import { type LineKey, NO_SECTION } from '../../job/lineKey.ts';
import type { Figure } from '../graph/rule.ts';
import type { Id } from '../../job/id.ts';
import { inOrder } from '../../job/job.ts';
import { overrideOf } from '../../job/overrides.ts';
import { sectionOf } from '../../estimate/places.ts';
import type { Sizing } from '../../job/records/pricing.ts';
import type { Scope } from '../../job/records/scope.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import { MEASURE_DIMENSION, type Measure } from '../../job/measures.ts';
import type { Figures } from '../figures.ts';
import { knownValue } from '../define.ts';
import { actingOn, wasteOfLine } from '../lines/line.ts';
import { findMeasureBehind } from './tape.ts';
import { pricingOfComponent, pricingOfLine } from '../lines/pricing.ts';
import { actingSteps, quantitySteps } from './lineSteps.ts';
import type { Selection, Step, StepFigure, StepLabel } from './step.ts';
import { reasonOfSize } from '../lines/sizes.ts';
import {
  bidNode,
  lineNode,
  markNode,
  markupNode,
  measureNode,
  netNode,
  purchaseNode,
  scopeCostNode,
  sectionNode,
  typedNode,
} from '../graph/nodes.ts';

export type { Selection, Step, StepFigure, StepLabel } from './step.ts';

const money = (figure: Figure): StepFigure => ({ kind: 'money', figure });

/** The whole way of a selected thing, from the sheet to the bid. Empty when the thing is gone. */
export function throughLine(figures: Figures, selection: Selection): readonly Step[] {
  const steps = stepsOf(figures, selection);
  if (steps.length === 0 || selection.type === 'bid') return steps;
  return [...steps, bidStep(figures, false)];
}

function stepsOf(figures: Figures, selection: Selection): readonly Step[] {
  const { job } = figures;
  switch (selection.type) {
    case 'mark': {
      const mark = job.mark.get(selection.id);
      const scope = mark === undefined ? undefined : job.scope.get(mark.scopeId);
      if (mark === undefined || scope === undefined) return [];
      const measure = leadingMeasure(mark.kind);
      const sheet = job.sheet.get(mark.sheetId)?.number ?? '';
      const figure = figures.figure(markNode(mark.id, measure));
      const own: Step = {
        figure: { kind: 'quantity', figure, dimension: MEASURE_DIMENSION[measure] },
        label: { of: 'mark', scope: scope.name, sheet },
        target: selection,
        here: true,
      };
      return [own, ...scopeSteps(figures, scope, false)];
    }
    case 'scope': {
      const scope = job.scope.get(selection.id);
      if (scope === undefined) return [];
      return [marksStep(figures, scope, false), ...scopeSteps(figures, scope, true)];
    }
    case 'line':
      return lineSteps(figures, selection.key);
    case 'section':
      return sectionSteps(figures, selection.id, true);
    case 'bid':
      return bidSteps(figures);
  }
}

/** All that a scope is measured by: marks, pieces that were typed, and openings in walls that it counts. */
function marksStep(figures: Figures, scope: Scope, here: boolean): Step {
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

function scopeSteps(figures: Figures, scope: Scope, here: boolean): readonly Step[] {
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

function sectionSteps(figures: Figures, sectionId: string, here: boolean): readonly Step[] {
  const section = figures.job.section.get(sectionId as Id<'section'>);
  // One that was selected and is gone, as by undo, has no figure to miss.
  if (section === undefined && sectionId !== NO_SECTION) return [];
  const figure = figures.figure(sectionNode(sectionId, 'cost'));
  const label: StepLabel = { of: 'section', section: section?.name ?? '' };
  return [{ figure: money(figure), label, target: { type: 'section', id: sectionId }, here }];
}

function lineSteps(figures: Figures, key: LineKey): readonly Step[] {
  const { job } = figures;
  const target = { type: 'line', key } as const;
  const line = job.line.get(key as Id<'line'>);
  if (line !== undefined) {
    if (line.is !== undefined) return [];
    const isPinned = figures.has(lineNode(key, 'flowing'));
    const wasted = figures.has(lineNode(key, 'worked'));
    const quantity = figures.figure(lineNode(key, isPinned ? 'flowing' : wasted ? 'worked' : 'quantity'));
    const inUnit = (figure: Figure): StepFigure => ({ kind: 'in-unit', figure, unit: line.unit });
    const typed: Step = { figure: inUnit(quantity), label: { of: 'typed' }, target, here: false };
    const percent = String(wasteOfLine(job, line));
    const waste: readonly Step[] = wasted
      ? [
          {
            figure: inUnit(figures.figure(lineNode(key, 'quantity'))),
            label: { of: 'waste', percent },
            target,
            here: false,
          },
        ]
      : [];
    const behind = behindSteps(figures, typedNode(line.id));
    return [
      ...behind,
      typed,
      ...waste,
      ...pinnedSteps(figures, key, line.unit),
      ...pricedSteps(
        figures,
        key,
        codeOf(figures, key, line.itemCode, line.sizing),
        line.description,
        line.sectionId,
        actingSteps(
          figures,
          key,
          pricingOfLine(job, line),
          actingOn(job, { key, sectionId: line.sectionId }),
        ),
      ),
    ];
  }
  const each = job.package.get(key as Id<'package'>);
  if (each !== undefined) return pricedSteps(figures, key, '', each.name, each.sectionId);
  const purchase = listPurchases(job).find((one) => one.key === key);
  if (purchase !== undefined) return purchaseSteps(figures, purchase);
  const found = findComponentLine(figures, key);
  if (found === undefined) return [];
  const { component, path } = found;
  const { use } = found.frame;
  const net = netNode(use.id, path);
  return [
    ...behindSteps(figures, net),
    ...quantitySteps(figures, net, key, component),
    ...pinnedSteps(figures, key, component.unit),
    ...pricedSteps(
      figures,
      key,
      overrideOf(job, key)?.itemCode ?? codeOf(figures, key, component.itemCode, component.sizing),
      component.name,
      sectionOf(job, found),
      actingSteps(
        figures,
        key,
        pricingOfComponent(job, found),
        actingOnComponent(job, found),
        component.hoursFactor,
      ),
    ),
  ];
}

/** What the job needs of an item, what is bought, and what the difference costs. */
function purchaseSteps(figures: Figures, { key, code, name, unit }: JobPurchase): readonly Step[] {
  const target = { type: 'line', key } as const;
  const step = (figure: Figure, label: StepLabel): Step => ({
    figure: { kind: 'in-unit', figure, unit },
    label,
    target,
    here: false,
  });
  return [
    step(figures.figure(purchaseNode(code, 'need')), { of: 'needed' }),
    step(figures.figure(purchaseNode(code, 'bought')), { of: 'bought' }),
    step(figures.figure(lineNode(key, 'quantity')), { of: 'rounded-up' }),
    ...pricedSteps(figures, key, code, name, null),
  ];
}

/** The use and component behind a line key of the form `use:…/component/key`. */
export function findComponentLine(figures: Figures, key: LineKey): PlacedComponent | undefined {
  const { job } = figures;
  const use = job.use.get(key.split('/')[0] as Id<'use'>);
  return use === undefined ? undefined : componentsOf(job, use).find((each) => each.key === key);
}

function behindSteps(figures: Figures, node: NodeId): readonly Step[] {
  const behind = findMeasureBehind(figures, node);
  const scope = behind === undefined ? undefined : figures.job.scope.get(behind.scopeId);
  if (behind === undefined || scope === undefined) return [];
  return [marksStep(figures, scope, false), measureStep(figures, scope, behind.measure, false)];
}

/** The item a line is priced by: its own, or the one that its sizes lead to. */
function codeOf(figures: Figures, key: LineKey, code: string, sizing: Sizing | undefined): string {
  if (sizing === undefined) return code;
  const known = (node: NodeId): number | undefined => knownValue(figures.figure(node));
  return reasonOfSize(figures.job, key, sizing, known)?.item.code ?? '';
}

/** The figure that was typed over what flows. */
function pinnedSteps(figures: Figures, key: LineKey, unit: string): readonly Step[] {
  if (!figures.has(lineNode(key, 'flowing'))) return [];
  const figure: StepFigure = { kind: 'in-unit', figure: figures.figure(lineNode(key, 'quantity')), unit };
  return [{ figure, label: { of: 'pinned' }, target: { type: 'line', key }, here: false }];
}

function pricedSteps(
  figures: Figures,
  key: LineKey,
  itemCode: string,
  description: string,
  sectionId: Id<'section'> | null,
  way: readonly Step[] = [],
): readonly Step[] {
  const item = figures.findItem(itemCode);
  const price: readonly Step[] =
    item === undefined
      ? []
      : [
          {
            figure: { kind: 'unit-cost', item },
            label: { of: 'price', item: item.description },
            target: { type: 'item', id: item.id },
            here: false,
          },
        ];
  const extension = figures.figure(lineNode(key, 'extension'));
  const label: StepLabel = { of: 'line', description };
  return [
    ...price,
    ...way,
    { figure: money(extension), label, target: { type: 'line', key }, here: true },
    ...sectionSteps(figures, sectionId ?? NO_SECTION, false),
  ];
}

const bidStep = (figures: Figures, here: boolean): Step => ({
  figure: money(figures.figure(bidNode('total'))),
  label: { of: 'bid' },
  target: { type: 'bid' },
  here,
});

function bidSteps(figures: Figures): readonly Step[] {
  const target = { type: 'bid' } as const;
  const [settings] = figures.job.settings.values();
  const at = (node: NodeId, label: StepLabel): Step => ({
    figure: money(figures.figure(node)),
    label,
    target,
    here: false,
  });
  return [
    at(bidNode('cost'), { of: 'cost' }),
    at(bidNode('tax'), { of: 'tax', percent: settings?.taxOnMaterials ?? '' }),
    ...inOrder(figures.job.markup.values()).map(({ id, name, percent }) =>
      at(markupNode(id), { of: 'markup', name, percent }),
    ),
    bidStep(figures, true),
  ];
}
