import type { Failure } from '../job/failure.ts';
import type { LineAt } from '../estimate/lineSources.ts';
import type { DoubtContext } from './context.ts';
import type { Found } from './rule.ts';

/** A line as what is asked about. */
export const aboutLine = <Facts extends object>(
  { nameOf }: DoubtContext,
  line: LineAt,
  facts: Facts,
): Found<Facts> => ({
  of: line.key,
  name: nameOf(line),
  place: line.of.by === 'package' ? { at: 'package', id: line.of.made.id } : { at: 'line', key: line.key },
  facts,
});

/** Reasons that have rules of their own; what hangs on them is not doubted line by line. */
const ELSEWHERE = new Set<Failure['kind']>(['no-scale', 'no-pitch', 'no-quantity']);

/** Lines that the bid does not hold, for one of these reasons. */
export const linesThatFail = (
  context: DoubtContext,
  isWanted: (kind: Failure['kind']) => boolean,
): readonly Found<{ readonly failure: Failure }>[] =>
  context
    .failing()
    .flatMap(([line, failure]) =>
      ELSEWHERE.has(failure.kind) || !isWanted(failure.kind) ? [] : [aboutLine(context, line, { failure })],
    );

const PRICES = new Set<Failure['kind']>(['no-price', 'item-unknown', 'no-wage', 'no-size', 'no-quote']);

export const isPriceFailure = (kind: Failure['kind']): boolean => PRICES.has(kind);
