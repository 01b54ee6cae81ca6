import { type KeyboardEvent, type RefObject, useEffect, useId, useMemo, useRef, useState } from 'react';
import { TextInput } from './fields.tsx';
import { type Option, OptionList, comboboxOf, useOptionPlace } from './options.tsx';
import { layout } from '../theme/layout.ts';
import { styles } from './styles.ts';

export type SearchOption = Option;

interface SearchChoiceProps {
  readonly label: string;
  readonly listLabel: string;
  readonly placeholder: string;
  /** What the field shows while nothing is typed. */
  readonly value: string;
  readonly title?: string;
  readonly invalid?: boolean;
  readonly width: number;
  readonly side: 'left' | 'right';
  /** The options that fit what was typed, best first. */
  readonly find: (text: string) => readonly SearchOption[];
  readonly nothing: string;
  readonly onChoose: (id: string) => void;
  /** The option that typed text means by itself when the field is left; undefined for none. */
  readonly exact?: (text: string) => string | undefined;
  /** Told of a text that was typed and means nothing here, when the field is left: it is not dropped in silence. */
  readonly onUnknown?: (text: string) => void;
  /** In a cell of a table: what was typed to begin with, and what happens when nothing is chosen. */
  readonly inCell?: { readonly first: string | undefined; readonly onLeave: () => void } | undefined;
}

/** A field that finds while typing: arrow keys, Enter, Escape, or a click. */
export function SearchChoice(props: SearchChoiceProps) {
  const { label, find, value, exact, inCell } = props;
  const { text, typed, setText, choose, leave } = useTyped(props);
  const listId = useId();
  const found = useMemo(() => (text === undefined ? [] : find(text)), [find, text]);
  const { at, goTo, step } = useOptionPlace(found.length);
  const field = useFieldInCell(inCell);
  const list = useSeenList(text !== undefined, found);
  const onKeyDown = (event: KeyboardEvent): void => {
    event.stopPropagation();
    if (step(event)) {
      if (text === undefined) setText('');
    } else if (event.key === 'Enter' && text !== undefined) {
      const option = found[at];
      if (text.trim() === '' && exact !== undefined) leave();
      else if (option !== undefined) choose(option.id);
      else if (props.onUnknown !== undefined) leave();
    } else if (event.key === 'Escape') {
      setText(undefined);
      inCell?.onLeave();
    }
  };
  return (
    <div style={{ position: 'relative' }}>
      <TextInput
        ref={field}
        {...comboboxOf(listId, found, at, typed && found.length > 0)}
        aria-label={label}
        aria-invalid={props.invalid}
        placeholder={props.placeholder}
        title={props.title}
        value={text ?? value}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          goTo(0);
        }}
        onBlur={leave}
        onKeyDown={onKeyDown}
      />
      {text === undefined ? null : (
        <OptionList
          ref={list}
          id={listId}
          label={props.listLabel}
          className={`${layout.box} ${styles.searchList}`}
          style={{ [props.side]: 0, width: props.width }}
          options={found}
          at={at}
          nothing={props.nothing}
          onTake={(id) => {
            choose(id);
            // By hand the keys go back to the work; by keyboard the focus stays.
            field.current?.blur();
          }}
        />
      )}
    </div>
  );
}

/** The field may stand at the foot of what scrolls; its list must be seen. */
function useSeenList(open: boolean, found: readonly SearchOption[]): RefObject<HTMLUListElement | null> {
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    if (open) list.current?.scrollIntoView({ block: 'nearest' });
  }, [open, found]);
  return list;
}

/** What is typed, until something is chosen or the field is left. */
function useTyped({ inCell, onChoose, exact, onUnknown }: SearchChoiceProps) {
  const [text, show] = useState<string | undefined>(inCell?.first);
  // What is chosen moves the focus at once, before the field is drawn anew: leaving must not read what was typed before.
  const latest = useRef(text);
  const setText = (to: string | undefined): void => {
    latest.current = to;
    show(to);
  };
  const choose = (id: string): void => {
    setText(undefined);
    onChoose(id);
  };
  const leave = (): void => {
    const left = latest.current;
    const meant = left === undefined ? undefined : exact?.(left);
    if (meant !== undefined) return choose(meant);
    setText(undefined);
    if (left !== undefined && left.trim() !== '') onUnknown?.(left.trim());
    inCell?.onLeave();
  };
  return { text, typed: text !== undefined, setText, choose, leave };
}

/** In a cell, what is typed next goes on from the first letter, and to nothing else. */
function useFieldInCell(inCell: SearchChoiceProps['inCell']): RefObject<HTMLInputElement | null> {
  const field = useRef<HTMLInputElement>(null);
  const begun = useRef(inCell?.first);
  const isInCell = inCell !== undefined;
  useEffect(() => {
    if (!isInCell) return;
    field.current?.focus();
    if (begun.current !== undefined) field.current?.setSelectionRange(1, 1);
  }, [isInCell]);
  return field;
}
