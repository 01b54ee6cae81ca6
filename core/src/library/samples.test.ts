import { describe, expect, it } from '@jest/globals';
import { createIdMaker } from '../job/id.ts';
import { createJob } from '../job/job.ts';
import { planPrices } from '../formats/prices/plan.ts';
import { writePrices } from '../formats/prices/write.ts';
import { BLANK_ITEM } from '../pricing/blankItem.ts';
import { takeSecondLook } from '../doubts/secondLook.ts';
import { createBench } from '../testing/priced.ts';
import { createChance } from '../testing/job.ts';
import { type NewJob, startJob } from './startJob.ts';
import { tradeLibrary, takeFromLibrary } from './tradeLibrary.ts';

const asked: NewJob = {
  name: 'New',
  client: '',
  unitSystem: 'metric',
  currency: 'EUR',
  decimalMark: ',',
  groupMark: '.',
};
const start = (change: Partial<NewJob> = {}) => {
  const makeId = createIdMaker(createChance());
  return { makeId, job: createJob(startJob({ ...asked, ...change }, makeId)) };
};

describe('a new job', () => {
  it('has samples that say they are, and no markup that nobody chose', () => {
    const { job } = start();
    expect([...job.item.values()].every(({ sample }) => sample === true)).toBe(true);
    expect([...job.craft.values()].every(({ sample }) => sample === true)).toBe(true);
    expect([...job.item.values()].every(({ supplier, date }) => supplier === '' && date === '')).toBe(true);
    expect(job.markup.size).toBe(0);
    expect([...job.section.values()].map(({ code }) => code)).toContain('26');
  });

  it.each([
    ['asked for none', { prices: 'none' }],
    ['asked for another currency than the samples are in', { currency: 'GBP' }],
    ['asked for dollars in meters', { currency: 'USD' }],
  ] as const)(
    'has no prices where it was %s, but what things are called and how long they take',
    (_why, change) => {
      const { job, makeId } = start(change);
      const items = [...job.item.values()];
      expect(
        items.some(({ material, equipment, subcontract }) => material + equipment + subcontract !== ''),
      ).toBe(false);
      expect(items.some(({ laborHours }) => laborHours !== '')).toBe(true);
      expect([...job.craft.values()].every(({ wage }) => wage === '')).toBe(true);
      const tile = tradeLibrary('metric').find(({ name }) => name === 'Floor tile');
      if (tile === undefined) throw new Error('no floor tile');
      const taken = takeFromLibrary(tile, makeId('assembly'), makeId)(job);
      expect(
        taken.ok && taken.value.added.some((record) => record.type === 'item' && record.material !== ''),
      ).toBe(false);
    },
  );
});

describe('a sample price', () => {
  const bench = createBench();
  const [stud] = [...bench.job().item.values()].filter(({ code }) => code === 'FR-STD-4');
  if (stud === undefined) throw new Error('no stud');
  const asks = () =>
    takeSecondLook(bench.calculation.figures, '2026-11-28').open.find(
      ({ about }) => about.rule === 'price-sample',
    )?.about;

  it('is asked about once for all its lines, and no more once a price is one’s own', () => {
    expect(asks()).toBeUndefined();
    bench.change(bench.line({ quantity: '10', unit: 'ea', itemCode: 'FR-STD-4' }));
    bench.change(bench.line({ quantity: '20', unit: 'ea', itemCode: 'FR-STD-4' }));
    expect(asks()).toEqual({ rule: 'price-sample', prices: 2, wages: 0 });
    bench.change(bench.line({ quantity: '5', unit: 'ea', itemCode: 'FR-STD-4', costs: { material: '4' } }));
    // What is typed over it is nobody's sample.
    expect(asks()).toMatchObject({ prices: 2 });
    const { sample: _shipped, ...own } = stud;
    bench.change(own);
    expect(asks()).toBeUndefined();
  });

  it('is told of the wage as well, and not where labor is typed', () => {
    const hung = createBench();
    hung.change(hung.line({ quantity: '10', unit: 'h', itemCode: 'LB-CARP' }));
    const about = () =>
      takeSecondLook(hung.calculation.figures, '2026-11-28').open.find(
        ({ about: each }) => each.rule === 'price-sample',
      )?.about;
    expect(about()).toEqual({ rule: 'price-sample', prices: 0, wages: 1 });
    hung.change(hung.line({ quantity: '1', unit: 'h', itemCode: 'LB-CARP', costs: { labor: '50' } }));
    expect(about()).toMatchObject({ wages: 1 });
  });

  it('is one’s own once a list names it, and comes back as a sample from its own list', () => {
    const makeId = createIdMaker(createChance(5));
    const job = { item: new Map([[stud.id, stud]]) };
    const plan = (draft: object) =>
      planPrices({ drafts: [{ draft: { code: stud.code, ...draft } }] as never }, job, 'update', makeId);
    expect(plan({ material: stud.material }).updated[0]?.[1].sample).toBeUndefined();
    expect(plan({ material: stud.material, source: 'Zest Line sample' }).kept).toBe(1);
    const written = writePrices([stud], { craft: new Map(), crew: new Map() });
    expect(written.flat()).toContain('Zest Line sample');
    const elsewhere = planPrices(
      { drafts: [{ draft: { ...BLANK_ITEM, code: 'NEW', source: 'Zest Line sample' } }] as never },
      { item: new Map() },
      'update',
      makeId,
    );
    expect(elsewhere.added[0]?.sample).toBe(true);
  });
});
