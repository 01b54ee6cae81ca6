import { describe, expect, it } from '@jest/globals';
import type { RecordOf } from '../../job/record.ts';
import { makeMark, makeScope } from '../../testing/job.ts';
import { markup } from '../../testing/randomEdits.ts';
import { type Bench, createBench } from '../../testing/priced.ts';
import { readYardstick, readYardsticks, yardsticksOn } from './readYardsticks.ts';

const yardstick = (bench: Bench, content: Partial<RecordOf<'yardstick'>>): RecordOf<'yardstick'> => ({
  type: 'yardstick',
  id: bench.makeId('yardstick'),
  name: 'Rule',
  of: 'price',
  on: { what: 'bid' },
  driver: '100',
  unit: '',
  low: '',
  high: '',
  order: 1,
  ...content,
});

/** 1,200.00 of materials and 20 h of a carpenter at 54.00, in section 06; 10 % on all of it. */
function createDesk() {
  const bench = createBench();
  const section = bench.sectionId('06');
  const wood = bench.line({ costs: { material: '1200' }, sectionId: section });
  const item = bench.item({ code: 'FRAME', laborHours: '2', craftId: bench.craft('Carpenter').id });
  const framing = bench.line({ itemCode: 'FRAME', quantity: '10', sectionId: section });
  const other = bench.line({ costs: { other: '500' } });
  bench.change(item, wood, framing, other, markup(bench, { percent: '10', base: 'running' }));
  const read = (content: Partial<RecordOf<'yardstick'>>) => {
    const each = yardstick(bench, content);
    bench.change(each);
    return readYardstick(bench.calculation.figures, each);
  };
  return { bench, section, framing, read };
}

describe('what a thing costs for each unit of its driver', () => {
  it('is of the bid with everything in it, of direct cost, or of hours', () => {
    const { read } = createDesk();
    // 1,200 + 1,080 + 500 = 2,780; with 10 % 3,058.
    expect(read({ of: 'price' }).each).toBeCloseTo(30.58, 10);
    expect(read({ of: 'cost' }).each).toBeCloseTo(27.8, 10);
    expect(read({ of: 'hours' }).each).toBeCloseTo(0.2, 10);
  });

  it('is of a section or of one line', () => {
    const { read, section, framing } = createDesk();
    const inSection = { what: 'section', sectionId: section } as const;
    const onLine = { what: 'line', line: framing.id } as const;
    expect(read({ of: 'cost', on: inSection }).each).toBeCloseTo(22.8, 10);
    expect(read({ of: 'price', on: inSection }).each).toBeCloseTo(25.08, 10);
    expect(read({ of: 'hours', on: inSection }).each).toBeCloseTo(0.2, 10);
    expect(read({ of: 'cost', on: onLine }).each).toBeCloseTo(10.8, 10);
    expect(read({ of: 'price', on: onLine }).each).toBeCloseTo(11.88, 10);
    expect(read({ of: 'hours', on: onLine, driver: '10' }).each).toBeCloseTo(2, 10);
  });

  it('follows what was measured, in the unit that was chosen', () => {
    const { bench, read } = createDesk();
    const slab = makeScope(bench.makeId, { key: 'slab', kind: 'area' });
    const mark = makeMark(bench.makeId, slab, bench.sheet, [
      [0, 0],
      [24, 0],
      [24, 30],
      [0, 30],
    ]);
    bench.change(slab, mark);
    const reading = read({ of: 'cost', driver: 'total(slab, area)', unit: 'ft²' });
    // 720 ft².
    expect(reading.driver).toBeCloseTo(720, 8);
    expect(reading.each).toBeCloseTo(2780 / 720, 8);
    const other = makeMark(bench.makeId, slab, bench.sheet, [
      [50, 0],
      [60, 0],
      [60, 28],
      [50, 28],
    ]);
    bench.change(other);
    expect(readYardstick(bench.calculation.figures, reading.yardstick).each).toBeCloseTo(2.78, 8);
  });
});

describe('the range of an estimator', () => {
  it('tells how far outside of it a figure is, as a share of the nearer end', () => {
    const { read } = createDesk();
    const at = (low: string, high: string) => {
      const { state, distance } = read({ of: 'cost', low, high });
      return [state, Math.round(distance * 1000) / 1000];
    };
    // 27.80 for each.
    expect(at('25', '30')).toEqual(['within', 0]);
    expect(at('', '')).toEqual(['within', 0]);
    expect(at('27.8', '27.8')).toEqual(['within', 0]);
    expect(at('40', '50')).toEqual(['below', 0.305]);
    expect(at('10', '20')).toEqual(['above', 0.39]);
    expect(at('', '0')).toEqual(['above', 0]);
  });

  it('is not known without a driver, or while its formula does not work', () => {
    const { read } = createDesk();
    expect(read({ driver: '0' })).toMatchObject({ state: 'unknown', each: undefined });
    expect(read({ driver: 'total(nothing, area)', unit: 'ft²' })).toMatchObject({
      state: 'unknown',
      driver: undefined,
    });
  });
});

it('yardsticks stand in their order, and are found by what they measure', () => {
  const { bench, section } = createDesk();
  bench.change(
    yardstick(bench, { name: 'Second', order: 2 }),
    yardstick(bench, { name: 'First', order: 1, on: { what: 'section', sectionId: section } }),
  );
  expect(readYardsticks(bench.calculation.figures).map((each) => each.yardstick.name)).toEqual([
    'First',
    'Second',
  ]);
  expect(yardsticksOn(bench.job(), 'bid').map(({ name }) => name)).toEqual(['Second']);
});
