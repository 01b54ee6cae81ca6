import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import { plainToLocal } from '@zest/core/formula/localize';
import type { Assembly, AssemblyInput } from '@zest/core/job/records/assembly';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { MoreButton } from '../../parts/MoreButton.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { takeEntry, takeFigure } from '../../figures/typed.ts';
import { describeRange } from '../../messages/describeFailure.ts';
import { useFormats } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import {
  type ChangeAssembly,
  type PartProps,
  UNIT_CHOICES,
  renameInAssembly,
  takenIn,
  withChanges,
} from './assemblyParts.ts';
import { IconButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** What the assembly asks for when it is applied. */
export function AssemblyInputs({ assembly, change }: PartProps) {
  const add = (): void => {
    const name = t('assemblies.question', { place: assembly.inputs.length + 1 });
    const input: AssemblyInput = {
      key: keyFor(name, takenIn(assembly)),
      question: name,
      unit: '',
      value: '0',
      hint: '',
      choices: [],
    };
    change(t('assemblies.addAQuestion'), { inputs: [...assembly.inputs, input] });
  };
  return (
    <>
      {assembly.inputs.length === 0 ? (
        <p className="soft">{t('assemblies.noQuestionsEverythingComesFromWhatIs')}</p>
      ) : (
        <table className={layout.lines}>
          <thead>
            <tr>
              <th style={{ width: '36%' }}>{t('assemblies.question2')}</th>
              <th>{t('assemblies.nameInFormulas')}</th>
              <th>{t('assemblies.default')}</th>
              <th style={{ width: 70 }}>{t('assemblies.unit')}</th>
              <th>{t('assemblies.hint')}</th>
              <th aria-label={t('assemblies.whatToDo')} style={{ width: 32 }} />
            </tr>
          </thead>
          <tbody>
            {assembly.inputs.map((input, index) => (
              <InputRow key={index} assembly={assembly} index={index} input={input} change={change} />
            ))}
          </tbody>
        </table>
      )}
      <Button size="xs" variant="outline" mt="2" onClick={add}>
        {t('assemblies.addAQuestion2')}
      </Button>
      <datalist id="known-units">
        {UNIT_CHOICES.map((unit) => (
          <option key={unit} value={unit} />
        ))}
      </datalist>
    </>
  );
}

interface InputRowProps extends PartProps {
  readonly index: number;
  readonly input: AssemblyInput;
}

function InputRow({ assembly, index, input, change }: InputRowProps) {
  const [open, setOpen] = useState(false);
  const set = (changed: Partial<AssemblyInput>): string | undefined =>
    change(t('assemblies.changeAQuestion'), {
      inputs: assembly.inputs.map((each, at) => (at === index ? withChanges(each, changed) : each)),
    });
  return (
    <>
      <tr>
        <td>
          <div className={styles.componentName}>
            <MoreButton
              label={t('assemblies.moreAbout2', { question: input.question })}
              open={open}
              onToggle={() => setOpen(!open)}
            />
            <CommitInput
              label={t('assemblies.question2')}
              value={input.question}
              onCommit={(question) => set({ question })}
            />
          </div>
          <div className={`${layout.trace} ${styles.componentKey}`}>{describeMore(input)}</div>
        </td>
        <AnswerCells input={input} assembly={assembly} change={change} set={set} />
        <td>
          <IconButton
            aria-label={t('assemblies.remove2', { question: input.question })}
            onClick={() =>
              change(t('assemblies.removeAQuestion'), {
                inputs: assembly.inputs.filter((_, at) => at !== index),
              })
            }
          >
            <Trash2 size={14} />
          </IconButton>
        </td>
      </tr>
      {open ? (
        <tr>
          <td colSpan={6}>
            <InputDetails input={input} place={{ in: 'assembly', assembly }} set={set} />
          </td>
        </tr>
      ) : null}
    </>
  );
}

interface AnswerCellsProps {
  readonly input: InputRowProps['input'];
  readonly assembly: Assembly;
  readonly change: ChangeAssembly;
  readonly set: (changed: Partial<AssemblyInput>) => string | undefined;
}

function AnswerCells({ input, assembly, change, set }: AnswerCellsProps) {
  const { numbers } = useFormats();
  return (
    <>
      <td>
        <CommitInput
          label={t('assemblies.nameInFormulasOf', { question: input.question })}
          value={input.key}
          onCommit={(key) => renameInput(assembly, input.key, key, change)}
        />
      </td>
      <td>
        <CommitInput
          label={t('assemblies.defaultOf', { question: input.question })}
          value={plainToLocal(input.value, numbers)}
          onCommit={(text) => takeEntry(text, numbers, (kept) => set({ value: kept }), input.unit)}
        />
      </td>
      <td>
        <CommitInput
          label={t('assemblies.unitOf2', { question: input.question })}
          value={input.unit}
          list="known-units"
          onCommit={(unit) => set({ unit: unit.trim() })}
        />
      </td>
      <td>
        <CommitInput
          label={t('assemblies.hintOf', { question: input.question })}
          value={input.hint}
          onCommit={(hint) => set({ hint })}
        />
      </td>
    </>
  );
}

function describeMore({ min = '', max = '', group = '', when = '', choices, unit }: AssemblyInput): string {
  const range = min === '' && max === '' ? '' : describeRange({ min, max, unit });
  return [
    group,
    range,
    choices.length > 0 ? t('assemblies.choices', { number: choices.length }) : '',
    when === '' ? '' : t('assemblies.askedWhere', { when }),
  ]
    .filter(Boolean)
    .join(' · ');
}

interface InputDetailsProps {
  readonly input: AssemblyInput;
  readonly place: FormulaPlace;
  readonly set: (changed: Partial<AssemblyInput>) => string | undefined;
}

function InputDetails({ input, place, set }: InputDetailsProps) {
  const { numbers } = useFormats();
  const limit = (field: 'min' | 'max', label: string) => (
    <div>
      <div className={`soft ${styles.fieldLabel}`}>{label}</div>
      <CommitInput
        label={t('assemblies.of', { label, question: input.question })}
        align="end"
        placeholder={t('assemblies.any')}
        value={plainToLocal(input[field] ?? '', numbers)}
        onCommit={(text) => takeFigure(text, numbers, { as: 'amount' }, (kept) => set({ [field]: kept }))}
      />
    </div>
  );
  return (
    <div className={styles.details}>
      {limit('min', t('assemblies.atLeast2', { unit: input.unit }))}
      {limit('max', t('assemblies.atMost', { unit: input.unit }))}
      <div>
        <div className={`soft ${styles.fieldLabel}`}>{t('assemblies.group')}</div>
        <CommitInput
          label={t('assemblies.groupOf', { question: input.question })}
          value={input.group ?? ''}
          onCommit={(group) => set({ group: group.trim() })}
        />
      </div>
      <div className="wide">
        <div className={`soft ${styles.fieldLabel}`}>{t('assemblies.askOnlyIf')}</div>
        <FormulaInput
          label={t('assemblies.whenIsAsked', { question: input.question })}
          value={input.when ?? ''}
          place={place}
          condition
          placeholder={t('assemblies.alwaysOrAComparisonSuchAsLayers')}
          onCommit={(when) => set({ when })}
        />
      </div>
      <div className="wide">
        <div className={`soft ${styles.fieldLabel}`}>{t('assemblies.choicesAsLabelAnswer')}</div>
        <CommitInput
          label={t('assemblies.choicesOf', { question: input.question })}
          placeholder={t('assemblies.anyAnswerOrYes1No0')}
          value={input.choices.map(({ label, value }) => `${label} = ${value}`).join('; ')}
          onCommit={(text) => {
            const choices = readChoices(text);
            return choices === undefined
              ? t('assemblies.writeEachAsLabelAnswerSeparatedBy')
              : set({ choices });
          }}
        />
      </div>
    </div>
  );
}

/** `Yes = 1; No = 0`; undefined where a part has no answer. */
function readChoices(text: string): AssemblyInput['choices'] | undefined {
  const parts = text.split(';').filter((part) => part.trim() !== '');
  const choices = parts.map((part) => {
    const at = part.lastIndexOf('=');
    return { label: part.slice(0, at).trim(), value: part.slice(at + 1).trim() };
  });
  return choices.every(({ label, value }) => label !== '' && value !== '') ? choices : undefined;
}

/** Renames an input and follows it through the assembly's own formulas. */
function renameInput(
  assembly: Assembly,
  from: string,
  text: string,
  change: ChangeAssembly,
): string | undefined {
  const others = new Set([...takenIn(assembly)].filter((key) => key !== from));
  const to = keyFor(text, others);
  return change(t('assemblies.renameAQuestion'), renameInAssembly(assembly, from, to), { from, to });
}
