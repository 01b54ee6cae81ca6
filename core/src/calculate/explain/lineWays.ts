import { type LineAt, type LineMaker, type MadeBy, findLine } from '../../estimate/lineSources.ts';

import type { NodeId } from '../../job/nodeId.ts';
import { overrideOf } from '../../job/overrides.ts';
import { type LineKey, NO_SECTION } from '../../job/lineKey.ts';
import type { Sizing } from '../../job/records/pricing.ts';
import { knownValue } from '../define.ts';
import type { Figures } from '../figures.ts';
import { lineNode, netNode, purchaseNode, typedNode } from '../graph/nodes.ts';
import type { Figure } from '../graph/rule.ts';
import { priceFactorsOn, wasteOfLine } from '../lines/line.ts';
import { pricingOfComponent, pricingOfLine } from '../lines/pricing.ts';
import { reasonOfSize } from '../lines/sizes.ts';
import { priceFactorsOnComponent } from '../lines/useLines.ts';
import { priceFactorSteps, quantitySteps } from './lineSteps.ts';
import { behindSteps, money, sectionSteps } from './scopeSteps.ts';
import type { Step, StepFigure, StepLabel } from './step.ts';

/** How the figure of a line comes about, by what makes it: from what is behind its quantity to its money. */
interface LineWay<Of> {
  /** Up to the quantity that is priced. */
  readonly quantity: (figures: Figures, key: LineKey, of: Of) => readonly Step[];
  /** The item it is priced by: its own, or the one that its sizes lead to; empty for none. */
  readonly item: (figures: Figures, key: LineKey, of: Of) => string;
  /** What stands between its price and its money. */
  readonly priceFactors: (figures: Figures, key: LineKey, of: Of) => readonly Step[];
  readonly called: (of: Of) => string;
}

const step = (key: LineKey, figure: StepFigure, label: StepLabel): Step => ({
  figure,
  label,
  target: { type: 'line', key },
  here: false,
});

const inUnit = (figure: Figure, unit: string): StepFigure => ({ kind: 'in-unit', figure, unit });

const NOTHING = (): readonly Step[] => [];

const LINE_WAYS: { readonly [Maker in LineMaker]: LineWay<MadeBy[Maker]> } = {
  use: {
    quantity: (figures, key, { path, frame, component }) => {
      const net = netNode(frame.use.id, path);
      return [
        ...behindSteps(figures, net),
        ...quantitySteps(figures, net, key, component),
        ...pinnedSteps(figures, key, component.unit),
      ];
    },
    item: (figures, key, { component }) =>
      overrideOf(figures.job, key)?.itemCode ?? itemOf(figures, key, component.itemCode, component.sizing),
    priceFactors: (figures, key, placed) =>
      priceFactorSteps(
        figures,
        key,
        pricingOfComponent(figures.job, placed),
        priceFactorsOnComponent(figures.job, placed),
        placed.component.hoursFactor,
      ),
    called: ({ component }) => component.name,
  },
  line: {
    quantity: (figures, key, line) => {
      const wasted = figures.has(lineNode(key, 'worked'));
      const typed = figures.has(lineNode(key, 'flowing')) ? 'flowing' : wasted ? 'worked' : 'quantity';
      const at = (figure: typeof typed): StepFigure =>
        inUnit(figures.figure(lineNode(key, figure)), line.unit);
      const percent = String(wasteOfLine(figures.job, line));
      return [
        ...behindSteps(figures, typedNode(line.id)),
        step(key, at(typed), { of: 'typed' }),
        ...(wasted ? [step(key, at('quantity'), { of: 'waste', percent })] : []),
        ...pinnedSteps(figures, key, line.unit),
      ];
    },
    item: (figures, key, { itemCode, sizing }) => itemOf(figures, key, itemCode, sizing),
    priceFactors: (figures, key, line) =>
      priceFactorSteps(
        figures,
        key,
        pricingOfLine(figures.job, line),
        priceFactorsOn(figures.job, { key, sectionId: line.sectionId }, pricingOfLine(figures.job, line)),
      ),
    called: ({ description }) => description,
  },
  purchase: {
    // What the job needs of an item, what is bought, and how much the difference is.
    quantity: (figures, key, { code, unit }) => [
      step(key, inUnit(figures.figure(purchaseNode(code, 'need')), unit), { of: 'needed' }),
      step(key, inUnit(figures.figure(purchaseNode(code, 'bought')), unit), { of: 'bought' }),
      step(key, inUnit(figures.figure(lineNode(key, 'quantity')), unit), { of: 'rounded-up' }),
    ],
    item: (_figures, _key, { code }) => code,
    priceFactors: NOTHING,
    called: ({ name }) => name,
  },
  package: { quantity: NOTHING, item: () => '', priceFactors: NOTHING, called: ({ name }) => name },
};

/** The whole way of a line up to its section. Empty for one that is not in the job, and for what has no money. */
export function lineWay(figures: Figures, key: LineKey): readonly Step[] {
  const line = findLine(figures.job, key);
  return line === undefined ? [] : wayOf(figures, line);
}

function wayOf(figures: Figures, { key, sectionId, of }: LineAt): readonly Step[] {
  const way: LineWay<never> = LINE_WAYS[of.by];
  const made = of.made as never;
  const item = figures.findItem(way.item(figures, key, made));
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
  const extension = money(figures.figure(lineNode(key, 'extension')));
  return [
    ...way.quantity(figures, key, made),
    ...price,
    ...way.priceFactors(figures, key, made),
    { ...step(key, extension, { of: 'line', description: way.called(made) }), here: true },
    ...sectionSteps(figures, sectionId ?? NO_SECTION, false),
  ];
}

/** The item a line is priced by: its own, or the one that its sizes lead to. */
function itemOf(figures: Figures, key: LineKey, code: string, sizing: Sizing | undefined): string {
  if (sizing === undefined) return code;
  const known = (node: NodeId): number | undefined => knownValue(figures.figure(node));
  return reasonOfSize(figures.job, key, sizing, known)?.item.code ?? '';
}

/** The figure that was typed over what flows. */
function pinnedSteps(figures: Figures, key: LineKey, unit: string): readonly Step[] {
  if (!figures.has(lineNode(key, 'flowing'))) return [];
  return [step(key, inUnit(figures.figure(lineNode(key, 'quantity')), unit), { of: 'pinned' })];
}
