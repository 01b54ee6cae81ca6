import { describe, expect, it } from '@jest/globals';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode } from '../calculate/graph/nodes.ts';
import { type Command, put, update } from '../job/change.ts';
import { checkJob } from '../job/integrity.ts';
import { type Job, applyDiff, createJob, settingsOf } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createChance } from '../testing/job.ts';
import { createIdMaker } from '../job/id.ts';
import {
  compareWithCompany,
  handToCompany,
  noteHanded,
  startFromCompany,
  takeFromCompany,
} from './company.ts';
import { startJob } from './startJob.ts';

const makeId = createIdMaker(createChance(5));
const NEW = {
  name: 'Alder Works',
  client: '',
  unitSystem: 'us',
  currency: 'USD',
  decimalMark: '.',
  groupMark: ',',
} as const;

function after(job: Job, command: Command): Job {
  const diff = command(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  return applyDiff(job, diff.value);
}

/** A company with the samples, one price of its own, a markup, a text and a tax number. */
function aCompany(): Job {
  const job = createJob(startJob({ ...NEW, markups: [] }, makeId));
  const item = itemOf(job, (each) => each.material !== '');
  const { sample: _sample, ...own } = item;
  return after(
    job,
    put(
      { ...settingsOf(job), ofCompany: true, company: 'Alder Works', taxNumber: 'TX 44', paper: 'letter' },
      { ...own, material: '3.21' },
      { type: 'markup', id: makeId('markup'), name: 'Overhead', percent: '8', base: 'cost', order: 1 },
      {
        type: 'textBlock',
        id: makeId('textBlock'),
        name: 'Permits',
        for: 'exclusions',
        text: 'Permits',
        order: 1,
      },
    ),
  );
}

function itemOf(job: Job, is: (item: RecordOf<'item'>) => boolean): RecordOf<'item'> {
  const item = [...job.item.values()].find(is);
  if (item === undefined) throw new Error('no such item');
  return item;
}
const own = (job: Job): RecordOf<'item'> => itemOf(job, ({ material }) => material === '3.21');

const startFrom = (company: Job): Job =>
  createJob(startFromCompany(company, { name: 'Barn', client: 'Ms Reed' }, makeId('companyCopy')));

const names = (differences: readonly { readonly record: { readonly id: string } }[]): readonly string[] =>
  differences.map(({ record }) => record.id);

describe('a job from the company', () => {
  it('holds its own copy of prices, crafts, markups, sections, assemblies, texts and habits', () => {
    const company = aCompany();
    const job = startFrom(company);
    expect(checkJob(job)).toBeUndefined();
    expect(settingsOf(job)).toMatchObject({ name: 'Barn', company: 'Alder Works', taxNumber: 'TX 44' });
    expect('ofCompany' in settingsOf(job)).toBe(false);
    for (const type of ['item', 'craft', 'section', 'markup', 'assembly', 'textBlock'] as const)
      expect(job[type].size).toBe(company[type].size);
    expect(compareWithCompany(job, company)).toEqual({ fromCompany: [], fromJob: [] });
  });

  it('does not change when the company does, tells what changed there, and takes it when asked', () => {
    const company = aCompany();
    const job = startFrom(company);
    const { id } = own(company);
    const raised = after(
      company,
      update({ id }, (item) => ({ ...item, material: '3.60' })),
    );
    expect(own(job).material).toBe('3.21');
    const { fromCompany, fromJob } = compareWithCompany(job, raised);
    expect(fromCompany.map(({ record, isChangedTwice }) => [record.id, isChangedTwice])).toEqual([
      [id, false],
    ]);
    expect(fromJob).toEqual([]);
    const taken = after(job, takeFromCompany(raised, [id], makeId('companyCopy')));
    expect(taken.item.get(id)?.material).toBe('3.60');
    expect(compareWithCompany(taken, raised)).toEqual({ fromCompany: [], fromJob: [] });
  });

  it('tells what it changed itself, and hands it back', () => {
    const company = aCompany();
    const { id } = own(company);
    const job = after(
      startFrom(company),
      update({ id }, (item) => ({ ...item, material: '3.05' })),
    );
    const told = compareWithCompany(job, company);
    expect(told.fromCompany).toEqual([]);
    expect(names(told.fromJob)).toEqual([id]);
    const given = after(company, handToCompany(job, [id]));
    expect(given.item.get(id)?.material).toBe('3.05');
    const noted = after(job, noteHanded(given, [id], makeId('companyCopy')));
    expect(compareWithCompany(noted, given)).toEqual({ fromCompany: [], fromJob: [] });
  });

  it('says so where both sides changed the same thing', () => {
    const company = aCompany();
    const { id } = own(company);
    const job = after(
      startFrom(company),
      update({ id }, (item) => ({ ...item, material: '3.05' })),
    );
    const raised = after(
      company,
      update({ id }, (item) => ({ ...item, material: '3.60' })),
    );
    const { fromCompany, fromJob } = compareWithCompany(job, raised);
    expect([fromCompany, fromJob].map(([each]) => each?.isChangedTwice)).toEqual([true, true]);
  });

  it('brings along what a new item points at', () => {
    const company = aCompany();
    const job = startFrom(company);
    const craft = { type: 'craft', id: makeId('craft'), name: 'Diver', wage: '90' } as const;
    const item = { ...own(company), id: makeId('item'), code: 'DIV-1', craftId: craft.id };
    const more = after(company, put(craft, item));
    const taken = after(job, takeFromCompany(more, [item.id], makeId('companyCopy')));
    expect(taken.craft.get(craft.id)?.name).toBe('Diver');
    expect(checkJob(taken)).toBeUndefined();
    expect(compareWithCompany(taken, more).fromCompany).toEqual([]);
  });

  it('hands back the company its name and habits, and keeps the name of the job', () => {
    const company = aCompany();
    const changed = after(
      startFrom(company),
      update(settingsOf(company), (now) => ({ ...now, taxOnMaterials: '7' })),
    );
    const { fromJob } = compareWithCompany(changed, company);
    expect(fromJob.map(({ record }) => record.type)).toEqual(['settings']);
    const given = after(company, handToCompany(changed, names(fromJob)));
    expect(settingsOf(given)).toMatchObject({ name: 'Alder Works', taxOnMaterials: '7', ofCompany: true });
  });
});

describe('a job that was not started from the company', () => {
  it('is paired with it by codes and names, and takes its prices under its own ids', () => {
    const company = aCompany();
    const job = createJob(startJob(NEW, createIdMaker(createChance(77))));
    const price = own(company);
    const { fromCompany } = compareWithCompany(job, company);
    const difference = fromCompany.find(({ record }) => record.id === price.id);
    expect(difference?.other).toMatchObject({ code: price.code, sample: true });
    const taken = after(job, takeFromCompany(company, [price.id], makeId('companyCopy')));
    const here = itemOf(taken, ({ code }) => code === price.code);
    expect(here).toMatchObject({ id: difference?.other?.id, material: '3.21' });
    expect(taken.item.size).toBe(job.item.size);
    expect(checkJob(taken)).toBeUndefined();
    // Its samples are nobody's prices: they are never proposed to the company.
    expect(compareWithCompany(job, company).fromJob.filter(({ record }) => record.type === 'item')).toEqual(
      [],
    );
  });

  it('figures as it did where nothing it uses was taken', () => {
    const company = aCompany();
    const job = createJob(startJob(NEW, createIdMaker(createChance(78))));
    const text = [...company.textBlock.keys()];
    const taken = after(job, takeFromCompany(company, text, makeId('companyCopy')));
    const total = (of: Job): number | undefined => knownValue(new Calculation(of).figure(bidNode('total')));
    expect(total(taken)).toBe(total(job));
  });
});

it('nothing is given to what is no company', () => {
  const job = startFrom(aCompany());
  expect(handToCompany(job, [own(job).id])(job).ok).toBe(false);
});
