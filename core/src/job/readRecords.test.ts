import { describe, expect, it } from '@jest/globals';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { checkJob } from './integrity.ts';
import { createJob, listRecords } from './job.ts';
import { JOB_VERSION, MIGRATIONS } from './migrations/migrations.ts';
import type { RawRecord } from './migrations/migration.ts';
import { readRecords, setUnmetAside } from './readRecords.ts';

const test = createTestJob();
const scope = makeScope(test.makeId, { key: 'wall', kind: 'run' });
const mark = makeMark(test.makeId, scope, test.sheet, [[0, 0], [9, 0]]); // prettier-ignore
const records = [...listRecords(test.job), scope, mark];
const raw = (all: readonly unknown[]): readonly RawRecord[] =>
  JSON.parse(JSON.stringify(all)) as readonly RawRecord[];

const read = (all: readonly unknown[], version = JOB_VERSION) => {
  const made = readRecords(raw(all), version);
  if (!made.ok) throw new Error(made.problem.kind);
  return setUnmetAside(made.value);
};

describe('records', () => {
  it('come back as they are', () => {
    expect(read(records)).toEqual({ records, faulty: [] });
  });

  it('of a newer version are refused, not guessed at', () => {
    expect(readRecords(raw(records), JOB_VERSION + 1)).toEqual({
      ok: false,
      problem: { kind: 'records-newer', version: JOB_VERSION + 1, known: JOB_VERSION },
    });
  });

  it('that do not fit their schema are told, and the others are taken', () => {
    const bad = { ...mark, id: 'mark:bad', strokes: 'none' };
    const unknown = { type: 'parcel', id: 'parcel:1' };
    const { records: kept, faulty } = read([bad, ...records, unknown, mark]);
    expect(kept).toEqual(records);
    expect(faulty.map(({ raw: { id }, fault }) => [id, fault.kind])).toEqual([
      ['mark:bad', 'not-valid'],
      ['parcel:1', 'type-unknown'],
      [mark.id, 'twice'],
    ]);
    expect(faulty[0]?.raw).toEqual(bad);
  });

  it('whose scope is gone are set aside with it, one after the other', () => {
    const bad = { ...scope, name: '' };
    const { records: kept, faulty } = read(records.map((each) => (each === scope ? bad : each)));
    expect(checkJob(createJob(kept))).toBeUndefined();
    expect(faulty.map(({ raw: { id } }) => id)).toEqual([scope.id, mark.id]);
    expect(faulty[1]?.fault).toMatchObject({
      problem: { kind: 'record-missing-reference', missing: scope.id },
    });
  });

  it('with a key that another has are set aside, and the first keeps it', () => {
    const twin = { ...scope, id: test.makeId('scope') };
    const { records: kept, faulty } = read([...records, twin]);
    expect(kept).toEqual(records);
    expect(faulty.map(({ raw: { id } }) => id)).toEqual([twin.id]);
  });
});

describe('migrations', () => {
  it('are one for each version there was', () => {
    expect(MIGRATIONS.map(({ from }) => from)).toEqual(
      Array.from({ length: JOB_VERSION - 1 }, (_, i) => i + 1),
    );
  });

  it('leave what they do not know as it is, whatever it is', () => {
    const odd = [
      { type: 'assembly', components: 'none' },
      { type: 'assembly' },
      { type: '' },
      { type: 'x', id: 7 },
    ];
    for (const { migrate } of MIGRATIONS) expect(migrate(odd)).toEqual(odd);
  });

  it('say of components with waste that all their costs are for what is bought', () => {
    const components = [
      { key: 'a', wastePercent: '5' },
      { key: 'b', wastePercent: '0', roundUpTo: '' },
      { key: 'c', wastePercent: '5', wasteOn: ['material'] },
      { key: 'd', wastePercent: '', minimum: '3' },
    ];
    const [migrated] = MIGRATIONS[4]?.migrate([{ type: 'assembly', components }]) ?? [];
    const all = ['material', 'labor', 'equipment', 'subcontract', 'other'];
    expect(migrated?.['components']).toEqual([
      { ...components[0], wasteOn: all },
      components[1],
      components[2],
      { ...components[3], wasteOn: all },
    ]);
  });
});
