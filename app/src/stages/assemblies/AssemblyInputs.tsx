import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import { plainToLocal } from '@zest/core/formula/localize';
import type { Assembly, AssemblyInput } from '@zest/core/job/records/assembly';
import { CommitInput } from '../../components/CommitInput.tsx';
import { MoreButton } from '../../components/MoreButton.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { takeEntry, takeFigure } from '../../components/typed.ts';
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

/** What the assembly asks for when it is applied. */
export function AssemblyInputs({ assembly, change }: PartProps) {
  const add = (): void => {
    const name = `Question ${assembly.inputs.length + 1}?`;
    const input: AssemblyInput = {
      key: keyFor(name, takenIn(assembly)),
      question: name,
      unit: '',
      value: '0',
      hint: '',
      choices: [],
    };
    change('add a question', { inputs: [...assembly.inputs, input] });
  };
  return (
    <>
      {assembly.inputs.length === 0 ? (
        <p className="soft">No questions: everything comes from what is measured.</p>
      ) : (
        <table className="lines">
          <thead>
            <tr>
              <th style={{ width: '36%' }}>Question</th>
              <th>Name in formulas</th>
              <th>Default</th>
              <th style={{ width: 70 }}>Unit</th>
              <th>Hint</th>
              <th aria-label="What to do" style={{ width: 32 }} />
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
        Add a question
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
  const { numbers } = useFormats();
  const [open, setOpen] = useState(false);
  const set = (changed: Partial<AssemblyInput>): string | undefined =>
    change('change a question', {
      inputs: assembly.inputs.map((each, at) => (at === index ? withChanges(each, changed) : each)),
    });
  return (
    <>
      <tr>
        <td>
          <div className="component-name">
            <MoreButton label={`More about ${input.question}`} open={open} onToggle={() => setOpen(!open)} />
            <CommitInput label="Question" value={input.question} onCommit={(question) => set({ question })} />
          </div>
          <div className="trace component-key">{describeMore(input)}</div>
        </td>
        <td>
          <CommitInput
            label={`Name in formulas of ${input.question}`}
            value={input.key}
            onCommit={(key) => renameInput(assembly, input.key, key, change)}
          />
        </td>
        <td>
          <CommitInput
            label={`Default of ${input.question}`}
            value={plainToLocal(input.value, numbers)}
            onCommit={(text) => takeEntry(text, numbers, (kept) => set({ value: kept }), input.unit)}
          />
        </td>
        <td>
          <CommitInput
            label={`Unit of ${input.question}`}
            value={input.unit}
            list="known-units"
            onCommit={(unit) => set({ unit: unit.trim() })}
          />
        </td>
        <td>
          <CommitInput
            label={`Hint of ${input.question}`}
            value={input.hint}
            onCommit={(hint) => set({ hint })}
          />
        </td>
        <td>
          <IconButton
            aria-label={`Remove ${input.question}`}
            onClick={() =>
              change('remove a question', { inputs: assembly.inputs.filter((_, at) => at !== index) })
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

function describeMore({ min = '', max = '', group = '', when = '', choices, unit }: AssemblyInput): string {
  const range = min === '' && max === '' ? '' : describeRange({ min, max, unit });
  return [
    group,
    range,
    choices.length > 0 ? `${choices.length} choices` : '',
    when === '' ? '' : `asked where ${when}`,
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
      <div className="soft field-label">{label}</div>
      <CommitInput
        label={`${label} of ${input.question}`}
        align="end"
        placeholder="any"
        value={plainToLocal(input[field] ?? '', numbers)}
        onCommit={(text) => takeFigure(text, numbers, { as: 'amount' }, (kept) => set({ [field]: kept }))}
      />
    </div>
  );
  return (
    <div className="details">
      {limit('min', `At least ${input.unit}`)}
      {limit('max', `At most ${input.unit}`)}
      <div>
        <div className="soft field-label">Group</div>
        <CommitInput
          label={`Group of ${input.question}`}
          value={input.group ?? ''}
          onCommit={(group) => set({ group: group.trim() })}
        />
      </div>
      <div className="wide">
        <div className="soft field-label">Ask only if</div>
        <FormulaInput
          label={`When ${input.question} is asked`}
          value={input.when ?? ''}
          place={place}
          condition
          placeholder="always; or a comparison, such as layers > 1"
          onCommit={(when) => set({ when })}
        />
      </div>
      <div className="wide">
        <div className="soft field-label">Choices, as label = answer; …</div>
        <CommitInput
          label={`Choices of ${input.question}`}
          placeholder="any answer; or Yes = 1; No = 0"
          value={input.choices.map(({ label, value }) => `${label} = ${value}`).join('; ')}
          onCommit={(text) => {
            const choices = readChoices(text);
            return choices === undefined ? 'Write each as label = answer, separated by ;' : set({ choices });
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
  return change('rename a question', renameInAssembly(assembly, from, to), { from, to });
}
