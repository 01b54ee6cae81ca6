import { framesOf } from '../assemblies/frames.ts';
import { lookupKeysOf } from '../assemblies/lookupKeys.ts';
import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { measureNode } from '../calculate/graph/nodes.ts';
import { reportLine, workedOf } from '../reports/estimateReport.ts';
import type { MakeId, Id } from '../job/id.ts';
import { type Job, inOrder, orderAfter, settingsOf } from '../job/job.ts';
import { keyFor } from '../job/keyFor.ts';
import { KEYED_TYPES } from '../job/integrity.ts';
import type { JobRecord } from '../job/record.ts';
import type { Assembly } from '../job/records/assembly.ts';
import type { Line } from '../job/records/line.ts';
import type { Craft } from '../job/records/craft.ts';
import type { Crew } from '../job/records/crew.ts';
import type { Item } from '../job/records/item.ts';
import type { Scope } from '../job/records/scope.ts';
import { MARK_KIND, leadingMeasure, measuresOf } from '../job/markKinds.ts';
import { MEASURE_DIMENSION } from '../job/measures.ts';
import { findDefaultUnit } from '../units/format.ts';
import { roundTo } from '../units/numberFormat.ts';
import type { EstimateRow } from '../estimate/rows.ts';

/** What is taken along: rows of typed lines, or of what was measured with all its assemblies. */
export type CopiedRow = Extract<EstimateRow, { type: 'line' | 'scope' }>;

/**
 * Copies rows of another job into this one, with the assemblies and prices they stand on. Their
 * quantities arrive unconfirmed: a line's as a figure, a scope's as a typed piece, until someone binds
 * or confirms them. What the job has by the same name or code stays as it is here.
 */
export function copyRows(
  from: Figures,
  rows: readonly CopiedRow[],
  to: Job,
  sectionId: Id<'section'> | null,
  makeId: MakeId,
): readonly JobRecord[] {
  const copier = new Copier(from, to, sectionId, makeId);
  for (const row of rows)
    if (row.type === 'line') copier.line(row);
    else copier.scope(row.scope);
  return copier.records;
}

class Copier {
  readonly records: JobRecord[] = [];
  readonly #from: Figures;
  readonly #to: Job;
  readonly #sectionId: Id<'section'> | null;
  readonly #makeId: MakeId;
  readonly #source: string;
  readonly #keys: Set<string>;
  readonly #crafts = new Map<string, Id<'craft'>>();
  readonly #crews = new Map<string, Id<'crew'>>();
  readonly #assemblies = new Map<string, Id<'assembly'>>();
  readonly #codes: Set<string>;
  readonly #tables: Set<string>;
  #lineOrder: number;
  #scopeOrder: number;
  #assemblyOrder: number;

  constructor(from: Figures, to: Job, sectionId: Id<'section'> | null, makeId: MakeId) {
    this.#from = from;
    this.#to = to;
    this.#sectionId = sectionId;
    this.#makeId = makeId;
    this.#source = settingsOf(from.job).name;
    this.#keys = new Set(KEYED_TYPES.flatMap((type) => [...to[type].values()].map(({ key }) => key)));
    this.#codes = new Set([...to.item.values()].map(({ code }) => code));
    this.#tables = new Set([...to.table.values()].map(({ key }) => key));
    this.#lineOrder = orderAfter(to.line.values());
    this.#scopeOrder = orderAfter(to.scope.values());
    this.#assemblyOrder = orderAfter(to.assembly.values());
  }

  line(row: Extract<CopiedRow, { type: 'line' }>): void {
    const { line } = row;
    // Before its waste, which comes along and is added here again.
    const quantity = workedOf(this.#from, row);
    const { alternate: _alternate, pinned: _pinned, sizing, crewId, craftId, ...kept } = line;
    this.item(reportLine(this.#from, row).code);
    if (sizing !== undefined)
      for (const item of this.#from.job.item.values())
        if (item.family === sizing.family) this.item(item.code);
    this.records.push({
      ...kept,
      id: this.#makeId('line'),
      sectionId: this.#sectionId,
      order: this.#lineOrder,
      // A figure, not the formula: names of the other job mean nothing here, or something else.
      quantity: quantity === undefined ? '0' : String(quantity),
      ...(sizing === undefined ? {} : { sizing }),
      ...this.worker({ crewId, craftId }),
      unconfirmed: true,
      source: this.#source,
    });
    this.#lineOrder += 1;
  }

  scope(scope: Scope): void {
    const { job } = this.#from;
    const key = keyFor(scope.name, this.#keys);
    this.#keys.add(key);
    const { alternate: _a, meets: _m, dueOn: _d, difficulty: _f, ...kept } = scope;
    const copy: Scope = {
      ...kept,
      id: this.#makeId('scope'),
      key,
      sectionId: this.#sectionId,
      order: this.#scopeOrder,
    };
    this.#scopeOrder += 1;
    this.records.push(copy);
    this.piece(scope, copy);
    for (const use of inOrder([...job.use.values()].filter(({ scopeId }) => scopeId === scope.id))) {
      for (const { assembly } of framesOf(job, use)) this.assembly(assembly);
      const { difficulty: _g, ...given } = use;
      const assemblyId = this.#assemblies.get(use.assemblyId);
      if (assemblyId === undefined) continue;
      const id = this.#makeId('use');
      this.records.push({ ...given, id, scopeId: copy.id, assemblyId });
      this.overrides(use.id, id);
    }
  }

  /** Prices and codes that were changed on its lines; quantities and places are of the other job. */
  overrides(from: Id<'use'>, to: Id<'use'>): void {
    for (const override of this.#from.job.override.values()) {
      if (!override.line.startsWith(`${from}/`)) continue;
      const { pinned: _p, alternate: _a, sectionId: _s, order: _o, craftId, crewId, ...kept } = override;
      this.item(kept.itemCode ?? '');
      const line = override.line.replace(from, to);
      this.records.push({ ...kept, ...this.worker({ craftId, crewId }), id: this.#makeId('override'), line });
    }
  }

  /** What was measured there, as one typed piece. */
  piece(scope: Scope, copy: Scope): void {
    const measure = leadingMeasure(scope.kind);
    const value = knownValue(this.#from.figure(measureNode(scope.id, measure)));
    if (value === undefined || value === 0) return;
    const unit = findDefaultUnit(MEASURE_DIMENSION[measure], settingsOf(this.#to).unitSystem);
    const shown = unit === undefined ? value : value / unit.factor;
    const also = this.otherFigures(scope);
    this.records.push({
      type: 'piece',
      id: this.#makeId('piece'),
      scopeId: copy.id,
      text: String(roundTo(shown, 4)),
      unit: unit?.symbol ?? '',
      note: this.#source.slice(0, 200),
      source: 'typed',
      order: 1,
      unconfirmed: true,
      ...(Object.keys(also).length === 0 ? {} : { also }),
    });
  }

  /** Edges, corners and openings are not in the one figure, and assemblies ask for them. */
  otherFigures(scope: Scope): Readonly<Record<string, number>> {
    const leading = leadingMeasure(scope.kind);
    const derived = new Set<string>(MARK_KIND[scope.kind].derived.map(([measure]) => measure));
    const figures: Record<string, number> = {};
    for (const measure of measuresOf(scope.kind)) {
      if (measure === leading || measure === 'plan_length' || derived.has(measure)) continue;
      const value = knownValue(this.#from.figure(measureNode(scope.id, measure)));
      if (value !== undefined && value !== 0) figures[measure] = value;
    }
    return figures;
  }

  /** Inner ones first; one that is here by the same name and content is used as it is. */
  assembly(assembly: Assembly): void {
    if (this.#assemblies.has(assembly.id)) return;
    const { job } = this.#from;
    for (const { assemblyId } of assembly.inner ?? []) {
      const inner = job.assembly.get(assemblyId);
      if (inner !== undefined) this.assembly(inner);
    }
    for (const { itemCode, sizing } of assembly.components) {
      this.item(itemCode);
      if (sizing !== undefined)
        for (const item of job.item.values()) if (item.family === sizing.family) this.item(item.code);
    }
    for (const key of lookupKeysOf(assembly)) this.table(key);
    const copy: Assembly = {
      ...assembly,
      id: this.#makeId('assembly'),
      order: this.#assemblyOrder,
      components: assembly.components.map((component) => this.component(component)),
      ...(assembly.inner === undefined
        ? {}
        : {
            inner: assembly.inner.map((each) => ({
              ...each,
              assemblyId: this.#assemblies.get(each.assemblyId) ?? each.assemblyId,
            })),
          }),
    };
    const same = [...this.#to.assembly.values()].find((each) => sameAssembly(each, copy));
    this.#assemblies.set(assembly.id, same?.id ?? copy.id);
    if (same !== undefined) return;
    this.#assemblyOrder += 1;
    this.records.push(copy);
  }

  component(component: Assembly['components'][number]): Assembly['components'][number] {
    const { labor } = component;
    if (labor === undefined) return component;
    const craftId = labor.craftId === null ? null : this.craft(labor.craftId);
    const crewId = labor.crewId === undefined ? {} : { crewId: this.crew(labor.crewId) };
    return { ...component, labor: { ...labor, craftId, ...crewId } };
  }

  item(code: string): void {
    const item = code === '' ? undefined : this.#from.findItem(code);
    if (item === undefined || this.#codes.has(code)) return;
    this.#codes.add(code);
    const craftId = item.craftId === null ? null : this.craft(item.craftId);
    const { crewId, ...kept } = item;
    const copy: Item = {
      ...kept,
      id: this.#makeId('item'),
      craftId,
      ...(crewId === undefined ? {} : { crewId: this.crew(crewId) }),
    };
    this.records.push(copy);
  }

  table(key: string): void {
    if (this.#tables.has(key)) return;
    this.#tables.add(key);
    const table = [...this.#from.job.table.values()].find((each) => each.key === key);
    if (table !== undefined) this.records.push({ ...table, id: this.#makeId('table') });
  }

  /** Who the line itself names, as they are known here. */
  worker({ craftId, crewId }: Pick<Line, 'craftId' | 'crewId'>): Pick<Line, 'craftId' | 'crewId'> {
    return {
      ...(crewId === undefined ? {} : { crewId: this.crew(crewId) }),
      ...(craftId === undefined ? {} : { craftId: this.craft(craftId) }),
    };
  }

  /** A craft of the same name works here; its wage is this job's. */
  craft(id: Id<'craft'>): Id<'craft'> {
    const known = this.#crafts.get(id);
    if (known !== undefined) return known;
    const craft = this.#from.job.craft.get(id);
    const here = [...this.#to.craft.values()].find(({ name }) => name === craft?.name);
    const copy: Craft | undefined =
      craft === undefined || here !== undefined ? undefined : { ...craft, id: this.#makeId('craft') };
    if (copy !== undefined) this.records.push(copy);
    const found = here?.id ?? copy?.id ?? id;
    this.#crafts.set(id, found);
    return found;
  }

  crew(id: Id<'crew'>): Id<'crew'> {
    const known = this.#crews.get(id);
    if (known !== undefined) return known;
    const crew = this.#from.job.crew.get(id);
    const here = [...this.#to.crew.values()].find(({ name }) => name === crew?.name);
    const copy: Crew | undefined =
      crew === undefined || here !== undefined
        ? undefined
        : {
            ...crew,
            id: this.#makeId('crew'),
            members: crew.members.map((each) => ({ ...each, craftId: this.craft(each.craftId) })),
          };
    if (copy !== undefined) this.records.push(copy);
    const found = here?.id ?? copy?.id ?? id;
    this.#crews.set(id, found);
    return found;
  }
}

const content = ({ id: _id, order: _order, origin: _origin, components, ...rest }: Assembly): string =>
  JSON.stringify([
    Object.entries(rest).sort(([a], [b]) => (a < b ? -1 : 1)),
    components.map(({ labor, ...component }) => [component, labor?.figure ?? '', labor?.by ?? '']),
  ]);

const sameAssembly = (a: Assembly, b: Assembly): boolean => a.name === b.name && content(a) === content(b);
