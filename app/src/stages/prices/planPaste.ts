import type { Job } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import type { Pasted } from '../../tables/paste.ts';

/** A pasted row and the item it goes into, there already or new. */
export interface PastedItem {
  readonly item: Item;
  readonly row: readonly string[];
}

/**
 * Where each pasted row goes: with a column of codes to the item of its code, else to the rows shown
 * from the current one on; what finds none makes a new item.
 */
export function planPaste(
  { columns, rows: pasted }: Pasted,
  shown: readonly Item[],
  from: Item | undefined,
  job: Pick<Job, 'item'>,
  makeItem: (code: string) => Item,
): readonly PastedItem[] {
  const codes = new Map([...job.item.values()].map((item) => [item.code, item]));
  const codeAt = columns.indexOf('code');
  const start = from === undefined ? shown.length : shown.indexOf(from);
  let number = 1;
  const freeCode = (): string => {
    while (codes.has(`NEW-${number}`)) number += 1;
    return `NEW-${number}`;
  };
  return pasted.map((row, down): PastedItem => {
    const code = codeAt < 0 ? '' : (row[codeAt] ?? '').trim();
    const known = codeAt < 0 ? shown[start + down] : codes.get(code);
    // One row on one item is a change of it, its code too.
    const renamed = pasted.length === 1 && known === undefined && from !== undefined ? from : known;
    if (renamed !== undefined) return { item: renamed, row };
    const item = makeItem(code === '' ? freeCode() : code);
    codes.set(item.code, item);
    return { item, row };
  });
}
