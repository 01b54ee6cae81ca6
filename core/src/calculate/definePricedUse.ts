import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { isBareMinimum, kindsBought } from '../assemblies/purchase.ts';
import { overrideOf } from '../estimate/places.ts';
import type { Use } from '../job/records/use.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { NUMBER } from '../units/dimension.ts';
import { type Definitions, type Pinned, defineLeast, defineQuantity, workedNode } from './define.ts';
import { definePriced, pinnedOf, purchaseOfComponent } from './defineLines.ts';
import { componentNames } from './defineUse.ts';
import { type Names, compileValue, ruleOf } from './names.ts';
import { lineNode, measuredNode, netNode } from './nodes.ts';
import { type FindItem, pricingOfComponent } from './pricing.ts';
import type { ScopeNames } from './scopeNames.ts';
import type { Acting } from './definePrice.ts';
import type { Job } from '../job/job.ts';

/** The least that is bought, where a formula says it. */
function leastOf({ key, component }: PlacedComponent, names: Names): Pinned | undefined {
  const { minimum = '', unit } = component;
  if (minimum === '' || isBareMinimum(minimum)) return undefined;
  const node = `${lineNode(key, 'least')}/net`;
  return { node, rule: ruleOf(node, compileValue(minimum, unit, names, unitOrLabel(unit).dimension), names) };
}

/** What the component itself takes its hours times. */
function hoursFactorOf({ key, component }: PlacedComponent, names: Names): Definitions {
  const { hoursFactor = '' } = component;
  if (hoursFactor === '') return [];
  const node = lineNode(key, 'hours-factor');
  return [[node, ruleOf(node, compileValue(hoursFactor, '', names, NUMBER), names)]];
}

/** What the money of a use rests on beside its own records: a calculation. */
export interface PricedBy {
  readonly job: Job;
  readonly names: ScopeNames;
  readonly findItem: FindItem;
  readonly difficultyOf: (use: Use) => number;
  readonly actingOn: (placed: PlacedComponent, difficulty: number) => Acting;
}

/** The quantities and the money of the lines that a use makes. */
export function definePricedUse(pricedBy: PricedBy, use: Use): Definitions {
  const { job, names: scopeNames } = pricedBy;
  const difficulty = pricedBy.difficultyOf(use);
  const find = pricedBy.findItem.bind(pricedBy);
  return componentsOf(job, use).flatMap((placed): Definitions => {
    const { key, path, frame, component } = placed;
    const { unit, name } = component;
    const names = componentNames(frame, scopeNames);
    const least = leastOf(placed, names);
    const quantity = {
      line: key,
      net: netNode(use.id, path),
      unit,
      bought: purchaseOfComponent(job, placed, find),
      component: { name, measured: measuredNode(use.scopeId) },
      pinned: pinnedOf(key, overrideOf(job, key)?.pinned, unit, scopeNames.jobNames()),
      // Over the whole job it is the purchase that is held to it.
      least: component.roundAt === undefined ? least : undefined,
    };
    const factor = hoursFactorOf(placed, names);
    const on = {
      worked: workedNode(quantity),
      bought: kindsBought(component),
      hoursFactor: factor[0]?.[0],
    };
    const acting = pricedBy.actingOn(placed, difficulty);
    return [
      ...defineQuantity(quantity),
      ...(component.roundAt === undefined || least === undefined ? [] : defineLeast(key, unit, least)),
      ...factor,
      ...definePriced(key, pricingOfComponent(job, placed), acting, names, find, job, on),
    ];
  });
}
