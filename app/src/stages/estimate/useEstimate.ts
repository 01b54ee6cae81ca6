import { useMemo } from 'react';
import { changeLines } from '@zest/core/job/commands/changeLines';
import { type Side, moveRows, putAllBelow, putBelow } from '@zest/core/estimate/moveRows';
import { put, remove, sequence } from '@zest/core/job/change';
import { removePackage, removeSection } from '@zest/core/job/commands/removeWith';
import type { Id } from '@zest/core/job/id';
import { type Job, orderAfter } from '@zest/core/job/job';
import { listShownRows } from '@zest/core/reports/estimateReport';
import type { TypedCosts } from '@zest/core/job/records/pricing';
import type { Item } from '@zest/core/job/records/item';
import type { Line } from '@zest/core/job/records/line';
import type { Section } from '@zest/core/job/records/section';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import type { LineChange } from '@zest/core/job/commands/changeLines';
import { tell, tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { type Problem, describeProblem } from '../../messages/describeProblem.ts';
import { type Result, accept } from '@zest/core/problem/result';
import { useOpenNow, useFormats, useJobActions, useServices, useSetView } from '../../stores/context.tsx';
import type { Services } from '../../platform/services.ts';
import type { JobActions, OpenJob } from '../../stores/jobStore.ts';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { GridEdit } from '../../tables/gridProps.ts';
import { type Pasted, describePasted } from '../../tables/paste.ts';
import { editRow, isEditable } from './editRow.ts';
import { t } from '../../messages/t.ts';

const BLANK: Omit<Line, 'id' | 'sectionId' | 'order'> = {
  type: 'line',
  description: t('estimate.newLine'),
  quantity: '1',
  unit: 'ea',
  itemCode: '',
  typedCost: null,
};

/** A line that was added and not touched since. */
export const isBlank = ({ description, itemCode, typedCost }: Line): boolean =>
  description === BLANK.description && itemCode === '' && typedCost === null;

interface ReadEdits {
  readonly changes: readonly (readonly [string, LineChange])[];
  readonly lines: ReadonlyMap<string, Line>;
  readonly sections: ReadonlyMap<string, Section>;
}

/** The section that the row at a place stands in. */
function sectionOfRow(rows: readonly EstimateRow[], at: number): Id<'section'> | null {
  const last = rows.slice(0, at + 1).findLast((row) => row.type === 'section');
  return last?.type === 'section' ? (last.section?.id ?? null) : null;
}

interface Means {
  readonly services: Services;
  readonly actions: JobActions;
  readonly settle: ReturnType<typeof useSettle>;
  readonly setView: ReturnType<typeof useSetView>;
  /** Another change may just have been made, and must not be undone by this one. */
  readonly openNow: () => OpenJob;
  readonly numbers: NumberFormat;
}

/** What is done to the lines of the estimate, each as one step that can be undone by its name. */
function createEstimate({ services, actions, settle, setView, openNow, numbers }: Means) {
  const jobNow = (): Job => openNow().job;
  const rowsNow = (): readonly EstimateRow[] => listShownRows(openNow().figures);
  const tellRefused = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };

  /** What edits ask of lines and sections, or why one of them cannot be. */
  const readEdits = (edits: readonly GridEdit<EstimateRow>[]): Result<ReadEdits, Problem> => {
    const changes: (readonly [string, LineChange])[] = [];
    const lines = new Map<string, Line>();
    const sections = new Map<string, Section>();
    const costs = new Map<string, TypedCosts>();
    for (const { row, column, text } of edits) {
      if (row.type === 'section') {
        if (row.section === null) continue;
        const now = sections.get(row.key) ?? jobNow().section.get(row.section.id) ?? row.section;
        sections.set(row.key, { ...now, [column === 'code' ? 'code' : 'name']: text.trim() });
        continue;
      }
      const edited = editRow(openNow().figures, row, column, text, numbers, costs.get(row.key));
      if (!edited.ok) return edited;
      const { change, line } = edited.value;
      if (change?.costs !== undefined) costs.set(row.key, change.costs);
      if (change !== undefined) changes.push([row.key, change]);
      if (line === undefined || row.type !== 'line') continue;
      const { unconfirmed, ...kept } = lines.get(row.key) ?? jobNow().line.get(row.line.id) ?? row.line;
      // A quantity that someone typed is this job's.
      const now: Line = 'quantity' in line || unconfirmed === undefined ? kept : { ...kept, unconfirmed };
      lines.set(row.key, { ...now, ...line });
    }
    return accept({ changes, lines, sections });
  };

  const edit = (edits: readonly GridEdit<EstimateRow>[]): string | undefined => {
    const read = readEdits(edits);
    if (!read.ok) return describeProblem(read.problem);
    const { changes, lines, sections } = read.value;
    const count = new Set(edits.map(({ row }) => row.key)).size;
    const label =
      sections.size === count
        ? t('estimate.renameSections', { count })
        : t('estimate.changeLines', { count });
    return settle(
      label,
      sequence(put(...sections.values(), ...lines.values()), changeLines(changes, services.makeId)),
    );
  };

  /**
   * A block from the clipboard: into the lines from the row on, and where these end into new ones of
   * the same section. Sections, words and whatever comes from an assembly end the lines.
   */
  const paste = (pasted: Pasted, from: EstimateRow | undefined): string | undefined => {
    const rows = rowsNow();
    const found = rows.findIndex(({ key }) => key === from?.key);
    const start = found < 0 ? rows.length : found;
    const below = rows.slice(start).findIndex((row) => row.type !== 'line');
    const open = rows.slice(start, below < 0 ? rows.length : start + below);
    const single = pasted.rows.length === 1 && from?.type === 'component' ? [from] : [];
    const targets = [...open, ...single].slice(0, pasted.rows.length);
    const sectionId = sectionOfRow(rows, start);
    const fresh = pasted.rows
      .slice(targets.length)
      .map((): Line => ({ ...BLANK, id: services.makeId('line'), sectionId, order: 1 }));
    const all: readonly EstimateRow[] = [
      ...targets,
      ...fresh.map((line): EstimateRow => ({ type: 'line', key: line.id, line, depth: 0 })),
    ];
    let skipped = 0;
    const edits = all.flatMap((row, down) =>
      (pasted.rows[down] ?? []).flatMap((text, along): readonly GridEdit<EstimateRow>[] => {
        const column = pasted.columns[along];
        if (column === undefined) return [];
        const isNew = down >= targets.length;
        // A new line keeps what it begins with where the block has nothing.
        if (isNew && text.trim() === '') return [];
        if (isEditable(row, column)) return [{ row, column, text }];
        skipped += isNew || text.trim() === '' ? 0 : 1;
        return [];
      }),
    );
    const read = readEdits(edits);
    if (!read.ok) return describeProblem(read.problem);
    const lines = new Map(read.value.lines);
    const added = fresh.map((line) => lines.get(line.id) ?? line);
    for (const { id } of fresh) lines.delete(id);
    const last = targets.at(-1)?.key ?? from?.key;
    const refused = settle(
      t('estimate.paste', { rows: t('count.row', { count: pasted.rows.length }) }),
      sequence(
        put(...lines.values()),
        putAllBelow(rows, last, added, services.makeId),
        changeLines(read.value.changes, services.makeId),
      ),
    );
    if (refused !== undefined) return refused;
    const said = describePasted({
      changed: targets.length,
      added: fresh.length,
      things: 'line',
      unknown: pasted.unknown,
      skipped,
    });
    if (said !== undefined) tell(said);
    return undefined;
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
        ? [{ ...(jobNow().line.get(row.line.id) ?? row.line), unit: unitOrLabel(named.unit).symbol }]
        : [];
    return settle(
      t('estimate.priceALine'),
      sequence(put(...counted), changeLines([[row.key, how]], services.makeId)),
    );
  };

  /** A new line of a section, right below the row of a key where that is one of its lines. */
  const addLine = (
    sectionId: Id<'section'> | null,
    below: string | undefined,
    content: Partial<Line> = {},
  ): void => {
    const line: Line = { ...BLANK, id: services.makeId('line'), sectionId, order: 1, ...content };
    const refused = settle(
      content.is === undefined ? t('estimate.addALine2') : t('estimate.addA', { is: content.is }),
      putBelow(rowsNow(), below, line, services.makeId),
    );
    if (refused === undefined) actions.select({ type: 'line', key: line.id });
    else tellProblem(refused);
  };

  const addSection = (parentId: Id<'section'> | null = null): void => {
    const id = services.makeId('section');
    const order = orderAfter(jobNow().section.values());
    const refused = settle(
      t('estimate.addASection2'),
      put({ type: 'section', id, code: '', name: t('estimate.newSection'), parentId, order }),
    );
    if (refused !== undefined) return tellProblem(refused);
    actions.select({ type: 'section', id });
    // What is typed next is its name.
    setView({ typing: { key: id, column: 'description' } });
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
          t('estimate.delete', { lines: t('count.line', { count: lines.length + packages.length }) }),
          sequence(...(lines.length > 0 ? [remove(...lines)] : []), ...packages.map(removePackage)),
        ),
      );
    else if (only?.type === 'section' && only.section !== null)
      tellRefused(
        settle(t('estimate.deleteSection', { name: only.section.name }), removeSection(only.section.id)),
      );
    else tellProblem(t('estimate.toRemoveLinesThatComeFromAn'));
  };

  const move = (moved: readonly EstimateRow[], to: EstimateRow, side: Side): void =>
    tellRefused(
      settle(
        t('estimate.move', { rows: t('count.row', { count: moved.length }) }),
        moveRows(rowsNow(), moved, to, side, services.makeId),
      ),
    );

  return { edit, paste, change, takeItem, addLine, addSection, removeRows, move, settle, tellRefused };
}

export type Estimate = ReturnType<typeof createEstimate>;

/** The same functions for as long as figures are written the same, so that what has them need not be drawn anew. */
export function useEstimate(): Estimate {
  const services = useServices();
  const actions = useJobActions();
  const settle = useSettle();
  const setView = useSetView();
  const openNow = useOpenNow();
  const { numbers } = useFormats();
  return useMemo(
    () => createEstimate({ services, actions, settle, setView, openNow, numbers }),
    [services, actions, settle, setView, openNow, numbers],
  );
}
