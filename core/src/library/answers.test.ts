import { type LineFigure, lineNode } from '../calculate/graph/nodes.ts';
import { componentLine } from '../job/lineKey.ts';
import { describe, expect, it } from '@jest/globals';
import type { AssemblyInput } from '../job/records/assembly.ts';
import { TYPICAL, apply } from '../testing/applied.ts';
import { tradeLibrary } from './tradeLibrary.ts';

/** The answer at one end of what a question takes; undefined where it has no such end. */
function extreme(
  { choices, min = '', max = '' }: AssemblyInput,
  end: 'least' | 'largest',
): string | undefined {
  if (choices.length > 0) return (end === 'least' ? choices[0] : choices.at(-1))?.value;
  const limit = end === 'least' ? min : max;
  return limit === '' ? undefined : limit;
}

/** Failures that say what to do about an answer: no item so large, no row of a table. Never nonsense. */
const SAID = /no-size|lookup-none|negative/;

describe.each(['us', 'metric'] as const)('every assembly of the library, %s', (system) => {
  const library = tradeLibrary(system);

  it('asks for figures within a range', () => {
    const open = library.flatMap(({ name, inputs }) =>
      inputs
        .filter(
          ({ choices, value, min, max }) =>
            choices.length === 0 && /^[\d.]+$/.test(value) && (min === undefined || max === undefined),
        )
        .map(({ key }) => `${name}: ${key}`),
    );
    expect(open).toEqual([]);
  });

  it.each(library.map(({ name }) => name))(
    '%s makes no nonsense at its least and largest answers',
    (name) => {
      const assembly = library.find((each) => each.name === name);
      if (assembly === undefined) throw new Error(name);
      const usual = apply(name, TYPICAL[assembly.measures], {}, system);
      const nonsense: string[] = [];
      for (const end of ['least', 'largest'] as const)
        for (const input of assembly.inputs) {
          const answer = extreme(input, end);
          if (answer === undefined) continue;
          const applied = apply(name, TYPICAL[assembly.measures], { [input.key]: answer }, system);
          for (const failure of applied.failures)
            if (!SAID.test(failure)) nonsense.push(`${input.key} = ${answer}: ${failure}`);
          for (const { key } of assembly.components) {
            const [now, before] = [applied.bought(key), usual.bought(key)];
            if (Number.isNaN(now)) continue;
            // No quantity below nothing, and none a thousand times the usual one for one answer at its end.
            if (now < 0 || (before > 0 && now > before * 2000))
              nonsense.push(`${input.key} = ${answer}: ${key} ${now}`);
          }
        }
      expect(nonsense).toEqual([]);
    },
  );
});

describe('what follows from the size that is asked for', () => {
  const run = TYPICAL.run;
  it('is the price of conduit, fittings and wire: 1 in in the place of 3/4 in changes the bid', () => {
    const costs = ['0.5', '0.75', '1', '1.25', '1.5', '2'].map(
      (size) => apply('Conduit run', run, { size }).cost,
    );
    expect([...costs].sort((a, b) => a - b)).toEqual(costs);
    expect(new Set(costs).size).toBe(6);
    const wires = ['0.0133', '0.0211', '0.0507', '0.2679'].map(
      (area) => apply('Conduit run', run, { size: '2', wire_area: area }).cost,
    );
    expect(new Set(wires).size).toBe(4);
  });

  it('is the price of pipe, and never its length', () => {
    const sizes = ['0.75', '1', '1.5', '2'].map((pipe_size) => apply('Irrigation pipe', run, { pipe_size }));
    expect(new Set(sizes.map(({ cost }) => cost)).size).toBe(4);
    expect(new Set(sizes.map(({ net }) => net('pipe', 'ft'))).size).toBe(1);
  });

  it('is the stud: a wall of 16 ft takes studs of 16 ft, of 2x4 or 2x6', () => {
    const studOf = (height: string, stud_depth: string): string => {
      const { calculation, job, use } = apply('Outer wall, framed', run, { height, stud_depth });
      const pick = calculation.figure(lineNode(componentLine(use.id, 'studs'), 'pick'));
      const family = [...job.item.values()]
        .filter(({ family: name }) => name === 'Studs')
        .map(({ code }) => code);
      expect(family.length).toBeGreaterThan(8);
      expect(pick.failure).toBeUndefined();
      return String(
        calculation.figure(lineNode(componentLine(use.id, 'studs'), 'material')).failure ?? 'priced',
      );
    };
    expect(studOf('16', '5.5')).toBe('priced');
    const cost = (height: string, stud_depth: string) => {
      const { calculation, use } = apply('Outer wall, framed', run, { height, stud_depth });
      const each = (figure: LineFigure) =>
        calculation.figure(lineNode(componentLine(use.id, 'studs'), figure));
      const [money, quantity] = [each('material'), each('quantity')];
      if (money.failure !== undefined || quantity.failure !== undefined) throw new Error('not priced');
      return money.value / quantity.value / 100;
    };
    expect(cost('9', '5.5')).toBeCloseTo(6.94, 2);
    expect(cost('16', '5.5')).toBeCloseTo(14.6, 2);
    expect(cost('9', '3.5')).toBeCloseTo(4.55, 2);
  });

  it('is the weight of the bar: a grade beam with No. 6 bars is weighed as No. 6 (ASTM A615, from memory)', () => {
    // 100 ft of it, four bars with 8 % lap.
    const weigh = (bar_weight: string) => apply('Grade beam', run, { bar_weight }).net('steel', 'lb');
    expect(weigh('1.502')).toBeCloseTo(4 * 100 * 1.08 * 1.502, 6);
    expect(weigh('1.043')).toBeCloseTo(4 * 100 * 1.08 * 1.043, 6);
  });

  it('a slab thicker than the beam takes nothing from the other side, and is warned of', () => {
    const beam = apply('Concrete beam', run, { depth: '24', slab_left: '30', slab_right: '6' });
    expect(beam.net('sides', 'ft²')).toBeCloseTo(100 * 1.5, 6);
    expect(apply('Concrete beam', run, { slab_left: '0 in - 6 in' }).failures.join()).toContain(
      'out-of-range',
    );
  });
});
