import { changeLines } from '@zest/core/job/commands/changeLines';
import { type Side, moveRows, putBelow } from '@zest/core/job/commands/moveRows';
import { put, remove, sequence } from '@zest/core/job/change';
import { removePackage, removeSection } from '@zest/core/job/commands/removeWith';
import type { Id } from '@zest/core/job/id';
import { orderAfter } from '@zest/core/job/job';
import type { TypedCosts } from '@zest/core/job/records/pricing';
import type { Item } from '@zest/core/job/records/item';
import type { Line } from '@zest/core/job/records/line';
import type { Section } from '@zest/core/job/records/section';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import type { LineChange } from '@zest/core/job/commands/changeLines';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { plural } from '../../messages/words.ts';
import { useAsItIs, useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import type { GridEdit } from '../../tables/Grid.tsx';
import { editRow } from './editRow.ts';

const BLANK: Omit<Line, 'id' | 'sectionId' | 'order'> = {
  type: 'line',
  description: 'New line',
  quantity: '1',
  unit: 'ea',
  itemCode: '',
  typedCost: null,
};

/** What is done to the lines of the estimate, each as one step that can be undone by its name. */
export function useEstimate(rows: readonly EstimateRow[]) {
  const { job } = useOpenJob();
  const services = useServices();
  const actions = useJobActions();
  const settle = useSettle();
  // Another change may just have been made, and must not be undone by this one.
  const asItIs = useAsItIs();
  const { numbers } = useFormats();
  const tellRefused = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };

  const edit = (edits: readonly GridEdit<EstimateRow>[]): string | undefined => {
    const changes: (readonly [string, LineChange])[] = [];
    const lines = new Map<string, Line>();
    const sections = new Map<string, Section>();
    const costs = new Map<string, TypedCosts>();
    for (const { row, column, text } of edits) {
      if (row.type === 'section') {
        if (row.section === null) continue;
        const now = sections.get(row.key) ?? asItIs<'section'>(row.section);
        sections.set(row.key, { ...now, [column === 'code' ? 'code' : 'name']: text.trim() });
        continue;
      }
      const edited = editRow(job, row, column, text, numbers, costs.get(row.key));
      if (!edited.ok) return describeProblem(edited.problem);
      const { change, line } = edited.value;
      if (change?.costs !== undefined) costs.set(row.key, change.costs);
      if (change !== undefined) changes.push([row.key, change]);
      if (line === undefined || row.type !== 'line') continue;
      const { unconfirmed, ...kept } = lines.get(row.key) ?? asItIs<'line'>(row.line);
      // A quantity that someone typed is this job's.
      const now: Line = 'quantity' in line || unconfirmed === undefined ? kept : { ...kept, unconfirmed };
      lines.set(row.key, { ...now, ...line });
    }
    const count = new Set(edits.map(({ row }) => row.key)).size;
    const label =
      sections.size === count
        ? `rename ${count === 1 ? 'a section' : plural(count, 'section')}`
        : `change ${count === 1 ? 'a line' : plural(count, 'line')}`;
    return settle(
      label,
      sequence(put(...sections.values(), ...lines.values()), changeLines(changes, services.makeId)),
    );
  };

  const change = (label: string, keys: readonly string[], how: LineChange): string | undefined =>
    settle(
      label,
      changeLines(
        keys.map((key) => [key, how] as const),
        services.makeId,
      ),
    );

  /** Prices a line by an item as one step; a new line is called and counted as the item is. */
  const takeItem = (row: EstimateRow, itemCode: string, named: Item | undefined): string | undefined => {
    const how: LineChange = {
      itemCode,
      ...(row.type === 'line' ? { costs: undefined } : {}),
      ...(named === undefined ? {} : { description: named.description }),
    };
    const counted =
      row.type === 'line' && named !== undefined
        ? [{ ...asItIs<'line'>(row.line), unit: unitOrLabel(named.unit).symbol }]
        : [];
    return settle('price a line', sequence(put(...counted), changeLines([[row.key, how]], services.makeId)));
  };

  /** A new line of a section, right below the row of a key where that is one of its lines. */
  const addLine = (
    sectionId: Id<'section'> | null,
    below: string | undefined,
    content: Partial<Line> = {},
  ): void => {
    const line: Line = { ...BLANK, id: services.makeId('line'), sectionId, order: 1, ...content };
    const refused = settle(
      content.is === undefined ? 'add a line' : `add a ${content.is}`,
      putBelow(rows, below, line, services.makeId),
    );
    if (refused === undefined) actions.select({ type: 'line', key: line.id });
    else tellProblem(refused);
  };

  const addSection = (parentId: Id<'section'> | null = null): void => {
    const id = services.makeId('section');
    const order = orderAfter(job.section.values());
    const refused = settle(
      'add a section',
      put({ type: 'section', id, code: '', name: 'New section', parentId, order }),
    );
    if (refused === undefined) actions.select({ type: 'section', id });
  };

  const removeRows = (chosen: readonly EstimateRow[]): void => {
    const lines = chosen.flatMap((row) =>
      row.type === 'line' || row.type === 'text' || row.type === 'subtotal' ? [row.line.id] : [],
    );
    const packages = chosen.flatMap((row) => (row.type === 'quote' ? [row.package.id] : []));
    const [only] = chosen;
    if (lines.length + packages.length > 0)
      tellRefused(
        settle(
          `delete ${plural(lines.length + packages.length, 'line')}`,
          sequence(...(lines.length > 0 ? [remove(...lines)] : []), ...packages.map(removePackage)),
        ),
      );
    else if (only?.type === 'section' && only.section !== null)
      tellRefused(settle(`delete section ${only.section.name}`, removeSection(only.section.id)));
    else tellProblem('Lines from an assembly go when it is taken off its scope, under Measure.');
  };

  const move = (moved: readonly EstimateRow[], to: EstimateRow, side: Side): void =>
    tellRefused(
      settle(`move ${plural(moved.length, 'row')}`, moveRows(rows, moved, to, side, services.makeId)),
    );

  return { edit, change, takeItem, addLine, addSection, removeRows, move, settle, tellRefused };
}

export type Estimate = ReturnType<typeof useEstimate>;
