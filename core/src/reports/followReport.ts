import type { Figures } from '../calculate/figures.ts';
import type { RecordType } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import { RECORD_TYPES } from '../job/record.ts';
import type { Line } from '../job/records/line.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Override } from '../job/records/override.ts';
import { sameValue } from '../job/sameValue.ts';
import { changedKeys } from '../job/table.ts';
import { createTotals, renewGroups } from './arrange.ts';
import { cellKey } from './cell.ts';
import type { ReportContext } from './fields/field.ts';
import { conditionsOf } from './filter.ts';
import {
  type OpenReport,
  type Ready,
  UNREAD,
  arranged,
  columnOfField,
  openReport,
  readerOf,
} from './openReport.ts';

/**
 * The same report over the figures after a change. Where the change can have brought, taken or moved no row, only rows
 * whose figures or records are others are read again, and only their groups are totaled again; else it is opened anew.
 * What was read before is taken over: the report that is given is not to be read any more.
 */
export function followReport(before: OpenReport, context: ReportContext): OpenReport {
  const { figures } = context;
  if (figures === before.context.figures && context.within === before.context.within) return before;
  // Another choice of marks is another choice of rows.
  const isSame = context.within === before.context.within && context.earlier === before.context.earlier;
  const rows = isSame ? changedRows(before, figures) : undefined;
  if (rows === undefined) return openReport(before.spec, context);
  const { columns, kept, spec, source } = before;
  const placing = placingColumns(before);
  const keysOf = (cellOf: OpenReport['cellOf']): readonly string[] =>
    placing.flatMap((at) => rows.map((row) => cellKey(cellOf(row, at))));
  const keysThen = keysOf(before.cellOf);
  forget(before, rows, figures.job);
  const ready: Ready = { spec, context, columns, source, kept, problems: before.fixedProblems };
  const cellOf = readerOf(ready);
  // What decides where a row stands is another now, or hangs on everything: all is put in order again.
  const moves =
    spec.groups.some(({ sortBy }) => sortBy !== undefined) ||
    placing.some((at) => columns[at]?.spread === true) ||
    !sameValue(keysThen, keysOf(cellOf));
  if (moves) return arranged(ready);
  const isSpread = columns.some(({ spread, spec: { total } }) => spread && total !== undefined);
  const { order } = before;
  const root = renewGroups(before.root, order, isSpread ? 'all' : new Set(rows));
  return { ...before, context, cellOf, root, totalsOf: createTotals(order, columns, cellOf, kept.totals) };
}

/** Columns that rows are grouped, sorted and filtered by. */
function placingColumns({ spec, columns }: OpenReport): readonly number[] {
  const keys = [...spec.groups, ...spec.sorts].map(({ column }) => `column.${column}`);
  const fields = [...conditionsOf(spec.filter)].map(({ field }) => field);
  return [...new Set([...keys, ...fields].flatMap((field) => columnOfField(columns, field) ?? []))];
}

function forget({ columns, kept, source }: OpenReport, rows: readonly number[], job: Job): void {
  for (const row of rows) if (source.renew !== undefined) kept.rows[row] = source.renew(kept.rows[row], job);
  columns.forEach(({ spread }, at) => {
    const cells = kept.cells[at];
    if (spread) cells?.fill(UNREAD);
    else if (cells !== undefined) for (const row of rows) cells[row] = UNREAD;
  });
}

/** The rows that may say something else now; undefined where other rows may have come, gone or moved. */
function changedRows({ context, source, kept }: OpenReport, figures: Figures): readonly number[] | undefined {
  const [then, now] = [context.figures.job, figures.job];
  const owners = figures.changedSince(context.figures);
  if (owners === undefined) return undefined;
  const keys = new Set(owners);
  for (const type of RECORD_TYPES) {
    if (then[type] === now[type]) continue;
    const changed = source.steadyOn.includes(type) ? STEADY[type]?.(then, now) : undefined;
    if (changed === undefined) return undefined;
    for (const key of changed) keys.add(key);
  }
  // An answer may decide whether a component is there at all.
  for (const owner of owners) if (owner.startsWith('use:') && !owner.includes('/')) return undefined;
  const byKey = kept.byKey();
  return [...keys].flatMap((key) => byKey.get(key) ?? []);
}

type Steady = (then: Job, now: Job) => readonly string[] | undefined;

/** Keys of the rows that other records are of; undefined where rows themselves are others. */
const STEADY: { readonly [Type in RecordType]?: Steady } = {
  line: (then, now) => {
    if (then.line.size !== now.line.size) return undefined;
    const keys: string[] = [];
    for (const id of changedKeys(then.line, now.line)) {
      const [before, after] = [then.line.get(id), now.line.get(id)];
      if (before === undefined || after === undefined || !standsAlike(before, after)) return undefined;
      keys.push(id);
    }
    return keys;
  },
  override: (then, now) => {
    const keys: string[] = [];
    for (const id of changedKeys(then.override, now.override)) {
      const [before, after] = [then.override.get(id), now.override.get(id)];
      if (!isPlacedAlike(before, after)) return undefined;
      keys.push(after?.line ?? before?.line ?? '');
    }
    return keys;
  },
  mark: (then, now) => {
    if (then.mark.size !== now.mark.size) return undefined;
    const keys: string[] = [];
    for (const id of changedKeys(then.mark, now.mark)) {
      const [before, after] = [then.mark.get(id), now.mark.get(id)];
      if (before === undefined || after === undefined || !isDrawnAlike(before, after)) return undefined;
      keys.push(after.scopeId);
    }
    return keys;
  },
  piece: (then, now) => (then.piece.size === now.piece.size ? [] : undefined),
};

const standsAlike = (a: Line, b: Line): boolean =>
  a.sectionId === b.sectionId && a.order === b.order && a.is === b.is && sameValue(a.alternate, b.alternate);

const isPlacedAlike = (a: Override | undefined, b: Override | undefined): boolean =>
  a?.sectionId === b?.sectionId &&
  a?.order === b?.order &&
  a?.costCode === b?.costCode &&
  sameValue(a?.alternate, b?.alternate);

const isDrawnAlike = (a: Mark, b: Mark): boolean =>
  a.sheetId === b.sheetId && a.scopeId === b.scopeId && a.zoneId === b.zoneId;
