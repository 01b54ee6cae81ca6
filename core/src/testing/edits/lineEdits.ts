import { ALLOWANCES } from '../../job/records/line.ts';
import { remove } from '../../job/change.ts';
import type { RandomEdit } from './hand.ts';

/** What is done to lines and to the sections they stand in. */
export const lineEdits: readonly RandomEdit[] = [
  ({ bench, job, at, amount }) => {
    const line = at(job.line.values());
    if (line === undefined) return;
    const { allowance: _before, ...plain } = line;
    const allowance = ALLOWANCES[amount % 3];
    bench.attempt(allowance === undefined ? plain : { ...line, allowance });
  },
  ({ bench, section, amount }) =>
    bench.attempt(
      bench.line({ sectionId: section?.id ?? null, costs: { material: String(amount), hours: '' } }),
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
  ({ bench, job, at }) => {
    const line = at(job.line.values());
    if (line) bench.attempt(remove(line.id));
  },
  ({ bench, job, at, amount }) => {
    const line = at(job.line.values());
    if (line === undefined) return;
    const { is: _was, ...priced } = line;
    bench.attempt(amount % 3 === 0 ? priced : { ...line, is: amount % 3 === 1 ? 'text' : 'subtotal' });
  },
];
