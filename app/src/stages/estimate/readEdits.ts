import type { TypedCosts } from '@zest/core/job/records/pricing';
import type { Line } from '@zest/core/job/records/line';
import type { Section } from '@zest/core/job/records/section';
import type { EstimateRow } from '@zest/core/estimate/rows';
import type { LineChange } from '@zest/core/job/commands/changeLines';
import { type Problem } from '../../messages/describeProblem.ts';
import { type Result, accept } from '@zest/core/problem/result';
import type { OpenJob } from '../../stores/jobStore.ts';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { GridEdit } from '../../tables/gridProps.ts';
import { editRow } from './editRow.ts';
import { t } from '../../messages/t.ts';

export const BLANK: Omit<Line, 'id' | 'sectionId' | 'order'> = {
  type: 'line',
  description: t('estimate.newLine'),
  quantity: '1',
  unit: 'ea',
  itemCode: '',
  typedCost: null,
};

export interface ReadEdits {
  readonly changes: readonly (readonly [string, LineChange])[];
  readonly lines: ReadonlyMap<string, Line>;
  readonly sections: ReadonlyMap<string, Section>;
}

/** What edits ask of lines and sections, or why one of them cannot be. */
export function readEdits(
  { figures, job }: OpenJob,
  numbers: NumberFormat,
  edits: readonly GridEdit<EstimateRow>[],
): Result<ReadEdits, Problem> {
  const changes: (readonly [string, LineChange])[] = [];
  const lines = new Map<string, Line>();
  const sections = new Map<string, Section>();
  const costs = new Map<string, TypedCosts>();
  for (const { row, column, text } of edits) {
    if (row.type === 'section') {
      if (row.section === null) continue;
      const now = sections.get(row.key) ?? job.section.get(row.section.id) ?? row.section;
      sections.set(row.key, { ...now, [column === 'code' ? 'code' : 'name']: text.trim() });
      continue;
    }
    const edited = editRow(figures, row, column, text, numbers, costs.get(row.key));
    if (!edited.ok) return edited;
    const { change, line } = edited.value;
    if (change?.costs !== undefined) costs.set(row.key, change.costs);
    if (change !== undefined) changes.push([row.key, change]);
    if (line === undefined || row.type !== 'line') continue;
    const { unconfirmed, ...kept } = lines.get(row.key) ?? job.line.get(row.line.id) ?? row.line;
    // A quantity that someone typed is this job's.
    const now: Line = 'quantity' in line || unconfirmed === undefined ? kept : { ...kept, unconfirmed };
    lines.set(row.key, { ...now, ...line });
  }
  return accept({ changes, lines, sections });
}
