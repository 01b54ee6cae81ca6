import type { Span } from './span.ts';
import { tokenize } from './tokenize.ts';

/** What a word of a formula stands for. */
export type Role = 'name' | 'scope' | 'measure' | 'table' | 'column';

export interface WordRole {
  readonly at: Span;
  readonly word: string;
  readonly role: Role;
  /** The scope a measure is of, the table a column is of. */
  readonly of?: string;
}

interface Call {
  readonly form: string;
  first: string;
  argument: number;
}

function roleIn(call: Call | undefined): Role | undefined {
  if (call?.form === 'total') return (['scope', 'measure'] as const)[call.argument] ?? 'name';
  if (call?.form === 'count') return call.argument === 0 ? 'scope' : 'name';
  if (call?.form !== 'lookup') return 'name';
  return ([`table`, 'column', 'column', 'name'] as const)[call.argument];
}

/**
 * The words of a formula and what each stands for, read from its tokens so that also a formula that
 * is not finished or has a mistake elsewhere can be followed. Functions, units and modes are left out.
 */
export function listRoles(source: string): readonly WordRole[] {
  const tokens = tokenize(source);
  if (!tokens.ok) return [];
  const calls: Call[] = [];
  const roles: WordRole[] = [];
  tokens.value.forEach((token, i) => {
    const isOperator = token.type === 'operator';
    if (isOperator && token.text === '(') {
      const before = tokens.value[i - 1];
      calls.push({ form: before?.type === 'name' ? before.text : '', first: '', argument: 0 });
      return;
    }
    if (isOperator && token.text === ')') calls.pop();
    const call = calls.at(-1);
    if (isOperator && token.text === ',' && call !== undefined) call.argument += 1;
    if (token.type !== 'name' || isCalled(tokens.value[i + 1])) return;
    if (['and', 'or', 'not', 'pi'].includes(token.text)) return;
    const role = roleIn(call);
    if (role === undefined) return;
    if (call !== undefined && (role === 'scope' || role === 'table')) call.first = token.text;
    const of = role === 'measure' || role === 'column' ? { of: call?.first ?? '' } : {};
    roles.push({ at: token.at, word: token.text, role, ...of });
  });
  return roles;
}

const isCalled = (next: { readonly type: string; readonly text: string } | undefined): boolean =>
  next?.type === 'operator' && next.text === '(';

/** The same formula with some of its words replaced. */
export function replaceWords(source: string, replace: (word: WordRole) => string | undefined): string {
  let text = source;
  for (const word of [...listRoles(source)].reverse()) {
    const to = replace(word);
    if (to !== undefined) text = text.slice(0, word.at.start) + to + text.slice(word.at.end);
  }
  return text;
}
