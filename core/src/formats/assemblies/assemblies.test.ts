import { describe, expect, it } from '@jest/globals';
import { put } from '../../job/change.ts';
import { createIdMaker } from '../../job/id.ts';
import { type Job, applyDiff, createJob, listRecords, settingsOf } from '../../job/job.ts';
import type { Assembly } from '../../job/records/assembly.ts';
import { takeFromLibrary, tradeLibrary } from '../../library/tradeLibrary.ts';
import {
  EMPTY_SHELF,
  compareAssemblies,
  keepOnShelf,
  latestOf,
  mainOf,
  readShelf,
  removeFromShelf,
  shelvePack,
  takeFromShelf,
  takeVersion,
  toggleFavorite,
  versionsOf,
  writeShelf,
} from '../../library/shelf.ts';
import { checkJob } from '../../job/integrity.ts';
import { createChance, createTestJob } from '../../testing/job.ts';
import { createBench } from '../../testing/priced.ts';
import { packAssemblies, writePack } from './write.ts';
import { planUnpack } from './plan.ts';
import { readPack } from './read.ts';
import { type Rows, readAssemblyRows, writeAssemblyRows } from './rows.ts';
import { makeCrew } from '../../testing/records.ts';

const makeId = createIdMaker(createChance(7));
const bare = createJob([]);
const library = tradeLibrary('us');

function withLibrary(job: Job, ...names: readonly string[]): Job {
  return names.reduce((current, name) => {
    const assembly = library.find((each) => each.name === name);
    if (assembly === undefined) throw new Error(`withLibrary: no ${name}`);
    const diff = takeFromLibrary(assembly, makeId('assembly'), makeId)(current);
    if (!diff.ok) throw new Error(diff.problem.kind);
    return applyDiff(current, diff.value);
  }, job);
}

const named = (job: Job, name: string): Assembly => {
  const found = [...job.assembly.values()].find((each) => each.name === name);
  if (found === undefined) throw new Error(`named: no ${name}`);
  return found;
};

const changed = (job: Job, assembly: Assembly): Job => {
  const diff = put(assembly)(job);
  if (!diff.ok) throw new Error(diff.problem.kind);
  return applyDiff(job, diff.value);
};

const source = withLibrary(bare, 'Conduit run', 'Grade beam', 'Subfloor, glued');
const conduit = named(source, 'Conduit run');
const packed = packAssemblies(source, [conduit.id]);

describe('a pack of an assembly that a crew builds by size', () => {
  it('brings the crew, its crafts and all sizes, and works with the crew of the same name that is there', () => {
    const bench = createBench();
    const crew = makeCrew(bench.makeId, {
      name: 'Form crew',
      members: [{ craftId: bench.craft('Carpenter').id, count: 2 }],
    });
    const sizes = ['20 in', '24 in'].map((width) =>
      bench.item({ code: `F-${width}`, family: 'Footing', sizes: { width }, unit: 'ft', material: '9' }),
    );
    const assembly: Assembly = {
      type: 'assembly',
      id: bench.makeId('assembly'),
      name: 'Footing by size',
      description: '',
      measures: 'run',
      order: 90,
      inputs: [],
      components: [
        {
          key: 'footing',
          name: 'Footing',
          kind: 'material',
          unit: 'ft',
          formula: 'length',
          wastePercent: '',
          roundUpTo: '',
          itemCode: '',
          sizing: { family: 'Footing', by: { width: '22 in' } },
          labor: { by: 'daily', figure: '80', craftId: null, crewId: crew.id },
        },
      ],
    };
    bench.change(crew, ...sizes, assembly);
    const read = readPack(writePack({ records: packAssemblies(bench.job(), [assembly.id]) }));
    if (!read.ok) throw new Error(read.problem.kind);
    const into = (job: Job): Job => {
      const diff = planUnpack(read.value, job, makeId).command(job);
      if (!diff.ok) throw new Error(diff.problem.kind);
      return applyDiff(job, diff.value);
    };
    const taken = into(createTestJob().job);
    expect(checkJob(taken)).toBeUndefined();
    expect([...taken.crew.values()].map(({ name }) => name)).toEqual(['Form crew']);
    expect([...taken.item.values()].filter(({ family }) => family === 'Footing')).toHaveLength(2);
    const twice = into(taken);
    expect(checkJob(twice)).toBeUndefined();
    expect(twice.crew.size).toBe(1);
  });
});

describe('a pack of assemblies', () => {
  it('holds what they stand on, and nothing else: items, crafts, the table that is looked up', () => {
    const types = packed.map(({ type }) => type);
    expect(types.filter((type) => type === 'assembly')).toHaveLength(1);
    expect(types.filter((type) => type === 'table')).toHaveLength(1);
    const codes = new Set(packed.flatMap((record) => (record.type === 'item' ? [record.code] : [])));
    const families = new Set(conduit.components.map(({ sizing }) => sizing?.family));
    const wanted = [...source.item.values()].filter(
      ({ code, family }) =>
        conduit.components.some(({ itemCode }) => itemCode === code) || families.has(family ?? 'none'),
    );
    expect(codes).toEqual(new Set(wanted.map(({ code }) => code)));
    expect(codes.size).toBeGreaterThan(30);
    expect(packed.flatMap((record) => (record.type === 'craft' ? [record.name] : []))).toEqual([
      'Electrician',
    ]);
  });

  it('reads as it was written, and is written the same every time', () => {
    const read = readPack(writePack({ records: packed }));
    expect(read).toEqual({ ok: true, value: { records: packed } });
    expect(writePack({ records: packAssemblies(source, [conduit.id]) })).toBe(writePack({ records: packed }));
  });

  it('takes inner assemblies along, and they stand inside again under their new ids', () => {
    const [beam, floor] = [named(source, 'Grade beam'), named(source, 'Subfloor, glued')];
    const outer = changed(source, {
      ...beam,
      inner: [{ key: 'floor', name: 'Floor', assemblyId: floor.id, formula: '10 sq ft', answers: {} }],
    });
    const { job } = createTestJob();
    const unpacked = planUnpack({ records: packAssemblies(outer, [beam.id]) }, job, makeId);
    const diff = unpacked.command(job);
    if (!diff.ok) throw new Error(diff.problem.kind);
    const after = applyDiff(job, diff.value);
    expect(named(after, 'Grade beam').inner?.[0]?.assemblyId).toBe(named(after, 'Subfloor, glued').id);
  });

  it('leaves what the job has under the same code as it is, and gives a taken name a number', () => {
    const test = createTestJob();
    const once = applyAll(test.job);
    const twice = planUnpack({ records: packed }, once, makeId);
    expect(twice.renamed).toEqual(['Conduit run (2)']);
    const diff = twice.command(once);
    expect(diff.ok && diff.value.added.map(({ type }) => type)).toEqual(['assembly']);
  });

  it('brings no price into a job of another currency: 89 dollars are not 89 euro', () => {
    const test = createTestJob('metric');
    const euro = { ...settingsOf(test.job), currency: 'EUR' };
    const job = createJob([...listRecords(test.job), euro]);
    const read = readPack(writePack({ records: packed, currency: 'USD' }));
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.currency).toBe('USD');
    const diff = planUnpack(read.value, job, test.makeId).command(job);
    if (!diff.ok) throw new Error(diff.problem.kind);
    const items = diff.value.added.filter((record) => record.type === 'item');
    expect(items.length).toBeGreaterThan(0);
    expect(items.filter(({ material, equipment }) => material !== '' || equipment !== '')).toEqual([]);
    // Hours are hours in any currency.
    expect(items.some(({ laborHours }) => laborHours !== '')).toBe(true);
  });

  const applyAll = (job: Job): Job => {
    const diff = planUnpack({ records: packed }, job, makeId).command(job);
    if (!diff.ok) throw new Error(diff.problem.kind);
    return applyDiff(job, diff.value);
  };

  it.each([
    ['{', 'pack-not-json'],
    ['[]', 'pack-other-format'],
    ['{"format":"zest-assemblies","version":9,"records":[]}', 'pack-newer'],
    ['{"format":"zest-assemblies","version":1,"records":[{"type":"mark"}]}', 'pack-record-type'],
    [
      '{"format":"zest-assemblies","version":1,"records":[{"type":"assembly","id":"assembly:a"}]}',
      'pack-record',
    ],
    [writePack({ records: packed.filter(({ type }) => type !== 'craft') }), 'pack-incomplete'],
  ])('refuses %s', (text, kind) => {
    expect(readPack(text)).toMatchObject({ ok: false, problem: { kind } });
  });
});

describe('assemblies as sheets to fill in', () => {
  const filled = (...components: readonly (readonly string[])[]): readonly Rows[] => [
    {
      name: 'Assemblies',
      rows: [
        ['Assembly', 'For'],
        ['Fence', 'runs'],
      ],
    },
    {
      name: 'Questions',
      rows: [
        ['Assembly', 'Question', 'Default', 'Unit', 'Choices'],
        ['Fence', 'Spacing?', '8', 'ft', ''],
      ],
    },
    {
      name: 'Components',
      rows: [['Assembly', 'Component', 'Kind', 'Formula', 'Unit', 'Waste %'], ...components],
    },
  ];

  it.each(['Conduit run', 'Grade beam', 'Suspended slab'])('%s comes back as it was written', (name) => {
    const job = withLibrary(bare, name);
    const assembly = named(job, name);
    const read = readAssemblyRows(writeAssemblyRows([assembly]), makeId);
    expect(read.problems).toEqual([]);
    const [back] = read.assemblies;
    expect(back?.components).toEqual(assembly.components);
    expect(back?.inputs).toEqual(assembly.inputs);
  });

  it('asks for little: an assembly, a component and its formula are enough', () => {
    const { assemblies, problems } = readAssemblyRows(
      filled(['Fence', 'Posts', '', 'ceil(length / spacing) + 1', '', '']),
      makeId,
    );
    expect(problems).toEqual([]);
    expect(assemblies[0]?.components[0]).toMatchObject({
      key: 'posts',
      kind: 'material',
      unit: 'ea',
      wastePercent: '0',
    });
  });

  it.each<[readonly string[], unknown]>([
    [['Wall', 'Posts', '', '1', 'ea', ''], { kind: 'row-no-assembly', name: 'Wall' }],
    [['Fence', 'Posts', 'wood', '1', 'ea', ''], { kind: 'row-word', column: 'Kind', text: 'wood' }],
    [['Fence', 'Posts', '', '1', 'ea', 'much'], { kind: 'row-refused' }],
    [['Fence', '', '', '1', 'ea', ''], { kind: 'row-refused' }],
  ])('leaves a row out and names it: %j', (row, problem) => {
    const good = ['Fence', 'Rails', '', '1', 'ft', ''];
    const { assemblies, problems } = readAssemblyRows(filled(good, row), makeId);
    expect(problems).toEqual([
      expect.objectContaining({ sheet: 'Components', row: 3, ...(problem as object) }),
    ]);
    expect(assemblies[0]?.components.map(({ name }) => name)).toEqual(['Rails']);
  });

  it('says which column is missing', () => {
    const { problems } = readAssemblyRows([{ name: 'Assemblies', rows: [['Name']] }], makeId);
    expect(problems).toContainEqual({
      kind: 'row-column-missing',
      sheet: 'Assemblies',
      row: 1,
      column: 'Assembly',
    });
  });
});

describe('the shelf', () => {
  const first = keepOnShelf(EMPTY_SHELF, source, named(source, 'Grade beam').id);

  it('counts versions up, also from that of the trade library', () => {
    expect(latestOf(first).map(({ key, version }) => [key, version])).toEqual([['Grade beam', 2]]);
    const again = keepOnShelf(first, source, named(source, 'Grade beam').id);
    expect(versionsOf(again, 'Grade beam').map(({ version }) => version)).toEqual([3, 2]);
  });

  it('is stored and read back; a part that cannot be read stays as it is, and no other thing passes for it', () => {
    const stored = JSON.parse(JSON.stringify(writeShelf(toggleFavorite(first, 'Grade beam')))) as {
      kept: { pack: string }[];
    };
    expect(readShelf(stored)).toEqual({ ...first, favorites: ['Grade beam'] });
    const damaged = { ...stored.kept[0], pack: '{' };
    const read = readShelf({ ...stored, kept: [...stored.kept, damaged] });
    expect(read).toMatchObject({ kept: [{ key: 'Grade beam' }], unread: [damaged] });
    // What cannot be read here is written back as it is.
    expect(writeShelf(removeFromShelf(read!, 'Grade beam'))).toEqual({ favorites: [], kept: [damaged] });
    expect(readShelf(undefined)).toEqual(EMPTY_SHELF);
    expect(readShelf({ some: 'thing else' })).toBeUndefined();
    expect(removeFromShelf(first, 'Grade beam').kept).toEqual([]);
  });

  it('gives an assembly to another job with all it needs', () => {
    const { job } = createTestJob();
    const [kept] = latestOf(first);
    const diff = takeFromShelf(kept!, makeId)(job);
    expect(diff.ok && diff.value.added.map((record) => record.type === 'assembly' && record.name)).toContain(
      'Grade beam',
    );
  });

  it('takes a later version over only when asked, keeps the id, and says what differs', () => {
    const beam = named(source, 'Grade beam');
    const better = changed(source, {
      ...beam,
      components: [
        ...beam.components
          .slice(1)
          .map((each) => (each.key === 'ties' ? { ...each, wastePercent: '5' } : each)),
        { ...beam.components[0]!, key: 'oil', name: 'Form oil' },
      ],
    });
    const shelf = keepOnShelf(first, better, beam.id);
    const [latest] = versionsOf(shelf, 'Grade beam');
    expect(compareAssemblies(beam, mainOf(latest!))).toEqual([
      { of: 'component', name: 'Ties', change: 'changed' },
      { of: 'component', name: 'Form oil', change: 'added' },
      { of: 'component', name: 'Concrete', change: 'removed' },
    ]);
    const diff = takeVersion(beam.id, latest!, makeId)(source);
    if (!diff.ok) throw new Error(diff.problem.kind);
    const after = applyDiff(source, diff.value);
    expect(after.assembly.size).toBe(source.assembly.size);
    expect(after.assembly.get(beam.id)?.components.map(({ key }) => key)).toContain('oil');
    expect(after.assembly.get(beam.id)?.origin).toEqual({ key: 'Grade beam', version: 3 });
  });

  it('shelves a pack that was read from a file', () => {
    expect(latestOf(shelvePack(EMPTY_SHELF, { records: packed })).map(({ key }) => key)).toEqual([
      'Conduit run',
    ]);
  });

  it('keeps the records of a job as they were', () => {
    expect([...listRecords(source)].every((record) => Object.isFrozen(record))).toBe(true);
  });
});
