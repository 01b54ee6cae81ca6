import { type PlacedComponent, componentsOf, framesOf } from '../assemblies/frames.ts';
import { listPurchases } from '../assemblies/jobPurchases.ts';
import { AS_IT_COMES } from '../assemblies/purchase.ts';
import { type LineKey, NO_SECTION } from '../estimate/lineKey.ts';
import { type Figure, Graph, type Rule } from '../graph/graph.ts';
import { groupBy } from '../job/groupBy.ts';
import type { Id } from '../job/id.ts';
import { type Diff, type Job, settingsOf } from '../job/job.ts';
import type { Item } from '../job/records/item.ts';
import type { Line } from '../job/records/line.ts';
import type { JobRecord } from '../job/record.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Opening } from '../job/records/opening.ts';
import type { PieceRecord } from '../job/records/piece.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Use } from '../job/records/use.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import {
  type Definitions,
  type Pricing,
  definePrice,
  defineProperties,
  defineQuantity,
  findPrice,
} from './define.ts';
import { type Met, defineMark, defineMeasures } from './defineMeasures.ts';
import { defineBid, defineScopeCost, defineSection } from './defineTotals.ts';
import type { Part } from './defineAlone.ts';
import { definePurchases } from './definePurchases.ts';
import { defineUse, guardsOf } from './defineUse.ts';
import { defineFiltered } from './filters.ts';
import { compileValue, ruleOf } from './names.ts';
import { netNode, quantityNode } from './nodes.ts';
import { ScopeNames } from './scopeNames.ts';
import { type Affected, findAffected } from './affected.ts';
import { Groups } from './groups.ts';

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
  readonly #marksOfScope = new Groups<Mark>();
  readonly #openingsOfMark = new Groups<Opening>();
  /** Openings by the count they are one of. */
  readonly #openingsOfScope = new Groups<Opening>();
  readonly #piecesOfScope = new Groups<PieceRecord>();
  readonly #items = new Map<string, Item>();

  constructor(job: Job) {
    this.#job = job;
    this.#names = new ScopeNames(job);
    for (const table of [job.item, job.mark, job.opening, job.piece])
      for (const record of table.values()) this.#take(record);
    for (const mark of job.mark.values())
      this.#own(mark.id, defineMark(job, mark, this.#openingsOfMark.list(mark.id)));
    for (const scope of job.scope.values()) {
      this.#defineMeasures(scope);
      this.#own(`${scope.id}/properties`, defineProperties(scope, this.#names));
    }
    this.#defineQuantities();
    for (const use of job.use.values()) this.#defineUse(use);
    for (const line of job.line.values()) this.#defineLine(line);
    this.#definePurchases();
    this.#defineFilters();
    for (const scope of job.scope.values()) this.#defineScopeCost(scope.id);
    this.#defineSections([...job.section.keys(), NO_SECTION]);
    this.#own('bid', defineBid(job));
    this.graph.recalculate();
  }

  get job(): Job {
    return this.#job;
  }

  figure(node: string): Figure {
    return this.graph.figure(node);
  }

  findItem(code: string): Item | undefined {
    return this.#items.get(code);
  }

  marksOf(scopeId: string): readonly Mark[] {
    return this.#marksOfScope.list(scopeId);
  }

  openingsOf(markId: string): readonly Opening[] {
    return this.#openingsOfMark.list(markId);
  }

  /** Marks of the scopes that a scope's runs meet, by sheet. */
  metBy({ meets = [] }: Scope): Met {
    return groupBy(
      meets.flatMap((id) => this.#marksOfScope.list(id)),
      ({ sheetId }): string => sheetId,
    );
  }

  /** Openings in whatever walls that are counted by a scope. */
  openingsCountedBy(scopeId: string): readonly Opening[] {
    return this.#openingsOfScope.list(scopeId);
  }

  piecesOf(scopeId: string): readonly PieceRecord[] {
    return this.#piecesOfScope.list(scopeId);
  }

  /** What is measured in a scope, one by one: its marks and typed pieces. */
  partsOf(scopeId: string): readonly Part[] {
    return [...this.marksOf(scopeId), ...this.piecesOf(scopeId)];
  }

  /** True when something of the scope is measured: drawn, typed, or sitting in a wall. */
  isMeasured(scopeId: string): boolean {
    return [this.#marksOfScope, this.#openingsOfScope, this.#piecesOfScope].some((of) => of.has(scopeId));
  }

  /** False where a rule of the component, or of an assembly around it, says that it does not apply. */
  isDue(placed: PlacedComponent): boolean {
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
    this.#reindex(diff);
    const affected = findAffected(before, job, diff);
    if (affected.names) this.#names = new ScopeNames(job);
    else this.#names.follow(job);
    this.#redefineMeasured(affected);
    if (affected.names) this.#defineQuantities();
    this.#redefinePriced(affected);
    if (affected.uses.size > 0 || affected.bid) this.#definePurchases();
    this.#redefineTotals(affected);
    if (affected.names || affected.marks.size > 0 || affected.scopes.size > 0 || affected.places)
      this.#defineFilters();
    return this.graph.recalculate();
  }

  #redefineMeasured(affected: Affected): void {
    const job = this.#job;
    for (const id of affected.marks) {
      const mark = job.mark.get(id as Id<'mark'>);
      this.#own(id, mark === undefined ? [] : defineMark(job, mark, this.#openingsOfMark.list(id)));
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

  #redefinePriced(affected: Affected): void {
    const job = this.#job;
    for (const id of affected.uses) {
      const use = job.use.get(id as Id<'use'>);
      if (use === undefined) this.#own(id, []);
      else this.#defineUse(use);
    }
    for (const id of affected.lines) {
      const line = job.line.get(id as Id<'line'>);
      if (line === undefined) this.#own(id, []);
      else this.#defineLine(line);
    }
  }

  #redefineTotals(affected: Affected): void {
    for (const id of affected.scopeCosts) this.#defineScopeCost(id);
    this.#defineSections(affected.sections);
    if (affected.bid) this.#own('bid', defineBid(this.#job));
  }

  /** Files a record under what it belongs to. */
  #take(record: JobRecord): void {
    if (record.type === 'mark') this.#marksOfScope.put(record.scopeId, record);
    if (record.type === 'piece') this.#piecesOfScope.put(record.scopeId, record);
    if (record.type === 'item') this.#items.set(record.code, record);
    if (record.type !== 'opening') return;
    this.#openingsOfMark.put(record.markId, record);
    if (record.scopeId !== null) this.#openingsOfScope.put(record.scopeId, record);
  }

  #drop(record: JobRecord): void {
    if (record.type === 'mark') this.#marksOfScope.remove(record.scopeId, record.id);
    if (record.type === 'piece') this.#piecesOfScope.remove(record.scopeId, record.id);
    if (record.type === 'item') this.#items.delete(record.code);
    if (record.type !== 'opening') return;
    this.#openingsOfMark.remove(record.markId, record.id);
    if (record.scopeId !== null) this.#openingsOfScope.remove(record.scopeId, record.id);
  }

  #reindex(diff: Diff): void {
    // All that goes, goes first: two items may have swapped their codes.
    for (const record of diff.removed) this.#drop(record);
    for (const [from, to] of diff.updated)
      if (from.type !== 'mark' || to.type !== 'mark' || from.scopeId !== to.scopeId) this.#drop(from);
    for (const [, to] of diff.updated) this.#take(to);
    for (const record of diff.added) this.#take(record);
  }

  #own(owner: Owner, definitions: Definitions): void {
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
  }

  #defineMeasures(scope: Scope): void {
    const marks = this.#marksOfScope.list(scope.id);
    const measured = {
      marks,
      opened: new Set(marks.filter(({ id }) => this.#openingsOfMark.has(id)).map(({ id }) => id)),
      counted: this.#openingsOfScope.list(scope.id),
      pieces: this.#piecesOfScope.list(scope.id),
      met: this.metBy(scope),
    };
    this.#own(`${scope.id}/measures`, defineMeasures(this.#job, scope, measured, this.#names));
  }

  #defineUse(use: Use): void {
    const lines = componentsOf(this.#job, use);
    const difficulty = this.difficultyOf(use);
    const prices = lines.flatMap(({ key, component }) =>
      this.#price(key, { ...component, typedCost: null }, difficulty),
    );
    const parts = {
      list: this.partsOf(use.scopeId),
      isOpened: ({ id }: Part) => this.#openingsOfMark.has(id),
    };
    this.#own(use.id, [...defineUse(framesOf(this.#job, use), lines, this.#names, parts), ...prices]);
  }

  /** What the hours of a use are taken times: the difficulties of its scope and its own, multiplied. */
  difficultyOf({ scopeId, difficulty = [] }: Use): number {
    const ofScope = this.#job.scope.get(scopeId)?.difficulty ?? [];
    return [...new Set([...ofScope, ...difficulty])].reduce(
      (product, id) => product * (this.#job.difficulty.get(id)?.factor ?? 1),
      1,
    );
  }

  #price(line: LineKey, pricing: Pricing, difficulty = 1): Definitions {
    const price = findPrice(pricing, (code) => this.#items.get(code), this.#job);
    return definePrice(line, price, settingsOf(this.#job).currency, difficulty);
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
      ...this.#price(purchase.key, {
        unit: purchase.unit,
        itemCode: purchase.code,
        typedCost: null,
        onlyCosts: true,
      }),
    ]);
    this.#own('purchases', definitions);
  }

  /** Totals with a filter come last: which there are is known once every formula was read. */
  #defineFilters(): void {
    const definitions: (readonly [string, Rule])[] = [];
    const done = new Set<string>();
    // A filter may read a property that reads another filter.
    for (let found = true; found;) {
      found = false;
      for (const [node, total] of this.#names.filters) {
        if (done.has(node)) continue;
        done.add(node);
        found = true;
        definitions.push(...defineFiltered(node, total, this));
      }
    }
    this.#own('filters', definitions);
  }

  #defineLine(line: Line): void {
    const names = this.#names.jobNames();
    const node = netNode(line.id, 'typed');
    const value = compileValue(line.quantity, line.unit, names, unitOrLabel(line.unit).dimension);
    this.#own(line.id, [
      [node, ruleOf(node, value, names)],
      ...defineQuantity(line.id, node, line.unit, AS_IT_COMES),
      ...this.#price(line.id, line),
    ]);
  }

  #linesOfScope(scopeId: string): readonly LineKey[] {
    return [...this.#job.use.values()]
      .filter((use) => use.scopeId === scopeId)
      .flatMap((use) => componentsOf(this.#job, use).map(({ key }) => key));
  }

  #defineScopeCost(scopeId: string): void {
    const exists = this.#job.scope.has(scopeId as Id<'scope'>);
    this.#own(`${scopeId}/cost`, exists ? defineScopeCost(scopeId, this.#linesOfScope(scopeId)) : []);
  }

  /** Defines the given sections; lines and scopes are gathered in one pass for all of them. */
  #defineSections(ids: Iterable<string>): void {
    const wanted = new Map<string, LineKey[]>([...ids].map((id) => [id, []]));
    if (wanted.size === 0) return;
    const job = this.#job;
    for (const use of job.use.values()) {
      const lines = wanted.get(job.scope.get(use.scopeId)?.sectionId ?? NO_SECTION);
      if (lines !== undefined) for (const { key } of componentsOf(job, use)) lines.push(key);
    }
    wanted.get(NO_SECTION)?.push(...listPurchases(job).map(({ key }) => key));
    for (const line of job.line.values()) wanted.get(line.sectionId ?? NO_SECTION)?.push(line.id);
    for (const [id, lines] of wanted) {
      const exists = id === NO_SECTION || job.section.has(id as Id<'section'>);
      const inner = [...job.section.values()]
        .filter(({ parentId }) => parentId === id)
        .map((each) => each.id);
      this.#own(id, exists ? defineSection(id, lines, inner, (node) => this.graph.has(node)) : []);
    }
  }
}
