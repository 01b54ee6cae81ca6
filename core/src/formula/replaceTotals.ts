import type { Ast } from './ast.ts';
import { parseFormula } from './parse.ts';
import { printFormula } from './print.ts';

/**
 * A formula of the job as it reads within one scope: `total(wall, length) * 2` on the wall is
 * `length * 2`. Totals with a filter, of other scopes, and what cannot be read stay as they are.
 */
export function replaceTotals(source: string, scope: string): string {
  const parsed = parseFormula(source);
  if (!parsed.ok) return source;
  const isOwn = (leaf: Ast): leaf is Ast & { type: 'total' } =>
    leaf.type === 'total' && leaf.scope === scope && leaf.filter === undefined;
  let found = false;
  const printed = printFormula(parsed.value, (leaf) => {
    if (leaf.type === 'number') return leaf.text;
    if (leaf.type === 'name') return leaf.name;
    if (!isOwn(leaf)) return printFormula(leaf);
    found = true;
    return leaf.measure;
  });
  return found ? printed : source;
}
