import { Button } from '@chakra-ui/react';
import { useMemo } from 'react';
import { settingsOf } from '@zest/core/job/job';
import { MoreMenu } from '../../parts/MoreMenu.tsx';
import { t } from '../../messages/t.ts';
import { Select, TextInput } from '../../parts/fields.tsx';
import { fileName } from '../../storage/jobFiles.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { layout } from '../../theme/layout.ts';
import { ColumnChoiceButton } from '../estimate/ColumnChoice.tsx';
import { BOOK_COLUMNS, USUAL_BOOK_COLUMNS } from './bookColumns.tsx';
import { PriceTabs } from './PriceTabs.tsx';
import { type Book, FILTERS, type Filter } from './useBook.ts';

interface PriceBarProps {
  readonly book: Book;
  readonly shown: readonly string[];
  readonly onColumns: (ids: readonly string[]) => void;
  readonly onAsk: (what: 'import' | 'raise') => void;
  readonly onAdd: () => void;
}

/** What is looked for in the price book, and what is done with it as a whole. */
export function PriceBar({ book, shown, onColumns, onAsk, onAdd }: PriceBarProps) {
  const { job } = useOpenJob();
  const services = useServices();
  const { rows } = book;
  const write = async (kind: 'csv' | 'xlsx'): Promise<void> => {
    const { writePriceCsv, writePriceXlsx } = await import('./writePriceFile.ts');
    const blob = kind === 'csv' ? writePriceCsv(rows, job) : await writePriceXlsx(rows, job);
    services.download(fileName(settingsOf(job).name, `-prices.${kind}`), blob);
  };
  return (
    <div className={`${layout.bar} wraps`}>
      <PriceTabs />
      <SoughtFields book={book} />
      <span className="soft" role="status">
        {rows.length === job.item.size
          ? t('count.item', { count: rows.length })
          : t('prices.of', { number: rows.length, items: t('count.item', { count: job.item.size }) })}
      </span>
      <span className="grow" />
      <ColumnChoiceButton all={BOOK_COLUMNS} usual={USUAL_BOOK_COLUMNS} shown={shown} onChoose={onColumns} />
      <Button size="sm" variant="outline" onClick={() => onAsk('import')}>
        {t('prices.import')}
      </Button>
      <MoreMenu
        label={t('prices.moreToDoWithPrices')}
        entries={[
          [t('prices.raiseOrLowerPrices'), () => onAsk('raise')],
          [t('prices.exportWhatIsShownAsCsv'), () => void write('csv')],
          [t('prices.exportWhatIsShownAsXlsx'), () => void write('xlsx')],
        ]}
      />
      <Button size="sm" onClick={onAdd}>
        {t('prices.addAnItem2')}
      </Button>
    </div>
  );
}

function SoughtFields({ book: { sought, seek } }: { readonly book: Book }) {
  const { job } = useOpenJob();
  const groups = useMemo(
    () => [...new Set([...job.item.values()].map((item) => item.group))].filter(Boolean).sort(),
    [job.item],
  );
  return (
    <>
      <TextInput
        style={{ width: 196 }}
        aria-label={t('prices.searchThePriceBook')}
        placeholder={t('prices.codeWordsSizes')}
        value={sought.text}
        onChange={(event) => seek({ text: event.target.value })}
      />
      <Select
        style={{ width: 126 }}
        aria-label={t('prices.whichGroup')}
        value={sought.group}
        onChange={(event) => seek({ group: event.target.value })}
      >
        <option value="">{t('prices.inEveryGroup')}</option>
        {groups.map((each) => (
          <option key={each} value={each}>
            {t('prices.in', { each })}
          </option>
        ))}
      </Select>
      <Select
        style={{ width: 112 }}
        aria-label={t('prices.whichItems')}
        value={sought.filter}
        onChange={(event) => seek({ filter: event.target.value as Filter })}
      >
        {(Object.keys(FILTERS) as Filter[]).map((each) => (
          <option key={each} value={each}>
            {FILTERS[each]}
          </option>
        ))}
      </Select>
    </>
  );
}
