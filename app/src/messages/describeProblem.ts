import type { ZestjobProblem } from '@zest/core/formats/zestjob/problem';
import type { EntryProblem } from '@zest/core/formula/evaluateEntry';
import { describeTyped } from './describeTyped.ts';
import type { TypedProblem } from '@zest/core/formula/readTyped';
import type { ArithmeticFailure, FormulaProblem } from '@zest/core/formula/problem';
import type { FieldFault, JobProblem } from '@zest/core/job/problem';
import type { ScaleProblem } from '@zest/core/takeoff/scale';
import { type Dimension, sameDimension } from '@zest/core/units/dimension';
import { getUnit } from '@zest/core/units/unit';
import type { StoredProblem } from '../storage/storedJob.ts';

import type { JoinProblem } from '@zest/core/takeoff/joinSheets';
import { RECORD_WORDS, fileSize } from './words.ts';
import { type DrawingProblem, describeDrawing, describeZestjob } from './describeFile.ts';
import { describeFormula } from './describeFormula.ts';
import { quote, short } from './quote.ts';
import { t } from './t.ts';
import { firstOf, listWith } from './lists.ts';

/** Problems of the browser and the app around a job. */
export type AppProblem =
  | { readonly kind: 'disk-full' }
  | { readonly kind: 'storage-failed' }
  | { readonly kind: 'job-missing' }
  | StoredProblem
  | { readonly kind: 'drawings-lost'; readonly name: string }
  | { readonly kind: 'read-only' }
  /** A job that is not the one at work would be changed, and is open elsewhere. */
  | { readonly kind: 'open-elsewhere'; readonly name: string }
  /** Changes made here, or in the other tab, that a take-over would leave behind. */
  | { readonly kind: 'takeover-own'; readonly count: number }
  | { readonly kind: 'takeover-theirs'; readonly count: number }
  | { readonly kind: 'save-lost'; readonly why: 'taken' | 'gone'; readonly count: number }
  | { readonly kind: 'copy-failed'; readonly reason: string }
  | { readonly kind: 'file-too-large'; readonly bytes: number; readonly limit: number }
  /** A file that was being read beside the page: too much of it, stopped by the person, or the worker died. */
  | { readonly kind: 'reading-ended'; readonly why: 'too-long' | 'canceled' | 'died' }
  /** A file that was being written beside the page. */
  | { readonly kind: 'writing-ended'; readonly why: 'too-long' | 'canceled' | 'died' }
  /** A mistake of the program while figures followed a change, which was not made. */
  | { readonly kind: 'not-figured'; readonly label: string; readonly reason: string }
  | { readonly kind: 'clipboard' }
  | { readonly kind: 'worker-unknown'; readonly text: string }
  | { readonly kind: 'too-few-points'; readonly kindOfMark: 'run' | 'area' };

export type Problem =
  | JobProblem
  | FormulaProblem
  | TypedProblem
  | ArithmeticFailure
  | ScaleProblem
  | ZestjobProblem
  | DrawingProblem
  | JoinProblem
  | AppProblem;

/** What happened, to what, and what to do. One sentence or two, for every problem there is. */
export function describeProblem(problem: Problem): string {
  const { kind } = problem;
  if (kind.startsWith('formula-')) return describeFormula(problem as FormulaProblem);
  if (kind.startsWith('typed-')) return describeTyped(problem as TypedProblem);
  if (kind.startsWith('zestjob-')) return describeZestjob(problem as ZestjobProblem, describeProblem);
  if (kind.startsWith('pdf-') || kind.startsWith('image-')) return describeDrawing(problem as DrawingProblem);
  return describeOther(
    problem as Exclude<Problem, FormulaProblem | TypedProblem | ZestjobProblem | DrawingProblem>,
  );
}

/** For typed figures. */
export const describeEntry = (problem: EntryProblem): string => describeProblem(problem);

type Other = Exclude<Problem, FormulaProblem | TypedProblem | ZestjobProblem | DrawingProblem>;

const BOTH_UNITS: readonly (readonly [us: string, metric: string])[] = [
  ['in', 'mm'],
  ['in²', 'mm²'],
  ['yd³', 'm³'],
  ['lb', 'kg'],
  ['h', 'h'],
];

/** A figure in both systems, for a sentence that does not know which one the job is in. */
export function writePlain(value: number, dimension: Dimension): string {
  const round = (amount: number): string => String(Number(amount.toPrecision(5)));
  const found = BOTH_UNITS.find(([us]) => sameDimension(getUnit(us).dimension, dimension));
  if (found === undefined) return round(value);
  const [us, metric] = found.map((symbol) => `${round(value / getUnit(symbol).factor)} ${symbol}`);
  return us === metric ? (us ?? '') : `${us} (${metric})`;
}

function describeLookup(problem: ArithmeticFailure & { kind: 'lookup-none' }): string {
  const { table, column, mode, needed, least, largest, dimension } = problem;
  const written = (value: number): string => writePlain(value, dimension);
  const [wanted, low, high] = [written(needed), written(least), written(largest)];
  if (mode === 'exact') return t('problem.theTableHasNoRowWhoseIs', { table, column, wanted });
  if (needed > largest) return t('problem.isBeyondTheLastRowOfThe', { wanted, table, column, high });
  return t('problem.isBelowTheFirstRowOfThe', { wanted, table, column, low });
}

const OTHER_WORDS: {
  readonly [Kind in Other['kind']]: (problem: Extract<Other, { kind: Kind }>) => string;
} = {
  'divide-by-zero': (problem) => t('problem.isZeroHereAndYouCantDivide', { text: short(problem.text) }),
  'root-of-negative': (problem) => t('problem.isNegativeHereSoItHasNo', { text: short(problem.text) }),
  'lookup-none': (problem) => describeLookup(problem),
  'lookup-no-row': (problem) =>
    t('problem.theTableHasNoRow', { table: problem.table, wanted: quote(problem.wanted) }),
  'lookup-empty': (problem) => t('problem.theTableIsEmptyAddSomeRows', { table: problem.table }),
  'assembly-inside-itself': (problem) =>
    t('problem.wouldContainItselfChooseADifferent', { name: problem.name }),
  'name-in-use': (problem) =>
    t('problem.isUsedByChangeTheseFirst', {
      name: quote(problem.name),
      users: usersOf(problem.users),
    }),
  'difficulty-in-use': (problem) =>
    t('problem.isUsedInRemoveItThereFirst', {
      name: quote(problem.name),
      places: t('count.place', { count: problem.count }),
    }),
  'too-large': (problem) => t('problem.isTooLargeToCalculate', { text: short(problem.text) }),
  'scale-not-read': (problem) => t('problem.isntAScaleWrite181', { text: quote(problem.text) }),
  'scale-out-of-range': (problem) => t('problem.aScaleOfIsFarOutsideWhat', { text: quote(problem.text) }),
  'join-too-few-points': () => t('problem.toJoinSheetsPickTwoPointsThat'),
  'join-points-coincide': () => t('problem.bothPointsAreInTheSameSpot'),
  'join-same-sheet': () => t('problem.bothSidesShowTheSameSheetChoose'),
  'join-same-side': () => t('problem.bothSheetsAreOnTheSameSide'),
  'join-too-large': () => t('problem.theJoinedSheetWouldBeLargerThan'),
  'scale-one-way': () => t('problem.bothDistancesRunInTheSameDirection'),
  'scale-points-coincide': () => t('problem.theTwoPointsAreInTheSame'),
  'record-invalid': (problem) => describeField(RECORD_WORDS[problem.type], problem.field, problem.reason),
  'record-unknown-field': (problem) =>
    t('problem.aHasAFieldThatThisProgram', {
      value: RECORD_WORDS[problem.type],
      field: quote(problem.field),
    }),
  'record-missing-reference': (problem) =>
    t('problem.aStillRefersToWhichDoesntExist', {
      value: RECORD_WORDS[problem.type],
      missing: quote(problem.missing),
    }),
  'key-taken': (problem) => t('problem.theKeyIsAlreadyUsedByAnother', { key: quote(problem.key) }),
  'key-reserved': (problem) => t('problem.isAWordOfTheFormulaLanguage', { key: quote(problem.key) }),
  'code-taken': (problem) => t('problem.theCodeIsAlreadyUsedByAnother', { code: quote(problem.code) }),
  'record-gone': () => t('problem.thisHasBeenDeletedSinceNothingWas'),
  'opening-too-wide': () => t('problem.theOpeningIsWiderThanItsWall'),
  'section-inside-itself': (problem) => t('problem.sectionCantBeInsideItself', { name: quote(problem.name) }),
  'assembly-in-use': (problem) =>
    t('problem.isUsedByRemoveItThereFirst', {
      name: quote(problem.name),
      scopes: listWith('and', problem.scopes.map(quote)),
    }),
  'section-in-use': (problem) =>
    t('problem.sectionHoldsMoveOrRemoveThemFirst', {
      name: quote(problem.name),
      sections: t('count.section', { count: problem.count }),
    }),
  'craft-in-use': (problem) =>
    t('problem.isUsedByGiveThemAnotherCraft', {
      name: quote(problem.name),
      itemsAndCrews: t('count.itemOrCrew', { count: problem.count }),
    }),
  'crew-in-use': (problem) =>
    t('problem.crewDoesGiveThemAnotherCrewFirst', {
      name: quote(problem.name),
      itemsAndLines: t('count.itemOrLine', { count: problem.count }),
    }),
  'margin-too-large': (problem) => t('problem.isAMarginOfThePriceSo', { name: quote(problem.name) }),
  'disk-full': () => t('problem.theDiskIsFullSoTheLast'),
  'copy-failed': (problem) =>
    problem.reason === ''
      ? t('problem.copyCouldNotBeWritten')
      : t('problem.copyCouldNotBeWrittenBecause', { reason: problem.reason }),
  'storage-failed': () => t('problem.theBrowserCouldntSaveTheLastChanges'),
  'job-unreadable': (problem) =>
    t(problem.settings === 0 ? 'problem.jobWithoutSettings' : 'problem.jobWithManySettings'),
  'records-newer': (problem) =>
    t('problem.aNewerVersionOfZestLineSaved', { version: problem.version, known: problem.known }),
  'job-missing': () => t('problem.thisJobIsntInThisBrowserIt'),
  'drawings-lost': (problem) =>
    t('problem.theDrawingsArentInThisBrowserRemove', { name: quote(problem.name) }),
  'read-only': () => t('problem.thisJobIsOpenInAnotherTab'),
  'open-elsewhere': ({ name }) => t('problem.isOpenInAnotherTab', { name: quote(name) }),
  'takeover-own': (problem) => t('problem.takeoverOwn', { count: problem.count }),
  'takeover-theirs': (problem) => t('problem.takeoverTheirs', { count: problem.count }),
  'save-lost': (problem) =>
    problem.why === 'taken'
      ? t('problem.savesTaken', { count: problem.count })
      : t('problem.thisJobWasRemovedFromThisBrowser', {
          changes: t('count.change', { count: problem.count }),
        }),
  'file-too-large': (problem) =>
    t('problem.theFileIsTheLimitIs', {
      bytes: fileSize(problem.bytes),
      limit: fileSize(problem.limit),
    }),
  'reading-ended': (problem) =>
    problem.why === 'canceled'
      ? t('problem.readingWasStoppedNothingWasImported')
      : t(problem.why === 'too-long' ? 'problem.readingTookTooLong' : 'problem.readingAskedTooMuch'),
  'writing-ended': (problem) =>
    t(problem.why === 'too-long' ? 'problem.writingTookTooLong' : 'problem.writingDied'),
  'not-figured': (problem) =>
    t('problem.somethingWentWrongWithSoNothingWas', {
      label: short(problem.label, 80),
      reason: short(problem.reason, 120),
    }),
  clipboard: () => t('problem.theBrowserBlockedTheClipboardAllowIt'),
  'worker-unknown': (problem) => t('problem.thereIsNoCraftOrCrewCalled', { text: quote(problem.text) }),
  'too-few-points': (problem) =>
    problem.kindOfMark === 'run' ? t('problem.aRunNeedsTwoPoints') : t('problem.anAreaNeedsThreePoints'),
};

function describeOther(problem: Other): string {
  const write = OTHER_WORDS[problem.kind] as (problem: Other) => string;
  return write(problem);
}

function describeField(owner: string, field: string, reason: FieldFault): string {
  const what = t('problem.theOfThe', {
    value: FIELD_WORDS[field.split('.').at(-1) ?? ''] ?? (field || 'record'),
    owner,
  });
  switch (reason.fault) {
    case 'empty':
      return t('problem.isEmptyTypeSomething', { what });
    case 'too-long':
      return t('problem.isTooLongTheLimitIsCharacters', {
        what,
        value: reason.limit.toLocaleString('en-US'),
      });
    case 'too-large':
      return t('problem.isAbove', { what, value: reason.limit.toLocaleString('en-US') });
    case 'too-small':
      return t('problem.isBelow', { what, value: reason.limit.toLocaleString('en-US') });
    case 'not-as-expected':
      return t('problem.isntValidCheckWhatYouTyped', { what });
  }
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: t('problem.name'),
  key: 'key',
  title: t('problem.title'),
  number: 'number',
  description: t('problem.description'),
  code: 'code',
  unit: 'unit',
  wage: 'wage',
  percent: 'percentage',
  wastePercent: 'waste',
  roundUpTo: 'round-up',
  material: t('problem.materialCost'),
  equipment: t('problem.equipmentCost'),
  subcontract: t('problem.subcontractCost'),
  laborHours: 'hours',
  basis: t('problem.priceBasis'),
  amount: 'cost',
  question: 'question',
  taxOnMaterials: t('problem.taxRate'),
  widthPercent: t('problem.width'),
  marginMm: t('problem.margin'),
  heading: t('problem.heading'),
  caption: t('problem.caption'),
  text: t('problem.text'),
  note: t('problem.note'),
  date: t('problem.date'),
};

const NAMED_USERS = 4;

function usersOf(users: readonly string[]): string {
  const [first, more] = firstOf(users, NAMED_USERS);
  return listWith('and', more > 0 ? [...first, t('problem.andMore', { number: more })] : first);
}
