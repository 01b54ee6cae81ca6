import type { Job } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { usualBid } from '@zest/core/library/documentPresets';

type DocumentRecord = RecordOf<'document'>;

/** What goes out for the boathouse: the bid for the club, and one with every line for its adviser. */
export function boathouseDocuments(job: Job): readonly DocumentRecord[] {
  const plan = [...job.sheet.values()].find(({ number }) => number === 'A-101');
  const walls = [...job.scope.values()].filter(({ key }) => ['block_wall', 'p1', 'p2'].includes(key));
  return [
    { type: 'document', id: 'document:bid', order: 1, ...usualBid('Bid', {}) },
    {
      type: 'document',
      id: 'document:adviser',
      order: 2,
      name: 'Bid by line',
      page: { density: 'close', header: '{document}, {job}' },
      blocks: [
        { kind: 'letterhead', key: 'letterhead' },
        { kind: 'client', key: 'client' },
        {
          kind: 'text',
          key: 'text',
          text: 'For the adviser of {client}: every line with its unit price, tax and markups by themselves. The building has {p1.length, ft} of partition P1 and {p2.length, ft} of partition P2. All of it comes to {total}.',
        },
        { kind: 'prices', key: 'prices', detail: 'items', tax: 'shown', markups: 'shown' },
        { kind: 'alternates', key: 'alternates' },
        { kind: 'break', key: 'break' },
        ...(plan === undefined
          ? []
          : [
              {
                kind: 'sheet' as const,
                key: 'sheet',
                heading: 'Walls and partitions',
                sheetId: plan.id,
                caption: 'A-101 with the walls as they were measured',
                marks: walls.map(({ id }) => id),
              },
            ]),
        { kind: 'report', key: 'report', heading: 'One line a section', report: 'report:summary' },
        { kind: 'terms', key: 'terms', text: '' },
        { kind: 'signatures', key: 'signatures', names: [] },
      ],
    },
  ];
}
