import { own } from '@zest/core/job/own';
import { listFamilies } from '@zest/core/calculate/lines/sizes';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import type { Sizing } from '@zest/core/job/records/pricing';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { useOpenJob } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface SizingEditorProps {
  readonly sizing: Sizing | undefined;
  readonly place: FormulaPlace;
  readonly onChange: (sizing: Sizing | undefined) => string | undefined;
}

/** The nearest item of a family that is big enough: which family, and the sizes that are wanted. */
export function SizingEditor({ sizing, place, onChange }: SizingEditorProps) {
  const { job } = useOpenJob();
  const families = listFamilies(job);
  if (families.size === 0 && sizing === undefined) return null;
  const keysOf = (family: string): readonly string[] => Object.keys(families.get(family)?.[0]?.sizes ?? {});
  return (
    <div className="sizing">
      <label>
        <span className="soft">{t('prices.bySizeTheSmallestThatIsLarge')}</span>
        <Select
          value={sizing?.family ?? ''}
          onChange={(event) => {
            const family = event.target.value;
            onChange(
              family === ''
                ? undefined
                : {
                    family,
                    by: Object.fromEntries(
                      keysOf(family).map((key) => [key, own(sizing?.by ?? {}, key) ?? '0 in']),
                    ),
                  },
            );
          }}
        >
          <option value="">{t('prices.noUseItsItem')}</option>
          {[...families.keys()].sort().map((family) => (
            <option key={family}>{family}</option>
          ))}
        </Select>
      </label>
      {sizing === undefined
        ? null
        : Object.entries(sizing.by).map(([key, text]) => (
            <div key={key} className={styles.sizingRow}>
              <span className="soft">{key}</span>
              <FormulaInput
                label={`${sizing.family}, ${key}`}
                value={text}
                place={place}
                onCommit={(kept) => onChange({ ...sizing, by: { ...sizing.by, [key]: kept } })}
              />
            </div>
          ))}
    </div>
  );
}
