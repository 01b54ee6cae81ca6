import { Portal } from '@chakra-ui/react';
import { type ReactNode, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import { plainToLocal } from '@zest/core/formula/localize';
import { takeEntry } from '../components/typed.ts';
import { TextInput } from '../parts/fields.tsx';
import { useFormats, useOpenJob } from '../stores/context.tsx';
import { layout } from '../theme/layout.ts';
import { completeAt } from './complete.ts';
import { FormulaEditor } from './FormulaEditor.tsx';
import { type Outcome, OutcomeLine, outcomeOf } from './Outcome.tsx';
import { styles } from './styles.ts';

/** Where a table goes on when a cell is left by Enter or Tab. */
interface Step {
  readonly row: number;
  readonly column: number;
}

interface FormulaInputProps {
  readonly label: string;
  /** As it is kept: plain notation. */
  readonly value: string;
  readonly place: FormulaPlace;
  /** What a bare number is in, and what is wanted; undefined takes any figure. */
  readonly unit?: string | undefined;
  /** A comparison is wanted, not a figure. */
  readonly condition?: boolean;
  readonly placeholder?: string;
  /** What it comes to, or what is wrong with it, is shown also while nobody types. */
  readonly always?: boolean;
  /** Figures stand at the end. */
  readonly align?: 'end';
  readonly onCommit: (kept: string) => string | undefined;
  /** In a cell of a table: what was typed to begin with, and what happens when the cell is left. */
  readonly inCell?: {
    readonly first: string | undefined;
    readonly onLeave: (step?: Step, taken?: string) => void;
  };
}

/**
 * A formula: a plain text until it is entered, then the one live editor of the page. Names are completed with what
 * they are and come to, the figure and its unit follow every key, and a mistake is shown at its place. Taken on Enter
 * and on leaving; what is wrong is kept as typed.
 */
export function FormulaInput(props: FormulaInputProps) {
  const { label, place, placeholder, align, inCell, always, condition, unit } = props;
  const { figures, job } = useOpenJob();
  const formats = useFormats();
  const draft = useDraft(props);
  const { text, error } = draft;
  const [isEntered, setEntered] = useState(inCell !== undefined);
  const host = useRef<HTMLDivElement>(null);
  const live = draft.isTyped || always === true ? text : '';
  const outcome = outcomeOf(live, { figures, job, place, unit, condition: condition === true, formats });
  const below = <Below error={error} outcome={outcome} />;
  return (
    <div
      ref={host}
      style={{ minWidth: 0, position: 'relative', width: '100%' }}
      title={text}
      onKeyDown={(event) => event.stopPropagation()}
      onBlur={({ target, currentTarget }) => {
        // The plain text gives way to the editor, which is no leaving; neither is another window that comes to the front.
        if (target instanceof HTMLInputElement || currentTarget.contains(document.activeElement)) return;
        draft.commit();
        if (inCell === undefined) setEntered(false);
      }}
    >
      {isEntered ? (
        <FormulaEditor
          label={label}
          text={text}
          isTyped={draft.isTyped}
          whole={inCell?.first === undefined}
          placeholder={placeholder}
          align={align}
          invalid={error !== undefined}
          look={inCell === undefined ? 'field' : 'cell'}
          mistake={outcome.kind === 'wrong' ? outcome.at : undefined}
          complete={(typed, caret) => completeAt({ figures, place, formats }, typed, caret)}
          onText={draft.type}
          onEnter={(withShift) => draft.commit({ row: withShift ? -1 : 1, column: 0 })}
          onTab={(withShift) => {
            if (inCell !== undefined) draft.commit({ row: 0, column: withShift ? -1 : 1 });
            return inCell !== undefined;
          }}
          onEscape={draft.putBack}
        />
      ) : (
        <TextInput
          align={align}
          role="combobox"
          aria-label={label}
          aria-expanded={false}
          aria-invalid={error !== undefined}
          placeholder={placeholder}
          value={text}
          onChange={(event) => draft.type(event.target.value)}
          // At once, for the keys that follow to go to the editor.
          onFocus={() => flushSync(() => setEntered(true))}
        />
      )}
      {inCell === undefined ? below : <Floating under={host.current}>{below}</Floating>}
    </div>
  );
}

const Below = ({ error, outcome }: { readonly error: string | undefined; readonly outcome: Outcome }) => (
  <>
    {error === undefined ? null : (
      <div role="alert" className={layout.fieldError}>
        {error}
      </div>
    )}
    <OutcomeLine outcome={outcome} />
  </>
);

/** What is typed, until it is taken or put back. */
function useDraft({ value, unit, inCell, onCommit }: FormulaInputProps) {
  const { numbers } = useFormats();
  const [draft, setDraft] = useState<string | undefined>(inCell?.first);
  const [error, setError] = useState<string | undefined>();
  /** Leaving a cell takes the field away, which must not take its text a second time. */
  const left = useRef(false);
  const local = plainToLocal(value, numbers);
  const leave = (step?: Step, taken?: string): void => {
    left.current = inCell !== undefined;
    inCell?.onLeave(step, taken);
  };
  const putBack = (step?: Step): void => {
    setDraft(undefined);
    setError(undefined);
    leave(step);
  };
  return {
    text: draft ?? local,
    isTyped: draft !== undefined,
    error,
    type: setDraft,
    putBack: () => putBack(),
    commit: (step?: Step): void => {
      if (left.current) return;
      if (draft === undefined || draft === local) {
        putBack(step);
        return;
      }
      const refusal = takeEntry(draft, numbers, onCommit, unit);
      setError(refusal);
      if (refusal !== undefined) return;
      setDraft(undefined);
      leave(step, draft);
    },
  };
}

/** Below a cell of a table, which cuts off what is larger than itself. */
function Floating({ under, children }: { readonly under: HTMLElement | null; readonly children: ReactNode }) {
  const box = under?.getBoundingClientRect();
  if (box === undefined) return null;
  const left = Math.max(8, Math.min(box.left - 8, window.innerWidth - 430));
  return (
    <Portal>
      <div className={styles.floating} style={{ left, top: box.bottom + 4 }}>
        {children}
      </div>
    </Portal>
  );
}
