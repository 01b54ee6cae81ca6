import { vertexToWorld } from '../geometry/ground.ts';
import { evenOddArea, ringsCross } from '../geometry/evenOdd.ts';
import {
  type Vertex,
  flattenPath,
  pathLength,
  pathTurning,
  segmentLength,
  segmentsOfPath,
} from '../geometry/path.ts';
import { distance } from '../geometry/point.ts';
import { TOUCHING_PT } from '../geometry/tolerance.ts';
import type { RoofEdge } from '../job/records/mark.ts';
import { type MarkKind, isPoints, isRing } from '../job/markKinds.ts';
import type { MarkMeasure } from '../job/measures.ts';
import { roofFigures } from './roof.ts';
import type { Scale } from '../geometry/ground.ts';

/** A corner as it is drawn, with what rises from it. */
export interface DrawnVertex extends Vertex {
  readonly riseM?: number | undefined;
}

/** Drawn strokes of a mark in sheet points: open chains, closed rings, or single points. */
export interface DrawnShape {
  readonly kind: MarkKind;
  readonly strokes: readonly (readonly DrawnVertex[])[];
  readonly tailsM?: readonly [number, number] | undefined;
  readonly slope?: { readonly pitch: string; readonly edges: readonly (RoofEdge | null)[] } | undefined;
}

/** A run that comes back to its start has a corner there too. */
const runCloses = (stroke: readonly Vertex[]): boolean => {
  const [first, last] = [stroke[0], stroke.at(-1)];
  return (
    stroke.length > 3 && first !== undefined && last !== undefined && distance(first, last) <= TOUCHING_PT
  );
};

/** A mark's figure in SI units, once; undefined when the sheet has no scale. Counts need none. */
export const measureMark = (
  shape: DrawnShape,
  measure: MarkMeasure,
  scale: Scale | undefined,
): number | undefined => measurerOf(shape, scale)(measure);

/** Gives the figures of one mark, as measureMark does; its corners are laid on the ground once for all of them. */
export function measurerOf(
  shape: DrawnShape,
  scale: Scale | undefined,
): (measure: MarkMeasure) => number | undefined {
  let world: readonly (readonly Vertex[])[] | undefined;
  return (measure) => {
    if (measure === 'count')
      return isPoints(shape.kind) ? shape.strokes.reduce((sum, stroke) => sum + stroke.length, 0) : 1;
    if (measure === 'rises') return risesOf(shape);
    if (scale === undefined) return undefined;
    world ??= shape.strokes.map((stroke) => stroke.map((vertex) => vertexToWorld(vertex, scale)));
    return measureOnGround(shape, measure, world);
  };
}

function measureOnGround(
  shape: DrawnShape,
  measure: MarkMeasure,
  strokes: readonly (readonly Vertex[])[],
): number | undefined {
  const add = (figure: (stroke: readonly Vertex[], index: number) => number): number =>
    strokes.reduce((sum, stroke, index) => sum + figure(stroke, index), 0);
  const closed = isRing(shape.kind);
  switch (measure) {
    case 'length':
      return add((stroke) => pathLength(stroke, closed)) + risesOf(shape) + tailsOf(shape);
    case 'plan_length':
    case 'perimeter':
      return add((stroke) => pathLength(stroke, closed));
    case 'turning':
      return add((stroke, i) =>
        runCloses(shape.strokes[i] ?? [])
          ? pathTurning(stroke.slice(0, -1), true)
          : pathTurning(stroke, closed),
      );
    case 'area':
      return evenOddArea(strokes);
    case 'slope_area':
    case 'eave':
    case 'rake':
    case 'ridge':
    case 'hip':
    case 'valley':
    case 'wall':
      return roofFigures(strokes, shape.slope)?.[measure];
    default:
      // Openings are records of their own; they are added up where they are known.
      return 0;
  }
}

const risesOf = ({ strokes }: DrawnShape): number =>
  strokes.reduce((sum, stroke) => stroke.reduce((inner, { riseM }) => inner + Math.abs(riseM ?? 0), sum), 0);

const tailsOf = ({ tailsM }: DrawnShape): number => (tailsM === undefined ? 0 : tailsM[0] + tailsM[1]);

/** One piece of a mark between two corners, for the tape. */
export interface Piece {
  readonly stroke: number;
  readonly from: Vertex;
  readonly to: Vertex;
  readonly lengthM: number;
  readonly isArc: boolean;
}

/** The pieces that make up a run's length or an area's perimeter. */
export function piecesOf(shape: DrawnShape, scale: Scale): readonly Piece[] {
  const closed = isRing(shape.kind);
  return shape.strokes.flatMap((stroke, index) => {
    const world = segmentsOfPath(
      stroke.map((vertex) => vertexToWorld(vertex, scale)),
      closed,
    );
    return segmentsOfPath(stroke, closed).map(({ from, to, arc }, i) => {
      const segment = world[i];
      if (segment === undefined) throw new Error('piecesOf: a segment without its place on the ground');
      return { stroke: index, from, to, lengthM: segmentLength(segment), isArc: arc !== undefined };
    });
  });
}

/** True when edges of an area cross: its figure then follows the even-odd rule, and it is told. */
export const shapeCrossesItself = (shape: DrawnShape): boolean =>
  isRing(shape.kind) && ringsCross(shape.strokes.map((ring) => flattenPath(ring, true, TOUCHING_PT)));
