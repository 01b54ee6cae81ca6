import { describe, expect, it } from '@jest/globals';
import { settingsOf } from '../job/job.ts';
import { createBench } from '../testing/priced.ts';
import { bidReport } from './bidReport.ts';

/** A bench without markups, so that sums can be followed by eye. */
function bare() {
  const bench = createBench();
  bench.change(...[...bench.job().markup.values()].map((markup) => ({ ...markup, percent: '0' })));
  return bench;
}
const settings = (bench: ReturnType<typeof createBench>, change: object): void =>
  void bench.change({ ...settingsOf(bench.job()), ...change });
const sectionOf = (bench: ReturnType<typeof createBench>, code: string) => {
  const found = [...bench.job().section.values()].find((section) => section.code === code);
  if (found === undefined) throw new Error(`sectionOf: no ${code}`);
  return found.id;
};

describe('tax on all that is sold', () => {
  it('is added below the total, whatever the detail, and the total stays', () => {
    const bench = bare();
    bench.change(bench.line({ quantity: '1', unit: 'ea', costs: { other: '1000' } }));
    settings(bench, { valueAddedTax: { name: 'VAT', percent: '20' } });
    for (const detail of ['total', 'sections', 'scopes'] as const) {
      const { total, addedTax } = bidReport(bench.calculation.figures, detail);
      expect(total).toBe(1000_00);
      expect(addedTax).toEqual({
        name: 'VAT',
        rows: [{ percent: '20', base: 1000_00, amount: 200_00 }],
        gross: 1200_00,
      });
    }
  });

  it('takes a section’s own rate on its share, and the usual one on the rest', () => {
    const bench = bare();
    const sectionId = sectionOf(bench, '06');
    bench.change(
      bench.line({ quantity: '1', unit: 'ea', costs: { other: '1000' } }),
      bench.line({ quantity: '1', unit: 'ea', costs: { other: '300' }, sectionId }),
    );
    settings(bench, { valueAddedTax: { name: 'VAT', percent: '20', rates: [{ sectionId, percent: '5' }] } });
    const { addedTax } = bidReport(bench.calculation.figures, 'total');
    expect(addedTax?.rows).toEqual([
      { percent: '20', base: 1000_00, amount: 200_00 },
      { percent: '5', base: 300_00, amount: 15_00 },
    ]);
    expect(addedTax?.gross).toBe(1515_00);
  });
});

describe('alternates on the bid', () => {
  it('are listed with what each changes, and an accepted one is in the total', () => {
    const bench = bare();
    const id = bench.makeId('alternate');
    const alternate = { type: 'alternate', id, name: 'Tiles', note: '', accepted: false, order: 1 } as const;
    bench.change(alternate);
    bench.change(
      bench.line({ quantity: '1', unit: 'ea', costs: { other: '100' } }),
      bench.line({ quantity: '1', unit: 'ea', costs: { other: '40' }, alternate: { id, as: 'adds' } }),
    );
    const now = () => bidReport(bench.calculation.figures, 'sections');
    expect(now()).toMatchObject({
      total: 100_00,
      alternates: [{ name: 'Tiles', change: 40_00, accepted: false }],
    });
    bench.change({ ...alternate, accepted: true });
    expect(now()).toMatchObject({
      total: 140_00,
      alternates: [{ name: 'Tiles', change: 40_00, accepted: true }],
    });
  });
});
