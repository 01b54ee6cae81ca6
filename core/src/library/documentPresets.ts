import type { BlockOf, DocumentBlock, DocumentSpec } from '../job/records/document.ts';
import type { Settings } from '../job/records/settings.ts';

/** Documents to start from. */
export const DOCUMENT_PRESETS = ['bid', 'letter', 'by-line', 'values', 'unit-prices'] as const;
export type DocumentPreset = (typeof DOCUMENT_PRESETS)[number];

const plain = <Kind extends DocumentBlock['kind']>(
  kind: Kind,
): { readonly kind: Kind; readonly key: string } => ({
  kind,
  key: kind.replaceAll('-', '_'),
});

const prices = (content: Omit<BlockOf<'prices'>, 'kind' | 'key'>): DocumentBlock => ({
  ...plain('prices'),
  ...content,
});
const TERMS: DocumentBlock = { ...plain('terms'), text: '' };
const SIGNATURES: DocumentBlock = { ...plain('signatures'), names: [] };
const HEAD: readonly DocumentBlock[] = [plain('letterhead'), plain('client')];
const LISTS: readonly DocumentBlock[] = [plain('inclusions'), plain('exclusions')];

/** The blocks of a document that ships; the words in it are those of the job. */
const BLOCKS: Readonly<Record<DocumentPreset, readonly DocumentBlock[]>> = {
  bid: [
    ...HEAD,
    prices({ detail: 'sections' }),
    plain('allowances'),
    plain('alternates'),
    ...LISTS,
    TERMS,
    SIGNATURES,
  ],
  letter: [...HEAD, { ...plain('text'), text: '' }, prices({ detail: 'total' }), ...LISTS, TERMS, SIGNATURES],
  'by-line': [
    ...HEAD,
    prices({ detail: 'items', tax: 'shown', markups: 'shown' }),
    plain('allowances'),
    plain('alternates'),
    TERMS,
    SIGNATURES,
  ],
  values: [...HEAD, plain('values'), SIGNATURES],
  'unit-prices': [...HEAD, { ...plain('unit-prices'), lines: [] }, TERMS, SIGNATURES],
};

/** A document that ships, under the name it is given in a language. */
export const documentPreset = (preset: DocumentPreset, name: string): DocumentSpec => ({
  name,
  blocks: BLOCKS[preset],
  page: {},
});

/** The bid of a job that keeps no document of its own, as its company is used to. */
export function usualBid(name: string, { notesInBid }: Pick<Settings, 'notesInBid'>): DocumentSpec {
  const spec = documentPreset('bid', name);
  if (notesInBid !== true) return spec;
  const at = spec.blocks.findIndex(({ kind }) => kind === 'terms');
  return { ...spec, blocks: [...spec.blocks.slice(0, at), plain('notes'), ...spec.blocks.slice(at)] };
}
