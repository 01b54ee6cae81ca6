import { describe, expect, it } from '@jest/globals';
import { createBench } from '../testing/priced.ts';
import type { RecordOf } from '../job/record.ts';
import { pricingInputs } from './pricingInputs.ts';

describe('questions that change the price', () => {
  const bench = createBench();
  const base = bench.assembly('Slab on grade');
  const [component] = base.components;
  if (component === undefined) throw new Error('no component');
  const input = (key: string, value = '1'): RecordOf<'assembly'>['inputs'][number] => ({
    key,
    question: `${key}?`,
    unit: '',
    value,
    hint: '',
    choices: [],
  });

  it('are those that a quantity, a rule or a size reads, also through another answer', () => {
    const { sizing: _sizing, minimum: _minimum, hoursFactor: _factor, ...plain } = component;
    const assembly = {
      inputs: [input('depth', 'twice * 2'), input('twice'), input('color'), input('wanted')],
      components: [{ ...plain, formula: 'area * depth', when: 'wanted > 0' }],
      inner: [],
    };
    expect([...pricingInputs(assembly)]).toEqual(['depth', 'twice', 'wanted']);
  });

  it('are all of them in the assemblies that ship, or the question would be idle', () => {
    const idle = [...bench.job().assembly.values()].flatMap((assembly) =>
      assembly.inputs
        .filter(({ key }) => !pricingInputs(assembly).has(key))
        .map(({ key }) => `${assembly.name}: ${key}`),
    );
    expect(idle).toEqual([]);
  });
});
