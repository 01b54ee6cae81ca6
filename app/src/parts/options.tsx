import { type CSSProperties, type KeyboardEvent, type ReactNode, type Ref, useState } from 'react';
import { layout } from '../theme/layout.ts';

export interface Option {
  readonly id: string;
  /** What is shown of it, in cells side by side. */
  readonly content: ReactNode;
}

export interface OptionPlace {
  readonly at: number;
  readonly goTo: (at: number) => void;
  /** Goes up or down the list by an arrow key; true where it was one. */
  readonly step: (event: KeyboardEvent) => boolean;
}

/** Where one is in a list of options that hangs below a field. */
export function useOptionPlace(count: number): OptionPlace {
  const [at, setAt] = useState(0);
  return {
    at,
    goTo: setAt,
    step: (event) => {
      const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
      if (by === undefined) return false;
      event.preventDefault();
      setAt((from) => Math.max(0, Math.min(count - 1, from + by)));
      return true;
    },
  };
}

export const optionId = (listId: string, at: number): string => `${listId}-${at}`;

/** What a field says of its list to those who do not see it. */
export const comboboxOf = (listId: string, options: readonly Option[], at: number, isOpen: boolean) => ({
  role: 'combobox' as const,
  'aria-expanded': isOpen,
  'aria-controls': listId,
  'aria-activedescendant': options[at] === undefined ? undefined : optionId(listId, at),
});

interface OptionListProps {
  readonly id: string;
  readonly label: string;
  readonly options: readonly Option[];
  readonly at: number;
  readonly onTake: (id: string) => void;
  readonly onHover?: (at: number) => void;
  /** Said in the place of options where there are none. */
  readonly nothing?: string | undefined;
  readonly className?: string;
  readonly style?: CSSProperties;
  readonly ref?: Ref<HTMLUListElement>;
}

/** The options below a field; one is taken by a press, before the field loses the focus. */
export function OptionList({ id, label, options, at, onTake, onHover, nothing, ...look }: OptionListProps) {
  const { className, style, ref } = look;
  return (
    <ul
      ref={ref}
      className={className === undefined ? layout.finderList : `${layout.finderList} ${className}`}
      style={style}
      id={id}
      role="listbox"
      aria-label={label}
    >
      {options.map((option, index) => (
        <li
          key={option.id}
          id={optionId(id, index)}
          role="option"
          aria-selected={index === at}
          onMouseDown={(event) => {
            event.preventDefault();
            onTake(option.id);
          }}
          onMouseEnter={() => onHover?.(index)}
        >
          {option.content}
        </li>
      ))}
      {options.length === 0 && nothing !== undefined ? (
        <li role="option" aria-selected="false">
          {nothing}
        </li>
      ) : null}
    </ul>
  );
}
