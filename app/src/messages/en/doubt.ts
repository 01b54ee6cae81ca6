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
    '{{prices}} priced by samples that ship with Zest Line. Nobody offered them to you: put your own prices in the price book, or import a list.',
  sampleWagesOnly: '{{wages}} with hours at sample wages. Set your own wages.',
  samplePricesAndWages:
    '{{prices}} priced by samples that ship with Zest Line, and {{wages}} with hours at sample wages. Nobody offered them to you: put your own in the price book, or import a list.',
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
