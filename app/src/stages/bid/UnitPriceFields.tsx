import type { BlockOf, DocumentBlock } from '@zest/core/job/records/document';
import { settingsOf } from '@zest/core/job/job';
import { minorDigits } from '@zest/core/pricing/money';
import { unitPriceList } from '@zest/core/reports/unitPriceList';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface UnitPriceFieldsProps {
  readonly block: BlockOf<'unit-prices'>;
  readonly onChange: (block: DocumentBlock) => string | undefined;
}

/** Which lines say what one of them costs: all, or those ticked. */
export function UnitPriceFields({ block, onChange }: UnitPriceFieldsProps) {
  const { job, figures } = useOpenJob();
  const rows = unitPriceList(figures, [], 10 ** minorDigits(settingsOf(job).currency));
  const all = block.lines.length === 0;
  const change = (lines: readonly string[]): void => {
    const refused = onChange({ ...block, lines });
    if (refused !== undefined) tellProblem(refused);
  };
  return (
    <>
      <Checkbox checked={all} disabled={all} onChange={() => change([])}>
        {t('bid.allLines')}
      </Checkbox>
      <div className={styles.choices} role="group" aria-label={t('bid.theseLines')}>
        {rows.map(({ key, name, unit }) => (
          <Checkbox
            key={key}
            checked={block.lines.includes(key)}
            onChange={(on) => change(on ? [...block.lines, key] : block.lines.filter((each) => each !== key))}
          >
            {`${name}, ${unit}`}
          </Checkbox>
        ))}
      </div>
    </>
  );
}
