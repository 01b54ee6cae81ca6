import { remove } from '../../job/change.ts';
import { removePackage, removeQuote } from '../../job/commands/removeWith.ts';
import type { RandomEdit } from './hand.ts';
import { makePackage, makeQuote, makeRegion } from '../records.ts';

/** What is done to prices: the book, wages, regions, packages and their quotes. */
export const priceEdits: readonly RandomEdit[] = [
  ({ bench, settings, amount }) => {
    const region = makeRegion(bench.makeId, {
      material: 1 + (amount % 9) / 10,
      labor: 0.9,
      equipment: 1.2,
    });
    bench.attempt(region);
    if (settings) bench.attempt({ ...settings, regionId: region.id });
  },
  ({ bench, job, at, amount, pick }) => {
    const craft = at(job.craft.values());
    if (craft) bench.attempt({ ...craft, wage: String(amount), burden: String(pick % 40) });
  },
  ({ bench, job, at, amount }) => {
    const item = at(job.item.values());
    if (item)
      bench.attempt(
        amount % 7 === 0
          ? remove(item.id)
          : { ...item, material: String(amount), laborHours: String(amount % 4) },
      );
  },
  ({ bench, job, at, section, key, amount }) => {
    const lines = [...job.line.keys()];
    const line = at(lines);
    const by = amount % 2 === 0 || line === undefined ? 'sum' : 'lines';
    bench.attempt(
      makePackage(bench.makeId, {
        sectionId: section?.id ?? null,
        kind: amount % 3 === 0 ? 'subcontract' : 'material',
        by,
        asks: [{ key: 'lift', text: 'Lift' }],
        lines: by === 'lines' && line !== undefined ? [line] : key.startsWith('package:') ? [] : [key],
      }),
    );
  },
  ({ bench, job, at, amount }) => {
    const to = at(job.package.values());
    if (to === undefined) return;
    const quote = makeQuote(bench.makeId, {
      packageId: to.id,
      amount: String(amount * 10),
      leftOut: amount % 4 === 0 ? { lift: '70' } : {},
      prices: Object.fromEntries(to.lines.map((line) => [line, String(amount)])),
    });
    bench.attempt(quote);
    bench.attempt({ ...to, takenId: quote.id });
  },
  ({ bench, job, at, amount }) => {
    const quote = at(job.quote.values());
    if (quote)
      bench.attempt(amount % 5 === 0 ? removeQuote(quote.id) : { ...quote, amount: String(amount * 7) });
  },
  ({ bench, job, at, alternate, section, amount }) => {
    const each = at(job.package.values());
    if (each === undefined) return;
    if (amount % 5 === 0) bench.attempt(removePackage(each.id));
    else if (amount % 2 === 0 && alternate !== undefined)
      bench.attempt({ ...each, alternate: { id: alternate.id, as: 'adds' } });
    else bench.attempt({ ...each, sectionId: section?.id ?? null });
  },
];
