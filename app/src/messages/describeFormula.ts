import type { FormulaProblem } from '@zest/core/formula/problem';
import { unreachable } from '@zest/core/problem/result';
import { isNumber } from '@zest/core/units/dimension';
import { quote, short } from './quote.ts';
import { t } from './t.ts';
import { describeDimension } from './words.ts';
import { listWith } from './lists.ts';

/** What is wrong with a formula, and where. */
export function describeFormula(problem: FormulaProblem): string {
  switch (problem.kind) {
    case 'formula-empty':
      return t('problem.thereIsNoFormulaYetTypeA');
    case 'formula-too-long':
      return t('problem.theFormulaHasCharactersAreTakenSplit', {
        number: problem.length,
        limit: problem.limit,
      });
    case 'formula-too-deep':
      return t('problem.theFormulaNestsDeeperThanParentheses', { limit: problem.limit });
    case 'formula-unexpected':
      return t('problem.doesNotFitHereAnOperatorA', { found: quote(problem.found) });
    case 'formula-unit-unknown':
      return t('problem.isntAUnitThisProgramKnows', {
        unit: quote(problem.unit),
        near: suggest(problem.near),
      });
    case 'formula-unfinished':
      return t('problem.theFormulaIsntFinishedSomethingIs');
    case 'formula-unclosed':
      return t('problem.thisParenthesisIsntClosedAddA');
    case 'formula-name-unknown':
      return t('problem.noMatchForHere', { name: quote(problem.name), near: suggest(problem.near) });
    case 'formula-function-unknown':
      return t('problem.thereIsNoFunction', { name: quote(problem.name), near: suggest(problem.near) });
    case 'formula-table-unknown':
      return t('problem.noTableIsCalled', { name: quote(problem.name), near: suggest(problem.near) });
    case 'formula-column-unknown':
      return t('problem.theTableHasNoColumn', {
        table: problem.table,
        name: quote(problem.name),
        near: suggest(problem.near),
      });
    case 'formula-text':
      return t('problem.textInQuotesOnlyWorksInA');
    case 'formula-filter-text':
      return t('problem.onlyCanBeComparedWithAQuoted', { names: listWith('and', problem.known) });
    case 'formula-filter-measure':
      return t('problem.comesFromAllTheRunsTogetherSo', { measure: problem.measure });
    case 'formula-total-mixed':
      return t('problem.severalScopesHaveInUnitsThatCannot', { measure: quote(problem.measure) });
    case 'formula-arguments':
      return t('problem.isWritten', { name: problem.name, usage: problem.usage });
    case 'formula-dimension-add':
      return describeAdd(problem);
    case 'formula-dimension-argument':
      return describeArgument(problem);
    case 'formula-power':
      return t('problem.onlyAWholeNumberCanBeThe');
    case 'formula-condition':
      return t('problem.useAComparisonSuchAsLength3');
    case 'formula-not-a-figure':
      return t('problem.thisIsAComparisonButANumber');
    case 'formula-dimension-result':
      return t(isNumber(problem.found) ? 'problem.thisGivesIsNeededUnit' : 'problem.thisGivesIsNeededHere', {
        found: describeDimension(problem.found),
        wanted: describeDimension(problem.wanted),
      });
    default:
      return unreachable(problem);
  }
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
