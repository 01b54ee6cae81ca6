import type { Failure } from '@zest/core/job/failure';
import type { Figure as GraphFigure } from '@zest/core/calculate/graph/rule';
import type { NodeId } from '@zest/core/job/nodeId';
import { formatMoney } from '@zest/core/pricing/money';
import type { Dimension } from '@zest/core/units/dimension';
import { formatInUnit, formatQuantity } from '@zest/core/units/format';
import { writeQuantity } from './writeQuantity.ts';
import { useFormats } from '../stores/context.tsx';
import { useFigure, useOfJob } from '../stores/jobHooks.ts';
import { describeFailure, shortFailure } from '../messages/describeFailure.ts';
import { getUnit } from '@zest/core/units/unit';

/** Words in the place of a figure; why there is none, on hover and for readers. */
export const NoFigure = ({ words, why }: { readonly words: string; readonly why: string }) => (
  <span className="warn" title={why} aria-label={why} role="note">
    {words}
  </span>
);

/** Where a figure would stand: the reason in short, the whole of it on hover and for readers. */
export function FailureText({ failure }: { readonly failure: Failure }) {
  const whole = useOfJob(({ job }) => describeFailure(failure, job));
  return <NoFigure words={shortFailure(failure)} why={whole} />;
}

/** A quantity as the job writes its dimension: digits, and the unit in a lighter weight. */
export function QuantityText({
  figure,
  dimension,
  unit,
}: {
  readonly figure: GraphFigure;
  readonly dimension: Dimension;
  readonly unit?: string;
}) {
  const { display } = useFormats();
  if (figure.failure !== undefined) return <FailureText failure={figure.failure} />;
  const text =
    unit === undefined
      ? formatQuantity(figure.value, dimension, display)
      : formatInUnit(figure.value, getUnit(unit), display);
  return (
    <span>
      {text.figure}
      {text.unit === '' ? null : <span className="unit"> {text.unit}</span>}
    </span>
  );
}

/** A figure that is already in the unit of its line. */
export function InUnitText({ figure, unit }: { readonly figure: GraphFigure; readonly unit: string }) {
  const { numbers } = useFormats();
  if (figure.failure !== undefined) return <FailureText failure={figure.failure} />;
  return (
    <span>
      {writeQuantity(figure.value, unit, numbers)}
      <span className="unit"> {unit}</span>
    </span>
  );
}

export function MoneyText({ figure }: { readonly figure: GraphFigure }) {
  const { money } = useFormats();
  return figure.failure === undefined ? (
    <span>{formatMoney(figure.value, money)}</span>
  ) : (
    <FailureText failure={figure.failure} />
  );
}

/** Money of a node, drawn anew when it is another. */
export const MoneyAt = ({ node }: { readonly node: NodeId }) => <MoneyText figure={useFigure(node)} />;
