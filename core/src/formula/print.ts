import type { Ast } from './ast.ts';

/** Binding strength of a printed node: what is looser than its place gets parentheses. */
const STRENGTH: Readonly<Record<string, number>> = {
  or: 1,
  and: 2,
  '<': 3,
  '<=': 3,
  '>': 3,
  '>=': 3,
  '=': 3,
  '!=': 3,
  '+': 4,
  '-': 4,
  '*': 5,
  '/': 5,
  '^': 7,
};
const UNARY = 6;
const ATOM = 9;

const strengthOf = (ast: Ast): number =>
  ast.type === 'binary' ? (STRENGTH[ast.operator] ?? ATOM) : ast.type === 'unary' ? UNARY : ATOM;

/** How leaves are written; the tape puts figures in the place of names. */
export type PrintLeaf = (leaf: Ast & { type: 'number' | 'name' | 'total' }) => string;

const printLeaf: PrintLeaf = (leaf) => {
  if (leaf.type === 'number') return leaf.text;
  if (leaf.type === 'name') return leaf.name;
  const { scope, measure, filter } = leaf;
  const parts = [scope, ...(measure === 'count' ? [] : [measure])];
  if (filter !== undefined) parts.push(printFormula(filter));
  return `${measure === 'count' ? 'count' : 'total'}(${parts.join(', ')})`;
};

/** Writes a tree as source with one blank around operators. parse(print(ast)) is the same tree. */
export function printFormula(ast: Ast, leaf: PrintLeaf = printLeaf): string {
  const print = (node: Ast, least: number): string => {
    const text = printNode(node, leaf, print);
    return strengthOf(node) < least ? `(${text})` : text;
  };
  return print(ast, 0);
}

function printNode(node: Ast, leaf: PrintLeaf, print: (node: Ast, least: number) => string): string {
  switch (node.type) {
    case 'unary':
      return `${node.operator === '-' ? '-' : 'not '}${print(node.operand, UNARY)}`;
    case 'binary': {
      const strength = STRENGTH[node.operator] ?? ATOM;
      // Left-associative, save the power, whose base may not even be a signed number.
      const left = print(node.left, node.operator === '^' ? ATOM : strength);
      const right = print(node.right, node.operator === '^' ? UNARY : strength + 1);
      return `${left} ${node.operator} ${right}`;
    }
    case 'call':
      return `${node.name}(${node.arguments.map((each) => print(each, 0)).join(', ')})`;
    case 'text':
      return `"${node.value}"`;
    case 'lookup': {
      const mode = node.mode === 'enough' ? '' : `, ${node.mode}`;
      return `lookup(${node.table}, ${node.take}, ${node.by}, ${print(node.needed, 0)}${mode})`;
    }
    default:
      return leaf(node);
  }
}
