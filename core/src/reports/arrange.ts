import type { ReportSpec } from '../job/records/report.ts';
import { type Cell, cellKey, compareCells } from './cell.ts';
import { type Column, totalKindOf } from './columns.ts';
import type { ReportProblem } from './problem.ts';
import { NO_SUMS, type Sums, addSums, sumCells, totalOf } from './total.ts';

/** Rows that are alike in one column, or all of them. What they come to is figured when somebody asks. */
export interface Group {
  /** 0 for the whole, 1 for the groups in it. */
  readonly depth: number;
  /** What they are alike in; undefined for the whole. */
  readonly column: number | undefined;
  readonly label: Cell;
  /** Tells it from the others around it, also tomorrow. */
  readonly key: string;
  /** Its rows, as places in the order. */
  readonly from: number;
  readonly to: number;
  readonly groups: readonly Group[];
}

/** What a group comes to, by column. */
export interface Totals {
  readonly sums: readonly Sums[];
  /** Undefined where none is asked for, or there is nothing to total. */
  readonly totals: readonly Cell[];
}

export type ReadCell = (row: number, column: number) => Cell;
export type TotalsOf = (group: Group) => Totals;

interface Sort {
  readonly column: number;
  readonly sign: 1 | -1;
}

/** One level of grouping. */
interface Level extends Sort {
  /** The column whose totals put the groups in order. */
  readonly by: number | undefined;
}

export interface Arranged {
  readonly order: readonly number[];
  readonly root: Group;
}

/** What rows are put in order by. */
export interface Arranging {
  readonly spec: Pick<ReportSpec, 'groups' | 'sorts' | 'columns'>;
  readonly columns: readonly Column[];
  readonly read: ReadCell;
  readonly tell: (problem: ReportProblem) => void;
}

/** Puts rows in order and in groups. */
export function arrange(rows: readonly number[], arranging: Arranging): Arranged {
  const { spec, columns, read, tell } = arranging;
  const placeOf = (key: string, use: 'group' | 'sort'): number | undefined => {
    const at = spec.columns.findIndex((column) => column.key === key);
    if (at >= 0) return at;
    tell({ kind: 'report-column', column: key, use });
    return undefined;
  };
  const levels = spec.groups.flatMap(({ column, descending, sortBy }): readonly Level[] => {
    const at = placeOf(column, 'group');
    if (at === undefined) return [];
    const by = sortBy === undefined ? undefined : placeOf(sortBy, 'group');
    return [{ column: at, sign: descending === true ? -1 : 1, by }];
  });
  const sorts = spec.sorts.flatMap(({ column, descending }): readonly Sort[] => {
    const at = placeOf(column, 'sort');
    return at === undefined ? [] : [{ column: at, sign: descending === true ? -1 : 1 }];
  });
  const { order, ranks } = sortRows(rows, levels, sorts, read);
  const whole = { from: 0, to: order.length, depth: 0, label: undefined, key: '' };
  const root = groupRows({ order, ranks, levels, read }, whole);
  if (levels.every(({ by }) => by === undefined)) return { order, root };
  return reorder(order, root, levels, createTotals(order, columns, read));
}

/** Rows in order: stable, and with the rank of each in every level, so that groups are runs of one number. */
interface Sorted {
  readonly order: readonly number[];
  /** By level, in the new order. */
  readonly ranks: readonly Int32Array[];
}

function sortRows(
  rows: readonly number[],
  levels: readonly Sort[],
  sorts: readonly Sort[],
  read: ReadCell,
): Sorted {
  const ranks = [...levels, ...sorts].map(({ column, sign }) => rankOf(rows, column, sign, read));
  if (ranks.length === 0) return { order: rows, ranks };
  const places = Int32Array.from(rows.keys());
  places.sort((a, b) => {
    for (const rank of ranks) {
      const difference = (rank[a] as number) - (rank[b] as number);
      if (difference !== 0) return difference;
    }
    return a - b;
  });
  return {
    order: Array.from(places, (at) => rows[at] as number),
    ranks: ranks.slice(0, levels.length).map((rank) => Int32Array.from(places, (at) => rank[at] as number)),
  };
}

/** The place of each row's cell among all different ones: few are different, and comparing numbers is quick. */
function rankOf(rows: readonly number[], column: number, sign: 1 | -1, read: ReadCell): Int32Array {
  const different = new Map<string, { readonly cell: Cell; rank: number }>();
  const entries = rows.map((row) => {
    const cell = read(row, column);
    const key = cellKey(cell);
    const had = different.get(key);
    if (had !== undefined) return had;
    const entry = { cell, rank: 0 };
    different.set(key, entry);
    return entry;
  });
  // Empty ones stay last whichever way it goes.
  const sorted = [...different.values()].sort((a, b) =>
    a.cell === undefined || b.cell === undefined
      ? compareCells(a.cell, b.cell)
      : sign * compareCells(a.cell, b.cell),
  );
  sorted.forEach((entry, rank) => {
    entry.rank = rank;
  });
  return Int32Array.from(entries, ({ rank }) => rank);
}

interface Grouping extends Sorted {
  readonly levels: readonly Level[];
  readonly read: ReadCell;
}

function groupRows(grouping: Grouping, own: Pick<Group, 'from' | 'to' | 'depth' | 'label' | 'key'>): Group {
  const { order, levels, ranks, read } = grouping;
  const { depth, key, from, to } = own;
  const level = levels[depth];
  const ofLevel = ranks[depth];
  const groups: Group[] = [];
  if (level !== undefined && ofLevel !== undefined) {
    for (let start = from; start < to;) {
      let end = start + 1;
      while (end < to && ofLevel[end] === ofLevel[start]) end += 1;
      const label = read(order[start] as number, level.column);
      const inner = { from: start, to: end, depth: depth + 1, label, key: `${key}\n${cellKey(label)}` };
      groups.push(groupRows(grouping, inner));
      start = end;
    }
  }
  const column = depth === 0 ? undefined : levels[depth - 1]?.column;
  return { ...own, column, groups };
}

/** Figures what groups come to, each once: of their inner groups, else of their rows. */
export function createTotals(
  order: readonly number[],
  columns: readonly Column[],
  read: ReadCell,
  known: WeakMap<Group, Totals> = new WeakMap(),
): TotalsOf {
  const sumsOf = (group: Group, column: Column, at: number): Sums => {
    if (totalKindOf(column) === undefined) return NO_SUMS;
    const { groups, from, to } = group;
    if (groups.length > 0) return addSums(groups.map((inner) => totalsOf(inner).sums[at] ?? NO_SUMS));
    const { weight } = column;
    return sumCells(
      to - from,
      (place) => read(order[from + place] as number, at),
      weight === undefined ? undefined : (place) => read(order[from + place] as number, weight),
    );
  };
  const totalsOf = (group: Group): Totals => {
    const had = known.get(group);
    if (had !== undefined) return had;
    const sums = columns.map((column, at) => sumsOf(group, column, at));
    const totals = columns.map((column, at) => {
      const by = totalKindOf(column);
      return by === undefined ? undefined : totalOf(sums[at] ?? NO_SUMS, by);
    });
    const made = { sums, totals };
    known.set(group, made);
    return made;
  };
  return totalsOf;
}

/** Groups in the order of a total of theirs. */
function reorder(
  order: readonly number[],
  root: Group,
  levels: readonly Level[],
  totalsOf: TotalsOf,
): Arranged {
  const next: number[] = [];
  const place = (group: Group): Group => {
    const from = next.length;
    const level = levels[group.depth];
    if (level === undefined) {
      for (let at = group.from; at < group.to; at += 1) next.push(order[at] as number);
      return { ...group, from, to: next.length };
    }
    const { by, sign } = level;
    const sorted =
      by === undefined
        ? group.groups
        : [...group.groups].sort(
            (a, b) => sign * compareCells(totalsOf(a).totals[by], totalsOf(b).totals[by]),
          );
    const groups = sorted.map(place);
    return { ...group, groups, from, to: next.length };
  };
  const placed = place(root);
  return { order: next, root: placed };
}

/** The same groups, those that hold changed rows as new ones, so that what they come to is figured again. */
export function renewGroups(
  root: Group,
  order: readonly number[],
  changed: ReadonlySet<number> | 'all',
): Group {
  const places: number[] = [];
  if (changed !== 'all')
    for (let at = 0; at < order.length; at += 1) if (changed.has(order[at] as number)) places.push(at);
  const isIn = ({ from, to }: Group): boolean =>
    changed === 'all' || places.some((place) => place >= from && place < to);
  const visit = (group: Group): Group =>
    isIn(group) ? { ...group, groups: group.groups.map(visit) } : group;
  return visit(root);
}
