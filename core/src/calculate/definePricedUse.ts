import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { isBareMinimum, kindsBought } from '../assemblies/purchase.ts';
import { overrideOf } from '../estimate/places.ts';
import type { Use } from '../job/records/use.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { NUMBER } from '../units/dimension.ts';
import type { Calculation } from './calculation.ts';
import { type Definitions, type Pinned, defineLeast, defineQuantity, workedNode } from './define.ts';
import { definePriced, pinnedOf, purchaseOfComponent } from './defineLines.ts';
import { componentNames } from './defineUse.ts';
import { type Names, compileValue, ruleOf } from './names.ts';
import { lineNode, measuredNode, netNode } from './nodes.ts';
import { pricingOfComponent } from './pricing.ts';

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

/** The quantities and the money of the lines that a use makes. */
export function definePricedUse(calculation: Calculation, use: Use): Definitions {
  const { job, names: scopeNames } = calculation;
  const difficulty = calculation.difficultyOf(use);
  const find = calculation.findItem.bind(calculation);
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
    const acting = calculation.actingOn(placed, difficulty);
    return [
      ...defineQuantity(quantity),
      ...(component.roundAt === undefined || least === undefined ? [] : defineLeast(key, unit, least)),
      ...factor,
      ...definePriced(key, pricingOfComponent(job, placed), acting, names, find, job, on),
    ];
  });
}
