import { describe, expect, it } from '@jest/globals';
import { area as geodesicArea } from '@turf/turf';
import { createJob, listRecords } from '../../job/job.ts';
import { FOOT, createTestJob, makeMark, makeScope } from '../../testing/job.ts';
import { writeDxf, writeGeoJson } from './write.ts';

const { job: started, makeId, sheet } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run', name: 'Wall' });
const slab = makeScope(makeId, { key: 'slab', kind: 'area', name: 'Slab', order: 2 });
const job = createJob([
  ...listRecords(started),
  wall,
  slab,
  makeMark(makeId, wall, sheet, [
    [0, 0],
    [10, 0],
    [10, 20],
  ]),
  makeMark(makeId, slab, sheet, [
    [0, 0],
    [30, 0],
    [30, 20],
  ]),
]);
const top = (sheet.heightPt / 9) * FOOT;

describe('marks as open drawings', () => {
  it('are GeoJSON in meters with y up, lines and closed polygons', () => {
    const { features } = JSON.parse(writeGeoJson(job, sheet)) as {
      features: { properties: object; geometry: { type: string; coordinates: number[][][][] } }[];
    };
    expect(features.map(({ geometry }) => geometry.type)).toEqual(['MultiLineString', 'MultiPolygon']);
    expect(features[0]?.properties).toMatchObject({ scope: 'Wall', unit: 'm' });
    const ring = features[1]?.geometry.coordinates[0]?.[0] ?? [];
    expect(ring).toHaveLength(4);
    expect(ring[0]).toEqual(ring[3]);
    expect(ring[0]?.[1]).toBeCloseTo(top, 5);
    // A small polygon near the equator, as an independent reader measures it: 300 ft² by its shape.
    const degrees = ring.map(([x = 0, y = 0]) => [x * 1e-5, (y - top) * 1e-5]);
    const square = [
      [0, 0],
      [1e-5, 0],
      [1e-5, 1e-5],
      [0, 1e-5],
      [0, 0],
    ];
    const share =
      geodesicArea({ type: 'Polygon', coordinates: [degrees] }) /
      geodesicArea({ type: 'Polygon', coordinates: [square] });
    expect(share / (300 * FOOT * FOOT)).toBeCloseTo(1, 4);
  });

  it('are DXF with a layer a scope, polylines open and closed', () => {
    const lines = writeDxf(job, sheet).split('\n');
    expect(lines.filter((line) => line === 'POLYLINE')).toHaveLength(2);
    expect(lines.filter((line) => line === 'VERTEX')).toHaveLength(6);
    expect(lines).toEqual(expect.arrayContaining(['WALL', 'SLAB', 'EOF']));
    // Codes and values alternate to the end.
    expect((lines.length - 1) % 2).toBe(0);
    expect(
      lines
        .filter((_, i) => i % 2 === 0)
        .slice(0, -1)
        .every((code) => /^\d+$/.test(code)),
    ).toBe(true);
  });

  it('are nothing on a sheet without scale: there is no ground to draw on', () => {
    const bare = { ...sheet, scale: null };
    const unscaled = createJob([...listRecords(job), bare]);
    expect(JSON.parse(writeGeoJson(unscaled, bare))).toMatchObject({ features: [] });
  });

  it('have a ring inside an area as its hole, the outer ring turning left and the hole right (RFC 7946, 3.1.6)', () => {
    const holed = makeMark(
      makeId,
      slab,
      sheet,
      [[0, 0], [0, 20], [30, 20], [30, 0]],
      [[5, 5], [5, 10], [10, 10], [10, 5]],
      [[6, 6], [7, 6], [7, 7], [6, 7]],
    ); // prettier-ignore
    const { features } = JSON.parse(
      writeGeoJson(createJob([...listRecords(started), slab, holed]), sheet),
    ) as {
      features: { geometry: { coordinates: number[][][][] } }[];
    };
    const polygons = features[0]?.geometry.coordinates ?? [];
    // The slab with its hole, and what stands in the hole.
    expect(polygons.map((rings) => rings.length)).toEqual([2, 1]);
    const turns = (ring: number[][] = []): number =>
      ring
        .slice(1)
        .reduce((sum, [x = 0, y = 0], i) => sum + (ring[i]?.[0] ?? 0) * y - x * (ring[i]?.[1] ?? 0), 0);
    expect(turns(polygons[0]?.[0])).toBeGreaterThan(0);
    expect(turns(polygons[0]?.[1])).toBeLessThan(0);
    // As an independent reader measures it: 600 less 25 and one again, in square feet.
    const far = polygons.map((rings) =>
      rings.map((ring) => ring.map(([x = 0, y = 0]) => [x * 1e-5, (y - top) * 1e-5])),
    );
    const square = [[[[0, 0], [1e-5, 0], [1e-5, 1e-5], [0, 1e-5], [0, 0]]]]; // prettier-ignore
    const area = (coordinates: number[][][][]) => geodesicArea({ type: 'MultiPolygon', coordinates });
    expect(area(far) / area(square) / FOOT ** 2).toBeCloseTo(576, 1);
  });

  it('have openings with their size and what they sit in', () => {
    const run = makeMark(makeId, wall, sheet, [[0, 0], [10, 0]]); // prettier-ignore
    const door = {
      type: 'opening',
      id: makeId('opening'),
      markId: run.id,
      scopeId: null,
      tag: 'D1',
      widthM: 3 * FOOT,
      heightM: 7 * FOOT,
      seat: { on: 'run', stroke: 0, along: 0.5 },
    } as const;
    const built = createJob([...listRecords(started), wall, run, door]);
    const { features } = JSON.parse(writeGeoJson(built, sheet)) as {
      features: { properties: object; geometry: { type: string; coordinates: number[][] } }[];
    };
    expect(features[1]?.properties).toMatchObject({
      kind: 'opening',
      tag: 'D1',
      width: 0.9144,
      host: run.id,
    });
    const [a = [], b = []] = features[1]?.geometry.coordinates ?? [];
    expect([(a[0] ?? 0) / FOOT, (b[0] ?? 0) / FOOT]).toEqual([
      expect.closeTo(3.5, 4),
      expect.closeTo(6.5, 4),
    ]);
    const lines = writeDxf(built, sheet).split('\n');
    expect(lines).toEqual(expect.arrayContaining(['WALL_OPENINGS', 'LINE', 'D1 0.9144 x 2.1336']));
  });

  it('have arcs as arcs in DXF: half a circle has a bulge of one', () => {
    const mark = makeMark(makeId, wall, sheet, [[0, 0], [10, 0]]); // prettier-ignore
    const [[from, to] = []] = mark.strokes;
    if (from === undefined || to === undefined) throw new Error('no stroke');
    // Over the top of the sheet: a turn to the right as it is seen.
    const half = { ...mark, strokes: [[from, { ...to, through: { x: 45, y: -45 } }]] };
    const text = writeDxf(createJob([...listRecords(started), wall, half]), sheet).split('\n');
    const at = text.indexOf('42');
    expect(Number(text[at + 1])).toBeCloseTo(-1, 6);
    expect(text.filter((line) => line === 'VERTEX')).toHaveLength(2);
  });
});
