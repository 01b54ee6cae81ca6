export const problem = {
  thereIsNoFormulaYetTypeA: 'There is no formula yet. Type a figure or a formula.',
  theFormulaHasCharactersAreTakenSplit:
    'The formula has {{number}} characters; {{limit}} are taken. Split it into properties with names.',
  theFormulaNestsDeeperThanParentheses:
    'The formula nests deeper than {{limit}} parentheses. Split it into properties with names.',
  doesNotFitHereAnOperatorA:
    '{{found}} does not fit here. An operator, a name or a figure is missing before it.',
  isntAUnitThisProgramKnows: '{{unit}} isn’t a unit this program knows.{{near}}',
  theFormulaIsntFinishedSomethingIs: 'The formula isn’t finished: something is missing at the end.',
  thisParenthesisIsntClosedAddA: 'This parenthesis isn’t closed. Add a ‘)’.',
  noMatchForHere: 'No match for {{name}} here.{{near}}',
  thereIsNoFunction: 'There is no function {{name}}.{{near}}',
  noTableIsCalled: 'No table is called {{name}}.{{near}}',
  theTableHasNoColumn: 'The table {{table}} has no column {{name}}.{{near}}',
  textInQuotesOnlyWorksInA:
    'Text in quotes only works in a filter, as in total(doors, width, level = "Upper floor").',
  comesFromAllTheRunsTogetherSo:
    '{{measure}} comes from all the runs together, so it can’t be split by level, zone or sheet.',
  severalScopesHaveInUnitsThatCannot:
    'Several scopes have {{measure}}, in units that cannot be added up. Name one scope, or give the properties different names.',
  isWritten: '{{name}} is written {{usage}}.',
  onlyAWholeNumberCanBeThe: 'Only a whole number can be the power of something with a unit.',
  useAComparisonSuchAsLength3: 'Use a comparison such as ‘length > 3 ft’ here, and only here.',
  thisIsAComparisonButANumber:
    'This is a comparison, but a number is needed here. Use if(condition, then, else).',
  didYouMean: ' Did you mean {{near}}?',
  cannotBeAddedTo: '{{place}}: {{a}} cannot be added to {{b}}.',
  cannotBeTakenFrom: '{{place}}: {{b}} cannot be taken from {{a}}.',
  cannotBeComparedWith: '{{place}}: {{a}} cannot be compared with {{b}}.',
  aComparison: 'a comparison',
  takesAPlainNumberHereNotDivide:
    '{{name}} takes a plain number here, not {{found}}. Divide by a unit, as in {{name2}}(length / 1 ft).',
  comparesLikeWithLikeDoesNotFit: '{{name}} compares like with like; {{found}} does not fit with the rest.',
  beginsWithAComparisonAsInIf: '{{name}} begins with a comparison, as in if(length > 3 ft, 1, 0).',
  theRootOfHasNoUnitOf:
    'The root of {{found}} has no unit of its own. Take the root of an area or a plain number.',
  theJobFileIsEmptyExportIt: 'The job file is empty. Export it again where it came from.',
  thisIsntAJobFileOrIt: 'This isn’t a job file, or it is incomplete. Export or copy it again.',
  theJobFileHoldsWhichDoesntBelong:
    'The job file holds {{name}}, which doesn’t belong in it. Export it again where it came from.',
  theJobFileUnpacksToMoreThan:
    'The job file unpacks to more than {{limit}}. It was not opened, to keep this machine safe.',
  thereIsNoJobInThisFile:
    'There is no job in this file: job.json is missing. Choose a file that ends in .zestjob.',
  theJobInThisFileIsDamaged:
    'The job in this file is damaged and cannot be read. Export it again where it came from.',
  thisZipFileIsntAZestLine: 'This zip file isn’t a Zest Line job. Choose a file that ends in .zestjob.',
  theJobComesFromANewerZest:
    'The job comes from a newer Zest Line (format {{version}}; this one reads up to {{known}}). Update Zest Line, then open it again.',
  theJobFileHasAFieldThat:
    'The job file has a field {{field}} that this program doesn’t know. Nothing was imported.',
  recordOfTheJobFileIsA:
    'Record {{place}} of the job file is a {{type}}, which this program doesn’t know. Nothing was imported.',
  recordOfTheJobFileWasRefused: 'Record {{place}} of the job file was refused. {{problem}}',
  theJobFileHasTwiceNothingWas: 'The job file has {{id}} twice. Nothing was imported.',
  theJobFileHasSettingsRecordsA:
    'The job file has {{number}} settings records; a job has one. Nothing was imported.',
  theJobInThisFileContradictsItself: 'The job in this file contradicts itself. {{problem}}',
  theSnapshotInTheFileIsDamaged:
    'The snapshot {{name}} in the file is damaged. Export the job again where it came from.',
  theDrawingsAreMissingFromTheJob:
    'The drawings {{name}} are missing from the job file. Export it again where it came from.',
  theDrawingsWereCutOffInThe:
    'The drawings {{name}} were cut off in the job file. Export it again where it came from.',
  theDrawingsInTheJobFileWould:
    'The drawings {{name}} in the job file would unpack to more than {{limit}} in one piece. Nothing was imported. Take them out where the job came from, or print them to a new PDF.',
  theFileIsEmptyDownloadOrCopy: 'The file is empty. Download or copy it again.',
  thisIsntAPngJpegOrTiff: 'This isn’t a PNG, JPEG or TIFF.',
  theImageIsDamagedOrIncompleteAsk: 'The image is damaged or incomplete. Ask for it again.',
  theScanIsByPixelsTheLimit:
    'The scan is {{value}} by {{value2}} pixels; the limit is {{number}} million. Scan it again at a lower resolution, or in parts.',
  thisIsntAPdfPngJpegOr: 'This isn’t a PDF, PNG, JPEG or TIFF. Add the drawings in one of these formats.',
  thePdfIsDamagedOrIncompleteAnd:
    'The PDF is damaged or incomplete and can’t be read. Download or copy it again.',
  thisPdfIsPasswordProtectedSaveA:
    'This PDF is password-protected. Save a copy without the password, then add that.',
  thePdfHasNoPages: 'The PDF has no pages.',
  thePdfHasPagesUpToCan:
    'The PDF has {{value}} pages; up to {{value2}} can be added at once. Split it into smaller sets.',
  thePdfIsTheLimitIsSplit: 'The PDF is {{bytes}}; the limit is {{limit}}. Split it into smaller sets.',
  onePieceOfThePdfWouldUnpack:
    'One piece of the PDF would unpack to more than {{limit}}, which no drawing needs. Print it to a new PDF and add that.',
  theTableHasNoRowWhoseIs: 'The table {{table}} has no row whose {{column}} is {{wanted}}.',
  isBeyondTheLastRowOfThe:
    '{{wanted}} is beyond the last row of the table {{table}}: its {{column}} ends at {{high}}. Add a row, or check the value you asked for.',
  isBelowTheFirstRowOfThe:
    '{{wanted}} is below the first row of the table {{table}}: its {{column}} begins at {{low}}. Add a row, or check the value you asked for.',
  isZeroHereAndYouCantDivide: '{{text}} is zero here, and you can’t divide by zero.',
  isNegativeHereSoItHasNo: '{{text}} is negative here, so it has no square root.',
  theTableHasNoRow: 'The table {{table}} has no row {{wanted}}.',
  theTableIsEmptyAddSomeRows: 'The table {{table}} is empty. Add some rows.',
  wouldContainItselfChooseADifferent: '{{name}} would contain itself. Choose a different assembly.',
  isUsedInRemoveItThereFirst: '{{name}} is used in {{places}}. Remove it there first.',
  isTooLargeToCalculate: '{{text}} is too large to calculate.',
  isntAScaleWrite181: '{{text}} isn’t a scale. Write 1/8" = 1\'-0" or 1:100.',
  aScaleOfIsFarOutsideWhat:
    'A scale of {{text}} is far outside what drawings use. Check the two points and the distance.',
  toJoinSheetsPickTwoPointsThat:
    'To join sheets, pick two points that both of them show. Click the second one on both sheets.',
  bothPointsAreInTheSameSpot:
    'Both points are in the same spot on one sheet, so the other can’t be lined up. Undo one and pick another, far away.',
  bothSidesShowTheSameSheetChoose: 'Both sides show the same sheet. Choose a different sheet on one side.',
  bothSheetsAreOnTheSameSide:
    'Both sheets are on the same side of the line through the two points. Pick points on the match line, in the same order on both.',
  theJoinedSheetWouldBeLargerThan:
    'The joined sheet would be larger than any paper. Check that you picked the same points on both sheets.',
  bothDistancesRunInTheSameDirection:
    'Both distances run in the same direction. Pick one across the sheet and one up it.',
  theTwoPointsAreInTheSame:
    'The two points are in the same spot, or the distance is zero. Pick two points far apart.',
  aHasAFieldThatThisProgram: 'A {{value}} has a field {{field}} that this program doesn’t know.',
  aStillRefersToWhichDoesntExist:
    'A {{value}} still refers to {{missing}}, which doesn’t exist. Remove it first.',
  theKeyIsAlreadyUsedByAnother: 'The key {{key}} is already used by another scope. Choose a different one.',
  isAWordOfTheFormulaLanguage: '{{key}} is a word of the formula language. Choose another key.',
  theCodeIsAlreadyUsedByAnother:
    'The code {{code}} is already used by another item in the price book. Choose a different one.',
  thisHasBeenDeletedSinceNothingWas: 'This has been deleted since. Nothing was changed.',
  theOpeningIsWiderThanItsWall:
    'The opening is wider than its wall. Make it narrower, or put it in a longer wall.',
  sectionCantBeInsideItself: 'Section {{name}} can’t be inside itself.',
  sectionHoldsMoveOrRemoveThemFirst: 'Section {{name}} holds {{sections}}. Move or remove them first.',
  isUsedByGiveThemAnotherCraft: '{{name}} is used by {{itemsAndCrews}}. Give them another craft first.',
  crewDoesGiveThemAnotherCrewFirst: 'Crew {{name}} does {{itemsAndLines}}. Give them another crew first.',
  isAMarginOfThePriceSo: '{{name}} is a margin of the price, so it has to be below 100 %.',
  theDiskIsFullSoTheLast:
    'The disk is full, so the last changes aren’t saved. Free up some space and try again, or export the job now.',
  theBrowserCouldntSaveTheLastChanges:
    'The browser couldn’t save the last changes. They are still here: try again, or export the job now.',
  aNewerVersionOfZestLineSaved:
    'A newer version of Zest Line saved this job (format {{version}}; this one reads up to {{known}}). Reload the page to update, then open it again. Nothing was changed.',
  thisJobIsntInThisBrowserIt:
    'This job isn’t in this browser. It may have been deleted. To get it back, import its .zestjob file.',
  theDrawingsArentInThisBrowserRemove:
    'The drawings {{name}} aren’t in this browser. Remove their sheets or add the drawings again, then export.',
  isOpenInAnotherTab: '{{name}} is open in another tab. Close it there, then try again.',
  thisJobIsOpenInAnotherTab:
    'This job is open in another tab. You can follow it here; to make changes, choose Edit here.',
  thisJobWasRemovedFromThisBrowser:
    'This job was removed from this browser. {{changes}} made here can’t be saved. Export the job to keep it.',
  theFileIsTheLimitIs: 'The file is {{bytes}}; the limit is {{limit}}.',
  readingWasStoppedNothingWasImported: 'Reading was stopped. Nothing was imported.',
  somethingWentWrongWithSoNothingWas:
    'Something went wrong with ‘{{label}}’, so nothing was changed ({{reason}}). Export the job to be safe, then reload the page.',
  theBrowserBlockedTheClipboardAllowIt:
    'The browser blocked the clipboard. Allow it for this page, or use Ctrl+C and Ctrl+V.',
  thereIsNoCraftOrCrewCalled:
    'There is no craft or crew called {{text}}. Add it under Prices, Labor and regions.',
  aRunNeedsTwoPoints: 'A run needs two points.',
  anAreaNeedsThreePoints: 'An area needs three points.',
  theOfThe: 'The {{value}} of the {{owner}}',
  isEmptyTypeSomething: '{{what}} is empty. Type something.',
  isTooLongTheLimitIsCharacters: '{{what}} is too long; the limit is {{value}} characters.',
  width: 'width',
  margin: 'margin',
  heading: 'heading',
  caption: 'caption',
  text: 'text',
  note: 'note',
  date: 'date',
  isAbove: '{{what}} is above {{value}}.',
  isBelow: '{{what}} is below {{value}}.',
  isntValidCheckWhatYouTyped: '{{what}} isn’t valid. Check what you typed.',
  name: 'name',
  title: 'title',
  description: 'description',
  materialCost: 'material cost',
  equipmentCost: 'equipment cost',
  subcontractCost: 'subcontract cost',
  priceBasis: 'price basis',
  taxRate: 'tax rate',
  thisJobWritesNumbersTheOtherWay: '{{text}}: this job writes numbers the other way. Did you mean {{value}}?',
  isntANumberTypeAFigureSuch:
    '{{text}} isn’t a number. Type a figure such as {{example}}, or arithmetic such as 2 * {{example2}}.',
  isAPercentageTypeAnAmountHere: '{{text}} is a percentage. Type an amount here.',
  isMoneyTypeAFigure: '{{text}} is an amount of money. Type a figure without a currency here.',
  isInAnotherCurrencyThisJobIs:
    '{{text}} is in another currency; this job is in {{currency}}. Convert it first.',
  isntPossibleHere: '{{text}} isn’t possible here. {{least}}',
  typeAWholeNumber: 'Type a whole number.',
  typeOrMore: 'Type {{from}} or more.',
  typeSomethingFromTo: 'Type something from {{from}} to {{to}}.',
  typeOrLess: 'Type {{to}} or less.',
  takeoverOwn_one:
    '1 change made in this tab was never saved. Export the job to keep it, then choose Edit here.',
  takeoverOwn_other:
    '{{count}} changes made in this tab were never saved. Export the job to keep them, then choose Edit here.',
  takeoverTheirs_one:
    'The other tab has 1 change it can’t save. Export the job there first; editing here loses it.',
  takeoverTheirs_other:
    'The other tab has {{count}} changes it can’t save. Export the job there first; editing here loses them.',
  savesTaken_one:
    'Another tab took this job before 1 change made here could be saved. Export the job to keep it.',
  savesTaken_other:
    'Another tab took this job before {{count}} changes made here could be saved. Export the job to keep them.',
  isUsedByChangeTheseFirst: '{{name}} is used by {{users}}. Change these first.',
  andMore: '{{number}} more',
  isUsedByRemoveItThereFirst: '{{name}} is used by {{scopes}}. Remove it there first.',
  copyCouldNotBeWritten:
    'The copy of the job could not be written to the folder. The job itself is saved in the browser. Check that the folder is still there and has room, then try again.',
  copyCouldNotBeWrittenBecause:
    'The copy of the job could not be written to the folder ({{reason}}). The job itself is saved in the browser. Check that the folder is still there and has room, then try again.',
  jobWithoutSettings:
    'This job could not be opened: its settings are missing. What is stored of it was left as it is. Open the last file you saved of it, or a copy from your backup folder.',
  jobWithManySettings:
    'This job could not be opened: its settings are there more than once. What is stored of it was left as it is. Open the last file you saved of it, or a copy from your backup folder.',
  writingTookTooLong:
    'The file took too long to write, so it was stopped. Nothing was changed. Filter the report to fewer rows, then try again.',
  writingDied: 'The file couldn’t be written. Nothing was changed. Try again.',
  readingTookTooLong:
    'Reading took too long and was stopped. Nothing was imported. Split the file, or save it in a simpler format.',
  readingAskedTooMuch:
    'Reading was stopped: the file asks for more memory than this browser has. Nothing was imported. Split the file, or save it in a simpler format.',
  onlyCanBeComparedWithAQuoted: 'Only {{names}} can be compared with a quoted word, by = or !=.',
  thisGivesIsNeededHere: 'This gives {{found}}; {{wanted}} is needed here.',
  thisGivesIsNeededUnit: 'This gives {{found}}; {{wanted}} is needed here. Did you leave out the unit?',
  jobFileWasDamaged:
    'The job file was damaged in transit. Copy or export the file again. Nothing was imported.',
  entryWasDamaged: '{{name}} was damaged in transit. Copy or export the file again. Nothing was imported.',
  wouldBeMeters: '{{text}} would be meters. Did you mean {{millimeters}} mm? Type the unit with it.',
  wouldBeFeet: '{{text}} would be feet. Did you mean {{millimeters}} mm? Type the unit with it.',
} as const;
