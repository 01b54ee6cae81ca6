import type { PlacedComponent } from '../assemblies/frames.ts';
import { type LineAt, listLines } from '../estimate/lines.ts';
import { countedIn } from '../estimate/places.ts';
import {
  findItem,
  marksOfScope,
  openingsOfMark,
  openingsOfScope,
  piecesOfScope,
  recordsOf,
} from '../job/belongs.ts';
import type { RecordType } from '../job/id.ts';
import type { Diff, Job } from '../job/job.ts';
import type { NodeId } from '../job/nodeId.ts';
import type { JobRecord } from '../job/record.ts';
import type { Item } from '../job/records/item.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Opening } from '../job/records/opening.ts';
import type { PieceRecord } from '../job/records/piece.ts';
import { currencyOf } from '../job/settings.ts';
import { minorDigits } from '../pricing/money.ts';
import { DEFINERS, type Definer, FILTERED } from './definers.ts';
import type { Definitions, Read } from './define.ts';
import { figureAside } from './figureAside.ts';
import { Graph } from './graph/graph.ts';
import { type Figure } from './graph/rule.ts';
import { SUM_KINDS, filterNode, isFiltered } from './graph/nodes.ts';
import { guardsOf } from './lines/use.ts';
import { Tracker } from './tracked/tracker.ts';

const BY_RECORD = new Map<RecordType, readonly Definer[]>();
for (const definer of DEFINERS)
  if (typeof definer.each === 'string' && definer.each !== 'read')
    BY_RECORD.set(definer.each, [...(BY_RECORD.get(definer.each) ?? []), definer]);
const BY_NAME = new Map(DEFINERS.map((definer) => [definer.name, definer]));

const NO_NODES: readonly number[] = [];
const SUMMED: ReadonlySet<string> = new Set(SUM_KINDS);
const sameNumbers = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((each, at) => each === b[at]);

/**
 * Holds a job's figures and keeps them true through every change. Everything that has figures is
 * defined by what it reads of the job, and defined again when something of that is another; the graph
 * then figures what follows.
 */
export class Calculation {
  readonly graph = new Graph();
  readonly #tracker: Tracker;
  readonly #read: Read;
  #job: Job;
  /** What is defined, by definer and id, as a number of the tracker's. */
  readonly #started = new Map(DEFINERS.map((definer) => [definer, new Map<string, number>()]));
  /** By that number, the nodes that are defined together; what a definition drops is removed. */
  readonly #owned: (readonly number[] | undefined)[] = [];
  /** Formulas of totals with a filter that are defined. */
  readonly #filtered = new Set<string>();

  constructor(job: Job) {
    this.#job = job;
    this.#tracker = new Tracker(job);
    this.#read = {
      job: this.#tracker.job,
      later: (work) => this.#tracker.later(work),
      nodesOf: (by, id, nodes) => {
        const definer = BY_NAME.get(by);
        if (definer === undefined) throw new Error(`nodesOf: nothing is defined as ${by}`);
        this.#tracker.readShape(this.#start(definer, id));
        return nodes.filter((node) => this.graph.has(node));
      },
    };
    for (const definer of DEFINERS) this.#startAll(definer);
    this.#settle();
  }

  get job(): Job {
    return this.#job;
  }

  /** Takes over a changed job; returns the nodes whose figure changed. */
  apply(job: Job, diff: Diff): readonly NodeId[] {
    this.#job = job;
    this.#tracker.follow(job, diff);
    for (const record of diff.removed) this.#stopRecord(record);
    for (const record of diff.added)
      for (const definer of BY_RECORD.get(record.type) ?? []) this.#start(definer, record.id);
    return this.#settle();
  }

  #startAll(definer: Definer): void {
    const { each } = definer;
    if (each === 'read') return;
    if (typeof each === 'string') for (const id of this.#job[each].keys()) this.#start(definer, id);
    else this.#startList(definer, each);
  }

  /** Has the things of a list defined, and those that leave it dropped. */
  #startList(definer: Definer, list: (job: Job) => readonly string[]): void {
    let before: ReadonlySet<string> = new Set();
    const run = (): boolean => {
      const now = new Set(list(this.#read.job));
      for (const id of before) if (!now.has(id)) this.#stop(definer, id);
      for (const id of now) this.#start(definer, id);
      before = now;
      return false;
    };
    this.#tracker.start({ run });
  }

  #startedBy(definer: Definer): Map<string, number> {
    const started = this.#started.get(definer);
    if (started === undefined) throw new Error(`startedBy: ${definer.name} is no definer`);
    return started;
  }

  #start(definer: Definer, id: string): number {
    const started = this.#startedBy(definer);
    const known = started.get(id);
    if (known !== undefined) return known;
    const cell = this.#tracker.start({ run: () => this.#own(cell, definer.define(this.#read, id)) });
    started.set(id, cell);
    return cell;
  }

  #stop(definer: Definer, id: string): void {
    const started = this.#startedBy(definer);
    const cell = started.get(id);
    if (cell === undefined) return;
    started.delete(id);
    this.#tracker.stop(cell);
    this.#own(cell, []);
  }

  #stopRecord({ type, id }: JobRecord): void {
    for (const definer of BY_RECORD.get(type) ?? []) this.#stop(definer, id);
  }

  #settle(): readonly NodeId[] {
    this.#tracker.settle();
    this.#dropUnread();
    return this.graph.recalculate();
  }

  /** True when lines have other kinds of cost now than before: sums over them are to be defined anew. */
  #own(cell: number, definitions: Definitions): boolean {
    const before = this.#owned[cell] ?? NO_NODES;
    const now: number[] = [];
    for (const [node, rule] of definitions) {
      now.push(this.graph.define(node, rule));
      if (rule.kind === 'compute')
        for (const input of rule.inputs) if (isFiltered(input)) this.#demand(input);
    }
    if (sameNumbers(before, now)) return false;
    const isSummed = (node: number): boolean => SUMMED.has(this.graph.idOf(node).figure);
    const differs = !sameNumbers(before.filter(isSummed), now.filter(isSummed));
    const kept = new Set(now);
    for (const node of before) if (!kept.has(node)) this.graph.removeNode(node);
    this.#owned[cell] = now.length === 0 ? undefined : now;
    return differs;
  }

  /** A total with a filter is defined as soon as a formula reads it. */
  #demand({ owner }: NodeId): void {
    if (this.#filtered.has(owner)) return;
    this.#filtered.add(owner);
    this.#start(FILTERED, owner);
  }

  /** Totals with a filter that nothing reads any more go; one may have read another. */
  #dropUnread(): void {
    for (let dropped = true; dropped;) {
      dropped = false;
      for (const formula of this.#filtered) {
        if (this.graph.readersOf(filterNode(formula)).length > 0) continue;
        this.#filtered.delete(formula);
        this.#stop(FILTERED, formula);
        dropped = true;
      }
      this.#tracker.settle();
    }
  }

  /** Whole minor units as an amount of the job's money. */
  toMajor(minor: number): number {
    return minor / 10 ** minorDigits(currencyOf(this.#job));
  }

  figure(node: NodeId): Figure {
    return this.graph.figure(node);
  }

  /** The same for a formula that is worked out aside: it may be the first to ask for a total with a filter. */
  figureAside(node: NodeId): Figure {
    return figureAside(this.graph, this.#read.job, node);
  }

  findItem(code: string): Item | undefined {
    return findItem(this.#job, code);
  }

  marksOf(scopeId: string): readonly Mark[] {
    return recordsOf(this.#job.mark, marksOfScope(this.#job, scopeId));
  }

  openingsOf(markId: string): readonly Opening[] {
    return recordsOf(this.#job.opening, openingsOfMark(this.#job, markId));
  }

  /** Openings in whatever walls that are counted by a scope. */
  openingsCountedBy(scopeId: string): readonly Opening[] {
    return recordsOf(this.#job.opening, openingsOfScope(this.#job, scopeId));
  }

  piecesOf(scopeId: string): readonly PieceRecord[] {
    return recordsOf(this.#job.piece, piecesOfScope(this.#job, scopeId));
  }

  /** What is measured in a scope, one by one: its marks and typed pieces. */
  partsOf(scopeId: string): readonly (Mark | PieceRecord)[] {
    return [...this.marksOf(scopeId), ...this.piecesOf(scopeId)];
  }

  /** True when something of the scope is measured: drawn, typed, or sitting in a wall. */
  isMeasured(scopeId: string): boolean {
    return [marksOfScope, openingsOfScope, piecesOfScope].some((of) => of(this.#job, scopeId).length > 0);
  }

  /** False where a rule of the component, or of an assembly around it, says that it does not apply. */
  isDue(placed: PlacedComponent): boolean {
    if (placed.component.when === undefined && placed.frame.within === undefined) return true;
    return guardsOf(placed).every((node) => {
      const figure = this.graph.figure(node);
      return figure.failure !== undefined || figure.value !== 0;
    });
  }

  /** The lines that count at this moment, with their places. */
  *countedLines(): Generator<LineAt> {
    const isCounted = countedIn(this.#job);
    for (const line of listLines(this.#job)) if (isCounted(line)) yield line;
  }
}
