import RBush from 'rbush';
import { type Bounds, boundsOf } from './bounds.ts';
import { type Point, distance, nearestOnSegment } from './point.ts';
import { segmentsCross } from './polygon.ts';
import { JOINING_PT, STRAIGHT_RAD } from './tolerance.ts';

/** How runs meet, as the places where they do. */
export interface Junctions {
  /** An end that meets nothing. */
  readonly ends: readonly Point[];
  /** A vertex or a meeting of two ends that changes direction. */
  readonly corners: readonly Point[];
  /** An end that meets the side of a run, or three ends in one place. */
  readonly tees: readonly Point[];
  /** Two runs through each other, or four ends in one place. */
  readonly crossings: readonly Point[];
}

type Segment = readonly [Point, Point];

interface Node {
  readonly at: Point;
  readonly directions: number[];
  /** True once one of the runs that are asked about has an arm here. */
  own: boolean;
}

interface Placed extends Bounds {
  readonly segment: Segment;
  readonly order: number;
  readonly own: boolean;
}

/** Places that count as one when they lie within the joining distance; found by squares of that size. */
class NodeGrid {
  readonly nodes: Node[] = [];
  readonly #squares = new Map<number, Node[]>();

  find(at: Point): Node | undefined {
    const [column, row] = [Math.floor(at.x / JOINING_PT), Math.floor(at.y / JOINING_PT)];
    for (let dx = -1; dx <= 1; dx += 1)
      for (let dy = -1; dy <= 1; dy += 1)
        for (const node of this.#squares.get(squareKey(column + dx, row + dy)) ?? NONE)
          if (distance(node.at, at) <= JOINING_PT) return node;
    return undefined;
  }

  add(at: Point, angle: number, own: boolean): void {
    const known = this.find(at);
    if (known !== undefined) {
      known.directions.push(angle);
      known.own ||= own;
      return;
    }
    const node = { at, directions: [angle], own };
    const key = squareKey(Math.floor(at.x / JOINING_PT), Math.floor(at.y / JOINING_PT));
    const square = this.#squares.get(key);
    if (square === undefined) this.#squares.set(key, [node]);
    else square.push(node);
    this.nodes.push(node);
  }
}

const NONE: readonly Node[] = [];
/** Sheets reach a million points each way at most, so that two square numbers fit one exact number. */
const squareKey = (column: number, row: number): number => column * 2 ** 26 + row;

const segmentsOf = (chain: readonly Point[]): readonly Segment[] =>
  chain.slice(1).map((to, i) => [chain[i] as Point, to] as const);

const direction = (from: Point, to: Point): number => Math.atan2(to.y - from.y, to.x - from.x);

const around = ({ x, y }: Point): Bounds => ({
  minX: x - JOINING_PT,
  minY: y - JOINING_PT,
  maxX: x + JOINING_PT,
  maxY: y + JOINING_PT,
});

/** Arms a vertex or end lays on the inside of another segment: both ways along it. */
function addPassingArms(grid: NodeGrid, segments: RBush<Placed>): void {
  for (const node of grid.nodes) {
    for (const { segment, own } of segments.search(around(node.at))) {
      const [a, b] = segment;
      if (distance(a, node.at) <= JOINING_PT || distance(b, node.at) <= JOINING_PT) continue;
      const nearest = nearestOnSegment(node.at, a, b);
      if (distance(nearest.at, node.at) > JOINING_PT) continue;
      node.directions.push(direction(node.at, a), direction(node.at, b));
      node.own ||= own;
    }
  }
}

const turn = (a: number, b: number): number => {
  const difference = Math.abs(a - b) % (2 * Math.PI);
  return difference > Math.PI ? 2 * Math.PI - difference : difference;
};

/** Arms in one direction are one arm: a piece traced over another does not make a junction. */
function distinctArms(directions: readonly number[]): readonly number[] {
  const kept: number[] = [];
  for (const angle of directions) {
    if (kept.every((other) => turn(other, angle) > STRAIGHT_RAD)) kept.push(angle);
  }
  return kept;
}

/**
 * Finds how the given chains (strokes of runs, in sheet points) meet, each other and the further
 * chains: of those only what a given chain takes part in counts. Ends within a few points of another
 * run count as joined, since walls are traced by hand.
 */
export function findJunctions(
  chains: readonly (readonly Point[])[],
  further: readonly (readonly Point[])[] = [],
): Junctions {
  const grid = new NodeGrid();
  const whole = (of: readonly (readonly Point[])[]): readonly Segment[] =>
    of.flatMap(segmentsOf).filter(([a, b]) => distance(a, b) > 0);
  const segments = [
    ...whole(chains).map((segment) => ({ segment, own: true })),
    ...whole(further).map((segment) => ({ segment, own: false })),
  ];
  const placed = new RBush<Placed>();
  placed.load(segments.map(({ segment, own }, order) => ({ segment, own, order, ...boundsOf(segment) })));
  for (const { segment, own } of segments) {
    const [a, b] = segment;
    grid.add(a, direction(a, b), own);
    grid.add(b, direction(b, a), own);
  }
  addPassingArms(grid, placed);
  const found = {
    ends: [] as Point[],
    corners: [] as Point[],
    tees: [] as Point[],
    crossings: [...findThrough(placed, grid)],
  };
  for (const node of grid.nodes.filter(({ own }) => own)) {
    const arms = distinctArms(node.directions);
    const [first = 0, second = 0] = arms;
    if (arms.length === 1) found.ends.push(node.at);
    else if (arms.length === 2 && turn(first, second) < Math.PI - STRAIGHT_RAD) found.corners.push(node.at);
    else if (arms.length === 3) found.tees.push(node.at);
    else if (arms.length > 3) found.crossings.push(node.at);
  }
  return found;
}

/** Crossings of two segments' insides, away from every vertex. */
function findThrough(placed: RBush<Placed>, grid: NodeGrid): readonly Point[] {
  const places = new NodeGrid();
  for (const each of placed.all()) {
    const [a, b] = each.segment;
    for (const other of placed.search(each)) {
      const [c, d] = other.segment;
      if (other.order <= each.order || !(each.own || other.own) || !segmentsCross(a, b, c, d)) continue;
      const at = crossingOf(a, b, c, d);
      if (grid.find(at) === undefined) places.add(at, 0, true);
    }
  }
  return places.nodes.map(({ at }) => at);
}

function crossingOf(a: Point, b: Point, c: Point, d: Point): Point {
  const denominator = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  const t = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / denominator;
  return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
}
