import { type LineKey, NO_SECTION, componentLine } from '../estimate/lineKey.ts';
import { type Figure, Graph } from '../graph/graph.ts';
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
import { contextOf, defineUse } from './defineUse.ts';
import { ScopeNames, compileValue, ruleOf } from './names.ts';
import { netNode } from './nodes.ts';
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
    for (const use of job.use.values()) this.#defineUse(use);
    for (const line of job.line.values()) this.#defineLine(line);
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

  /** True when something of the scope is measured: drawn, typed, or sitting in a wall. */
  isMeasured(scopeId: string): boolean {
    return [this.#marksOfScope, this.#openingsOfScope, this.#piecesOfScope].some((of) => of.has(scopeId));
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
    this.#redefineMeasured(affected);
    this.#redefinePriced(affected);
    this.#redefineTotals(affected);
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
    const context = contextOf(this.#job, use);
    const prices = context.assembly.components.flatMap((component) =>
      this.#price(componentLine(use.id, component.key), { ...component, typedCost: null }),
    );
    this.#own(use.id, [...defineUse(context, this.#names), ...prices]);
  }

  #price(line: LineKey, pricing: Pricing): Definitions {
    const price = findPrice(pricing, (code) => this.#items.get(code), this.#job);
    return definePrice(line, price, settingsOf(this.#job).currency);
  }

  #defineLine(line: Line): void {
    const names = this.#names.jobNames();
    const node = netNode(line.id, 'typed');
    const value = compileValue(line.quantity, line.unit, names, unitOrLabel(line.unit).dimension);
    this.#own(line.id, [
      [node, ruleOf(node, value, names)],
      ...defineQuantity(line.id, node, { unit: line.unit, wastePercent: 0, roundUpTo: 0 }),
      ...this.#price(line.id, line),
    ]);
  }

  #linesOfScope(scopeId: string): readonly LineKey[] {
    return [...this.#job.use.values()]
      .filter((use) => use.scopeId === scopeId)
      .flatMap((use) =>
        contextOf(this.#job, use).assembly.components.map(({ key }) => componentLine(use.id, key)),
      );
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
      const { scope, assembly } = contextOf(job, use);
      const lines = wanted.get(scope.sectionId ?? NO_SECTION);
      if (lines !== undefined)
        for (const { key } of assembly.components) lines.push(componentLine(use.id, key));
    }
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
