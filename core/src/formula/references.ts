import { type Ast, childrenOf } from './ast.ts';
import { printFormula } from './print.ts';

export type Reference =
  | { readonly type: 'name'; readonly name: string }
  | {
      readonly type: 'total';
      readonly scope: string;
      readonly measure: string;
      readonly filter?: Ast | undefined;
    };

/** One text per reference: names hold no dot, so the two kinds cannot meet. */
export function referenceKey(reference: Reference): string {
  if (reference.type === 'name') return reference.name;
  const { scope, measure, filter } = reference;
  return filter === undefined ? `${scope}.${measure}` : `${scope}.${measure}[${printFormula(filter)}]`;
}

/** What the formula refers to, each once, in order of first appearance. */
export function listReferences(ast: Ast): readonly Reference[] {
  const found = new Map<string, Reference>();
  const visit = (node: Ast): void => {
    if (node.type === 'name' || node.type === 'total') {
      const reference: Reference =
        node.type === 'name'
          ? { type: 'name', name: node.name }
          : { type: 'total', scope: node.scope, measure: node.measure, filter: node.filter };
      const key = referenceKey(reference);
      if (!found.has(key)) found.set(key, reference);
    }
    childrenOf(node).forEach(visit);
  };
  visit(ast);
  return [...found.values()];
}

/** The tables a formula looks figures up in. */
export function listTables(ast: Ast): ReadonlySet<string> {
  const found = new Set<string>();
  const visit = (node: Ast): void => {
    if (node.type === 'lookup') found.add(node.table);
    childrenOf(node).forEach(visit);
  };
  visit(ast);
  return found;
}

/** The form shared by formulas that differ in names only: references become slots by order. */
export function printShape(ast: Ast, slotOf: ReadonlyMap<string, number>): string {
  return printFormula(ast, (leaf) => {
    if (leaf.type === 'number') return `${leaf.value}`;
    return `$${slotOf.get(referenceKey(leaf)) ?? '?'}`;
  });
}
