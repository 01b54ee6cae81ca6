import type { TypedProblem } from '@zest/core/formula/readTyped';
import { unreachable } from '@zest/core/problem/result';

const SHOWN = 60;
const quote = (text: string): string => `‘${text.length > SHOWN ? `${text.slice(0, SHOWN)}…` : text}’`;

/** One sentence for a typed figure, whatever cell it was typed in. */
export function describeTyped(problem: TypedProblem): string {
  const text = quote(problem.text.trim());
  switch (problem.kind) {
    case 'typed-mark':
      return `${text}: this job writes numbers the other way. Did you mean ${problem.meant.join(' or ')}?`;
    case 'typed-not-a-number':
      return `${text} isn’t a number. Type a figure such as ${problem.example}, or arithmetic such as 2 * ${problem.example}.`;
    case 'typed-percent':
      return `${text} is a percentage. Type an amount here.`;
    case 'typed-currency':
      return `${text} is in another currency; this job is in ${problem.currency}. Convert it first.`;
    case 'typed-range':
      return `${text} isn’t possible here. ${describeRange(problem.least, problem.most)}`;
    case 'typed-drawing':
      return `${text} would be ${problem.unit === 'm' ? 'meters' : 'feet'}. Did you mean ${problem.text} mm? Type the unit with it.`;
    default:
      return unreachable(problem);
  }
}

function describeRange(least: number, most: number): string {
  const [from, to] = [least, most].map((limit) => limit.toLocaleString('en-US'));
  if (!Number.isFinite(least) && !Number.isFinite(most)) return 'Type a whole number.';
  if (!Number.isFinite(most)) return `Type ${from} or more.`;
  return Number.isFinite(least) ? `Type something from ${from} to ${to}.` : `Type ${to} or less.`;
}
