import type { OpenReport } from '@zest/core/reports/openReport';
import { TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { filterSentence } from './filterWords.ts';
import { nameOfColumn } from './GroupLine.tsx';
import { styles } from './styles.ts';

interface FilterLineProps {
  readonly open: OpenReport;
  readonly onAsk: () => void;
}

/** What the filter lets through, as a sentence, and how much it does not. */
export function FilterLine({ open, onAsk }: FilterLineProps) {
  const { filter } = open.spec;
  if (filter === undefined || filter.of.length === 0) return null;
  const { job } = open.context.figures;
  return (
    <div className={styles.line}>
      <span className="soft">{t('report.onlyWhere')}</span>
      <TextButton onClick={onAsk}>{filterSentence(filter, job, (key) => nameOfColumn(open, key))}</TextButton>
      <span className="soft">{t('report.leftOut', { rows: t('count.row', { count: open.leftOut }) })}</span>
    </div>
  );
}
