import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { type JobPurchase, listPurchases } from '../assemblies/jobPurchases.ts';
import { type LineKey, NO_SECTION } from '../estimate/lineKey.ts';
import type { Figure } from '../graph/graph.ts';
import type { Id } from '../job/id.ts';
import { inOrder } from '../job/job.ts';
import { overrideOf, sectionOf } from '../estimate/places.ts';
import { COST_KINDS, type Component, type CostKind } from '../job/records/assembly.ts';
import type { Item } from '../job/records/item.ts';
import type { Sizing } from '../job/records/pricing.ts';
import type { Scope } from '../job/records/scope.ts';
import { roundUpTo as roundUp, unitOrLabel, withWaste } from '../pricing/quantity.ts';
import { MEASURE_DIMENSION, type Measure, leadingMeasure } from '../takeoff/measures.ts';
import type { Dimension } from '../units/dimension.ts';
import type { Calculation } from './calculation.ts';
import { knownValue } from './define.ts';
import { actingOn, wasteOfLine } from './defineLines.ts';
import { type Acting, factorOf } from './definePrice.ts';
import { findMeasureBehind } from './explain.ts';
import { type Pricing, findPrice, pricingOfComponent, pricingOfLine } from './pricing.ts';
import { reasonOfSize } from './sizes.ts';
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
} from './nodes.ts';

/** What a person has in hand. */
export type Selection =
  | { readonly type: 'mark'; readonly id: Id<'mark'> }
  | { readonly type: 'scope'; readonly id: Id<'scope'> }
  | { readonly type: 'line'; readonly key: LineKey }
  | { readonly type: 'section'; readonly id: string }
  | { readonly type: 'bid' };

export type StepFigure =
  | { readonly kind: 'quantity'; readonly figure: Figure; readonly dimension: Dimension }
  | { readonly kind: 'in-unit'; readonly figure: Figure; readonly unit: string }
  | { readonly kind: 'money'; readonly figure: Figure }
  | { readonly kind: 'unit-cost'; readonly item: Item }
  | { readonly kind: 'factor'; readonly times: number }
  | { readonly kind: 'pieces'; readonly count: number }
  | { readonly kind: 'lines'; readonly count: number };

/** What a step is about; the interface puts it into words. */
export type StepLabel =
  | { readonly of: 'marks'; readonly scope: string; readonly sheets: readonly string[] }
  | { readonly of: 'mark'; readonly scope: string; readonly sheet: string }
  | { readonly of: 'measure'; readonly measure: Measure; readonly scope: string }
  | { readonly of: 'formula'; readonly formula: string }
  | { readonly of: 'waste'; readonly percent: string }
  | { readonly of: 'round-up'; readonly multiple: string }
  | { readonly of: 'spares'; readonly spares: string }
  | { readonly of: 'minimum'; readonly minimum: string }
  /** Labor hours for what is worked, before whatever acts on them. */
  | { readonly of: 'hours'; readonly worked: Figure; readonly unit: string }
  | { readonly of: 'hours-factor'; readonly formula: string; readonly times: number }
  | { readonly of: 'difficulty'; readonly times: number }
  /** What region and adjustments take the prices of a kind times. */
  | { readonly of: 'price-factor'; readonly cost: CostKind; readonly times: number }
  | { readonly of: 'needed' }
  | { readonly of: 'bought' }
  | { readonly of: 'rounded-up' }
  | { readonly of: 'typed' }
  | { readonly of: 'pinned' }
  | { readonly of: 'price'; readonly item: string }
  | { readonly of: 'line'; readonly description: string }
  | { readonly of: 'lines' }
  | { readonly of: 'scope-cost'; readonly scope: string }
  | { readonly of: 'section'; readonly section: string }
  | { readonly of: 'cost' }
  | { readonly of: 'tax'; readonly percent: string }
  | { readonly of: 'markup'; readonly name: string; readonly percent: string }
  | { readonly of: 'bid' };

export interface Step {
  readonly figure: StepFigure;
  readonly label: StepLabel;
  /** Where a click leads; the same selection marks the step one stands on. */
  readonly target: Selection | { readonly type: 'item'; readonly id: Id<'item'> };
  readonly here: boolean;
}

const money = (figure: Figure): StepFigure => ({ kind: 'money', figure });

/** The whole way of a selected thing, from the sheet to the bid. Empty when the thing is gone. */
export function throughLine(calculation: Calculation, selection: Selection): readonly Step[] {
  const steps = stepsOf(calculation, selection);
  if (steps.length === 0 || selection.type === 'bid') return steps;
  return [...steps, bidStep(calculation, false)];
}

function stepsOf(calculation: Calculation, selection: Selection): readonly Step[] {
  const { job } = calculation;
  switch (selection.type) {
    case 'mark': {
      const mark = job.mark.get(selection.id);
      const scope = mark === undefined ? undefined : job.scope.get(mark.scopeId);
      if (mark === undefined || scope === undefined) return [];
      const measure = leadingMeasure(mark.kind);
      const sheet = job.sheet.get(mark.sheetId)?.number ?? '';
      const figure = calculation.figure(markNode(mark.id, measure));
      const own: Step = {
        figure: { kind: 'quantity', figure, dimension: MEASURE_DIMENSION[measure] },
        label: { of: 'mark', scope: scope.name, sheet },
        target: selection,
        here: true,
      };
      return [own, ...scopeSteps(calculation, scope, false)];
    }
    case 'scope': {
      const scope = job.scope.get(selection.id);
      if (scope === undefined) return [];
      return [marksStep(calculation, scope, false), ...scopeSteps(calculation, scope, true)];
    }
    case 'line':
      return lineSteps(calculation, selection.key);
    case 'section':
      return sectionSteps(calculation, selection.id, true);
    case 'bid':
      return bidSteps(calculation);
  }
}

function marksStep(calculation: Calculation, scope: Scope, here: boolean): Step {
  const marks = [...calculation.marksOf(scope.id)];
  const sheets = new Set(marks.map((mark) => calculation.job.sheet.get(mark.sheetId)?.number ?? ''));
  return {
    figure: { kind: 'pieces', count: marks.length },
    label: { of: 'marks', scope: scope.name, sheets: [...sheets].sort() },
    target: { type: 'scope', id: scope.id },
    here,
  };
}

function measureStep(calculation: Calculation, scope: Scope, measure: Measure, here: boolean): Step {
  const figure = calculation.figure(measureNode(scope.id, measure));
  return {
    figure: { kind: 'quantity', figure, dimension: MEASURE_DIMENSION[measure] },
    label: { of: 'measure', measure, scope: scope.name },
    target: { type: 'scope', id: scope.id },
    here,
  };
}

function scopeSteps(calculation: Calculation, scope: Scope, here: boolean): readonly Step[] {
  const { job } = calculation;
  const target = { type: 'scope', id: scope.id } as const;
  const uses = inOrder(job.use.values()).filter((use) => use.scopeId === scope.id);
  const measured = measureStep(calculation, scope, leadingMeasure(scope.kind), here);
  if (uses.length === 0) return [measured];
  const count = uses.reduce((sum, use) => sum + componentsOf(job, use).length, 0);
  const cost = calculation.figure(scopeCostNode(scope.id));
  return [
    measured,
    { figure: { kind: 'lines', count }, label: { of: 'lines' }, target, here: false },
    { figure: money(cost), label: { of: 'scope-cost', scope: scope.name }, target, here: false },
    ...sectionSteps(calculation, scope.sectionId ?? NO_SECTION, false),
  ];
}

function sectionSteps(calculation: Calculation, sectionId: string, here: boolean): readonly Step[] {
  const section = calculation.job.section.get(sectionId as Id<'section'>);
  const figure = calculation.figure(sectionNode(sectionId, 'cost'));
  const label: StepLabel = { of: 'section', section: section?.name ?? '' };
  return [{ figure: money(figure), label, target: { type: 'section', id: sectionId }, here }];
}

function lineSteps(calculation: Calculation, key: LineKey): readonly Step[] {
  const { job } = calculation;
  const target = { type: 'line', key } as const;
  const line = job.line.get(key as Id<'line'>);
  if (line !== undefined) {
    if (line.is !== undefined) return [];
    const isPinned = calculation.graph.has(lineNode(key, 'flowing'));
    const wasted = calculation.graph.has(lineNode(key, 'worked'));
    const quantity = calculation.figure(lineNode(key, isPinned ? 'flowing' : wasted ? 'worked' : 'quantity'));
    const inUnit = (figure: Figure): StepFigure => ({ kind: 'in-unit', figure, unit: line.unit });
    const typed: Step = { figure: inUnit(quantity), label: { of: 'typed' }, target, here: false };
    const percent = String(wasteOfLine(line, (code) => calculation.findItem(code)));
    const waste: readonly Step[] = wasted
      ? [
          {
            figure: inUnit(calculation.figure(lineNode(key, 'quantity'))),
            label: { of: 'waste', percent },
            target,
            here: false,
          },
        ]
      : [];
    const behind = behindSteps(calculation, netNode(line.id, 'typed'));
    return [
      ...behind,
      typed,
      ...waste,
      ...pinnedSteps(calculation, key, line.unit),
      ...pricedSteps(
        calculation,
        key,
        codeOf(calculation, key, line.itemCode, line.sizing),
        line.description,
        line.sectionId,
        actingSteps(
          calculation,
          key,
          pricingOfLine(job, line),
          actingOn(job, { key, sectionId: line.sectionId }),
        ),
      ),
    ];
  }
  const each = job.package.get(key as Id<'package'>);
  if (each !== undefined) return pricedSteps(calculation, key, '', each.name, each.sectionId);
  const purchase = listPurchases(job).find((one) => one.key === key);
  if (purchase !== undefined) return purchaseSteps(calculation, purchase);
  const found = findComponentLine(calculation, key);
  if (found === undefined) return [];
  const { component, path } = found;
  const { use } = found.frame;
  const net = netNode(use.id, path);
  return [
    ...behindSteps(calculation, net),
    ...quantitySteps(calculation, net, key, component),
    ...pinnedSteps(calculation, key, component.unit),
    ...pricedSteps(
      calculation,
      key,
      overrideOf(job, key)?.itemCode ?? codeOf(calculation, key, component.itemCode, component.sizing),
      component.name,
      sectionOf(job, found),
      actingSteps(
        calculation,
        key,
        pricingOfComponent(job, found),
        calculation.actingOn(found),
        component.hoursFactor,
      ),
    ),
  ];
}

/** Which costs are of the price book: regions act on them, and on wages, but not on what was typed. */
function bookKinds(calculation: Calculation, pricing: Pricing): (cost: CostKind) => boolean {
  const price = findPrice(pricing, (code) => calculation.findItem(code), calculation.job);
  if (!price.ok) return () => true;
  const typed = new Set(
    price.value.costs.filter(({ fromBook }) => fromBook !== true).map(({ kind }) => kind),
  );
  return (cost) => !typed.has(cost);
}

/** All that stands between a price and the money: hours, what acts on them, what acts on prices. */
const actingSteps = (
  calculation: Calculation,
  key: LineKey,
  { unit, ...pricing }: Pricing,
  acting: Acting,
  hoursFactor = '',
): readonly Step[] => [
  ...factorSteps(calculation, key, acting, bookKinds(calculation, { unit, ...pricing })),
  ...hoursSteps(calculation, key, { unit, difficulty: acting.difficulty, hoursFactor }),
];

/** What the job needs of an item, what is bought, and what the difference costs. */
function purchaseSteps(calculation: Calculation, { key, code, name, unit }: JobPurchase): readonly Step[] {
  const target = { type: 'line', key } as const;
  const step = (figure: Figure, label: StepLabel): Step => ({
    figure: { kind: 'in-unit', figure, unit },
    label,
    target,
    here: false,
  });
  return [
    step(calculation.figure(purchaseNode(code, 'need')), { of: 'needed' }),
    step(calculation.figure(purchaseNode(code, 'bought')), { of: 'bought' }),
    step(calculation.figure(lineNode(key, 'quantity')), { of: 'rounded-up' }),
    ...pricedSteps(calculation, key, code, name, null),
  ];
}

/** The use and component behind a line key of the form `use:…/component/key`. */
export function findComponentLine(calculation: Calculation, key: LineKey): PlacedComponent | undefined {
  const { job } = calculation;
  const use = job.use.get(key.split('/')[0] as Id<'use'>);
  return use === undefined ? undefined : componentsOf(job, use).find((each) => each.key === key);
}

function behindSteps(calculation: Calculation, node: string): readonly Step[] {
  const behind = findMeasureBehind(calculation, node);
  const scope = behind === undefined ? undefined : calculation.job.scope.get(behind.scopeId);
  if (behind === undefined || scope === undefined) return [];
  return [marksStep(calculation, scope, false), measureStep(calculation, scope, behind.measure, false)];
}

function quantitySteps(
  calculation: Calculation,
  net: string,
  key: LineKey,
  component: Component,
): readonly Step[] {
  const target = { type: 'line', key } as const;
  const { unit, wastePercent, roundUpTo } = component;
  const spares = Number(component.spares ?? '');
  const factor = unitOrLabel(unit).factor;
  const figure = calculation.figure(net);
  const value = knownValue(figure);
  const inUnit = (amount: Figure): StepFigure => ({ kind: 'in-unit', figure: amount, unit });
  const netFigure = value === undefined ? figure : { value: value / factor };
  const steps: Step[] = [
    { figure: inUnit(netFigure), label: { of: 'formula', formula: component.formula }, target, here: false },
  ];
  if (value !== undefined && Number(wastePercent) !== 0) {
    const gross = withWaste(value / factor, Number(wastePercent));
    const label: StepLabel = { of: 'waste', percent: wastePercent };
    steps.push({ figure: inUnit({ value: gross }), label, target, here: false });
  }
  if (value !== undefined && spares > 0) {
    const gross = withWaste(value / factor, Number(wastePercent)) + spares;
    const label: StepLabel = { of: 'spares', spares: component.spares ?? '' };
    steps.push({ figure: inUnit({ value: gross }), label, target, here: false });
  }
  if (value !== undefined && Number(roundUpTo) !== 0 && component.roundAt === undefined) {
    const label: StepLabel = { of: 'round-up', multiple: roundUpTo };
    const bought = calculation.graph.has(lineNode(key, 'flowing')) ? 'flowing' : 'quantity';
    steps.push({ figure: inUnit(calculation.figure(lineNode(key, bought))), label, target, here: false });
  }
  const least = component.minimum ?? '';
  const bought = calculation.figure(
    lineNode(key, calculation.graph.has(lineNode(key, 'flowing')) ? 'flowing' : 'quantity'),
  );
  const last = steps.at(-1)?.figure;
  const before = last?.kind === 'in-unit' ? knownValue(last.figure) : undefined;
  const after = knownValue(bought);
  // The least that is sold is a step where it decides what is bought.
  if (least !== '' && component.roundAt === undefined && (roundUpTo !== '' || before !== after)) {
    const rounded = steps.at(-1)?.label.of === 'round-up' ? steps.pop() : undefined;
    if (rounded !== undefined && rounded.label.of === 'round-up') {
      const from = steps.at(-1)?.figure;
      const net = from?.kind === 'in-unit' ? knownValue(from.figure) : undefined;
      const own = net === undefined ? bought : { value: roundUp(net, Number(roundUpTo)) };
      steps.push({ ...rounded, figure: inUnit(own) });
    }
    steps.push({ figure: inUnit(bought), label: { of: 'minimum', minimum: least }, target, here: false });
  }
  return steps;
}

/** How the hours of a line come about: for what is worked, then by its own factor and the difficulty. */
function hoursSteps(
  calculation: Calculation,
  key: LineKey,
  { unit, difficulty, hoursFactor }: { unit: string; difficulty: number; hoursFactor: string },
): readonly Step[] {
  const { graph } = calculation;
  if (!graph.has(lineNode(key, 'hours'))) return [];
  const target = { type: 'line', key } as const;
  const hours = calculation.figure(lineNode(key, 'hours'));
  const after = knownValue(hours);
  const own = graph.has(lineNode(key, 'hours-factor'))
    ? knownValue(calculation.figure(lineNode(key, 'hours-factor')))
    : 1;
  const worked = calculation.figure(
    lineNode(key, graph.has(lineNode(key, 'worked')) ? 'worked' : 'quantity'),
  );
  const inHours = (figure: Figure): StepFigure => ({ kind: 'in-unit', figure, unit: 'h' });
  const acting = own === undefined || own === 0 ? 0 : own * difficulty;
  const before: Figure = after === undefined || acting === 0 ? hours : { value: after / acting };
  const first: Step = {
    figure: inHours(before),
    label: { of: 'hours', worked, unit },
    target,
    here: false,
  };
  const steps: Step[] = [first];
  if (hoursFactor !== '' && own !== undefined && after !== undefined)
    steps.push({
      figure: inHours({ value: difficulty === 0 ? 0 : after / difficulty }),
      label: { of: 'hours-factor', formula: hoursFactor, times: own },
      target,
      here: false,
    });
  if (difficulty !== 1)
    steps.push({
      figure: inHours(hours),
      label: { of: 'difficulty', times: difficulty },
      target,
      here: false,
    });
  return steps;
}

/** What region and adjustments take the price book's prices times, by the kinds that the line has. */
function factorSteps(
  calculation: Calculation,
  key: LineKey,
  acting: Acting,
  isFromBook: (cost: CostKind) => boolean,
): readonly Step[] {
  return COST_KINDS.flatMap((cost): readonly Step[] => {
    const times = factorOf(cost, isFromBook(cost), acting);
    if (times === 1 || !calculation.graph.has(lineNode(key, cost))) return [];
    return [
      {
        figure: { kind: 'factor', times },
        label: { of: 'price-factor', cost, times },
        target: { type: 'line', key },
        here: false,
      },
    ];
  });
}

/** The item a line is priced by: its own, or the one that its sizes lead to. */
function codeOf(calculation: Calculation, key: LineKey, code: string, sizing: Sizing | undefined): string {
  if (sizing === undefined) return code;
  const known = (node: string): number | undefined => knownValue(calculation.figure(node));
  return reasonOfSize(calculation.job, key, sizing, known)?.item.code ?? '';
}

/** The figure that was typed over what flows. */
function pinnedSteps(calculation: Calculation, key: LineKey, unit: string): readonly Step[] {
  if (!calculation.graph.has(lineNode(key, 'flowing'))) return [];
  const figure: StepFigure = { kind: 'in-unit', figure: calculation.figure(lineNode(key, 'quantity')), unit };
  return [{ figure, label: { of: 'pinned' }, target: { type: 'line', key }, here: false }];
}

function pricedSteps(
  calculation: Calculation,
  key: LineKey,
  itemCode: string,
  description: string,
  sectionId: Id<'section'> | null,
  way: readonly Step[] = [],
): readonly Step[] {
  const item = calculation.findItem(itemCode);
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
  const extension = calculation.figure(lineNode(key, 'extension'));
  const label: StepLabel = { of: 'line', description };
  return [
    ...price,
    ...way,
    { figure: money(extension), label, target: { type: 'line', key }, here: true },
    ...sectionSteps(calculation, sectionId ?? NO_SECTION, false),
  ];
}

const bidStep = (calculation: Calculation, here: boolean): Step => ({
  figure: money(calculation.figure(bidNode('total'))),
  label: { of: 'bid' },
  target: { type: 'bid' },
  here,
});

function bidSteps(calculation: Calculation): readonly Step[] {
  const target = { type: 'bid' } as const;
  const [settings] = calculation.job.settings.values();
  const at = (node: string, label: StepLabel): Step => ({
    figure: money(calculation.figure(node)),
    label,
    target,
    here: false,
  });
  return [
    at(bidNode('cost'), { of: 'cost' }),
    at(bidNode('tax'), { of: 'tax', percent: settings?.taxOnMaterials ?? '' }),
    ...inOrder(calculation.job.markup.values()).map(({ id, name, percent }) =>
      at(markupNode(id), { of: 'markup', name, percent }),
    ),
    bidStep(calculation, true),
  ];
}
