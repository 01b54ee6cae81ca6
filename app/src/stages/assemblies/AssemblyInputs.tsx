import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { plainToLocal } from '@zest/core/formula/localize';
import { type Assembly, type AssemblyInput } from '@zest/core/job/records/assembly';
import { CommitInput } from '../../components/CommitInput.tsx';
import { keepEntry } from '../measure/keepEntry.ts';
import { keyFor } from '../measure/newScope.ts';
import { useFormats } from '../../stores/context.tsx';

import { type ChangeAssembly, type PartProps, takenIn } from './assemblyParts.ts';

/** What the assembly asks for when it is applied. */
export function AssemblyInputs({ assembly, change }: PartProps) {
  const { numbers } = useFormats();
  const set = (index: number, changed: Partial<AssemblyInput>): string | undefined =>
    change('change a question', {
      inputs: assembly.inputs.map((each, at) => (at === index ? { ...each, ...changed } : each)),
    });
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
        <p className="soft">No questions: everything follows from what is measured.</p>
      ) : (
        <table className="lines">
          <thead>
            <tr>
              <th style={{ width: '38%' }}>Question</th>
              <th>Name in formulas</th>
              <th>Default</th>
              <th style={{ width: 70 }}>Unit</th>
              <th>Hint</th>
              <th aria-label="What to do" style={{ width: 32 }} />
            </tr>
          </thead>
          <tbody>
            {assembly.inputs.map((input, index) => (
              <tr key={index}>
                <td>
                  <CommitInput
                    label="Question"
                    value={input.question}
                    onCommit={(question) => set(index, { question })}
                  />
                </td>
                <td>
                  <CommitInput
                    label={`Name in formulas of ${input.question}`}
                    value={input.key}
                    onCommit={(key) => renameInput(assembly, index, key, change)}
                  />
                </td>
                <td>
                  <CommitInput
                    label={`Default of ${input.question}`}
                    value={plainToLocal(input.value, numbers)}
                    onCommit={(text) => set(index, { value: keepEntry(text, numbers) })}
                  />
                </td>
                <td>
                  <CommitInput
                    label={`Unit of ${input.question}`}
                    value={input.unit}
                    list="known-units"
                    onCommit={(unit) => set(index, { unit: unit.trim() })}
                  />
                </td>
                <td>
                  <CommitInput
                    label={`Hint of ${input.question}`}
                    value={input.hint}
                    onCommit={(hint) => set(index, { hint })}
                  />
                </td>
                <td>
                  <button
                    type="button"
                    className="icon-button"
                    aria-label={`Remove ${input.question}`}
                    onClick={() =>
                      change('remove a question', { inputs: assembly.inputs.filter((_, at) => at !== index) })
                    }
                  >
                    <Trash2 size={14} />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Button size="xs" variant="outline" mt="2" onClick={add}>
        Add a question
      </Button>
      <datalist id="known-units">
        {[
          'ea',
          'ft',
          'ft²',
          'ft³',
          'yd²',
          'yd³',
          'in',
          'lb',
          'ton',
          'h',
          'm',
          'm²',
          'm³',
          'mm',
          'kg',
          'sheet',
          'bag',
          'stick',
          'box',
          'roll',
          'load',
          'set',
          '%',
        ].map((unit) => (
          <option key={unit} value={unit} />
        ))}
      </datalist>
    </>
  );
}

/** Renames an input and follows it through the assembly's own formulas. */
function renameInput(
  assembly: Assembly,
  index: number,
  text: string,
  change: ChangeAssembly,
): string | undefined {
  const from = assembly.inputs[index]?.key ?? '';
  const others = new Set([...takenIn(assembly)].filter((key) => key !== from));
  const key = keyFor(text, others);
  const word = new RegExp(`(?<![\\p{L}\\p{N}_])${from}(?![\\p{L}\\p{N}_(])`, 'gu');
  return change('rename a question', {
    inputs: assembly.inputs.map((each, at) => (at === index ? { ...each, key } : each)),
    components: assembly.components.map((each) => ({ ...each, formula: each.formula.replace(word, key) })),
  });
}
