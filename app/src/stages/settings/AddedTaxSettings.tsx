import { Button } from '@chakra-ui/react';
import { Plus, X } from 'lucide-react';
import { plainToLocal } from '@zest/core/formula/localize';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import type { Settings } from '@zest/core/job/records/settings';
import { SectionOptions } from '../../figures/SectionOptions.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { t } from '../../messages/t.ts';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { useFormats } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { styles } from './styles.ts';
import { useChangeSettings } from './useSettings.ts';

type AddedTax = NonNullable<Settings['valueAddedTax']>;

/** Tax on materials within the price, and tax on all that is sold below the total. */
export function AddedTaxSettings({ settings }: { readonly settings: Settings }) {
  const set = useChangeSettings(settings);
  const { numbers } = useFormats();
  const tax = settings.valueAddedTax;
  const change = (changed: Partial<AddedTax>): string | undefined =>
    tax === undefined ? undefined : set({ valueAddedTax: { ...tax, ...changed } });
  return (
    <section className={styles.card} aria-label={t('settings.taxes')}>
      <h2>{t('settings.taxes')}</h2>
      <PercentField
        label={t('settings.salesTaxOnMaterials')}
        value={settings.taxOnMaterials}
        onCommit={(taxOnMaterials) => set({ taxOnMaterials })}
      />
      <Checkbox
        checked={tax !== undefined}
        onChange={(on) =>
          set({ valueAddedTax: on ? { name: t('settings.valueAddedTaxName'), percent: '' } : undefined })
        }
      >
        {t('settings.addedBelowTheTotal')}
      </Checkbox>
      {tax === undefined ? null : (
        <>
          <label>
            <span className="soft">{t('settings.nameOfTheTax')}</span>
            <CommitInput
              label={t('settings.nameOfTheTax')}
              value={tax.name}
              onCommit={(name) =>
                name.trim() === '' ? t('settings.theTaxNeedsAName') : change({ name: name.trim() })
              }
            />
          </label>
          <PercentField
            label={t('settings.rate')}
            value={tax.percent}
            onCommit={(percent) => change({ percent })}
          />
          <SectionRates tax={tax} numbers={numbers} change={change} />
        </>
      )}
    </section>
  );
}

interface PercentFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onCommit: (percent: string) => string | undefined;
}

function PercentField({ label, value, onCommit }: PercentFieldProps) {
  const { numbers } = useFormats();
  return (
    <label>
      <span className="soft">{label}</span>
      <CommitInput
        label={label}
        align="end"
        value={plainToLocal(value, numbers)}
        onCommit={(text) => takeFigure(text, numbers, { as: 'percent', least: 0, most: 100 }, onCommit)}
      />
    </label>
  );
}

interface SectionRatesProps {
  readonly tax: AddedTax;
  readonly numbers: ReturnType<typeof useFormats>['numbers'];
  readonly change: (changed: Partial<AddedTax>) => string | undefined;
}

/** Sections that are sold at another rate, such as a reduced one. */
function SectionRates({ tax, numbers, change }: SectionRatesProps) {
  const sections = useTable('section');
  const rates = tax.rates ?? [];
  const taken = new Set<string>(rates.map(({ sectionId }) => sectionId));
  const next = inOrder(sections.values()).find(({ id, parentId }) => parentId === null && !taken.has(id));
  const put = (at: number, changed: Partial<(typeof rates)[number]>): string | undefined =>
    change({ rates: rates.map((rate, i) => (i === at ? { ...rate, ...changed } : rate)) });
  return (
    <>
      {rates.map(({ sectionId, percent }, at) => (
        <div key={sectionId} className={styles.rate}>
          <Select
            aria-label={t('settings.sectionOfRate', { place: at + 1 })}
            value={sectionId}
            onChange={({ target }) => put(at, { sectionId: target.value as Id<'section'> })}
          >
            <SectionOptions sections={sections.values()} />
          </Select>
          <CommitInput
            label={t('settings.rateOfSection', { place: at + 1 })}
            align="end"
            value={plainToLocal(percent, numbers)}
            onCommit={(text) =>
              takeFigure(text, numbers, { as: 'percent', least: 0, most: 100 }, (own) =>
                put(at, { percent: own }),
              )
            }
          />
          <IconButton
            aria-label={t('settings.removeRate', { place: at + 1 })}
            onClick={() => change({ rates: rates.filter((_, i) => i !== at) })}
          >
            <X size={13} />
          </IconButton>
        </div>
      ))}
      {next === undefined ? null : (
        <div>
          <Button
            size="xs"
            variant="outline"
            onClick={() => change({ rates: [...rates, { sectionId: next.id, percent: tax.percent }] })}
          >
            <Plus size={13} /> {t('settings.anotherRateForASection')}
          </Button>
        </div>
      )}
    </>
  );
}
