import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import * as z from 'zod';
import type { Id } from '@zest/core/job/id';
import { useChoice } from '../../stores/useChoice.ts';
import { t } from '../../messages/t.ts';
import { Panes } from '../../parts/Panes.tsx';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { useArrangement } from '../../tables/arrangement.ts';
import { Grid } from '../../tables/Grid.tsx';
import { layout } from '../../theme/layout.ts';
import { USUAL_BOOK_COLUMNS, bookColumn } from './bookColumns.tsx';
import { ImportDialog } from './ImportDialog.tsx';
import { ItemPanel } from './ItemPanel.tsx';
import { PriceBar } from './PriceBar.tsx';
import { RaiseDialog } from './RaiseDialog.tsx';
import { useBook, useBookEdits } from './useBook.ts';
import { Empty } from '../../parts/Empty.tsx';

const columnsSchema = z.array(z.string().max(60)).min(1).max(40).readonly();

/** The price book of the job: found while typing, edited like a spreadsheet. */
export function PricesStage() {
  const { job } = useOpenJob();
  const formats = useFormats();
  const [params] = useSearchParams();
  const [shown, choose] = useChoice('book-columns', USUAL_BOOK_COLUMNS, columnsSchema);
  const arrangement = useArrangement('prices');
  const [chosen, setChosen] = useState<string | undefined>();
  const [asking, setAsking] = useState<'import' | 'raise' | undefined>();
  const [typing, setTyping] = useState<{ readonly key: string; readonly column: string } | undefined>();
  const book = useBook();
  const edits = useBookEdits(book);
  const columns = useMemo(
    () => shown.flatMap((id) => bookColumn(id, formats, job) ?? []),
    [shown, formats, job],
  );
  const selectedKey = chosen ?? params.get('item') ?? undefined;
  const selected = selectedKey === undefined ? undefined : job.item.get(selectedKey as Id<'item'>);
  const add = (): void => {
    const { id } = edits.add();
    setChosen(id);
    setTyping({ key: id, column: 'code' });
  };
  return (
    <div className={layout.stage}>
      <PriceBar book={book} shown={shown} onColumns={choose} onAsk={setAsking} onAdd={add} />
      <Panes name="prices" usual="264px" side={<ItemPanel item={selected} />}>
        <div className={layout.stage}>
          {book.rows.length === 0 ? (
            <NothingFound isEmpty={job.item.size === 0} />
          ) : (
            <Grid
              label={t('prices.priceBook')}
              columns={columns}
              rows={book.rows}
              keyOf={({ id }) => id}
              arrangement={arrangement}
              selectedKey={selectedKey}
              typing={typing}
              onSelect={({ id }) => setChosen(id)}
              onEdit={edits.edit}
              onPaste={edits.paste}
              onRemove={edits.remove}
            />
          )}
        </div>
      </Panes>
      {asking === 'import' ? <ImportDialog onClose={() => setAsking(undefined)} /> : null}
      {asking === 'raise' ? <RaiseDialog items={book.rows} onClose={() => setAsking(undefined)} /> : null}
    </div>
  );
}

const NothingFound = ({ isEmpty }: { readonly isEmpty: boolean }) => (
  <Empty title={isEmpty ? t('prices.thePriceBookIsEmpty') : t('prices.noMatches')}>
    {isEmpty ? t('prices.importAPriceListOrAddItems') : t('prices.tryFewerWordsOrAnotherFilterOr')}
  </Empty>
);
