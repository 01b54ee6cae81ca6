import type { NodeId } from '@zest/core/job/nodeId';
import type { Failure } from '@zest/core/job/failure';
import type { Job } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import { unreachable } from '@zest/core/problem/result';
import { describeProblem, writePlain } from './describeProblem.ts';
import { describeDimension } from './words.ts';
import { t } from './t.ts';

/** A few words for the cell where a figure would stand. */
export function shortFailure(failure: Failure): string {
  switch (failure.kind) {
    case 'no-scale':
      return t('failure.noScale');
    case 'arithmetic':
      return failure.failure.kind === 'divide-by-zero' ? t('failure.dividesByZero') : t('failure.noFigure');
    case 'formula':
      return 'formula';
    case 'loop':
      return 'loop';
    case 'missing':
      return 'missing';
    case 'no-price':
      return t('failure.noPrice');
    case 'no-quantity':
      return t('failure.noQuantity');
    case 'item-unknown':
      return t('failure.noSuchItem');
    case 'out-of-range':
      return t('failure.outOfRange');
    case 'no-marks-inside':
      return t('failure.noMarks');
    case 'negative':
      return t('failure.belowZero');
    case 'no-pitch':
      return t('failure.noPitch');
    case 'units-do-not-convert':
      return t('failure.unitsDiffer');
    case 'no-wage':
      return t('failure.noWage');
    case 'no-size':
      return t('failure.noneLargeEnough');
    case 'no-quote':
      return t('failure.noQuoteChosen');
    default:
      return unreachable(failure);
  }
}

/** The whole reason, with what to do. */
export function describeFailure(failure: Failure, job: Job): string {
  switch (failure.kind) {
    case 'no-scale': {
      const sheet = job.sheet.get(failure.sheetId as Id<'sheet'>);
      return t('failure.sheetHasNoScaleYetSetIt', { number: sheet?.number ?? '' });
    }
    case 'arithmetic':
      return describeProblem(failure.failure);
    case 'formula':
      return `‘${failure.source.slice(0, 60)}’: ${describeProblem(failure.problem)}`;
    case 'loop':
      return t('failure.theseFiguresDependOnEachOtherChange', {
        value: failure.members.map((each) => nameNode(each, job)).join(' → '),
      });
    case 'missing':
      return t('failure.noLongerExistsUseAnotherNameIn', { node: nameNode(failure.node, job) });
    case 'no-price':
      return t('failure.noPriceYetChooseAnItemFrom');
    case 'no-quantity':
      return t('failure.noQuantityYet');
    case 'item-unknown':
      return t('failure.thePriceBookHasNoItemChoose', { code: failure.code });
    case 'out-of-range':
      return t('failure.takesChangeTheAnswer', {
        question: failure.question,
        failure: describeRange(failure),
      });
    case 'no-marks-inside':
      return t('failure.isCalculatedForEachMarkButHere', { component: failure.component });
    case 'negative':
      return t('failure.comesOutBelowZeroCheckItsFormula', { component: failure.component });
    case 'no-pitch':
      return failure.pitch === ''
        ? t('failure.theRoofSlopeHasNoPitchYet')
        : t('failure.isntAPitchTypeOneSuchAs', { pitch: failure.pitch });
    case 'units-do-not-convert':
      return t('failure.measuredInButIsPricedPerChoose', {
        measuredUnit: failure.measuredUnit,
        measured: describeDimension(failure.measured),
        code: failure.code,
        priced: failure.priced,
      });
    case 'no-wage':
      return failure.craft === ''
        ? t('failure.thereIsNobodyToDoTheseHours')
        : t('failure.hasNoWageSetItUnderPrices', { craft: failure.craft });
    case 'no-size':
      return t('failure.noItemOfInThePriceBook', { family: failure.family, failure: describeSizes(failure) });
    case 'no-quote':
      return t('failure.noQuoteIsChosenForYetChoose', { package: failure.package });
    default:
      return unreachable(failure);
  }
}

/** What was asked for: ` for section 432 in² (2787 cm²)`. */
function describeSizes({ sizes, keys = [], dimensions = [] }: Extract<Failure, { kind: 'no-size' }>): string {
  const words = sizes.flatMap((size, at) => {
    const [key, dimension] = [keys[at], dimensions[at]];
    return key === undefined || dimension === undefined ? [] : [`${key} ${writePlain(size, dimension)}`];
  });
  return words.length === 0 ? '' : t('failure.for', { words: words.join(', ') });
}

/** What a question takes: `8 in to 24 in`, `24 in at most`. */
export function describeRange({
  min,
  max,
  unit,
}: {
  readonly min: string;
  readonly max: string;
  readonly unit: string;
}): string {
  const write = (limit: string): string => [limit, unit].filter(Boolean).join(' ');
  if (min === '') return t('failure.atMost', { max: write(max) });
  return max === ''
    ? t('failure.atLeast', { min: write(min) })
    : t('failure.to', { min: write(min), max: write(max) });
}

/** The name a person knows a node by: `Partition P2, height`. */
export function nameNode({ owner, figure, of }: NodeId, job: Job): string {
  const what = of ?? figure;
  const scope = job.scope.get(owner as Id<'scope'>);
  if (scope !== undefined) {
    const property = scope.properties.find(({ key }) => key === what);
    return `${scope.name}, ${property?.name ?? what}`;
  }
  const use = job.use.get(owner as Id<'use'>);
  if (use !== undefined) {
    const assembly = job.assembly.get(use.assemblyId);
    const component = assembly?.components.find(({ key }) => key === what);
    const input = assembly?.inputs.find(({ key }) => key === what);
    return `${assembly?.name ?? t('failure.anAssembly')}, ${component?.name ?? input?.question ?? what}`;
  }
  return job.quantity.get(owner as Id<'quantity'>)?.name ?? what;
}
