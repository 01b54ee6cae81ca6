import { componentsOf, usesAssembly } from '../assemblies/frames.ts';
import { NO_SECTION } from '../estimate/lineKey.ts';
import type { Id } from '../job/id.ts';
import type { Diff, Job } from '../job/job.ts';
import type { JobRecord, RecordOf } from '../job/record.ts';

/** What a diff asks to be defined anew. Ids may be of records that are gone. */
export interface Affected {
  readonly marks: ReadonlySet<string>;
  /** Scopes whose measures changed shape. */
  readonly scopes: ReadonlySet<string>;
  readonly scopeCosts: ReadonlySet<string>;
  readonly uses: ReadonlySet<string>;
  readonly lines: ReadonlySet<string>;
  readonly sections: ReadonlySet<string>;
  /** True when a name or a dimension in formulas may have changed: all formulas are compiled again. */
  readonly names: boolean;
  readonly bid: boolean;
  readonly packages: ReadonlySet<string>;
  readonly yardsticks: boolean;
  /** True where lines came, went or stand elsewhere, so that tax and markups may group them otherwise. */
  readonly regrouped: boolean;
  /** True when marks may stand elsewhere for a filter: on another level, in another zone or section. */
  readonly places: boolean;
}

/** What of a scope other formulas can see. */
const namesOf = ({ key, kind, properties }: RecordOf<'scope'>): string =>
  JSON.stringify([key, kind, properties]);

/** What of a scope changes its own marks' figures. */
const rulesOf = ({ face, deduct, meets }: RecordOf<'scope'>): string => JSON.stringify([face, deduct, meets]);

class Collector {
  readonly marks = new Set<string>();
  readonly scopes = new Set<string>();
  readonly scopeCosts = new Set<string>();
  readonly uses = new Set<string>();
  readonly lines = new Set<string>();
  readonly sections = new Set<string>();
  readonly packages = new Set<string>();
  yardsticks = false;
  names = false;
  places = false;
  bid = false;
  readonly #jobs: readonly Job[];
  readonly #codes = new Set<string>();
  readonly #crafts = new Set<string>();
  readonly #crews = new Set<string>();
  readonly #families = new Set<string>();

  get regrouped(): boolean {
    return this.sections.size > 0 || this.uses.size > 0 || this.packages.size > 0;
  }

  constructor(before: Job, after: Job) {
    this.#jobs = [before, after];
  }

  add(record: JobRecord, other: JobRecord | undefined): void {
    switch (record.type) {
      case 'file':
      case 'schedule':
      case 'acceptance':
        return;
      case 'quantity':
      case 'table':
        this.everyFormula();
        return;
      case 'difficulty':
        this.difficulty(record.id);
        return;
      case 'settings':
        this.bid = true;
        this.settings(record, other as RecordOf<'settings'> | undefined);
        return;
      case 'sheet':
        this.sheet(record, other as RecordOf<'sheet'> | undefined);
        return;
      case 'mark':
        this.mark(record);
        return;
      case 'opening':
        this.opening(record);
        return;
      case 'piece':
        this.scopes.add(record.scopeId);
        return;
      case 'level':
        this.places = true;
        if (record.repeat !== (other as RecordOf<'level'> | undefined)?.repeat) this.level(record.id);
        return;
      case 'zone':
        this.places = true;
        if (record.repeat !== (other as RecordOf<'zone'> | undefined)?.repeat) this.zone(record.id);
        return;
      case 'scope':
        this.scope(record, other as RecordOf<'scope'> | undefined);
        return;
      case 'assembly':
        for (const job of this.#jobs)
          for (const use of job.use.values()) if (usesAssembly(job, use, record.id)) this.use(use);
        return;
      case 'use':
        this.use(record);
        return;
      case 'item':
        this.#codes.add(record.code);
        if (record.family !== undefined) this.#families.add(record.family);
        return;
      case 'craft':
        this.#crafts.add(record.id);
        for (const job of this.#jobs)
          for (const crew of job.crew.values())
            if (crew.members.some(({ craftId }) => craftId === record.id)) this.#crews.add(crew.id);
        return;
      case 'crew':
        this.#crews.add(record.id);
        return;
      case 'region':
      case 'adjustment':
        // It may act on any line, and lines are figured anew in a moment.
        this.everyPrice();
        return;
      case 'alternate':
        this.bid = true;
        this.everySection();
        return;
      case 'package':
        this.package(record);
        return;
      case 'quote':
        for (const job of this.#jobs) {
          const of = job.package.get(record.packageId);
          if (of !== undefined) this.package(of);
        }
        return;
      case 'override':
        this.keyed(record.line);
        this.bid = true;
        return;
      case 'yardstick':
        this.yardsticks = true;
        return;
      case 'line':
        this.line(record);
        this.placeOfLine(record, other as RecordOf<'line'> | undefined);
        return;
      case 'section':
        this.places = true;
        this.sections.add(record.id);
        this.sections.add(record.parentId ?? NO_SECTION);
        this.bid = true;
        this.section(record, other as RecordOf<'section'> | undefined);
        return;
      case 'markup':
        this.bid = true;
        return;
    }
  }

  /** Openings count as often as the mark they sit in, so their counts go with it. */
  mark(mark: RecordOf<'mark'>): void {
    this.marks.add(mark.id);
    this.scopes.add(mark.scopeId);
    for (const job of this.#jobs)
      for (const { markId, scopeId } of job.opening.values())
        if (markId === mark.id && scopeId !== null) this.scopes.add(scopeId);
  }

  opening({ markId, scopeId }: RecordOf<'opening'>): void {
    this.marks.add(markId);
    if (scopeId !== null) this.scopes.add(scopeId);
    for (const job of this.#jobs) {
      const host = job.mark.get(markId);
      if (host !== undefined) this.scopes.add(host.scopeId);
    }
  }

  /** A level's sheets, and what is drawn on them. */
  level(levelId: string): void {
    for (const job of this.#jobs) {
      const onLevel = [...job.sheet.values()].filter((each) => each.levelId === levelId);
      const sheets = new Set<string>(onLevel.map(({ id }) => id));
      for (const mark of job.mark.values()) if (sheets.has(mark.sheetId)) this.mark(mark);
    }
  }

  zone(zoneId: string): void {
    for (const job of this.#jobs)
      for (const mark of job.mark.values()) if (mark.zoneId === zoneId) this.mark(mark);
  }

  sheet(sheet: RecordOf<'sheet'>, other: RecordOf<'sheet'> | undefined): void {
    const counts = ({ scale, levelId, scaleAreas }: RecordOf<'sheet'>): string =>
      JSON.stringify([scale, levelId, scaleAreas]);
    this.places = true;
    if (other !== undefined && counts(sheet) === counts(other)) return;
    for (const job of this.#jobs)
      for (const mark of job.mark.values()) if (mark.sheetId === sheet.id) this.mark(mark);
  }

  scope(scope: RecordOf<'scope'>, other: RecordOf<'scope'> | undefined): void {
    this.sections.add(scope.sectionId ?? NO_SECTION);
    this.places = true;
    if (other?.difficulty !== scope.difficulty || other?.sectionId !== scope.sectionId) this.usesOf(scope.id);
    if (JSON.stringify(other?.alternate) !== JSON.stringify(scope.alternate)) this.usesOf(scope.id);
    if (other !== undefined && rulesOf(scope) !== rulesOf(other)) {
      this.scopes.add(scope.id);
      for (const job of this.#jobs)
        for (const mark of job.mark.values()) if (mark.scopeId === scope.id) this.marks.add(mark.id);
    }
    if (other !== undefined && namesOf(scope) === namesOf(other)) return;
    this.scopeCosts.add(scope.id);
    this.scopes.add(scope.id);
    this.everyFormula();
  }

  usesOf(scopeId: string): void {
    for (const job of this.#jobs)
      for (const use of job.use.values()) if (use.scopeId === scopeId) this.use(use);
  }

  /** Scopes and uses that are done in a place so hard to work in. */
  difficulty(id: Id<'difficulty'>): void {
    for (const job of this.#jobs)
      for (const use of job.use.values()) {
        const ofScope = job.scope.get(use.scopeId)?.difficulty ?? [];
        if (ofScope.includes(id) || use.difficulty?.includes(id) === true) this.use(use);
      }
  }

  settings(settings: RecordOf<'settings'>, other: RecordOf<'settings'> | undefined): void {
    if (settings.currency !== other?.currency) {
      this.everyFormula();
      for (const job of this.#jobs) for (const id of job.package.keys()) this.packages.add(id);
    }
    if (settings.regionId !== other?.regionId) this.everyPrice();
    if (settings.linesBy === other?.linesBy) return;
    this.everyPrice();
    for (const job of this.#jobs) for (const id of job.scope.keys()) this.scopeCosts.add(id);
  }

  /** A section that stands elsewhere, or has another code, takes other adjustments, rates and lines. */
  section(section: RecordOf<'section'>, other: RecordOf<'section'> | undefined): void {
    if (other?.parentId === section.parentId && other.code === section.code) return;
    const [before, after] = this.#jobs;
    const moves = [before, after].some(
      (job) =>
        job !== undefined &&
        ([...job.settings.values()].some(({ linesBy }) => linesBy === 'code') || job.adjustment.size > 0),
    );
    if (moves) this.everyPrice();
  }

  package(each: RecordOf<'package'>): void {
    this.packages.add(each.id);
    this.sections.add(each.sectionId ?? NO_SECTION);
    this.bid = true;
    for (const key of each.lines) this.keyed(key);
    // Lines that its quote stands for leave their sections, and come back.
    if (each.by === 'sum' && each.lines.length > 0) this.everySection();
  }

  /** The line of a key: typed, or of a use. */
  keyed(key: string): void {
    const owner = key.split('/')[0] ?? '';
    for (const job of this.#jobs) {
      const use = job.use.get(owner as Id<'use'>);
      const line = job.line.get(owner as Id<'line'>);
      if (use !== undefined) this.use(use);
      if (line !== undefined) this.line(line);
    }
    // A line that was moved leaves its section, and comes into another.
    for (const job of this.#jobs)
      for (const override of job.override.values())
        if (override.line === key) this.sections.add(override.sectionId ?? NO_SECTION);
  }

  everySection(): void {
    this.sections.add(NO_SECTION);
    for (const job of this.#jobs) {
      for (const id of job.section.keys()) this.sections.add(id);
      for (const id of job.scope.keys()) this.scopeCosts.add(id);
    }
  }

  /** Every line is priced anew; what its formulas mean stays. */
  everyPrice(): void {
    this.bid = true;
    this.everySection();
    for (const job of this.#jobs) {
      for (const use of job.use.values()) this.use(use);
      for (const line of job.line.values()) this.line(line);
      for (const id of job.package.keys()) this.packages.add(id);
    }
  }

  everyFormula(): void {
    this.names = true;
    for (const job of this.#jobs) {
      for (const use of job.use.values()) this.use(use);
      for (const line of job.line.values()) this.line(line);
      // A typed piece may read a table, a named figure or a total like any other formula.
      for (const { scopeId } of job.piece.values()) this.scopes.add(scopeId);
    }
  }

  use(use: RecordOf<'use'>): void {
    this.uses.add(use.id);
    // What is rounded over the job stands in no section.
    this.sections.add(NO_SECTION);
    this.scopeCosts.add(use.scopeId);
    for (const job of this.#jobs) {
      const scope = job.scope.get(use.scopeId as Id<'scope'>);
      if (scope !== undefined) this.sections.add(scope.sectionId ?? NO_SECTION);
    }
    if (this.#mayBeSpread) this.everySection();
  }

  /** Lines of assemblies may stand in any section. */
  get #mayBeSpread(): boolean {
    return this.#jobs.some(
      (job) => job.override.size > 0 || [...job.settings.values()].some(({ linesBy }) => linesBy === 'code'),
    );
  }

  line(line: RecordOf<'line'>): void {
    this.lines.add(line.id);
  }

  /** Sums over lines change when one comes, goes, or counts elsewhere; not when only its figures do. */
  placeOfLine(line: RecordOf<'line'>, other: RecordOf<'line'> | undefined): void {
    const place = ({ sectionId, alternate, is, taxPercent }: RecordOf<'line'>): string =>
      JSON.stringify([sectionId, alternate, is, taxPercent]);
    if (other !== undefined && place(line) === place(other)) return;
    this.sections.add(line.sectionId ?? NO_SECTION);
    // A tax of its own may make a group of lines that was not there.
    if (line.taxPercent !== undefined) this.bid = true;
  }

  /** Scopes whose runs meet those of another: its marks make their junctions. */
  meetings(): void {
    const touched = new Set(this.scopes);
    for (const job of this.#jobs)
      for (const { id, meets } of job.scope.values())
        if (meets?.some((each) => touched.has(each)) === true) this.scopes.add(id);
  }

  /** Uses with components that are figured for each mark follow the marks of their scopes. */
  byMark(): void {
    if (this.scopes.size === 0) return;
    for (const job of this.#jobs)
      for (const use of job.use.values()) {
        if (!this.scopes.has(use.scopeId)) continue;
        const { components = [] } = job.assembly.get(use.assemblyId) ?? {};
        if (components.some(({ per }) => per === 'mark')) this.use(use);
      }
  }

  /** What is done by a craft or a crew that changed, or by a crew it works in. */
  workers(): void {
    if (this.#crafts.size === 0 && this.#crews.size === 0) return;
    const works = ({
      craftId = null,
      crewId,
    }: {
      craftId?: string | null | undefined;
      crewId?: string | undefined;
    }) => (crewId === undefined ? this.#crafts.has(craftId ?? '') : this.#crews.has(crewId));
    for (const job of this.#jobs) {
      for (const item of job.item.values()) {
        if (!works(item)) continue;
        this.#codes.add(item.code);
        if (item.family !== undefined) this.#families.add(item.family);
      }
      for (const line of job.line.values())
        if ((line.crewId !== undefined || line.craftId !== undefined) && works(line)) this.line(line);
      for (const override of job.override.values())
        if ((override.crewId !== undefined || override.craftId !== undefined) && works(override))
          this.keyed(override.line);
      for (const use of job.use.values())
        if (
          componentsOf(job, use).some(
            ({ component }) => component.labor !== undefined && works(component.labor),
          )
        )
          this.use(use);
    }
  }

  /** What hangs on several records at once, looked for once: meeting scopes, and what an item prices. */
  finish(): void {
    this.meetings();
    this.byMark();
    this.workers();
    if (this.#codes.size === 0 && this.#families.size === 0) return;
    const priced = (code: string, family: string | undefined): boolean =>
      this.#codes.has(code) || (family !== undefined && this.#families.has(family));
    for (const job of this.#jobs) {
      for (const line of job.line.values()) if (priced(line.itemCode, line.sizing?.family)) this.line(line);
      for (const override of job.override.values())
        if (this.#codes.has(override.itemCode ?? '')) this.keyed(override.line);
      for (const use of job.use.values())
        if (
          componentsOf(job, use).some(({ component }) => priced(component.itemCode, component.sizing?.family))
        )
          this.use(use);
    }
  }
}

/** Finds what must be defined anew after a change; both sides of every record count. */
export function findAffected(before: Job, after: Job, diff: Diff): Affected {
  const found = new Collector(before, after);
  for (const record of diff.removed) found.add(record, undefined);
  for (const record of diff.added) found.add(record, undefined);
  for (const [from, to] of diff.updated) {
    found.add(from, to);
    found.add(to, from);
  }
  found.finish();
  return found;
}
