import { describe, expect, it } from '@jest/globals';
import { knownValue } from '../calculate/define.ts';
import { netNode } from '../calculate/graph/nodes.ts';
import { applyAssembly } from '../job/commands/uses.ts';
import type { RecordOf } from '../job/record.ts';
import { createBench } from '../testing/priced.ts';
import { FOOT, makeMark, makeScope } from '../testing/job.ts';

/** Forty feet of partition 9 ft high, with doors drawn in it as a person draws them. */
function wall(doors: number) {
  const bench = createBench();
  const scope = makeScope(bench.makeId, { key: 'p1', kind: 'run' });
  const mark = makeMark(bench.makeId, scope, bench.sheet, [
    [0, 0],
    [40, 0],
  ]);
  bench.change(scope, mark);
  const partition = [...bench.job().assembly.values()].find(({ name }) => name === 'Stud partition');
  if (partition === undefined) throw new Error('wall: no partition');
  bench.change(applyAssembly(partition.id, [scope.id], bench.makeId));
  for (let i = 0; i < doors; i += 1) {
    const opening: RecordOf<'opening'> = {
      type: 'opening',
      id: bench.makeId('opening'),
      markId: mark.id,
      scopeId: null,
      tag: '',
      widthM: 3 * FOOT,
      heightM: 7 * FOOT,
      seat: { on: 'run', stroke: 0, along: 0.2 + 0.3 * i },
    };
    bench.change(opening);
  }
  const [use] = [...bench.job().use.values()];
  if (use === undefined) throw new Error('wall: not applied');
  const net = (key: string): number | undefined => knownValue(bench.calculation.figure(netNode(use.id, key)));
  return { net };
}

describe('openings that are drawn in a partition', () => {
  it('are priced with no answer typed: plate, jambs and headers follow, and board is less by them', () => {
    const [plain, two] = [wall(0), wall(2)];
    const per = (key: string) => [plain.net(key), two.net(key)];
    const [plateBefore, plateAfter] = per('bottom_plate') as [number, number];
    expect(plateBefore - plateAfter).toBeCloseTo(6 * FOOT, 9);
    expect(per('jamb_studs')).toEqual([0, 4]);
    const [headerBefore, headerAfter] = per('headers') as [number, number];
    // Six feet, and two inches past each side of both.
    expect(headerAfter - headerBefore).toBeCloseTo((6 + 8 / 12) * FOOT, 9);
    const [boardBefore, boardAfter] = per('board') as [number, number];
    // Two faces of two doors of 21 ft², in sheets of 32 ft².
    expect(boardBefore - boardAfter).toBeCloseTo((2 * 2 * 21) / 32, 9);
  });
});
