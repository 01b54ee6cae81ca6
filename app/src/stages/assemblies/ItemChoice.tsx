import { useCallback } from 'react';
import { SearchChoice, type SearchOption } from '../../parts/SearchChoice.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import type { Job } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import { findByCode, searchOf } from '@zest/core/pricing/book';
import { rememberItem, useRecentItems } from '../prices/recentItems.ts';
import { t } from '../../messages/t.ts';

interface ItemChoiceProps {
  readonly code: string;
  readonly label: string;
  readonly onChoose: (code: string) => string | undefined;
  /** What to make of a text that is no item; it is told where nothing else is made of it. */
  readonly onUnknown?: (text: string) => void;
  /** What stands in an empty field, where an item is found in another way. */
  readonly placeholder?: string;
  readonly inCell?: { readonly first: string | undefined; readonly onLeave: () => void };
}

const LIMIT = 12;

const tellUnknown = (text: string): void => tellProblem(t('assemblies.isntAnItemOfThePriceBook', { text }));

/** What was used lately stands first while nothing is typed. */
function offered(items: Job['item'], recent: readonly string[], text: string): readonly Item[] {
  const found = searchOf(items).find(text);
  if (text.trim() !== '') return found;
  const lately = recent.flatMap((code) => findByCode(items, code) ?? []);
  return [...lately, ...found.filter((item) => !lately.includes(item))];
}

/** Finds an item of the price book while typing: by code or words in any order. */
export function ItemChoice({
  code,
  label,
  onChoose,
  onUnknown = tellUnknown,
  placeholder,
  inCell,
}: ItemChoiceProps) {
  const { job } = useOpenJob();
  const items = job.item;
  const recent = useRecentItems();
  const { storage } = useServices();
  const find = useCallback(
    (text: string): readonly SearchOption[] =>
      offered(items, recent, text)
        .slice(0, LIMIT)
        .map((item) => ({
          id: item.code,
          content: (
            <>
              <span style={{ minWidth: 84, fontWeight: 500 }}>{item.code}</span>
              <span className="cut">{item.description}</span>
              <span className="kind">
                {t('assemblies.per', { part: item.basis === 1 ? item.unit : `${item.basis} ${item.unit}` })}
              </span>
            </>
          ),
        })),
    [items, recent],
  );
  const withCode = (wanted: string): string | undefined => findByCode(items, wanted)?.code;
  const known = code === '' ? undefined : findByCode(items, code);
  return (
    <SearchChoice
      label={label}
      inCell={inCell}
      listLabel={t('assemblies.itemsOfThePriceBook')}
      placeholder={placeholder ?? t('assemblies.findAnItem')}
      value={code}
      title={known?.description ?? code}
      invalid={code !== '' && known === undefined}
      width={380}
      side={inCell === undefined ? 'right' : 'left'}
      find={find}
      nothing={
        onUnknown === tellUnknown
          ? t('assemblies.noMatchesAddItUnderPrices')
          : t('assemblies.noMatchingItemEnterKeepsThisAs')
      }
      onChoose={(chosen) => {
        void rememberItem(storage, chosen);
        return onChoose(chosen);
      }}
      onUnknown={onUnknown}
      exact={(text) => (text.trim() === '' ? '' : withCode(text))}
    />
  );
}
