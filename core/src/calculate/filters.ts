import type { Ast, TotalAst } from '../formula/ast.ts';
import { compileAst } from '../formula/compile.ts';
import { referenceKey } from '../formula/references.ts';
import { type Rule, sumOf } from '../graph/graph.ts';
import type { Job } from '../job/job.ts';
import type { Opening } from '../job/records/opening.ts';
import type { Scope } from '../job/records/scope.ts';
import { isMeasure } from '../takeoff/measures.ts';
import { NUMBER } from '../units/dimension.ts';
import type { Definitions } from './define.ts';
import { type Part, aloneNode, defineAlone, hasAlone, timesOf } from './defineAlone.ts';
import { asFigure } from './names.ts';
import { NOWHERE, type Where, decide, tellsMarksApart } from './placeFilter.ts';
import type { ScopeNames } from './scopeNames.ts';

/** What is measured, as a filter asks for it: a calculation, whose names and records they are. */
export interface Measured {
  readonly names: ScopeNames;
  readonly partsOf: (scopeId: string) => readonly Part[];
  readonly openingsOf: (markId: string) => readonly Opening[];
  readonly openingsCountedBy: (scopeId: string) => readonly Opening[];
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
function gatesByMark(node: string, total: TotalAst, scope: Scope, measured: Measured): Gated {
  const { names } = measured;
  const { job } = names;
  const { measure } = total;
  const definitions: (readonly [string, Rule])[] = [];
  const isCount = scope.kind === 'count';
  const alone = isCount ? 'count' : measure;
  if (!isMeasure(alone) || !hasAlone(scope, alone)) return { gates: [], definitions };
  const drawn = measured.partsOf(scope.id).map((part) => {
    const opened = measured.openingsOf(part.id).length > 0;
    definitions.push(...defineAlone(job, scope, part, node, [alone], opened));
    const own = aloneNode(node, part.id, alone);
    if (measure === alone) return gateOf(total, scope, part, own, names);
    const each = `${node}/${part.id}/each`;
    definitions.push([each, eachRule(scope, measure, own, names)]);
    return gateOf(total, scope, part, each, names);
  });
  const hosted = isCount ? measured.openingsCountedBy(scope.id) : [];
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
export function defineFiltered(node: string, total: TotalAst, measured: Measured): Definitions {
  const { names } = measured;
  const byMark = tellsMarksApart(total.filter as Ast);
  const parts = names.candidates(total.scope).map((scope): Gated => {
    if (byMark) return gatesByMark(node, total, scope, measured);
    const whole = names.findTotalIn(scope, total.measure);
    const gates = whole === undefined ? [] : [gateOf(total, scope, undefined, whole.node, names)];
    return { gates, definitions: [] };
  });
  return [
    ...parts.flatMap(({ definitions }) => definitions),
    [node, gatedSum(parts.flatMap(({ gates }) => gates))],
  ];
}
