import { describe, expect, it } from '@jest/globals';
import { bidNode } from '../graph/nodes.ts';
import { removeDifficulty } from '../../job/commands/names.ts';
import { update } from '../../job/change.ts';
import { settingsOf } from '../../job/job.ts';
import type { RecordOf } from '../../job/record.ts';
import { makeMark, makeScope } from '../../testing/job.ts';
import { makeRail } from '../../testing/rail.ts';
import { type Bench, createBench } from '../../testing/priced.ts';

const difficulty = (bench: Bench, name: string, factor: number): RecordOf<'difficulty'> => ({
  type: 'difficulty',
  id: bench.makeId('difficulty'),
  name,
  factor,
  order: 1,
});

/** A rail of 10 ft in no zone and 30 ft in a wing, each foot an hour. */
function start() {
  const bench = createBench();
  const wing: RecordOf<'zone'> = {
    type: 'zone',
    id: bench.makeId('zone'),
    name: 'Wing',
    order: 1,
    repeat: 1,
  };
  const rail = makeScope(bench.makeId, { key: 'rail', kind: 'run' });
  const run = (y: number, length: number) =>
    makeMark(bench.makeId, rail, bench.sheet, [
      [0, y],
      [length, y],
    ]);
  const assembly = makeRail(bench, { kind: 'labor' });
  const inWing = run(5, 30);
  bench.change(
    bench.item({ code: 'RAIL', unit: 'ft', laborHours: '1', craftId: bench.craft('Carpenter').id }),
    wing,
    rail,
    assembly,
    run(0, 10),
    { ...inWing, zoneId: wing.id },
    {
      type: 'use',
      id: bench.makeId('use'),
      scopeId: rail.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    },
  );
  return { bench, wing, rail, inWing, hours: () => bench.known(bidNode('hours')) };
}

describe('difficulty', () => {
  it('of a zone acts on what is drawn there, by its share, and follows a mark that moves or grows', () => {
    const { bench, wing, inWing, hours } = start();
    const high = difficulty(bench, 'High up', 1.5);
    expect(hours()).toBeCloseTo(40, 9);
    bench.change(high, { ...wing, difficulty: [high.id] });
    // 10 hours as they are, 30 times one and a half.
    expect(hours()).toBeCloseTo(55, 6);
    bench.change({ ...inWing });
    expect(hours()).toBeCloseTo(40, 6);
    bench.undoAll();
    bench.redoAll();
    expect(hours()).toBeCloseTo(40, 6);
  });

  it('of the job acts on all hours, typed lines too', () => {
    const { bench, hours } = start();
    const slow = difficulty(bench, 'Occupied', 1.2);
    bench.change(slow, bench.line({ itemCode: 'RAIL', unit: 'ft', quantity: '10' }));
    bench.change(update(settingsOf(bench.job()), (now) => ({ ...now, difficulty: [slow.id] })));
    expect(hours()).toBeCloseTo(60, 6);
  });

  it('that is said twice, of the job and of a zone, is taken once', () => {
    const { bench, wing, rail, hours } = start();
    const slow = difficulty(bench, 'Occupied', 1.5);
    bench.change(slow, { ...wing, difficulty: [slow.id] }, { ...rail, difficulty: [slow.id] });
    bench.change(update(settingsOf(bench.job()), (now) => ({ ...now, difficulty: [slow.id] })));
    expect(hours()).toBeCloseTo(60, 6);
    expect(removeDifficulty(slow.id)(bench.job()).ok).toBe(false);
  });
});
