import { type Cell, letter } from '../formats/workbook/cell.ts';

type Rows = readonly (readonly Cell[])[];

/** What stands in a cell: a number, a text, nothing. */
type Content = number | string | undefined;

interface Span {
  readonly names: readonly string[];
}
type Operand = number | string | Span;

const TOKEN = /\s*(?:(\d+(?:\.\d+)?)|([A-Z]+\d+)|([A-Z]+)(?=\()|"([^"]*)"|([-+*/(),:]))/y;

type Token =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'cell' | 'name' | 'text' | 'sign'; readonly text: string };

function tokensOf(formula: string): Token[] {
  const tokens: Token[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < formula.length) {
    const [, number, cell, name, text, sign] = TOKEN.exec(formula) ?? [];
    if (number !== undefined) tokens.push({ kind: 'number', value: Number(number) });
    else if (cell !== undefined) tokens.push({ kind: 'cell', text: cell });
    else if (name !== undefined) tokens.push({ kind: 'name', text: name });
    else if (text !== undefined) tokens.push({ kind: 'text', text });
    else if (sign !== undefined) tokens.push({ kind: 'sign', text: sign });
    else throw new Error(`not a formula: ${formula}`);
  }
  return tokens;
}

/** Halves away from zero; a binary fraction just below a half counts as the half that was meant. */
const away = (value: number, digits: number, how: (size: number) => number): number => {
  const power = 10 ** digits;
  return (Math.sign(value) * how(Math.abs(value) * power)) / power;
};
const HOW = {
  ROUND: (size: number) => Math.floor(size + 0.5 + 1e-6),
  ROUNDUP: (size: number) => Math.ceil(size - 1e-6),
  ROUNDDOWN: (size: number) => Math.floor(size + 1e-6),
} as const;

/**
 * A small spreadsheet, to hold the formulas of an export against the values they carry. It knows
 * ROUND, ROUNDUP, ROUNDDOWN, SUM, SUBTOTAL(9), SUMIF with a text, MIN, MAX and plain arithmetic as
 * ISO/IEC 29500-1, 18.17 defines them, and throws at anything else.
 */
export function evaluateSheet(rows: Rows): (column: string, row: number) => number {
  const cells = new Map<string, Cell>();
  rows.forEach((row, at) => row.forEach((cell, column) => cells.set(`${letter(column)}${at + 1}`, cell)));
  const known = new Map<string, number>();

  const formulaOf = (name: string): string | undefined => {
    const cell = cells.get(name);
    return cell?.kind === 'formula' ? cell.formula : undefined;
  };
  const contentOf = (name: string): Content => {
    const cell = cells.get(name);
    if (cell === undefined) return undefined;
    if (cell.kind === 'text') return cell.text;
    if (cell.kind === 'number') return cell.value;
    const had = known.get(name);
    if (had !== undefined) return had;
    // One that leads back to itself would otherwise never end.
    known.set(name, Number.NaN);
    const value = evaluate(cell.formula);
    known.set(name, value);
    return value;
  };
  const numberAt = (name: string): number => {
    const content = contentOf(name);
    return typeof content === 'number' ? content : 0;
  };

  function evaluate(formula: string): number {
    const tokens = tokensOf(formula);
    let at = 0;
    const isSign = (text: string): boolean => {
      const token = tokens[at];
      return token?.kind === 'sign' && token.text === text;
    };
    const takeSign = (...signs: readonly string[]): string | undefined => {
      const found = signs.find(isSign);
      if (found !== undefined) at += 1;
      return found;
    };
    const expectSign = (sign: string): void => {
      if (takeSign(sign) === undefined) throw new Error(`${sign} expected: ${formula}`);
    };
    const numberOf = (operand: Operand): number => {
      if (typeof operand === 'number') return operand;
      throw new Error(`a number expected: ${formula}`);
    };
    const sum = (): Operand => {
      let left = product();
      for (let sign = takeSign('+', '-'); sign !== undefined; sign = takeSign('+', '-'))
        left = numberOf(left) + (sign === '+' ? 1 : -1) * numberOf(product());
      return left;
    };
    const product = (): Operand => {
      let left = factor();
      for (let sign = takeSign('*', '/'); sign !== undefined; sign = takeSign('*', '/')) {
        const right = numberOf(factor());
        left = sign === '*' ? numberOf(left) * right : numberOf(left) / right;
      }
      return left;
    };
    const factor = (): Operand => {
      if (takeSign('-') !== undefined) return -numberOf(factor());
      if (takeSign('(') !== undefined) {
        const inner = sum();
        expectSign(')');
        return inner;
      }
      const token = tokens[at];
      at += 1;
      switch (token?.kind) {
        case 'number':
          return token.value;
        case 'text':
          return token.text;
        case 'cell':
          return takeSign(':') === undefined ? numberAt(token.text) : spanTo(token.text);
        case 'name': {
          const operands: Operand[] = [];
          expectSign('(');
          do operands.push(sum());
          while (takeSign(',') !== undefined);
          expectSign(')');
          return call(token.text, operands, formula);
        }
        default:
          throw new Error(`not a formula: ${formula}`);
      }
    };
    const spanTo = (from: string): Span => {
      const token = tokens[at];
      at += 1;
      if (token?.kind !== 'cell') throw new Error(`a cell expected: ${formula}`);
      return { names: namesBetween(from, token.text) };
    };
    const value = numberOf(sum());
    if (at < tokens.length) throw new Error(`too much: ${formula}`);
    return value;
  }

  const numbersOf = (operands: readonly Operand[]): number[] =>
    operands.flatMap((each) =>
      typeof each === 'number' ? [each] : typeof each === 'string' ? [] : each.names.map(numberAt),
    );
  const total = (numbers: readonly number[]): number => numbers.reduce((sum, each) => sum + each, 0);

  function call(name: string, operands: readonly Operand[], formula: string): number {
    const [first, second, third] = operands;
    switch (name) {
      case 'ROUND':
      case 'ROUNDUP':
      case 'ROUNDDOWN':
        return away(numbersOf([first ?? 0])[0] ?? 0, Number(second), HOW[name]);
      case 'SUM':
        return total(numbersOf(operands));
      case 'MIN':
        return Math.min(...numbersOf(operands));
      case 'MAX':
        return Math.max(...numbersOf(operands));
      case 'SUBTOTAL':
        if (first !== 9 || typeof second !== 'object') break;
        return total(
          second.names.filter((each) => formulaOf(each)?.startsWith('SUBTOTAL') !== true).map(numberAt),
        );
      case 'SUMIF':
        if (typeof first !== 'object' || typeof third !== 'object') break;
        return total(
          third.names.filter((_, at) => contentOf(first.names[at] ?? '') === second).map(numberAt),
        );
    }
    throw new Error(`cannot work out ${formula}`);
  }
  return (column, row) => numberAt(`${column}${row}`);
}

/** The cells of a span, row by row. */
function namesBetween(from: string, to: string): readonly string[] {
  const [[left, top], [right, bottom]] = [placeOf(from), placeOf(to)];
  const names: string[] = [];
  for (let row = top; row <= bottom; row += 1)
    for (let column = left; column <= right; column += 1) names.push(`${letter(column)}${row}`);
  return names;
}

function placeOf(name: string): readonly [column: number, row: number] {
  const letters = name.replace(/\d+$/, '');
  const column = [...letters].reduce((at, each) => at * 26 + each.charCodeAt(0) - 64, 0) - 1;
  return [column, Number(name.slice(letters.length))];
}
