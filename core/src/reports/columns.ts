import type { Ast } from '../formula/ast.ts';
import { parseFormula } from '../formula/parse.ts';
import { listReferences } from '../formula/references.ts';
import type { ReportColumnSpec, ReportSpec } from '../job/records/report.ts';
import { own } from '../job/own.ts';
import type { CellKind } from './cell.ts';
import type { ReportContext } from './fields/field.ts';
import {
  type AnyField,
  type OwnerName,
  PROPERTY_OWNER,
  findField,
  listProperties,
  partsOf,
} from './fields/fields.ts';
import type { ReportProblem } from './problem.ts';
import { type AnySource, sourceOf } from './sources.ts';

/** A column that is ready to be read. */
export interface Column {
  readonly spec: ReportColumnSpec;
  readonly kind: CellKind;
  /** A field of what the row is or belongs to. */
  readonly field?: { readonly owner: OwnerName; readonly of: AnyField };
  /** A formula over other columns, by their places. */
  readonly formula?: {
    readonly ast: Ast;
    readonly source: string;
    readonly inputs: ReadonlyMap<string, number>;
  };
  /** Any change of the job may change it. */
  readonly spread: boolean;
  /** Its figures are of the rows themselves, and may be added up. */
  readonly adds: boolean;
  /** The place of the column its mean is weighted by. */
  readonly weight: number | undefined;
}

export interface ReadyColumns {
  readonly columns: readonly Column[];
  readonly problems: readonly ReportProblem[];
}

/** Whether rows of a source have a field. */
export function hasField(source: AnySource, fieldId: string): boolean {
  const found = findField(fieldId);
  return found !== undefined && own(source.owners, found.owner) !== undefined;
}

/** The columns of a report over a job; what does not fit is told, and its column stays empty. */
export function readyColumns(
  spec: Pick<ReportSpec, 'source' | 'columns'>,
  context: ReportContext,
): ReadyColumns {
  const source = sourceOf(spec.source);
  const problems: ReportProblem[] = [];
  const places = new Map<string, number>();
  spec.columns.forEach(({ key }, at) => {
    if (places.has(key)) problems.push({ kind: 'report-key', column: key });
    else places.set(key, at);
  });
  const tell = (problem: ReportProblem): void => void problems.push(problem);
  const plain = spec.columns.map((column) => readyColumn(column, source, context, places, tell));
  const columns = withoutLoops(plain, tell);
  return { columns: columns.map((column) => withTotal(column, places, tell)), problems };
}

type Tell = (problem: ReportProblem) => void;

const EMPTY = { kind: 'text', spread: false, adds: false, weight: undefined } as const;

function readyColumn(
  spec: ReportColumnSpec,
  source: AnySource,
  context: ReportContext,
  places: ReadonlyMap<string, number>,
  tell: Tell,
): Column {
  if ('formula' in spec.of) return formulaColumn(spec, spec.of.formula, places, tell);
  const { field: fieldId } = spec.of;
  const [owner, name] = partsOf(fieldId);
  const found = findField(fieldId);
  if (found === undefined || own(source.owners, found.owner) === undefined) {
    tell({ kind: 'report-field', column: spec.heading ?? spec.key, field: fieldId });
    return { ...EMPTY, spec };
  }
  if (owner === PROPERTY_OWNER && !listProperties(context.figures.job.scope).has(name))
    tell({ kind: 'report-property', column: spec.heading ?? spec.key, property: name });
  const { field } = found;
  const isOwn = source.own.includes(found.owner);
  // A figure of what the row only belongs to changes with that, not with the row.
  const isText = (field.kind === 'text' || field.kind === 'date') && owner !== PROPERTY_OWNER;
  return {
    spec,
    kind: field.kind,
    field: { owner: found.owner, of: field },
    spread: field.spread === true || (!isOwn && !isText),
    adds: isOwn,
    weight: undefined,
  };
}

function formulaColumn(
  spec: ReportColumnSpec,
  formula: string,
  places: ReadonlyMap<string, number>,
  tell: Tell,
): Column {
  const parsed = parseFormula(formula);
  if (!parsed.ok) {
    tell({ kind: 'report-formula', column: spec.heading ?? spec.key, problem: parsed.problem });
    return { ...EMPTY, spec, kind: 'number' };
  }
  const inputs = new Map<string, number>();
  for (const reference of listReferences(parsed.value)) {
    const at = reference.type === 'name' ? places.get(reference.name) : undefined;
    if (reference.type === 'name' && at !== undefined) inputs.set(reference.name, at);
  }
  return {
    ...EMPTY,
    spec,
    kind: 'number',
    formula: { ast: parsed.value, source: formula, inputs },
    adds: true,
  };
}

/** Columns whose formula comes back to them stay empty; whatever reads a spread one is spread itself. */
function withoutLoops(columns: readonly Column[], tell: Tell): readonly Column[] {
  const done = new Map<number, Column>();
  const open = new Set<number>();
  const visit = (at: number): Column => {
    const known = done.get(at);
    const column = columns[at];
    if (column === undefined) throw new Error(`withoutLoops: there is no column ${at}`);
    if (known !== undefined) return known;
    if (column.formula === undefined) return keep(at, column);
    open.add(at);
    let [spread, loops, adds] = [false, false, true];
    for (const input of column.formula.inputs.values()) {
      if (open.has(input)) loops = true;
      else {
        const read = visit(input);
        spread ||= read.spread;
        adds &&= read.adds;
      }
    }
    open.delete(at);
    if (!loops) return keep(at, { ...column, spread, adds });
    tell({ kind: 'report-loop', column: column.spec.heading ?? column.spec.key });
    return keep(at, { ...EMPTY, spec: column.spec, kind: 'number' });
  };
  const keep = (at: number, column: Column): Column => {
    done.set(at, column);
    return column;
  };
  return columns.map((_, at) => visit(at));
}

const ADDING = new Set(['sum', 'mean', 'weighted']);

function withTotal(column: Column, places: ReadonlyMap<string, number>, tell: Tell): Column {
  const { total } = column.spec;
  if (total === undefined) return column;
  const name = column.spec.heading ?? column.spec.key;
  if (ADDING.has(total.by) && !column.adds && (column.field !== undefined || column.formula !== undefined)) {
    tell({ kind: 'report-total', column: name });
    return column;
  }
  if (total.by !== 'weighted') return column;
  const weight = places.get(total.weight ?? '');
  if (weight === undefined) tell({ kind: 'report-column', column: total.weight ?? '', use: 'weight' });
  return { ...column, weight };
}

/** How the foot of a column is figured; undefined where it may not be, or was not asked for. */
export function totalKindOf({
  spec,
  adds,
  weight,
}: Column): NonNullable<ReportColumnSpec['total']>['by'] | undefined {
  const { total } = spec;
  if (total === undefined || (ADDING.has(total.by) && !adds)) return undefined;
  return total.by === 'weighted' && weight === undefined ? undefined : total.by;
}
