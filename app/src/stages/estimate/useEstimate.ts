import { useMemo } from 'react';
import { changeLines } from '@zest/core/job/commands/changeLines';
import { type Side, moveRows, putBelow } from '@zest/core/estimate/moveRows';
import { put, remove, sequence } from '@zest/core/job/change';
import { removePackage, removeSection } from '@zest/core/job/commands/removeWith';
import type { Id } from '@zest/core/job/id';
import { orderAfter } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import type { Line } from '@zest/core/job/records/line';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import type { LineChange } from '@zest/core/job/commands/changeLines';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useOpenNow, useFormats, useJobActions, useServices, useSetView } from '../../stores/context.tsx';
import type { GridEdit } from '../../tables/gridProps.ts';
import { type Pasted } from '../../tables/paste.ts';
import { t } from '../../messages/t.ts';
import { BLANK, readEdits } from './readEdits.ts';
import { pasteLines } from './pasteLines.ts';
import { type Means, rowsNow } from './estimateMeans.ts';

/** A line that was added and not touched since. */
export const isBlank = ({ description, itemCode, typedCost }: Line): boolean =>
  description === BLANK.description && itemCode === '' && typedCost === null;

/** What is done to the lines of the estimate, each as one step that can be undone by its name. */
function createEstimate(means: Means) {
  const { settle } = means;
  const tellRefused = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };
  return {
    ...lineChanges(means),
    ...additions(means),
    ...rowMoves(means, tellRefused),
    paste: (pasted: Pasted, from: EstimateRow | undefined) => pasteLines(means, pasted, from),
    settle,
    tellRefused,
  };
}

/** What is typed, chosen and set in lines that are there. */
function lineChanges({ services, settle, openNow, numbers }: Means) {
  const edit = (edits: readonly GridEdit<EstimateRow>[]): string | undefined => {
    const read = readEdits(openNow(), numbers, edits);
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
        ? [{ ...(openNow().job.line.get(row.line.id) ?? row.line), unit: unitOrLabel(named.unit).symbol }]
        : [];
    return settle(
      t('estimate.priceALine'),
      sequence(put(...counted), changeLines([[row.key, how]], services.makeId)),
    );
  };

  return { edit, change, takeItem };
}

/** New lines and sections. */
function additions(means: Means) {
  const { services, actions, settle, setView, openNow } = means;
  /** A new line of a section, right below the row of a key where that is one of its lines. */
  const addLine = (
    sectionId: Id<'section'> | null,
    below: string | undefined,
    content: Partial<Line> = {},
  ): void => {
    const line: Line = { ...BLANK, id: services.makeId('line'), sectionId, order: 1, ...content };
    const refused = settle(
      content.is === undefined ? t('estimate.addALine2') : t('estimate.addA', { is: content.is }),
      putBelow(rowsNow(means), below, line, services.makeId),
    );
    if (refused === undefined) actions.select({ type: 'line', key: line.id });
    else tellProblem(refused);
  };

  const addSection = (parentId: Id<'section'> | null = null): void => {
    const id = services.makeId('section');
    const order = orderAfter(openNow().job.section.values());
    const refused = settle(
      t('estimate.addASection2'),
      put({ type: 'section', id, code: '', name: t('estimate.newSection'), parentId, order }),
    );
    if (refused !== undefined) return tellProblem(refused);
    actions.select({ type: 'section', id });
    // What is typed next is its name.
    setView({ typing: { key: id, column: 'description' } });
  };

  return { addLine, addSection };
}

/** Rows that go, and rows that stand elsewhere. */
function rowMoves(means: Means, tellRefused: (refused: string | undefined) => void) {
  const { services, settle } = means;
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
        moveRows(rowsNow(means), moved, to, side, services.makeId),
      ),
    );

  return { removeRows, move };
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
