import { lineNode } from '../../calculate/graph/nodes.ts';
import type { Id } from '../../job/id.ts';
import type { Scope } from '../../job/records/scope.ts';
import { VOLUME, sameDimension } from '../../units/dimension.ts';
import { findUnit } from '../../units/unit.ts';
import { defineRule } from '../rule.ts';

const CONCRETE = /\b(concrete|grout)\b/i;
const BARS = /\b(bars?|rebar|mesh|reinforc\w*)\b/i;

interface Poured {
  readonly scope: Scope;
  hasConcrete: boolean;
  hasBars: boolean;
}

/** Slabs, walls and beams of concrete without bars, where others in their section have some. */
export const barsMissing = defineRule('bars-missing', 'lines', ({ job, lines, known, pricedBy }) => {
  const poured = new Map<Id<'scope'>, Poured>();
  for (const line of lines) {
    if (line.of.by !== 'use' || (known(lineNode(line.key, 'quantity')) ?? 0) <= 0) continue;
    const { frame, component } = line.of.made;
    const words = `${component.name} ${pricedBy(line)?.description ?? ''}`;
    const at = poured.get(frame.scope.id) ?? { scope: frame.scope, hasConcrete: false, hasBars: false };
    poured.set(frame.scope.id, at);
    const unit = findUnit(component.unit);
    if (component.kind === 'material' && unit !== undefined && sameDimension(unit.dimension, VOLUME))
      at.hasConcrete ||= CONCRETE.test(words);
    at.hasBars ||= BARS.test(words);
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
