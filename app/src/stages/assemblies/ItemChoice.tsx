import { useId, useMemo, useState } from 'react';
import { useOpenJob } from '../../stores/context.tsx';
import { searchItems } from '../prices/searchItems.ts';

interface ItemChoiceProps {
  readonly code: string;
  readonly label: string;
  readonly onChoose: (code: string) => string | undefined;
}

const LIMIT = 12;

/** Finds an item of the price book while typing: by code or words in any order. */
export function ItemChoice({ code, label, onChoose }: ItemChoiceProps) {
  const { job } = useOpenJob();
  const [text, setText] = useState<string | undefined>();
  const [at, setAt] = useState(0);
  const listId = useId();
  const found = useMemo(
    () => (text === undefined ? [] : searchItems(job.item.values(), text).slice(0, LIMIT)),
    [job.item, text],
  );
  const known = [...job.item.values()].find((item) => item.code === code);
  const choose = (chosen: string): void => {
    onChoose(chosen);
    setText(undefined);
  };
  return (
    <div style={{ position: 'relative' }}>
      <input
        className="input"
        role="combobox"
        aria-label={label}
        aria-expanded={text !== undefined && found.length > 0}
        aria-controls={listId}
        aria-activedescendant={found[at] === undefined ? undefined : `${listId}-${at}`}
        aria-invalid={code !== '' && known === undefined}
        placeholder="find an item"
        title={known?.description ?? code}
        value={text ?? code}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onBlur={() => {
          if (text === undefined) return;
          const exact = found.find((item) => item.code.toLowerCase() === text.trim().toLowerCase());
          if (text.trim() === '' || exact !== undefined) choose(exact?.code ?? '');
          else setText(undefined);
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
          if (step !== undefined) {
            event.preventDefault();
            if (text === undefined) setText('');
            setAt((from) => Math.max(0, Math.min(found.length - 1, from + step)));
          } else if (event.key === 'Enter' && text !== undefined)
            choose(text.trim() === '' ? '' : (found[at]?.code ?? code));
          else if (event.key === 'Escape') setText(undefined);
        }}
      />
      {text !== undefined ? (
        <ul
          className="finder-list box"
          id={listId}
          role="listbox"
          aria-label="Items of the price book"
          style={{
            position: 'absolute',
            right: 0,
            top: 30,
            width: 380,
            zIndex: 20,
            boxShadow: 'var(--float-shadow)',
          }}
        >
          {found.map((item, index) => (
            <li
              key={item.id}
              id={`${listId}-${index}`}
              role="option"
              aria-selected={index === at}
              onMouseDown={(event) => {
                event.preventDefault();
                choose(item.code);
              }}
            >
              <span style={{ minWidth: 84, fontWeight: 500 }}>{item.code}</span>
              <span className="cut">{item.description}</span>
              <span className="kind">per {item.basis === 1 ? item.unit : `${item.basis} ${item.unit}`}</span>
            </li>
          ))}
          {found.length === 0 ? (
            <li role="option" aria-selected="false">
              Nothing fits. Add it under Prices.
            </li>
          ) : null}
        </ul>
      ) : null}
    </div>
  );
}
