import { remove } from '../../job/change.ts';
import { removeAlternate } from '../../job/commands/removeWith.ts';
import { COST_KINDS } from '../../job/records/assembly.ts';
import type { RecordOf } from '../../job/record.ts';
import type { RandomEdit, Hand } from './hand.ts';
import { makeAlternate, makeMarkup } from '../records.ts';

/** A markup of some rate, base and way, sometimes with another rate in one section. */
const anyMarkup = ({ pick, amount, section }: Hand) =>
  ({
    percent: String(amount % 50),
    base: (['cost', 'labor', 'running', 'material'] as const)[pick % 4] ?? 'cost',
    ...(amount % 4 === 0
      ? { as: 'margin' as const }
      : amount % 4 === 1
        ? {
            as: 'graded' as const,
            grades: [
              { upTo: '500', percent: '3' },
              { upTo: '', percent: '1' },
            ],
          }
        : {}),
    rates: amount % 5 === 0 && section !== undefined ? [{ on: section.id, percent: '4' }] : [],
  }) satisfies Partial<RecordOf<'markup'>>;

/** What is done to the way from cost to bid. */
export const moneyEdits: readonly RandomEdit[] = [
  ({ bench, amount }) => bench.attempt(makeAlternate(bench.makeId, { accepted: amount % 2 === 0 })),
  ({ bench, alternate }) => {
    if (alternate) bench.attempt({ ...alternate, accepted: !alternate.accepted });
  },
  ({ bench, alternate }) => {
    if (alternate) bench.attempt(removeAlternate(alternate.id));
  },
  ({ bench, pick, amount, section, key }) =>
    bench.attempt({
      type: 'adjustment',
      id: bench.makeId('adjustment'),
      name: 'Adj',
      kinds: [COST_KINDS[pick % 5] ?? 'material'],
      percent: String((amount % 40) - 20),
      order: 1,
      on:
        amount % 4 === 3
          ? { what: 'items', by: (['group', 'tag', 'words'] as const)[pick % 3] ?? 'group', text: 'Framing' }
          : amount % 3 === 0 || section === undefined
            ? { what: 'all' }
            : amount % 3 === 1
              ? { what: 'section', sectionId: section.id }
              : { what: 'lines', lines: [key] },
    }),
  ({ bench, job }) => {
    if (job.adjustment.size > 0) bench.attempt(remove(...job.adjustment.keys()));
  },
  (hand) => hand.bench.attempt(makeMarkup(hand.bench.makeId, anyMarkup(hand))),
  (hand) => {
    const markup = hand.at(hand.job.markup.values());
    if (markup === undefined) return;
    const { as: _as, grades: _grades, rates: _rates, ...rest } = markup;
    hand.bench.attempt({ ...rest, ...anyMarkup(hand) });
  },
  ({ bench, job }) => {
    if (job.markup.size > 0) bench.attempt(remove(...job.markup.keys()));
  },
  ({ bench, settings, amount }) => {
    if (settings)
      bench.attempt({
        ...settings,
        taxOnMaterials: String(amount % 20),
        bidStep: amount % 2 === 0 ? '' : '50',
      });
  },
];
