import { pricingInputs } from '@zest/core/assemblies/pricingInputs';
import { own } from '@zest/core/job/own';
import { frameOf } from '@zest/core/assemblies/frames';
import { answerOf } from '@zest/core/calculate/lines/use';
import { drawSection } from '@zest/core/calculate/explain/drawSection';
import { holds } from '@zest/core/calculate/explain/evaluate';
import { inputNode } from '@zest/core/calculate/graph/nodes';
import { notesOf, warningsOf } from '@zest/core/calculate/explain/notes';
import { componentNames } from '@zest/core/calculate/lines/use';
import { update } from '@zest/core/job/change';
import type { AssemblyInput } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { NoteText } from '../../figures/NoteText.tsx';
import { SectionDrawing } from '../../figures/SectionDrawing.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** The questions of an assembly, answered for one scope, with its section, warnings and note. */
export function UseAnswers({ use }: { readonly use: Use }) {
  const { job, figures } = useOpenJob();
  const { display } = useFormats();
  const frame = frameOf(job, use);
  const names = componentNames(job, frame);
  const asked = frame.assembly.inputs.filter(
    ({ when = '' }) => when === '' || holds(figures, when, names) !== false,
  );
  const groups = [...new Set(asked.map(({ group = '' }) => group))];
  const drawn = drawSection(figures, frame);
  return (
    <div className={layout.form} style={{ gap: 6, padding: '4px 0' }}>
      {drawn === undefined ? null : <SectionDrawing drawn={drawn} label={frame.assembly.name} />}
      {warningsOf(figures, use, display).map((parts, index) => (
        <div key={index} className={styles.warning} role="note">
          <NoteText parts={parts} />
        </div>
      ))}
      {groups.map((group) => (
        <fieldset key={group} className={styles.questionGroup}>
          {group === '' ? null : <legend>{group}</legend>}
          {asked
            .filter((input) => (input.group ?? '') === group)
            .map((input) => (
              <Answer key={input.key} use={use} input={input} />
            ))}
        </fieldset>
      ))}
      <KeepUsual use={use} questions={asked.length} />
      {notesOf(figures, use, display).map((parts, index) => (
        <p key={index} className={styles.note}>
          <NoteText parts={parts} />
        </p>
      ))}
    </div>
  );
}

/** Says once that the usual answers were read and are meant; second look asks until somebody does. */
function KeepUsual({ use, questions }: { readonly use: Use; readonly questions: number }) {
  const settle = useSettle();
  if (questions === 0 || use.usualKept === true || Object.keys(use.answers).length > 0) return null;
  return (
    <TextButton
      onClick={() =>
        void settle(
          t('assemblies.keepTheUsualAnswers2'),
          update(use, (now) => ({ ...now, usualKept: true })),
        )
      }
    >
      {t('assemblies.keepTheUsualAnswers')}
    </TextButton>
  );
}

function Answer({ use, input }: { readonly use: Use; readonly input: AssemblyInput }) {
  const { job, figures } = useOpenJob();
  const settle = useSettle();
  const frame = frameOf(job, use);
  const text = answerOf(frame, input);
  const { failure } = figures.figure(inputNode(use.id, input.key));
  const flows = own(use.answers, input.key) === undefined;
  const answer = (kept: string): string | undefined => {
    const change = (now: Use): Use => {
      const { [input.key]: _dropped, ...others } = now.answers;
      // An emptied answer goes back to what flows: the scope's property or the default.
      return { ...now, answers: kept === '' ? others : { ...others, [input.key]: kept } };
    };
    return settle(t('assemblies.answer', { question: input.question }), update(use, change));
  };
  return (
    <div>
      <div className="soft" style={{ fontSize: 12 }}>
        {input.question} {flows && text === input.key ? t('assemblies.fromTheScope') : input.hint}{' '}
        {pricingInputs(frame.assembly).has(input.key) ? null : t('assemblies.doesNotChangeThePrice')}{' '}
        {flows ? null : (
          <TextButton
            title={t('assemblies.backTo', { value: input.value, unit: input.unit })}
            aria-label={t('assemblies.resetToItsDefault', { question: input.question })}
            onClick={() => answer('')}
          >
            {t('assemblies.usual')}
          </TextButton>
        )}
      </div>
      {input.choices.length > 0 ? (
        <Select aria-label={input.question} value={text} onChange={(event) => answer(event.target.value)}>
          {input.choices.every(({ value }) => value !== text) ? <option value={text}>{text}</option> : null}
          {input.choices.map(({ label, value }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </Select>
      ) : (
        <FormulaInput
          label={input.question}
          value={writeAnswer(text, input.unit)}
          place={{ in: 'scope', scope: frame.scope }}
          unit={input.unit === '' ? undefined : input.unit}
          onCommit={answer}
        />
      )}
      {failure === undefined ? null : (
        <div className={layout.fieldError}>{describeFailure(failure, job)}</div>
      )}
    </div>
  );
}

/** A bare number is shown with the unit it is in. */
const writeAnswer = (text: string, unit: string): string =>
  /^[\d.]+$/.test(text) && unit !== '' ? `${text} ${unit}` : text;
