import { Portal } from '@chakra-ui/react';
import { type ReactNode, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import { plainToLocal } from '@zest/core/formula/localize';
import { takeEntry } from '../figures/typed.ts';
import { TextInput } from '../parts/fields.tsx';
import { useFormats, useOpenJob } from '../stores/context.tsx';
import { completeAt } from './complete.ts';
import { FigureField, isFigure } from './FigureField.tsx';
import { FormulaEditor } from './FormulaEditor.tsx';
import { type Outcome, OutcomeLine, outcomeOf } from './Outcome.tsx';
import { styles } from './styles.ts';
import { Refusal } from '../parts/Refusal.tsx';

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
  const { inCell } = props;
  const draft = useDraft(props);
  const { text, error } = draft;
  const editor = useEditorSwitch(inCell !== undefined && !isFigure(text));
  const host = useRef<HTMLDivElement>(null);
  const outcome = useOutcome(draft.isTyped || props.always === true ? text : '', props);
  const below = <Below error={error} outcome={outcome} />;
  const isPlain = !editor.isOpen && error === undefined && outcome.kind !== 'wrong';
  const leave = (): void => {
    draft.commit();
    if (inCell === undefined) editor.close();
  };
  return (
    <div
      ref={host}
      style={{ minWidth: 0, position: 'relative', width: '100%' }}
      title={text}
      onKeyDown={(event) => event.stopPropagation()}
      onBlur={({ currentTarget }) => {
        // Another window that comes to the front leaves the focus where it was.
        if (!editor.isComing() && !currentTarget.contains(document.activeElement)) leave();
      }}
    >
      <Typing props={props} draft={draft} editor={editor} outcome={outcome} />
      {/* A bare number in a cell says itself what it comes to; a box below it would only cover the next rows. */}
      {inCell === undefined ? below : isPlain ? null : <Floating under={host.current}>{below}</Floating>}
    </div>
  );
}

interface TypingProps {
  readonly props: FormulaInputProps;
  readonly draft: ReturnType<typeof useDraft>;
  readonly editor: ReturnType<typeof useEditorSwitch>;
  readonly outcome: Outcome;
}

/** What is typed into: the editor, the plain text before it, or the cell of a bare number. */
function Typing({ props, draft, editor, outcome }: TypingProps) {
  const { label, place, placeholder, align, inCell } = props;
  const { figures } = useOpenJob();
  const formats = useFormats();
  const field = { label, text: draft.text, align, invalid: draft.error !== undefined };
  const keys = {
    onEnter: (withShift: boolean) => draft.commit({ row: withShift ? -1 : 1, column: 0 }),
    onEscape: draft.putBack,
  };
  const next = (withShift: boolean): true => {
    draft.commit({ row: 0, column: withShift ? -1 : 1 });
    return true;
  };
  return editor.isOpen ? (
    <FormulaEditor
      {...field}
      {...keys}
      isTyped={draft.isTyped}
      selected={editor.caret ?? (inCell?.first === undefined ? 'all' : 'end')}
      placeholder={placeholder}
      look={inCell === undefined ? 'field' : 'cell'}
      mistake={outcome.kind === 'wrong' ? outcome.at : undefined}
      complete={(typed, caret) => completeAt({ figures, place, formats }, typed, caret)}
      onText={draft.type}
      onTab={inCell === undefined ? () => false : next}
    />
  ) : inCell === undefined ? (
    <PlainField {...field} placeholder={placeholder} onText={draft.type} onFocus={() => editor.open()} />
  ) : (
    <FigureField
      {...field}
      {...keys}
      whole={inCell.first === undefined}
      onText={(typed, caret) => {
        if (isFigure(typed)) draft.type(typed);
        else editor.open(caret, () => draft.type(typed));
      }}
      onTab={next}
    />
  );
}

function useOutcome(live: string, { place, unit, condition }: FormulaInputProps): Outcome {
  const { figures, job } = useOpenJob();
  const formats = useFormats();
  return outcomeOf(live, { figures, job, place, unit, condition: condition === true, formats });
}

/** Whether the editor stands in the place of the plain field, and where its caret begins. */
function useEditorSwitch(initially: boolean) {
  const [isOpen, setOpen] = useState(initially);
  const [caret, setCaret] = useState<number | undefined>();
  const coming = useRef(false);
  return {
    isOpen,
    caret,
    close: () => setOpen(false),
    /** The plain field gives way to the editor, and loses the focus without being left. */
    isComing: () => coming.current,
    open: (at?: number, change?: () => void): void => {
      coming.current = true;
      // At once, for the keys that follow to go to the editor.
      flushSync(() => {
        change?.();
        setCaret(at);
        setOpen(true);
      });
      coming.current = false;
    },
  };
}

interface PlainFieldProps {
  readonly label: string;
  readonly text: string;
  readonly align: 'end' | undefined;
  readonly invalid: boolean;
  readonly placeholder: string | undefined;
  readonly onText: (text: string) => void;
  readonly onFocus: () => void;
}

/** What is seen until the field is entered. */
const PlainField = ({ label, text, align, invalid, placeholder, onText, onFocus }: PlainFieldProps) => (
  <TextInput
    align={align}
    role="combobox"
    aria-label={label}
    aria-expanded={false}
    aria-invalid={invalid}
    placeholder={placeholder}
    value={text}
    onChange={(event) => onText(event.target.value)}
    onFocus={onFocus}
  />
);

const Below = ({ error, outcome }: { readonly error: string | undefined; readonly outcome: Outcome }) => (
  <>
    <Refusal>{error}</Refusal>
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
