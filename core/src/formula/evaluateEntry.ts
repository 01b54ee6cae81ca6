import { type Result, accept, refuse } from '../problem/result.ts';
import { type Dimension, isNumber, sameDimension } from '../units/dimension.ts';
import { type NumberFormat, POINT_FORMAT, parseNumber } from '../units/numberFormat.ts';
import type { Unit } from '../units/unit.ts';
import { EMPTY_NAMES } from './checkDimensions.ts';
import { compileFormula } from './compile.ts';
import { diagnose } from './diagnose.ts';
import type { ArithmeticFailure, FormulaProblem } from './problem.ts';
import { type TypedProblem, drawnFigure, toPlain } from './readTyped.ts';

const NOTHING = new Float64Array(0);
const NO_SLOTS = new Int32Array(0);

export type EntryProblem = FormulaProblem | ArithmeticFailure | TypedProblem;

/**
 * The figure a person typed where one is wanted: a bare number in the field's own unit, or plain
 * arithmetic with units (`24' + 3'`, `12.95 m`). Returns the SI value.
 */
export function evaluateEntry(
  text: string,
  wanted: Dimension,
  fieldUnit: Unit | undefined,
  numbers: NumberFormat,
): Result<number, EntryProblem> {
  const plain = toPlain(text, numbers);
  if (!plain.ok) return plain;
  const bare = parseNumber(plain.value, POINT_FORMAT);
  const drawn = drawnFigure(text, fieldUnit?.symbol);
  if (drawn !== undefined) return refuse(drawn);
  if (bare !== undefined && fieldUnit !== undefined && sameDimension(fieldUnit.dimension, wanted))
    return accept(bare * fieldUnit.factor);
  if (bare !== undefined && isNumber(wanted)) return accept(bare);
  const formula = compileFormula(plain.value, EMPTY_NAMES, wanted);
  if (!formula.ok) return refuse(formula.problem);
  const value = formula.value.run(NOTHING, NO_SLOTS);
  return Number.isFinite(value) ? accept(value) : refuse(diagnose(formula.value, () => 0));
}
