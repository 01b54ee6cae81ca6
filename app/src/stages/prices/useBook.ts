import { type Job, settingsOf } from '@zest/core/job/job';
import { type Result, accept } from '@zest/core/problem/result';
import { useDeferredValue, useMemo, useState } from 'react';
import { put, remove } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import type { Item } from '@zest/core/job/records/item';
import { daysBetween } from '@zest/core/doubts/context';
import { USUAL_PRICE_DAYS } from '@zest/core/doubts/rules/priceOld';
import { BLANK_ITEM } from '@zest/core/pricing/blankItem';
import { hasSamplePrice } from '@zest/core/pricing/ownPrice';
import { isUnpriced, searchOf, usedCodes } from '@zest/core/pricing/book';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { type Problem, describeProblem } from '../../messages/describeProblem.ts';
import { t } from '../../messages/t.ts';
import { dayOf } from '../../platform/days.ts';
import { type Formats, useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import type { GridEdit } from '../../tables/gridProps.ts';
import { type Pasted, describePasted } from '../../tables/paste.ts';
import { editItem } from './bookColumns.tsx';
import { planPaste } from './planPaste.ts';
import { useRecentItems } from './recentItems.ts';

/** What a filter says, as a sentence would. */
export const FILTERS = {
  all: t('prices.allItems'),
  recent: t('prices.usedLately'),
  used: t('prices.pricedInThisJob'),
  unpriced: t('prices.withoutAPrice'),
  old: t('prices.withAnOldPrice'),
  sample: t('prices.withASamplePrice'),
} as const;
export type Filter = keyof typeof FILTERS;

/** What is looked for in the book. */
export interface Sought {
  readonly text: string;
  readonly group: string;
  readonly filter: Filter;
}

export interface Book {
  readonly rows: readonly Item[];
  readonly sought: Sought;
  readonly seek: (change: Partial<Sought>) => void;
  /** Keeps items in sight, whatever is looked for. */
  readonly hold: (ids: Iterable<string>) => void;
}

const NONE_HELD: ReadonlySet<string> = new Set();

/** The items that are found; what was added or is being changed stays in sight until another thing is looked for. */
export function useBook(): Book {
  const { job } = useOpenJob();
  const [sought, setSought] = useState<Sought>({ text: '', group: '', filter: 'all' });
  const [held, setHeld] = useState<ReadonlySet<string>>(NONE_HELD);
  const isWanted = useWanted(sought.group, sought.filter, useRecentItems());
  // The field takes every key at once; the list of thousands follows when it can.
  const text = useDeferredValue(sought.text);
  const rows = useMemo(() => {
    const found = searchOf(job.item).find(text, isWanted);
    const there = new Set<string>(found.map(({ id }) => id));
    const kept = [...held].flatMap((id) => (there.has(id) ? [] : (job.item.get(id as Id<'item'>) ?? [])));
    return kept.length === 0 ? found : [...kept, ...found];
  }, [job.item, text, isWanted, held]);
  return {
    rows,
    sought,
    seek: (change) => {
      setHeld(NONE_HELD);
      setSought((now) => ({ ...now, ...change }));
    },
    hold: (ids) => setHeld((now) => new Set([...now, ...ids])),
  };
}

export interface BookEdits {
  readonly edit: (edits: readonly GridEdit<Item>[]) => string | undefined;
  readonly paste: (pasted: Pasted, from: Item | undefined, inOrder: readonly Item[]) => string | undefined;
  /** Adds an item and answers which. */
  readonly add: () => Item;
  readonly remove: (items: readonly Item[]) => void;
}

/** What is done to the items of the book, each as one step. */
export function useBookEdits({ sought, hold }: Book): BookEdits {
  const { job } = useOpenJob();
  const { makeId, now } = useServices();
  const settle = useSettle();
  const actions = useJobActions();
  const formats = useFormats();
  const blankItem = (code: string): Item => ({
    ...BLANK_ITEM,
    id: makeId('item'),
    code,
    description: t('prices.newItem'),
    date: dayOf(now()),
    group: sought.group,
  });
  return {
    edit: (edits) => {
      const changed = new Map<string, Item>();
      for (const { row, column, text } of edits) {
        const edited = editItem(changed.get(row.id) ?? row, column, text, formats, job);
        if (!edited.ok) return describeProblem(edited.problem);
        changed.set(row.id, edited.value);
      }
      hold(changed.keys());
      return settle(
        edits.length === 1
          ? t('prices.changeAPrice')
          : t('prices.change', { items: t('count.item', { count: changed.size }) }),
        put(...changed.values()),
      );
    },
    paste: (pasted, from, inOrder) => {
      const changed = pasteItems(planPaste(pasted, inOrder, from, job, blankItem), pasted, job, formats);
      if (!changed.ok) return describeProblem(changed.problem);
      const refused = settle(
        t('prices.paste', { rows: t('count.row', { count: pasted.rows.length }) }),
        put(...changed.value.values()),
      );
      if (refused !== undefined) return refused;
      const added = [...changed.value.keys()].filter((id) => !job.item.has(id as Id<'item'>)).length;
      tellPasted(pasted, changed.value.size - added, added);
      return undefined;
    },
    add: () => {
      const codes = new Set([...job.item.values()].map(({ code }) => code));
      let number = 1;
      while (codes.has(`NEW-${number}`)) number += 1;
      const item = blankItem(`NEW-${number}`);
      actions.transact(t('prices.addAnItem'), put(item));
      hold([item.id]);
      return item;
    },
    remove: (items) => {
      const label = t('prices.remove3', { items: t('count.item', { count: items.length }) });
      const done = actions.transact(label, remove(...items.map(({ id }) => id)));
      if (!done.ok) tellProblem(describeProblem(done.problem));
    },
  };
}

function tellPasted({ unknown }: Pasted, changed: number, added: number): void {
  const said = describePasted({ changed, added, things: 'item', unknown, skipped: 0 });
  if (said !== undefined) tell(said);
}

/** Which items a filter lets through. */
function useWanted(group: string, filter: Filter, recent: readonly string[]): (item: Item) => boolean {
  const { job } = useOpenJob();
  const services = useServices();
  const { priceDays = USUAL_PRICE_DAYS } = settingsOf(job);
  return useMemo(() => {
    const today = dayOf(services.now());
    const lately = new Set(recent);
    const used = filter === 'used' ? usedCodes(job) : new Set<string>();
    const passes: Readonly<Record<Filter, (item: Item) => boolean>> = {
      all: () => true,
      recent: ({ code }) => lately.has(code),
      used: ({ code }) => used.has(code),
      unpriced: isUnpriced,
      old: ({ date }) => (daysBetween(date, today) ?? 0) > priceDays,
      sample: hasSamplePrice,
    };
    const pass = passes[filter];
    return (item: Item) => (group === '' || item.group === group) && pass(item);
  }, [group, filter, recent, job, services, priceDays]);
}

/** The items as a pasted block makes them, or why one of its cells cannot be. */
function pasteItems(
  plan: ReturnType<typeof planPaste>,
  pasted: Pasted,
  job: Job,
  formats: Formats,
): Result<ReadonlyMap<string, Item>, Problem> {
  const changed = new Map<string, Item>();
  for (const { item, row } of plan) {
    changed.set(item.id, changed.get(item.id) ?? item);
    for (const [along, column] of pasted.columns.entries()) {
      const typed = row[along] ?? '';
      if (column === undefined || (typed.trim() === '' && !job.item.has(item.id))) continue;
      if (column === 'sizes') continue;
      const edited = editItem(changed.get(item.id) ?? item, column, typed, formats, job);
      if (!edited.ok) return edited;
      changed.set(item.id, edited.value);
    }
  }
  return accept(changed);
}
