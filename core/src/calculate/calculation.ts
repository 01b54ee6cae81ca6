import { type PlacedComponent, framesOf } from '../assemblies/frames.ts';
import { ALL_BOUGHT } from '../assemblies/purchase.ts';
import { listPurchases } from '../assemblies/jobPurchases.ts';
import { type LineKey, NO_SECTION } from '../estimate/lineKey.ts';
import { type LineAt, linesOfScope, listLines, placeComponent } from '../estimate/lines.ts';
import { countedIn } from '../estimate/places.ts';
import { type Figure, Graph } from '../graph/graph.ts';
import { groupBy } from '../job/groupBy.ts';
import type { Id } from '../job/id.ts';
import { type Diff, type Job, settingsOf } from '../job/job.ts';
import type { Item } from '../job/records/item.ts';
import type { Line } from '../job/records/line.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Opening } from '../job/records/opening.ts';
import type { PieceRecord } from '../job/records/piece.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Use } from '../job/records/use.ts';
import { type Definitions, defineProperties } from './define.ts';
import type { Acting } from './definePrice.ts';
import { actingOn, defineLine, definePackage, definePriced } from './defineLines.ts';
import { minorDigits } from '../pricing/money.ts';
import { type Met, defineMark, defineMeasures } from './defineMeasures.ts';
import { defineBid, defineGroups, defineScopeCost, defineSection } from './defineTotals.ts';
import { groupsApart, mayBeApart } from './groupsApart.ts';
import type { Part } from './defineAlone.ts';
import { definePurchases } from './definePurchases.ts';
import { defineUse, guardsOf } from './defineUse.ts';
import { definePricedUse } from './definePricedUse.ts';
import { defineYardstick } from './defineYardstick.ts';
import { defineFiltered } from './filters.ts';
import { ruleOf } from './names.ts';
import { lineNode, measureNode, quantityNode } from './nodes.ts';
import { pricingOfPurchase } from './pricing.ts';
import { ScopeNames } from './scopeNames.ts';
import { type Affected, findAffected } from './affected.ts';
import { RecordIndex } from './recordIndex.ts';

/** The pieces of the calculation that are defined together; what a redefinition drops is removed. */
type Owner = string;

/**
 * Holds a job's figures and keeps them true through every change. A diff redefines only the nodes
 * of what it touches; the graph then figures what follows from them.
 */
export class Calculation {
  readonly graph = new Graph();
  #job: Job;
  #names: ScopeNames;
  readonly #owned = new Map<Owner, readonly string[]>();
  readonly #index = new RecordIndex();
  #filtersDefined: ReadonlySet<string> = new Set();
  /** True while tax or markups may treat some lines apart, also those that are still to come. */
  #grouped = false;

  constructor(job: Job) {
    this.#job = job;
    this.#names = new ScopeNames(job);
    this.#index.takeAll(job);
    for (const mark of job.mark.values())
      this.#own(mark.id, defineMark(job, mark, this.#index.openingsOfMark.list(mark.id)));
    for (const scope of job.scope.values()) {
      this.#defineMeasures(scope);
      this.#own(`${scope.id}/properties`, defineProperties(scope, this.#names));
    }
    this.#defineQuantities();
    for (const use of job.use.values()) this.#defineUse(use);
    for (const line of job.line.values()) this.#defineLine(line);
    for (const each of job.package.values()) this.#own(each.id, definePackage(each, job));
    this.#definePurchases();
    this.#defineYardsticks();
    this.#defineFilters();
    for (const scope of job.scope.values()) this.#defineScopeCost(scope.id);
    this.#defineSections([...job.section.keys(), NO_SECTION]);
    this.#defineBid();
    this.graph.recalculate();
  }

  get job(): Job {
    return this.#job;
  }

  /** Whole minor units as an amount of the job's money. */
  toMajor(minor: number): number {
    return minor / 10 ** minorDigits(settingsOf(this.#job).currency);
  }

  figure(node: string): Figure {
    return this.graph.figure(node);
  }

  findItem(code: string): Item | undefined {
    return this.#index.items.get(code);
  }

  marksOf(scopeId: string): readonly Mark[] {
    return this.#index.marksOfScope.list(scopeId);
  }

  openingsOf(markId: string): readonly Opening[] {
    return this.#index.openingsOfMark.list(markId);
  }

  /** Marks of the scopes that a scope's runs meet, by sheet. */
  metBy({ meets = [] }: Scope): Met {
    return groupBy(
      meets.flatMap((id) => this.#index.marksOfScope.list(id)),
      ({ sheetId }): string => sheetId,
    );
  }

  /** Openings in whatever walls that are counted by a scope. */
  openingsCountedBy(scopeId: string): readonly Opening[] {
    return this.#index.openingsOfScope.list(scopeId);
  }

  piecesOf(scopeId: string): readonly PieceRecord[] {
    return this.#index.piecesOfScope.list(scopeId);
  }

  /** What is measured in a scope, one by one: its marks and typed pieces. */
  partsOf(scopeId: string): readonly Part[] {
    return [...this.marksOf(scopeId), ...this.piecesOf(scopeId)];
  }

  /** True when something of the scope is measured: drawn, typed, or sitting in a wall. */
  isMeasured(scopeId: string): boolean {
    return [this.#index.marksOfScope, this.#index.openingsOfScope, this.#index.piecesOfScope].some((of) =>
      of.has(scopeId),
    );
  }

  /** False where a rule of the component, or of an assembly around it, says that it does not apply. */
  isDue(placed: PlacedComponent): boolean {
    if (placed.component.when === undefined && placed.frame.within === undefined) return true;
    return guardsOf(placed).every((node) => {
      const figure = this.graph.figure(node);
      return figure.failure !== undefined || figure.value !== 0;
    });
  }

  get names(): ScopeNames {
    return this.#names;
  }

  /** Takes over a changed job; returns the nodes whose figure changed. */
  apply(job: Job, diff: Diff): readonly string[] {
    const before = this.#job;
    this.#job = job;
    this.#index.follow(diff);
    const affected = findAffected(before, job, diff);
    if (affected.names) this.#names = new ScopeNames(job);
    else this.#names.follow(job);
    this.#redefineMeasured(affected);
    this.#redefineBends(diff, affected);
    if (affected.names) this.#defineQuantities();
    const reshaped = this.#redefinePriced(affected);
    if (affected.uses.size > 0 || affected.bid) this.#definePurchases();
    this.#redefineTotals(affected, reshaped);
    if (affected.names || affected.yardsticks) this.#defineYardsticks();
    if (affected.names || affected.marks.size > 0 || affected.scopes.size > 0 || affected.places)
      this.#defineFilters();
    else this.#defineNewFilters();
    return this.graph.recalculate();
  }

  #redefineMeasured(affected: Affected): void {
    const job = this.#job;
    for (const id of affected.marks) {
      const mark = job.mark.get(id as Id<'mark'>);
      this.#own(id, mark === undefined ? [] : defineMark(job, mark, this.#index.openingsOfMark.list(id)));
    }
    for (const id of affected.scopes) {
      const scope = job.scope.get(id as Id<'scope'>);
      if (scope === undefined) this.#own(`${id}/measures`, []);
      else this.#defineMeasures(scope);
    }
    if (!affected.names) return;
    for (const owner of [...this.#owned.keys()].filter((each) => each.endsWith('/properties'))) {
      if (!job.scope.has(owner.slice(0, owner.indexOf('/')) as Id<'scope'>)) this.#own(owner, []);
    }
    for (const scope of job.scope.values())
      this.#own(`${scope.id}/properties`, defineProperties(scope, this.#names));
  }

  /** Bends are where no fixture is: a count that came, moved or went changes them, where anything reads them. */
  #redefineBends(diff: Diff, { scopes }: Affected): void {
    const counts = [...diff.added, ...diff.removed, ...diff.updated.map(([, to]) => to)].some(
      (record) => record.type === 'mark' && record.kind === 'count',
    );
    if (!counts) return;
    for (const scope of this.#job.scope.values())
      if (scope.kind === 'run' && !scopes.has(scope.id) && this.graph.isRead(measureNode(scope.id, 'bends')))
        this.#defineMeasures(scope);
  }

  /** Gives the sections in which lines have other nodes than before. */
  #redefinePriced(affected: Affected): ReadonlySet<string> {
    const job = this.#job;
    for (const id of affected.uses) {
      const use = job.use.get(id as Id<'use'>);
      if (use === undefined) this.#own(id, []);
      else this.#defineUse(use);
    }
    const reshaped = new Set<string>();
    for (const id of affected.lines) {
      const line = job.line.get(id as Id<'line'>);
      if (line === undefined) this.#own(id, []);
      else if (this.#defineLine(line)) reshaped.add(line.sectionId ?? NO_SECTION);
    }
    for (const id of affected.packages) {
      const each = job.package.get(id as Id<'package'>);
      this.#own(id, each === undefined ? [] : definePackage(each, job));
    }
    return reshaped;
  }

  #redefineTotals(affected: Affected, reshaped: ReadonlySet<string>): void {
    for (const id of affected.scopeCosts) this.#defineScopeCost(id);
    this.#defineSections(new Set([...affected.sections, ...reshaped]));
    // Groups apart are of lines: which there are may follow from any of them.
    if (affected.bid || (this.#grouped && (affected.regrouped || reshaped.size > 0))) this.#defineBid();
  }

  /** True when other nodes stand there now than before: sums over them are to be defined anew. */
  #own(owner: Owner, definitions: Definitions): boolean {
    const before = this.#owned.get(owner) ?? [];
    const now = definitions.map(([node]) => node);
    const same = before.length === now.length && before.every((node, i) => node === now[i]);
    if (before.length > 0 && !same) {
      const kept = new Set(now);
      for (const node of before) if (!kept.has(node)) this.graph.remove(node);
    }
    for (const [node, rule] of definitions) this.graph.define(node, rule);
    if (now.length === 0) this.#owned.delete(owner);
    else if (!same) this.#owned.set(owner, now);
    return !same;
  }

  #defineMeasures(scope: Scope): void {
    const marks = this.#index.marksOfScope.list(scope.id);
    const measured = {
      marks,
      opened: new Set(marks.filter(({ id }) => this.#index.openingsOfMark.has(id)).map(({ id }) => id)),
      counted: this.#index.openingsOfScope.list(scope.id),
      pieces: this.#index.piecesOfScope.list(scope.id),
      met: this.metBy(scope),
    };
    this.#own(`${scope.id}/measures`, defineMeasures(this.#job, scope, measured, this.#names));
  }

  #defineUse(use: Use): void {
    const parts = {
      list: this.partsOf(use.scopeId),
      isOpened: ({ id }: Part) => this.#index.openingsOfMark.has(id),
    };
    this.#own(use.id, [
      ...defineUse(framesOf(this.#job, use), this.#names, parts),
      ...definePricedUse(this, use),
    ]);
  }

  /** What acts on the price of a component's line. */
  actingOn(placed: PlacedComponent, difficulty = this.difficultyOf(placed.frame.use)): Acting {
    return actingOn(this.#job, placeComponent(this.#job, placed), difficulty);
  }

  /** What the hours of a use are taken times: the difficulties of its scope and its own, multiplied. */
  difficultyOf({ scopeId, difficulty = [] }: Use): number {
    const ofScope = this.#job.scope.get(scopeId)?.difficulty ?? [];
    return [...new Set([...ofScope, ...difficulty])].reduce(
      (product, id) => product * (this.#job.difficulty.get(id)?.factor ?? 1),
      1,
    );
  }

  #defineQuantities(): void {
    const names = this.#names.jobNames();
    const definitions = [...this.#job.quantity.values()].map((quantity) => {
      const node = quantityNode(quantity.id);
      return [node, ruleOf(node, this.#names.quantity(quantity), names)] as const;
    });
    this.#own('quantities', definitions);
  }

  /** What is rounded up once for the whole job, and what that costs. */
  #definePurchases(): void {
    const purchases = listPurchases(this.#job);
    const definitions = purchases.flatMap((purchase) => [
      ...definePurchases(purchase),
      ...definePriced(
        purchase.key,
        pricingOfPurchase(purchase),
        actingOn(this.#job, { key: purchase.key, sectionId: null }),
        this.#names.jobNames(),
        (code) => this.#index.items.get(code),
        this.#job,
        { worked: lineNode(purchase.key, 'quantity'), bought: ALL_BOUGHT },
      ),
    ]);
    this.#own('purchases', definitions);
  }

  /** Totals with a filter come last: which there are is known once every formula was read. */
  #defineFilters(): void {
    const done = new Set<string>();
    // A filter may read a property that reads another filter.
    for (let found = true; found;) {
      found = false;
      for (const [node, total] of [...this.#names.filters]) {
        if (done.has(node)) continue;
        done.add(node);
        found = true;
        this.#own(node, defineFiltered(node, total, this));
      }
    }
    this.#dropUnreadFilters();
  }

  /** Filters that nothing reads any more go: also those that were only ever typed, and not kept. */
  #dropUnreadFilters(): void {
    const known = new Set([...this.#names.filters.keys(), ...this.#filtersDefined]);
    for (let dropped = true; dropped;) {
      dropped = false;
      for (const node of known) {
        if (!this.graph.has(node) || this.graph.readersOf(node).length > 0) continue;
        this.#own(node, []);
        this.#names.forgetFilter(node);
        dropped = true;
      }
    }
    this.#filtersDefined = new Set([...known].filter((node) => this.graph.has(node)));
  }

  /** Any formula may ask for a total with a filter that none asked for before. */
  #defineNewFilters(): void {
    const known = [...this.#names.filters.keys()].every((node) => this.graph.has(node));
    if (!known) this.#defineFilters();
    else if (this.#filtersDefined.size > 0) this.#dropUnreadFilters();
  }

  /**
   * The figure a formula reads that is worked out aside, while it is still being typed: it may be the
   * first to ask for a total with a filter.
   */
  figureAside(node: string): Figure {
    const total = this.graph.has(node) ? undefined : this.#names.filters.get(node);
    if (total !== undefined) {
      this.#own(node, defineFiltered(node, total, this));
      this.#filtersDefined = new Set([...this.#filtersDefined, node]);
      this.graph.recalculate();
    }
    return this.graph.figure(node);
  }

  #defineYardsticks(): void {
    const names = this.#names.jobNames();
    this.#own(
      'yardsticks',
      [...this.#job.yardstick.values()].map((each) => defineYardstick(each, names)),
    );
  }

  #defineLine(line: Line): boolean {
    const find = (code: string): Item | undefined => this.#index.items.get(code);
    return this.#own(line.id, defineLine(line, this.#names.jobNames(), find, this.#job));
  }

  #defineScopeCost(scopeId: string): void {
    const exists = this.#job.scope.has(scopeId as Id<'scope'>);
    this.#own(`${scopeId}/cost`, exists ? defineScopeCost(scopeId, linesOfScope(this.#job, scopeId)) : []);
  }

  /** The lines that count at this moment, with their places. */
  *countedLines(): Generator<LineAt> {
    const isCounted = countedIn(this.#job);
    for (const line of listLines(this.#job)) if (isCounted(line)) yield line;
  }

  /** Defines the given sections; lines are gathered in one pass for all of them. */
  #defineSections(ids: Iterable<string>): void {
    const wanted = new Map<string, LineKey[]>([...ids].map((id) => [id, []]));
    if (wanted.size === 0) return;
    const job = this.#job;
    for (const { key, sectionId } of this.countedLines()) wanted.get(sectionId ?? NO_SECTION)?.push(key);
    for (const [id, lines] of wanted) {
      const exists = id === NO_SECTION || job.section.has(id as Id<'section'>);
      const inner = [...job.section.values()]
        .filter(({ parentId }) => parentId === id)
        .map((each) => each.id);
      this.#own(id, exists ? defineSection(id, lines, inner, (node) => this.graph.has(node)) : []);
    }
  }

  /** The bid, over the groups of lines that tax and markups tell apart. */
  #defineBid(): void {
    const groups = groupsApart(this.#job, () => this.countedLines());
    this.#grouped = mayBeApart(this.#job);
    this.#own('bid', [
      ...defineGroups(groups, (node) => this.graph.has(node)),
      ...defineBid(
        this.#job,
        groups.map(({ group }) => group),
      ),
    ]);
  }
}
