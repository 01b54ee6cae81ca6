import type { Group } from '@zest/core/reports/arrange';
import type { OpenReport } from '@zest/core/reports/openReport';

/** What stands in one row of the table: the head or the foot of a group, a row of the report, the totals of all. */
export type ShownRow =
  | {
      readonly type: 'group' | 'foot';
      readonly key: string;
      /** Where the group is among those around it: the group itself is another with every figure of its own. */
      readonly path: readonly number[];
      readonly depth: number;
      readonly isFolded: boolean;
    }
  | { readonly type: 'row'; readonly key: string; readonly at: number; readonly depth: number };

/** Groups that were opened or closed by hand, by their key: the others are as the report says. */
export type Folded = ReadonlyMap<string, boolean>;

const isFolded = ({ spec }: Pick<OpenReport, 'spec'>, { depth, key }: Group, folded: Folded): boolean =>
  folded.get(key) ?? spec.groups[depth - 1]?.collapsed === true;

export const WHOLE: readonly number[] = [];

/** The group of a row, as it is now. */
export function groupAt({ root }: Pick<OpenReport, 'root'>, path: readonly number[]): Group {
  let group = root;
  for (const place of path) group = group.groups[place] ?? group;
  return group;
}

/** What rows hang on: not on the figures in them. */
type Shape = Pick<OpenReport, 'order' | 'root' | 'keyOf' | 'spec'>;

/** The report from top to bottom: a closed group is one row with its totals. */
export function shownRows(report: Shape, folded: Folded): readonly ShownRow[] {
  const rows: ShownRow[] = [];
  const { order, root, spec } = report;
  const hasFoot = spec.columns.some(({ total }) => total !== undefined);
  const visit = (group: Group, path: readonly number[]): void => {
    const { depth, key } = group;
    if (depth > 0) {
      const closed = isFolded(report, group, folded);
      rows.push({ type: 'group', key: `group${key}`, path, depth, isFolded: closed });
      if (closed) return;
    }
    if (group.groups.length > 0) group.groups.forEach((inner, at) => visit(inner, [...path, at]));
    else
      for (let place = group.from; place < group.to; place += 1) {
        const at = order[place];
        if (at !== undefined) rows.push({ type: 'row', key: report.keyOf(at), at, depth });
      }
    if (depth > 0 && hasFoot) rows.push({ type: 'foot', key: `foot${key}`, path, depth, isFolded: false });
  };
  visit(root, WHOLE);
  return rows;
}
