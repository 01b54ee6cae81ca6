import { describe, expect, it } from '@jest/globals';
import { area as geodesicArea } from '@turf/turf';
import { createJob, listRecords } from '../../job/job.ts';
import { FOOT, createTestJob, makeMark, makeScope } from '../../testing/job.ts';
import { writeDxf, writeGeoJson } from './writeMarks.ts';

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
});
