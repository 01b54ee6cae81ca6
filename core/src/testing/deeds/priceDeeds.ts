import { remove } from '../../job/change.ts';
import { removePackage, removeQuote } from '../../job/commands/removeWith.ts';
import type { Deed } from './hand.ts';
import { makePackage, makeQuote, makeRegion } from '../records.ts';

/** What is done to prices: the book, wages, regions, packages and their quotes. */
export const priceDeeds: readonly Deed[] = [
  ({ desk, settings, amount }) => {
    const region = makeRegion(desk.makeId, {
      material: 1 + (amount % 9) / 10,
      labor: 0.9,
      equipment: 1.2,
    });
    desk.attempt(region);
    if (settings) desk.attempt({ ...settings, regionId: region.id });
  },
  ({ desk, job, at, amount, pick }) => {
    const craft = at(job.craft.values());
    if (craft) desk.attempt({ ...craft, wage: String(amount), burden: String(pick % 40) });
  },
  ({ desk, job, at, amount }) => {
    const item = at(job.item.values());
    if (item)
      desk.attempt(
        amount % 7 === 0
          ? remove(item.id)
          : { ...item, material: String(amount), laborHours: String(amount % 4) },
      );
  },
  ({ desk, job, at, section, key, amount }) => {
    const lines = [...job.line.keys()];
    const line = at(lines);
    const by = amount % 2 === 0 || line === undefined ? 'sum' : 'lines';
    desk.attempt(
      makePackage(desk.makeId, {
        sectionId: section?.id ?? null,
        kind: amount % 3 === 0 ? 'subcontract' : 'material',
        by,
        asks: [{ key: 'lift', text: 'Lift' }],
        lines: by === 'lines' && line !== undefined ? [line] : key.startsWith('package:') ? [] : [key],
      }),
    );
  },
  ({ desk, job, at, amount }) => {
    const to = at(job.package.values());
    if (to === undefined) return;
    const quote = makeQuote(desk.makeId, {
      packageId: to.id,
      amount: String(amount * 10),
      leftOut: amount % 4 === 0 ? { lift: '70' } : {},
      prices: Object.fromEntries(to.lines.map((line) => [line, String(amount)])),
    });
    desk.attempt(quote);
    desk.attempt({ ...to, takenId: quote.id });
  },
  ({ desk, job, at, amount }) => {
    const quote = at(job.quote.values());
    if (quote)
      desk.attempt(amount % 5 === 0 ? removeQuote(quote.id) : { ...quote, amount: String(amount * 7) });
  },
  ({ desk, job, at, alternate, section, amount }) => {
    const each = at(job.package.values());
    if (each === undefined) return;
    if (amount % 5 === 0) desk.attempt(removePackage(each.id));
    else if (amount % 2 === 0 && alternate !== undefined)
      desk.attempt({ ...each, alternate: { id: alternate.id, as: 'adds' } });
    else desk.attempt({ ...each, sectionId: section?.id ?? null });
  },
];
