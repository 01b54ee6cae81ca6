import type { Figures } from '@zest/core/calculate/figures';
import { knownValue } from '@zest/core/calculate/define';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import type { Scope } from '@zest/core/job/records/scope';
import { leadingMeasure, measuresOf } from '@zest/core/job/markKinds';
import { type Measure } from '@zest/core/job/measures';

/** Always worth a line, also when they are zero. */
const ALWAYS: ReadonlySet<Measure> = new Set(['count', 'ends', 'corners', 'tees', 'perimeter']);

/** The measures that say something: no faces without a thickness, no net without openings, no zeros. */
export function shownMeasures(figures: Figures, scope: Scope): readonly Measure[] {
  const has = (name: string): boolean => scope.properties.some(({ key }) => key === name);
  const value = (measure: Measure): number => knownValue(figures.figure(measureNode(scope.id, measure))) ?? 0;
  const opened = value('openings') > 0;
  return measuresOf(scope.kind).filter((measure) => {
    if (measure === leadingMeasure(scope.kind)) return false;
    if (ALWAYS.has(measure)) return true;
    if (measure.endsWith('_length') && measure !== 'plan_length' && measure !== 'net_length')
      return has('thickness');
    if (measure.startsWith('net_')) return opened;
    if (measure === 'deducted_width' || measure === 'deducted_area')
      return value(measure) !== value(measure === 'deducted_width' ? 'openings_width' : 'openings_area');
    if (measure === 'plan_length') return value(measure) !== value('length');
    if (measure === 'wall_area' || measure === 'volume')
      return has(measure === 'volume' ? 'depth' : 'height');
    return value(measure) !== 0;
  });
}
