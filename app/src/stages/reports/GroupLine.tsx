import {
  ArrowDown,
  ArrowUp,
  ChevronLeft,
  ChevronRight,
  ChevronsDownUp,
  ChevronsUpDown,
  X,
} from 'lucide-react';
import { memo, useState } from 'react';
import type { ReportGroupSpec } from '@zest/core/job/records/report';
import type { OpenReport } from '@zest/core/reports/openReport';
import { headingOf } from '@zest/core/reports/report';
import { headingOfField } from '../../messages/reportWords.ts';
import { IconAction } from '../../parts/IconAction.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { HEAD_KIND } from './ReportTable.tsx';
import { styles } from './styles.ts';
import type { ChangeSpec } from './useReports.ts';

interface GroupLineProps {
  readonly open: OpenReport;
  readonly change: ChangeSpec;
}

/** What a report is grouped by, one inside the other. Headings are dragged here, or chosen. */
export const GroupLine = memo(function GroupLine({ open, change }: GroupLineProps) {
  const [over, setOver] = useState(false);
  const { groups } = open.spec;
  const set = (label: string, next: readonly ReportGroupSpec[]): void =>
    void change(label, (spec) => ({ ...spec, groups: next }));
  const add = (column: string): void => {
    if (column === '' || groups.some((group) => group.column === column)) return;
    set(t('report.groupByNamed', { column: nameOfColumn(open, column) }), [...groups, { column }]);
  };
  return (
    <div
      className={`${styles.line} ${over ? 'drop-here' : ''}`}
      role="group"
      aria-label={t('report.groups')}
      onDragOver={(event) => {
        if (!event.dataTransfer.types.includes(HEAD_KIND)) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        add(event.dataTransfer.getData(HEAD_KIND));
      }}
    >
      <span className="soft">{t('report.groupedBy')}</span>
      {groups.map((group, at) => (
        <GroupChip key={group.column} open={open} at={at} set={set} />
      ))}
      <Select
        small
        aria-label={t('report.groupBy')}
        style={{ width: 150 }}
        value=""
        onChange={({ target }) => add(target.value)}
      >
        <option value="">
          {groups.length === 0 ? t('report.nothingChooseAColumn') : t('report.thenBy')}
        </option>
        {open.spec.columns
          .filter(({ key }) => !groups.some(({ column }) => column === key))
          .map(({ key }) => (
            <option key={key} value={key}>
              {nameOfColumn(open, key)}
            </option>
          ))}
      </Select>
    </div>
  );
}, isMadeAlike);

/** Neither what it is made of nor what its columns are called is another; figures do not stand there. */
export function isMadeAlike(
  a: { readonly open: OpenReport; readonly change?: unknown },
  b: { readonly open: OpenReport; readonly change?: unknown },
): boolean {
  return (
    a.open.spec === b.open.spec &&
    a.change === b.change &&
    a.open.context.figures.job.scope === b.open.context.figures.job.scope
  );
}

/** What a column is called, by its key. */
export function nameOfColumn(open: OpenReport, key: string): string {
  const spec = open.spec.columns.find((column) => column.key === key);
  if (spec === undefined) return key;
  return headingOf({ spec }, (field) => headingOfField(field, open.context.figures.job));
}

interface GroupChipProps {
  readonly open: OpenReport;
  readonly at: number;
  readonly set: (label: string, groups: readonly ReportGroupSpec[]) => void;
}

function GroupChip({ open, at, set }: GroupChipProps) {
  const { groups } = open.spec;
  const group = groups[at];
  if (group === undefined) return null;
  const name = nameOfColumn(open, group.column);
  const label = t('report.groupByNamed', { column: name });
  const moved = (by: 1 | -1): readonly ReportGroupSpec[] => {
    const others = groups.filter((_, place) => place !== at);
    return [...others.slice(0, at + by), group, ...others.slice(at + by)];
  };
  const changed = (next: ReportGroupSpec): readonly ReportGroupSpec[] =>
    groups.map((each, place) => (place === at ? next : each));
  const { descending, collapsed, ...plain } = group;
  const down = { ...plain, ...(collapsed === undefined ? {} : { collapsed }) };
  const closed = { ...plain, ...(descending === undefined ? {} : { descending }) };
  return (
    <span className={styles.groupChip}>
      <b className="cut" title={name}>
        {name}
      </b>
      <GroupOrder open={open} group={group} onOrder={(next) => set(label, changed(next))} />
      {at > 0 ? (
        <IconAction
          label={t('report.groupOutward', { name })}
          icon={ChevronLeft}
          onClick={() => set(label, moved(-1))}
        />
      ) : null}
      {at < groups.length - 1 ? (
        <IconAction
          label={t('report.groupInward', { name })}
          icon={ChevronRight}
          onClick={() => set(label, moved(1))}
        />
      ) : null}
      <IconAction
        label={t(descending === true ? 'report.groupAscending' : 'report.groupDescending', { name })}
        icon={descending === true ? ArrowUp : ArrowDown}
        onClick={() => set(label, changed(descending === true ? down : { ...group, descending: true }))}
      />
      <IconAction
        label={t(collapsed === true ? 'report.groupOpen' : 'report.groupTotalsOnly', { name })}
        icon={collapsed === true ? ChevronsUpDown : ChevronsDownUp}
        onClick={() => set(label, changed(collapsed === true ? closed : { ...group, collapsed: true }))}
      />
      <IconAction
        label={t('report.groupRemove', { name })}
        icon={X}
        onClick={() =>
          set(
            t('report.ungroup', { name }),
            groups.filter((_, place) => place !== at),
          )
        }
      />
    </span>
  );
}

interface GroupOrderProps {
  readonly open: OpenReport;
  readonly group: ReportGroupSpec;
  readonly onOrder: (group: ReportGroupSpec) => void;
}

/** What puts the groups in order: what they are called, or a total of theirs. */
function GroupOrder({ open, group, onOrder }: GroupOrderProps) {
  const totaled = open.spec.columns.filter(({ total }) => total !== undefined);
  if (totaled.length === 0) return null;
  const name = nameOfColumn(open, group.column);
  const { sortBy, ...byName } = group;
  return (
    <Select
      small
      aria-label={t('report.groupOrder', { name })}
      style={{ width: 96 }}
      value={sortBy ?? ''}
      onChange={({ target }) => onOrder(target.value === '' ? byName : { ...byName, sortBy: target.value })}
    >
      <option value="">{t('report.byName')}</option>
      {totaled.map(({ key }) => (
        <option key={key} value={key}>
          {t('report.byTotal', { name: nameOfColumn(open, key) })}
        </option>
      ))}
    </Select>
  );
}
