import { type PlacedComponent, componentsOf } from '../../assemblies/frames.ts';
import { isBareMinimum, kindsBought } from '../../assemblies/purchase.ts';
import { placeComponent } from '../../estimate/lineSources.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { overrideOf } from '../../job/overrides.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import { NUMBER } from '../../units/dimension.ts';
import type { Define, Definitions } from '../define.ts';
import { leastNetNode, lineNode, measuredNode, netNode } from '../graph/nodes.ts';
import { jobNames } from '../queries/jobNames.ts';
import { type Names, compileValue, ruleOf } from '../queries/names.ts';
import { priceFactorsOn, definePriced, pinnedOf, purchaseOfComponent } from './line.ts';
import { difficultyOf } from '../queries/difficulty.ts';
import type { PriceFactors } from './price.ts';
import { pricingOfComponent } from './pricing.ts';
import { type Pinned, defineLeast, defineQuantity, workedNode } from './quantity.ts';
import { componentNames } from './use.ts';

/** The least that is bought, where a formula says it. */
function leastOf({ key, component }: PlacedComponent, names: Names): Pinned | undefined {
  const { minimum = '', unit } = component;
  if (minimum === '' || isBareMinimum(minimum)) return undefined;
  const node = leastNetNode(key);
  return { node, rule: ruleOf(node, compileValue(minimum, unit, names, unitOrLabel(unit).dimension), names) };
}

/** What the component itself takes its hours times. */
function hoursFactorOf({ key, component }: PlacedComponent, names: Names): Definitions {
  const { hoursFactor = '' } = component;
  if (hoursFactor === '') return [];
  const node = lineNode(key, 'hours-factor');
  return [[node, ruleOf(node, compileValue(hoursFactor, '', names, NUMBER), names)]];
}

/** What acts on the price of a component's line. */
export const priceFactorsOnComponent = (
  job: Job,
  placed: PlacedComponent,
  difficulty = difficultyOf(job, placed.frame.use),
): PriceFactors =>
  priceFactorsOn(job, placeComponent(job, placed), pricingOfComponent(job, placed), difficulty);

/** The quantities and the money of the lines that a use makes. */
export const defineUseLines: Define = ({ job }, id) => {
  const use = job.use.get(id as Id<'use'>);
  if (use === undefined) return [];
  const difficulty = difficultyOf(job, use);
  return componentsOf(job, use).flatMap((placed) => defineComponentLine(job, placed, difficulty));
};

function defineComponentLine(job: Job, placed: PlacedComponent, difficulty: number): Definitions {
  const { key, path, frame, component } = placed;
  const { unit, name } = component;
  const names = componentNames(job, frame);
  const least = leastOf(placed, names);
  const quantity = {
    line: key,
    net: netNode(frame.use.id, path),
    unit,
    bought: purchaseOfComponent(job, placed),
    component: { name, measured: measuredNode(frame.use.scopeId) },
    pinned: pinnedOf(key, overrideOf(job, key)?.pinned, unit, jobNames(job)),
    // Over the whole job it is the purchase that is held to it.
    least: component.roundAt === undefined ? least : undefined,
  };
  const factor = hoursFactorOf(placed, names);
  const on = { worked: workedNode(quantity), bought: kindsBought(component), hoursFactor: factor[0]?.[0] };
  const priceFactors = priceFactorsOnComponent(job, placed, difficulty);
  return [
    ...defineQuantity(quantity),
    ...(component.roundAt === undefined || least === undefined ? [] : defineLeast(key, unit, least)),
    ...factor,
    ...definePriced(key, pricingOfComponent(job, placed), priceFactors, names, job, on),
  ];
}
