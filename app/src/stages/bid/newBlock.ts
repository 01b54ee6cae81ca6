import type { DocumentBlock } from '@zest/core/job/records/document';
import type { BlockSources } from './useBlockSources.ts';

/** A key that no block of the document has. */
export function freeKey(blocks: readonly DocumentBlock[], kind: DocumentBlock['kind']): string {
  const taken = new Set(blocks.map(({ key }) => key));
  const base = kind.replaceAll('-', '_');
  for (let number = 1; ; number += 1) {
    const key = number === 1 ? base : `${base}_${number}`;
    if (!taken.has(key)) return key;
  }
}

/** A block as it is at first: what it must show is the first there is. */
export function newBlock(
  kind: Exclude<DocumentBlock['kind'], 'picture'>,
  key: string,
  { sheets, reports }: BlockSources,
): DocumentBlock {
  switch (kind) {
    case 'text':
    case 'terms':
      return { kind, key, text: '' };
    case 'prices':
      return { kind, key, detail: 'sections' };
    case 'unit-prices':
      return { kind, key, lines: [] };
    case 'signatures':
      return { kind, key, names: [] };
    case 'sheet': {
      const [sheet] = sheets;
      if (sheet === undefined) throw new Error('newBlock: the job has no sheet');
      return { kind, key, sheetId: sheet.id, caption: '', marks: 'all' };
    }
    case 'report':
      return { kind, key, report: reports[0]?.key ?? '' };
    default:
      return { kind, key };
  }
}
