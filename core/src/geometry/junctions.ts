import RBush from 'rbush';
import { type Bounds, boundsOf, growBounds } from './bounds.ts';
import { type Point, distance, nearestOnSegment } from './point.ts';
import { segmentsCross } from './polygon.ts';
import { JOINING_PT, STRAIGHT_RAD } from './tolerance.ts';

/** How runs meet. Each is a count of places, not of pieces. */
export interface Junctions {
  /** An end that meets nothing. */
  readonly ends: number;
  /** A vertex or a meeting of two ends that changes direction. */
  readonly corners: number;
  /** An end that meets the side of a run, or three ends in one place. */
  readonly tees: number;
  /** Two runs through each other, or four ends in one place. */
  readonly crossings: number;
}

type Segment = readonly [Point, Point];

interface Node extends Bounds {
  readonly at: Point;
  readonly directions: number[];
}

interface Placed extends Bounds {
  readonly segment: Segment;
  readonly order: number;
}

const segmentsOf = (chain: readonly Point[]): readonly Segment[] =>
  chain.slice(1).map((to, i) => [chain[i] as Point, to] as const);

const direction = (from: Point, to: Point): number => Math.atan2(to.y - from.y, to.x - from.x);

const around = (at: Point, by = JOINING_PT): Bounds => growBounds(boundsOf([at]), by);

const findNode = (nodes: RBush<Node>, at: Point): Node | undefined =>
  nodes.search(around(at)).find((each) => distance(each.at, at) <= JOINING_PT);

function addArm(nodes: RBush<Node>, at: Point, angle: number): void {
  const node = findNode(nodes, at);
  if (node === undefined) nodes.insert({ at, directions: [angle], ...boundsOf([at]) });
  else node.directions.push(angle);
}

/** Arms a vertex or end lays on the inside of another segment: both ways along it. */
function addPassingArms(nodes: RBush<Node>, segments: RBush<Placed>): void {
  for (const node of nodes.all()) {
    for (const { segment } of segments.search(around(node.at))) {
      const [a, b] = segment;
      if (distance(a, node.at) <= JOINING_PT || distance(b, node.at) <= JOINING_PT) continue;
      const nearest = nearestOnSegment(node.at, a, b);
      if (distance(nearest.at, node.at) > JOINING_PT) continue;
      node.directions.push(direction(node.at, a), direction(node.at, b));
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
 * Finds how the given chains (strokes of runs, in sheet points) meet. Ends within a few points of
 * another run count as joined, since walls are traced by hand.
 */
export function findJunctions(chains: readonly (readonly Point[])[]): Junctions {
  const nodes = new RBush<Node>();
  const segments = chains.flatMap(segmentsOf).filter(([a, b]) => distance(a, b) > 0);
  const placed = new RBush<Placed>();
  placed.load(segments.map((segment, order) => ({ segment, order, ...boundsOf(segment) })));
  for (const [a, b] of segments) {
    addArm(nodes, a, direction(a, b));
    addArm(nodes, b, direction(b, a));
  }
  addPassingArms(nodes, placed);
  const found = { ends: 0, corners: 0, tees: 0, crossings: countThrough(placed, nodes) };
  for (const node of nodes.all()) {
    const arms = distinctArms(node.directions);
    const [first = 0, second = 0] = arms;
    if (arms.length === 1) found.ends += 1;
    else if (arms.length === 2 && turn(first, second) < Math.PI - STRAIGHT_RAD) found.corners += 1;
    else if (arms.length === 3) found.tees += 1;
    else if (arms.length > 3) found.crossings += 1;
  }
  return found;
}

/** Crossings of two segments' insides, away from every vertex. */
function countThrough(placed: RBush<Placed>, nodes: RBush<Node>): number {
  const places = new RBush<Node>();
  for (const { segment, order } of placed.all()) {
    const [a, b] = segment;
    for (const other of placed.search(boundsOf(segment))) {
      const [c, d] = other.segment;
      if (other.order <= order || !segmentsCross(a, b, c, d)) continue;
      const at = crossingOf(a, b, c, d);
      if (findNode(nodes, at) === undefined) addArm(places, at, 0);
    }
  }
  return places.all().length;
}

function crossingOf(a: Point, b: Point, c: Point, d: Point): Point {
  const denominator = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  const t = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / denominator;
  return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
}
