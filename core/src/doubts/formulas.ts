import { printNode } from '../job/nodeId.ts';
import type { Failure } from '../job/failure.ts';
import type { Id } from '../job/id.ts';
import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

const WRONG = new Set<Failure['kind']>(['formula', 'arithmetic', 'loop', 'missing']);

/** Named figures, properties and drivers whose own formula is wrong; lines that read them say so too. */
export function wrongFormulas({ figures, job }: DoubtContext): readonly Doubt[] {
  const doubts: Doubt[] = [];
  for (const [node, failure] of figures.failures()) {
    if (!WRONG.has(failure.kind)) continue;
    const { owner, figure, of = '' } = node;
    const key = `formula-wrong|${printNode(node)}`;
    const about = { rule: 'formula-wrong', failure } as const;
    if (owner.startsWith('quantity:')) {
      const name = job.quantity.get(owner as Id<'quantity'>)?.name ?? '';
      doubts.push({ key, name, about, place: { at: 'figures' } });
    } else if (owner.startsWith('scope:') && figure === 'property') {
      const scope = job.scope.get(owner as Id<'scope'>);
      const property = scope?.properties.find((each) => each.key === of)?.name ?? of;
      if (scope !== undefined)
        doubts.push({
          key,
          name: `${scope.name}, ${property}`,
          about,
          place: { at: 'scope', id: scope.id },
        });
    } else if (owner.startsWith('yardstick:')) {
      const yardstick = job.yardstick.get(owner as Id<'yardstick'>);
      if (yardstick !== undefined)
        doubts.push({
          key,
          name: yardstick.name,
          about,
          place: { at: 'yardstick', id: yardstick.id },
        });
    }
  }
  return doubts;
}
