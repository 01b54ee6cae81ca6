import { lineNode } from '../../calculate/graph/nodes.ts';
import { aboutLine } from '../aboutLine.ts';
import type { DoubtContext } from '../context.ts';
import { type Found, defineRule } from '../rule.ts';

export interface Unconfirmed {
  /** The job it came from. */
  readonly source: string;
  readonly quantity: number;
  readonly unit: string;
}

/** Quantities that came along from another job and were never looked at. */
export const unconfirmed = defineRule('unconfirmed', 'lines', (context) => [
  ...inLines(context),
  ...inPieces(context),
]);

const inLines = (context: DoubtContext): readonly Found<Unconfirmed>[] =>
  context.lines.flatMap((line) => {
    if (line.of.by !== 'line' || line.of.made.unconfirmed !== true) return [];
    const { source = '', unit } = line.of.made;
    const quantity = context.known(lineNode(line.key, 'quantity')) ?? 0;
    return [aboutLine(context, line, { source, quantity, unit })];
  });

const inPieces = ({ job }: DoubtContext): readonly Found<Unconfirmed>[] =>
  [...job.piece.values()]
    .filter((piece) => piece.unconfirmed === true)
    .map(({ id, scopeId, note, text, unit }) => ({
      of: id,
      name: job.scope.get(scopeId)?.name ?? '',
      place: { at: 'scope', id: scopeId },
      facts: { source: note, quantity: Number(text), unit },
    }));
