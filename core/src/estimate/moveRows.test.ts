import { describe, expect, it } from '@jest/globals';
import { type EstimateRow, listRows } from './rows.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { bidNode } from '../calculate/graph/nodes.ts';
import { moveRows, nestSection, putBelow, unnestSection } from './moveRows.ts';

const nameOf = (row: EstimateRow): string => {
  switch (row.type) {
    case 'section':
      return `[${row.section?.code ?? ''}]`;
    case 'scope':
      return row.scope.key;
    case 'component':
      return row.component.key;
    case 'line':
    case 'text':
    case 'subtotal':
      return row.line.description;
    default:
      return row.key;
  }
};

/** What stands in a section, in its order. */
function inSection(bench: Bench, code: string): readonly string[] {
  const names = listRows(bench.job()).map(nameOf);
  const from = names.indexOf(`[${code}]`);
  const to = names.findIndex((name, at) => at > from && name.startsWith('['));
  return names.slice(from + 1, to < 0 ? undefined : to);
}

function bench() {
  const made = createBench();
  const slab = makeScope(made.makeId, { key: 'slab', kind: 'area', sectionId: made.sectionId('03') });
  const assembly = [...made.job().assembly.values()].find(({ measures }) => measures === 'area');
  if (assembly === undefined) throw new Error('no assembly');
  const typed = ['a', 'b', 'c'].map((description) =>
    made.line({ description, sectionId: made.sectionId('03'), costs: { other: '1' } }),
  );
  made.change(
    slab,
    { type: 'use', id: made.makeId('use'), scopeId: slab.id, assemblyId: assembly.id, order: 1, answers: {} },
    makeMark(made.makeId, slab, made.sheet, [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ]),
    ...typed,
  );
  const row = (name: string): EstimateRow => {
    const found = listRows(made.job()).find((each) => nameOf(each) === name);
    if (found === undefined) throw new Error(`no row ${name}`);
    return found;
  };
  const move = (names: readonly string[], to: string, side: 'before' | 'after') =>
    made.change(moveRows(listRows(made.job()), names.map(row), row(to), side, made.makeId));
  return { made, move, row, components: assembly.components.map(({ key }) => key) };
}

describe('moving rows', () => {
  it('orders lines among each other', () => {
    const { made, move } = bench();
    move(['c'], 'a', 'before');
    expect(inSection(made, '03').slice(-3)).toEqual(['c', 'a', 'b']);
    move(['c', 'a'], 'b', 'after');
    expect(inSection(made, '03').slice(-3)).toEqual(['b', 'c', 'a']);
  });

  it('takes lines to another section', () => {
    const { made, move } = bench();
    move(['b'], '[06]', 'after');
    expect(inSection(made, '06')).toEqual(['b']);
    expect(inSection(made, '03').slice(-2)).toEqual(['a', 'c']);
  });

  it('takes a line of an assembly out from under what was measured, at the same money', () => {
    const { made, move, components } = bench();
    const [first = ''] = components;
    const before = made.known(bidNode('cost'));
    move([first], '[06]', 'after');
    expect(inSection(made, '06')).toEqual([first]);
    expect(inSection(made, '03')).not.toContain(first);
    expect(made.known(bidNode('cost'))).toBe(before);
  });

  it('takes what was measured with all its lines', () => {
    const { made, move, components } = bench();
    move(['slab', ...components], '[09]', 'after');
    expect(inSection(made, '09')).toEqual(['slab', ...components]);
    expect(made.job().override.size).toBe(0);
  });

  it('orders sections, and takes one into the one before it and out again', () => {
    const { made, move } = bench();
    move(['[09]'], '[02]', 'before');
    const order = () =>
      listRows(made.job()).flatMap((row) => (row.type === 'section' && row.depth === 0 ? [nameOf(row)] : []));
    expect(order()[0]).toBe('[09]');
    const masonry = [...made.job().section.values()].find(({ code }) => code === '04');
    if (masonry === undefined) throw new Error('no section 04');
    const nested = nestSection(made.job(), masonry);
    if (nested === undefined) throw new Error('not nested');
    made.change(nested);
    expect(order()).not.toContain('[04]');
    const out = unnestSection(made.job(), nested);
    if (out === undefined) throw new Error('not taken out');
    made.change(out);
    expect(order().slice(0, 5)).toEqual(['[09]', '[02]', '[03]', '[04]', '[06]']);
  });
});

describe('a new line', () => {
  const add = ({ made }: ReturnType<typeof bench>, description: string, below: string | undefined): void => {
    const rows = listRows(made.job());
    const line = made.line({ description, sectionId: made.sectionId('03') });
    made.change(putBelow(rows, rows.find((row) => nameOf(row) === below)?.key, line, made.makeId));
  };
  const typedOf = ({ made, components }: ReturnType<typeof bench>): readonly string[] =>
    inSection(made, '03').filter((name) => name !== 'slab' && !components.includes(name));

  it('comes right below the line that is current, however often', () => {
    const test = bench();
    add(test, 'n0', 'a');
    expect(typedOf(test)).toEqual(['a', 'n0', 'b', 'c']);
    // Each below the one before, and each below the same one: no place is ever used up.
    const many = Array.from({ length: 60 }, (_, at) => `n${at + 1}`);
    many.forEach((name, at) => add(test, name, `n${at}`));
    many.forEach((name) => add(test, `after ${name}`, 'b'));
    expect(typedOf(test)).toEqual([
      'a',
      'n0',
      ...many,
      'b',
      ...many.toReversed().map((name) => `after ${name}`),
      'c',
    ]);
  });

  it('comes last in its section where none of its lines is current', () => {
    const test = bench();
    add(test, 'below the head', '[03]');
    add(test, 'below what was measured', 'slab');
    add(test, 'below nothing', undefined);
    expect(typedOf(test)).toEqual([
      'a',
      'b',
      'c',
      'below the head',
      'below what was measured',
      'below nothing',
    ]);
  });

  it('finds its place between lines that have one order', () => {
    const test = bench();
    const { made } = test;
    for (const line of [...made.job().line.values()]) made.change({ ...line, order: 1 });
    const [first, ...others] = typedOf(test);
    add(test, 'new', first);
    expect(typedOf(test)).toEqual([first, 'new', ...others]);
  });
});
