import { isPoints, isRing } from '../../job/markKinds.ts';
import { flattenPath, segmentsOfPath } from '../../geometry/path.ts';
import type { Point } from '../../geometry/point.ts';
import { ringContains, signedArea } from '../../geometry/polygon.ts';
import { groupBy } from '../../job/groupBy.ts';
import { type Job, inOrder } from '../../job/job.ts';
import type { Mark } from '../../job/records/mark.ts';
import type { Opening } from '../../job/records/opening.ts';
import type { Scope } from '../../job/records/scope.ts';
import type { Sheet } from '../../job/records/sheet.ts';
import { placeOfSeat } from '../../takeoff/seat.ts';
import { toWorld } from '../../geometry/ground.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';

/** Arcs are written as straight pieces this fine, in sheet points, where a format has none. */
const ARC_PT = 0.05;
/** A sheet that is stretched this little one way has circles all the same. */
const EVEN_SHARE = 1e-6;

/** A corner on the ground; `bulge` makes the piece that begins there an arc: tan of a quarter of its angle. */
interface Corner extends Point {
  readonly bulge: number;
}

interface Written {
  readonly mark: Mark;
  readonly scope: Scope;
  /** Ground meters from the sheet's lower left corner, y upward, as drawings have it. */
  readonly rings: readonly (readonly Corner[])[];
  readonly openings: readonly WrittenOpening[];
}

interface WrittenOpening {
  readonly opening: Opening;
  /** Its two jambs in a run; one place in an area. */
  readonly ends: readonly Point[];
}

const isClosed = ({ kind }: Mark): boolean => isRing(kind);

/** The corners of a stroke with its arcs; flattened where arcs are not wanted or would be no circles. */
function cornersOf(stroke: Mark['strokes'][number], mark: Mark, withArcs: boolean): readonly Corner[] {
  const closed = isClosed(mark);
  if (isPoints(mark.kind)) return stroke.map(({ x, y }) => ({ x, y, bulge: 0 }));
  if (!withArcs) return flattenPath(stroke, closed, ARC_PT).map(({ x, y }) => ({ x, y, bulge: 0 }));
  const segments = segmentsOfPath(stroke, closed);
  return stroke.map(({ x, y }, i) => {
    const arc = segments[i]?.arc;
    // The sheet's y runs down, the ground's up: what turns right there turns left here.
    return { x, y, bulge: arc === undefined ? 0 : -Math.tan(arc.sweep / 4) };
  });
}

function marksOnGround(job: Job, sheet: Sheet, arcs: boolean): readonly Written[] {
  const scopes = inOrder(job.scope.values());
  const hosted = groupBy(job.opening.values(), ({ markId }): string => markId);
  return scopes.flatMap((scope) =>
    [...job.mark.values()]
      .filter((mark) => mark.scopeId === scope.id && mark.sheetId === sheet.id)
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .flatMap((mark) => {
        const scale = scaleOfMark(job, mark);
        if (scale === undefined) return [];
        const top = sheet.heightPt * scale.yMetersPerPoint;
        const onGround = (at: Point): Point => {
          const { x, y } = toWorld(at, scale);
          return { x, y: top - y };
        };
        const even = Math.abs(scale.xMetersPerPoint / scale.yMetersPerPoint - 1) < EVEN_SHARE;
        const rings = mark.strokes.map((stroke) =>
          cornersOf(stroke, mark, arcs && even).map((at) => ({ ...onGround(at), bulge: at.bulge })),
        );
        const openings = (hosted.get(mark.id) ?? []).flatMap((opening): readonly WrittenOpening[] => {
          const place = placeOfSeat(mark, opening.seat);
          if (place === undefined) return [];
          const at = onGround(place.at);
          if (opening.seat.on === 'area') return [{ opening, ends: [at] }];
          const half = opening.widthM / 2;
          const [dx, dy] = [Math.cos(place.direction) * half, -Math.sin(place.direction) * half];
          return [
            {
              opening,
              ends: [
                { x: at.x - dx, y: at.y - dy },
                { x: at.x + dx, y: at.y + dy },
              ],
            },
          ];
        });
        return [{ mark, scope, rings, openings }];
      }),
  );
}

const round = (value: number): number => Math.round(value * 1e6) / 1e6;

/** Rings as polygons: each outer ring with the holes that lie right inside it, by the even-odd rule. */
function polygonsOf(rings: readonly (readonly Point[])[]): readonly (readonly (readonly Point[])[])[] {
  const around = rings.map((ring, i) => {
    const [first] = ring;
    return rings.flatMap((other, j) =>
      i !== j && first !== undefined && ringContains(other, first) ? [j] : [],
    );
  });
  const turnedTo = (ring: readonly Point[], left: boolean): readonly Point[] =>
    signedArea(ring) > 0 === left ? ring : [...ring.slice(0, 1), ...ring.slice(1).reverse()];
  return rings.flatMap((ring, i) => {
    const depth = around[i]?.length ?? 0;
    if (depth % 2 === 1) return [];
    const holes = rings.filter((_, j) => around[j]?.length === depth + 1 && around[j]?.includes(i) === true);
    // RFC 7946, 3.1.6: the outer ring turns left, holes turn right.
    return [[turnedTo(ring, true), ...holes.map((hole) => turnedTo(hole, false))]];
  });
}

/**
 * The marks of a sheet as GeoJSON (RFC 7946 geometry in meters from the sheet's lower left corner; it has
 * no place on the globe, so no reader should take it for degrees). A ring inside an area is a hole of it.
 */
export function writeGeoJson(job: Job, sheet: Sheet): string {
  const place = ({ x, y }: Point): readonly [number, number] => [round(x), round(y)];
  const close = (ring: readonly Point[]): readonly Point[] => [...ring, ...ring.slice(0, 1)];
  const features = marksOnGround(job, sheet, false).flatMap(({ mark, scope, rings, openings }) => [
    {
      type: 'Feature',
      id: mark.id as string,
      properties: { scope: scope.name, key: scope.key, kind: mark.kind, times: mark.repeat ?? 1, unit: 'm' },
      geometry: isClosed(mark)
        ? {
            type: 'MultiPolygon',
            coordinates: polygonsOf(rings).map((polygon) => polygon.map((ring) => close(ring).map(place))),
          }
        : isPoints(mark.kind)
          ? { type: 'MultiPoint', coordinates: rings.flat().map(place) }
          : { type: 'MultiLineString', coordinates: rings.map((ring) => ring.map(place)) },
    },
    ...openings.map(({ opening, ends }) => {
      const counted = opening.scopeId === null ? undefined : job.scope.get(opening.scopeId);
      return {
        type: 'Feature',
        id: opening.id as string,
        properties: {
          scope: counted?.name ?? '',
          key: counted?.key ?? '',
          kind: 'opening',
          tag: opening.tag,
          width: round(opening.widthM),
          height: round(opening.heightM),
          host: mark.id,
          unit: 'm',
        },
        geometry:
          ends.length === 1
            ? { type: 'Point', coordinates: ends.map(place)[0] }
            : { type: 'LineString', coordinates: ends.map(place) },
      };
    }),
  ]);
  return `${JSON.stringify({ type: 'FeatureCollection', features }, null, 1)}\n`;
}

/** A layer name that every reader of DXF takes. */
const layerOf = ({ key }: Scope): string => key.toUpperCase().slice(0, 31);
/** Openings lie on a layer of their own beside what they sit in. */
const openingLayerOf = ({ key }: Scope): string => `${key.toUpperCase().slice(0, 22)}_OPENINGS`;

/** Group codes and values, a pair to two lines, as ASCII DXF has them. */
const pairs = (...values: readonly (string | number)[]): string =>
  values
    .map((value) =>
      typeof value === 'number' && !Number.isInteger(value) ? round(value).toFixed(6) : String(value),
    )
    .join('\n');

/** The marks of a sheet as ASCII DXF (R12), in meters, a layer for each scope. */
export function writeDxf(job: Job, sheet: Sheet): string {
  const written = marksOnGround(job, sheet, true);
  const layers = [
    ...new Map(
      written.flatMap(({ scope, openings }) => [
        [layerOf(scope), scope] as const,
        ...(openings.length === 0 ? [] : [[openingLayerOf(scope), scope] as const]),
      ]),
    ),
  ];
  const lines = [
    pairs(0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, 'AC1009', 9, '$INSUNITS', 70, 6, 0, 'ENDSEC'),
    pairs(0, 'SECTION', 2, 'TABLES', 0, 'TABLE', 2, 'LAYER', 70, layers.length),
    ...layers.map(([name, { color }]) =>
      pairs(0, 'LAYER', 2, name, 70, 0, 62, (color % 7) + 1, 6, 'CONTINUOUS'),
    ),
    pairs(0, 'ENDTAB', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES'),
  ];
  for (const { mark, scope, rings, openings } of written) {
    for (const ring of rings) lines.push(...entitiesOf(mark, layerOf(scope), ring));
    for (const { opening, ends } of openings)
      lines.push(...openingEntities(opening, openingLayerOf(scope), ends));
  }
  lines.push(pairs(0, 'ENDSEC', 0, 'EOF'));
  return `${lines.join('\n')}\n`;
}

/** A line from jamb to jamb, or a point in an area, with the tag and size as a text beside it. */
function openingEntities(opening: Opening, layer: string, ends: readonly Point[]): readonly string[] {
  const [a, b] = ends;
  if (a === undefined) return [];
  const size = `${opening.tag} ${round(opening.widthM)} x ${round(opening.heightM)}`.trim();
  const words = pairs(
    0,
    'TEXT',
    8,
    layer,
    10,
    a.x + 0,
    20,
    a.y + 0,
    40,
    0.1,
    1,
    size.replace(/[\r\n]/g, ' '),
  );
  if (b === undefined) return [pairs(0, 'POINT', 8, layer, 10, a.x + 0, 20, a.y + 0), words];
  return [pairs(0, 'LINE', 8, layer, 10, a.x + 0, 20, a.y + 0, 11, b.x + 0, 21, b.y + 0), words];
}

function entitiesOf(mark: Mark, layer: string, ring: readonly Corner[]): readonly string[] {
  if (isPoints(mark.kind)) return ring.map(({ x, y }) => pairs(0, 'POINT', 8, layer, 10, x + 0, 20, y + 0));
  return [
    pairs(0, 'POLYLINE', 8, layer, 66, 1, 70, isClosed(mark) ? 1 : 0),
    ...ring.map(({ x, y, bulge }) =>
      bulge === 0
        ? pairs(0, 'VERTEX', 8, layer, 10, x, 20, y)
        : pairs(0, 'VERTEX', 8, layer, 10, x, 20, y, 42, bulge),
    ),
    pairs(0, 'SEQEND', 8, layer),
  ];
}
