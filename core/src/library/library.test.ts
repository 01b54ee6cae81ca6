import type { NodeId } from '../job/nodeId.ts';
import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode, netNode } from '../calculate/graph/nodes.ts';
import { componentLine } from '../job/lineKey.ts';
import { applyDiff } from '../job/job.ts';
import { put } from '../job/change.ts';
import type { RecordOf } from '../job/record.ts';
import { type TestJob, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import type { UnitSystem } from '../units/format.ts';
import { getUnit } from '../units/unit.ts';

interface Applied {
  /** Net figure in the given unit. */
  readonly net: (key: string, unit: string) => number | undefined;
  /** What is bought, in the component's own unit. */
  readonly bought: (key: string) => number | undefined;
}

/** Applies a library assembly to a scope drawn on the sheet, as a person would. */
function apply(
  assemblyName: string,
  kind: 'run' | 'area',
  strokeFt: readonly (readonly [number, number])[],
  answers: Record<string, string>,
  system: UnitSystem = 'us',
): Applied {
  const test: TestJob = createTestJob(system);
  const scope = makeScope(test.makeId, { key: 'measured', kind });
  const use: RecordOf<'use'> = {
    type: 'use',
    id: test.makeId('use'),
    scopeId: scope.id,
    assemblyId: test.assembly(assemblyName).id,
    order: 1,
    answers,
  };
  const diff = put(scope, makeMark(test.makeId, scope, test.sheet, strokeFt), use)(test.job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const calculation = new Calculation(applyDiff(test.job, diff.value));
  const figure = (node: NodeId): number | undefined => knownValue(calculation.figure(node));
  return {
    net: (key, unit) => {
      const value = figure(netNode(use.id, key));
      return value === undefined ? undefined : value / getUnit(unit).factor;
    },
    bought: (key) => figure(lineNode(componentLine(use.id, key), 'quantity')),
  };
}

describe('slab on grade', () => {
  const slab = apply(
    'Slab on grade',
    'area',
    [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ],
    { thickness: '6', base: '4' },
  );

  it('computed: 24 ft by 30 ft at 6 in is 13.33 yd³, and 720 ft² to finish', () => {
    expect(slab.net('concrete', 'yd³')).toBeCloseTo(13.3333, 3);
    expect(slab.net('finish', 'ft²')).toBeCloseTo(720, 6);
  });

  it('common practice: 10 % waste, bought by the quarter yard: 14.67 becomes 14.75', () => {
    expect(slab.bought('concrete')).toBe(14.75);
  });

  it('computed: 4 in of base is 8.89 yd³; forms go all round, 108 ft', () => {
    expect(slab.net('gravel', 'yd³')).toBeCloseTo((720 * 4) / 12 / 27, 6);
    expect(slab.net('forms', 'ft')).toBeCloseTo(108, 6);
  });
});

describe('block wall', () => {
  it('computed: 1.125 blocks per ft²; common practice: 3 bags and 11.6 ft³ of sand per 100, 0.25 ft³ of grout each', () => {
    const wall = apply(
      'Block wall',
      'run',
      [
        [0, 0],
        [100, 0],
      ],
      { height: '8', grouted: '100' },
    );
    expect(wall.net('blocks', 'ea')).toBe(900);
    expect(wall.bought('mortar')).toBe(27);
    expect(wall.net('sand', 'ft³')).toBeCloseTo(104.4, 6);
    expect(wall.net('grout', 'ft³')).toBeCloseTo(225, 6);
  });

  it('takes openings off the blocks and grouts only the share asked for', () => {
    const wall = apply(
      'Block wall',
      'run',
      [
        [0, 0],
        [100, 0],
      ],
      { height: '8', openings: '80', grouted: '50' },
    );
    expect(wall.net('blocks', 'ea')).toBe(810);
    expect(wall.net('grout', 'ft³')).toBeCloseTo(101.25, 6);
  });
});

describe('stud partition', () => {
  const FEET = 1 / 0.3048;
  // 120 m of wall 2.7 m high, ten doors of 8.6 m in all, studs at 0.45 m.
  const wall = apply(
    'Stud partition',
    'run',
    [
      [0, 0],
      [120 * FEET, 0],
    ],
    {
      height: '2.7',
      spacing: '450',
      doors: '10',
      door_width: '8.6',
    },
    'metric',
  );

  it('common practice, worked by hand: 240 m top plate, 111.4 m bottom plate, 9.6 m headers', () => {
    expect(wall.net('top_plates', 'm')).toBeCloseTo(240, 6);
    expect(wall.net('bottom_plate', 'm')).toBeCloseTo(111.4, 6);
    expect(wall.net('headers', 'm')).toBeCloseTo(9.6, 6);
  });

  it('common practice, worked by hand: 720 m of studs by spacing, 54 m of jamb studs', () => {
    // 267 studs by spacing (120 / 0.45 = 266.67 rounded up) and one at each of the two ends.
    expect(wall.net('studs', 'ea')).toBe(267 + 2);
    expect(Math.abs((267 * 2.7) / 720 - 1)).toBeLessThan(0.002);
    expect((wall.net('jamb_studs', 'ea') ?? 0) * 2.7).toBeCloseTo(54, 6);
  });

  it('adds the 50 extra studs, 135 m, on top', () => {
    const extra = apply(
      'Stud partition',
      'run',
      [
        [0, 0],
        [120 * FEET, 0],
      ],
      {
        height: '2.7',
        spacing: '450',
        extra_studs: '50',
      },
      'metric',
    );
    expect(((extra.net('studs', 'ea') ?? 0) - 269) * 2.7).toBeCloseTo(135, 6);
  });

  it('common practice: a 13 x 9 ft wall, two faces, two layers is 468 ft² and 15 sheets', () => {
    const board = apply(
      'Stud partition',
      'run',
      [
        [0, 0],
        [13, 0],
      ],
      { height: '9', faces: '2', layers: '2' },
    );
    expect(board.net('hanging', 'ft²')).toBeCloseTo(468, 6);
    expect(board.net('board', 'sheet')).toBeCloseTo(14.625, 9);
    // 5 % waste would make 15.36: without waste 14.625 rounds up to 15.
    expect(Math.ceil(board.net('board', 'sheet') ?? 0)).toBe(15);
    expect(board.net('ready_mix', 'lb')).toBeCloseTo(14.625 * 4.5, 6);
    expect(board.net('tape', 'ft')).toBeCloseTo(14.625 * 15.4, 6);
    expect(board.net('screws', 'ea')).toBeCloseTo(585, 6);
  });

  it('follows the wall: an L of two legs needs a stud at two ends and one corner', () => {
    const corner = apply(
      'Stud partition',
      'run',
      [
        [0, 0],
        [16, 0],
        [16, 16],
      ],
      { height: '9', spacing: '16' },
    );
    expect(corner.net('studs', 'ea')).toBe(24 + 2 + 1);
  });
});
