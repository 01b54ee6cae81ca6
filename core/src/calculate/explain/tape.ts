import { type NodeId, printNode } from '../../job/nodeId.ts';
import { formOfMark } from '../queries/marks.ts';
import { nodeOfMark } from '../sources/nodeOfMark.ts';
import type { PlacedComponent } from '../../assemblies/frames.ts';
import { compileFormula } from '../../formula/compile.ts';
import { type Trace, traceFormula } from '../../formula/trace.ts';
import type { Figure } from '../graph/rule.ts';
import type { Id } from '../../job/id.ts';
import type { Mark } from '../../job/records/mark.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import { type Piece, piecesOf } from '../../takeoff/measureMark.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';
import { type MarkMeasure, isMeasure } from '../../job/measures.ts';
import type { Display } from '../../units/format.ts';
import type { Figures } from '../figures.ts';
import { componentNames } from '../lines/use.ts';
import type { Names } from '../queries/names.ts';
import { knownValue } from '../define.ts';

/** One piece of the tape: a mark's part of a figure, with the straight pieces it was drawn in. */
export interface TapeEntry {
  readonly mark: Mark;
  readonly figure: Figure;
  readonly pieces: readonly Piece[];
}

/** The list of pieces that make up a measure of a scope, by sheet order. */
export function tapeOf(figures: Figures, scopeId: string, measure: MarkMeasure): readonly TapeEntry[] {
  const { job } = figures;
  const orderOf = (mark: Mark): number => job.sheet.get(mark.sheetId)?.order ?? 0;
  return [...figures.marksOf(scopeId)]
    .sort((a, b) => orderOf(a) - orderOf(b))
    .map((mark) => {
      const scale = scaleOfMark(job, mark);
      const one = measure === 'count' && mark.kind !== 'count';
      const node = nodeOfMark(mark.id, formOfMark(job, mark.id), measure);
      const whole = node === undefined ? { value: 0 } : figures.figure(node);
      const figure = one ? { value: 1 } : whole;
      const pieces = scale === undefined || mark.kind === 'count' ? [] : piecesOf(mark, scale);
      return { mark, figure, pieces };
    });
}

/** A component's formula as written and with the figures of this use; undefined while it is faulty. */
export function traceComponent(
  figures: Figures,
  { frame, component }: Pick<PlacedComponent, 'frame' | 'component'>,
  display: Display,
): Trace | undefined {
  const names = componentNames(figures.job, frame);
  return traceText(figures, component.formula, names, component.unit, display);
}

/** A formula as written and with the figures its names have now; undefined for a bare figure, and while it is faulty. */
export function traceText(
  figures: Figures,
  text: string,
  names: Names,
  unit: string,
  display: Display,
): Trace | undefined {
  const compiled = compileFormula(text, names, unitOrLabel(unit).dimension);
  if (!compiled.ok || compiled.value.references.length === 0) return undefined;
  return traceFormula(
    compiled.value,
    (reference) => {
      const named = names.find(reference);
      const value = named === undefined ? undefined : knownValue(figures.figure(named.node));
      return named === undefined || value === undefined ? undefined : { value, dimension: named.dimension };
    },
    display,
  );
}

/** A measure of a scope that a figure rests on. */
export interface MeasureBehind {
  readonly scopeId: Id<'scope'>;
  readonly measure: MarkMeasure;
  readonly node: NodeId;
}

/** The scope measure a figure rests on first, found by walking the graph back to the sheet. */
export const findMeasureBehind = (figures: Figures, node: NodeId): MeasureBehind | undefined =>
  measuresBehind(figures, node).next().value ?? undefined;

/** Every scope measure a figure rests on, the nearest first; what a measure itself rests on is not gone into. */
export function* measuresBehind(figures: Figures, node: NodeId): Generator<MeasureBehind, undefined> {
  const { job } = figures;
  const pending = [node];
  const seen = new Set(pending.map(printNode));
  for (let at = pending.shift(); at !== undefined; at = pending.shift()) {
    const { owner, figure, of } = at;
    const scope = job.scope.get(owner as Id<'scope'>);
    if (scope !== undefined && of === undefined && isMeasure(figure)) {
      yield { scopeId: scope.id, measure: figure as MarkMeasure, node: at };
      continue;
    }
    for (const input of figures.inputsOf(at)) {
      if (seen.has(printNode(input))) continue;
      seen.add(printNode(input));
      pending.push(input);
    }
  }
  return undefined;
}
