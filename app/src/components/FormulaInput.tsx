import { Portal } from '@chakra-ui/react';
import { type KeyboardEvent, type ReactNode, useId, useRef, useState } from 'react';
import type { Figures } from '@zest/core/calculate/figures';
import { workOut } from '@zest/core/calculate/explain/evaluate';
import {
  type FormulaPlace,
  type Suggestion,
  listMeasuresOf,
  listSuggestions,
  namesAt,
  NO_NODE,
} from '@zest/core/calculate/explain/suggestions';
import { typedAt } from '@zest/core/formula/complete';
import { localToPlain, plainToLocal } from '@zest/core/formula/localize';
import { keepTyped } from '@zest/core/formula/readTyped';
import { compileFormula } from '@zest/core/formula/compile';
import { traceFormula } from '@zest/core/formula/trace';
import { knownValue } from '@zest/core/calculate/define';
import { type Dimension, NUMBER, sameDimension } from '@zest/core/units/dimension';
import { formatInUnit, formatQuantity, joinFigure } from '@zest/core/units/format';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import { findUnit } from '@zest/core/units/unit';
import { describeFailure } from '../messages/describeFailure.ts';
import { describeProblem } from '../messages/describeProblem.ts';
import { MEASURE_WORDS } from '../messages/words.ts';
import { type Formats, useFormats, useOpenJob } from '../stores/context.tsx';
import { takeEntry } from './typed.ts';
import { TextInput } from '../parts/fields.tsx';
import { t } from '../messages/t.ts';
import { layout } from '../theme/layout.ts';
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

const LIMIT = 9;
const KIND_WORDS: Readonly<Record<Suggestion['kind'], string>> = {
  measure: 'measure',
  property: t('common.ofTheScope'),
  question: 'question',
  component: 'component',
  figure: t('common.namedFigure'),
  scope: 'scope',
  table: 'table',
  column: 'column',
  function: 'function',
};

/**
 * A formula while it is typed: names are completed with what they are and come to, the figure and its
 * unit follow every key, and a mistake is shown at its place. Taken on Enter and on leaving; what is
 * wrong is kept as typed.
 */
export function FormulaInput(props: FormulaInputProps) {
  const { label, value, place, onCommit, inCell } = props;
  const { figures, job } = useOpenJob();
  const formats = useFormats();
  const { numbers } = formats;
  const [draft, setDraft] = useState<string | undefined>(inCell?.first);
  const [caret, setCaret] = useState(inCell?.first?.length ?? 0);
  const [picked, setPicked] = useState<number | undefined>();
  const [dismissed, setDismissed] = useState(false);
  const [error, setError] = useState<string | undefined>();
  const field = useRef<HTMLInputElement>(null);
  const listId = useId();
  /** Leaving a cell takes the field away, which must not take its text a second time. */
  const left = useRef(false);
  const local = plainToLocal(value, numbers);
  const text = draft ?? local;
  const live = draft ?? (props.always === true ? local : '');
  const found = draft === undefined || dismissed ? [] : complete(figures, place, draft, caret, numbers);
  const leave = (step?: Step, taken?: string): void => {
    left.current = inCell !== undefined;
    inCell?.onLeave(step, taken);
  };
  const commit = (step?: Step): void => {
    if (left.current) return;
    setPicked(undefined);
    if (draft === undefined || draft === local) {
      setDraft(undefined);
      setError(undefined);
      leave(step);
      return;
    }
    const refusal = takeEntry(draft, numbers, onCommit, props.unit);
    setError(refusal);
    if (refusal !== undefined) return;
    setDraft(undefined);
    leave(step, draft);
  };
  const take = ({ name, role }: Suggestion): void => {
    const typed = typedAt(localToPlain(text, numbers), caret);
    if (typed === undefined) return;
    const added = role === 'function' ? `${name}(` : name;
    const next = text.slice(0, typed.start) + added + text.slice(typed.end);
    const at = typed.start + added.length;
    setDraft(next);
    setCaret(at);
    setPicked(undefined);
    setDismissed(role !== 'function');
    // The caret follows the word that was put in, once React has written it.
    requestAnimationFrame(() => field.current?.setSelectionRange(at, at));
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    event.stopPropagation();
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const chosen = found[picked ?? -1];
    if (step !== undefined && found.length > 0) {
      event.preventDefault();
      setPicked(((picked ?? (step > 0 ? -1 : 0)) + step + found.length) % found.length);
    } else if ((event.key === 'Enter' || event.key === 'Tab') && chosen !== undefined) {
      event.preventDefault();
      take(chosen);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      commit({ row: event.shiftKey ? -1 : 1, column: 0 });
    } else if (event.key === 'Tab' && inCell !== undefined) {
      event.preventDefault();
      commit({ row: 0, column: event.shiftKey ? -1 : 1 });
    } else if (event.key === 'Escape') {
      if (found.length > 0) {
        setDismissed(true);
        setPicked(undefined);
      } else {
        setDraft(undefined);
        setError(undefined);
        leave();
      }
    } else if (event.key === ' ' && event.ctrlKey) {
      event.preventDefault();
      setDraft(text);
      setDismissed(false);
    }
  };
  const below = (
    <>
      {error === undefined ? null : (
        <div role="alert" className={layout.fieldError}>
          {error}
        </div>
      )}
      {live.trim() === '' ? null : (
        <Live {...props} draft={live} shown={live.trim()} job={job} figures={figures} />
      )}
      {found.length === 0 ? null : (
        <ul
          className={`${layout.finderList} ${layout.box} ${styles.searchList} ${styles.suggestions}`}
          id={listId}
          role="listbox"
          aria-label={t('common.names')}
        >
          {found.map((each, index) => (
            <li
              key={`${each.role} ${each.name}`}
              id={`${listId}-${index}`}
              role="option"
              aria-selected={index === picked}
              onMouseDown={(event) => {
                event.preventDefault();
                take(each);
              }}
            >
              <b>{each.name}</b>
              <span className="soft cut">{helpOf(each)}</span>
              <span className="kind">{figureOf(figures, each, formats)}</span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
  return (
    <div style={{ minWidth: 0, position: 'relative', width: '100%' }}>
      <TextInput
        ref={field}
        align={props.align}
        role="combobox"
        aria-label={label}
        aria-expanded={found.length > 0}
        aria-controls={listId}
        aria-activedescendant={picked === undefined ? undefined : `${listId}-${picked}`}
        aria-invalid={error !== undefined}
        placeholder={props.placeholder}
        autoComplete="off"
        spellCheck={false}
        value={text}
        title={text}
        onChange={(event) => {
          setDraft(event.target.value);
          setCaret(event.target.selectionStart ?? event.target.value.length);
          setDismissed(false);
          setPicked(undefined);
        }}
        onSelect={(event) => setCaret(event.currentTarget.selectionStart ?? 0)}
        onBlur={() => commit()}
        onKeyDown={onKeyDown}
        autoFocus={inCell !== undefined}
        onFocus={(event) => {
          if (inCell?.first === undefined) event.target.select();
        }}
      />
      {inCell === undefined ? below : <Floating under={field.current}>{below}</Floating>}
    </div>
  );
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

const helpOf = ({ kind, help, name }: Suggestion): string =>
  help === '' ? (MEASURE_WORDS[name as keyof typeof MEASURE_WORDS] ?? KIND_WORDS[kind]) : help;

function figureOf(figures: Figures, { kind, node, dimension }: Suggestion, { display }: Formats): string {
  const value = node === undefined || node === NO_NODE ? undefined : knownValue(figures.figure(node));
  return value === undefined || dimension === undefined
    ? KIND_WORDS[kind]
    : joinFigure(formatQuantity(value, dimension, display));
}

/** Names that begin with what is typed first, then those that hold it. */
function complete(
  figures: Figures,
  place: FormulaPlace,
  text: string,
  caret: number,
  numbers: NumberFormat,
): readonly Suggestion[] {
  const typed = typedAt(localToPlain(text, numbers), caret);
  if (typed === undefined || typed.role === undefined) return [];
  const wanted = typed.word.toLowerCase();
  // An empty place is completed where only certain names fit: inside total() and lookup().
  if (wanted === '' && typed.role === 'name' && text.trim() !== '') return [];
  const all = typed.role === 'measure' ? listMeasuresOf(figures, typed.of) : listSuggestions(figures, place);
  const fitting = all.filter(
    ({ role }) => role === typed.role || (role === 'function' && typed.role === 'name'),
  );
  const seen = new Set<string>();
  const rank = ({ name, help }: Suggestion): number => {
    const lower = name.toLowerCase();
    if (lower.startsWith(wanted)) return 0;
    if (lower.includes(wanted)) return 1;
    return wanted.length > 2 && help.toLowerCase().includes(wanted) ? 2 : 3;
  };
  const found = fitting
    .map((each, order) => ({ each, order, rank: rank(each) }))
    .filter((candidate) => candidate.rank < 3)
    .sort((a, b) => a.rank - b.rank || a.order - b.order)
    .map(({ each }) => each)
    .filter(({ name }) => !seen.has(name) && seen.add(name));
  // A word that is whole already needs no list, unless it begins another.
  return found.length === 1 && found[0]?.name === typed.word ? [] : found.slice(0, LIMIT);
}

interface LiveProps extends FormulaInputProps {
  readonly draft: string;
  readonly shown: string;
  readonly job: Parameters<typeof describeFailure>[1];
  readonly figures: Figures;
}

/** What the text comes to so far, or what is wrong with it and where. */
function Live({ draft: typed, shown, place, unit, condition, job, figures }: LiveProps) {
  const { display, numbers } = useFormats();
  if (condition === true) return null;
  const kept = keepTyped(typed, numbers, unit);
  if (!kept.ok) return <div className={layout.fieldError}>{describeProblem(kept.problem)}</div>;
  const draft = kept.value;
  const names = namesAt(figures, place);
  const wanted = unit === undefined ? undefined : dimensionOf(unit);
  if (place.in === 'assembly') {
    const formula = compileFormula(draft, names, wanted);
    return formula.ok ? null : <Wrong text={shown} problem={formula.problem} />;
  }
  const worked = workOut(figures, draft, names, unit ?? '', wanted);
  if (worked.kind === 'problem' && isUnfinished(worked.problem)) return null;
  if (worked.kind === 'problem') return <Wrong text={shown} problem={worked.problem} />;
  if (worked.kind === 'failure')
    return <div className={layout.fieldError}>{describeFailure(worked.failure, job)}</div>;
  const { value, dimension, formula } = worked;
  const own = unit === undefined ? undefined : findUnit(unit);
  const figure =
    own !== undefined && sameDimension(own.dimension, dimension)
      ? formatInUnit(value, own, display)
      : formatQuantity(value, dimension, display);
  const find = (reference: Parameters<typeof names.find>[0]) => {
    const named = names.find(reference);
    const known = named === undefined ? undefined : knownValue(figures.figure(named.node));
    return named === undefined || known === undefined
      ? undefined
      : { value: known, dimension: named.dimension };
  };
  const trace = formula === undefined ? undefined : traceFormula(formula, find, display);
  return (
    <div className={layout.trace} aria-live="polite">
      {trace === undefined || trace.substituted === trace.source
        ? null
        : `${plainToLocal(trace.substituted, numbers)} `}
      {'= '}
      <b>{joinFigure(figure)}</b>
    </div>
  );
}

/** While it is typed, a formula that only lacks its end is no mistake. */
const isUnfinished = ({ kind }: { readonly kind: string }): boolean =>
  kind === 'formula-unfinished' || kind === 'formula-unclosed';

const dimensionOf = (unit: string): Dimension => findUnit(unit)?.dimension ?? NUMBER;

type Placed = Parameters<typeof describeProblem>[0] & {
  readonly at?: { readonly start: number; readonly end: number };
};

/** The text with the place underlined, and the reason. */
function Wrong({ text, problem }: { readonly text: string; readonly problem: Placed }) {
  const { start, end } = problem.at ?? { start: 0, end: text.length };
  const to = Math.max(end, start + 1);
  return (
    <div className={layout.fieldError} role="note">
      <code className="wrong">
        {text.slice(0, start)}
        <u>{text.slice(start, to) || '␣'}</u>
        {text.slice(to)}
      </code>{' '}
      {describeProblem(problem)}
    </div>
  );
}
