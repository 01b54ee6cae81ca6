import type { Id } from '../../job/id.ts';
import { leadingMeasure } from '../../job/markKinds.ts';
import type { MarkMeasure } from '../../job/measures.ts';
import type { Mark } from '../../job/records/mark.ts';
import type { Scope } from '../../job/records/scope.ts';
import type { Piece } from '../../takeoff/measureMark.ts';
import { repeatOf } from '../../takeoff/repeat.ts';
import type { Figures } from '../figures.ts';
import { openingNode, pieceNode, sharedNode } from '../graph/nodes.ts';
import type { Figure } from '../graph/rule.ts';
import { tapeOf } from './tape.ts';

/** One row of the tape of a scope: all rows together are the figure that the scope shows. */
export type TapeRow = {
  readonly figure: Figure;
  /** How often it counts, by the level it is on. */
  readonly times: number;
  readonly sheetId: Id<'sheet'> | undefined;
} & (
  | {
      readonly by: 'mark';
      /** From 1, as it is written beside the mark. */
      readonly number: number;
      readonly mark: Mark;
      readonly pieces: readonly Piece[];
    }
  | { readonly by: 'opening'; readonly tag: string }
  | { readonly by: 'typed'; readonly text: string }
  /** What the marks count twice, as a negative. */
  | { readonly by: 'shared' }
);

/** The marks of a scope, the openings that it counts, what was typed, and what must be taken off once. */
export function tapeRows(figures: Figures, { id, kind }: Scope, measure: MarkMeasure): readonly TapeRow[] {
  const { job } = figures;
  const marks = tapeOf(figures, id, measure).map(({ mark, figure, pieces }, index): TapeRow => ({
    by: 'mark',
    number: index + 1,
    mark,
    pieces,
    figure,
    times: repeatOf(job, mark),
    sheetId: mark.sheetId,
  }));
  const shared = figures.figure(sharedNode(id, measure));
  const once: readonly TapeRow[] =
    shared.failure === undefined && shared.value !== 0
      ? [{ by: 'shared', figure: shared, times: 1, sheetId: undefined }]
      : [];
  if (measure !== leadingMeasure(kind)) return [...marks, ...once];
  const openings = figures.openingsCountedBy(id).map((opening): TapeRow => {
    const host = job.mark.get(opening.markId);
    return {
      by: 'opening',
      tag: opening.tag,
      figure: figures.figure(openingNode(opening.id)),
      times: host === undefined ? 1 : repeatOf(job, host),
      sheetId: host?.sheetId,
    };
  });
  const typed = figures.piecesOf(id).map((piece): TapeRow => ({
    by: 'typed',
    text: [piece.text, piece.note].filter(Boolean).join(' '),
    figure: figures.figure(pieceNode(piece.id)),
    times: 1,
    sheetId: undefined,
  }));
  return [...marks, ...openings, ...typed, ...once];
}
