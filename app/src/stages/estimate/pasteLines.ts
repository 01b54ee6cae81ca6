import { changeLines } from '@zest/core/job/commands/changeLines';
import { putAllBelow } from '@zest/core/estimate/moveRows';
import { put, sequence } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import type { Line } from '@zest/core/job/records/line';
import type { EstimateRow } from '@zest/core/estimate/rows';
import { tell } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import type { GridEdit } from '../../tables/gridProps.ts';
import { type Pasted, describePasted } from '../../tables/paste.ts';
import { isEditable } from './editRow.ts';
import { t } from '../../messages/t.ts';
import { BLANK, readEdits } from './readEdits.ts';
import { type Means, rowsNow } from './estimateMeans.ts';

/** The section that the row at a place stands in. */
function sectionOfRow(rows: readonly EstimateRow[], at: number): Id<'section'> | null {
  const last = rows.slice(0, at + 1).findLast((row) => row.type === 'section');
  return last?.type === 'section' ? (last.section?.id ?? null) : null;
}

/**
 * A block from the clipboard: into the lines from the row on, and where these end into new ones of
 * the same section. Sections, words and whatever comes from an assembly end the lines.
 */
export function pasteLines(means: Means, pasted: Pasted, from: EstimateRow | undefined): string | undefined {
  const { services, settle } = means;
  const rows = rowsNow(means);
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
  const { edits, skipped } = editsOfBlock(pasted, all, targets.length);
  const read = readEdits(means.openNow(), means.numbers, edits);
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
}

/** What a block changes, cell by cell; what can be typed into nowhere is counted. */
function editsOfBlock(pasted: Pasted, rows: readonly EstimateRow[], known: number) {
  let skipped = 0;
  const edits = rows.flatMap((row, down) =>
    (pasted.rows[down] ?? []).flatMap((text, along): readonly GridEdit<EstimateRow>[] => {
      const column = pasted.columns[along];
      if (column === undefined) return [];
      const isNew = down >= known;
      // A new line keeps what it begins with where the block has nothing.
      if (isNew && text.trim() === '') return [];
      if (isEditable(row, column)) return [{ row, column, text }];
      skipped += isNew || text.trim() === '' ? 0 : 1;
      return [];
    }),
  );
  return { edits, skipped };
}
