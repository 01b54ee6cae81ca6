import type { Failure } from '../../job/failure.ts';
import type { Id } from '../../job/id.ts';
import { type NodeId, printNode } from '../../job/nodeId.ts';
import { isPriceFailure, linesThatFail } from '../aboutLine.ts';
import type { DoubtContext } from '../context.ts';
import type { DoubtPlace } from '../place.ts';
import { type Found, defineRule } from '../rule.ts';

const WRONG = new Set<Failure['kind']>(['formula', 'arithmetic', 'loop', 'missing']);

/** Lines, named figures, properties and drivers whose formula is wrong; lines that read them say so too. */
export const formulaWrong = defineRule('formula-wrong', 'lines', (context) => [
  ...ownersThatFail(context),
  ...linesThatFail(context, (kind) => kind !== 'units-do-not-convert' && !isPriceFailure(kind)),
]);

function ownersThatFail(context: DoubtContext): readonly Found<{ readonly failure: Failure }>[] {
  return [...context.figures.failures()].flatMap(([node, failure]) => {
    const owner = WRONG.has(failure.kind) ? ownerOf(context, node) : undefined;
    return owner === undefined ? [] : [{ of: printNode(node), ...owner, facts: { failure } }];
  });
}

/** Whose formula it is, by name; undefined for what a line says by itself. */
function ownerOf(
  { job }: DoubtContext,
  { owner, figure, of = '' }: NodeId,
): { readonly name: string; readonly place: DoubtPlace } | undefined {
  if (owner.startsWith('quantity:'))
    return { name: job.quantity.get(owner as Id<'quantity'>)?.name ?? '', place: { at: 'figures' } };
  if (owner.startsWith('scope:') && figure === 'property') {
    const scope = job.scope.get(owner as Id<'scope'>);
    const property = scope?.properties.find((each) => each.key === of)?.name ?? of;
    return scope === undefined
      ? undefined
      : { name: `${scope.name}, ${property}`, place: { at: 'scope', id: scope.id } };
  }
  const yardstick = job.yardstick.get(owner as Id<'yardstick'>);
  return yardstick === undefined
    ? undefined
    : { name: yardstick.name, place: { at: 'yardstick', id: yardstick.id } };
}
