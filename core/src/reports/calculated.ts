import { compileAst, type Formula } from '../formula/compile.ts';
import { referenceKey } from '../formula/references.ts';
import type { FormulaProblem } from '../formula/problem.ts';
import type { Result } from '../problem/result.ts';
import { minorDigits, toMinor } from '../pricing/money.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import {
  type Dimension,
  MONEY,
  NUMBER,
  divideDimensions,
  isNumber,
  sameDimension,
} from '../units/dimension.ts';
import { findDefaultUnit, type UnitSystem } from '../units/format.ts';
import type { Cell } from './cell.ts';
import type { Column } from './columns.ts';

/** The figure of a cell in SI, money in major units; undefined for what has none. */
interface Operand {
  readonly value: number;
  readonly dimension: Dimension;
}

function operandOf(cell: Cell, digits: number): Operand | undefined {
  switch (cell?.kind) {
    case 'number':
      return { value: cell.value, dimension: NUMBER };
    case 'percent':
      return { value: cell.value / 100, dimension: NUMBER };
    case 'money':
      return { value: cell.minor / 10 ** digits, dimension: MONEY };
    case 'quantity': {
      const { factor, dimension } = unitOrLabel(cell.unit);
      return { value: cell.value * factor, dimension };
    }
    case 'rate': {
      const { factor, dimension } = unitOrLabel(cell.per);
      return { value: cell.amount / factor, dimension: moneyPer(dimension) };
    }
    default:
      return undefined;
  }
}

const perDimension = new Map<Dimension, Dimension>();

function moneyPer(dimension: Dimension): Dimension {
  const known = perDimension.get(dimension) ?? divideDimensions(MONEY, dimension);
  perDimension.set(dimension, known);
  return known;
}

/** What a calculated column needs to know of the job. */
export interface CalculatedBy {
  readonly currency: string;
  readonly unitSystem: UnitSystem;
}

/** A formula over columns: compiled once for each set of units that its rows have. */
export interface Calculated {
  /** The cell of a row, of the cells that the formula names, in the order of its inputs. */
  readonly cellOf: (cells: readonly Cell[]) => Cell;
  /** What is wrong with it for rows of these units; undefined where nothing is. */
  readonly problemOf: (cells: readonly Cell[]) => FormulaProblem | undefined;
}

const DOES_NOT_FIT: Cell = { kind: 'failure', failure: 'does-not-fit' };

interface Compiled {
  readonly dimensions: readonly (Dimension | undefined)[];
  readonly formula: Result<Formula, FormulaProblem>;
  /** By slot, the place of its input. */
  readonly slots: Int32Array;
  readonly values: Float64Array;
}

export function createCalculated(
  { ast, source, inputs }: NonNullable<Column['formula']>,
  by: CalculatedBy,
): Calculated {
  const digits = minorDigits(by.currency);
  const keys = [...inputs.keys()];
  const compiled: Compiled[] = [];
  const compile = (operands: readonly (Operand | undefined)[]): Compiled => {
    // Units are few, and their dimensions the same objects.
    const known = compiled.find(({ dimensions }) =>
      dimensions.every((dimension, at) => dimension === operands[at]?.dimension),
    );
    if (known !== undefined) return known;
    const dimensions = operands.map((operand) => operand?.dimension);
    const formula = compileAst(ast, source, {
      findDimension: (reference) =>
        reference.type === 'name' ? dimensions[keys.indexOf(reference.name)] : undefined,
      listNames: () => keys,
    });
    const references = formula.ok ? formula.value.references : [];
    const slots = Int32Array.from(references, (reference) => keys.indexOf(referenceKey(reference)));
    const made = { dimensions, formula, slots, values: new Float64Array(keys.length) };
    compiled.push(made);
    return made;
  };
  const operandsOf = (cells: readonly Cell[]) => cells.map((cell) => operandOf(cell, digits));
  return {
    cellOf: (cells) => {
      for (const cell of cells) {
        // What is not known there is not known here; what says nothing there leaves this empty.
        if (cell?.kind === 'failure') return cell;
        if (cell === undefined) return undefined;
      }
      const operands = operandsOf(cells);
      const { formula, slots, values } = compile(operands);
      if (!formula.ok) return DOES_NOT_FIT;
      operands.forEach((operand, at) => {
        values[at] = operand?.value ?? NaN;
      });
      const value = formula.value.run(values, slots);
      return Number.isFinite(value) ? resultCell(value, formula.value, by, digits) : undefined;
    },
    problemOf: (cells) => {
      const { formula } = compile(operandsOf(cells));
      return formula.ok ? undefined : formula.problem;
    },
  };
}

/** A figure in the units the job writes it in. */
function resultCell(value: number, { dimension, ast }: Formula, by: CalculatedBy, digits: number): Cell {
  if (sameDimension(dimension, MONEY)) {
    // A price for one keeps what is less than a cent.
    const divides = ast.type === 'binary' && ast.operator === '/';
    return divides
      ? { kind: 'rate', amount: value, per: '' }
      : { kind: 'money', minor: toMinor(value, digits) };
  }
  if (isNumber(dimension)) return { kind: 'number', value };
  if (dimension.money === 1) {
    const per = divideDimensions(NUMBER, { ...dimension, money: 0 });
    const unit = findDefaultUnit(per, by.unitSystem);
    return unit === undefined
      ? { kind: 'number', value }
      : { kind: 'rate', amount: value * unit.factor, per: unit.symbol };
  }
  const unit = findDefaultUnit(dimension, by.unitSystem);
  return unit === undefined
    ? { kind: 'number', value }
    : { kind: 'quantity', value: value / unit.factor, unit: unit.symbol };
}
