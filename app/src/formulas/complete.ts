import {
  type Completion,
  type CompletionResult,
  pickedCompletion,
  startCompletion,
} from '@codemirror/autocomplete';
import type { EditorView } from '@codemirror/view';
import { knownValue } from '@zest/core/calculate/define';
import {
  type FormulaPlace,
  NO_NODE,
  type Suggestion,
  listMeasuresOf,
  listSuggestions,
} from '@zest/core/calculate/explain/suggestions';
import type { Figures } from '@zest/core/calculate/figures';
import { type Typed, typedAt } from '@zest/core/formula/complete';
import { localToPlain } from '@zest/core/formula/localize';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { MEASURE_WORDS } from '../messages/words.ts';
import { t } from '../messages/t.ts';
import type { Formats } from '../stores/context.tsx';

const LIMIT = 9;
const KIND_WORDS: Readonly<Record<Suggestion['kind'], string>> = {
  measure: t('formula.measure'),
  property: t('formula.ofTheScope'),
  question: t('formula.question'),
  component: t('formula.component'),
  figure: t('formula.namedFigure'),
  scope: t('formula.scope'),
  table: t('formula.table'),
  column: t('formula.column'),
  function: t('formula.function'),
};

/** A completion that also says what the name is, and comes to. */
export interface NameCompletion extends Completion {
  readonly comesTo: string;
}

interface FormulaSource {
  readonly figures: Figures;
  readonly place: FormulaPlace;
  readonly formats: Formats;
}

/** The names that fit at the caret, best first, as the editor takes them; null for none. */
export function completeAt(source: FormulaSource, text: string, caret: number): CompletionResult | null {
  const typed = typedAt(localToPlain(text, source.formats.numbers), caret);
  if (typed === undefined) return null;
  const found = findNames(source, typed, text);
  if (found.length === 0) return null;
  return {
    from: typed.start,
    to: typed.end,
    // Ours are ranked by what they are; the editor would rank them by their letters alone.
    filter: false,
    options: found.map((each): NameCompletion => ({
      label: each.name,
      detail: helpOf(each),
      comesTo: comesTo(each, source),
      apply: (view, completion, from, to) => take(view, completion, { from, to }, each.role === 'function'),
    })),
  };
}

/** Puts a name in; a function is opened, and goes on to what belongs inside. */
function take(
  view: EditorView,
  completion: Completion,
  { from, to }: { readonly from: number; readonly to: number },
  isFunction: boolean,
): void {
  const insert = isFunction ? `${completion.label}(` : completion.label;
  view.dispatch({
    changes: { from, to, insert },
    selection: { anchor: from + insert.length },
    annotations: pickedCompletion.of(completion),
    userEvent: 'input.complete',
  });
  if (isFunction) startCompletion(view);
}

/** Names that begin with what is typed first, then those that hold it. */
function findNames({ figures, place }: FormulaSource, typed: Typed, text: string): readonly Suggestion[] {
  if (typed.role === undefined) return [];
  const wanted = typed.word.toLowerCase();
  // An empty place is completed where only certain names fit: inside total() and lookup().
  if (wanted === '' && typed.role === 'name' && text.trim() !== '') return [];
  const all = typed.role === 'measure' ? listMeasuresOf(figures, typed.of) : listSuggestions(figures, place);
  const fitting = all.filter(
    ({ role }) => role === typed.role || (role === 'function' && typed.role === 'name'),
  );
  const seen = new Set<string>();
  const found = fitting
    .map((each, order) => ({ each, order, rank: rankOf(each, wanted) }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank || a.order - b.order)
    .map(({ each }) => each)
    .filter(({ name }) => !seen.has(name) && seen.add(name));
  // A word that is whole already needs no list, unless it begins another.
  return found.length === 1 && found[0]?.name === typed.word ? [] : found.slice(0, LIMIT);
}

const NO_MATCH = 3;

function rankOf({ name, help }: Suggestion, wanted: string): number {
  const lower = name.toLowerCase();
  if (lower.startsWith(wanted)) return 0;
  if (lower.includes(wanted)) return 1;
  return wanted.length > 2 && help.toLowerCase().includes(wanted) ? 2 : NO_MATCH;
}

const helpOf = ({ kind, help, name }: Suggestion): string =>
  help === '' ? (MEASURE_WORDS[name as keyof typeof MEASURE_WORDS] ?? KIND_WORDS[kind]) : help;

function comesTo({ kind, node, dimension }: Suggestion, { figures, formats }: FormulaSource): string {
  const value = node === undefined || node === NO_NODE ? undefined : knownValue(figures.figure(node));
  return value === undefined || dimension === undefined
    ? KIND_WORDS[kind]
    : joinFigure(formatQuantity(value, dimension, formats.display));
}
