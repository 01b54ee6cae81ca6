import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { Calculation } from '@zest/core/calculate/calculation';
import { knownValue } from '@zest/core/calculate/define';
import { bidNode, measureNode, scopeCostNode, sectionNode } from '@zest/core/calculate/graph/nodes';
import { warningsOf } from '@zest/core/calculate/explain/notes';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { takeSecondLook } from '@zest/core/doubts/secondLook';
import { listRows } from '@zest/core/estimate/rows';
import { settingsOf } from '@zest/core/job/job';
import { checkJob } from '@zest/core/job/integrity';
import { itemOfRow } from '@zest/core/reports/estimateReport';
import { listUnpriced } from '@zest/core/reports/unpriced';
import type { Measure } from '@zest/core/job/measures';
import { POINT_FORMAT } from '@zest/core/units/numberFormat';
import { getUnit } from '@zest/core/units/unit';
import { SUSPENDED } from './boathouse/beams.ts';
import { BAY_SLAB, DEPTH, DOORS, ROOMS, WIDTH, areaOf, wallLength } from './boathouse/building.ts';
import { PIPES, SPRINKLERS, chainLength } from './boathouse/planting.ts';
import { STORM_RUNS, planLength } from './boathouse/storm.ts';
import { FIXTURES } from './boathouse/electrical.ts';
import { STAIR } from './boathouse/upperFloor.ts';
import { ROOF_SLOPES, trueEdge } from './boathouse/roof.ts';
import { drawSet } from './drawing/drawSet.ts';
import { COLUMNS, PAVILION_BEAMS } from './pavilion/building.ts';
import { BOATHOUSE_SET, PAVILION_SET } from './sets.ts';

const read = (name: string): Buffer => readFileSync(`${__dirname}/../files/${name}`);
const content = readZestjob(new Uint8Array(read('tern-island-boathouse.zestjob')));
if (!content.ok) throw new Error(JSON.stringify(content.problem));
const { job } = content.value;
const calculation = new Calculation(job);

function measured(key: string, measure: 'length' | 'area' | 'count'): number {
  const scope = [...job.scope.values()].find((each) => each.key === key);
  const value = knownValue(calculation.figure(measureNode(scope!.id, measure))) ?? Number.NaN;
  const unit = { length: getUnit('ft'), area: getUnit('ft²'), count: undefined }[measure];
  return unit === undefined ? value : value / unit.factor;
}

/** A measure of a scope in SI units. */
function figure(key: string, measure: Measure, of = calculation): number {
  const scope = [...of.job.scope.values()].find((each) => each.key === key);
  return knownValue(of.figure(measureNode(scope!.id, measure))) ?? Number.NaN;
}

describe('the metric demo job', () => {
  const packed = readZestjob(new Uint8Array(read('orchard-row-pavilion.zestjob')));
  if (!packed.ok) throw new Error(JSON.stringify(packed.problem));
  const metric = new Calculation(packed.value.job);

  it('measures what the model says, in meters', () => {
    expect(figure('columns', 'count', metric)).toBe(COLUMNS.length);
    const beams = PAVILION_BEAMS.reduce(
      (sum, { from, to }) => sum + Math.hypot(to[0] - from[0], to[1] - from[1]),
      0,
    );
    expect(figure('beams', 'length', metric)).toBeCloseTo(beams, 2);
    expect(figure('paving', 'area', metric)).toBeCloseTo(40 * 18 - 2 * 3, 1);
    // Two halves of 32 by 7 m at 27 degrees.
    expect(figure('roof', 'slope_area', metric)).toBeCloseTo(
      (2 * 32 * 7) / Math.cos((27 * Math.PI) / 180),
      1,
    );
  });
});

describe('the demo job', () => {
  it('measures what the building model says', () => {
    expect(measured('block_wall', 'length')).toBeCloseTo(wallLength('block'), 1);
    expect(measured('p1', 'length')).toBeCloseTo(wallLength('P1'), 1);
    expect(measured('p2', 'length')).toBeCloseTo(wallLength('P2'), 1);
    expect(measured('slab_bay', 'area')).toBeCloseTo(areaOf(BAY_SLAB), 0);
    expect(measured('doors', 'count')).toBe(DOORS.filter(({ type }) => type === 'single').length);
  });

  it('has rooms that fill the building', () => {
    expect(ROOMS.reduce((sum, room) => sum + areaOf(room.corners), 0)).toBeCloseTo(WIDTH * DEPTH, 6);
  });

  it('is partly done, as on a Tuesday afternoon', () => {
    const unscaled = [...job.sheet.values()].filter(
      ({ scale, printedScale }) => scale === null && printedScale !== '',
    );
    expect(unscaled.map(({ number }) => number).sort()).toEqual(['C-102', 'E-101']);
    expect(listUnpriced(calculation.figures).map(({ failure }) => failure.kind)).toEqual([
      'no-price',
      'no-price',
    ]);
    expect([...job.scope.keys()].filter((id) => !calculation.figures.isMeasured(id))).toHaveLength(1);
    // One of three quotes is taken, and two alternates are still open.
    expect([job.package.size, job.quote.size, job.alternate.size]).toEqual([1, 3, 2]);
    expect(job.item.size).toBeGreaterThanOrEqual(390);
  });

  it('is asked about what is meant to be unfinished, and no more', () => {
    const rules = takeSecondLook(calculation.figures, '2026-11-25').open.map(({ about }) => about.rule);
    expect(new Set(rules)).toEqual(
      new Set([
        'line-without-price',
        // Boards of 8 ft on walls of 9 ft.
        'piece-too-short',
        'sheet-without-scale',
        'alternate-doubles',
        'scope-without-marks',
        'yardstick-out',
      ]),
    );
  });

  it('leaves the stair opening out of the slab above', () => {
    const of = (name: string) => areaOf(SUSPENDED.find((slab) => slab.name === name)!.ring);
    expect(measured('s_6', 'area')).toBeCloseTo(of('S-6'), 0);
    expect(measured('s_8', 'area')).toBeCloseTo(of('S-8') - areaOf(STAIR), 0);
  });

  it('prices every kind of fixture by its own item, for the place it is built in, and raises all steel', () => {
    const rows = listRows(job).filter((row) => row.type === 'component');
    const fixtures = rows.filter(({ placed }) => placed.component.key === 'fixture');
    expect(new Set(fixtures.map((row) => itemOfRow(calculation.figures, row)?.code)).size).toBe(
      FIXTURES.length,
    );
    expect(settingsOf(job).regionId).toBeDefined();
    const [raised] = [...job.adjustment.values()];
    if (raised?.on.what !== 'lines') throw new Error('no adjustment');
    const steel = rows.filter((row) => /CN-BAR|CN-WWM/.test(itemOfRow(calculation.figures, row)?.code ?? ''));
    expect(steel.length).toBeGreaterThan(10);
    const lines = new Set<string>(raised.on.lines);
    expect(steel.filter(({ key }) => !lines.has(key))).toEqual([]);
  });

  it('is priced whole: general conditions, stair, plumbing and heating stand in the bid', () => {
    const named = (code: string) => [...job.section.values()].find((section) => section.code === code)!;
    for (const code of ['01', '05', '14', '21', '22', '23'])
      expect(knownValue(calculation.figure(sectionNode(named(code).id, 'cost')))).toBeGreaterThan(0);
  });

  it('takes the next larger footing where no row is 22 by 28 in', () => {
    const line = [...job.line.values()].find(({ sizing }) => sizing !== undefined);
    const row = listRows(job).find(({ key }) => key === line?.id);
    if (row?.type !== 'line') throw new Error('no sized line');
    // 20 x 30 is too narrow, 24 x 36 is the first that is big enough in both.
    expect(itemOfRow(calculation.figures, row)?.code).toBe('FT-24x36');
  });

  it('measures the site sheets as the model says: storm pipes in plan, heads, pipes by size, sleeves', () => {
    const storm = (insideIn: number): number =>
      STORM_RUNS.filter((run) => run.insideIn === insideIn).reduce((sum, run) => sum + planLength(run), 0);
    expect(measured('storm_15', 'length')).toBeCloseTo(storm(15), 1);
    expect(measured('storm_18', 'length')).toBeCloseTo(storm(18), 1);
    expect(measured('manholes', 'count')).toBe(3);
    expect(measured('sprinklers', 'count')).toBe(SPRINKLERS.length);
    for (const [size, key] of [
      ['1.5', 'pipe_150'],
      ['1', 'pipe_100'],
      ['0.75', 'pipe_075'],
    ] as const)
      expect(measured(key, 'length')).toBeCloseTo(
        PIPES[size].reduce((sum, chain) => sum + chainLength(chain), 0),
        1,
      );
    // A sleeve for every path crossing (common practice): five laterals, two laterals, the main.
    expect(measured('sleeves', 'count')).toBe(8);
    expect(measured('lawn', 'area')).toBeCloseTo(82 * 78 + 112 * 28, 0);
    // Typed off the dimensions of a sheet without scale: 29 + 57 + 25 ft and two rises of 6 ft.
    expect(measured('feeder', 'length')).toBeCloseTo(123, 6);
    expect(measured('feeder', 'count')).toBe(1);
  });

  it('is derived over all trades: every scope with an assembly has a cost, and the feeder fits its conduit', () => {
    const derived = new Set([...job.use.values()].map(({ scopeId }) => scopeId));
    expect(derived.size).toBeGreaterThan(35);
    for (const id of derived) expect(knownValue(calculation.figure(scopeCostNode(id)))).toBeGreaterThan(0);
    const display = { system: 'us', numbers: POINT_FORMAT } as const;
    for (const use of job.use.values()) expect(warningsOf(calculation.figures, use, display)).toEqual([]);
  });

  const DRAWING_MS = 60_000;

  it(
    'is drawn to the same bytes every time, and the committed files are those',
    async () => {
      const drawn = await drawSet(BOATHOUSE_SET);
      expect(Buffer.from(drawn).equals(read('tern-island-boathouse.pdf'))).toBe(true);
      const pavilion = await drawSet(PAVILION_SET);
      expect(Buffer.from(pavilion).equals(read('orchard-row-pavilion.pdf'))).toBe(true);
    },
    DRAWING_MS,
  );

  it('measures the roof as the model says: areas by the slope factor, hips and rakes in their true length', () => {
    const feet = (measure: 'hip' | 'rake' | 'eave'): number =>
      ['roof_metal', 'roof_shingle', 'roof_membrane'].reduce((sum, key) => sum + figure(key, measure), 0) /
      0.3048;
    for (const type of ['hip', 'rake', 'eave'] as const) {
      const model = ROOF_SLOPES.flatMap((slope) =>
        slope.edges.flatMap((edge, i) => (edge === type ? [trueEdge(slope, i)] : [])),
      );
      // Two slopes meet at every hip; it is one length of hip all the same.
      const shared = type === 'hip' ? 2 : 1;
      expect(feet(type)).toBeCloseTo(model.reduce((sum, length) => sum + length, 0) / shared, 1);
    }
    const plan = ROOF_SLOPES.reduce(
      (sum, { ring, riseIn12 }) => sum + areaOf(ring) * Math.hypot(1, riseIn12 / 12),
      0,
    );
    const area = ['roof_metal', 'roof_shingle', 'roof_membrane'].reduce(
      (sum, key) => sum + figure(key, 'slope_area'),
      0,
    );
    expect(area / getUnit('ft²').factor).toBeCloseTo(plan, 0);
  });
});

describe('the jobs beside the main one', () => {
  const jobOf = (name: string) => {
    const packed = readZestjob(new Uint8Array(read(name)));
    if (!packed.ok) throw new Error(JSON.stringify(packed.problem));
    return packed.value.job;
  };

  it('are a finished job with every line priced, to copy from', () => {
    const heron = jobOf('heron-slip-boat-store.zestjob');
    const figures = new Calculation(heron);
    expect(checkJob(heron)).toBeUndefined();
    expect(listUnpriced(figures.figures)).toEqual([]);
    expect(knownValue(figures.figure(bidNode('total')))).toBeGreaterThan(30_000_00);
  });

  it('are a template with all that must come out and every quantity at zero', () => {
    const template = jobOf('small-timber-building.zestjob');
    const figures = new Calculation(template);
    expect([template.mark.size, template.piece.size]).toEqual([0, 0]);
    expect(template.scope.size).toBeGreaterThan(3);
    expect(template.use.size).toBeGreaterThan(1);
    expect(knownValue(figures.figure(bidNode('total')))).toBe(0);
  });
});
