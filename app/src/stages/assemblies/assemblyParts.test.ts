import { describe, expect, it } from '@jest/globals';
import type { Assembly } from '@zest/core/job/records/assembly';
import { renameComponent, renameInAssembly, takenIn, withChanges } from './assemblyParts.ts';

const assembly: Assembly = {
  type: 'assembly',
  id: 'assembly:a',
  name: 'Fence',
  description: '',
  measures: 'run',
  order: 1,
  inputs: [
    { key: 'gap', question: 'Gap?', unit: 'in', value: '24', hint: '', choices: [] },
    { key: 'rails', question: 'Rails?', unit: '', value: '3', hint: '', choices: [], when: 'gap > 12 in' },
  ],
  components: [
    {
      key: 'posts',
      name: 'Posts',
      kind: 'material',
      unit: 'ea',
      formula: 'ceil(length / gap) + 1',
      wastePercent: '0',
      roundUpTo: '',
      itemCode: '',
    },
    {
      key: 'caps',
      name: 'Caps',
      kind: 'material',
      unit: 'ea',
      formula: 'posts + total(gap, length) / gap',
      wastePercent: '0',
      roundUpTo: '',
      itemCode: '',
      when: 'posts > 2',
    },
  ],
  inner: [
    { key: 'in', name: 'In', assemblyId: 'assembly:b', formula: 'posts * gap', answers: { gap: 'gap * 2' } },
  ],
  checks: [{ when: 'gap > 30 in', text: 'A gap of {gap, in} is wide.' }],
  note: '{posts} posts at {gap}, not at gap.',
  section: [{ shape: 'box', fill: 'wood', x: '0 m', y: '0 m', width: 'gap', height: '6 ft' }],
};

describe('renaming inside an assembly', () => {
  it('follows a question through formulas, rules, inner answers, warnings, the note and the drawing', () => {
    const renamed = { ...assembly, ...renameInAssembly(assembly, 'gap', 'spacing') };
    expect(renamed.inputs.map(({ key, when }) => [key, when])).toEqual([
      ['spacing', undefined],
      ['rails', 'spacing > 12 in'],
    ]);
    expect(renamed.components[0]?.formula).toBe('ceil(length / spacing) + 1');
    // A scope that is called the same is another thing.
    expect(renamed.components[1]?.formula).toBe('posts + total(gap, length) / spacing');
    expect(renamed.inner?.[0]).toMatchObject({ formula: 'posts * spacing', answers: { gap: 'spacing * 2' } });
    expect(renamed.checks).toEqual([{ when: 'spacing > 30 in', text: 'A gap of {spacing, in} is wide.' }]);
    expect(renamed.note).toBe('{posts} posts at {spacing}, not at gap.');
    expect(renamed.section?.[0]?.width).toBe('spacing');
  });

  it('lets the name in formulas follow the name of a component while nobody chose another', () => {
    const renamed = { ...assembly, ...renameComponent(assembly, assembly.components[0]!, 'Steel posts') };
    expect(renamed.components.map(({ key }) => key)).toEqual(['steel_posts', 'caps']);
    expect(renamed.components[1]).toMatchObject({ when: 'steel_posts > 2' });
    const chosen = { ...assembly.components[0]!, key: 'p' };
    const own = { ...assembly, components: [chosen, assembly.components[1]!] };
    expect({ ...own, ...renameComponent(own, chosen, 'Steel posts') }.components[0]).toMatchObject({
      key: 'p',
      name: 'Steel posts',
    });
  });

  it('does not give a component the name of a measure or of a question', () => {
    expect(takenIn(assembly)).toContain('length');
    const renamed = renameComponent(assembly, assembly.components[0]!, 'Gap');
    expect(renamed.components?.[0]?.key).toBe('gap_2');
  });

  it('leaves a field that is taken away out altogether', () => {
    const [, caps] = assembly.components;
    expect(withChanges(caps!, { when: undefined } as never)).not.toHaveProperty('when');
  });
});
