import { remove } from '../../job/change.ts';
import type { Deed } from './hand.ts';

/** What is done to lines and to the sections they stand in. */
export const lineDeeds: readonly Deed[] = [
  ({ desk, section, amount }) =>
    desk.attempt(
      desk.line({ sectionId: section?.id ?? null, costs: { material: String(amount), hours: '' } }),
    ),
  ({ onLine, amount }) => onLine({ pinned: String(amount) }),
  ({ onLine, amount }) => onLine({ costs: { labor: String(amount) } }),
  ({ onLine, amount }) => onLine({ taxPercent: String(amount % 12) }),
  ({ onLine, amount }) => onLine({ wastePercent: String(amount % 30) }),
  ({ onLine, section }) => onLine(section === undefined ? {} : { sectionId: section.id }),
  ({ onLine, alternate, amount }) =>
    onLine(
      alternate === undefined
        ? {}
        : { alternate: { id: alternate.id, as: amount % 2 === 0 ? 'adds' : 'drops' } },
    ),
  ({ desk, job, at }) => {
    const line = at(job.line.values());
    if (line) desk.attempt(remove(line.id));
  },
  ({ desk, job, at, amount }) => {
    const line = at(job.line.values());
    if (line === undefined) return;
    const { is: _was, ...priced } = line;
    desk.attempt(amount % 3 === 0 ? priced : { ...line, is: amount % 3 === 1 ? 'text' : 'subtotal' });
  },
];
