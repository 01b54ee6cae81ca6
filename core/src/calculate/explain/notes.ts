import { type Frame, framesOf } from '../../assemblies/frames.ts';
import type { Use } from '../../job/records/use.ts';
import { type Display, type FigureText, formatInUnit, formatQuantity } from '../../units/format.ts';
import { findUnit } from '../../units/unit.ts';
import { sameDimension } from '../../units/dimension.ts';
import type { Figures } from '../figures.ts';
import { componentNames } from '../lines/use.ts';
import type { Names } from '../queries/names.ts';
import { type Worked, holds, workOut } from './evaluate.ts';

/** A piece of a note: words, or a figure of the moment. */
export type NotePart =
  | { readonly type: 'words'; readonly text: string }
  | { readonly type: 'figure'; readonly text: FigureText }
  /** A formula without a figure, and why. */
  | { readonly type: 'unknown'; readonly formula: string; readonly worked: Worked };

const NO_WORDS: ReadonlyMap<string, string> = new Map();
const BRACES = /\{([^{}]*)\}/g;

/** `volume, yd³` is the formula and the unit it is shown in; the unit may be left out. */
function splitUnit(inner: string): { readonly formula: string; readonly unit: string } {
  const comma = inner.lastIndexOf(',');
  const unit = comma < 0 ? '' : inner.slice(comma + 1).trim();
  return comma >= 0 && findUnit(unit) !== undefined
    ? { formula: inner.slice(0, comma).trim(), unit }
    : { formula: inner.trim(), unit: '' };
}

function figurePart(figures: Figures, names: Names, inner: string, display: Display): NotePart {
  const { formula, unit } = splitUnit(inner);
  const worked = workOut(figures, formula, names);
  if (worked.kind !== 'figure') return { type: 'unknown', formula, worked };
  const shown = findUnit(unit);
  const { value, dimension } = worked;
  const text =
    shown !== undefined && sameDimension(shown.dimension, dimension)
      ? formatInUnit(value, shown, display)
      : formatQuantity(value, dimension, display);
  return { type: 'figure', text };
}

/** A text with the figures of the moment in the place of what stands in braces; words known by name come before figures. */
export function readText(
  figures: Figures,
  names: Names,
  text: string,
  display: Display,
  known: ReadonlyMap<string, string> = NO_WORDS,
): readonly NotePart[] {
  const parts: NotePart[] = [];
  let from = 0;
  for (const match of text.matchAll(BRACES)) {
    if (match.index > from) parts.push({ type: 'words', text: text.slice(from, match.index) });
    const inner = match[1] ?? '';
    const words = known.get(inner.trim().toLowerCase());
    parts.push(
      words === undefined ? figurePart(figures, names, inner, display) : { type: 'words', text: words },
    );
    from = match.index + match[0].length;
  }
  if (from < text.length) parts.push({ type: 'words', text: text.slice(from) });
  return parts;
}

/** A note of an assembly, in the names of its frame. */
export const readNote = (
  figures: Figures,
  frame: Frame,
  text: string,
  display: Display,
): readonly NotePart[] => readText(figures, componentNames(figures.job, frame), text, display);

/** A note as plain text; what has no figure stays in its braces, to be seen. */
export const joinNote = (parts: readonly NotePart[]): string =>
  parts
    .map((part) => {
      if (part.type === 'words') return part.text;
      if (part.type === 'unknown') return `{${part.formula}}`;
      return part.text.unit === '' ? part.text.figure : `${part.text.figure} ${part.text.unit}`;
    })
    .join('');

/** How a use was figured: the notes of its assembly and of those inside it. */
export const notesOf = (figures: Figures, use: Use, display: Display): readonly (readonly NotePart[])[] =>
  framesOf(figures.job, use).flatMap((frame) =>
    frame.assembly.note === undefined || frame.assembly.note.trim() === ''
      ? []
      : [readNote(figures, frame, frame.assembly.note, display)],
  );

/** What to watch in a use: the checks that hold, and those that cannot be told because a formula is wrong. */
export const warningsOf = (figures: Figures, use: Use, display: Display): readonly (readonly NotePart[])[] =>
  framesOf(figures.job, use).flatMap((frame) => {
    const names = componentNames(figures.job, frame);
    return (frame.assembly.checks ?? [])
      .filter(({ when }) => holds(figures, when, names) === true)
      .map(({ text }) => readNote(figures, frame, text, display));
  });
