import type { BidDetail, BlockKind } from '@zest/core/job/records/document';
import type { DocumentPreset } from '@zest/core/library/documentPresets';
import { t } from '../../messages/t.ts';

/** What blocks are called where they are chosen. */
export const BLOCK_WORDS: Readonly<Record<BlockKind, string>> = {
  letterhead: t('bid.blockLetterhead'),
  client: t('bid.blockClient'),
  text: t('bid.blockText'),
  prices: t('bid.blockPrices'),
  alternates: t('bid.blockAlternates'),
  allowances: t('bid.blockAllowances'),
  inclusions: t('bid.blockInclusions'),
  exclusions: t('bid.blockExclusions'),
  notes: t('bid.blockNotes'),
  'unit-prices': t('bid.blockUnitPrices'),
  values: t('bid.blockValues'),
  terms: t('bid.blockTerms'),
  signatures: t('bid.blockSignatures'),
  picture: t('bid.blockPicture'),
  sheet: t('bid.blockSheet'),
  report: t('bid.blockReport'),
  break: t('bid.blockBreak'),
};

export const DETAIL_WORDS: Readonly<Record<BidDetail, string>> = {
  total: t('bid.theTotalOnly'),
  sections: t('bid.sections'),
  scopes: t('bid.sectionsAndWhatWasMeasured'),
  lines: t('bid.allLinesPricedBySection'),
  items: t('bid.everyLinePriced'),
  split: t('bid.everythingSplit'),
  zones: t('bid.byZone'),
  levels: t('bid.byLevel'),
};

export const PRESET_NAMES: Readonly<Record<DocumentPreset, string>> = {
  bid: t('bid.presetBid'),
  letter: t('bid.presetLetter'),
  'by-line': t('bid.presetByLine'),
  values: t('bid.presetValues'),
  'unit-prices': t('bid.presetUnitPrices'),
};
