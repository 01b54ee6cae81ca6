import type { FormulaProblem } from '@zest/core/formula/problem';
import { isNumber } from '@zest/core/units/dimension';
import { quote, short } from './quote.ts';
import { t } from './t.ts';
import { describeDimension } from './words.ts';
import { listWith } from './lists.ts';

const FORMULA_WORDS: {
  readonly [Kind in FormulaProblem['kind']]: (problem: Extract<FormulaProblem, { kind: Kind }>) => string;
} = {
  'formula-empty': () => t('problem.thereIsNoFormulaYetTypeA'),
  'formula-too-long': (problem) =>
    t('problem.theFormulaHasCharactersAreTakenSplit', {
      number: problem.length,
      limit: problem.limit,
    }),
  'formula-too-deep': (problem) =>
    t('problem.theFormulaNestsDeeperThanParentheses', { limit: problem.limit }),
  'formula-unexpected': (problem) => t('problem.doesNotFitHereAnOperatorA', { found: quote(problem.found) }),
  'formula-unit-unknown': (problem) =>
    t('problem.isntAUnitThisProgramKnows', {
      unit: quote(problem.unit),
      near: suggest(problem.near),
    }),
  'formula-unfinished': () => t('problem.theFormulaIsntFinishedSomethingIs'),
  'formula-unclosed': () => t('problem.thisParenthesisIsntClosedAddA'),
  'formula-name-unknown': (problem) =>
    t('problem.noMatchForHere', { name: quote(problem.name), near: suggest(problem.near) }),
  'formula-function-unknown': (problem) =>
    t('problem.thereIsNoFunction', { name: quote(problem.name), near: suggest(problem.near) }),
  'formula-table-unknown': (problem) =>
    t('problem.noTableIsCalled', { name: quote(problem.name), near: suggest(problem.near) }),
  'formula-column-unknown': (problem) =>
    t('problem.theTableHasNoColumn', {
      table: problem.table,
      name: quote(problem.name),
      near: suggest(problem.near),
    }),
  'formula-text': () => t('problem.textInQuotesOnlyWorksInA'),
  'formula-filter-text': (problem) =>
    t('problem.onlyCanBeComparedWithAQuoted', { names: listWith('and', problem.known) }),
  'formula-filter-measure': (problem) =>
    t('problem.comesFromAllTheRunsTogetherSo', { measure: problem.measure }),
  'formula-total-mixed': (problem) =>
    t('problem.severalScopesHaveInUnitsThatCannot', { measure: quote(problem.measure) }),
  'formula-arguments': (problem) => t('problem.isWritten', { name: problem.name, usage: problem.usage }),
  'formula-dimension-add': (problem) => describeAdd(problem),
  'formula-dimension-argument': (problem) => describeArgument(problem),
  'formula-power': () => t('problem.onlyAWholeNumberCanBeThe'),
  'formula-condition': () => t('problem.useAComparisonSuchAsLength3'),
  'formula-not-a-figure': () => t('problem.thisIsAComparisonButANumber'),
  'formula-dimension-result': (problem) =>
    t(isNumber(problem.found) ? 'problem.thisGivesIsNeededUnit' : 'problem.thisGivesIsNeededHere', {
      found: describeDimension(problem.found),
      wanted: describeDimension(problem.wanted),
    }),
};

/** What is wrong with a formula, and where. */
export function describeFormula(problem: FormulaProblem): string {
  const write = FORMULA_WORDS[problem.kind] as (problem: FormulaProblem) => string;
  return write(problem);
}

const suggest = (near: readonly string[]): string =>
  near.length === 0 ? '' : t('problem.didYouMean', { near: listWith('or', near) });

function describeAdd(problem: FormulaProblem & { kind: 'formula-dimension-add' }): string {
  const { operator, left, right, leftText, rightText } = problem;
  const place = `${short(leftText, 30)} ${operator} ${short(rightText, 30)}`;
  const [a, b] = [describeDimension(left), describeDimension(right)];
  if (operator === '+') return t('problem.cannotBeAddedTo', { place, a, b });
  if (operator === '-') return t('problem.cannotBeTakenFrom', { place, b, a });
  return t('problem.cannotBeComparedWith', { place, a, b });
}

function describeArgument(problem: FormulaProblem & { kind: 'formula-dimension-argument' }): string {
  const found = problem.found === 'condition' ? t('problem.aComparison') : describeDimension(problem.found);
  switch (problem.wanted) {
    case 'number':
      return t('problem.takesAPlainNumberHereNotDivide', { name: problem.name, found, name2: problem.name });
    case 'same':
      return t('problem.comparesLikeWithLikeDoesNotFit', { name: problem.name, found });
    case 'condition':
      return t('problem.beginsWithAComparisonAsInIf', { name: problem.name });
    case 'square':
      return t('problem.theRootOfHasNoUnitOf', { found });
  }
}
