import type { Vertex } from './path.ts';
import { type Point, distance } from './point.ts';

/** Ground meters for one sheet point, each way: a scan can be stretched. */
export interface Scale {
  readonly xMetersPerPoint: number;
  readonly yMetersPerPoint: number;
}

/** A sheet point in ground meters from the sheet's corner. */
export const toWorld = (sheetPoint: Point, scale: Scale): Point => ({
  x: sheetPoint.x * scale.xMetersPerPoint,
  y: sheetPoint.y * scale.yMetersPerPoint,
});

/** Ground meters between two sheet points. */
export const worldDistance = (a: Point, b: Point, scale: Scale): number =>
  distance(toWorld(a, scale), toWorld(b, scale));

/** A corner on the ground, meters. Arcs are circles there, also where the sheet is stretched. */
export const vertexToWorld = (vertex: Vertex, scale: Scale): Vertex =>
  vertex.through === undefined
    ? toWorld(vertex, scale)
    : { ...toWorld(vertex, scale), through: toWorld(vertex.through, scale) };
