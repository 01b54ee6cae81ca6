import { useMemo, useState } from 'react';
import { findNotMeasured } from '@zest/core/takeoff/notMeasured';
import { useOpenJobLater, useSetView } from '../../stores/context.tsx';
import { BareButton, TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

/** What was never measured: empty scopes, levels where one is due, rows of schedules nobody used. */
export function NotMeasured() {
  const { job } = useOpenJobLater();
  const setView = useSetView();
  const [open, setOpen] = useState(false);
  const { scopes, levels, rows } = useMemo(() => findNotMeasured(job), [job]);
  const count = scopes.length + levels.length + rows.reduce((sum, { tags }) => sum + tags.length, 0);
  if (count === 0) return null;
  return (
    <div className={styles.notMeasured}>
      <BareButton aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? '▾' : '▸'} {t('measure.notYetMeasured')} <span className="warn">{count}</span>
      </BareButton>
      {open ? (
        <ul aria-label={t('measure.notYetMeasured')}>
          {scopes.map((scope) => (
            <li key={scope.id}>
              <TextButton onClick={() => setView({ penScope: scope.id, tool: scope.kind })}>
                {scope.name}
              </TextButton>{' '}
              {t('measure.nothingDrawn')}
            </li>
          ))}
          {levels.map(({ scope, level }) => (
            <li key={`${scope.id} ${level.id}`}>
              <TextButton onClick={() => setView({ penScope: scope.id, tool: scope.kind })}>
                {scope.name}
              </TextButton>{' '}
              {t('measure.nothingOn')} {level.name}
            </li>
          ))}
          {rows.map(({ schedule, tags }) => (
            <li key={schedule.id}>
              <TextButton onClick={() => setView({ schedule })}>{schedule.title}</TextButton>{' '}
              {t('count.row', { count: tags.length })} {t('measure.neverUsed')} {tags.slice(0, 12).join(', ')}
              {tags.length > 12 ? ' …' : ''}
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}
