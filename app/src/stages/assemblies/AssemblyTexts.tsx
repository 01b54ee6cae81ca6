import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { readNote } from '@zest/core/calculate/explain/notes';
import { frameOf } from '@zest/core/assemblies/frames';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import type { AssemblyCheck } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { CommitInput } from '../../components/CommitInput.tsx';
import { CommitArea } from '../../components/CommitArea.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { NoteText } from '../../components/NoteText.tsx';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import type { PartProps } from './assemblyParts.ts';
import { IconButton } from '../../parts/buttons.tsx';

interface AssemblyTextsProps extends PartProps {
  readonly use: Use | undefined;
  readonly place: FormulaPlace;
}

/** The note that explains the assembly in the bid, and what it warns of. Figures in braces stay true. */
export function AssemblyTexts({ assembly, use, place, change }: AssemblyTextsProps) {
  const { figures, job } = useOpenJob();
  const { display } = useFormats();
  const note = assembly.note ?? '';
  const checks = assembly.checks ?? [];
  const setCheck = (index: number, changed: Partial<AssemblyCheck>): string | undefined =>
    change('change a warning', {
      checks: checks.map((each, at) => (at === index ? { ...each, ...changed } : each)),
    });
  return (
    <div className="form" style={{ gap: 8 }}>
      <CommitArea
        label="How it was calculated"
        value={note}
        placeholder="For the bid. Figures in braces stay up to date: {volume, yd³} of concrete, {thickness} thick."
        onCommit={(text) => change('change a note', { note: text })}
      />
      {note !== '' && use !== undefined ? (
        <div className="box note-box">
          <NoteText parts={readNote(figures, frameOf(job, use), note, display)} />
        </div>
      ) : null}
      {checks.map((check, index) => (
        <div key={index} className="check-row">
          <FormulaInput
            label={`When to show warning ${index + 1}`}
            value={check.when}
            place={place}
            condition
            placeholder="a comparison, such as fill > 40 %"
            onCommit={(when) => setCheck(index, { when })}
          />
          <CommitInput
            label={`Warning ${index + 1}`}
            value={check.text}
            placeholder="what to say"
            onCommit={(text) => setCheck(index, { text })}
          />
          <IconButton
            aria-label={`Remove warning ${index + 1}`}
            onClick={() => change('remove a warning', { checks: checks.filter((_, at) => at !== index) })}
          >
            <Trash2 size={14} />
          </IconButton>
        </div>
      ))}
      <div>
        <Button
          size="xs"
          variant="outline"
          onClick={() => change('add a warning', { checks: [...checks, { when: '', text: '' }] })}
        >
          Add a warning
        </Button>
      </div>
    </div>
  );
}
