import { alternateDoubles } from './rules/alternateDoubles.ts';
import { countUnexpected } from './rules/countUnexpected.ts';
import { formulaWrong } from './rules/formulaWrong.ts';
import { lineWithoutCode } from './rules/lineWithoutCode.ts';
import { lineWithoutPrice } from './rules/lineWithoutPrice.ts';
import { lineWithoutSection } from './rules/lineWithoutSection.ts';
import { lineWithoutUnit } from './rules/lineWithoutUnit.ts';
import { marksOverlap } from './rules/marksOverlap.ts';
import { openingBeyondWall } from './rules/openingBeyondWall.ts';
import { pinnedFar } from './rules/pinnedFar.ts';
import { priceSample } from './rules/priceSample.ts';
import { priceOld } from './rules/priceOld.ts';
import { quoteBesideLines } from './rules/quoteBesideLines.ts';
import { quoteExpired } from './rules/quoteExpired.ts';
import { quoteOpen } from './rules/quoteOpen.ts';
import { scopePricedNowhere } from './rules/scopePricedNowhere.ts';
import { scopeWithoutMarks } from './rules/scopeWithoutMarks.ts';
import { sheetWithoutScale } from './rules/sheetWithoutScale.ts';
import { unconfirmed } from './rules/unconfirmed.ts';
import { unitsDiffer } from './rules/unitsDiffer.ts';
import { marksOnSpot } from './rules/marksOnSpot.ts';
import { countedAndPlaced } from './rules/countedAndPlaced.ts';
import { pieceTooShort } from './rules/pieceTooShort.ts';
import { lengthFarOffSheet } from './rules/lengthFarOffSheet.ts';
import { questionUnanswered } from './rules/questionUnanswered.ts';
import { alternateNotOnBid } from './rules/alternateNotOnBid.ts';
import { barsMissing } from './rules/barsMissing.ts';
import { itemUnlike } from './rules/itemUnlike.ts';
import { regionNotApplied } from './rules/regionNotApplied.ts';
import { adjustmentMatchesFew } from './rules/adjustmentMatchesFew.ts';
import { inclusionNotIn } from './rules/inclusionNotIn.ts';
import { textOutdated } from './rules/textOutdated.ts';
import { onePriceForSizes } from './rules/onePriceForSizes.ts';
import { sectionsEmpty } from './rules/sectionsEmpty.ts';
import { printedNotMeasured } from './rules/printedNotMeasured.ts';
import { subcontractBesideOwn } from './rules/subcontractBesideOwn.ts';
import { yardstickOut } from './rules/yardstickOut.ts';
import { zeroQuantity } from './rules/zeroQuantity.ts';

/**
 * The rules of the second look, the most urgent first: what is wrong in the bid, what may be, what is only untidy. A
 * new one is a file in `rules/`, a line here, and its words in the app, which does not compile without them.
 */
export const RULES = [
  formulaWrong,
  unitsDiffer,
  lineWithoutPrice,
  priceSample,
  sheetWithoutScale,
  unconfirmed,
  countUnexpected,
  marksOnSpot,
  countedAndPlaced,
  marksOverlap,
  alternateDoubles,
  alternateNotOnBid,
  quoteBesideLines,
  subcontractBesideOwn,
  quoteOpen,
  openingBeyondWall,
  pieceTooShort,
  lengthFarOffSheet,
  barsMissing,
  itemUnlike,
  onePriceForSizes,
  regionNotApplied,
  adjustmentMatchesFew,
  inclusionNotIn,
  textOutdated,
  pinnedFar,
  zeroQuantity,
  scopeWithoutMarks,
  scopePricedNowhere,
  printedNotMeasured,
  sectionsEmpty,
  quoteExpired,
  priceOld,
  yardstickOut,
  questionUnanswered,
  lineWithoutSection,
  lineWithoutCode,
  lineWithoutUnit,
] as const;
