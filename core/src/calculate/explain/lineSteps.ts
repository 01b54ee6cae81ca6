import type { NodeId } from '../../job/nodeId.ts';
import type { LineKey } from '../../job/lineKey.ts';
import type { Figure } from '../graph/rule.ts';
import { COST_KINDS, type Component, type CostKind } from '../../job/records/assembly.ts';
import { roundUpTo as roundUp, unitOrLabel, withWaste } from '../../pricing/quantity.ts';
import type { Figures } from '../figures.ts';
import { knownValue } from '../define.ts';
import { type PriceFactors, factorOf } from '../lines/price.ts';
import { lineNode } from '../graph/nodes.ts';
import { type Pricing, findPrice } from '../lines/pricing.ts';
import type { Step, StepFigure, StepLabel } from './step.ts';

/** From the net figure of a component to what is bought, a step for each thing that changes it. */
export function quantitySteps(
  figures: Figures,
  net: NodeId,
  key: LineKey,
  component: Component,
): readonly Step[] {
  const target = { type: 'line', key } as const;
  const { unit, wastePercent, roundUpTo } = component;
  const spares = Number(component.spares ?? '');
  const factor = unitOrLabel(unit).factor;
  const figure = figures.figure(net);
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
    const bought = figures.has(lineNode(key, 'flowing')) ? 'flowing' : 'quantity';
    steps.push({ figure: inUnit(figures.figure(lineNode(key, bought))), label, target, here: false });
  }
  const least = component.minimum ?? '';
  const bought = figures.figure(
    lineNode(key, figures.has(lineNode(key, 'flowing')) ? 'flowing' : 'quantity'),
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
  figures: Figures,
  key: LineKey,
  { unit, difficulty, hoursFactor }: { unit: string; difficulty: number; hoursFactor: string },
): readonly Step[] {
  const graph = figures;
  if (!graph.has(lineNode(key, 'hours'))) return [];
  const target = { type: 'line', key } as const;
  const hours = figures.figure(lineNode(key, 'hours'));
  const after = knownValue(hours);
  const own = graph.has(lineNode(key, 'hours-factor'))
    ? knownValue(figures.figure(lineNode(key, 'hours-factor')))
    : 1;
  const worked = figures.figure(lineNode(key, graph.has(lineNode(key, 'worked')) ? 'worked' : 'quantity'));
  const inHours = (figure: Figure): StepFigure => ({ kind: 'in-unit', figure, unit: 'h' });
  const priceFactors = own === undefined || own === 0 ? 0 : own * difficulty;
  const before: Figure = after === undefined || priceFactors === 0 ? hours : { value: after / priceFactors };
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
  figures: Figures,
  key: LineKey,
  priceFactors: PriceFactors,
  isFromBook: (cost: CostKind) => boolean,
): readonly Step[] {
  return COST_KINDS.flatMap((cost): readonly Step[] => {
    const times = factorOf(cost, isFromBook(cost), priceFactors);
    if (times === 1 || !figures.has(lineNode(key, cost))) return [];
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

/** Which costs are of the price book: regions act on them, and on wages, but not on what was typed. */
function bookKinds(figures: Figures, pricing: Pricing): (cost: CostKind) => boolean {
  const price = findPrice(pricing, figures.job);
  if (!price.ok) return () => true;
  const typed = new Set(
    price.value.costs.filter(({ fromBook }) => fromBook !== true).map(({ kind }) => kind),
  );
  return (cost) => !typed.has(cost);
}

/** All that stands between a price and the money: hours, what acts on them, what acts on prices. */
export const priceFactorSteps = (
  figures: Figures,
  key: LineKey,
  { unit, ...pricing }: Pricing,
  priceFactors: PriceFactors,
  hoursFactor = '',
): readonly Step[] => [
  ...factorSteps(figures, key, priceFactors, bookKinds(figures, { unit, ...pricing })),
  ...hoursSteps(figures, key, { unit, difficulty: priceFactors.difficulty, hoursFactor }),
];
