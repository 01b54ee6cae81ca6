import type { Group } from '@zest/core/reports/arrange';
import type { OpenReport } from '@zest/core/reports/openReport';

/** What stands in one row of the table: the head or the foot of a group, a row of the report, the totals of all. */
export type ShownRow =
  | {
      readonly type: 'group' | 'foot';
      readonly key: string;
      readonly group: Group;
      readonly isFolded: boolean;
    }
  | { readonly type: 'row'; readonly key: string; readonly at: number; readonly depth: number };

/** Groups that were opened or closed by hand, by their key: the others are as the report says. */
export type Folded = ReadonlyMap<string, boolean>;

export const isFolded = ({ spec }: OpenReport, { depth, key }: Group, folded: Folded): boolean =>
  folded.get(key) ?? spec.groups[depth - 1]?.collapsed === true;

/** The report from top to bottom: a closed group is one row with its totals. */
export function shownRows(report: OpenReport, folded: Folded): readonly ShownRow[] {
  const rows: ShownRow[] = [];
  const { order, root } = report;
  const hasFoot = report.columns.some(({ spec }) => spec.total !== undefined);
  const visit = (group: Group): void => {
    if (group.depth > 0) {
      const closed = isFolded(report, group, folded);
      rows.push({ type: 'group', key: `group${group.key}`, group, isFolded: closed });
      if (closed) return;
    }
    if (group.groups.length > 0) group.groups.forEach(visit);
    else
      for (let place = group.from; place < group.to; place += 1) {
        const at = order[place];
        if (at !== undefined) rows.push({ type: 'row', key: report.keyOf(at), at, depth: group.depth });
      }
    if (group.depth > 0 && hasFoot)
      rows.push({ type: 'foot', key: `foot${group.key}`, group, isFolded: false });
  };
  visit(root);
  return rows;
}
