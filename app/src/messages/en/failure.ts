export const failure = {
  noScale: 'no scale',
  dividesByZero: 'divides by zero',
  noFigure: 'no figure',
  noPrice: 'no price',
  noQuantity: 'no quantity',
  noSuchItem: 'no such item',
  outOfRange: 'out of range',
  noMarks: 'no marks',
  belowZero: 'below zero',
  noPitch: 'no pitch',
  unitsDiffer: 'units differ',
  noWage: 'no wage',
  noneLargeEnough: 'none large enough',
  noQuoteChosen: 'no quote chosen',
  sheetHasNoScaleYetSetIt: 'Sheet {{number}} has no scale yet. Set it to get this figure.',
  theseFiguresDependOnEachOtherChange: 'These figures depend on each other: {{value}}. Change one of them.',
  noLongerExistsUseAnotherNameIn: '{{node}} no longer exists. Use another name in the formula.',
  noPriceYetChooseAnItemFrom: 'No price yet. Choose an item from the price book, or type a cost.',
  noQuantityYet: 'No quantity yet.',
  thePriceBookHasNoItemChoose: 'The price book has no item {{code}}. Choose another, or add it.',
  takesChangeTheAnswer: '‘{{question}}’ takes {{failure}}. Change the answer.',
  isCalculatedForEachMarkButHere:
    '{{component}} is calculated for each mark, but here it is inside another assembly, which only passes it an amount. Calculate it on the total instead.',
  comesOutBelowZeroCheckItsFormula:
    '{{component}} comes out below zero. Check its formula and the figures in it.',
  theRoofSlopeHasNoPitchYet:
    'The roof slope has no pitch yet. Select it and type one, such as 6/12, 30 % or 27°.',
  isntAPitchTypeOneSuchAs: '‘{{pitch}}’ isn’t a pitch. Type one such as 6/12, 30 % or 27°.',
  measuredInButIsPricedPerChoose:
    'Measured in {{measuredUnit}} ({{measured}}), but {{code}} is priced per {{priced}}. Choose an item with a matching unit.',
  thereIsNobodyToDoTheseHours:
    'There is nobody to do these hours. Choose who does the line, or give its item a craft or crew.',
  hasNoWageSetItUnderPrices: '{{craft}} has no wage. Set it under Prices, Labor and regions.',
  noItemOfInThePriceBook:
    'No item of ‘{{family}}’ in the price book is large enough{{failure}}. Add a larger one, or choose an item by hand.',
  noQuoteIsChosenForYetChoose: 'No quote is chosen for {{package}} yet. Choose one under Quotes.',
  for: ' for {{words}}',
  atMost: '{{max}} at most',
  atLeast: '{{min}} at least',
  to: '{{min}} to {{max}}',
  anAssembly: 'an assembly',
} as const;
