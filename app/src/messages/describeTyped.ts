import type { TypedProblem } from '@zest/core/formula/readTyped';
import { unreachable } from '@zest/core/problem/result';
import { t } from './t.ts';

const SHOWN = 60;
const quote = (text: string): string => `‘${text.length > SHOWN ? `${text.slice(0, SHOWN)}…` : text}’`;

/** One sentence for a typed figure, whatever cell it was typed in. */
export function describeTyped(problem: TypedProblem): string {
  const text = quote(problem.text.trim());
  switch (problem.kind) {
    case 'typed-mark':
      return t('problem.thisJobWritesNumbersTheOtherWay', { text, value: problem.meant.join(' or ') });
    case 'typed-not-a-number':
      return t('problem.isntANumberTypeAFigureSuch', {
        text,
        example: problem.example,
        example2: problem.example,
      });
    case 'typed-percent':
      return t('problem.isAPercentageTypeAnAmountHere', { text });
    case 'typed-money':
      return t('problem.isMoneyTypeAFigure', { text });
    case 'typed-currency':
      return t('problem.isInAnotherCurrencyThisJobIs', { text, currency: problem.currency });
    case 'typed-range':
      return t('problem.isntPossibleHere', { text, least: describeRange(problem.least, problem.most) });
    case 'typed-drawing':
      return problem.unit === 'm'
        ? t('problem.wouldBeMeters', { text, millimeters: problem.text })
        : t('problem.wouldBeFeet', { text, millimeters: problem.text });
    default:
      return unreachable(problem);
  }
}

function describeRange(least: number, most: number): string {
  const [from, to] = [least.toLocaleString('en-US'), most.toLocaleString('en-US')];
  if (!Number.isFinite(least) && !Number.isFinite(most)) return t('problem.typeAWholeNumber');
  if (!Number.isFinite(most)) return t('problem.typeOrMore', { from });
  return Number.isFinite(least)
    ? t('problem.typeSomethingFromTo', { from, to })
    : t('problem.typeOrLess', { to });
}
