import { ANY_SCOPE, type Ast } from '../../formula/ast.ts';
import { parseFormula } from '../../formula/parse.ts';
import { listReferences } from '../../formula/references.ts';
import { quantitiesByKey, scopesByKey } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { query } from '../../job/query.ts';

/** A property of a scope, or a named quantity (without a key): what formulas give dimensions to. */
interface Given {
  readonly owner: string;
  readonly key: string;
}

/** The text of a property or a named quantity, with the keys of all properties of its scope. */
const textOf = query((job, owner, key): string | undefined => {
  const quantity = job.quantity.get(owner as Id<'quantity'>);
  if (quantity !== undefined) return quantity.formula;
  return job.scope.get(owner as Id<'scope'>)?.properties.find((each) => each.key === key)?.value;
});

const hasProperty = query(
  (job, scopeId, key): boolean =>
    job.scope.get(scopeId as Id<'scope'>)?.properties.some((each) => each.key === key) === true,
);

/** What a name is in a scope, or in the job where no scope is given. */
function givenBy(job: Job, scopeId: string | undefined, name: string): readonly Given[] {
  if (scopeId !== undefined && hasProperty(job, scopeId, name)) return [{ owner: scopeId, key: name }];
  return quantitiesByKey(job, name)
    .slice(-1)
    .map((owner) => ({ owner, key: '' }));
}

function givensIn(job: Job, ast: Ast, scopeId: string | undefined): readonly Given[] {
  return listReferences(ast).flatMap((reference): readonly Given[] => {
    if (reference.type === 'name') return givenBy(job, scopeId, reference.name);
    const { scope, measure, filter } = reference;
    const over = scope === ANY_SCOPE ? [...job.scope.keys()] : scopesByKey(job, scope);
    return over.flatMap((id) => [
      ...(hasProperty(job, id, measure) ? [{ owner: id, key: measure }] : []),
      ...(filter === undefined ? [] : givensIn(job, filter, id)),
    ]);
  });
}

/** What the text of a property or quantity refers to, of those that have a text of their own. */
const refersTo: (job: Job, owner: string, key: string) => readonly Given[] = query((job, owner, key) => {
  const parsed = parseFormula(textOf(job, owner, key) ?? '');
  return parsed.ok ? givensIn(job, parsed.value, key === '' ? undefined : owner) : [];
});

/**
 * True for a property or a quantity whose text comes back to itself, through whatever others. Its
 * dimension cannot be found from its text, wherever one begins.
 */
export const findInLoop: (job: Job, owner: string, key: string) => boolean = query((job, owner, key) => {
  const seen = new Set<string>();
  const pending = [...refersTo(job, owner, key)];
  for (let at = pending.pop(); at !== undefined; at = pending.pop()) {
    if (at.owner === owner && at.key === key) return true;
    const name = `${at.owner}\n${at.key}`;
    if (seen.has(name)) continue;
    seen.add(name);
    pending.push(...refersTo(job, at.owner, at.key));
  }
  return false;
});
