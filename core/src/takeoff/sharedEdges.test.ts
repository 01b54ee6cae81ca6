import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { measureNode } from '../calculate/graph/nodes.ts';
import { put } from '../job/change.ts';
import { applyDiff, createJob, listRecords } from '../job/job.ts';
import type { Mark, RoofEdge } from '../job/records/mark.ts';
import { FOOT, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import type { Measure } from '../job/measures.ts';

const { job: started, makeId, sheet } = createTestJob();
const roof = makeScope(makeId, { key: 'roof', kind: 'slope' });

const slope = (
  ring: readonly (readonly [number, number])[],
  edges: readonly RoofEdge[],
  pitch = '6/12',
): Mark => ({
  ...makeMark(makeId, roof, sheet, ring),
  slope: { pitch, edges: [...edges] },
});
/** A gable 40 ft long on a house 30 ft deep. */
const north = slope(
  [
    [0, 0],
    [40, 0],
    [40, 15],
    [0, 15],
  ],
  ['eave', 'rake', 'ridge', 'rake'],
);
const south = slope(
  [
    [0, 15],
    [40, 15],
    [40, 30],
    [0, 30],
  ],
  ['ridge', 'rake', 'eave', 'rake'],
);

function feet(measure: Measure, ...marks: readonly Mark[]): number {
  const calculation = new Calculation(createJob([...listRecords(started), roof, ...marks]));
  return (knownValue(calculation.figure(measureNode(roof.id, measure))) ?? Number.NaN) / FOOT;
}

describe('edges where two slopes meet', () => {
  it('count once: the ridge of a gable is as long as the house', () => {
    expect(feet('ridge', north, south)).toBeCloseTo(40, 6);
    expect(feet('ridge', north)).toBeCloseTo(40, 6);
    expect(feet('eave', north, south)).toBeCloseTo(80, 6);
    // Rakes belong to one slope each: 15 ft in plan at 6/12.
    expect(feet('rake', north, south)).toBeCloseTo(4 * 15 * Math.sqrt(1.25), 6);
  });

  it('count once for the four hips of a hip roof, in their true length', () => {
    // 40 by 30 at 6/12: hips run 15 and 15 in plan and rise 7.5, the ridge is 10 long.
    const hips = [
      slope(
        [
          [0, 0],
          [40, 0],
          [25, 15],
          [15, 15],
        ],
        ['eave', 'hip', 'ridge', 'hip'],
      ),
      slope(
        [
          [40, 0],
          [40, 30],
          [25, 15],
        ],
        ['eave', 'hip', 'hip'],
      ),
      slope(
        [
          [40, 30],
          [0, 30],
          [15, 15],
          [25, 15],
        ],
        ['eave', 'hip', 'ridge', 'hip'],
      ),
      slope(
        [
          [0, 30],
          [0, 0],
          [15, 15],
        ],
        ['eave', 'hip', 'hip'],
      ),
    ];
    expect(feet('hip', ...hips)).toBeCloseTo(4 * Math.hypot(15, 15, 7.5), 5);
    expect(feet('ridge', ...hips)).toBeCloseTo(10, 6);
  });

  it('stay with the slope that is replaced alone', () => {
    expect(feet('ridge', north, { ...south, repeat: 0 })).toBeCloseTo(40, 6);
    expect(feet('ridge', { ...north, repeat: 3 }, { ...south, repeat: 3 })).toBeCloseTo(120, 6);
  });

  it('are two where the slopes do not meet', () => {
    const away = slope(
      [
        [0, 20],
        [40, 20],
        [40, 35],
        [0, 35],
      ],
      ['ridge', 'rake', 'eave', 'rake'],
    );
    expect(feet('ridge', north, away)).toBeCloseTo(80, 6);
  });

  it('follow when a slope is moved away', () => {
    const job = createJob([...listRecords(started), roof, north, south]);
    const live = new Calculation(job);
    const away = {
      ...south,
      strokes: south.strokes.map((ring) => ring.map(({ x, y }) => ({ x, y: y + 90 }))),
    };
    const diff = put(away)(job);
    if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
    live.apply(applyDiff(job, diff.value), diff.value);
    expect((knownValue(live.figure(measureNode(roof.id, 'ridge'))) ?? 0) / FOOT).toBeCloseTo(80, 6);
  });
});
