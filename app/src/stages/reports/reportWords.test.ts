import { describe, expect, it } from '@jest/globals';
import type { ReportFilter, ReportSpec } from '@zest/core/job/records/report';
import { openReport } from '@zest/core/reports/openReport';
import { makeScope } from '@zest/core/testing/job';
import { createBench } from '@zest/core/testing/priced';
import { contextOf } from '@zest/core/testing/reportWords';
import { fieldChoices, findChoices } from './fieldChoices.ts';
import { filterSentence, needsValue } from './filterWords.ts';
import { knownValues } from './knownValues.ts';
import { groupAt, shownRows } from './reportRows.ts';

const bench = createBench();
bench.change(
  {
    ...makeScope(bench.makeId, { key: 'wall', kind: 'run' }),
    properties: [{ key: 'fire', name: 'Fire rating', value: 'EI 60', unit: '' }],
  },
  bench.line({
    description: 'Footing',
    sectionId: bench.sectionId('03'),
    quantity: '1',
    unit: 'ea',
    costs: { material: '1' },
  }),
  bench.line({
    description: 'Slab',
    sectionId: bench.sectionId('03'),
    quantity: '1',
    unit: 'ea',
    costs: { material: '2' },
  }),
  bench.line({
    description: 'Studs',
    sectionId: bench.sectionId('06'),
    quantity: '1',
    unit: 'ea',
    costs: { material: '4' },
  }),
);
const job = bench.job();

describe('a filter as a sentence', () => {
  const said = (filter: ReportFilter): string => filterSentence(filter, job, (key) => `column ${key}`);

  it('names fields as their headings do, and how they are held against what was typed', () => {
    expect(said({ join: 'all', of: [{ field: 'line.description', is: 'contains', value: 'wall' }] })).toBe(
      'Description contains wall',
    );
    expect(said({ join: 'all', of: [{ field: 'item.supplier', is: 'empty', value: 'ignored' }] })).toMatch(
      /^Supplier.* is empty$/,
    );
    expect(said({ join: 'all', of: [{ field: 'column.each', is: 'more', value: '5' }] })).toBe(
      'column each is more than 5',
    );
    expect(said({ join: 'all', of: [{ field: 'property.fire', is: 'is', value: 'EI 60' }] })).toBe(
      'Fire rating is EI 60',
    );
  });

  it('joins with and or or, and puts what is nested in brackets', () => {
    const kind = (value: string) => ({ field: 'line.kind', is: 'is', value }) as const;
    const either = { join: 'any', of: [kind('labor'), kind('material')] } as const;
    const note = { field: 'line.note', is: 'filled', value: '' } as const;
    expect(said(either)).toMatch(/ is labor or .* is material$/);
    expect(said({ join: 'all', of: [either, note] })).toMatch(/^\(.* or .*\) and .* is not empty$/);
    // One alone needs no brackets.
    expect(said({ join: 'all', of: [{ join: 'any', of: [note] }, note] })).not.toContain('(');
  });

  it('asks for a value where there is something to compare with', () => {
    expect((['is', 'more', 'contains'] as const).map(needsValue)).toEqual([true, true, true]);
    expect((['empty', 'filled'] as const).map(needsValue)).toEqual([false, false]);
  });
});

describe('fields to choose from', () => {
  const choices = fieldChoices('lines', job);

  it('are those of the rows first, then of what they belong to, then properties', () => {
    const owners = choices.map(({ id }) => id.split('.')[0]);
    expect(owners[0]).toBe('line');
    expect(owners.lastIndexOf('line')).toBeLessThan(owners.indexOf('section'));
    expect(choices.at(-1)).toMatchObject({ id: 'property.fire', name: 'Fire rating' });
    expect(new Set(choices.map(({ id }) => id)).size).toBe(choices.length);
    // What has no scope has no properties.
    expect(fieldChoices('items', job).some(({ id }) => id.startsWith('property.'))).toBe(false);
  });

  it('are found by words of their name and owner in any order, what begins so first', () => {
    const found = findChoices(choices, 'cost');
    expect(found[0]?.name.toLowerCase().startsWith('cost')).toBe(true);
    expect(found.every(({ name, of }) => `${name} ${of}`.toLowerCase().includes('cost'))).toBe(true);
    expect(findChoices(choices, 'rating fire').map(({ id }) => id)).toEqual(['property.fire']);
    expect(findChoices(choices, 'nothing is called so')).toEqual([]);
    expect(findChoices(choices, '')).toHaveLength(Math.min(60, choices.length));
  });
});

describe('values to choose from', () => {
  it('are the texts that rows have, each once and in order; figures are typed', () => {
    const open = openReport(specOf([]), contextOf(bench.calculation.figures));
    expect(knownValues(open, 'line.description')).toEqual(['Footing', 'Slab', 'Studs']);
    expect(knownValues(open, 'section.code')).toEqual(['03', '06']);
    expect(knownValues(open, 'line.cost')).toEqual([]);
    expect(knownValues(open, 'nobody.knows')).toEqual([]);
  });
});

function specOf(groups: ReportSpec['groups'], total = true): ReportSpec {
  return {
    name: 'Lines',
    folder: '',
    source: 'lines',
    columns: [
      { key: 'section', of: { field: 'section.title' }, hidden: true },
      { key: 'description', of: { field: 'line.description' } },
      { key: 'cost', of: { field: 'line.cost' }, ...(total ? { total: { by: 'sum' } } : {}) },
    ],
    groups,
    sorts: [],
    page: {},
  };
}

describe('the report from top to bottom', () => {
  const shape = (spec: ReportSpec, folded: ReadonlyMap<string, boolean> = new Map()): readonly string[] => {
    const open = openReport(spec, contextOf(bench.calculation.figures));
    return shownRows(open, folded).map((row) => {
      if (row.type === 'row') return `row ${row.depth}`;
      const { label } = groupAt(open, row.path);
      return `${row.type}${row.isFolded ? ' closed' : ''} ${label?.kind === 'text' ? label.text.slice(0, 2) : ''}`;
    });
  };

  it('has a head and a foot around the rows of each group', () => {
    expect(shape(specOf([{ column: 'section' }]))).toEqual([
      'group 03',
      'row 1',
      'row 1',
      'foot 03',
      'group 06',
      'row 1',
      'foot 06',
    ]);
    expect(shape(specOf([]))).toEqual(['row 0', 'row 0', 'row 0']);
  });

  it('has no foot where nothing is totaled', () => {
    expect(shape(specOf([{ column: 'section' }], false))).toEqual([
      'group 03',
      'row 1',
      'row 1',
      'group 06',
      'row 1',
    ]);
  });

  it('shows a closed group as one row, closed by hand or by the report, and opened again by hand', () => {
    const closed = specOf([{ column: 'section', collapsed: true }]);
    expect(shape(closed)).toEqual(['group closed 03', 'group closed 06']);
    const open = openReport(closed, contextOf(bench.calculation.figures));
    const [first] = open.root.groups;
    expect(shape(closed, new Map([[first?.key ?? '', false]]))).toEqual([
      'group 03',
      'row 1',
      'row 1',
      'foot 03',
      'group closed 06',
    ]);
  });

  it('keeps a key of its own for every row', () => {
    const open = openReport(specOf([{ column: 'section' }]), contextOf(bench.calculation.figures));
    const keys = shownRows(open, new Map()).map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
