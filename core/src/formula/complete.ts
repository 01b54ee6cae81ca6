import { type Role, listRoles } from './roles.ts';

/** The word at the caret of a formula that is being typed. */
export interface Typed {
  readonly start: number;
  readonly end: number;
  readonly word: string;
  readonly role: Role | undefined;
  /** The scope or table it belongs to, where it is a measure or a column. */
  readonly of: string;
}

const WORD = /[\p{L}_][\p{L}\p{N}_]*$/u;
const REST = /^[\p{L}\p{N}_]*/u;

/**
 * The word that ends at the caret, or would begin there. A stand-in word is put at the caret to ask
 * what kind of name belongs there; undefined within a figure or a quoted text.
 */
export function typedAt(text: string, caret: number): Typed | undefined {
  const before = text.slice(0, caret);
  const word = WORD.exec(before)?.[0] ?? '';
  const start = caret - word.length;
  if (/[\d.]$/.test(text.slice(0, start)) || (before.split('"').length % 2 === 0 && /"[^0-9]*$/.test(before)))
    return undefined;
  const rest = word === '' ? '' : (REST.exec(text.slice(caret))?.[0] ?? '');
  const end = caret + rest.length;
  const stand = 'zz';
  const asked = listRoles(text.slice(0, start) + stand + text.slice(end)).find(
    ({ at }) => at.start === start,
  );
  return { start, end, word, role: asked?.role, of: asked?.of ?? '' };
}
