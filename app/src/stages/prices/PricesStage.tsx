import { Button } from '@chakra-ui/react';
import { useDeferredValue, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import * as z from 'zod';
import { put, remove } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import type { Item } from '@zest/core/job/records/item';
import { daysBetween } from '@zest/core/doubts/context';
import { settingsOf } from '@zest/core/job/job';
import { USUAL_PRICE_DAYS } from '@zest/core/doubts/rules/priceOld';
import { BLANK_ITEM } from '@zest/core/pricing/blankItem';
import { isUnpriced, searchOf, usedCodes } from '@zest/core/pricing/book';
import { MoreMenu } from '../../components/MoreMenu.tsx';
import { tell, tellProblem } from '../../components/toaster.tsx';
import { useChoice } from '../../components/useChoice.ts';
import { useSettle } from '../../components/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { type Pasted, describePasted } from '../../tables/paste.ts';
import { planPaste } from './planPaste.ts';
import { useArrangement } from '../../tables/arrangement.ts';
import { Grid } from '../../tables/Grid.tsx';
import type { GridEdit } from '../../tables/gridProps.ts';
import { ColumnChoiceButton } from '../estimate/ColumnChoice.tsx';
import { useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { BOOK_COLUMNS, USUAL_BOOK_COLUMNS, bookColumn, editItem } from './bookColumns.tsx';
import { ImportDialog } from './ImportDialog.tsx';
import { ItemPanel } from './ItemPanel.tsx';
import { PriceTabs } from './PriceTabs.tsx';
import { RaiseDialog } from './RaiseDialog.tsx';
import { useRecentItems } from './recentItems.ts';
import { dayOf } from '../../platform/days.ts';
import { Select, TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { Panes } from '../../parts/Panes.tsx';

const columnsSchema = z.array(z.string().max(60)).min(1).max(40).readonly();

/** What a filter says, as a sentence would. */
const FILTERS = {
  all: t('prices.allItems'),
  recent: t('prices.usedLately'),
  used: t('prices.pricedInThisJob'),
  unpriced: t('prices.withoutAPrice'),
  old: t('prices.withAnOldPrice'),
} as const;
type Filter = keyof typeof FILTERS;
const NONE_HELD: ReadonlySet<string> = new Set();

/** The price book of the job: found while typing, edited like a spreadsheet. */
export function PricesStage() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const actions = useJobActions();
  const formats = useFormats();
  const [params] = useSearchParams();
  const [text, setText] = useState('');
  const [group, setGroup] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const [shown, choose] = useChoice('book-columns', USUAL_BOOK_COLUMNS, columnsSchema);
  const arrangement = useArrangement('prices');
  const [chosen, setChosen] = useState<string | undefined>();
  const [asking, setAsking] = useState<'import' | 'raise' | undefined>();
  const recent = useRecentItems();
  const isWanted = useWanted(group, filter, recent);
  // The field takes every key at once; the list of thousands follows when it can.
  const sought = useDeferredValue(text);
  // What was added or is being changed stays in sight until another thing is looked for.
  const [held, setHeld] = useState<ReadonlySet<string>>(NONE_HELD);
  const [typing, setTyping] = useState<{ readonly key: string; readonly column: string } | undefined>();
  const rows = useMemo(() => {
    const found = searchOf(job.item).find(sought, isWanted);
    const there = new Set<string>(found.map(({ id }) => id));
    const kept = [...held].flatMap((id) => (there.has(id) ? [] : (job.item.get(id as Id<'item'>) ?? [])));
    return kept.length === 0 ? found : [...kept, ...found];
  }, [job.item, sought, isWanted, held]);
  const look = (how: () => void): void => {
    setHeld(NONE_HELD);
    how();
  };
  const groups = useMemo(
    () => [...new Set([...job.item.values()].map((item) => item.group))].sort(),
    [job.item],
  );
  const columns = useMemo(
    () => shown.flatMap((id) => bookColumn(id, formats, job) ?? []),
    [shown, formats, job],
  );
  const selectedKey = chosen ?? params.get('item') ?? undefined;
  const onEdit = (edits: readonly GridEdit<Item>[]): string | undefined => {
    const changed = new Map<string, Item>();
    for (const { row, column, text: typed } of edits) {
      const edited = editItem(changed.get(row.id) ?? row, column, typed, formats, job);
      if (!edited.ok) return describeProblem(edited.problem);
      changed.set(row.id, edited.value);
    }
    setHeld(new Set([...held, ...changed.keys()]));
    return settle(
      edits.length === 1
        ? t('prices.changeAPrice')
        : t('prices.change', { items: t('count.item', { count: changed.size }) }),
      put(...changed.values()),
    );
  };
  /** Rows with a code go to the item of that code; others from the row on, and then into new items. */
  const onPaste = (pasted: Pasted, from: Item | undefined, inOrder: readonly Item[]): string | undefined => {
    const plan = planPaste(pasted, inOrder, from, job, (code) => blankItem(code));
    const changed = new Map<string, Item>(plan.map(({ item }) => [item.id, item]));
    for (const { item, row } of plan)
      for (const [along, column] of pasted.columns.entries()) {
        const typed = row[along] ?? '';
        if (column === undefined || (typed.trim() === '' && !job.item.has(item.id))) continue;
        if (column === 'sizes') continue;
        const edited = editItem(changed.get(item.id) ?? item, column, typed, formats, job);
        if (!edited.ok) return describeProblem(edited.problem);
        changed.set(item.id, edited.value);
      }
    const refused = settle(
      t('prices.paste', { rows: t('count.row', { count: pasted.rows.length }) }),
      put(...changed.values()),
    );
    if (refused !== undefined) return refused;
    const added = plan.filter(({ item }) => !job.item.has(item.id)).length;
    const said = describePasted({
      changed: changed.size - added,
      added,
      things: 'item',
      unknown: pasted.unknown,
      skipped: 0,
    });
    if (said !== undefined) tell(said);
    return undefined;
  };
  const blankItem = (code: string): Item => ({
    ...BLANK_ITEM,
    id: services.makeId('item'),
    code,
    description: t('prices.newItem'),
    date: dayOf(services.now()),
    group,
  });
  const add = (): void => {
    const codes = new Set([...job.item.values()].map(({ code }) => code));
    let number = 1;
    while (codes.has(`NEW-${number}`)) number += 1;
    const item = blankItem(`NEW-${number}`);
    actions.transact(t('prices.addAnItem'), put(item));
    setHeld(new Set([item.id]));
    setChosen(item.id);
    setTyping({ key: item.id, column: 'code' });
  };
  const write = async (kind: 'csv' | 'xlsx'): Promise<void> => {
    const { writePriceCsv, writePriceXlsx } = await import('./writePriceFile.ts');
    const blob = kind === 'csv' ? writePriceCsv(rows, job) : await writePriceXlsx(rows, job);
    services.download(fileName(settingsOf(job).name, `-prices.${kind}`), blob);
  };
  const selected = selectedKey === undefined ? undefined : job.item.get(selectedKey as Id<'item'>);
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <PriceTabs />
        <TextInput
          style={{ width: 196 }}
          aria-label={t('prices.searchThePriceBook')}
          placeholder={t('prices.codeWordsSizes')}
          value={text}
          onChange={(event) => look(() => setText(event.target.value))}
        />
        <Select
          style={{ width: 126 }}
          aria-label={t('prices.whichGroup')}
          value={group}
          onChange={(event) => look(() => setGroup(event.target.value))}
        >
          <option value="">{t('prices.inEveryGroup')}</option>
          {groups.filter(Boolean).map((each) => (
            <option key={each} value={each}>
              {t('prices.in', { each })}
            </option>
          ))}
        </Select>
        <Select
          style={{ width: 112 }}
          aria-label={t('prices.whichItems')}
          value={filter}
          onChange={(event) => look(() => setFilter(event.target.value as Filter))}
        >
          {(Object.keys(FILTERS) as Filter[]).map((each) => (
            <option key={each} value={each}>
              {FILTERS[each]}
            </option>
          ))}
        </Select>
        <span className="soft" role="status">
          {rows.length === job.item.size
            ? t('count.item', { count: rows.length })
            : t('prices.of', { number: rows.length, items: t('count.item', { count: job.item.size }) })}
        </span>
        <span className="grow" />
        <ColumnChoiceButton all={BOOK_COLUMNS} usual={USUAL_BOOK_COLUMNS} shown={shown} onChoose={choose} />
        <Button size="sm" variant="outline" onClick={() => setAsking('import')}>
          {t('prices.import')}
        </Button>
        <MoreMenu
          label={t('prices.moreToDoWithPrices')}
          entries={[
            [t('prices.raiseOrLowerPrices'), () => setAsking('raise')],
            [t('prices.exportWhatIsShownAsCsv'), () => void write('csv')],
            [t('prices.exportWhatIsShownAsXlsx'), () => void write('xlsx')],
          ]}
        />
        <Button size="sm" onClick={add}>
          {t('prices.addAnItem2')}
        </Button>
      </div>
      <Panes name="prices" usual="264px" side={<ItemPanel item={selected} />}>
        <div className={layout.stage}>
          {rows.length === 0 ? (
            <div className={layout.empty}>
              <h2>{job.item.size === 0 ? t('prices.thePriceBookIsEmpty') : t('prices.noMatches')}</h2>
              <p>
                {job.item.size === 0
                  ? t('prices.importAPriceListOrAddItems')
                  : t('prices.tryFewerWordsOrAnotherFilterOr')}
              </p>
            </div>
          ) : (
            <Grid
              label={t('prices.priceBook')}
              columns={columns}
              rows={rows}
              keyOf={({ id }) => id}
              arrangement={arrangement}
              selectedKey={selectedKey}
              typing={typing}
              onSelect={({ id }) => setChosen(id)}
              onEdit={onEdit}
              onPaste={onPaste}
              onRemove={(items) => {
                const done = actions.transact(
                  t('prices.remove3', { items: t('count.item', { count: items.length }) }),
                  remove(...items.map(({ id }) => id)),
                );
                if (!done.ok) tellProblem(describeProblem(done.problem));
              }}
            />
          )}
        </div>
      </Panes>
      {asking === 'import' ? <ImportDialog onClose={() => setAsking(undefined)} /> : null}
      {asking === 'raise' ? <RaiseDialog items={rows} onClose={() => setAsking(undefined)} /> : null}
    </div>
  );
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
    };
    const pass = passes[filter];
    return (item: Item) => (group === '' || item.group === group) && pass(item);
  }, [group, filter, recent, job, services, priceDays]);
}
