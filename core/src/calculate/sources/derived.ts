import type { Compute, Rule } from '../graph/rule.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { Face } from '../../job/records/scope.ts';
import { MARK_KIND } from '../../job/markKinds.ts';
import { type DerivedMeasure, type MarkMeasure } from '../../job/measures.ts';
import type { Definitions } from '../define.ts';
import { measureNode, propertyNode } from '../graph/nodes.ts';
import type { ScopeFace } from '../queries/jobNames.ts';

const at = (values: Float64Array, slots: Int32Array, slot: number): number =>
  values[slots[slot] as number] as number;
const first: Compute = (values, slots) => at(values, slots, 0);
const difference: Compute = (values, slots) => at(values, slots, 0) - at(values, slots, 1);
const product: Compute = (values, slots) => at(values, slots, 0) * at(values, slots, 1);

/** What measures follow from: a scope as others see it, and the side its lengths are taken along. */
export interface Sided extends ScopeFace {
  readonly face: Face;
}

const hasProperty = (scope: Sided, name: string): boolean => scope.properties.some(({ key }) => key === name);

/**
 * Where a face lies, in thicknesses from the center toward the side a positive turn leads to. Sheet
 * points run downward, so that is the right hand of who walks along the run.
 */
const FACE_STEPS: Readonly<Record<Face, number>> = { left: -0.5, center: 0, right: 0.5 };
const FACE_OF = { center_length: 'center', left_length: 'left', right_length: 'right' } as const;

/** Where the figures of a scope stand in the graph, or those of one of its marks alone. */
export type NodeOf = (measure: MarkMeasure | DerivedMeasure) => NodeId;

function faceRule(scope: Sided, measure: keyof typeof FACE_OF, node: NodeOf): Rule {
  const steps = FACE_STEPS[FACE_OF[measure]] - FACE_STEPS[scope.face];
  const length = node('length');
  if (steps === 0 || !hasProperty(scope, 'thickness'))
    return { kind: 'compute', inputs: [length], run: first };
  return {
    kind: 'compute',
    inputs: [length, node('turning'), propertyNode(scope.id, 'thickness')],
    run: (values, slots) => at(values, slots, 0) - steps * at(values, slots, 2) * at(values, slots, 1),
  };
}

/** The measures that follow from others; those that need a property stay away until it is there. */
export function defineDerived(
  scope: Sided,
  node: NodeOf = (measure) => measureNode(scope.id, measure),
): Definitions {
  const compute = (run: Compute, ...inputs: readonly NodeId[]): Rule => ({ kind: 'compute', inputs, run });
  const gross = scope.kind === 'slope' ? 'slope_area' : 'area';
  const rules: Readonly<Record<DerivedMeasure, () => Rule>> = {
    net_length: () => compute(difference, node('length'), node('deducted_width')),
    center_length: () => faceRule(scope, 'center_length', node),
    left_length: () => faceRule(scope, 'left_length', node),
    right_length: () => faceRule(scope, 'right_length', node),
    wall_area: () => compute(product, node('length'), propertyNode(scope.id, 'height')),
    net_wall_area: () => compute(difference, node('wall_area'), node('deducted_area')),
    net_area: () => compute(difference, node(gross), node('deducted_area')),
    volume: () => compute(product, node('net_area'), propertyNode(scope.id, 'depth')),
  };
  return MARK_KIND[scope.kind].derived
    .filter(([, property]) => property === undefined || hasProperty(scope, property))
    .map(([measure]) => [node(measure), rules[measure]()]);
}
