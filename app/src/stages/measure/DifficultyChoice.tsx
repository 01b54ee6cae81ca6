import { put } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import { usualDifficulties } from '@zest/core/library/difficulties';
import { formatNumber } from '@zest/core/units/numberFormat';
import { useSettle } from '../../stores/useSettle.ts';
import { useFormats, useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { Chip } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { sayLibrary } from '../../messages/libraryText.ts';

interface DifficultyChoiceProps {
  readonly label: string;
  readonly chosen: readonly Id<'difficulty'>[];
  readonly onChange: (chosen: Id<'difficulty'>[]) => void;
}

/** How hard the place is to work in: each chosen one is a factor on the labor hours. */
export function DifficultyChoice({ label, chosen, onChange }: DifficultyChoiceProps) {
  const { numbers } = useFormats();
  const { makeId } = useServices();
  const settle = useSettle();
  const all = inOrder(useTable('difficulty').values());
  const others = all.filter(({ id }) => !chosen.includes(id));
  const add = (value: string): void => {
    if (value === 'usual')
      settle(t('measure.addTheUsualDifficulties'), put(...usualDifficulties(makeId, sayLibrary())));
    const found = all.find(({ id }) => id === value);
    if (found !== undefined) onChange([...chosen, found.id]);
  };
  return (
    <div className={styles.difficulties}>
      {all
        .filter(({ id }) => chosen.includes(id))
        .map(({ id, name, factor }) => (
          <Chip
            key={id}
            title={t('measure.hoursTimesClickToRemoveIt', { figure: formatNumber(factor, 2, numbers, true) })}
            aria-label={t('measure.remove', { name })}
            onClick={() => onChange(chosen.filter((each) => each !== id))}
          >
            {name} × {formatNumber(factor, 2, numbers, true)}
          </Chip>
        ))}
      <Select small aria-label={label} value="" onChange={(event) => add(event.target.value)}>
        <option value="">+ {t('measure.difficulty').toLowerCase()}</option>
        {others.map(({ id, name, factor }) => (
          <option key={id} value={id}>
            {t('measure.hours', { name, figure: formatNumber(factor, 2, numbers, true) })}
          </option>
        ))}
        {all.length === 0 ? <option value="usual">{t('measure.addTheUsualOnesToTheJob')}</option> : null}
      </Select>
    </div>
  );
}
