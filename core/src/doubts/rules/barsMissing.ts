import { lineNode } from '../../calculate/graph/nodes.ts';
import type { Id } from '../../job/id.ts';
import type { Scope } from '../../job/records/scope.ts';
import { remember } from '../../job/remember.ts';
import type { Component } from '../../job/records/assembly.ts';
import type { Item } from '../../job/records/item.ts';
import { VOLUME, sameDimension } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import { defineRule } from '../rule.ts';

const CONCRETE = /\b(concrete|grout)\b/i;
const BARS = /\b(bars?|rebar|mesh|reinforc\w*)\b/i;

/** What a component says of itself, read once. */
const partOf = remember(({ kind, name, unit }: Component) => {
  const dimension = findUnit(unit)?.dimension;
  return {
    isVolume: kind === 'material' && dimension !== undefined && sameDimension(dimension, VOLUME),
    isConcrete: CONCRETE.test(name),
    isBars: BARS.test(name),
  };
});
const ofItem = remember(({ description }: Item) => ({
  isConcrete: CONCRETE.test(description),
  isBars: BARS.test(description),
}));

interface Poured {
  readonly scope: Scope;
  hasConcrete: boolean;
  hasBars: boolean;
}

/** Slabs, walls and beams of concrete without bars, where others in their section have some. */
export const barsMissing = defineRule('bars-missing', 'lines', ({ job, lines, known, pricedBy }) => {
  const poured = new Map<Id<'scope'>, Poured>();
  for (const line of lines) {
    if (line.of.by !== 'use') continue;
    const { frame, component } = line.of.made;
    const item = pricedBy(line);
    const part = partOf(component);
    const isConcrete = part.isVolume && (part.isConcrete || (item !== undefined && ofItem(item).isConcrete));
    const isBars = part.isBars || (item !== undefined && ofItem(item).isBars);
    if (!isConcrete && !isBars) continue;
    if ((known(lineNode(line.key, 'quantity')) ?? 0) <= 0) continue;
    const at = poured.get(frame.scope.id) ?? { scope: frame.scope, hasConcrete: false, hasBars: false };
    poured.set(frame.scope.id, at);
    at.hasConcrete ||= isConcrete;
    at.hasBars ||= isBars;
  }
  const all = [...poured.values()].filter(({ hasConcrete }) => hasConcrete);
  return all
    .filter(({ hasBars }) => !hasBars)
    .flatMap(({ scope }) => {
      const neighbor = all.find((each) => each.hasBars && each.scope.sectionId === scope.sectionId);
      if (neighbor === undefined) return [];
      const place = { at: 'scope' as const, id: scope.id };
      const section = job.section.get(scope.sectionId ?? 'section:')?.name ?? '';
      return [{ of: scope.id, name: scope.name, place, facts: { neighbor: neighbor.scope.name, section } }];
    });
});
