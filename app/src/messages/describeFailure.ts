import type { NodeId } from '@zest/core/job/nodeId';
import type { Failure } from '@zest/core/job/failure';
import type { Job } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import { unreachable } from '@zest/core/problem/result';
import { describeProblem, writePlain } from './describeProblem.ts';
import { describeDimension } from './words.ts';

/** A few words for the cell where a figure would stand. */
export function shortFailure(failure: Failure): string {
  switch (failure.kind) {
    case 'no-scale':
      return 'no scale';
    case 'arithmetic':
      return failure.failure.kind === 'divide-by-zero' ? 'divides by zero' : 'no figure';
    case 'formula':
      return 'formula';
    case 'loop':
      return 'loop';
    case 'missing':
      return 'missing';
    case 'no-price':
      return 'no price';
    case 'no-quantity':
      return 'no quantity';
    case 'item-unknown':
      return 'no such item';
    case 'out-of-range':
      return 'out of range';
    case 'no-marks-inside':
      return 'no marks';
    case 'negative':
      return 'below zero';
    case 'no-pitch':
      return 'no pitch';
    case 'units-do-not-convert':
      return 'units differ';
    case 'no-wage':
      return 'no wage';
    case 'no-size':
      return 'none large enough';
    case 'no-quote':
      return 'no quote chosen';
    default:
      return unreachable(failure);
  }
}

/** The whole reason, with what to do. */
export function describeFailure(failure: Failure, job: Job): string {
  switch (failure.kind) {
    case 'no-scale': {
      const sheet = job.sheet.get(failure.sheetId as Id<'sheet'>);
      return `Sheet ${sheet?.number ?? ''} has no scale yet. Set it to get this figure.`;
    }
    case 'arithmetic':
      return describeProblem(failure.failure);
    case 'formula':
      return `‘${failure.source.slice(0, 60)}’: ${describeProblem(failure.problem)}`;
    case 'loop':
      return `These figures depend on each other: ${failure.members.map((each) => nameNode(each, job)).join(' → ')}. Change one of them.`;
    case 'missing':
      return `${nameNode(failure.node, job)} no longer exists. Use another name in the formula.`;
    case 'no-price':
      return 'No price yet. Choose an item from the price book, or type a cost.';
    case 'no-quantity':
      return 'No quantity yet.';
    case 'item-unknown':
      return `The price book has no item ${failure.code}. Choose another, or add it.`;
    case 'out-of-range':
      return `‘${failure.question}’ takes ${describeRange(failure)}. Change the answer.`;
    case 'no-marks-inside':
      return `${failure.component} is calculated for each mark, but here it is inside another assembly, which only passes it an amount. Calculate it on the total instead.`;
    case 'negative':
      return `${failure.component} comes out below zero. Check its formula and the figures in it.`;
    case 'no-pitch':
      return failure.pitch === ''
        ? 'The roof slope has no pitch yet. Select it and type one, such as 6/12, 30 % or 27°.'
        : `‘${failure.pitch}’ isn’t a pitch. Type one such as 6/12, 30 % or 27°.`;
    case 'units-do-not-convert':
      return `Measured in ${failure.measuredUnit} (${describeDimension(failure.measured)}), but ${failure.code} is priced per ${failure.priced}. Choose an item with a matching unit.`;
    case 'no-wage':
      return failure.craft === ''
        ? 'There is nobody to do these hours. Choose who does the line, or give its item a craft or crew.'
        : `${failure.craft} has no wage. Set it under Prices, Labor and regions.`;
    case 'no-size':
      return `No item of ‘${failure.family}’ in the price book is large enough${describeSizes(failure)}. Add a larger one, or choose an item by hand.`;
    case 'no-quote':
      return `No quote is chosen for ${failure.package} yet. Choose one under Quotes.`;
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
  return words.length === 0 ? '' : ` for ${words.join(', ')}`;
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
  if (min === '') return `${write(max)} at most`;
  return max === '' ? `${write(min)} at least` : `${write(min)} to ${write(max)}`;
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
    return `${assembly?.name ?? 'an assembly'}, ${component?.name ?? input?.question ?? what}`;
  }
  return job.quantity.get(owner as Id<'quantity'>)?.name ?? what;
}
