import { flattenPath } from '../../geometry/path.ts';
import type { Point } from '../../geometry/point.ts';
import { type Job, inOrder } from '../../job/job.ts';
import type { Mark } from '../../job/records/mark.ts';
import type { Scope } from '../../job/records/scope.ts';
import type { Sheet } from '../../job/records/sheet.ts';
import { toWorld } from '../../takeoff/scale.ts';
import { scaleOfMark } from '../../takeoff/scaleAt.ts';

/** Arcs are written as straight pieces this fine, in sheet points. */
const ARC_PT = 0.05;

interface Written {
  readonly mark: Mark;
  readonly scope: Scope;
  /** Ground meters from the sheet's lower left corner, y upward, as drawings have it. */
  readonly rings: readonly (readonly Point[])[];
}

const isClosed = ({ kind }: Mark): boolean => kind === 'area' || kind === 'slope';

function marksOnGround(job: Job, sheet: Sheet): readonly Written[] {
  const scopes = inOrder(job.scope.values());
  return scopes.flatMap((scope) =>
    [...job.mark.values()]
      .filter((mark) => mark.scopeId === scope.id && mark.sheetId === sheet.id)
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .flatMap((mark) => {
        const scale = scaleOfMark(job, mark);
        if (scale === undefined) return [];
        const top = sheet.heightPt * scale.yMetersPerPoint;
        const rings = mark.strokes.map((stroke) =>
          (mark.kind === 'count' ? stroke : flattenPath(stroke, isClosed(mark), ARC_PT)).map((at) => {
            const { x, y } = toWorld(at, scale);
            return { x, y: top - y };
          }),
        );
        return [{ mark, scope, rings }];
      }),
  );
}

const round = (value: number): number => Math.round(value * 1e6) / 1e6;

/**
 * The marks of a sheet as GeoJSON (RFC 7946 geometry in meters from the sheet's lower left corner; it has
 * no place on the globe, so no reader should take it for degrees). Rings of areas keep their order.
 */
export function writeGeoJson(job: Job, sheet: Sheet): string {
  const place = ({ x, y }: Point): readonly [number, number] => [round(x), round(y)];
  const close = (ring: readonly Point[]): readonly Point[] => [...ring, ...ring.slice(0, 1)];
  const features = marksOnGround(job, sheet).map(({ mark, scope, rings }) => ({
    type: 'Feature',
    id: mark.id,
    properties: { scope: scope.name, key: scope.key, kind: mark.kind, times: mark.repeat ?? 1, unit: 'm' },
    geometry: isClosed(mark)
      ? { type: 'MultiPolygon', coordinates: rings.map((ring) => [close(ring).map(place)]) }
      : mark.kind === 'count'
        ? { type: 'MultiPoint', coordinates: rings.flat().map(place) }
        : { type: 'MultiLineString', coordinates: rings.map((ring) => ring.map(place)) },
  }));
  return `${JSON.stringify({ type: 'FeatureCollection', features }, null, 1)}\n`;
}

/** A layer name that every reader of DXF takes. */
const layerOf = ({ key }: Scope): string => key.toUpperCase().slice(0, 31);

/** Group codes and values, a pair to two lines, as ASCII DXF has them. */
const pairs = (...values: readonly (string | number)[]): string =>
  values
    .map((value) =>
      typeof value === 'number' && !Number.isInteger(value) ? round(value).toFixed(6) : String(value),
    )
    .join('\n');

/** The marks of a sheet as ASCII DXF (R12), in meters, a layer for each scope. */
export function writeDxf(job: Job, sheet: Sheet): string {
  const written = marksOnGround(job, sheet);
  const layers = [...new Map(written.map(({ scope }) => [layerOf(scope), scope]))];
  const lines = [
    pairs(0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, 'AC1009', 9, '$INSUNITS', 70, 6, 0, 'ENDSEC'),
    pairs(0, 'SECTION', 2, 'TABLES', 0, 'TABLE', 2, 'LAYER', 70, layers.length),
    ...layers.map(([name, { color }]) =>
      pairs(0, 'LAYER', 2, name, 70, 0, 62, (color % 7) + 1, 6, 'CONTINUOUS'),
    ),
    pairs(0, 'ENDTAB', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES'),
  ];
  for (const { mark, scope, rings } of written)
    for (const ring of rings) lines.push(...entitiesOf(mark, layerOf(scope), ring));
  lines.push(pairs(0, 'ENDSEC', 0, 'EOF'));
  return `${lines.join('\n')}\n`;
}

function entitiesOf(mark: Mark, layer: string, ring: readonly Point[]): readonly string[] {
  if (mark.kind === 'count') return ring.map(({ x, y }) => pairs(0, 'POINT', 8, layer, 10, x + 0, 20, y + 0));
  return [
    pairs(0, 'POLYLINE', 8, layer, 66, 1, 70, isClosed(mark) ? 1 : 0),
    ...ring.map(({ x, y }) => pairs(0, 'VERTEX', 8, layer, 10, x, 20, y)),
    pairs(0, 'SEQEND', 8, layer),
  ];
}
