import { useCallback } from 'react';
import { SearchChoice, type SearchOption } from '../../components/SearchChoice.tsx';
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
  const items = job.item;
  const find = useCallback(
    (text: string): readonly SearchOption[] =>
      searchItems(items.values(), text)
        .slice(0, LIMIT)
        .map((item) => ({
          id: item.code,
          content: (
            <>
              <span style={{ minWidth: 84, fontWeight: 500 }}>{item.code}</span>
              <span className="cut">{item.description}</span>
              <span className="kind">per {item.basis === 1 ? item.unit : `${item.basis} ${item.unit}`}</span>
            </>
          ),
        })),
    [items],
  );
  const withCode = (wanted: string): string | undefined =>
    [...items.values()].find((item) => item.code.toLowerCase() === wanted.trim().toLowerCase())?.code;
  const known = [...items.values()].find((item) => item.code === code);
  return (
    <SearchChoice
      label={label}
      listLabel="Items of the price book"
      placeholder="find an item"
      value={code}
      title={known?.description ?? code}
      invalid={code !== '' && known === undefined}
      width={380}
      side="right"
      find={find}
      nothing="Nothing fits. Add it under Prices."
      onChoose={onChoose}
      exact={(text) => (text.trim() === '' ? '' : withCode(text))}
    />
  );
}
