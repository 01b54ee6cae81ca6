import type { PlacedComponent } from '../assemblies/frames.ts';
import { type LineAt } from '../estimate/lineSources.ts';
import { listLines } from '../estimate/lines.ts';
import { countedIn } from '../estimate/places.ts';
import {
  findItem,
  marksOfScope,
  openingsOfMark,
  openingsOfScope,
  piecesOfScope,
  recordsOf,
} from '../job/belongs.ts';
import type { Failure } from '../job/failure.ts';
import type { Diff, Job } from '../job/job.ts';
import type { NodeId } from '../job/nodeId.ts';
import type { Item } from '../job/records/item.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Opening } from '../job/records/opening.ts';
import type { PieceRecord } from '../job/records/piece.ts';
import { currencyOf } from '../job/settings.ts';
import { minorDigits } from '../pricing/money.ts';
import { figureAside } from './figureAside.ts';
import type { FigureSource } from './graph/figureSource.ts';
import type { Figure } from './graph/rule.ts';
import { guardsOf } from './lines/use.ts';
import { isMeasured } from './sources/quantitySources.ts';

/** A job with all its figures, as they are at one moment. Neither of them changes. */
export class Figures {
  readonly job: Job;
  readonly #source: FigureSource;

  readonly #fork: (diff: Diff) => Figures;

  /** `fork` gives the figures as they would be after a change of this job that is not made. */
  constructor(job: Job, source: FigureSource, fork: (diff: Diff) => Figures) {
    this.job = job;
    this.#source = source;
    this.#fork = fork;
  }

  /** The figures as they would be after a change that is not made. */
  after(diff: Diff): Figures {
    return this.#fork(diff);
  }

  /** The figure of a node, or why there is none. */
  figure(node: NodeId): Figure {
    return this.#source.figure(node);
  }

  has(node: NodeId): boolean {
    return this.#source.has(node);
  }

  /** What a node is figured from. */
  inputsOf(node: NodeId): readonly NodeId[] {
    return this.#source.inputsOf(node);
  }

  /** Everything that has no figure, with the reason. */
  failures(): Iterable<readonly [node: NodeId, failure: Failure]> {
    return this.#source.failures();
  }

  /** The figure for a formula that is worked out aside: it may be the first to ask for a total with a filter. */
  figureAside(node: NodeId): Figure {
    return figureAside(this.#source, this.job, node);
  }

  /** The owners of figures that are others now than they were; undefined where it cannot be told. */
  changedSince(earlier: Figures): ReadonlySet<string> | undefined {
    return earlier.#source.changedUntil(this.#source);
  }

  /** Whole minor units as an amount of the job's money. */
  toMajor(minor: number): number {
    return minor / 10 ** minorDigits(currencyOf(this.job));
  }

  findItem(code: string): Item | undefined {
    return findItem(this.job, code);
  }

  marksOf(scopeId: string): readonly Mark[] {
    return recordsOf(this.job.mark, marksOfScope(this.job, scopeId));
  }

  openingsOf(markId: string): readonly Opening[] {
    return recordsOf(this.job.opening, openingsOfMark(this.job, markId));
  }

  /** Openings in whatever walls that are counted by a scope. */
  openingsCountedBy(scopeId: string): readonly Opening[] {
    return recordsOf(this.job.opening, openingsOfScope(this.job, scopeId));
  }

  piecesOf(scopeId: string): readonly PieceRecord[] {
    return recordsOf(this.job.piece, piecesOfScope(this.job, scopeId));
  }

  /** True when something of the scope is measured: drawn, typed, or sitting in a wall. */
  isMeasured(scopeId: string): boolean {
    return isMeasured(this.job, scopeId);
  }

  /** False where a rule of the component, or of an assembly around it, says that it does not apply. */
  isDue(placed: PlacedComponent): boolean {
    if (placed.component.when === undefined && placed.frame.within === undefined) return true;
    return guardsOf(placed).every((node) => {
      const figure = this.figure(node);
      return figure.failure !== undefined || figure.value !== 0;
    });
  }

  /** The lines that count, with their places. */
  *countedLines(): Generator<LineAt> {
    const isCounted = countedIn(this.job);
    for (const line of listLines(this.job)) if (isCounted(line)) yield line;
  }
}
