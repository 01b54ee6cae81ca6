import type { Id } from '../job/id.ts';
import type { LineKey } from '../job/lineKey.ts';

/** Where one goes to look at what is doubted. */
export type DoubtPlace =
  | { readonly at: 'sheet'; readonly id: Id<'sheet'> }
  | { readonly at: 'scope'; readonly id: Id<'scope'> }
  | { readonly at: 'marks'; readonly ids: readonly Id<'mark'>[]; readonly sheetId: Id<'sheet'> }
  | { readonly at: 'line'; readonly key: LineKey }
  | { readonly at: 'section'; readonly id: Id<'section'> }
  | { readonly at: 'package'; readonly id: Id<'package'> }
  | { readonly at: 'yardstick'; readonly id: Id<'yardstick'> }
  | { readonly at: 'alternates' }
  | { readonly at: 'summary' }
  | { readonly at: 'bid' }
  | { readonly at: 'measure' }
  | { readonly at: 'figures' }
  | { readonly at: 'prices' };
