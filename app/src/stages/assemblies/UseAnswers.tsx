import { frameOf } from '@zest/core/assemblies/frames';
import { answerOf } from '@zest/core/calculate/defineUse';
import { inputNode } from '@zest/core/calculate/nodes';
import { plainToLocal } from '@zest/core/formula/localize';
import { put } from '@zest/core/job/change';
import type { AssemblyInput } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { CommitInput } from '../../components/CommitInput.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { keepEntry } from '../measure/keepEntry.ts';
import { useFormats, useJobState, useOpenJob } from '../../stores/context.tsx';

/** The questions of an assembly, answered for one scope. */
export function UseAnswers({ use }: { readonly use: Use }) {
  const { job, calculation } = useOpenJob();
  useJobState((state) => state.revision);
  const { numbers } = useFormats();
  const settle = useSettle();
  const context = frameOf(job, use);
  const answer = (input: AssemblyInput, text: string): string | undefined => {
    const { [input.key]: _dropped, ...others } = use.answers;
    const kept = keepEntry(text, numbers);
    // An emptied answer goes back to what flows: the scope's property or the default.
    const answers = kept === '' ? others : { ...others, [input.key]: kept };
    return settle(`answer ‘${input.question}’`, put({ ...use, answers }));
  };
  return (
    <div className="form" style={{ gap: 6, padding: '4px 0' }}>
      {context.assembly.inputs.map((input) => {
        const text = answerOf(context, input);
        const { failure } = calculation.figure(inputNode(use.id, input.key));
        const flows = use.answers[input.key] === undefined;
        return (
          <div key={input.key}>
            <div className="soft" style={{ fontSize: 12 }}>
              {input.question} {flows && text === input.key ? '(from the scope)' : input.hint}
            </div>
            {input.choices.length > 0 ? (
              <select
                className="input"
                aria-label={input.question}
                value={text}
                onChange={(event) => answer(input, event.target.value)}
              >
                {input.choices.every(({ value }) => value !== text) ? (
                  <option value={text}>{text}</option>
                ) : null}
                {input.choices.map(({ label, value }) => (
                  <option key={value} value={value}>
                    {label}
                  </option>
                ))}
              </select>
            ) : (
              <CommitInput
                label={input.question}
                value={writeAnswer(plainToLocal(text, numbers), input.unit)}
                onCommit={(typed) => answer(input, typed)}
              />
            )}
            {failure === undefined ? null : (
              <div className="field-error">{describeFailure(failure, job)}</div>
            )}
          </div>
        );
      })}
    </div>
  );
}

/** A bare number is shown with the unit it is in. */
const writeAnswer = (text: string, unit: string): string =>
  /^[\d.,]+$/.test(text) && unit !== '' ? `${text} ${unit}` : text;
