import { remove } from '../../job/change.ts';
import { removePackage, removeQuote } from '../../job/commands/removeWith.ts';
import type { RecordOf } from '../../job/record.ts';
import type { Deed } from './hand.ts';

/** What is done to prices: the book, wages, regions, packages and their quotes. */
export const priceDeeds: readonly Deed[] = [
  ({ desk, settings, amount }) => {
    const region: RecordOf<'region'> = {
      type: 'region',
      id: desk.makeId('region'),
      name: 'R',
      material: 1 + (amount % 9) / 10,
      labor: 0.9,
      equipment: 1.2,
      order: 1,
    };
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
    desk.attempt({
      type: 'package',
      id: desk.makeId('package'),
      name: 'Package',
      sectionId: section?.id ?? null,
      order: 1,
      kind: amount % 3 === 0 ? 'subcontract' : 'material',
      by,
      asks: [{ key: 'lift', text: 'Lift' }],
      lines: by === 'lines' && line !== undefined ? [line] : key.startsWith('package:') ? [] : [key],
      takenId: null,
    });
  },
  ({ desk, job, at, amount }) => {
    const to = at(job.package.values());
    if (to === undefined) return;
    const quote: RecordOf<'quote'> = {
      type: 'quote',
      id: desk.makeId('quote'),
      packageId: to.id,
      company: 'Company',
      amount: String(amount * 10),
      date: '',
      validUntil: '',
      note: '',
      leftOut: amount % 4 === 0 ? { lift: '70' } : {},
      adjustments: [],
      prices: Object.fromEntries(to.lines.map((line) => [line, String(amount)])),
      order: 1,
    };
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
