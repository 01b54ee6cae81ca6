import type { Ast, TotalAst } from '../../formula/ast.ts';
import { compileAst } from '../../formula/compile.ts';
import { parseFormula } from '../../formula/parse.ts';
import { referenceKey } from '../../formula/references.ts';
import { openingsOfScope, recordsOf } from '../../job/belongs.ts';
import type { Job } from '../../job/job.ts';
import { isMeasure } from '../../job/measures.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { Opening } from '../../job/records/opening.ts';
import { NUMBER } from '../../units/dimension.ts';
import type { Define, Definitions } from '../define.ts';
import { type Rule, sumOf, valued } from '../graph/rule.ts';
import { filterNode, partNode } from '../graph/nodes.ts';
import { type ScopeFace, candidates, findInScope, findTotalIn, scopeNames } from '../queries/jobNames.ts';
import { asFigure } from '../queries/names.ts';
import { type Part, partsOf, placeOfMark, sectionNameOf, timesOf } from '../queries/parts.ts';
import { NOWHERE, type Where, decide, everything, tellsMarksApart } from '../queries/placeFilter.ts';
import { aloneNode, defineAlone, hasAlone } from './alone.ts';
import { faceOfScope } from './scopeMeasures.ts';
import { timesOfOpening } from './opening.ts';

/** A total with the filter it is narrowed by. */
interface Narrowed {
  readonly total: TotalAst;
  readonly filter: Ast;
}

function whereOf(job: Job, scopeId: string, markId: string | undefined): Where {
  const section = sectionNameOf(job, scopeId);
  return { ...(markId === undefined ? NOWHERE : placeOfMark(job, markId)), section };
}

/** One figure that is let through or not. */
interface Gate {
  readonly figure: NodeId;
  readonly times: number;
  readonly condition: (values: Float64Array, at: Int32Array) => number;
  readonly reads: readonly NodeId[];
}

function gateOf(job: Job, filter: Ast, scopeId: string, where: Where, figure: NodeId, times: number): Gate {
  const own = scopeNames(job, scopeId);
  const compiled = compileAst(asFigure(decide(filter, where)), '', own, NUMBER);
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
function gatesByPart(job: Job, node: NodeId, { total, filter }: Narrowed, scope: ScopeFace): Gated {
  const definitions: (readonly [NodeId, Rule])[] = [];
  const { measure } = total;
  const isCount = scope.kind === 'count';
  const alone = isCount ? 'count' : measure;
  if (!isMeasure(alone) || !hasAlone(scope, alone)) return { gates: [], definitions };
  const sided = { ...scope, face: faceOfScope(job, scope.id) };
  const where = (part: Part): Where => whereOf(job, scope.id, part.type === 'mark' ? part.id : undefined);
  const gate = (part: Part, figure: NodeId): Gate =>
    gateOf(job, filter, scope.id, where(part), figure, timesOf(part));
  const drawn = partsOf(job, scope.id).map((part) => {
    definitions.push(...defineAlone(sided, part, node, [alone]));
    const own = aloneNode(node, part.id, alone);
    if (measure === alone) return gate(part, own);
    const each = partNode(node, part.id, 'each');
    definitions.push([each, eachRule(job, scope, measure, own)]);
    return gate(part, each);
  });
  const hosted = isCount ? recordsOf(job.opening, openingsOfScope(job, scope.id)) : [];
  const inWalls = hosted.flatMap((opening) => {
    if (!job.mark.has(opening.markId)) return [];
    const each = partNode(node, opening.id, 'opening');
    definitions.push([each, openingRule(job, scope, measure, opening)]);
    const at = whereOf(job, scope.id, opening.markId);
    return [gateOf(job, filter, scope.id, at, each, timesOfOpening(job, opening))];
  });
  return { gates: [...drawn, ...inWalls], definitions };
}

/** A property so often as a part counts. */
function eachRule(job: Job, scope: ScopeFace, property: string, countNode: NodeId): Rule {
  const named = findInScope(job, scope.id, property);
  if (named === undefined) return valued(0);
  return {
    kind: 'compute',
    inputs: [countNode, named.node],
    run: (values, at) => (values[at[0] as number] as number) * (values[at[1] as number] as number),
  };
}

function openingRule(job: Job, scope: ScopeFace, measure: string, opening: Opening): Rule {
  if (measure === 'count') return valued(1);
  if (measure === 'width') return valued(opening.widthM);
  if (measure === 'height') return valued(opening.heightM);
  const named = findInScope(job, scope.id, measure);
  return named === undefined ? valued(0) : { kind: 'compute', inputs: [named.node], run: sumOf };
}

/** A total that a filter narrows: over marks where it asks for their place, else over whole scopes. */
export const defineFiltered: Define = ({ job }, formula) => {
  const parsed = parseFormula(formula);
  if (!parsed.ok || parsed.value.type !== 'total')
    throw new Error(`defineFiltered: this is no total: ${formula}`);
  const total = parsed.value;
  const narrowed = { total, filter: total.filter ?? everything(total.at) };
  const node = filterNode(formula);
  const byPart = tellsMarksApart(narrowed.filter);
  const parts = candidates(job, total.scope).map((scope): Gated => {
    if (byPart) return gatesByPart(job, node, narrowed, scope);
    const whole = findTotalIn(job, scope.id, total.measure);
    if (whole === undefined) return { gates: [], definitions: [] };
    const where = whereOf(job, scope.id, undefined);
    return { gates: [gateOf(job, narrowed.filter, scope.id, where, whole.node, 1)], definitions: [] };
  });
  return [
    ...parts.flatMap(({ definitions }) => definitions),
    [node, gatedSum(parts.flatMap(({ gates }) => gates))],
  ];
};
