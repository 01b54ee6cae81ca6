import { describe, expect, it } from '@jest/globals';
import { linePrices } from '../calculate/totals/linePrices.ts';
import { reasonOfSize } from '../calculate/lines/sizes.ts';
import { bidNode, lineNode, sectionNode } from '../calculate/graph/nodes.ts';
import { takeSecondLook } from '../doubts/secondLook.ts';
import { levelQuote } from '../estimate/quotes.ts';
import { settingsOf } from '../job/job.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { makeAlternate, makeMarkup, makePackage, makeQuote } from '../testing/records.ts';
import { getUnit } from '../units/unit.ts';
import { priceAlternates } from './alternates.ts';
import { estimateReport } from './estimateReport.ts';

const rulesOf = (bench: Bench): readonly string[] =>
  takeSecondLook(bench.calculation.figures, '2026-11-25').open.map(({ about }) => about.rule);

describe('a quote for what we priced ourselves', () => {
  const bench = createBench();
  const sectionId = bench.sectionId('06');
  const own = bench.line({ costs: { material: '60000', labor: '30000' }, sectionId });
  const beside = bench.line({ costs: { material: '500' }, sectionId: bench.sectionId('03') });
  const pack = makePackage(bench.makeId, { name: 'Framing', sectionId });
  const quote = makeQuote(bench.makeId, { packageId: pack.id, company: 'Ridge & Sons', amount: '96000' });
  bench.change(own, beside, pack, quote);
  bench.change({ ...pack, takenId: quote.id });

  it('is asked about while both are in the bid', () => {
    expect(bench.known(bidNode('cost'))).toBe(186_500_00);
    expect(rulesOf(bench)).toContain('quote-beside-lines');
  });

  it('replaces the lines that its package names; they stay to compare with, and come back without it', () => {
    bench.change({ ...pack, takenId: quote.id, lines: [own.id] });
    expect(bench.known(bidNode('cost'))).toBe(96_500_00);
    expect(bench.known(sectionNode(sectionId, 'cost'))).toBe(96_000_00);
    expect(bench.known(lineNode(own.id, 'extension'))).toBe(90_000_00);
    expect(estimateReport(bench.calculation.figures).map(({ row }) => row.key)).not.toContain(own.id);
    expect(rulesOf(bench)).not.toContain('quote-beside-lines');
    bench.change({ ...pack, lines: [own.id] });
    expect(bench.known(bidNode('cost'))).toBe(90_500_00);
  });

  it('does not rank while it leaves something out for which nothing is allowed', () => {
    const open = { ...quote, leftOut: { crane: '' } };
    expect(levelQuote(open, 2).open).toBe(1);
    expect(levelQuote({ ...open, leftOut: { crane: '0' } }, 2).open).toBe(0);
    bench.change({ ...pack, takenId: quote.id, asks: [{ key: 'crane', text: 'Crane' }] }, open);
    expect(rulesOf(bench)).toContain('quote-open');
  });
});

describe('what lies on a line', () => {
  it('is the tax of its own material and no other', () => {
    const bench = createBench();
    const material = bench.line({ costs: { material: '1000' }, sectionId: bench.sectionId('03') });
    const firm = bench.line({ costs: { subcontract: '3000' }, sectionId: bench.sectionId('09') });
    const labor = bench.line({ costs: { labor: '500' } });
    bench.change(material, firm, labor);
    bench.change({ ...settingsOf(bench.job()), taxOnMaterials: '7' });
    const prices = linePrices(bench.calculation.figures);
    expect([material, firm, labor].map(({ id }) => prices.ofLine(id))).toEqual([1070_00, 3000_00, 500_00]);
    expect(prices.ofSection(bench.sectionId('09'))).toBe(3000_00);
    // A markup on labor lies on labor; one on the running sum on all.
    bench.change(makeMarkup(bench.makeId, { base: 'labor', percent: '20' }));
    expect(linePrices(bench.calculation.figures).ofLine(labor.id)).toBe(600_00);
    expect(linePrices(bench.calculation.figures).ofLine(firm.id)).toBe(3000_00);
  });
});

describe('an option', () => {
  it('is printed at the difference of the two bids, with hours that have no wage too', () => {
    const bench = createBench();
    const tiles = makeAlternate(bench.makeId, { name: 'Tiles' });
    bench.change(tiles, makeMarkup(bench.makeId, { percent: '11' }));
    bench.change(
      bench.line({ costs: { material: '800.55' } }),
      bench.line({ costs: { material: '1200.10', hours: '3' }, alternate: { id: tiles.id, as: 'adds' } }),
      bench.line({ costs: { material: '99.99' }, quantity: '3', alternate: { id: tiles.id, as: 'drops' } }),
    );
    const before = bench.known(bidNode('total')) ?? 0;
    const [priced] = priceAlternates(bench.calculation.figures);
    bench.change({ ...tiles, accepted: true });
    expect((bench.known(bidNode('total')) ?? 0) - before).toBe(priced?.change);
    expect(priceAlternates(bench.calculation.figures)[0]?.change).toBe(priced?.change);
  });
});

describe('the reason for a size', () => {
  it('gives what was asked for and what was taken in the unit of the price book', () => {
    const bench = createBench();
    const item = (code: string, section: string) =>
      bench.item({ code, family: 'Beams', material: '10', sizes: { section } });
    const sizing = { family: 'Beams', by: { section: '432 sq in' } };
    const line = bench.line({ sizing });
    bench.change(item('B1', '400 in²'), item('B2', '440 in²'), line);
    const reason = reasonOfSize(bench.job(), line.id, sizing, bench.known);
    expect(reason).toMatchObject({ exact: false, tooSmall: 1, item: { code: 'B2' } });
    expect(reason?.sizes).toEqual([
      expect.objectContaining({ key: 'section', unit: getUnit('in²'), dimension: getUnit('in²').dimension }),
    ]);
    expect((reason?.sizes[0]?.wanted ?? 0) / getUnit('in²').factor).toBeCloseTo(432, 6);
    expect((reason?.sizes[0]?.has ?? 0) / getUnit('in²').factor).toBeCloseTo(440, 6);
  });
});
