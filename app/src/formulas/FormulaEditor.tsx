import {
  type CompletionContext,
  type CompletionResult,
  acceptCompletion,
  autocompletion,
  completionStatus,
  startCompletion,
} from '@codemirror/autocomplete';
import { history, historyKeymap, standardKeymap } from '@codemirror/commands';
import { EditorState, type Extension, Prec, StateEffect, StateField } from '@codemirror/state';
import {
  Decoration,
  type DecorationSet,
  EditorView,
  keymap,
  placeholder as placeholderOf,
  tooltips,
} from '@codemirror/view';
import { type RefObject, useLayoutEffect, useRef } from 'react';
import { cache } from '../theme/cache.ts';
import { t } from '../messages/t.ts';
import type { NameCompletion } from './complete.ts';
import { styles } from './styles.ts';

export interface Place {
  readonly start: number;
  readonly end: number;
}

interface FormulaEditorProps {
  readonly label: string;
  readonly text: string;
  /** The text is what was typed here, and not yet taken. */
  readonly isTyped: boolean;
  /** All of the text is selected, for what is typed to take its place; or where the caret stands. */
  readonly selected: 'all' | 'end' | number;
  readonly placeholder: string | undefined;
  readonly align: 'end' | undefined;
  readonly invalid: boolean;
  readonly look: 'field' | 'cell';
  /** Where it is wrong, in the text. */
  readonly mistake: Place | undefined;
  readonly complete: (text: string, caret: number) => CompletionResult | null;
  readonly onText: (text: string) => void;
  readonly onEnter: (withShift: boolean) => void;
  /** Answers whether the key was taken; otherwise the focus goes on as it does everywhere. */
  readonly onTab: (withShift: boolean) => boolean;
  readonly onEscape: () => void;
}

/** The one line that is edited now: names are completed, and a mistake is underlined where it stands. */
export function FormulaEditor(props: FormulaEditorProps) {
  const { text, isTyped, mistake, invalid, align, look } = props;
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(null);
  const latest = useRef(props);
  useLayoutEffect(() => {
    latest.current = props;
  });
  useLayoutEffect(() => {
    const parent = host.current;
    if (parent === null) return;
    const made = createEditor(parent, latest);
    // What it says of a text of many lines is not allowed of a field that offers a list.
    made.contentDOM.removeAttribute('aria-multiline');
    view.current = made;
    made.focus();
    // What opened the cell is typed like the keys that follow it: names are offered.
    if (latest.current.selected !== 'all') startCompletion(made);
    return () => {
      view.current = null;
      made.destroy();
    };
  }, []);
  useLayoutEffect(() => {
    const editor = view.current;
    // While someone types, the editor is ahead of what was drawn: to write it back would lose a key.
    if (editor === null || isTyped || editor.state.doc.toString() === text) return;
    editor.dispatch({
      changes: { from: 0, to: editor.state.doc.length, insert: text },
      selection: { anchor: text.length },
    });
  }, [text, isTyped]);
  useLayoutEffect(() => {
    const editor = view.current;
    if (editor === null) return;
    const now = editor.state.field(mistakes).iter();
    const set = underline(mistake, editor.state.doc.length).iter();
    if (now.from !== set.from || now.to !== set.to || now.value !== set.value)
      editor.dispatch({ effects: setMistake.of(mistake) });
    // The same place is the same mistake.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [mistake?.start, mistake?.end, text]);
  useLayoutEffect(() => {
    view.current?.contentDOM.setAttribute('aria-invalid', String(invalid));
  }, [invalid]);
  return (
    <div
      ref={host}
      className={styles.formulaEditor}
      data-look={look}
      data-align={align}
      data-invalid={invalid ? 'true' : undefined}
    />
  );
}

function createEditor(parent: HTMLElement, latest: RefObject<FormulaEditorProps>): EditorView {
  const { label, text, selected, placeholder, mistake } = latest.current;
  const head = typeof selected === 'number' ? selected : text.length;
  return new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      selection: { anchor: selected === 'all' ? 0 : head, head },
      extensions: [
        ONE_LINE,
        history(),
        // From the beginning: to draw it anew under a caret that was just set would lose the caret.
        mistakes.init(({ doc }) => underline(mistake, doc.length)),
        completion(latest),
        keys(latest),
        keymap.of([...historyKeymap, ...standardKeymap.filter(({ key }) => key !== 'Enter')]),
        // Cells and dialogs cut off what is larger than they are.
        tooltips({
          position: 'fixed',
          parent: parent.closest<HTMLElement>('[role=dialog]') ?? document.body,
        }),
        placeholder === undefined ? [] : placeholderOf(placeholder),
        cache.nonce === undefined ? [] : EditorView.cspNonce.of(cache.nonce),
        EditorState.phrases.of({ Completions: t('formula.names') }),
        EditorView.contentAttributes.of(({ state }) => ({
          role: 'combobox',
          'aria-label': label,
          'aria-expanded': String(completionStatus(state) === 'active'),
        })),
        EditorView.updateListener.of(({ docChanged, state }) => {
          const typed = state.doc.toString();
          if (docChanged && typed !== latest.current.text) latest.current.onText(typed);
        }),
      ],
    }),
  });
}

/** A formula is one line: what is pasted becomes one, and no key makes a second. */
const ONE_LINE: Extension = [
  EditorView.clipboardInputFilter.of((pasted) => pasted.trim().replace(/\s*\r?\n\s*/g, ' ')),
  EditorState.transactionFilter.of((change) => (change.newDoc.lines > 1 ? [] : change)),
];

function completion(latest: RefObject<FormulaEditorProps>): Extension {
  return autocompletion({
    override: [
      ({ state, pos, explicit }: CompletionContext) =>
        explicit || state.doc.length > 0 ? latest.current.complete(state.doc.toString(), pos) : null,
    ],
    // Enter takes the formula unless a name was picked; what it comes to stands below.
    selectOnOpen: false,
    aboveCursor: true,
    icons: false,
    activateOnTypingDelay: 0,
    interactionDelay: 0,
    addToOptions: [
      {
        position: 90,
        render: (option) => {
          const figure = document.createElement('span');
          figure.className = 'kind';
          figure.textContent = (option as NameCompletion).comesTo;
          return figure;
        },
      },
    ],
  });
}

function keys(latest: RefObject<FormulaEditorProps>): Extension {
  const enter = (withShift: boolean) => (): boolean => {
    latest.current.onEnter(withShift);
    return true;
  };
  return Prec.high(
    keymap.of([
      { key: 'Enter', run: enter(false), shift: enter(true) },
      {
        key: 'Tab',
        run: (view) => acceptCompletion(view) || latest.current.onTab(false),
        shift: () => latest.current.onTab(true),
      },
      {
        key: 'Escape',
        run: () => {
          latest.current.onEscape();
          return true;
        },
      },
    ]),
  );
}

const setMistake = StateEffect.define<Place | undefined>();
const MISTAKE = Decoration.mark({ class: 'mistake' });

function underline(place: Place | undefined, length: number): DecorationSet {
  const from = Math.max(0, Math.min(place?.start ?? 0, length - 1));
  const to = Math.min(length, Math.max(place?.end ?? 0, from + 1));
  return place === undefined || to <= from ? Decoration.none : Decoration.set([MISTAKE.range(from, to)]);
}

/** Underlined where the formula is wrong; it moves with the text until that is judged again. */
const mistakes = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (shown, change) => {
    const set = change.effects.find((effect) => effect.is(setMistake));
    if (set === undefined) return shown.map(change.changes);
    return underline(set.value, change.state.doc.length);
  },
  provide: (field) => EditorView.decorations.from(field),
});
