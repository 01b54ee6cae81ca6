import type { ZestjobProblem } from '@zest/core/formats/zestjob/problem';
import type { EntryProblem } from '@zest/core/formula/evaluateEntry';
import { describeTyped } from './describeTyped.ts';
import type { TypedProblem } from '@zest/core/formula/readTyped';
import type { ArithmeticFailure, FormulaProblem } from '@zest/core/formula/problem';
import type { FieldFault, JobProblem } from '@zest/core/job/problem';
import { unreachable } from '@zest/core/problem/result';
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
  /** Changes made here, or in the other tab, that a take-over would leave behind. */
  | { readonly kind: 'takeover-own'; readonly count: number }
  | { readonly kind: 'takeover-theirs'; readonly count: number }
  | { readonly kind: 'save-lost'; readonly why: 'taken' | 'gone'; readonly count: number }
  | { readonly kind: 'copy-failed'; readonly reason: string }
  | { readonly kind: 'file-too-large'; readonly bytes: number; readonly limit: number }
  /** A file that was being read beside the page: too much of it, stopped by the person, or the worker died. */
  | { readonly kind: 'reading-ended'; readonly why: 'too-long' | 'canceled' | 'died' }
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

function describeOther(problem: Other): string {
  switch (problem.kind) {
    case 'divide-by-zero':
      return t('problem.isZeroHereAndYouCantDivide', { text: short(problem.text) });
    case 'root-of-negative':
      return t('problem.isNegativeHereSoItHasNo', { text: short(problem.text) });
    case 'lookup-none':
      return describeLookup(problem);
    case 'lookup-no-row':
      return t('problem.theTableHasNoRow', { table: problem.table, wanted: quote(problem.wanted) });
    case 'lookup-empty':
      return t('problem.theTableIsEmptyAddSomeRows', { table: problem.table });
    case 'assembly-inside-itself':
      return t('problem.wouldContainItselfChooseADifferent', { name: problem.name });
    case 'name-in-use':
      return t('problem.isUsedByChangeTheseFirst', {
        name: quote(problem.name),
        users: usersOf(problem.users),
      });
    case 'difficulty-in-use':
      return t('problem.isUsedInRemoveItThereFirst', {
        name: quote(problem.name),
        places: t('count.place', { count: problem.count }),
      });
    case 'too-large':
      return t('problem.isTooLargeToCalculate', { text: short(problem.text) });
    case 'scale-not-read':
      return t('problem.isntAScaleWrite181', { text: quote(problem.text) });
    case 'scale-out-of-range':
      return t('problem.aScaleOfIsFarOutsideWhat', { text: quote(problem.text) });
    case 'join-too-few-points':
      return t('problem.toJoinSheetsPickTwoPointsThat');
    case 'join-points-coincide':
      return t('problem.bothPointsAreInTheSameSpot');
    case 'join-same-sheet':
      return t('problem.bothSidesShowTheSameSheetChoose');
    case 'join-same-side':
      return t('problem.bothSheetsAreOnTheSameSide');
    case 'join-too-large':
      return t('problem.theJoinedSheetWouldBeLargerThan');
    case 'scale-one-way':
      return t('problem.bothDistancesRunInTheSameDirection');
    case 'scale-points-coincide':
      return t('problem.theTwoPointsAreInTheSame');
    case 'record-invalid':
      return describeField(RECORD_WORDS[problem.type] ?? problem.type, problem.field, problem.reason);
    case 'record-unknown-field':
      return t('problem.aHasAFieldThatThisProgram', {
        value: RECORD_WORDS[problem.type] ?? problem.type,
        field: quote(problem.field),
      });
    case 'record-missing-reference':
      return t('problem.aStillRefersToWhichDoesntExist', {
        value: RECORD_WORDS[problem.type] ?? problem.type,
        missing: quote(problem.missing),
      });
    case 'key-taken':
      return t('problem.theKeyIsAlreadyUsedByAnother', { key: quote(problem.key) });
    case 'key-reserved':
      return t('problem.isAWordOfTheFormulaLanguage', { key: quote(problem.key) });
    case 'code-taken':
      return t('problem.theCodeIsAlreadyUsedByAnother', { code: quote(problem.code) });
    case 'record-gone':
      return t('problem.thisHasBeenDeletedSinceNothingWas');
    case 'opening-too-wide':
      return t('problem.theOpeningIsWiderThanItsWall');
    case 'section-inside-itself':
      return t('problem.sectionCantBeInsideItself', { name: quote(problem.name) });
    case 'assembly-in-use':
      return t('problem.isUsedByRemoveItThereFirst', {
        name: quote(problem.name),
        scopes: listWith('and', problem.scopes.map(quote)),
      });
    case 'section-in-use':
      return t('problem.sectionHoldsMoveOrRemoveThemFirst', {
        name: quote(problem.name),
        sections: t('count.section', { count: problem.count }),
      });
    case 'craft-in-use':
      return t('problem.isUsedByGiveThemAnotherCraft', {
        name: quote(problem.name),
        itemsAndCrews: t('count.itemOrCrew', { count: problem.count }),
      });
    case 'crew-in-use':
      return t('problem.crewDoesGiveThemAnotherCrewFirst', {
        name: quote(problem.name),
        itemsAndLines: t('count.itemOrLine', { count: problem.count }),
      });
    case 'margin-too-large':
      return t('problem.isAMarginOfThePriceSo', { name: quote(problem.name) });
    case 'disk-full':
      return t('problem.theDiskIsFullSoTheLast');
    case 'copy-failed':
      return problem.reason === ''
        ? t('problem.copyCouldNotBeWritten')
        : t('problem.copyCouldNotBeWrittenBecause', { reason: problem.reason });
    case 'storage-failed':
      return t('problem.theBrowserCouldntSaveTheLastChanges');
    case 'job-unreadable':
      return t(problem.settings === 0 ? 'problem.jobWithoutSettings' : 'problem.jobWithManySettings');
    case 'records-newer':
      return t('problem.aNewerVersionOfZestLineSaved', { version: problem.version, known: problem.known });
    case 'job-missing':
      return t('problem.thisJobIsntInThisBrowserIt');
    case 'drawings-lost':
      return t('problem.theDrawingsArentInThisBrowserRemove', { name: quote(problem.name) });
    case 'read-only':
      return t('problem.thisJobIsOpenInAnotherTab');
    case 'takeover-own':
      return t('problem.takeoverOwn', { count: problem.count });
    case 'takeover-theirs':
      return t('problem.takeoverTheirs', { count: problem.count });
    case 'save-lost':
      return problem.why === 'taken'
        ? t('problem.savesTaken', { count: problem.count })
        : t('problem.thisJobWasRemovedFromThisBrowser', {
            changes: t('count.change', { count: problem.count }),
          });
    case 'file-too-large':
      return t('problem.theFileIsTheLimitIs', {
        bytes: fileSize(problem.bytes),
        limit: fileSize(problem.limit),
      });
    case 'reading-ended':
      return problem.why === 'canceled'
        ? t('problem.readingWasStoppedNothingWasImported')
        : t(problem.why === 'too-long' ? 'problem.readingTookTooLong' : 'problem.readingAskedTooMuch');
    case 'not-figured':
      return t('problem.somethingWentWrongWithSoNothingWas', {
        label: short(problem.label, 80),
        reason: short(problem.reason, 120),
      });
    case 'clipboard':
      return t('problem.theBrowserBlockedTheClipboardAllowIt');
    case 'worker-unknown':
      return t('problem.thereIsNoCraftOrCrewCalled', { text: quote(problem.text) });
    case 'too-few-points':
      return problem.kindOfMark === 'run'
        ? t('problem.aRunNeedsTwoPoints')
        : t('problem.anAreaNeedsThreePoints');
    default:
      return unreachable(problem);
  }
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
};

const NAMED_USERS = 4;

function usersOf(users: readonly string[]): string {
  const [first, more] = firstOf(users, NAMED_USERS);
  return listWith('and', more > 0 ? [...first, t('problem.andMore', { number: more })] : first);
}
