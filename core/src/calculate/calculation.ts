import type { RecordType } from '../job/id.ts';
import { type Diff, type Job, applyDiff, invertDiff } from '../job/job.ts';
import type { NodeId } from '../job/nodeId.ts';
import type { JobRecord } from '../job/record.ts';
import { DEFINERS, type Definer, FILTERED } from './definers.ts';
import type { Definitions, Read } from './define.ts';
import { Figures } from './figures.ts';
import { Moment } from './graph/figureSource.ts';
import { Graph } from './graph/graph.ts';
import { type Figure } from './graph/rule.ts';
import { SUM_KINDS, filterNode, isFiltered } from './graph/nodes.ts';
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
  #moment: Moment;
  #figures: Figures;
  #torn = false;
  /** What is defined, by definer and id, as a number of the tracker's. */
  readonly #started = new Map(DEFINERS.map((definer) => [definer, new Map<string, number>()]));
  /** By that number, the nodes that are defined together; what a definition drops is removed. */
  readonly #owned = new Map<number, readonly number[]>();
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
    this.graph.noteChanges();
    this.#moment = new Moment(this.graph);
    this.#figures = this.#figuresOf(job, this.#moment);
  }

  get job(): Job {
    return this.#job;
  }

  /** Takes over a changed job; returns the nodes whose figure changed. */
  apply(job: Job, diff: Diff): readonly NodeId[] {
    const changed = this.#follow(job, diff);
    this.#moment = this.#moment.goOn(this.graph.noteChanges());
    this.#figures = this.#figuresOf(job, this.#moment);
    return changed;
  }

  /**
   * The figures after a change that is not made: it is followed and taken back, and what it came to is kept as a moment
   * of its own. Nobody can see it happen.
   */
  #after(job: Job, diff: Diff): Figures {
    const now = this.#moment;
    const then = applyDiff(job, diff);
    this.#follow(then, diff);
    const moment = now.goOn(this.graph.noteChanges());
    this.#follow(job, invertDiff(diff));
    moment.goBackTo(now, this.graph.noteChanges());
    return this.#figuresOf(then, moment);
  }

  #figuresOf(job: Job, moment: Moment): Figures {
    return new Figures(job, moment, (diff) =>
      // Who looks at a moment that has passed waits a little longer.
      job === this.#job && !this.#torn
        ? this.#after(job, diff)
        : new Calculation(applyDiff(job, diff)).figures,
    );
  }

  #follow(job: Job, diff: Diff): readonly NodeId[] {
    if (this.#torn) throw new Error('follow: an earlier change was not followed to its end');
    // Set until all has followed: figures that are half of one job and half of another are nobody's.
    this.#torn = true;
    this.#job = job;
    this.#tracker.follow(job, diff);
    for (const record of diff.removed) this.#stopRecord(record);
    for (const record of diff.added)
      for (const definer of BY_RECORD.get(record.type) ?? []) this.#start(definer, record.id);
    const changed = this.#settle();
    this.#torn = false;
    return changed;
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
    const before = this.#owned.get(cell) ?? NO_NODES;
    const now: number[] = [];
    for (const [node, rule] of definitions) {
      now.push(this.graph.define(node, rule));
      if (rule.kind === 'compute')
        for (const input of rule.inputs) if (isFiltered(input)) this.#demand(input);
    }
    if (sameNumbers(before, now)) return false;
    if (now.length === 0) this.#owned.delete(cell);
    else this.#owned.set(cell, now);
    const isSummed = (node: number): boolean => SUMMED.has(this.graph.idOf(node).figure);
    if (before.length === 0) return now.some(isSummed);
    const kept = new Set(now);
    for (const node of before) if (!kept.has(node)) this.graph.removeNode(node);
    return !sameNumbers(before.filter(isSummed), now.filter(isSummed));
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

  /** The figures of this moment; they stay as they are when the job goes on. */
  get figures(): Figures {
    return this.#figures;
  }

  figure(node: NodeId): Figure {
    return this.graph.figure(node);
  }
}
