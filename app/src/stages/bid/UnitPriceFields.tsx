import type { BlockOf, DocumentBlock } from '@zest/core/job/records/document';
import { settingsOf } from '@zest/core/job/job';
import { minorDigits } from '@zest/core/pricing/money';
import { unitPriceList } from '@zest/core/reports/unitPriceList';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import { firstOf, listWith } from '../../messages/lists.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface UnitPriceFieldsProps {
  readonly block: BlockOf<'unit-prices'>;
  readonly onChange: (block: DocumentBlock) => string | undefined;
}

/** Which lines say what one of them costs: all, or those ticked. */
export function UnitPriceFields({ block, onChange }: UnitPriceFieldsProps) {
  const { job, figures } = useOpenJob();
  const perMajor = 10 ** minorDigits(settingsOf(job).currency);
  const { rows } = unitPriceList(figures, [], perMajor);
  const { without, gone } = unitPriceList(figures, block.lines, perMajor);
  const all = block.lines.length === 0;
  // What was ticked stays to be unticked when it has no price any more.
  const shown = [
    ...rows.map(({ key, name, unit }) => ({ key, text: `${name}, ${unit}` })),
    ...(all ? [] : without.map(({ key, name }) => ({ key, text: name }))),
  ];
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
        {shown.map(({ key, text }) => (
          <Checkbox
            key={key}
            checked={block.lines.includes(key)}
            onChange={(on) => change(on ? [...block.lines, key] : block.lines.filter((each) => each !== key))}
          >
            {text}
          </Checkbox>
        ))}
      </div>
      {without.length === 0 ? null : (
        <p className="warn">
          {t('bid.withoutUnitPrice', {
            count: without.length,
            names: namesOf(without.map(({ name }) => name)),
          })}
        </p>
      )}
      {gone === 0 ? null : <p className="warn">{t('bid.unitPricesGone', { count: gone })}</p>}
    </>
  );
}

const NAMED = 5;

/** The first few by name, and how many more. */
function namesOf(names: readonly string[]): string {
  const [first, more] = firstOf(names, NAMED);
  return listWith('and', more === 0 ? first : [...first, t('bid.moreLines', { count: more })]);
}
