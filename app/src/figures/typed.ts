import { type FigureOptions, decimalText, keepTyped, readFigure } from '@zest/core/formula/readTyped';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { describeProblem } from '../messages/describeProblem.ts';

type Take = (kept: string) => string | undefined;

/** Hands on a formula or a figure as it is kept; or says what was unclear in what was typed. */
export function takeEntry(
  text: string,
  numbers: NumberFormat,
  take: Take,
  unit?: string,
): string | undefined {
  const kept = keepTyped(text, numbers, unit);
  return kept.ok ? take(kept.value) : describeProblem(kept.problem);
}

/** The same for a figure without a unit, worked out where it is arithmetic; empty stays empty. */
export function takeFigure(
  text: string,
  numbers: NumberFormat,
  options: FigureOptions,
  take: Take,
): string | undefined {
  const read = readFigure(text, numbers, options);
  if (!read.ok) return describeProblem(read.problem);
  return take(read.value === undefined ? '' : decimalText(read.value));
}
