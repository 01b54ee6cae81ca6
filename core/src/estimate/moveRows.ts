import { type EstimateRow, orderOf } from './rows.ts';
import { accept } from '../problem/result.ts';
import type { Command } from '../job/change.ts';
import { put, sequence } from '../job/change.ts';
import type { Id, MakeId } from '../job/id.ts';
import { EMPTY_DIFF, type Job, inOrder } from '../job/job.ts';
import type { Line } from '../job/records/line.ts';
import type { Scope } from '../job/records/scope.ts';
import type { Section } from '../job/records/section.ts';
import { changeLines } from '../job/commands/changeLines.ts';

export type Side = 'before' | 'after';

/** Rows that stand in a section by themselves, each with a place among the others. */
const isLoose = (row: EstimateRow): boolean =>
  row.type === 'line' ||
  row.type === 'text' ||
  row.type === 'subtotal' ||
  row.type === 'quote' ||
  (row.type === 'component' && row.spread === true);

/** Rows that can be taken elsewhere. What is rounded over the job belongs to no section. */
export const isMovable = (row: EstimateRow): boolean =>
  row.type === 'section' ? row.section !== null : row.type !== 'purchase';

/** The section each row stands in, by its key. */
function sectionsOfRows(rows: readonly EstimateRow[]): ReadonlyMap<string, Id<'section'> | null> {
  const found = new Map<string, Id<'section'> | null>();
  let at: Id<'section'> | null = null;
  for (const row of rows) {
    if (row.type === 'section') at = row.section?.id ?? null;
    found.set(row.key, at);
  }
  return found;
}

/**
 * Takes rows to before or after another one: lines into its section and order, scopes among scopes,
 * sections among sections. A line of an assembly that is taken away from what was measured stands by
 * itself from then on. All rows are given, in the order in which they are shown.
 */
export function moveRows(
  rows: readonly EstimateRow[],
  moved: readonly EstimateRow[],
  to: EstimateRow,
  side: Side,
  makeId: MakeId,
): Command {
  const taken = moved.filter(isMovable);
  const [first] = taken;
  if (first === undefined || taken.includes(to)) return () => accept(EMPTY_DIFF);
  if (first.type === 'section') return (job) => moveSections(job, taken, to, side)(job);
  const sections = sectionsOfRows(rows);
  const sectionId = sections.get(to.key) ?? null;
  const scopes = taken.flatMap((row) => (row.type === 'scope' ? [row.scope] : []));
  const inScopes = new Set<string>(scopes.map(({ id }) => id));
  // A component whose scope goes too goes with it.
  const lines = taken.filter(
    (row) =>
      row.type !== 'scope' &&
      row.type !== 'section' &&
      !(row.type === 'component' && inScopes.has(row.scope.id)),
  );
  return (job) =>
    sequence(
      scopes.length === 0 ? () => accept(EMPTY_DIFF) : put(...placedScopes(job, scopes, to, sectionId, side)),
      moveLines(rows, sections, lines, to, sectionId, side, makeId),
    )(job);
}

/** Orders are halved between two rows until they are this close; then the section is numbered anew. */
const LEAST_GAP = 1e-6;

/**
 * Puts a new line right below another row of its section. Below a section's head, or what was measured,
 * there is no place among the lines: it comes after all of them. All rows are given as they are shown.
 */
export function putBelow(
  rows: readonly EstimateRow[],
  key: string | undefined,
  line: Line,
  makeId: MakeId,
): Command {
  return (job) => {
    const sections = sectionsOfRows(rows);
    const own = rows.filter((row) => isLoose(row) && (sections.get(row.key) ?? null) === line.sectionId);
    const above = own.find((row) => row.key === key);
    const orders = own.map((row) => orderOf(job, row));
    if (above === undefined) return put({ ...line, order: Math.floor(Math.max(0, ...orders)) + 1 })(job);
    const from = orderOf(job, above);
    const [next = from + 2] = orders.filter((order) => order > from).sort((a, b) => a - b);
    if (next - from > LEAST_GAP && orders.filter((order) => order === from).length === 1)
      return put({ ...line, order: (from + next) / 2 })(job);
    const row: EstimateRow = { type: 'line', key: line.id, line, depth: 0 };
    return sequence(put(line), moveRows(rows, [row], above, 'after', makeId))(job);
  };
}

/** Puts new lines below a row, in their order. */
export function putAllBelow(
  rows: readonly EstimateRow[],
  key: string | undefined,
  lines: readonly Line[],
  makeId: MakeId,
): Command {
  const [first] = lines;
  if (first === undefined) return () => accept(EMPTY_DIFF);
  return (job) => {
    const sections = sectionsOfRows(rows);
    const own = rows.filter((row) => isLoose(row) && (sections.get(row.key) ?? null) === first.sectionId);
    const above = own.find((row) => row.key === key);
    const orders = own.map((row) => orderOf(job, row));
    const from = above === undefined ? Math.floor(Math.max(0, ...orders)) : orderOf(job, above);
    const next = Math.min(...orders.filter((order) => order > from), from + lines.length + 1);
    const step = (next - from) / (lines.length + 1);
    if (step > LEAST_GAP)
      return put(...lines.map((line, i) => ({ ...line, order: from + (i + 1) * step })))(job);
    const added = lines.map((line): EstimateRow => ({ type: 'line', key: line.id, line, depth: 0 }));
    const target = above as EstimateRow;
    return sequence(put(...lines), moveRows(rows, added, target, 'after', makeId))(job);
  };
}

/** The others of a section in their order with the moved ones among them, numbered anew. */
function insert<Item>(others: readonly Item[], moved: readonly Item[], at: number): readonly Item[] {
  return [...others.slice(0, at), ...moved, ...others.slice(at)];
}

function moveLines(
  rows: readonly EstimateRow[],
  sections: ReadonlyMap<string, Id<'section'> | null>,
  lines: readonly EstimateRow[],
  to: EstimateRow,
  sectionId: Id<'section'> | null,
  side: Side,
  makeId: MakeId,
): Command {
  const keys = new Set(lines.map(({ key }) => key));
  const others = rows.filter(
    (row) => isLoose(row) && (sections.get(row.key) ?? null) === sectionId && !keys.has(row.key),
  );
  const target = others.findIndex(({ key }) => key === to.key);
  // Beside a section's head or what was measured there is no place among the lines: it is the first.
  const at = target < 0 ? 0 : target + (side === 'after' ? 1 : 0);
  const inserted = insert(others, lines, at);
  const changes = inserted.map(
    (row, index) =>
      [row.key, keys.has(row.key) ? { sectionId, order: index + 1 } : { order: index + 1 }] as const,
  );
  return lines.length === 0 ? () => accept(EMPTY_DIFF) : changeLines(changes, makeId);
}

function placedScopes(
  job: Job,
  scopes: readonly Scope[],
  to: EstimateRow,
  sectionId: Id<'section'> | null,
  side: Side,
): readonly Scope[] {
  const ids = new Set<string>(scopes.map(({ id }) => id));
  const others = inOrder(
    [...job.scope.values()].filter((each) => each.sectionId === sectionId && !ids.has(each.id)),
  );
  const targetId = to.type === 'scope' ? to.scope.id : to.type === 'component' ? to.scope.id : undefined;
  const target = others.findIndex(({ id }) => id === targetId);
  const at = target < 0 ? others.length : target + (side === 'after' ? 1 : 0);
  return insert(others, scopes, at).map((scope, index) => ({ ...scope, sectionId, order: index + 1 }));
}

function moveSections(job: Job, moved: readonly EstimateRow[], to: EstimateRow, side: Side): Command {
  const sections = moved.flatMap((row) =>
    row.type === 'section' && row.section !== null ? [row.section] : [],
  );
  // Those inside another moved one go with it.
  const ids = new Set<string>(sections.map(({ id }) => id));
  const outer = sections.filter(({ parentId }) => parentId === null || !ids.has(parentId));
  if (to.type !== 'section' || to.section === null) return () => accept(EMPTY_DIFF);
  const { parentId, id } = to.section;
  const others = inOrder(
    [...job.section.values()].filter(
      (each) => each.parentId === parentId && !outer.some((one) => one.id === each.id),
    ),
  );
  const at = others.findIndex((each) => each.id === id) + (side === 'after' ? 1 : 0);
  return put(
    ...insert<Section>(others, outer, at).map((section, index) => ({
      ...section,
      parentId,
      order: index + 1,
    })),
  );
}

/** One section deeper: into the one before it at its own depth; undefined where there is none. */
export function nestSection(job: Job, section: Section): Section | undefined {
  const around = inOrder([...job.section.values()].filter(({ parentId }) => parentId === section.parentId));
  const before = around[around.findIndex(({ id }) => id === section.id) - 1];
  return before === undefined ? undefined : { ...section, parentId: before.id };
}

/** One section less deep: beside the one it stands in. */
export function unnestSection(job: Job, section: Section): Section | undefined {
  const parent = section.parentId === null ? undefined : job.section.get(section.parentId);
  return parent === undefined
    ? undefined
    : { ...section, parentId: parent.parentId, order: parent.order + 0.5 };
}
