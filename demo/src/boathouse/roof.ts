import type { Feet, Place } from './building.ts';

export type EdgeType = 'eave' | 'rake' | 'ridge' | 'hip' | 'wall';

/** One roof slope: its plan ring, the rise in twelve, and what each edge from corner i to i + 1 is. */
export interface RoofSlope {
  readonly name: string;
  readonly ring: readonly Place[];
  readonly riseIn12: number;
  readonly edges: readonly EdgeType[];
}

/** A gable over the bay, a hip over the upper floor, a lean-to over the east end of the terrace. */
export const ROOF_SLOPES: readonly RoofSlope[] = [
  {
    name: 'Bay west',
    ring: [
      [-2, -2],
      [31, -2],
      [31, 84],
      [-2, 84],
    ],
    riseIn12: 6,
    edges: ['rake', 'ridge', 'rake', 'eave'],
  },
  {
    name: 'Bay east',
    ring: [
      [31, -2],
      [62, -2],
      [62, 84],
      [31, 84],
    ],
    riseIn12: 6,
    edges: ['rake', 'wall', 'rake', 'ridge'],
  },
  {
    name: 'Hip north',
    ring: [
      [62, -2],
      [126, -2],
      [96, 28],
      [92, 28],
    ],
    riseIn12: 4,
    edges: ['eave', 'hip', 'ridge', 'hip'],
  },
  {
    name: 'Hip east',
    ring: [
      [126, -2],
      [126, 58],
      [96, 28],
    ],
    riseIn12: 4,
    edges: ['eave', 'hip', 'hip'],
  },
  {
    name: 'Hip south',
    ring: [
      [126, 58],
      [62, 58],
      [92, 28],
      [96, 28],
    ],
    riseIn12: 4,
    edges: ['eave', 'hip', 'ridge', 'hip'],
  },
  {
    name: 'Hip west',
    ring: [
      [62, 58],
      [62, -2],
      [92, 28],
    ],
    riseIn12: 4,
    edges: ['eave', 'hip', 'hip'],
  },
  {
    name: 'Lean-to',
    ring: [
      [93, 58],
      [126, 58],
      [126, 84],
      [93, 84],
    ],
    riseIn12: 2,
    edges: ['wall', 'rake', 'eave', 'rake'],
  },
];

/** True length of an edge: eaves, ridges and these walls lie level or run up the slope with their plan. */
export function trueEdge({ ring, riseIn12, edges }: RoofSlope, index: number): Feet {
  const [a, b] = [ring[index], ring[(index + 1) % ring.length]];
  if (a === undefined || b === undefined) throw new Error('trueEdge: no such edge');
  const plan = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const level = edges[index] === 'eave' || edges[index] === 'ridge' || edges[index] === 'wall';
  if (level) return plan;
  // A rake climbs with all of its plan length; a hip at 45 degrees with the run of one side.
  const climb = edges[index] === 'rake' ? plan : plan / Math.SQRT2;
  return Math.hypot(plan, (climb * riseIn12) / 12);
}
