import type { Ast, TotalAst } from '../formula/ast.ts';
import { childrenOf } from '../formula/ast.ts';
import { compileAst } from '../formula/compile.ts';
import type { NameSpace } from '../formula/checkDimensions.ts';
import type { FormulaProblem, Span } from '../formula/problem.ts';
import { referenceKey } from '../formula/references.ts';
import { type Rule, sumOf } from '../graph/graph.ts';
import type { Job } from '../job/job.ts';
import type { Opening } from '../job/records/opening.ts';
import type { Scope } from '../job/records/scope.ts';
import { isJunction, isMeasure } from '../takeoff/measures.ts';
import { NUMBER } from '../units/dimension.ts';
import type { Calculation } from './calculation.ts';
import type { Definitions } from './define.ts';
import { type Part, aloneNode, defineAlone, hasAlone, timesOf } from './defineAlone.ts';
import { asFigure } from './names.ts';
import type { ScopeNames } from './scopeNames.ts';

/** What a mark can be told apart by, beside the properties of its scope. */
const PLACES = ['level', 'zone', 'sheet', 'section'] as const;
type Place = (typeof PLACES)[number];
type Where = Readonly<Record<Place, string>>;

const isPlace = (name: string): name is Place => (PLACES as readonly string[]).includes(name);
const NOWHERE: Where = { level: '', zone: '', sheet: '', section: '' };

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** `level = "Upper floor"` in either order. */
function placeComparison(ast: Ast): { readonly place: Place; readonly text: string } | undefined {
  if (ast.type !== 'binary' || (ast.operator !== '=' && ast.operator !== '!=')) return undefined;
  const [name, text] = ast.left.type === 'text' ? [ast.right, ast.left] : [ast.left, ast.right];
  if (name.type !== 'name' || text.type !== 'text' || !isPlace(name.name)) return undefined;
  return { place: name.name, text: text.value };
}

const truth = (holds: boolean, { at }: Pick<Ast, 'at'>): Ast => {
  const one = { type: 'number', at, value: 1, dimension: NUMBER, text: '1', anyZero: false } as const;
  const two = { ...one, value: holds ? 1 : 2, text: holds ? '1' : '2' };
  return { type: 'binary', at, operator: '=', left: one, right: two };
};

/** The filter of a total that has none: all of it. */
export const everything = (at: Span): Ast => truth(true, { at });

/** The filter for one place: comparisons with a place are decided, what is left is arithmetic. */
function decide(ast: Ast, where: Where): Ast {
  const found = placeComparison(ast);
  if (found !== undefined && ast.type === 'binary')
    return truth(same(where[found.place], found.text) === (ast.operator === '='), ast);
  if (ast.type === 'unary') return { ...ast, operand: decide(ast.operand, where) };
  if (ast.type === 'binary')
    return { ...ast, left: decide(ast.left, where), right: decide(ast.right, where) };
  return ast;
}

function mentions(ast: Ast, places: readonly Place[]): boolean {
  const found = placeComparison(ast);
  return (
    (found !== undefined && places.includes(found.place)) ||
    childrenOf(ast).some((each) => mentions(each, places))
  );
}

function findText(ast: Ast): Ast | undefined {
  if (ast.type === 'text') return ast;
  return childrenOf(ast)
    .map(findText)
    .find((each) => each !== undefined);
}

/** What is wrong with a filter where a scope's names are known. */
export function checkFilter({ filter, measure }: TotalAst, names: NameSpace): FormulaProblem | undefined {
  if (filter === undefined) return undefined;
  const decided = decide(filter, NOWHERE);
  const text = findText(decided);
  if (text !== undefined) return { kind: 'formula-filter-text', at: text.at, known: PLACES };
  const byMark = mentions(filter, ['level', 'zone', 'sheet']);
  if (byMark && isJunction(measure)) return { kind: 'formula-filter-measure', at: filter.at, measure };
  const compiled = compileAst(asFigure(decided), '', names, NUMBER);
  return compiled.ok ? undefined : compiled.problem;
}

function whereOf(job: Job, scope: Scope, part: Part | undefined): Where {
  const section = scope.sectionId === null ? '' : (job.section.get(scope.sectionId)?.name ?? '');
  if (part?.type !== 'mark') return { ...NOWHERE, section };
  const sheet = job.sheet.get(part.sheetId);
  const level = sheet?.levelId === undefined ? '' : (job.level.get(sheet.levelId)?.name ?? '');
  const zone = part.zoneId === undefined ? '' : (job.zone.get(part.zoneId)?.name ?? '');
  return { level, zone, sheet: sheet?.number ?? '', section };
}

/** One figure that is let through or not. */
interface Gate {
  readonly figure: string;
  readonly times: number;
  readonly condition: (values: Float64Array, at: Int32Array) => number;
  readonly reads: readonly string[];
}

function gateOf(
  total: TotalAst,
  scope: Scope,
  part: Part | undefined,
  figure: string,
  names: ScopeNames,
): Gate {
  const { job } = names;
  const own = names.namesOf(scope);
  const decided = asFigure(decide(total.filter as Ast, whereOf(job, scope, part)));
  const compiled = compileAst(decided, '', own, NUMBER);
  const times = part === undefined ? 1 : timesOf(job, part);
  if (!compiled.ok) return { figure, times, condition: () => 0, reads: [] };
  const reads = compiled.value.references.map((reference) => {
    const named = own.find(reference);
    if (named === undefined) throw new Error(`gateOf: ${referenceKey(reference)} compiled but has no node`);
    return named.node;
  });
  return { figure, times, condition: compiled.value.run, reads };
}

/** Sums the figures whose condition holds; each gate reads its own slots. */
function gatedSum(gates: readonly Gate[]): Rule {
  const inputs = gates.flatMap(({ figure, reads }) => [figure, ...reads]);
  const starts: number[] = [];
  gates.reduce((start, { reads }) => {
    starts.push(start);
    return start + 1 + reads.length;
  }, 0);
  return {
    kind: 'compute',
    inputs,
    run: (values, at) =>
      gates.reduce((sum, { condition, reads, times }, i) => {
        const start = starts[i] as number;
        const slots = at.subarray(start + 1, start + 1 + reads.length);
        const holds = condition(values, slots) !== 0;
        return holds ? sum + (values[at[start] as number] as number) * times : sum;
      }, 0),
  };
}

type Gated = { readonly gates: readonly Gate[]; readonly definitions: Definitions };

/** The parts of a scope one by one: marks and typed pieces, and for a count the openings that sit in walls. */
function gatesByMark(node: string, total: TotalAst, scope: Scope, calculation: Calculation): Gated {
  const { names } = calculation;
  const { job } = names;
  const { measure } = total;
  const definitions: (readonly [string, Rule])[] = [];
  const isCount = scope.kind === 'count';
  const alone = isCount ? 'count' : measure;
  if (!isMeasure(alone) || !hasAlone(scope, alone)) return { gates: [], definitions };
  const drawn = calculation.partsOf(scope.id).map((part) => {
    const opened = calculation.openingsOf(part.id).length > 0;
    definitions.push(...defineAlone(job, scope, part, node, [alone], opened));
    const own = aloneNode(node, part.id, alone);
    if (measure === alone) return gateOf(total, scope, part, own, names);
    const each = `${node}/${part.id}/each`;
    definitions.push([each, eachRule(scope, measure, own, names)]);
    return gateOf(total, scope, part, each, names);
  });
  const hosted = isCount ? calculation.openingsCountedBy(scope.id) : [];
  const inWalls = hosted.flatMap((opening) => {
    const host = job.mark.get(opening.markId);
    if (host === undefined) return [];
    const each = `${node}/${opening.id}`;
    definitions.push([each, openingRule(scope, measure, opening, names)]);
    return [gateOf(total, scope, host, each, names)];
  });
  return { gates: [...drawn, ...inWalls], definitions };
}

/** A property so often as a part counts. */
function eachRule(scope: Scope, property: string, countNode: string, names: ScopeNames): Rule {
  const named = names.findIn(scope, property);
  if (named === undefined) return { kind: 'value', value: 0 };
  return {
    kind: 'compute',
    inputs: [countNode, named.node],
    run: (values, at) => (values[at[0] as number] as number) * (values[at[1] as number] as number),
  };
}

function openingRule(scope: Scope, measure: string, opening: Opening, names: ScopeNames): Rule {
  if (measure === 'count') return { kind: 'value', value: 1 };
  if (measure === 'width') return { kind: 'value', value: opening.widthM };
  if (measure === 'height') return { kind: 'value', value: opening.heightM };
  const named = names.findIn(scope, measure);
  return named === undefined
    ? { kind: 'value', value: 0 }
    : { kind: 'compute', inputs: [named.node], run: sumOf };
}

/** A total that a filter narrows: over marks where it asks for their place, else over whole scopes. */
export function defineFiltered(node: string, total: TotalAst, calculation: Calculation): Definitions {
  const { names } = calculation;
  const byMark = mentions(total.filter as Ast, ['level', 'zone', 'sheet']);
  const parts = names.candidates(total.scope).map((scope): Gated => {
    if (byMark) return gatesByMark(node, total, scope, calculation);
    const whole = names.findTotalIn(scope, total.measure);
    const gates = whole === undefined ? [] : [gateOf(total, scope, undefined, whole.node, names)];
    return { gates, definitions: [] };
  });
  return [
    ...parts.flatMap(({ definitions }) => definitions),
    [node, gatedSum(parts.flatMap(({ gates }) => gates))],
  ];
}
