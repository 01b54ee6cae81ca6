import type { Figures } from '@zest/core/calculate/figures';
import { knownValue } from '@zest/core/calculate/define';
import { workOut } from '@zest/core/calculate/explain/evaluate';
import { type FormulaPlace, namesAt } from '@zest/core/calculate/explain/suggestions';
import { compileFormula } from '@zest/core/formula/compile';
import { plainToLocal } from '@zest/core/formula/localize';
import { keepTyped } from '@zest/core/formula/readTyped';
import { traceFormula } from '@zest/core/formula/trace';
import { type Dimension, NUMBER, sameDimension } from '@zest/core/units/dimension';
import { formatInUnit, formatQuantity, joinFigure } from '@zest/core/units/format';
import { findUnit } from '@zest/core/units/unit';
import { describeFailure } from '../messages/describeFailure.ts';
import { describeProblem } from '../messages/describeProblem.ts';
import type { Formats } from '../stores/context.tsx';
import { layout } from '../theme/layout.ts';
import type { Place } from './FormulaEditor.tsx';

interface OutcomeSource {
  readonly figures: Figures;
  readonly job: Parameters<typeof describeFailure>[1];
  readonly place: FormulaPlace;
  readonly unit?: string | undefined;
  readonly condition?: boolean;
  readonly formats: Formats;
}

/** What a text comes to so far: its figure and how, or what is wrong with it and where. */
export type Outcome =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'figure'; readonly substituted: string | undefined; readonly figure: string }
  | { readonly kind: 'wrong'; readonly words: string; readonly at?: Place };

const NOTHING: Outcome = { kind: 'nothing' };

export function outcomeOf(typed: string, source: OutcomeSource): Outcome {
  const { figures, job, place, unit, condition, formats } = source;
  const shown = typed.trim();
  if (shown === '' || condition === true) return NOTHING;
  const shift = typed.length - typed.trimStart().length;
  const wrong = (problem: Placed): Outcome => ({
    kind: 'wrong',
    words: describeProblem(problem),
    at: {
      start: (problem.at?.start ?? 0) + shift,
      end: (problem.at?.end ?? shown.length) + shift,
    },
  });
  const kept = keepTyped(typed, formats.numbers, unit);
  if (!kept.ok) return { kind: 'wrong', words: describeProblem(kept.problem) };
  const names = namesAt(figures, place);
  const wanted = unit === undefined ? undefined : dimensionOf(unit);
  if (place.in === 'assembly') {
    const formula = compileFormula(kept.value, names, wanted);
    return formula.ok ? NOTHING : wrong(formula.problem);
  }
  const worked = workOut(figures, kept.value, names, unit ?? '', wanted);
  if (worked.kind === 'problem') return isUnfinished(worked.problem) ? NOTHING : wrong(worked.problem);
  if (worked.kind === 'failure') return { kind: 'wrong', words: describeFailure(worked.failure, job) };
  return figured(worked, names, source);
}

type Worked = Extract<ReturnType<typeof workOut>, { kind: 'figure' }>;
type Names = ReturnType<typeof namesAt>;

function figured({ value, dimension, formula }: Worked, names: Names, source: OutcomeSource): Outcome {
  const { figures, unit, formats } = source;
  const own = unit === undefined ? undefined : findUnit(unit);
  const figure =
    own !== undefined && sameDimension(own.dimension, dimension)
      ? formatInUnit(value, own, formats.display)
      : formatQuantity(value, dimension, formats.display);
  const find = (reference: Parameters<Names['find']>[0]) => {
    const named = names.find(reference);
    const known = named === undefined ? undefined : knownValue(figures.figure(named.node));
    return named === undefined || known === undefined
      ? undefined
      : { value: known, dimension: named.dimension };
  };
  const trace = formula === undefined ? undefined : traceFormula(formula, find, formats.display);
  const substituted =
    trace === undefined || trace.substituted === trace.source
      ? undefined
      : plainToLocal(trace.substituted, formats.numbers);
  return { kind: 'figure', substituted, figure: joinFigure(figure) };
}

/** While it is typed, a formula that only lacks its end is no mistake. */
const isUnfinished = ({ kind }: { readonly kind: string }): boolean =>
  kind === 'formula-unfinished' || kind === 'formula-unclosed';

const dimensionOf = (unit: string): Dimension => findUnit(unit)?.dimension ?? NUMBER;

type Placed = Parameters<typeof describeProblem>[0] & { readonly at?: Place };

/** What a text comes to, in a line below it. */
export function OutcomeLine({ outcome }: { readonly outcome: Outcome }) {
  if (outcome.kind === 'nothing') return null;
  if (outcome.kind === 'wrong')
    return (
      <div className={layout.fieldError} role="note">
        {outcome.words}
      </div>
    );
  return (
    <div className={layout.trace} aria-live="polite">
      {outcome.substituted === undefined ? null : `${outcome.substituted} `}
      {'= '}
      <b>{outcome.figure}</b>
    </div>
  );
}
