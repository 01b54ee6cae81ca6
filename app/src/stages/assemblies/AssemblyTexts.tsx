import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { readNote } from '@zest/core/calculate/explain/notes';
import { frameOf } from '@zest/core/assemblies/frames';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import type { AssemblyCheck } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { CommitArea } from '../../parts/CommitArea.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { NoteText } from '../../figures/NoteText.tsx';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import type { PartProps } from './assemblyParts.ts';
import { IconButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

interface AssemblyTextsProps extends PartProps {
  readonly use: Use | undefined;
  readonly place: FormulaPlace;
}

/** The note that explains the assembly in the bid, and what it warns of. Figures in braces stay true. */
export function AssemblyTexts({ assembly, use, place, change }: AssemblyTextsProps) {
  const note = assembly.note ?? '';
  const checks = assembly.checks ?? [];
  const setCheck = (index: number, changed: Partial<AssemblyCheck>): string | undefined =>
    change(t('assemblies.changeAWarning'), {
      checks: checks.map((each, at) => (at === index ? { ...each, ...changed } : each)),
    });
  return (
    <div className={layout.form} style={{ gap: 8 }}>
      <CommitArea
        label={t('assemblies.howItWasCalculated')}
        value={note}
        placeholder={t('assemblies.forTheBidFiguresInBracesStay')}
        onCommit={(text) => change(t('assemblies.changeANote'), { note: text })}
      />
      <NoteShown note={note} use={use} />
      {checks.map((check, index) => (
        <div key={index} className={styles.checkRow}>
          <FormulaInput
            label={t('assemblies.whenToShowWarning', { place: index + 1 })}
            value={check.when}
            place={place}
            condition
            placeholder={t('assemblies.aComparisonSuchAsFill40')}
            onCommit={(when) => setCheck(index, { when })}
          />
          <CommitInput
            label={t('assemblies.warning', { place: index + 1 })}
            value={check.text}
            placeholder={t('assemblies.whatToSay')}
            onCommit={(text) => setCheck(index, { text })}
          />
          <IconButton
            aria-label={t('assemblies.removeWarning', { place: index + 1 })}
            onClick={() =>
              change(t('assemblies.removeAWarning'), { checks: checks.filter((_, at) => at !== index) })
            }
          >
            <Trash2 size={14} />
          </IconButton>
        </div>
      ))}
      <div>
        <Button
          size="xs"
          variant="outline"
          onClick={() =>
            change(t('assemblies.addAWarning2'), { checks: [...checks, { when: '', text: '' }] })
          }
        >
          {t('assemblies.addAWarning')}
        </Button>
      </div>
    </div>
  );
}

interface NoteShownProps {
  readonly note: string;
  readonly use: Use | undefined;
}

function NoteShown({ note, use }: NoteShownProps) {
  const { figures, job } = useOpenJob();
  const { display } = useFormats();
  return note !== '' && use !== undefined ? (
    <div className={`${layout.box} ${layout.noteBox}`}>
      <NoteText parts={readNote(figures, frameOf(job, use), note, display)} />
    </div>
  ) : null;
}
