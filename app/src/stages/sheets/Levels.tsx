import { X } from 'lucide-react';
import { put } from '@zest/core/job/change';
import { removeLevel } from '@zest/core/job/commands/removeWith';
import { inOrder } from '@zest/core/job/job';
import type { Level } from '@zest/core/job/records/level';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { TimesInput } from '../../parts/TimesInput.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useJobActions, useOpenJob } from '../../stores/context.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

/** The levels of the building, and how often each is built: a typical floor is measured once. */
export function Levels() {
  const { job } = useOpenJob();
  const settle = useSettle();
  const actions = useJobActions();
  const levels = inOrder(job.level.values());
  const change = (label: string, level: Level): string | undefined => {
    return settle(label, put(level));
  };
  if (levels.length === 0)
    return <p className={`soft ${styles.levels}`}>{t('sheets.noLevelsYetTypeOneInThe')}</p>;
  return (
    <section className={styles.levels} aria-label={t('sheets.levels')}>
      {levels.map((level) => (
        <span key={level.id} className={styles.level}>
          <CommitInput
            label={t('sheets.nameOfALevel')}
            value={level.name}
            onCommit={(name) => change(t('sheets.renameALevel'), { ...level, name })}
          />
          <span className="soft">{t('sheets.built')}</span>
          <TimesInput
            name={level.name}
            value={level.repeat}
            onCommit={(repeat) =>
              change(t('sheets.times2', { name: level.name, repeat }), { ...level, repeat })
            }
          />
          <span className="soft">{t('sheets.times3')}</span>
          <IconButton
            aria-label={t('sheets.removeTheLevel', { name: level.name })}
            onClick={() =>
              actions.transact(t('sheets.removeLevel', { name: level.name }), removeLevel(level.id))
            }
          >
            <X size={13} />
          </IconButton>
        </span>
      ))}
    </section>
  );
}
