export const doubt = {
  sheetsWithoutAScale: 'Sheets without a scale',
  notMeasuredYet: 'Not measured yet',
  measuredButNotPriced: 'Measured, but not priced',
  theSameAreaMeasuredTwice: 'The same area measured twice',
  openingsLargerThanTheirWall: 'Openings larger than their wall',
  formulasThatDontWorkOut: 'Formulas that don’t work out',
  linesWithoutAPrice: 'Lines without a price',
  unitsThatDoNotConvert: 'Units that do not convert',
  linesWithoutAUnit: 'Lines without a unit',
  linesWithoutACostCode: 'Lines without a cost code',
  linesWithoutASection: 'Lines without a section',
  quantitiesOfZero: 'Quantities of zero',
  quantitiesFromAnotherJob: 'Quantities from another job',
  pinnedFarFromTheCalculatedQuantity: 'Pinned far from the calculated quantity',
  oldPrices: 'Old prices',
  expiredQuotes: 'Expired quotes',
  quotesAndYourOwnLinesForThe: 'Quotes and your own lines for the same work',
  quotesWithExclusionsNobodyPriced: 'Quotes with exclusions nobody priced',
  outsideYourYardsticks: 'Outside your yardsticks',
  countedTwiceWithAnAlternate: 'Counted twice with an alternate',
  theSheetHasAPrintedScaleBut: 'The sheet has a printed scale, but none is set. Set it before you measure.',
  onItCantBeMeasuredUntilYou: '{{marks}} on it can’t be measured until you set the scale.',
  samplePrices: 'Sample prices',
  samplePricesOnly:
    'Priced by samples that ship with Zest Line: {{prices}}. Nobody offered them to you. Put your own prices in the price book, or import a list.',
  sampleWagesOnly: 'Hours at sample wages: {{wages}}. Set your own wages.',
  samplePricesAndWages:
    'Priced by samples that ship with Zest Line: {{prices}}; hours at sample wages: {{wages}}. Nobody offered them to you. Put your own in the price book, or import a list.',
  countedAgainstTheSchedule: 'More or fewer than the schedule says',
  fewerThanTheSchedule:
    '{{counted}} counted, but the schedule says {{expected}}. Count the rest, or correct the number.',
  moreThanTheSchedule:
    '{{counted}} counted, but the schedule says {{expected}}. Look for one counted twice, or correct the number.',
  nothingHasBeenDrawnTypedOrCounted: 'Nothing has been drawn, typed or counted. Measure it, or delete it.',
  noAssemblyOrFormulaUsesItApply:
    'No assembly or formula uses it. Apply an assembly, or price it with a line.',
  twoMarksHaveInCommonMoveOr: 'Two marks have {{value}} in common. Move or delete one of them.',
  highInAWallOfCorrectThe:
    '{{openingM}} high in a wall of {{wallM}}. Correct the opening or the wall’s height.',
  nobodyCanTellWhatIsBeingCounted: 'Nobody can tell what is being counted. Give it a unit.',
  itWontShowUpUnderAnyCost: 'It won’t show up under any cost code. Give it one, or give its section one.',
  itIsntPartOfAnySectionOf: 'It isn’t part of any section of the bid. Move it into one.',
  itIsInTheEstimateAtNo: 'It is in the estimate at no cost. Type its quantity, or delete the line.',
  pinnedAtCalculatedItWouldBeUnpin:
    'Pinned at {{pinned}}; calculated, it would be {{flowing}} {{unit}}. Unpin it, or say why.',
  pricedAgoAskForANewPrice: 'Priced {{date}}, {{days}} ago. Ask for a new price.',
  theQuoteFromExpiredOnAskFor:
    'The quote from {{company}} expired on {{validUntil}}. Ask for an extension, or choose another.',
  isOutsideCheckWhatDrivesIt: '{{about}} is outside {{low}}. Check what drives it.',
  addsItAndIsInTheBase:
    '{{alternate}} adds it, and ‘{{base}}’ is in the base bid too. Mark the base line as removed by the alternate.',
  theSameThingMarkedTwice: 'The same thing marked twice',
  countsLieOnEachOther: 'Two were counted on one spot. Delete one, or say why there are two.',
  runsLieOnEachOther: 'Two runs lie on each other from end to end. Delete one, or say why there are two.',
  countedAndPlaced: 'Counted, and placed in a wall too',
  placedInAWallAndCounted:
    'It sits in a wall, and {{counted}} counts it right there once more. Delete the one that was counted.',
  piecesShorterThanTheirWall: 'Pieces shorter than their wall',
  pieceInAWallOf:
    '{{item}}, {{lengthM}}, in a wall {{wallM}} high. Choose a longer one, or say how it is joined.',
  lengthsFarOffTheirSheet: 'Lengths far off their sheet',
  typedWhereTheSheetShows:
    '{{lengthM}} was typed; the whole sheet shows {{sheetM}} from corner to corner. Check the decimal mark and the unit.',
  questionsNobodyAnswered: 'Assemblies whose questions nobody answered',
  allAtUsualAnswers_one: '{{assembly}} asks one question, and it has its usual answer. Read it, or keep it.',
  allAtUsualAnswers_other:
    '{{assembly}} asks {{count}} questions, and all have their usual answers. Read them, or keep them.',
  optionsWithoutAPrice: 'Options the client can’t read a price of',
  nothingBelongsToOption: 'Nothing belongs to this option. Mark what it adds or removes, or delete it.',
  optionHasUnpricedLines:
    '{{lines}} of this option can’t be priced yet, so that its price on the bid is too low.',
  concreteWithoutBars: 'Concrete without bars',
  neighborHasBars:
    'It has no bars, and {{neighbor}} in the same section has. Add them, or say that it needs none.',
  itemsThatDoNotFitTheirLine: 'Items that do not fit their line',
  itemIsOfAnotherSize: 'Priced by {{item}}, which is of another size. Choose the item again.',
  itemSaysAnotherThing: 'Priced by {{item}}, which shares no word with the line. Choose the item again.',
  regionsThatAreNotApplied: 'Regions that are not applied',
  jobIsInRegion: 'The job is there, and prices are as they are in the book. Apply the region.',
  jobIsInRegionNotIn: 'The job is there, and prices are those of {{applied}}. Apply the right region.',
  adjustmentsThatChangeLittle: 'Adjustments that change little',
  adjustmentChangesNothing: 'It changes no line that has such a cost. Correct what it is on, or delete it.',
  adjustmentChangesFew:
    'Only {{changed}} of the {{lines}} it names have such a cost. Correct what it is on, or delete it.',
  includedButNotInTheBid: 'Said to be included, and not in the bid',
  workIsOnlyInOption:
    '{{work}} is in the option {{alternate}}, not in the base bid. Take it out of the text.',
  textsWithAnOldSize: 'Texts with a size that has changed',
  scopeMeasuresOtherwise: '{{scope}} now has {{property}} {{valueM}}. Correct the text.',
  onePriceForDifferentSizes: 'One price for different sizes',
  sameUnitPriceAs: 'It costs just what {{others}} costs. Check the price of each size.',
  sectionsWithNothingInThem: 'Sections with nothing in them',
  nothingIsPricedUnder:
    'Nothing is priced under {{sections}}, and the bid doesn’t say that it is left out. Price it, or put it under Not included.',
  printedAndNotMeasured: 'Printed on the sheets, and not measured',
  rowsNothingWasMeasuredFor: 'Nothing was measured or counted for {{tags}}.',
  subcontractAndTheSameByHand: 'A subcontract and the same work by your own crew',
  ownLineBesideSubcontract:
    '{{own}} is your own work in the same section. Delete one of the two, or say that both are needed.',
  atMost: '{{high}} at most',
  atLeast: '{{low}} at least',
  to: '{{low}} to {{high}}',
  cameFromAnotherJob:
    '{{quantity}} {{unit}} came from another job. Measure it here, or confirm that it is right.',
  cameFromJob: '{{quantity}} {{unit}} came from {{source}}. Measure it here, or confirm that it is right.',
  quoteBesideLines_one:
    '{{company}} is chosen for {{section}}, and {{count}} line of your own there, {{money}}, is in the bid too. Choose which lines the quote replaces, or accept that both are needed.',
  quoteBesideLines_other:
    '{{company}} is chosen for {{section}}, and {{count}} lines of your own there, {{money}}, are in the bid too. Choose which lines the quote replaces, or accept that both are needed.',
  leavesOutAndNothingIsAllowed:
    '{{company}} leaves out {{missing}}, and nothing is allowed for it. Set an allowance, or ask for a price.',
} as const;
