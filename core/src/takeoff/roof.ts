import { evenOddArea } from '../geometry/evenOdd.ts';
import { type Vertex, segmentsOfPath } from '../geometry/path.ts';
import { type Point, distance } from '../geometry/point.ts';
import { slopeFactor, trueLength } from '../geometry/slope.ts';
import type { RoofEdge } from '../job/records/mark.ts';

/** Steeper than this is a wall: 60/12. */
const STEEPEST = 5;

/**
 * Reads a pitch as rise over run: `6/12`, `6:12`, `30 %`, `27°`, `27 deg`. Undefined for anything
 * else and for what no roof has.
 */
export function parsePitch(text: string): number | undefined {
  const ratio = /^\s*(\d+(?:[.,]\d+)?)\s*(?:[/:]|in)\s*(\d+(?:[.,]\d+)?)\s*$/.exec(text);
  const single = /^\s*(\d+(?:[.,]\d+)?)\s*(%|°|deg|degrees)\s*$/.exec(text);
  const number = (part: string | undefined): number => Number((part ?? '').replace(',', '.'));
  let rise: number | undefined;
  if (ratio !== null) rise = number(ratio[1]) / number(ratio[2]);
  else if (single !== null)
    rise = single[2] === '%' ? number(single[1]) / 100 : Math.tan((number(single[1]) * Math.PI) / 180);
  return rise !== undefined && Number.isFinite(rise) && rise >= 0 && rise <= STEEPEST ? rise : undefined;
}

export type RoofFigures = Readonly<Record<RoofEdge | 'slope_area', number>>;

/** Eaves and ridges lie level; the way up is square to them, into the slope. */
function findUphill(ring: readonly Vertex[], edges: readonly (RoofEdge | null)[]): Point | undefined {
  const level = segmentsOfPath(ring, true).filter((_, i) => edges[i] === 'eave' || edges[i] === 'ridge');
  const longest = level.sort((a, b) => distance(b.from, b.to) - distance(a.from, a.to))[0];
  if (longest === undefined) return undefined;
  return { x: -(longest.to.y - longest.from.y), y: longest.to.x - longest.from.x };
}

/** An edge of a slope with its true length, its ends where they are drawn. */
export interface TrueEdge {
  readonly edge: RoofEdge;
  readonly index: number;
  readonly lengthM: number;
}

type Slope = { readonly pitch: string; readonly edges: readonly (RoofEdge | null)[] };

/** Every edge that is said to be something, from the first ring in meters. */
export function trueEdges(ring: readonly Vertex[], slope: Slope, rise: number): readonly TrueEdge[] {
  const uphill = findUphill(ring, slope.edges) ?? { x: 0, y: 0 };
  return segmentsOfPath(ring, true).flatMap(({ from, to }, index) => {
    const edge = slope.edges[index];
    if (edge === null || edge === undefined) return [];
    return [{ edge, index, lengthM: trueLength(from, to, uphill, rise) }];
  });
}

/**
 * True figures of a roof slope from its plan rings in meters: the area by the slope factor, every
 * edge by how far it climbs. Undefined while the pitch cannot be read. Without an eave or a ridge
 * the way up is not known; edges then keep their plan lengths.
 */
export function roofFigures(
  rings: readonly (readonly Vertex[])[],
  slope: Slope | undefined,
): RoofFigures | undefined {
  const rise = slope === undefined ? undefined : parsePitch(slope.pitch);
  if (slope === undefined || rise === undefined) return undefined;
  const [ring = []] = rings;
  const lengths = { eave: 0, rake: 0, ridge: 0, hip: 0, valley: 0, wall: 0 };
  for (const { edge, lengthM } of trueEdges(ring, slope, rise)) lengths[edge] += lengthM;
  return { ...lengths, slope_area: evenOddArea(rings) * slopeFactor(rise) };
}
