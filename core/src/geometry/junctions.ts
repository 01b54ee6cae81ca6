import RBush from 'rbush';
import { type Bounds, boundsOf } from './bounds.ts';
import { type Segment, type Vertex, flattenPath, headingsOf, segmentsOfPath } from './path.ts';
import { type Point, distance, nearestOnSegment } from './point.ts';
import { segmentsCross } from './polygon.ts';
import { JOINING_PT, STRAIGHT_PT, STRAIGHT_RAD, TOUCHING_PT } from './tolerance.ts';

/** A stroke of a run in sheet points, with how wide it is drawn: the thickness of a wall at its scale. */
export interface Chain {
  readonly path: readonly Vertex[];
  readonly widthPt: number;
}

/** How runs meet, as the places where they do. */
export interface Junctions {
  /** An end that meets nothing. */
  readonly ends: readonly Point[];
  /** A vertex or a meeting of two ends that changes direction; an arc is none. */
  readonly corners: readonly Point[];
  /** An end that meets the side of a run, or three ends in one place. */
  readonly tees: readonly Point[];
  /** Two runs through each other, or four ends in one place. */
  readonly crossings: readonly Point[];
  /** Where a stroke itself changes direction and no fixture is: what a pipe or a conduit needs an elbow for. */
  readonly bends: readonly Point[];
}

interface Piece extends Bounds {
  readonly a: Point;
  readonly b: Point;
  /** True where the end of the piece is a vertex of its path, not a point along an arc. */
  readonly realA: boolean;
  readonly realB: boolean;
  readonly segment: number;
  readonly chain: number;
  readonly own: boolean;
}

interface Node extends Bounds {
  readonly at: Point;
  readonly chain: number;
  readonly directions: number[];
  /** True once one of the runs that are asked about has an arm here. */
  own: boolean;
  /** True where a stroke ends, so that a thick wall's face is near enough. */
  isEnd: boolean;
  /** How far the place reaches: the width of what meets here. */
  reach: number;
}

const around = ({ x, y }: Point, reach: number): Bounds => ({
  minX: x - reach,
  minY: y - reach,
  maxX: x + reach,
  maxY: y + reach,
});

const direction = (from: Point, to: Point): number => Math.atan2(to.y - from.y, to.x - from.x);

const turn = (a: number, b: number): number => {
  const difference = Math.abs(a - b) % (2 * Math.PI);
  return difference > Math.PI ? 2 * Math.PI - difference : difference;
};

/** A vertex on the way straight on is none: by its angle, or by how little it stands off the line. */
function goesStraightOn(before: Vertex, at: Vertex, after: Vertex): boolean {
  if (at.through !== undefined || after.through !== undefined) return false;
  if (turn(direction(before, at), direction(at, after)) <= STRAIGHT_RAD) return true;
  const { at: nearest, t } = nearestOnSegment(at, before, after);
  return t > 0 && t < 1 && distance(nearest, at) <= STRAIGHT_PT;
}

/** The path without vertices that change nothing: doubled clicks, and points along a straight line. */
function withoutIdle(path: readonly Vertex[]): readonly Vertex[] {
  const kept: Vertex[] = [];
  path.forEach((vertex, i) => {
    const last = kept.at(-1);
    const isLast = i === path.length - 1;
    if (last !== undefined && vertex.through === undefined && distance(last, vertex) <= TOUCHING_PT) {
      // Of two in one place the outer one is the end of the stroke.
      if (isLast && kept.length > 1) kept[kept.length - 1] = { ...last, x: vertex.x, y: vertex.y };
      return;
    }
    kept.push(vertex);
  });
  let straight = kept;
  for (let changed = true; changed;) {
    const next: Vertex[] = [];
    straight.forEach((vertex, i) => {
      const [before, after] = [next.at(-1), straight[i + 1]];
      const idle = before !== undefined && after !== undefined && goesStraightOn(before, vertex, after);
      if (!idle) next.push(vertex);
    });
    changed = next.length < straight.length;
    straight = next;
  }
  return straight;
}

/** The straight pieces of a segment; those of an arc know that their inner ends are no vertices. */
function piecesOf(segment: Segment, of: Pick<Piece, 'segment' | 'chain' | 'own'>): readonly Piece[] {
  const points = flattenPath([segment.from, segment.to], false, TOUCHING_PT);
  return points.slice(1).map((b, i): Piece => {
    const a = points[i] as Point;
    return { a, b, realA: i === 0, realB: i === points.length - 2, ...of, ...boundsOf([a, b]) };
  });
}

/** Places that count as one: within the joining distance, or an end within the width of what it meets. */
class Places {
  readonly nodes: Node[] = [];
  readonly #tree = new RBush<Node>();
  readonly #widest: number;

  constructor(widest: number) {
    this.#widest = widest;
  }

  find(at: Point, reach: number, isEnd: boolean, chain: number): Node | undefined {
    let best: Node | undefined;
    for (const node of this.#tree.search(around(at, JOINING_PT + this.#widest))) {
      const wide = node.chain !== chain && (isEnd || node.isEnd) ? Math.max(reach, node.reach) : 0;
      const apart = distance(node.at, at);
      if (apart > JOINING_PT + wide) continue;
      if (best === undefined || apart < distance(best.at, at)) best = node;
    }
    return best;
  }

  /** True where what meets at a place reaches over to `at`. */
  isNear(at: Point): boolean {
    return this.#tree
      .search(around(at, JOINING_PT + this.#widest))
      .some((node) => distance(node.at, at) <= JOINING_PT + node.reach);
  }

  add(
    at: Point,
    angle: number,
    { own, isEnd, reach, chain }: Pick<Node, 'own' | 'isEnd' | 'reach' | 'chain'>,
  ): void {
    const known = this.find(at, reach, isEnd, chain);
    if (known !== undefined) {
      known.directions.push(angle);
      known.own ||= own;
      known.isEnd ||= isEnd;
      known.reach = Math.max(known.reach, reach);
      return;
    }
    const node: Node = { at, chain, directions: [angle], own, isEnd, reach, ...around(at, 0) };
    this.#tree.insert(node);
    this.nodes.push(node);
  }
}

/** Less than this an arm runs along a wall rather than into it. */
const ALONG_RAD = (20 * Math.PI) / 180;

const runsInto = (directions: readonly number[], along: number): boolean =>
  directions.some((angle) => {
    const between = turn(angle, along);
    return between > ALONG_RAD && between < Math.PI - ALONG_RAD;
  });

/** Arms a vertex or end lays on the inside of another segment: both ways along it. */
function addPassingArms(places: Places, tree: RBush<Piece>, chains: readonly Chain[], widest: number): void {
  for (const node of places.nodes) {
    // Of an arc only the piece that is nearest counts: its others bend away.
    const nearest = new Map<number, { readonly piece: Piece; readonly apart: number }>();
    for (const piece of tree.search(around(node.at, JOINING_PT + widest))) {
      const wide = node.isEnd && piece.chain !== node.chain ? (chains[piece.chain]?.widthPt ?? 0) : 0;
      const reach = JOINING_PT + wide;
      const { a, b, realA, realB } = piece;
      if ((realA && distance(a, node.at) <= JOINING_PT) || (realB && distance(b, node.at) <= JOINING_PT))
        continue;
      const place = nearestOnSegment(node.at, a, b);
      const apart = distance(place.at, node.at);
      if (apart > reach || (wide > 0 && ((realA && place.t === 0) || (realB && place.t === 1)))) continue;
      if (apart > JOINING_PT && !runsInto(node.directions, direction(a, b))) continue;
      const known = nearest.get(piece.segment);
      if (known === undefined || apart < known.apart) nearest.set(piece.segment, { piece, apart });
    }
    for (const { piece } of nearest.values()) {
      node.directions.push(direction(piece.b, piece.a), direction(piece.a, piece.b));
      node.own ||= piece.own;
      node.reach = Math.max(node.reach, chains[piece.chain]?.widthPt ?? 0);
    }
  }
}

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
 * run, or at the face of one that is thick, count as joined, since walls are traced by hand and drawn
 * to the face they meet. `stops` are places where a run is taken into a box or a fixture: no bend.
 */
export function findJunctions(
  chains: readonly Chain[],
  further: readonly Chain[] = [],
  stops: readonly Point[] = [],
): Junctions {
  const all = [...chains, ...further].map(({ path, widthPt }) => ({ path: withoutIdle(path), widthPt }));
  const widest = all.reduce((most, { widthPt }) => Math.max(most, widthPt), 0);
  const places = new Places(widest);
  const pieces: Piece[] = [];
  const bends: Point[] = [];
  let segments = 0;
  all.forEach(({ path, widthPt }, chain) => {
    const own = chain < chains.length;
    const drawn = segmentsOfPath(path, false).filter(
      ({ from, to, arc }) => arc !== undefined || distance(from, to) > 0,
    );
    const closed = path.length > 2 && distance(path[0] as Point, path.at(-1) as Point) <= JOINING_PT;
    drawn.forEach((segment, i) => {
      const [out, into] = headingsOf(segment);
      const isFirst = i === 0 && !closed;
      const isLast = i === drawn.length - 1 && !closed;
      places.add(segment.from, out, { own, isEnd: isFirst, reach: isFirst ? widthPt : 0, chain });
      places.add(segment.to, into + Math.PI, { own, isEnd: isLast, reach: isLast ? widthPt : 0, chain });
      pieces.push(...piecesOf(segment, { segment: (segments += 1), chain, own }));
      const next = drawn[i + 1] ?? (closed ? drawn[0] : undefined);
      if (own && next !== undefined && turn(into, headingsOf(next)[0]) > STRAIGHT_RAD) bends.push(segment.to);
    });
  });
  const tree = new RBush<Piece>();
  tree.load(pieces);
  addPassingArms(places, tree, all, widest);
  const found = {
    ends: [] as Point[],
    corners: [] as Point[],
    tees: [] as Point[],
    crossings: [...findThrough(tree, places)],
    bends: bends.filter((at) => stops.every((stop) => distance(stop, at) > JOINING_PT)),
  };
  for (const node of places.nodes.filter(({ own }) => own)) {
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
function findThrough(tree: RBush<Piece>, places: Places): readonly Point[] {
  const found: Point[] = [];
  for (const each of tree.all()) {
    for (const other of tree.search(each)) {
      if (other.segment <= each.segment || !(each.own || other.own)) continue;
      if (!segmentsCross(each.a, each.b, other.a, other.b)) continue;
      const at = crossingOf(each.a, each.b, other.a, other.b);
      const known = places.isNear(at);
      if (known || found.some((one) => distance(one, at) <= JOINING_PT)) continue;
      found.push(at);
    }
  }
  return found;
}

function crossingOf(a: Point, b: Point, c: Point, d: Point): Point {
  const denominator = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  const t = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / denominator;
  return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
}
